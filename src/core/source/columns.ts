import type { SheetUnit } from '../document/document';
import { plainScope, readEntry } from '../units/entry';
import { isNotGiven, plainText } from '../units/entry-text';
import { cellAt, type Cell, type Grid, type GridRow } from './grid';
import { limitsByNumbers } from './limits-by-numbers';
import { countSaid, headSays, isAngle, isValue, letterOf, type HeadRole, type Limit } from './words';

// What the columns of a table are: by the words over them, by what is in them, and by how their numbers go
// together where no word says it.

/** What a column of a table is. */
export interface Column {
  readonly role: HeadRole | 'none';
  readonly limit: Limit | null;
  readonly typical: boolean;
  readonly unit: SheetUnit | null;
  readonly size: string;
  /** What had to be assumed of it. */
  readonly doubt?: string;
}

/** The rows over the body that are its head: from the first that has more than one cell, or a unit. */
export function headsOf(
  rows: readonly GridRow[],
  first: number,
  isBody: (row: GridRow) => boolean,
): ReadonlySet<GridRow> {
  // a line of one cell is a title
  const isHead = (row: GridRow) =>
    row.length > 1 || row.some(({ text }) => headSays(text).role || headSays(text).limit);
  return new Set(rows.slice(0, first).filter((row) => !isBody(row) && isHead(row)));
}

/** What the columns are, by the words over them and by what is in them. */
export function columnsOf(
  grid: Grid,
  heads: readonly GridRow[],
  first: number,
  letterColumn: number,
): Column[] {
  const body = grid.rows.slice(first);
  const shared = sharedHeads(heads, grid.columns);
  const columns = Array.from({ length: grid.columns }, (_, i): Column => {
    const over = heads.flatMap((row) => {
      const cell = shared.get(row)?.get(i) ?? cellAt(row, i) ?? headBeside(row, i, letterColumn, body);
      // a title over the whole table is no head of a column
      return cell && cell.span < grid.columns ? [cell] : [];
    });
    // “1.75 max” over the body is a value that belongs to no line of it, and says nothing of what stands below
    const said = over
      .filter((cell) => !cell.repeats)
      .map(({ text }) => (/\d[.,]\d/.test(text) ? { ...headSays(text), limit: null } : headSays(text)));
    const cells = body.flatMap((row) => {
      const cell = cellAt(row, i);
      return cell ? [cell] : [];
    });
    const values = cells.filter(({ text }) => isValue(text));
    const isValues = values.some(({ text }) => /\d/.test(text)) && values.length >= 0.5 * cells.length;
    const limit = said.find((one) => one.limit !== null);
    const role = said.findLast((one) => one.role !== null)?.role ?? null;
    const size = said
      .map(({ rest }) => rest)
      .filter((rest) => rest !== '')
      .join(' ');
    const base = {
      limit: limit?.limit ?? null,
      typical: limit?.typical ?? false,
      unit: said.findLast(({ unit }) => unit !== null)?.unit ?? null,
      size: '',
    };
    if (i === letterColumn) return { ...base, limit: null, unit: null, role: 'letter' };
    // “No.” over 1, 2, 3 before the letters counts the rows
    if (i < letterColumn && cells.length > 2 && cells.every(({ text }, k) => text.trim() === String(k + 1)))
      return { ...base, limit: null, role: 'none' };
    const wordy = cells.length > 0 && !isValues;
    // “Standard” over MO-220, “Average” over “see note”: a head says a limit where a number stands below it
    if ((limit || isValues) && cells.length > 0 && !cells.some(({ text }) => isEntry(text)))
      return { ...base, limit: null, role: 'remark' };
    if (
      limit ||
      (role === 'value' && !wordy) ||
      (isValues && role !== 'remark' && role !== 'unit' && role !== 'name')
    )
      return { ...base, role: 'value', size };
    if (role === 'unit' || (wordy && cells.every(({ text }) => headSays(text).unit !== null)))
      return { ...base, role: 'unit' };
    if (role === 'remark') return { ...base, role: 'remark' };
    if (wordy) return { ...base, role: 'name' };
    return { ...base, role: 'none' };
  });
  // words behind the values are remarks, words before them names
  const firstValue = columns.findIndex(({ role }) => role === 'value');
  const told = columns.map((column, i): Column =>
    column.role === 'name' && i > firstValue ? { ...column, role: 'remark' } : column,
  );
  return unitsApart(body, sizesToo(limitsByNumbers(body, tolerancesBeside(body, told))));
}

