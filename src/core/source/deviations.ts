import { isNotGiven, plainText } from '../units/entry-text';
import { cellAt, type Cell, type Grid, type GridRow } from './grid';

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
  const rows = grid.rows.map((row): GridRow => {
    const [one, other] = [cellAt(row, column), cellAt(row, column + 1)];
    if (!one || !other || one === other) return row;
    const rest = row.filter((cell) => cell !== one && cell !== other);
    const [more, less] = isMoreFirst ? [signed(one), signed(other)] : [signed(other), signed(one)];
    const isNumbers = /\d/.test(more) && /\d/.test(less);
    if (!isNumbers && !isNotGiven(one.text) && rest.length === 0) return row;
    const bare = (text: string) => text.replace(/^[+-]/, '');
    const text = isNumbers ? `+${bare(more)}/-${bare(less)}` : 'Tol.';
    return [...rest, { ...one, text, span: 1, sure: Math.min(one.sure, other.sure) }].sort(
      (a, b) => a.column - b.column,
    );
  });
  return { ...grid, rows };
}
