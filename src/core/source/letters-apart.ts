import { cellAt, type Grid, type GridRow } from './grid';
import { isLetter, letterInName } from './statements';
import { hasNumber, letterOf } from './words';

// Letters that stand in one cell with their sizes, “A = 1.55”, or with their names, “Standoff, A1”. The cell becomes
// two, as if a line were ruled between them.

const EQUATED = /^\s*([^=:]{1,12}?)\s*[=:]\s*(.+)$/;
/** Rows that are so, at least: one alone may be a note. */
const FEWEST = 2;

/** A letter, and the size or the name that it stands with. */
type Both = readonly [letter: string, other: string];

/** A letter and its size; `null` for a cell that is something else. */
function withSize(text: string): Both | null {
  const [, letter = '', value = ''] = EQUATED.exec(text) ?? [];
  return letterOf(letter) !== null && hasNumber(value) ? [letter, value] : null;
}

/** A letter and its name. */
function withName(text: string): Both | null {
  const said = letterInName(text);
  return said && [said.letter, said.name];
}

/** Whether most cells of a column are letters. */
function hasLetters({ rows }: Grid, column: number): boolean {
  const cells = rows.flatMap((row) => cellAt(row, column)?.text ?? []);
  const letters = cells.filter((text) => isLetter(text)).length;
  return letters >= FEWEST && 2 * letters >= cells.length;
}

/** A grid in which letters stand in a column of their own. */
export function lettersApart(grid: Grid): Grid {
  const isLettered = Array.from({ length: grid.columns }, (_, column) => column).some((column) =>
    hasLetters(grid, column),
  );
  for (let column = 0; column < grid.columns; column += 1) {
    const cells = grid.rows.flatMap((row) => {
      const cell = cellAt(row, column);
      return cell?.column === column && cell.span === 1 ? [cell] : [];
    });
    for (const [parted, among] of [
      [withSize, cells.filter(({ text }) => /\d/.test(text))],
      // “b”, and “Lead width (W)” beside it: the letter is known
      [withName, isLettered ? [] : cells],
    ] as const) {
      const both = among.filter(({ text }) => parted(text) !== null);
      if (both.length >= FEWEST && 2 * both.length >= among.length) return widened(grid, column, parted);
    }
  }
  return grid;
}

function widened(grid: Grid, column: number, parted: (text: string) => Both | null): Grid {
  const rows = grid.rows.map((row): GridRow =>
    row.flatMap((cell) => {
      if (cell.column > column) return [{ ...cell, column: cell.column + 1 }];
      // what covers the column covers both of its parts
      if (cell.column < column)
        return [cell.column + cell.span > column ? { ...cell, span: cell.span + 1 } : cell];
      const both = cell.span === 1 ? parted(cell.text) : null;
      if (!both) return [{ ...cell, span: cell.span + 1 }];
      return both.map((text, i) => ({ ...cell, text, column: column + i }));
    }),
  );
  return { ...grid, rows, columns: grid.columns + 1 };
}
