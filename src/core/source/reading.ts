import { isEither } from './letters';
import type { SheetUnit } from '../document/document';
import type { PackageKind } from '../package/catalogue';
import { formatNumber } from '../units/length';
import { cut, type Grid } from './grid';
import { isAuxiliary } from './letters';
import { nameSays } from './names';
import type { Area } from './page';
import { restorePoints, withDecimals } from './points';
import { hasTornRanges } from './ranges';
import { countOf, type LetterHabit, type SizedRow } from './evidence';
import { counted, countIn, countNamed, countShown, matrixIn, matrixRead } from './counts';
import { countsShown } from './drawn/repeats';
import { padOption } from './kinds';
import { assignRoles, type Assignment } from './roles';
import { sizeMeant } from './sizes';
import { laidOut, stacked, type LaidOut } from './layouts';
import type { PrintedRow, PrintedTable } from './table';
import { limitsOf, type Candidate, type PrintedValue } from './value';
import { countSaid } from './words';

/** How sure a reading is: `doubtful` is to be looked at before it is taken. */
export type Standing = 'sure' | 'likely' | 'doubtful';

/** Another reading of a dimension, with the letter and the place that it comes with. */
export interface Alternative extends Candidate {
  readonly label: string;
  readonly printed: string;
  readonly area: Area | null;
}

/** One dimension as it was read from a datasheet. */
export interface ReadDimension {
  readonly symbol: string;
  readonly name: string;
  /** As it is entered. */
  readonly text: string;
  /** Unit of its plain numbers; `null` for a count. */
  readonly unit: SheetUnit | null;
  /** The datasheet's letter. */
  readonly label: string;
  /** What the datasheet calls it. */
  readonly called: string;
  readonly printed: string;
  readonly area: Area | null;
  readonly standing: Standing;
  /** Why it is taken for this dimension. */
  readonly reasons: readonly string[];
  /** What is to be looked at. */
  readonly doubts: readonly string[];
  readonly alternatives: readonly Alternative[];
  /** What is printed cannot be meant as it stands: it is shown, and not taken by itself. */
  readonly isBroken: boolean;
}

/** A row of the table that no dimension was taken from, and why. */
export interface LeftRow {
  readonly label: string;
  readonly called: string;
  readonly printed: string;
  readonly why: string;
}

/** A table of dimensions as it is understood for one family and size. */
export interface SourceReading {
  readonly family: string;
  readonly size: string;
  /** Names of all sizes; one empty name where there is one size. */
  readonly sizes: readonly string[];
  readonly unit: SheetUnit;
  /** Choices of the family that follow from what is there. */
  readonly options: Readonly<Record<string, string>>;
  readonly dimensions: readonly ReadDimension[];
  /** Dimensions that the family needs and that were not found. */
  readonly missing: readonly string[];
  readonly leftOut: readonly LeftRow[];
  /** What is doubtful about the whole. */
  readonly doubts: readonly string[];
  /** How well it all goes together, to be compared with other families. */
  readonly score: number;
}

/** What is known before reading. */
export interface Asked {
  readonly kind: PackageKind;
  /** Name of a size, or the number of its leads; the first where it is missing. */
  readonly size?: string;
  /** Of plain numbers, where the table says none. */
  readonly unit?: SheetUnit;
  readonly habit?: LetterHabit;
  /** Whether the words were read from a picture. */
  readonly isScan?: boolean;
}

/** What grids were laid out as: they are asked for several times, once for each thing that is sought in them. */
const known = new WeakMap<readonly Grid[], Map<boolean, LaidOut[]>>();

/** The tables of dimensions among some grids, in each way that they may be laid out; with lost points restored. */
export function tablesOf(grids: readonly Grid[], isScan = false): LaidOut[] {
  const ways = known.get(grids) ?? new Map<boolean, LaidOut[]>();
  known.set(grids, ways);
  const found = ways.get(isScan) ?? tablesAnew(grids, isScan);
  ways.set(isScan, found);
  return found;
}

