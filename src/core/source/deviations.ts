import { plainText } from '../units/entry-text';
import { cellAt, cellsArea, type Cell, type Grid, type GridRow } from './grid';

// Columns whose numbers say by their signs what they are: how much more and how much less than the nominal size
// beside them is allowed. The two become one column of tolerances, whatever is printed over them.

const MORE = /^\+\s*\d*[.,]?\d+$/;
const LESS = /^-\s*\d*[.,]?\d+$/;
const NONE = /^[+-]?0([.,]0+)?$/;
/** Rows that have both, at least: one alone may be a slip. */
const FEWEST = 2;

const signed = (cell: Cell): string => plainText(cell.text).text.replace(/[−–‒]/g, '-').replace(/\s+/g, '');

/** A grid in which two columns of deviations are one of tolerances. */
export function deviationsTogether(grid: Grid): Grid {
  for (let column = 1; column + 1 < grid.columns; column += 1) {
    const pairs = grid.rows.flatMap((row) => {
      const [one, other] = [cellAt(row, column), cellAt(row, column + 1)];
      return one && other && one !== other ? [[signed(one), signed(other)] as const] : [];
    });
    const numbers = pairs.filter(([one, other]) => /\d/.test(one) && /\d/.test(other));
    const are = (a: RegExp, b: RegExp) =>
      numbers.every(
        ([one, other]) => (a.test(one) || NONE.test(one)) && (b.test(other) || NONE.test(other)),
      ) && numbers.filter(([one, other]) => a.test(one) || b.test(other)).length >= FEWEST;
    const isMoreFirst = are(MORE, LESS);
    if (isMoreFirst || are(LESS, MORE)) return merged(grid, column, isMoreFirst);
  }
  return grid;
}

function merged(grid: Grid, column: number, isMoreFirst: boolean): Grid {
  const hasNumber = (cell: Cell | null) => cell !== null && /\d/.test(cell.text);
  const body = grid.rows.findIndex(
    (row) => hasNumber(cellAt(row, column)) || hasNumber(cellAt(row, column + 1)),
  );
  const rows = grid.rows.map((row, at): GridRow => {
    const [one, other] = [cellAt(row, column), cellAt(row, column + 1)];
    const cells = [one, other].filter((cell) => cell !== null);
    const [first] = cells;
    if (!first || one === other) return row;
    const rest = row.filter((cell) => !cells.includes(cell));
    const [more, less] = isMoreFirst ? [one, other] : [other, one];
    const bare = (cell: Cell) => signed(cell).replace(/^[+-]/, '');
    const sure = Math.min(...cells.map((cell) => cell.sure));
    const put = (text: string): GridRow =>
      [...rest, { ...first, text, column, span: 1, sure, area: cellsArea(cells) }].sort(
        (a, b) => a.column - b.column,
      );
    if (at < body) return put('Tol.');
    if (more && less && hasNumber(more) && hasNumber(less)) return put(`+${bare(more)}/-${bare(less)}`);
    // one deviation alone says nothing of the other: with it the size cannot be read, and that is told
    const nominal = cellAt(row, column - 1);
    const whole = [nominal, ...cells].map((cell) => cell?.text ?? '').join(' ');
    return rest.map((cell) => (cell === nominal ? { ...cell, text: `${whole} ?` } : cell));
  });
  return { ...grid, rows };
}
