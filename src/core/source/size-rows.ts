import type { SheetUnit } from '../document/document';
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
export interface Headed {
  readonly letter: string;
  readonly name: string;
  readonly column: Column;
  /** “±0.20” in the head holds for each number under it. */
  readonly tolerance: string;
}

/** Columns of one letter and name: least and most, or two units of one dimension. */
export interface RowDimension {
  readonly letter: string;
  readonly name: string;
  readonly columns: readonly number[];
}

/** A table whose rows are parts or sizes, before any of them is named. */
export interface RowTable {
  readonly headed: readonly (Headed | null)[];
  readonly dimensions: readonly RowDimension[];
  readonly body: readonly GridRow[];
  /** What stands over each column, in words. */
  readonly heads: readonly string[];
  /** Of plain numbers, where a title says it. */
  readonly unit: SheetUnit | null;
  readonly isUnitless: boolean;
  readonly context: string;
}

/** What a person says of a column: the letter of a dimension, or that it is none. */
export type SaidOfColumns = ReadonlyMap<number, string | null>;

/** Columns of values that a row has at least, for it to be one of sizes. */
const LEAST_COLUMNS = 2;

/**
 * Understands the heads of a table whose rows are parts or sizes.
 * @param said what a person says of columns, which goes before their heads
 * @returns `null` where no row has values under heads
 */
export function rowTable(grid: Grid, said: SaidOfColumns = new Map()): RowTable | null {
  const first = grid.rows.findIndex((row) => isSized(row));
  if (first < 1) return null;
  const body = grid.rows.slice(first).filter(isSized);
  const over = grid.rows.slice(0, first);
  // one cell alone over several columns is a title
  const isOne = over.filter((row) => row.length > 1).length === 0;
  const titles = isOne ? [] : over.filter((row) => row.length === 1);
  const above = over.filter((row) => !titles.includes(row));
  const whole = filledHeads(above, grid.columns, body);
  const heads = Array.from({ length: grid.columns }, (_, i) =>
    whole
      .flatMap((row) => cellAt(row, i)?.text ?? [])
      .join(' ')
      .trim(),
  );
  const byHead = Array.from({ length: grid.columns }, (_, i) => headedBy(whole, grid, i, body));
  const beside = withNeighbours(byHead, heads, body);
  const headed = beside.map((own, i): Headed | null => {
    const letter = said.get(i);
    if (letter === undefined) return own;
    if (letter === null) return null;
    return own ? { ...own, letter, name: '' } : { letter, name: '', tolerance: '', column: PLAIN };
  });
  const context = [grid.context, ...over.flatMap((row) => row.map(({ text }) => text))].join(' ');
  const unit = unitSaid(`${grid.context} ${titles.flatMap((row) => row.map(({ text }) => text)).join(' ')}`);
  return {
    headed,
    dimensions: dimensionsOf(headed, said),
    body,
    heads,
    unit,
    isUnitless: unit === null && headed.every((one) => !one || one.column.unit === null),
    context,
  };
}

const NO_HEAD = 'No head says what the second column beside it is: the two are taken as least and most.';
const NOT_UNDERSTOOD = 'A column beside it has no head that is known, and was left out.';

/**
 * Columns that say nothing by themselves belong to the dimension before them: its tolerance, its other limit, or a
 * number without a head, which is never left out in silence.
 */
function withNeighbours(
  headed: readonly (Headed | null)[],
  heads: readonly string[],
  body: readonly GridRow[],
): (Headed | null)[] {
  const next = [...headed];
  const numbersOf = (at: number) => body.map((row) => plainNumber(cellAt(row, at)?.text ?? ''));
  const put = (at: number, one: Headed, part: Partial<Column>) => {
    next[at] = { ...one, column: { ...one.column, ...part } };
  };
  for (let i = 1; i < next.length; i += 1) {
    const before = next[i - 1];
    const own = next[i];
    if (!before) continue;
    const [lower, upper] = [numbersOf(i - 1), numbersOf(i)];
    const rises =
      upper.some((v) => v !== null) &&
      upper.every((v, k) => v === null || lower[k] === null || v >= (lower[k] ?? 0));
    // two unknown words behind one letter: “L minst”, “L högst”
    const isPair =
      own !== null &&
      own !== undefined &&
      own.letter !== '' &&
      own.letter === before.letter &&
      own.name !== before.name &&
      own.column.limit === null &&
      before.column.limit === null &&
      !isMeasureName(own.name) &&
      !isMeasureName(before.name);
    if (isPair) {
      const doubt = rises ? NO_HEAD : NOT_UNDERSTOOD;
      put(i - 1, { ...before, name: '' }, { limit: rises ? 'min' : null, doubt });
      put(i, { ...own, name: '' }, { limit: rises ? 'max' : null, doubt });
      continue;
    }
    // “L”, “L Tol.”: the first is what the second spreads
    if (own?.column.limit === 'tolerance' && own.letter === before.letter && before.column.limit === null)
      put(i - 1, before, { limit: 'nom' });
    if (own) continue;
    const says = headSays((heads[i] ?? '').replace(TOLERANCE, ' ').trim());
    const spreads = body.some((row) => /^\s*(±|\+\/-)/.test(cellAt(row, i)?.text ?? ''));
    const isNumbers = spreads || upper.some((v) => v !== null);
    if (!isNumbers) continue;
    if ((says.limit === 'tolerance' && says.rest === '') || spreads) {
      put(i - 1, before, { limit: before.column.limit ?? 'nom' });
      put(i, { ...before, tolerance: '' }, { limit: 'tolerance' });
    } else if (says.limit !== null && says.rest === '') {
      put(i, { ...before, tolerance: '' }, { limit: says.limit, typical: says.typical });
    } else if ((heads[i] ?? '') === '' && before.column.limit === null) {
      put(i - 1, before, rises ? { limit: 'min', doubt: NO_HEAD } : { doubt: NOT_UNDERSTOOD });
      if (rises) put(i, before, { limit: 'max', doubt: NO_HEAD });
    } else if ((heads[i] ?? '') === '') {
      // its limit is said, what stands behind it is not: never dropped without a word
      put(i - 1, before, { doubt: NOT_UNDERSTOOD });
    }
  }
  return next;
}