/** A tolerance by itself, and words that a column of tolerances has in its place. */
const SPREAD = /^(±|\+\/-|[+-]\s*\d*[.,]?\d+\s*[/ ]?\s*[+-])/;
const IN_PLACE = /^\(?(max|min|typ|nom|ref|bsc|basic)\.?\)?$/i;

/** Whether a cell is a word that says how the number beside it is given, and nothing else. */
export const isInPlace = (text: string): boolean => IN_PLACE.test(text.trim());

/**
 * A column of tolerances, by its head or because it has nothing else, makes the one beside it nominal: whatever
 * is printed over them.
 */
function tolerancesBeside(body: readonly GridRow[], columns: readonly Column[]): Column[] {
  const next = [...columns];
  columns.forEach((column, i) => {
    const cells = body.flatMap((row) => cellAt(row, i)?.text ?? []).filter((text) => !isNotGiven(text));
    const spreads = cells.filter((text) => SPREAD.test(plainText(text).text.trim()));
    const others = cells.filter((text) => !spreads.includes(text) && !isInPlace(text) && !isAngle(text));
    const isSpread = spreads.length > 0 && others.length === 0;
    if (!isSpread && column.limit !== 'tolerance') return;
    const isValues = (k: number) =>
      next[k]?.role === 'value' && (next[k].limit === null || next[k].limit === 'nom');
    const of = [i - 1, i + 1].find(isValues);
    if (of === undefined) return;
    const nominal = next[of] as Column;
    next[of] = { ...nominal, limit: 'nom', size: column.limit === 'tolerance' ? '' : nominal.size };
    next[i] = { ...column, role: 'value', limit: 'tolerance', size: next[of].size, unit: nominal.unit };
  });
  return next;
}

/** Whether a cell can be read as an entry, or says that there is no value. */
const isEntry = (text: string): boolean =>
  isNotGiven(text) || isAngle(text) || readEntry(text, plainScope('mm')).ok;

/**
 * Heads over columns whose limits repeat, such as two units over Min Max Min Max, share them equally.
 * @returns by row and column
 */
export function sharedHeads(rows: readonly GridRow[], columns: number): Map<GridRow, Map<number, Cell>> {
  const shared = new Map<GridRow, Map<number, Cell>>();
  const ofLimits = rows.find((row) => row.filter(({ text }) => headSays(text).limit !== null).length > 1);
  if (!ofLimits) return shared;
  const under = Array.from({ length: columns }, (_, i) => i).filter((i) => {
    const cell = cellAt(ofLimits, i);
    return cell !== null && headSays(cell.text).limit !== null;
  });
  const limits = under.map((i) => headSays(cellAt(ofLimits, i)?.text ?? '').limit);
  for (const row of rows) {
    if (row === ofLimits) continue;
    const over = row.filter(({ text }) => {
      const { limit, role, unit, rest } = headSays(text);
      return limit === null && role === null && (unit !== null || rest !== '' || letterOf(text) !== null);
    });
    const period = under.length / over.length;
    if (over.length < 2 || !Number.isInteger(period) || period < 2) continue;
    if (!limits.every((limit, i) => limit === limits[i % period])) continue;
    shared.set(row, new Map(under.map((i, k) => [i, over[Math.floor(k / period)] as Cell])));
  }
  return shared;
}

/**
 * A head over several columns is printed over their middle: a column without one of its own has the nearest.
 * Where nothing is known of places, it is the one to the left.
 */
function headBeside(
  row: GridRow,
  column: number,
  letterColumn: number,
  body: readonly GridRow[],
): Cell | null {
  const says = row.map(({ text }) => headSays(text));
  if (says.some(({ limit, role }) => limit !== null || role === 'letter')) {
    if (!says.some(({ limit, unit, rest }) => limit === null && (unit !== null || countSaid(rest) !== null)))
      return null;
  }
  const heads = row.filter(
    (cell, i) => cell.column > letterColumn && says[i]?.limit === null && says[i]?.role === null,
  );
  const at = middleOf(body, column);
  const near = heads
    .map((cell) => ({ cell, apart: apartOf(cell, column, at) }))
    .sort((a, b) => a.apart - b.apart)[0];
  return near && near.apart < Infinity ? near.cell : null;
}

