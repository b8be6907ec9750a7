import type { SheetUnit } from '../document/document';
import { isNotGiven } from '../units/entry-text';
import { cellAt, cellsArea, cut, turned, type Cell, type Grid, type GridRow } from './grid';
import type { Area } from './page';
import { valueOf, type PrintedCells, type PrintedValue } from './value';
import {
  countSaid,
  headSays,
  isAngle,
  isValue,
  letterOf,
  limitBehind,
  sizeSaid,
  unitSaid,
  type HeadRole,
  type Limit,
} from './words';

/** One line of a table of dimensions: a letter, a name, and the values of each size. */
export interface PrintedRow {
  /** The datasheet's letter in its plain form; empty where it has none. */
  readonly letter: string;
  readonly name: string;
  /** What stands beside it, such as a remark. */
  readonly remark: string;
  /** By the name of the size; one that holds for all sizes stands under each. */
  readonly values: ReadonlyMap<string, PrintedValue>;
  readonly area: Area | null;
  readonly isAngle: boolean;
}

/** A table of dimensions, as it is understood before any family is known. */
export interface PrintedTable {
  readonly rows: readonly PrintedRow[];
  /** Names of the sizes in the order of the table; one empty name where there is one size only. */
  readonly sizes: readonly string[];
  /** Whether no unit is printed anywhere. */
  readonly isUnitless: boolean;
  /** What is printed round it. */
  readonly context: string;
  /** What was not understood of it, in words. */
  readonly leftOut: readonly string[];
}

/** What a column of a table is. */
interface Column {
  readonly role: HeadRole | 'none';
  readonly limit: Limit | null;
  readonly typical: boolean;
  readonly unit: SheetUnit | null;
  readonly size: string;
  /** What had to be assumed of it. */
  readonly doubt?: string;
}

/**
 * Understands the form of a table: where its letters stand, what its columns hold, in which unit, for
 * which sizes.
 * @returns `null` where nothing in it looks like a table of dimensions
 */
export function readTable(printed: Grid): PrintedTable | null {
  const grid = upright(printed);
  const blocks = blocksOf(grid).flatMap((block) => {
    const read = readBlock(block);
    return read ? [read] : [];
  });
  if (blocks.length === 0) return null;
  const names = [...new Set(blocks.flatMap(({ sizes }) => sizes))];
  const own = names.filter((name) => name !== '');
  const sizes = own.length > 0 ? own : [''];
  // a block without sizes holds for those that other blocks name
  const rows = blocks.flatMap((block) => block.rows.map((row) => forSizes(row, sizes)));
  const isUnitless = blocks.every((block) => block.isUnitless);
  return {
    rows: merged(rows),
    sizes,
    isUnitless,
    context: [printed.context, ...blocks.map(({ context }) => context)].join(' ').trim(),
    leftOut: blocks.flatMap((block) => block.leftOut),
  };
}

function forSizes(row: PrintedRow, sizes: readonly string[]): PrintedRow {
  const common = row.values.get('');
  if (!common) return row;
  return { ...row, values: new Map(sizes.map((size) => [size, row.values.get(size) ?? common])) };
}

/** Lines of one letter that each hold other sizes are one. */
function merged(rows: readonly PrintedRow[]): PrintedRow[] {
  const out: PrintedRow[] = [];
  for (const row of rows) {
    const at = out.findIndex(
      ({ letter, values }) =>
        letter !== '' && letter === row.letter && ![...row.values.keys()].some((size) => values.has(size)),
    );
    const before = out[at];
    if (before) out[at] = { ...before, values: new Map([...before.values, ...row.values]) };
    else out.push(row);
  }
  return out;
}

/** A table that lies on its side has its limits one under the other and its letters in a row. */
function upright(grid: Grid): Grid {
  const limitsIn = (cells: readonly (Cell | null)[]) =>
    cells.filter(
      (cell) =>
        cell && headSays(cell.text).limit !== null && !/\d/.test(cell.text) && limitBehind(cell.text) === '',
    ).length;
  const inRow = Math.max(0, ...grid.rows.map(limitsIn));
  const columns = Array.from({ length: grid.columns }, (_, i) => grid.rows.map((row) => cellAt(row, i)));
  const inColumn = Math.max(0, ...columns.map(limitsIn));
  const lettersIn = (cells: readonly (Cell | null)[]) =>
    cells.filter((cell) => cell && letterOf(cell.text) !== null && !headSays(cell.text).unit).length;
  const lettersInRow = Math.max(0, ...grid.rows.map(lettersIn));
  const lettersInColumn = Math.max(0, ...columns.map(lettersIn));
  const lies =
    inColumn > inRow
      ? lettersInRow >= lettersInColumn
      : inRow === 0 && lettersInRow > 2 * lettersInColumn && lettersInRow > 2;
  return lies ? turned(grid) : grid;
}

