import type { Cell, Grid } from './grid';
import { isValue, letterOf } from './words';

// Pictures of small print lose decimal points first: 135 for 1.35. The other numbers of the same column tell
// how many decimals it is printed with.

const DIGITS = /^\d{2,4}$/;

/** Puts lost points back where the column's other numbers show how many decimals there are; each is doubted. */
export function restorePoints(grid: Grid): Grid {
  const decimals = Array.from({ length: grid.columns }, (_, column) => usualDecimals(grid, column));
  const rows = grid.rows.map((row) => {
    const isCount = row.some(({ text }) => ['n', 'N', 'nE', 'nD', 'ND', 'NE'].includes(letterOf(text) ?? ''));
    return isCount ? row : row.map((cell) => restored(cell, decimals[cell.column] ?? 0));
  });
  return { ...grid, rows };
}

/** The decimals that most numbers of a column have; 0 where too few have any. */
function usualDecimals({ rows }: Grid, column: number): number {
  const counts = new Map<number, number>();
  for (const row of rows) {
    const cell = row.find((one) => one.column === column);
    const [, digits] = (cell && isValue(cell.text) && /\d*[.,](\d+)/.exec(cell.text)) || [];
    if (digits) counts.set(digits.length, (counts.get(digits.length) ?? 0) + 1);
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1]);
  return most && most[1] >= 2 ? most[0] : 0;
}

function restored(cell: Cell, decimals: number): Cell {
  const text = cell.text
    .replace(
      /(\d)\s+[.,]\s*(?=\d)|(\d)[.,]\s+(?=\d)/g,
      (_, a: string | undefined, b: string | undefined) => `${a ?? b ?? ''}.`,
    )
    .replace(/^[.,](?=\d)/, '0.');
  if (decimals === 0 || !DIGITS.test(text) || text.length <= decimals)
    return text === cell.text ? cell : { ...cell, text };
  const at = text.length - decimals;
  const pointed = `${text.slice(0, at)}.${text.slice(at)}`;
  return {
    ...cell,
    text: pointed,
    doubt: `“${cell.text}” has no point: ${pointed} is taken, as the column is printed.`,
  };
}
