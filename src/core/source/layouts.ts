import type { Grid, GridRow } from './grid';
import { readSizeRows } from './size-rows';
import { readTable, type PrintedTable } from './table';
import { hasNumber, headSays } from './words';

/** One way in which a table of dimensions is laid out. */
interface Layout {
  readonly id: string;
  /** Reads a table that is laid out so; `null` where it is not. */
  readonly read: (grid: Grid) => PrintedTable | null;
}

/**
 * The ways of laying a table out that are understood. Each proposes its reading; which of them is meant is told by
 * how well it goes with the family. To add one, write its reader and list it here.
 */
const LAYOUTS = [
  { id: 'letter-a-row', read: readTable },
  { id: 'size-a-row', read: readSizeRows },
] as const satisfies readonly Layout[];

export type LayoutId = (typeof LAYOUTS)[number]['id'] | 'drawing';

/** A table as one layout has it. */
export interface LaidOut extends PrintedTable {
  readonly layout: LayoutId;
  /** Which of the grids it was read from. */
  readonly grid: number;
  /** One side of a table that is there as a whole too. */
  readonly isPart: boolean;
}

/**
 * Tables that stand one under the other in one grid, each with heads of its own: a line of heads and no value
 * behind lines with values begins the next.
 */
export function stacked(grid: Grid): Grid[] {
  const hasValues = (row: GridRow) => row.some(({ text }) => hasNumber(text));
  const isHeads = (row: GridRow, next: GridRow | undefined) => {
    if (hasValues(row)) return false;
    const known = row.filter(({ text }) => headSays(text).limit !== null || headSays(text).role !== null);
    // words that are not known stand over a row of numbers
    const numbers = next?.filter(({ text }) => hasNumber(text)).length ?? 0;
    return known.length > 1 || (row.length > 2 && numbers >= row.length - 1);
  };
  const heads = grid.rows.map((row, i) => isHeads(row, grid.rows[i + 1]));
  const starts = grid.rows.flatMap((_, i) =>
    heads[i] && !heads[i - 1] && grid.rows.slice(0, i).some(hasValues) ? [i] : [],
  );
  if (starts.length === 0) return [grid];
  const parts = [0, ...starts].map((start, k, all) => ({
    ...grid,
    rows: grid.rows.slice(start, all[k + 1] ?? grid.rows.length),
  }));
  // the same heads again: the table goes on
  const says = (row: GridRow | undefined) =>
    (row ?? []).map(({ text, column }) => `${column} ${text}`).join('|');
  const top = grid.rows.find((_, i) => heads[i]);
  const goesOn = parts.slice(1).every(({ rows }) => says(rows[0]) === says(top));
  return goesOn
    ? [{ ...grid, rows: grid.rows.filter((row, i) => !(starts.includes(i) && says(row) === says(top))) }]
    : parts;
}

/** What the layouts make of a grid. */
export function laidOut(grid: Grid, index: number): LaidOut[] {
  return LAYOUTS.flatMap(({ id, read }): LaidOut[] => {
    const table = read(grid);
    return table && table.rows.length > 0
      ? [{ ...table, layout: id, grid: index, isPart: grid.isPart ?? false }]
      : [];
  });
}