/** A table printed in two or more blocks side by side, each with letters of its own. */
function blocksOf(grid: Grid): Grid[] {
  const letters = letterColumns(grid);
  if (letters.length < 2) return [grid];
  const [first = 0] = letters;
  const starts = letters.map((at) => at - first);
  return starts.map((start, i) => cut(grid, start, starts[i + 1] ?? grid.columns));
}

/** The columns whose cells are letters, from the left; names in two letters are none. */
function letterColumns({ rows, columns }: Grid): number[] {
  const share = (column: number) => {
    const cells = rows.flatMap((row) => {
      const cell = cellAt(row, column);
      return cell && cell.span === 1 ? [cell.text] : [];
    });
    const body = cells.filter((text) => headSays(text).role === null && headSays(text).limit === null);
    const letters = body.filter((text) => letterOf(text) !== null && headSays(text).unit === null);
    return { count: letters.length, share: letters.length / Math.max(1, body.length) };
  };
  return Array.from({ length: columns }, (_, i) => i).filter((i) => {
    const found = share(i);
    return found.count >= 2 && found.share >= 0.5 && valuesRightOf({ rows, columns }, i);
  });
}

function valuesRightOf({ rows, columns }: Pick<Grid, 'rows' | 'columns'>, column: number): boolean {
  return rows.some((row) =>
    Array.from({ length: columns - column - 1 }, (_, i) => cellAt(row, column + 1 + i)).some(
      (cell) => cell && /\d/.test(cell.text) && isValue(cell.text),
    ),
  );
}

type Block = PrintedTable;

function readBlock(grid: Grid): Block | null {
  const [letterColumn = -1] = letterColumns(grid);
  const isBody = (row: GridRow) => {
    const letter = letterColumn >= 0 ? cellAt(row, letterColumn) : null;
    const values = row.filter(
      (cell) => cell !== letter && (/\d/.test(cell.text) || isNotGiven(cell.text)) && isValue(cell.text),
    );
    const named = letter ? letterOf(letter.text) !== null : letterColumn < 0 && row.some(isName);
    const isHead = row.filter(({ text }) => headSays(text).limit !== null && !/\d/.test(text)).length > 1;
    return named && values.length > 0 && !isHead;
  };
  const first = grid.rows.findIndex(isBody);
  if (first < 0) return null;
  const heads = headsOf(grid.rows, first, isBody);
  const columns = columnsOf(
    grid,
    grid.rows.slice(0, first).filter((row) => heads.has(row)),
    first,
    letterColumn,
  );
  if (!columns.some(({ role }) => role === 'value')) return null;
  const context = grid.rows
    .slice(0, first)
    .flatMap((row) => row.map(({ text }) => text))
    .join(' ');
  const tableUnit = unitSaid(`${grid.context} ${context}`);
  const read = rowsOf(grid, first, columns, letterColumn, tableUnit);
  return { ...read, context: `${context} ${read.leftOut.join(' ')}` };
}

const isName = ({ text }: Cell) => /[A-Za-zÄÖÜäöü]{3,}/.test(text) && headSays(text).limit === null;

