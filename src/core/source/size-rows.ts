import { isNotGiven } from '../units/entry-text';
import { sharedHeads, type Column } from './columns';
import { cellAt, cellsArea, type Cell, type Grid, type GridRow } from './grid';
import { isMeasureName } from './names';
import { valuesOf, type PrintedRow, type PrintedTable } from './table';
import type { PrintedValue } from './value';
import { countSaid, hasNumber, headSays, isAngle, letterOf, unitSaid } from './words';

// Tables that have a size a row: chips, capacitors, connectors by their ways. The heads hold letters and names of
// dimensions, often with a unit or a tolerance for the whole column; the first cells of a row name its size.

/** What the cells over a column say of it. */
interface Headed {
  readonly letter: string;
  readonly name: string;
  readonly column: Column;
  /** “±0.20” in the head holds for each number under it. */
  readonly tolerance: string;
}

/** Columns of values that a row has at least, for it to be one of sizes. */
const LEAST_COLUMNS = 2;

/**
 * Understands a table whose rows are sizes.
 * @returns `null` where its heads are no letters or names of dimensions
 */
export function readSizeRows(grid: Grid): PrintedTable | null {
  const first = grid.rows.findIndex((row) => isSized(row));
  if (first < 1) return null;
  const body = grid.rows.slice(first).filter(isSized);
  const over = grid.rows.slice(0, first);
  // one cell alone over several columns is a title
  const isOne = over.filter((row) => row.length > 1).length === 0;
  const titles = isOne ? [] : over.filter((row) => row.length === 1);
  const heads = over.filter((row) => !titles.includes(row));
  const whole = filledHeads(heads, grid.columns, body);
  const headed = Array.from({ length: grid.columns }, (_, i) => headedBy(whole, grid, i, body));
  const dimensions = dimensionsOf(headed);
  if (dimensions.length < LEAST_COLUMNS) return null;
  const firstValue = Math.min(...dimensions.flatMap(({ columns }) => columns));
  const context = [grid.context, ...over.flatMap((row) => row.map(({ text }) => text))].join(' ');
  const unit = unitSaid(`${grid.context} ${titles.flatMap((row) => row.map(({ text }) => text)).join(' ')}`);
  // “No.” over 1, 2, 3 counts the rows and names none
  const isCounted = firstValue > 1 && body.every((row, i) => row[0]?.text.trim() === String(i + 1));
  const named = body.map((row) => ({
    row,
    size: sizeOf(isCounted ? row.slice(1) : row, firstValue, dimensions),
  }));
  const sizes = [...new Set(named.map(({ size }) => size))];
  // two rows of one name cannot be told apart
  if (sizes.length < named.length || (sizes.includes('') && sizes.length > 1)) return null;
  const isRising = mayBeLimits(named, dimensions);
  const rows = dimensions.map(({ letter, name, columns }): PrintedRow => {
    const own = headed.map((one, i): Column =>
      one && columns.includes(i)
        ? one.column
        : { role: 'none', limit: null, typical: false, unit: null, size: '' },
    );
    const values = new Map<string, PrintedValue>();
    for (const { row, size } of named) {
      const doubt = isRising ? MAY_BE_LIMITS : undefined;
      const cells = row
        .filter(({ column, span }) => columns.some((i) => i >= column && i < column + span))
        .map((cell) => spreadBy(doubt ? { ...cell, doubt } : cell, headed[cell.column]?.tolerance ?? ''));
      const value = valuesOf(cells, own, unit, size, '').get(size);
      if (value) values.set(size, value);
    }
    const area = cellsArea(named.flatMap(({ row }) => row.filter(({ column }) => columns.includes(column))));
    const isAngles = [...values.values()].some(({ printed }) => isAngle(printed));
    return { letter, name, remark: '', values, area, isAngle: isAngles };
  });
  const unused = headed.flatMap((one, i) =>
    i > firstValue && one === null ? heads.flatMap((row) => cellAt(row, i)?.text ?? []).slice(0, 1) : [],
  );
  return {
    rows: rows.filter(({ values }) => values.size > 0),
    sizes,
    isUnitless: unit === null && headed.every((one) => !one || one.column.unit === null),
    context,
    leftOut: [...new Set(unused)].map((text) => `The column “${text}” was left out.`),
  };
}