function tablesAnew(grids: readonly Grid[], isScan: boolean): LaidOut[] {
  return (
    grids
      .flatMap((all) => stacked(bounded(all)))
      // no number is better than half of a range
      .filter((whole) => !hasTornRanges(whole))
      .flatMap((whole, index) =>
        laidOut(isScan ? restorePoints(whole) : whole, index).map((table) => {
          const rows = withoutEchoes(table.rows).slice(0, MOST_ROWS);
          const more = table.rows.length - rows.length;
          if (more <= 0) return table;
          const why = 'they say again what others say, or are more than a package has';
          return {
            ...table,
            rows,
            leftOut: [...table.leftOut, `${more} ${more === 1 ? 'row' : 'rows'}: ${why}`],
          };
        }),
      )
  );
}

/** Rows of one letter, name and value that are read: a terminal and a pad may well be of one size. */
const MOST_ALIKE = 4;

/** Rows without those that say again what several others say. */
function withoutEchoes(rows: readonly PrintedRow[]): readonly PrintedRow[] {
  const counts = new Map<string, number>();
  return rows.filter(({ letter, name, remark, values }) => {
    const texts = [...values].map(([size, { text, unit }]) => [size, text, unit]);
    const said = JSON.stringify([letter, name, remark, texts]);
    const count = (counts.get(said) ?? 0) + 1;
    counts.set(said, count);
    return count <= MOST_ALIKE;
  });
}

/** Dimensions of one table that are read. */
const MOST_ROWS = 100;
/** Rows and columns of what may be a table, and letters of one of its cells. */
const MOST_LINES = 1000;
const MOST_COLUMNS = 80;
const LONGEST_CELL = 200;

/** A grid as large as a table of a datasheet may be; what is longer than a cell says nothing of a dimension. */
function bounded(grid: Grid): Grid {
  const isLarge =
    grid.rows.length > MOST_LINES ||
    grid.columns > MOST_COLUMNS ||
    grid.rows.some((row) => row.some(({ text }) => text.length > LONGEST_CELL));
  if (!isLarge) return grid;
  const part = cut(grid, 0, Math.min(grid.columns, MOST_COLUMNS), grid.rows.slice(0, MOST_LINES));
  return {
    ...part,
    rows: part.rows.map((row) =>
      row.map((cell) => (cell.text.length > LONGEST_CELL ? { ...cell, text: '…' } : cell)),
    ),
  };
}

/** A table that has the size that was asked for goes before one that knows no sizes. */
const HAS_SIZE = 3;

/**
 * Reads the dimensions of a family out of tables: the one that fits it best, or several of them together
 * where a table is printed in parts.
 * @returns `null` where no table has anything of it
 */
export function readDimensions(tables: readonly LaidOut[], asked: Asked): SourceReading | null {
  const readings = [...tables, ...joins(tables)]
    .flatMap((table) => (asked.isScan ? [table, ...pointless(table)] : [table]))
    .flatMap((table) => {
      const reading = readOne(table, asked);
      if (!reading) return [];
      const isNamed = (asked.size ?? '') !== '' && reading.size !== '';
      return [{ reading, worth: reading.score + (isNamed ? HAS_SIZE : 0) }];
    });
  const [first, ...rest] = readings;
  if (!first) return null;
  const best = rest.reduce((a, b) => (b.worth > a.worth + 1e-9 ? b : a), first);
  const rivals = readings.filter((one) => one !== best && one.worth > RIVAL * best.worth);
  return contested(
    best.reading,
    rivals.map(({ reading }) => reading),
  );
}

/** A reading that is worth this share of the best is one that may be meant. */
const RIVAL = 0.6;

