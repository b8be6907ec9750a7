import { areaRound, type Area } from './page';

/** A cell of a printed table; one that is merged covers several columns. */
export interface Cell {
  readonly text: string;
  /** First column that it covers, and how many. */
  readonly column: number;
  readonly span: number;
  /** Where it stands on its page; `null` where there is no page. */
  readonly area: Area | null;
  /** From 0 to 1; 1 for what was not guessed from a picture. */
  readonly sure: number;
  /** Repeated from the row above, which it is merged with. */
  readonly repeats?: true;
  /** What had to be guessed of its text. */
  readonly doubt?: string;
}

export type GridRow = readonly Cell[];

/** A table as it is laid out, before anything is understood. */
export interface Grid {
  readonly rows: readonly GridRow[];
  readonly columns: number;
  /** Text round the table that may say its unit, its sizes or its package. */
  readonly context: string;
  /** Cells that no merging was printed for may still belong to the columns beside them. */
  readonly loose?: true;
  /** One side of a grid that stands before it, where an empty strip parts them. */
  readonly isPart?: true;
}

/** The cell that covers a column. */
export function cellAt(row: GridRow, column: number): Cell | null {
  return row.find((cell) => column >= cell.column && column < cell.column + cell.span) ?? null;
}

/** A grid of plain texts; empty ones are no cells. */
export function gridOfTexts(rows: readonly (readonly string[])[], context = ''): Grid {
  return {
    rows: rows.map((row) =>
      row.flatMap((text, column): Cell[] =>
        text === '' ? [] : [{ text, column, span: 1, area: null, sure: 1 }],
      ),
    ),
    columns: Math.max(0, ...rows.map((row) => row.length)),
    context,
  };
}

/** The same table with its rows as columns, for one that is printed lying on its side. */
export function turned({ rows, columns, context }: Grid): Grid {
  const across = Array.from({ length: columns }, (_, column) =>
    rows.flatMap((row, index): Cell[] => {
      const cell = cellAt(row, column);
      if (!cell) return [];
      // a merged cell covers the same rows of each of its columns
      return [{ ...cell, column: index, span: 1 }];
    }),
  );
  return { rows: across.map(joinEqual), columns: rows.length, context };
}

/** Neighbours that were one merged cell are one again. */
function joinEqual(row: GridRow): GridRow {
  const joined: Cell[] = [];
  for (const cell of row) {
    const last = joined.at(-1);
    const same = last && cell.repeats && last.text === cell.text && last.column + last.span === cell.column;
    if (same) joined[joined.length - 1] = { ...last, span: last.span + 1 };
    else joined.push(cell);
  }
  return joined;
}

/** Rows and columns cut out of a grid, its columns counted anew. */
export function cut(grid: Grid, from: number, to: number, rows: readonly GridRow[] = grid.rows): Grid {
  return {
    ...grid,
    columns: to - from,
    rows: rows.map((row) =>
      row.flatMap((cell): Cell[] => {
        const first = Math.max(cell.column, from);
        const last = Math.min(cell.column + cell.span, to);
        return last > first ? [{ ...cell, column: first - from, span: last - first }] : [];
      }),
    ),
  };
}

/** Where cells stand together. */
export function cellsArea(cells: readonly Cell[]): Area | null {
  return areaRound(cells.map(({ area }) => area));
}