function plainNumber(text: string): number | null {
  const [, number] = /^\s*(\d*[.,]?\d+)\s*$/.exec(text) ?? [];
  return number === undefined ? null : Number(number.replace(',', '.'));
}

const PLAIN: Column = { role: 'value', limit: null, typical: false, unit: null, size: '' };

/** The values of a dimension in one row, by what the heads say of its columns. */
export function valueIn(
  { headed, unit }: Pick<RowTable, 'headed' | 'unit'>,
  { columns }: RowDimension,
  row: GridRow,
  doubt?: string,
): PrintedValue | null {
  const own = headed.map((one, i): Column =>
    one && columns.includes(i) ? one.column : { ...PLAIN, role: 'none' },
  );
  const cells = row
    .filter(({ column, span }) => columns.some((i) => i >= column && i < column + span))
    .map((cell) => spreadBy(doubt ? { ...cell, doubt } : cell, headed[cell.column]?.tolerance ?? ''));
  return valuesOf(cells, own, unit, 'row', '').get('row') ?? null;
}

/**
 * Understands a table whose rows are sizes.
 * @returns `null` where its heads are no letters or names of dimensions
 */
export function readSizeRows(grid: Grid): PrintedTable | null {
  const table = rowTable(grid);
  if (!table || table.dimensions.length < LEAST_COLUMNS) return null;
  const { dimensions, body, headed, heads, context, isUnitless } = table;
  const firstValue = Math.min(...dimensions.flatMap(({ columns }) => columns));
  // “No.” over 1, 2, 3 counts the rows and names none
  const isCounted = firstValue > 1 && body.every((row, i) => row[0]?.text.trim() === String(i + 1));
  const named = body.map((row) => ({
    row,
    size: sizeOf(isCounted ? row.slice(1) : row, firstValue, dimensions),
  }));
  const sizes = [...new Set(named.map(({ size }) => size))];
  // two rows of one name cannot be told apart
  if (sizes.length < named.length || (sizes.includes('') && sizes.length > 1)) return null;
  const doubt = mayBeLimits(named, dimensions) ? MAY_BE_LIMITS : undefined;
  const rows = dimensions.map((dimension): PrintedRow => {
    const values = new Map(
      named.flatMap(({ row, size }) => {
        const value = valueIn(table, dimension, row, doubt);
        return value ? [[size, value] as const] : [];
      }),
    );
    const { letter, name, columns } = dimension;
    const area = cellsArea(named.flatMap(({ row }) => row.filter(({ column }) => columns.includes(column))));
    const isAngles = [...values.values()].some(({ printed }) => isAngle(printed));
    return { letter, name, remark: '', values, area, isAngle: isAngles };
  });
  const unused = headed.flatMap((one, i) => (i > firstValue && one === null && heads[i] ? [heads[i]] : []));
  return {
    rows: rows.filter(({ values }) => values.size > 0),
    sizes,
    isUnitless,
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

/** “L寸法”: a letter with a word for dimension. */
const MEASURE_BEHIND = /^\s*([A-Za-z]\d?)\s*(?:寸法|尺寸|치수)\s*/u;
/** A unit that no length has; letters alone may be those of dimensions: “Height (H)”. */
const NO_LENGTH =
  /[[(（]\s*(?:[µμunpmkMG](?:[HFΩVAW]|Hz)|[mkMµμ]?(?:ohms?|Ohms?|Ω)|Hz|°C|%|mg|g|pcs\.?)\s*[\])）]/u;

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
  const texts = cells.map(({ text }) => text.replace(MEASURE_BEHIND, '$1'));
  if (texts.some((text) => NO_LENGTH.test(text))) return null;
  const tolerance = texts.map((text) => TOLERANCE.exec(text)?.[0]).find((one) => one !== undefined) ?? '';
  const bare = texts.map((text) => text.replace(TOLERANCE, ' ').trim());
  const said = bare.map(headSays);
  const words = said
    .flatMap(({ rest }, i) =>
      rest === '' && letterAlone(bare[i] ?? '') !== null
        ? [letterAlone(bare[i] ?? '') ?? '']
        : rest.split(' '),
    )
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

/** “e (mm)”: a letter that is a small word of some language too, where only its unit or limit stands beside it. */
function letterAlone(head: string): string | null {
  const words = head.split(/[\s()[\],/（）]+/u).filter((word) => {
    const { limit, unit, rest } = headSays(word);
    return (
      word !== '' &&
      !(rest === '' && (limit !== null || unit !== null) && letterOf(word) === null) &&
      unit === null
    );
  });
  const [only] = words;
  return words.length === 1 && only !== undefined && letterOf(only) !== null ? only : null;
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

/** Columns of one letter and name belong together: least and most, or two units. */
function dimensionsOf(headed: readonly (Headed | null)[], said: SaidOfColumns): RowDimension[] {
  const found: { letter: string; name: string; columns: number[] }[] = [];
  headed.forEach((one, i) => {
    // the first column names the size, whatever stands over it
    if (!one || (i === 0 && !said.has(0))) return;
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
  dimensions: readonly RowDimension[],
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
function sizeOf(row: GridRow, firstValue: number, dimensions: readonly RowDimension[]): string {
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
