import type { SheetUnit } from '../document/document';
import { isNotGiven } from '../units/entry-text';
import { columnsOf, headsOf, isInPlace, type Column } from './columns';
import { cellAt, cellsArea, cut, turned, type Cell, type Grid, type GridRow } from './grid';
import { lettersApart } from './letters-apart';
import { deviationsTogether } from './deviations';
import { micrometresSaid } from './micrometres';
import { overEachOther } from './over-each-other';
import type { Repeat } from './drawn/repeats';
import type { DrawnPlace } from './drawn/views';
import type { Area } from './page';
import { valueOf, type PrintedCells, type PrintedValue } from './value';
import {
  countSaid,
  headSays,
  isAngle,
  isValue,
  letterOf,
  limitBehind,
  NAME,
  sizeSaid,
  unitSaid,
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
  /** Where it stands at dimension lines of the drawing. */
  readonly places?: readonly DrawnPlace[];
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
  /** How many terminals the drawing shows. */
  readonly repeat?: Repeat;
}

/**
 * Understands the form of a table: where its letters stand, what its columns hold, in which unit, for
 * which sizes.
 * @returns `null` where nothing in it looks like a table of dimensions
 */
export function readTable(printed: Grid): PrintedTable | null {
  const grid = deviationsTogether(micrometresSaid(lettersApart(overEachOther(upright(printed)))));
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
      : inRow <= 1 && lettersInRow > 2 * lettersInColumn && lettersInRow > 2;
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

const isName = ({ text }: Cell) => NAME.test(text) && headSays(text).limit === null;

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
  const body = grid.rows.slice(first);
  const sections = sectionsOf(grid.rows, first, letterColumn);
  // the first of them stands over the first line of values
  let section = grid.rows.slice(0, first).findLast((row) => sections.has(row))?.[0]?.text ?? '';
  const meant = meaningsOf(body, columns, letterColumn);
  for (const row of body) {
    const letterCell = letterColumn >= 0 ? cellAt(row, letterColumn) : null;
    const texts = (role: Column['role']) => textsOf(row, columns, role);
    const values = row.filter((cell) => cell !== letterCell && coversValue(cell, columns));
    const [only] = row;
    if (row.length === 1 && only && (only.span > 1 || !values.length)) {
      if (sections.has(row)) section = only.text;
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
    const ofSizes = valuesOf(
      qualified(values, texts('remark')),
      columns,
      unitOfRow(texts('unit')) ?? tableUnit,
      own,
      rowLimit,
    );
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

/**
 * Lines of one cell that name the size of all that follow: by a number of leads, or because letters come again
 * behind them.
 */
function sectionsOf(rows: readonly GridRow[], first: number, letterColumn: number): ReadonlySet<GridRow> {
  const lettersOf = (some: readonly GridRow[]) =>
    some.flatMap((row) =>
      row.length > 1 && letterColumn >= 0 ? (cellAt(row, letterColumn)?.text ?? []) : [],
    );
  const alone = rows.filter(
    ([only, ...more], i) =>
      only !== undefined &&
      more.length === 0 &&
      i < rows.length - 1 &&
      only.text.length <= LONGEST_SIZE &&
      !/note|remark|\bjedec\b/i.test(only.text),
  );
  const again = (row: GridRow) => {
    const at = rows.indexOf(row);
    const [before, after] = [lettersOf(rows.slice(first, at)), lettersOf(rows.slice(at))];
    return before.length > 1 && after.filter((letter) => before.includes(letter)).length > 1;
  };
  const counted = alone.filter(
    (row) => rows.indexOf(row) >= first - 1 && countSaid(row[0]?.text ?? '') !== null,
  );
  const repeated = alone.filter((row) => rows.indexOf(row) >= first && again(row));
  if (repeated.length === 0)
    return new Set(counted.filter((row) => rows.indexOf(row) >= first || counted.length > 1));
  // what stands over the first part names it
  const head = alone.findLast((row) => rows.indexOf(row) < first);
  return new Set([...(head ? [head] : []), ...repeated]);
}

const SAYS_UNIT = /\d\s*(mm|mils?|in(ch(es)?)?|")(?![a-z])/i;

function coversValue({ column, span, text }: Cell, columns: readonly Column[]): boolean {
  const of = columns.slice(column, column + span);
  // “max” among tolerances says how the number beside it is given
  if (of.some(({ limit }) => limit === 'tolerance') && isInPlace(text)) return true;
  return of.some(({ role }) => role === 'value') && (isValue(text) || /^(see|siehe)\b/i.test(text));
}

/** A remark that is only “max”, beside a number that says nothing else. */
function qualified(values: readonly Cell[], remarks: readonly string[]): readonly Cell[] {
  const [only] = values;
  const [word] = remarks;
  if (values.length !== 1 || !only || remarks.length !== 1 || word === undefined || !isInPlace(word))
    return values;
  return /^\s*\d*[.,]?\d+\s*$/.test(only.text) ? [{ ...only, text: `${only.text.trim()} ${word}` }] : values;
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
    const called = textsOf(row, columns, 'name')
      .join(' ')
      .replace(/\s*[:：]$/u, '')
      .trim();
    // “L Length”: the letter before the name, in one cell
    const [, before = '', rest = ''] =
      letterColumn < 0 ? (/^(\p{Lu}\w?)\s+(\p{L}.{2,})$/u.exec(called) ?? []) : [];
    const isBefore = letterOf(before) !== null;
    const name = isBefore ? rest : called;
    const letter = cell ? letterOf(cell.text) : isBefore ? letterOf(before) : null;
    const said = sizeSaid(name);
    const size = said.size || sizeSaid(textsOf(row, columns, 'remark').join(' ')).size;
    return { row, letter: letter ?? '', name, bare: said.rest, size };
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
export function valuesOf(
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