/**
 * Heads over several columns, such as a letter over its Min and Max: where no merging came with them, they are
 * shared equally or belong to the columns behind them.
 */
function filledHeads(heads: readonly GridRow[], columns: number, body: readonly GridRow[]): GridRow[] {
  const shared = sharedHeads(
    heads.map((row) => row.filter(({ column }) => column > 0)),
    columns,
  );
  const limits = heads.find((row) => row.filter(({ text }) => headSays(text).limit !== null).length > 1);
  return heads.map((row) => {
    if (row === limits || !limits) return row;
    const equal = [...shared.values()][0];
    const isShared = equal !== undefined && [...equal.values()].every((cell) => row.includes(cell));
    return Array.from({ length: columns }, (_, i): Cell | null => {
      if (i === 0) return cellAt(row, 0);
      const isLimit = headSays(cellAt(limits, i)?.text ?? '').limit !== null;
      const found = isShared ? equal.get(i) : cellAt(row, i);
      if (found || !isLimit) return found ?? cellAt(row, i);
      return nearestHead(row, i, body);
    }).flatMap((cell, i) => (cell ? [{ ...cell, column: i, span: 1 }] : []));
  });
}

/** The head that a column without one of its own stands under: the nearest, or the one before it. */
function nearestHead(row: GridRow, column: number, body: readonly GridRow[]): Cell | null {
  const own = body.flatMap((one) => cellAt(one, column)?.area ?? [])[0];
  const heads = row.filter((cell) => cell.column > 0);
  if (own && heads.every(({ area }) => area !== null)) {
    const middle = (own.x0 + own.x1) / 2;
    const apart = (cell: Cell) => Math.abs(((cell.area?.x0 ?? 0) + (cell.area?.x1 ?? 0)) / 2 - middle);
    return heads.toSorted((a, b) => apart(a) - apart(b))[0] ?? null;
  }
  return heads.findLast((cell) => cell.column < column) ?? null;
}

/** Whether a row begins with a name and has values behind it. */
function isSized(row: GridRow): boolean {
  const [start, ...rest] = row;
  if (!start || start.column > 1 || headSays(start.text).limit !== null) return false;
  // what is not known of the first sizes may be known of the next
  return (
    rest.filter(({ text }) => hasNumber(text) || isNotGiven(text)).length >= LEAST_COLUMNS &&
    rest.some(({ text }) => hasNumber(text))
  );
}

