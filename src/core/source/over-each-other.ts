import { cellAt, type Cell, type Grid, type GridRow } from './grid';
import { areaRound } from './page';
import { letterOf } from './words';

// Limits that are printed one over the other: the most over the least, the letter beside both of them or on a
// line between them. Such lines become one, with two numbers in its cells.

/** A grid whose lines of one dimension are one. */
export function overEachOther(grid: Grid): Grid {
  const rows: GridRow[] = [];
  let at = 0;
  while (at < grid.rows.length) {
    const [one, two, three] = [grid.rows[at], grid.rows[at + 1], grid.rows[at + 2]];
    if (one && two && three && isNumbers(one) && isLetter(two) && isNumbers(three) && inColumns(one, three)) {
      rows.push([...two, ...combined(one, three)].sort((a, b) => a.column - b.column));
      at += 3;
    } else if (one && two && isUnder(one, two)) {
      const letters = one.filter((cell) => !isPlain(cell));
      const [over, under] = [one.filter(isPlain), two.filter(isPlain)];
      rows.push([...letters, ...combined(over, under)].sort((a, b) => a.column - b.column));
      at += 2;
    } else {
      if (one) rows.push(one);
      at += 1;
    }
  }
  return rows.length === grid.rows.length ? grid : { ...grid, rows };
}

/** A plain number, as limits one over the other are. */
const isPlain = ({ text }: Cell): boolean => /^\s*\d*[.,]?\d+\s*$/.test(text);
const isNumbers = (row: GridRow): boolean => row.length > 0 && row.every(isPlain);
const isLetter = (row: GridRow): boolean =>
  row.length > 0 &&
  row.every(({ text }) => !/^[\d.,\s]+$/.test(text)) &&
  row.some(({ text }) => letterOf(text) !== null);
const inColumns = (a: GridRow, b: GridRow): boolean =>
  a.length === b.length && a.every(({ column }) => cellAt(b, column)?.column === column);

/** Whether a line has only numbers under those of a line with a letter, and none of its own. */
function isUnder(one: GridRow, two: GridRow): boolean {
  const numbers = one.filter(isPlain);
  const own = two.filter((cell) => !cell.repeats);
  const letters = one.filter(({ text }) => letterOf(text) !== null);
  // a table with columns of limits has several numbers a line, and its lines are what they are
  return letters.length === 1 && numbers.length === 1 && isNumbers(own) && inColumns(numbers, own);
}

function combined(over: readonly Cell[], under: readonly Cell[]): Cell[] {
  return over.map((cell) => {
    const below = under.find(({ column }) => column === cell.column);
    if (!below) return cell;
    return {
      ...cell,
      text: `${cell.text.trim()} ${below.text.trim()}`,
      area: areaRound([cell.area, below.area]),
      sure: Math.min(cell.sure, below.sure),
    };
  });
}
