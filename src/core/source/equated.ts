import { cellAt, type Grid, type GridRow } from './grid';
import { hasNumber, letterOf } from './words';

// Letters and their sizes in one cell: “A = 1.55”. The cell becomes two, as if a line were ruled between them.

const EQUATED = /^\s*([^=:]{1,12}?)\s*[=:]\s*(.+)$/;
/** Rows that are so, at least: one alone may be a note. */
const FEWEST = 2;

/** A letter and what is said of it; `null` for a cell that is something else. */
function parted(text: string): readonly [string, string] | null {
  const [, letter = '', value = ''] = EQUATED.exec(text) ?? [];
  return letterOf(letter) !== null && hasNumber(value) ? [letter, value] : null;
}

/** A grid in which letters stand in a column of their own. */
export function equatedApart(grid: Grid): Grid {
  for (let column = 0; column < grid.columns; column += 1) {
    const cells = grid.rows.flatMap((row) => {
      const cell = cellAt(row, column);
      return cell?.column === column && cell.span === 1 && /\d/.test(cell.text) ? [cell] : [];
    });
    const equated = cells.filter(({ text }) => parted(text) !== null);
    if (equated.length >= FEWEST && 2 * equated.length >= cells.length) return widened(grid, column);
  }
  return grid;
}

function widened(grid: Grid, column: number): Grid {
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