/** A reading with what another one of nearly its worth says otherwise: such values are to be looked at. */
function contested(reading: SourceReading, rivals: readonly SourceReading[]): SourceReading {
  const dimensions = reading.dimensions.map((own): ReadDimension => {
    const limits = limitsOf(own, reading.unit);
    if (own.standing === 'doubtful' || limits === null) return own;
    const other = rivals
      .flatMap(({ dimensions: of, unit }) =>
        of.filter(({ symbol }) => symbol === own.symbol).map((read) => ({ read, unit })),
      )
      .find(({ read, unit }) => {
        const apart = limitsOf(read, unit);
        return (
          apart !== null &&
          !read.isBroken &&
          (Math.abs(apart.min - limits.min) > 1e-9 || Math.abs(apart.max - limits.max) > 1e-9)
        );
      })?.read;
    if (!other) return own;
    const { text, unit, label, printed, area } = other;
    return {
      ...own,
      standing: 'doubtful',
      doubts: [...own.doubts, `Laid out otherwise, the table says ${text}.`],
      alternatives: [
        ...own.alternatives,
        { text, unit: unit ?? reading.unit, label, printed, area, reason: 'the table laid out otherwise' },
      ],
    };
  });
  return { ...reading, dimensions };
}

/** Tables that are printed in parts: those of one layout, and one of sizes with those that hold for all of them. */
function joins(tables: readonly LaidOut[]): PrintedTable[] {
  const whole = tables.filter(({ isPart }) => !isPart);
  const [letters, sizes] = [
    whole.filter(({ layout }) => layout === 'letter-a-row'),
    whole.filter(({ layout }) => layout === 'size-a-row'),
  ];
  const beside = sizes.flatMap((one) => {
    const others = letters.filter(({ grid }) => grid !== one.grid);
    return others.length > 0 ? [[...others, one]] : [];
  });
  return [letters, sizes]
    .filter((part) => part.length > 1)
    .concat(beside)
    .map(together);
}

/** Decimals that a table may be printed with. */
const DECIMALS = [1, 2, 3];

/**
 * A picture of a table whose points are all lost, with each number of decimals that it may be printed with: the
 * one whose sizes go best with the family is taken.
 */
function pointless(table: PrintedTable): PrintedTable[] {
  const values = table.rows.filter(({ isAngle }) => !isAngle).flatMap((row) => [...row.values.values()]);
  if (values.length === 0 || values.some(({ text }) => /\d\.\d/.test(text))) return [];
  return DECIMALS.map((decimals) => ({
    ...table,
    rows: table.rows.map((row) => ({
      ...row,
      values: new Map(
        [...row.values].map(([size, value]) => {
          const text =
            row.isAngle || row.letter.toLowerCase() === 'n' ? null : withDecimals(value.text, decimals);
          const doubt = `“${value.text}” has lost its point.`;
          return [size, text === null ? value : { ...value, text, doubts: [...value.doubts, doubt] }];
        }),
      ),
    })),
  }));
}

function together(tables: readonly PrintedTable[]): PrintedTable {
  const named = tables.filter(({ sizes }) => sizes.some((size) => size !== ''));
  const sizes = [...new Set((named.length > 0 ? named : tables).flatMap((table) => table.sizes))];
  return {
    rows: tables.flatMap(({ rows }) =>
      rows.map((row) => {
        const common = row.values.get('');
        return common && named.length > 0
          ? { ...row, values: new Map(sizes.map((size) => [size, row.values.get(size) ?? common])) }
          : row;
      }),
    ),
    sizes,
    isUnitless: tables.every(({ isUnitless }) => isUnitless),
    context: tables.map(({ context }) => context).join(' '),
    leftOut: tables.flatMap(({ leftOut }) => leftOut),
  };
}

