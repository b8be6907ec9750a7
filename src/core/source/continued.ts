import type { Cell, Grid, GridRow } from './grid';
import type { Area } from './page';
import { hasNumber, headSays, letterOf } from './words';

// A table that goes on on the next page: under the same heads once more, or under none, in columns that stand
// where those of the page before do.

/** The tables of one page. */
export interface PageGrids {
  /** From 1. */
  readonly page: number;
  readonly grids: readonly Grid[];
}

/** What stands on a page, as one sees it from another: it says which page it is on. */
function seenFrom(read: number, page: number, rows: readonly GridRow[]): readonly GridRow[] {
  if (page === read) return rows;
  return rows.map((row) => row.map((cell) => ({ ...cell, area: cell.area && { ...cell.area, page } })));
}

/**
 * The tables of a page, the last of them with what the next page goes on with; `null` where it does not.
 * @param read the one of the two pages that is read
 */
export function continued(before: PageGrids, after: PageGrids, read = before.page): readonly Grid[] | null {
  const upper = before.grids.findLast(({ isPart }) => !isPart);
  const lower = after.grids.find(({ isPart }) => !isPart);
  if (!upper || !lower || speakOfTheSame(upper, lower)) return null;
  const [head, again] = [headIndex(upper), headIndex(lower)];
  if (head < 0) return null;
  const columns =
    again < 0 ? columnsByPlace(upper, lower) : columnsByHeads(upper.rows[head], lower.rows[again]);
  if (!columns) return null;
  const doubt =
    again < 0 ? `Page ${after.page} has no heads: those of page ${before.page} are taken.` : undefined;
  const rows = lower.rows.slice(again + 1).map((row): GridRow | null => {
    const moved = row.map((cell): Cell | null => {
      const column = columns.get(cell.column);
      if (column === undefined) return null;
      return { ...cell, column, ...(doubt === undefined ? {} : { doubt: cell.doubt ?? doubt }) };
    });
    return moved.every((cell) => cell !== null) ? moved : null;
  });
  // a line that stands in other columns is none of the table, and ends it
  const end = rows.findIndex((row) => row === null);
  const known = (end < 0 ? rows : rows.slice(0, end)).filter((row) => row !== null);
  if (!known.some((row) => row.some(({ text }) => hasNumber(text)))) return null;
  const whole: Grid = {
    ...upper,
    rows: [...seenFrom(read, before.page, upper.rows), ...seenFrom(read, after.page, known)],
    context: `${upper.context} ${lower.context}`.trim(),
  };
  // its sides, and lines beside it, were parts of the shorter one
  return before.grids.flatMap((grid) =>
    grid.isPart ? [] : [grid === upper ? whole : { ...grid, rows: seenFrom(read, before.page, grid.rows) }],
  );
}

/** Letters that two tables may have in common, where the second goes on with the first. */
const MOST_COMMON = 1;

/** Whether two tables are of two packages: the same letters come again. */
function speakOfTheSame(upper: Grid, lower: Grid): boolean {
  const lettersIn = ({ rows }: Grid) =>
    new Set(
      rows.flatMap((row) => {
        const letter = row.length > 1 ? letterOf(row[0]?.text ?? '') : null;
        return letter === null ? [] : [letter];
      }),
    );
  const [first, second] = [lettersIn(upper), lettersIn(lower)];
  return [...second].filter((letter) => first.has(letter)).length > MOST_COMMON;
}

/** The line of heads that stands over the values; −1 where there is none. */
function headIndex({ rows }: Grid): number {
  const body = rows.findIndex((row) => row.length > 1 && row.some(({ text }) => hasNumber(text)));
  const isHeads = (row: GridRow) =>
    row.filter(({ text }) => headSays(text).limit !== null || headSays(text).role !== null).length > 1;
  return rows.slice(0, Math.max(0, body)).findLastIndex(isHeads);
}

/** Columns of the second table by those of the first, where both have the same heads. */
function columnsByHeads(head: GridRow | undefined, again: GridRow | undefined): Map<number, number> | null {
  const plain = ({ text }: Cell) => text.toLowerCase().replace(/\s+/g, ' ').trim();
  if (!head || !again || head.length !== again.length) return null;
  const columns = new Map<number, number>();
  for (const [i, cell] of head.entries()) {
    const other = again[i];
    if (!other || plain(cell) !== plain(other) || cell.span !== other.span) return null;
    for (let k = 0; k < cell.span; k += 1) columns.set(other.column + k, cell.column + k);
  }
  return columns;
}

/** Columns of the second table by those of the first, where they stand over each other. */
function columnsByPlace(upper: Grid, lower: Grid): Map<number, number> | null {
  const rangesOf = ({ rows, columns }: Grid) =>
    Array.from({ length: columns }, (_, column): Pick<Area, 'x0' | 'x1'> | null => {
      const areas = rows.flatMap((row) =>
        row.flatMap(({ column: at, span, area }) => (at === column && span === 1 && area ? [area] : [])),
      );
      return areas.length === 0
        ? null
        : { x0: Math.min(...areas.map(({ x0 }) => x0)), x1: Math.max(...areas.map(({ x1 }) => x1)) };
    });
  const over = rangesOf(upper);
  const columns = new Map<number, number>();
  for (const [column, range] of rangesOf(lower).entries()) {
    const met = over.flatMap((one, i) => (range && one && one.x0 < range.x1 && range.x0 < one.x1 ? [i] : []));
    const [only, ...more] = met;
    if (only === undefined || more.length > 0 || [...columns.values()].includes(only)) return null;
    columns.set(column, only);
  }
  return columns.size > 1 ? columns : null;
}
