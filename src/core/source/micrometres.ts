import { formatNumber } from '../units/length';
import type { Cell, Grid, GridRow } from './grid';
import { headSays } from './words';

// Columns and rows that are printed in micrometres: no sheet is entered in them, so that they are read in mm.

/** What a head says where its column is in micrometres: “Min. [µm]”, “Max (microns)”. */
const HEAD =
  /[\s([]*(?<![\p{L}\p{N}])(?:[µμu]m|microns?|micromet(?:re|er)s?|Mikrometer|мкм)(?![\p{L}\p{N}])[)\]]*/iu;
const PLAIN = /^\s*([±+-]?)\s*(\d+(?:[.,]\d+)?)\s*$/;

/** Whether a cell heads numbers in micrometres; a sentence that only speaks of them does not. */
function isHead({ text }: Cell): boolean {
  if (/\d/.test(text) || !HEAD.test(text)) return false;
  const rest = text.replace(HEAD, ' ').trim();
  const { limit, role, rest: other } = headSays(rest);
  return rest === '' || ((limit !== null || role !== null) && other === '');
}

const isUnit = ({ text }: Cell): boolean => HEAD.test(text) && text.replace(HEAD, '').trim() === '';
const isNumber = ({ text }: Cell): boolean => PLAIN.test(text);
/** Whether a row says by a cell of its own that its numbers are in micrometres. */
const isInMicrometres = (row: GridRow): boolean => row.some(isUnit) && row.some(isNumber);

function inMm(cell: Cell): Cell {
  const [, sign = '', number = ''] = PLAIN.exec(cell.text) ?? [];
  return number === ''
    ? cell
    : { ...cell, text: `${sign}${formatNumber(Number(number.replace(',', '.')) / 1000, 0, 9)}` };
}

/** A grid whose numbers in micrometres are in mm. */
export function micrometresSaid(printed: Grid): Grid {
  const grid = {
    ...printed,
    rows: printed.rows.map((row) =>
      isInMicrometres(row) ? row.map((cell) => (isUnit(cell) ? { ...cell, text: 'mm' } : inMm(cell))) : row,
    ),
  };
  const heads = grid.rows.flatMap((row, at) => row.flatMap((cell) => (isHead(cell) ? [{ at, cell }] : [])));
  if (heads.length === 0) return grid;
  const under = (at: number, { column }: Cell) =>
    heads.some(
      (head) => at > head.at && column >= head.cell.column && column < head.cell.column + head.cell.span,
    );
  const rows = grid.rows.map((row, at): GridRow =>
    row.map((cell) => {
      if (heads.some((head) => head.cell === cell))
        return { ...cell, text: cell.text.replace(HEAD, ' mm').trim() };
      return under(at, cell) ? inMm(cell) : cell;
    }),
  );
  return { ...grid, rows };
}