function readOne(table: PrintedTable, asked: Asked): SourceReading | null {
  const { kind, habit = {}, isScan = false } = asked;
  const size = sizeMeant(table.sizes, asked.size);
  if (size === null) return null;
  const rows = table.rows.flatMap((row): SizedRow[] => {
    const value = row.values.get(size);
    return value ? [{ row, value }] : [];
  });
  if (rows.length === 0) return null;
  const count = countSaid(size) ?? countNamed(asked.size) ?? countIn(table.context);
  const shown = table.repeat ? countsShown(kind, table.repeat) : {};
  const matrix = table.repeat ? null : matrixIn(`${size} ${table.context}`, count);
  const inTitle = matrix ? matrixRead(kind, matrix) : [];
  const counts: Readonly<Record<string, number>> = {
    ...shown,
    ...Object.fromEntries(inTitle.map(({ symbol, text }) => [symbol, Number(text)])),
    ...(count === null ? {} : { n: count }),
  };
  const ask = (unit: SheetUnit) => assignRoles({ kind, rows, unit, counts, habit });
  const units: readonly SheetUnit[] = table.isUnitless ? unitsToTry(asked.unit) : ['mm'];
  const tried = units.map((unit) => ({ unit, found: ask(unit) }));
  const best = tried.reduce((a, b) => (b.found.score > a.found.score + 1e-9 ? b : a));
  const { unit, found } = best;
  const doubts: string[] = [];
  if (table.isUnitless && asked.unit === undefined) {
    const other = tried.find((one) => one !== best);
    const apart = other ? found.score - other.found.score : Infinity;
    if (apart < 6)
      doubts.push(`No unit is printed: ${unit} is taken, ${other?.unit ?? ''} would go as well.`);
  }
  const printedUnit = sheetUnit(rows, unit);
  const dimensions = found.roles.map((role) => dimensionOf(role, { kind, rows, found, unit, isScan }));
  const needed = kind.dimensions.filter(({ derived }) => !derived).length;
  // a few numbers of the right size are no table of a package
  if (2 * found.missing.length > needed && dimensions.every(({ standing }) => standing === 'doubtful'))
    return null;
  const said = counted(kind, dimensions, count, countSaid(size) === null ? (asked.size ?? '') : size);
  const withCount = [
    ...inTitle.filter(({ symbol }) => !said.some((one) => one.symbol === symbol)),
    ...Object.entries(shown).flatMap(([symbol, number]) =>
      said.some((one) => one.symbol === symbol) ? [] : [countShown(kind, symbol, number)],
    ),
    ...said,
  ];
  const all = Object.fromEntries(withCount.map(({ symbol }) => [symbol, true]));
  return {
    family: kind.id,
    size,
    sizes: table.sizes,
    unit: printedUnit,
    options: padOption(kind, all) ?? {},
    dimensions: withCount,
    missing: found.missing.filter((symbol) => !(symbol in all)),
    leftOut: leftRows(kind, rows, found),
    doubts,
    score: found.score,
  };
}

const unitsToTry = (unit: SheetUnit | undefined): readonly SheetUnit[] =>
  unit ? [unit] : ['mm', 'in', 'mil'];