/** The rows over the body that are its head: from the first that has more than one cell, or a unit. */
function headsOf(
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
function columnsOf(grid: Grid, heads: readonly GridRow[], first: number, letterColumn: number): Column[] {
  const body = grid.rows.slice(first);
  const shared = sharedHeads(heads, grid.columns);
  const columns = Array.from({ length: grid.columns }, (_, i): Column => {
    const over = heads.flatMap((row) => {
      const cell = shared.get(row)?.get(i) ?? cellAt(row, i) ?? headBeside(row, i, letterColumn, body);
      // a title over the whole table is no head of a column
      return cell && cell.span < grid.columns ? [cell] : [];
    });
    const said = over.filter((cell) => !cell.repeats).map(({ text }) => headSays(text));
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
    const wordy = cells.length > 0 && !isValues;
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
  return unitsApart(
    body,
    sizesToo(
      columns.map((column, i) =>
        column.role === 'name' && i > firstValue ? { ...column, role: 'remark' } : column,
      ),
    ),
  );
}

/**
 * Heads over columns whose limits repeat, such as two units over Min Max Min Max, share them equally.
 * @returns by row and column
 */
function sharedHeads(rows: readonly GridRow[], columns: number): Map<GridRow, Map<number, Cell>> {
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
      return limit === null && role === null && (unit !== null || rest !== '');
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
  return named.size > 1 ? [...columns] : columns.map((column) => ({ ...column, size: '' }));
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
    if (!found) return { ...column, size: `${column.size} columns ${part + 1}`.trim() };
    return { ...column, unit: found[1][part] ?? null };
  });
}

const LIMITS_IN_ORDER: Readonly<Record<number, readonly Limit[]>> = {
  1: ['min', 'max'],
  2: ['min', 'nom', 'max'],
};
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

/** Longest name of a size that stands on a line of its own, in characters. */
const LONGEST_SIZE = 40;

function rowsOf(
  grid: Grid,
  first: number,
  columns: readonly Column[],
  letterColumn: number,
  tableUnit: SheetUnit | null,
): Omit<Block, 'context'> {
  const rows: PrintedRow[] = [];
  const leftOut: string[] = [];
  const sizes: string[] = [];
  let section = '';
  const body = grid.rows.slice(first);
  const meant = meaningsOf(body, columns, letterColumn);
  for (const row of body) {
    const letterCell = letterColumn >= 0 ? cellAt(row, letterColumn) : null;
    const texts = (role: Column['role']) => textsOf(row, columns, role);
    const values = row.filter((cell) => cell !== letterCell && coversValue(cell, columns));
    const [only] = row;
    if (row.length === 1 && only && (only.span > 1 || !values.length)) {
      // a line of its own may name the size of all that follow
      const isShort = only.text.length <= LONGEST_SIZE && !/note|remark|\bjedec\b/i.test(only.text);
      const goesOn = body.slice(body.indexOf(row) + 1).some((next) => next.length > 1);
      if (isShort && goesOn && countSaid(only.text) !== null) section = only.text;
      else leftOut.push(only.text);
      continue;
    }
    const { letter, name, size } = meant.get(row) ?? { letter: '', name: '', size: '' };
    if (values.length === 0 || (letterColumn >= 0 && letter === '' && (!letterCell || row.length < 2))) {
      const text = row.map((cell) => cell.text).join(' ');
      if (text !== '' && !row.some(({ text: one }) => headSays(one).limit)) leftOut.push(text);
      continue;
    }
    const remark = texts('remark').join(' ');
    const own = section || size;
    const rowLimit = letterCell ? limitBehind(letterCell.text) : '';
    const ofSizes = valuesOf(values, columns, unitOfRow(texts('unit')) ?? tableUnit, own, rowLimit);
    for (const size of ofSizes.keys()) if (!sizes.includes(size)) sizes.push(size);
    if (ofSizes.size === 0) continue;
    rows.push({
      letter,
      name,
      remark,
      values: ofSizes,
      area: cellsArea(row),
      isAngle:
        values.some(({ text }) => isAngle(text)) ||
        texts('unit').some((unit) => /^(°|º|deg|grad)/i.test(unit)),
    });
  }
  const isUnitless =
    tableUnit === null &&
    columns.every(({ role, unit }) => role !== 'value' || unit === null) &&
    rows.every((row) =>
      [...row.values.values()].every(({ unit, text }) => unit === null && !SAYS_UNIT.test(text)),
    );
  return { rows, sizes, isUnitless, leftOut };
}

const SAYS_UNIT = /\d\s*(mm|mils?|in(ch(es)?)?|")(?![a-z])/i;

function coversValue({ column, span, text }: Cell, columns: readonly Column[]): boolean {
  return (
    columns.slice(column, column + span).some(({ role }) => role === 'value') &&
    (isValue(text) || /^(see|siehe)\b/i.test(text))
  );
}

const textsOf = (row: GridRow, columns: readonly Column[], role: Column['role']) =>
  row.filter(({ column }) => columns[column]?.role === role).map(({ text }) => text);

/** What a line of the body is called, and the size that it holds for where its name says one. */
interface Meaning {
  readonly letter: string;
  readonly name: string;
  readonly size: string;
}

/**
 * Letters and names of lines. Lines that follow each other for one size after the other share the letter and
 * the name that stand beside one of them, merged over all.
 */
function meaningsOf(
  body: readonly GridRow[],
  columns: readonly Column[],
  letterColumn: number,
): Map<GridRow, Meaning> {
  const lines = body.map((row) => {
    const cell = letterColumn >= 0 ? cellAt(row, letterColumn) : null;
    const name = textsOf(row, columns, 'name').join(' ').trim();
    const said = sizeSaid(name);
    const size = said.size || sizeSaid(textsOf(row, columns, 'remark').join(' ')).size;
    return { row, letter: (cell && letterOf(cell.text)) ?? '', name, bare: said.rest, size };
  });
  const runs: (typeof lines)[] = [];
  for (const line of lines) {
    const run = runs.at(-1);
    const letter = run?.find((one) => one.letter !== '')?.letter ?? '';
    const goesOn =
      run?.[0] &&
      line.size !== '' &&
      run[0].size !== '' &&
      !run.some(({ size }) => size === line.size) &&
      (line.letter === '' || letter === '' || line.letter === letter) &&
      (run[0].bare === line.bare || line.bare === '' || run[0].bare === '');
    if (run && goesOn) run.push(line);
    else runs.push([line]);
  }
  return new Map(
    runs.flatMap((run) => {
      const letter = run.find((one) => one.letter !== '')?.letter ?? '';
      const bare = run.find((one) => one.bare !== '')?.bare ?? '';
      return run.map(({ row, name, size }): [GridRow, Meaning] => [
        row,
        run.length > 1 ? { letter, name: bare, size } : { letter, name, size: '' },
      ]);
    }),
  );
}

function unitOfRow(texts: readonly string[]): SheetUnit | null {
  return texts.map((text) => headSays(text).unit).find((unit) => unit !== null) ?? null;
}

/** The values of a row by size: the columns of one size and unit together. */
function valuesOf(
  cells: readonly Cell[],
  columns: readonly Column[],
  unit: SheetUnit | null,
  section: string,
  rowLimit: string,
): Map<string, PrintedValue> {
  const groups = new Map<string, PrintedCells[]>();
  const sizes = [...new Set(columns.flatMap(({ role, size }) => (role === 'value' ? [size] : [])))];
  for (const size of sizes) {
    const units = [
      ...new Set(columns.flatMap((c) => (c.role === 'value' && c.size === size ? [c.unit ?? unit] : []))),
    ];
    for (const one of units) {
      const of = columns.flatMap((column, i) =>
        column.role === 'value' && column.size === size && (column.unit ?? unit) === one ? [i] : [],
      );
      const found = cellsIn(cells, columns, of, one);
      if (found)
        groups.set(section || size, [...(groups.get(section || size) ?? []), { ...found, rowLimit }]);
    }
  }
  const values = [...groups].flatMap(([size, found]) => {
    const value = valueOf(found);
    return value ? [[size, value] as const] : [];
  });
  return new Map(values);
}

/** What one size and unit has in a row: cells by their limit, or one cell over all of them. */
function cellsIn(
  cells: readonly Cell[],
  columns: readonly Column[],
  of: readonly number[],
  unit: SheetUnit | null,
): PrintedCells | null {
  const mine = cells.filter(({ column, span }) => of.some((i) => i >= column && i < column + span));
  const given = mine.filter(({ text }) => !isNotGiven(text));
  if (given.length === 0) return null;
  const [only] = given;
  const whole =
    given.length === 1 &&
    only &&
    (of.filter((i) => i >= only.column && i < only.column + only.span).length > 1 || of.length === 1)
      ? only
      : null;
  const limits = new Map<Limit, Cell>();
  let typical = false;
  if (!whole || of.length === 1) {
    for (const cell of given) {
      const column = columns[cell.column];
      const limit = column?.limit ?? null;
      if (limit && !limits.has(limit)) limits.set(limit, cell);
      typical ||= limit === 'nom' && (column?.typical ?? false);
    }
  }
  return {
    unit,
    whole: limits.size === 0 ? (whole ?? only ?? null) : null,
    extra: given.filter((cell) => ![...limits.values()].includes(cell) && cell !== whole),
    limits,
    typical,
    rowLimit: '',
    doubts: of.flatMap((i) => columns[i]?.doubt ?? []).slice(0, 1),
    isNone: mine.length > given.length,
    area: cellsArea(given),
    text: mine.map(({ text }) => text).join('  '),
    sure: Math.min(...given.map(({ sure }) => sure)),
  };
}