/** Where the middle of a column is; `null` where its cells have no place. */
function middleOf(body: readonly GridRow[], column: number): number | null {
  const areas = body.flatMap((row) =>
    row.filter((cell) => cell.column === column && cell.span === 1 && cell.area),
  );
  const middles = areas.map(({ area }) => ((area?.x0 ?? 0) + (area?.x1 ?? 0)) / 2).sort((a, b) => a - b);
  return middles[Math.floor(middles.length / 2)] ?? null;
}

function apartOf({ area, column: first }: Cell, column: number, at: number | null): number {
  if (area && at !== null) return Math.abs((area.x0 + area.x1) / 2 - at);
  return first < column ? column - first : Infinity;
}

/** What is left in the heads names sizes where it differs from column to column; else it is a title. */
function sizesToo(columns: readonly Column[]): Column[] {
  const values = columns.filter(({ role }) => role === 'value');
  const named = new Set(values.map(({ size }) => size));
  // where every limit comes once in its unit there is one size: what stands over it is a line of text
  const once = new Set(values.map(({ limit, unit }) => `${limit} ${unit}`)).size === values.length;
  const isOne = once && values.every(({ limit }) => limit !== null);
  return named.size > 1 && !isOne ? [...columns] : columns.map((column) => ({ ...column, size: '' }));
}

/**
 * Columns that come twice without a word, Min Max Min Max, are the same in another unit where their numbers
 * are in its proportion, and else another size.
 */
function unitsApart(body: readonly GridRow[], columns: readonly Column[]): Column[] {
  const seen = new Map<string, number>();
  const parts = columns.map(({ role, limit, unit, size }) => {
    if (role !== 'value') return -1;
    const key = `${limit ?? ''} ${unit ?? ''} ${size}`;
    const part = seen.get(key) ?? 0;
    seen.set(key, part + 1);
    return part;
  });
  const most = Math.max(...parts);
  if (most < 1 || most > 2) return [...columns];
  const number = (row: GridRow, of: number) => {
    const at = columns.findIndex((_, i) => parts[i] === of && cellAt(row, i)?.column === i);
    const text = at < 0 ? undefined : cellAt(row, at)?.text;
    return text === undefined || isAngle(text)
      ? NaN
      : Number(/\d*[.,]?\d+/.exec(text)?.[0].replace(',', '.') ?? NaN);
  };
  const ratios = body
    .map((row) => number(row, 0) / number(row, 1))
    .filter((ratio) => ratio > 0 && Number.isFinite(ratio))
    .sort((a, b) => a - b);
  const ratio = ratios[Math.floor(ratios.length / 2)] ?? 1;
  // numbers that grow from column to column, and little, are limits whose heads are missing
  const isBare = columns.every(
    ({ role, limit, unit, size }) => role !== 'value' || (!limit && !unit && size === ''),
  );
  const isOrdered =
    isBare && body.every((row) => inOrder(Array.from({ length: most + 1 }, (_, of) => number(row, of))));
  const found = most > 1 ? undefined : PROPORTIONS.find(([of]) => Math.abs(Math.log(ratio / of)) < 0.12);
  return columns.map((column, i): Column => {
    const part = parts[i] ?? -1;
    if (part < 0) return column;
    if (!found && isOrdered)
      return { ...column, limit: LIMITS_IN_ORDER[most]?.[part] ?? null, doubt: NO_HEADS };
    if (!found) return { ...column, size: `${column.size} columns ${part + 1}`.trim(), doubt: TWICE };
    return { ...column, unit: found[1][part] ?? null };
  });
}

const LIMITS_IN_ORDER: Readonly<Record<number, readonly Limit[]>> = {
  1: ['min', 'max'],
  2: ['min', 'nom', 'max'],
};
const TWICE = 'Its columns come more than once and no head says why: they are taken for several sizes.';
const NO_HEADS = 'No head says what the columns are: they are taken in the order least, nominal, most.';

/** Whether numbers do not fall from one to the next, and are of one size; what is missing is not looked at. */
function inOrder(numbers: readonly number[]): boolean {
  const given = numbers.filter((value) => Number.isFinite(value));
  return given.every(
    (value, i) =>
      i === 0 ||
      (value >= (given[i - 1] ?? 0) && (value <= 6 * (given[i - 1] ?? 0) || (given[i - 1] ?? 0) < 0.3)),
  );
}

const PROPORTIONS: readonly (readonly [number, readonly SheetUnit[]])[] = [
  [25.4, ['mm', 'in']],
  [1 / 25.4, ['in', 'mm']],
  [0.0254, ['mm', 'mil']],
  [1 / 0.0254, ['mil', 'mm']],
];