/** The unit that most of the values are printed in. */
function sheetUnit(rows: readonly SizedRow[], assumed: SheetUnit): SheetUnit {
  const counts = new Map<SheetUnit, number>();
  for (const { value } of rows) {
    const unit = value.unit ?? assumed;
    counts.set(unit, (counts.get(unit) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? assumed;
}

/** From this on an assignment is sure, and from that it is likely. */
const SURE = 4;
const LIKELY = 1.5;

function dimensionOf(
  role: Assignment['roles'][number],
  {
    kind,
    rows,
    found,
    unit,
    isScan,
  }: {
    readonly kind: PackageKind;
    readonly rows: readonly SizedRow[];
    readonly found: Assignment;
    readonly unit: SheetUnit;
    readonly isScan: boolean;
  },
): ReadDimension {
  const definition = kind.dimensions.find(({ symbol }) => symbol === role.symbol);
  const { row, value } = rows[role.row] as SizedRow;
  const isCount = definition?.kind === 'count';
  // two rows that say the same leave nothing to choose
  const other = role.next === null ? null : (rows[role.next] ?? null);
  const next = other && !saysTheSame(value, other.value, unit) ? other : null;
  const isSame = other !== null && next === null;
  const alternatives: Alternative[] = value.others.map((other) => ({
    ...other,
    label: row.letter,
    printed: value.printed,
    area: value.area,
  }));
  if (next && role.margin < SURE + 2) alternatives.push(alternativeOf(next, unit));
  const own = found.findings.filter(({ dimensions }) => dimensions.includes(role.symbol));
  const doubts = [
    ...value.doubts,
    ...own.map(({ message }) => message),
    ...(isScan ? ['From a picture.'] : []),
    ...(value.sure < 0.75
      ? [`The picture is not clear here (${formatNumber(100 * value.sure, 0, 0)} %).`]
      : []),
    ...calledOtherwise(kind, row, role.symbol),
    ...(role.margin < LIKELY && next ? [`${rowWords(next.row, next.value)} may be meant as well.`] : []),
    ...(role.margin < LIKELY && other === null ? ['The table may not have it at all.'] : []),
    ...(role.orElse === null
      ? []
      : [
          `No row is ${role.orElse}, which has to be there: ${row.letter || 'this one'} may be meant for it.`,
        ]),
    ...(role.reasons[0] === 'by its size alone' ? ['Neither letter nor name say that this is meant.'] : []),
    ...(definition && row.name === '' && isEither(row.letter, definition.name, lettersOf(rows))
      ? [
          `${row.letter} is the thickness to some makers and the terminal to others; no letter beside it says which.`,
        ]
      : []),
  ];
  const standing: Standing =
    doubts.length > 0
      ? 'doubtful'
      : role.margin >= SURE
        ? 'sure'
        : role.margin >= LIKELY || isSame
          ? 'likely'
          : 'doubtful';
  return {
    symbol: role.symbol,
    name: definition?.name ?? role.symbol,
    text: isCount ? String(countOf({ row, value }) ?? value.text) : value.text,
    unit: isCount ? null : (value.unit ?? unit),
    label: row.letter,
    called: row.name,
    printed: value.printed,
    area: value.area,
    standing,
    reasons: [...role.reasons, value.reason],
    doubts,
    alternatives,
    isBroken: value.isBroken,
  };
}

/** What a table calls a dimension, where the drawing shows it to be another. */
function calledOtherwise(kind: PackageKind, row: PrintedRow, symbol: string): string[] {
  if (!row.places) return [];
  const { of } = nameSays(
    row.name,
    kind.dimensions.map(({ name }) => name),
  );
  const own = kind.dimensions.findIndex((one) => one.symbol === symbol);
  return of.length > 0 && !of.includes(own)
    ? [`It is called “${row.name}”, and the drawing shows it elsewhere.`]
    : [];
}

/** Whether two values have the same limits. */
function saysTheSame(a: PrintedValue, b: PrintedValue, unit: SheetUnit): boolean {
  const [p, q] = [limitsOf(a, unit), limitsOf(b, unit)];
  return p !== null && q !== null && p.min === q.min && p.max === q.max && p.given === q.given;
}

function alternativeOf({ row, value }: SizedRow, unit: SheetUnit): Alternative {
  return {
    text: value.text,
    unit: value.unit ?? unit,
    reason: `row ${rowWords(row, value)}`,
    label: row.letter,
    printed: value.printed,
    area: value.area,
  };
}

const rowWords = (row: PrintedRow, value: PrintedValue) =>
  [row.letter, row.name && `“${row.name}”`, value.text].filter((word) => word !== '').join(' ');

function leftRows(kind: PackageKind, rows: readonly SizedRow[], found: Assignment): LeftRow[] {
  const used = new Set(found.roles.map(({ row }) => row));
  const names = kind.dimensions.map(({ name }) => name);
  return rows.flatMap(({ row, value }, i): LeftRow[] => {
    if (used.has(i)) return [];
    const why = row.isAngle
      ? 'an angle, which no land rests on'
      : nameSays(row.name, names).isNotNeeded || isAuxiliary(row.letter)
        ? 'no land or body rests on it'
        : limitsOf(value) === null
          ? 'it cannot be read'
          : `${kind.title} has no dimension that it fits`;
    return [{ label: row.letter, called: row.name, printed: value.printed, why }];
  });
}

const lettersOf = (rows: readonly SizedRow[]): ReadonlySet<string> =>
  new Set(rows.map(({ row }) => row.letter));