const TOLERANCE = /(±|\+\/-)\s*(\d*[.,]?\d+)\s*(mm|µm|in|")?/i;

/** What a column's heads say; `null` where they name no dimension. */
function headedBy(
  heads: readonly GridRow[],
  grid: Grid,
  at: number,
  body: readonly GridRow[],
): Headed | null {
  const cells = heads.flatMap((row) => {
    const cell = cellAt(row, at);
    return cell && cell.span < grid.columns && !cell.repeats ? [cell] : [];
  });
  const isValues = body.some((row) => {
    const cell = cellAt(row, at);
    return cell !== null && hasNumber(cell.text);
  });
  if (cells.length === 0 || !isValues) return null;
  const texts = cells.map(({ text }) => text);
  const tolerance = texts.map((text) => TOLERANCE.exec(text)?.[0]).find((one) => one !== undefined) ?? '';
  const bare = texts.map((text) => text.replace(TOLERANCE, ' ').trim());
  const said = bare.map(headSays);
  const words = said
    .flatMap(({ rest }, i) => (rest === '' && letterOf(bare[i] ?? '') ? [bare[i] ?? ''] : rest.split(' ')))
    .filter((word) => word !== '');
  const letterAt = letterIn(words);
  const letter = letterAt < 0 ? '' : (letterOf(words[letterAt] ?? '') ?? '');
  const beside = words.filter((_, i) => i !== letterAt).join(' ');
  // “D 最大”: a word behind the letter may be its limit
  const behind = letter === '' ? null : headSays(beside);
  const limit = said.find((one) => one.limit !== null) ?? (behind?.limit ? behind : undefined);
  const name = behind?.limit ? behind.rest : beside;
  if (letter === '' && !isMeasureName(name)) return null;
  return {
    letter,
    name,
    tolerance: tolerance.replace('+/-', '±'),
    column: {
      role: 'value',
      limit: limit?.limit ?? null,
      typical: limit?.typical ?? false,
      unit: said.findLast(({ unit }) => unit !== null)?.unit ?? null,
      size: '',
    },
  };
}

/** Where the letter stands among the words of a head: alone, first or last. */
function letterIn(words: readonly string[]): number {
  if (words.length === 1) return letterOf(words[0] ?? '') === null ? -1 : 0;
  const isLetter = (at: number) => {
    const word = words[at] ?? '';
    // “de”, “la” are words of the name
    return letterOf(word) !== null && !/^[a-z]{2}$/.test(word);
  };
  return isLetter(words.length - 1) ? words.length - 1 : isLetter(0) ? 0 : -1;
}

interface Dimension {
  readonly letter: string;
  readonly name: string;
  readonly columns: readonly number[];
}

/** Columns of one letter and name belong together: least and most, or two units. */
function dimensionsOf(headed: readonly (Headed | null)[]): Dimension[] {
  const found: { letter: string; name: string; columns: number[] }[] = [];
  headed.forEach((one, i) => {
    // the first column names the size, whatever stands over it
    if (!one || i === 0) return;
    const known = found.find(({ letter, name }) => letter === one.letter && name === one.name);
    if (known) known.columns.push(i);
    else found.push({ letter: one.letter, name: one.name, columns: [i] });
  });
  return found;
}

const MAY_BE_LIMITS = 'The rows have names that are not known: they are taken for sizes, and may be limits.';

/** Two or three rows whose names say no number and whose values rise from row to row may be least, nominal, most. */
function mayBeLimits(
  named: readonly { readonly row: GridRow; readonly size: string }[],
  dimensions: readonly Dimension[],
): boolean {
  if (named.length < 2 || named.length > 3 || named.some(({ size }) => /\d|^\p{Lu}$/u.test(size)))
    return false;
  return dimensions.every(({ columns }) =>
    columns.every((i) => {
      const numbers = named.flatMap(({ row }) => {
        const text = cellAt(row, i)?.text ?? '';
        return hasNumber(text) ? [Number(/\d*[.,]?\d+/.exec(text)?.[0].replace(',', '.') ?? NaN)] : [];
      });
      return numbers.every((one, k) => k === 0 || one >= (numbers[k - 1] ?? 0));
    }),
  );
}

/** The name of a row's size, with its number of leads where a column has one. */
function sizeOf(row: GridRow, firstValue: number, dimensions: readonly Dimension[]): string {
  const name = row
    .filter(({ column }) => column < firstValue)
    .map(({ text }) => text)
    .join(' ');
  const counts = dimensions.find(
    ({ letter, name: called }) => /^[nN]$/.test(letter) || isMeasureName(called, 'count'),
  );
  const count = counts?.columns.map((i) => cellAt(row, i)?.text ?? '').find((text) => /^\d{1,4}$/.test(text));
  return count === undefined || countSaid(name) !== null ? name : `${name}, ${count} leads`;
}

/** A plain number under a head that says its tolerance. */
const spreadBy = (cell: Cell, tolerance: string): Cell =>
  tolerance !== '' && /^\s*\d*[.,]?\d+\s*$/.test(cell.text)
    ? { ...cell, text: `${cell.text.trim()} ${tolerance}` }
    : cell;
