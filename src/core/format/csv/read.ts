import { unitSaid } from '../../source/words';
import { pinsNamed } from '../../given/pins';
import type { GivenFile } from '../../given/pattern';
import { formatNumber, type LengthUnit } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import { columnOf, headWords, sayPlace, UNIT, type PadColumn } from './pad-columns';
import { RowReader } from './pad-rows';
import { WORDS_OF_LENGTHS } from './pad-words';
import { headRow, numberOf, rowsOf, SIZES, unitIn, withPlainNumbers, withWholeHeads } from './rows';

// Pad tables: a row for each land, columns by their heads or by choice, lengths in mm, mil or inch. A table that
// Tapis wrote is read back whole.

/** What is asked of a pad table. */
export interface PadTableAsked {
  readonly unit?: LengthUnit;
  /** What the columns hold, one by one, where it is not as their heads say. */
  readonly columns?: readonly PadColumn[];
}

/** A pad table as it was read, so that it can be read otherwise. */
export interface PadTable {
  readonly heads: readonly string[];
  readonly columns: readonly PadColumn[];
  readonly unit: LengthUnit;
  /** The first rows, as they are printed. */
  readonly sample: readonly (readonly string[])[];
}

const MOST_ROWS = 20_000;
const MOST_COLUMNS = 200;
/** Largest table that is read, in characters. */
const LARGEST_TABLE = 8_000_000;

/**
 * Whether a text looks like a pad table: its heads name a place, or it has none and its rows hold places about
 * a middle. A table of dimensions or of pins has no place for each row, and no number below zero.
 */
export function isPadTable(text: string): boolean {
  const { rows } = rowsOf(text.slice(0, 20_000));
  if (headRow(rows) !== null) return true;
  const places = rows.slice(0, 50).map((row) => row.slice(1).map(numberOf));
  return (
    places.every((numbers) => numbers.length >= 4 && numbers.slice(0, 4).every(Number.isFinite)) &&
    places.some(([x = 0, y = 0]) => x < 0 || y < 0)
  );
}

/** Whether a text has columns of numbers, so that it may be a pad table once its columns are said. */
export const hasNumberColumns = (text: string): boolean =>
  rowsOf(text.slice(0, 20_000)).rows.some(
    (row) => row.filter((cell) => !Number.isNaN(numberOf(cell))).length >= 3,
  );

/** A pad table as its heads say it, so that its columns can be chosen where it cannot be read. */
export function padTableOf(text: string, { unit = 'mm', columns }: PadTableAsked = {}): PadTable {
  const { rows } = rowsOf(text.slice(0, 200_000));
  const [heads = [], ...body] = rows.slice(headRow(rows) ?? 0);
  return { heads, columns: columns ?? columnsOf(heads, true, []), unit, sample: body.slice(0, 5) };
}

/** Reads a pad table. @returns its pattern and how it was read, or why it is none */
export function readPadTable(
  text: string,
  fileName: string,
  asked: PadTableAsked = {},
): Result<GivenFile & { readonly table: PadTable }, string> {
  if (text.length > LARGEST_TABLE)
    return fail(`The table has ${Math.ceil(text.length / 1e6)} million characters; at most 8 are read.`);
  const { rows: all, errors } = rowsOf(text);
  const wide = Math.max(0, ...all.slice(0, MOST_ROWS).map((row) => row.length));
  if (wide > MOST_COLUMNS) return fail(`The table has ${wide} columns; at most ${MOST_COLUMNS} are read.`);
  const above = headRow(all) ?? 0;
  const left = [...errors];
  const rows = withWholeHeads(all, above);
  const [first] = rows;
  if (!first) return fail('The table is empty.');
  // a row of units belongs to the heads
  const merged = all.length - above - rows.length;
  if (rows.length > MOST_ROWS)
    return fail(`The table has ${rows.length} rows; at most ${MOST_ROWS} are read.`);
  if (above > 0)
    left.push(
      `${above} ${above === 1 ? 'row' : 'rows'} above the heads: “${all
        .slice(0, above)
        .map((row) => row.filter((cell) => cell !== '').join(' '))
        .join(' / ')
        .slice(0, 160)}”.`,
    );
  const hasHead = first.filter((cell) => cell !== '' && !Number.isNaN(numberOf(cell))).length < 2;
  const heads = hasHead ? first : first.map((_, i) => `column ${i + 1}`);
  const columns = asked.columns ?? columnsOf(heads, hasHead, left);
  if (!sayPlace(columns))
    return fail(
      `No column says ${(['x', 'y'] as const).filter((column) => !columns.includes(column)).join(' and ')}: the heads are ${heads.slice(0, 12).map(inShort).join(', ')}. Say what each column holds.`,
    );
  if (!SIZES.some((column) => columns.includes(column)))
    return fail('No column says how large the lands are: length and width, or a diameter.');
  left.push(...halfSaid(columns));
  const lengths = columns.flatMap((column, i) => (LENGTHS.includes(column) ? [i] : []));
  const units = asked.unit ? [asked.unit] : lengths.flatMap((i) => unitIn(heads[i] ?? '') ?? []);
  const body = withPlainNumbers(hasHead ? rows.slice(1) : rows, lengths, units, left);
  const beside = [
    ...all.slice(0, above),
    ...body.filter((row) => row.filter((cell) => cell !== '').length === 1),
  ];
  const unit = asked.unit ?? unitOf(heads, columns, body, beside, left);
  // a unit that is chosen goes before what heads say
  const said = asked.unit ? heads.map((head) => head.replace(UNIT, '')) : heads;
  const reader = new RowReader(said, columns, unit, left);
  body.forEach((row, i) => reader.row(row, i + above + merged + (hasHead ? 2 : 1)));
  const { lands, holes, pins } = reader.result();
  if (lands.length + holes.length === 0)
    return fail(`No row of the table is a land. ${left.slice(0, 3).join(' ')}`.trim());
  const name = fileName.replace(/\.[^.]*$/, '');
  return ok({
    patterns: [
      {
        name,
        from: fileName,
        lands,
        holes,
        ...(pins.length > 0 ? { pins: pinsNamed(pins) } : {}),
        unsaid: [
          'legend',
          'courtyard',
          ...(columns.includes('number') ? [] : (['numbers'] as const)),
          ...(columns.includes('paste-length') ? [] : (['paste'] as const)),
        ],
        left,
      },
    ],
    left: [],
    table: { heads, columns, unit, sample: body.slice(0, 5) },
  });
}

const ENDS_IN_WIDTH = new RegExp(`(^|\\s)(${WORDS_OF_LENGTHS.width}|w)$`);
const ENDS_IN_HEIGHT = new RegExp(`(^|\\s)(${WORDS_OF_LENGTHS.height}|h)$`);

/** What the columns hold by their heads; a name that stands beside a number is that of the pin. */
function columnsOf(heads: readonly string[], hasHead: boolean, left: string[]): PadColumn[] {
  if (!hasHead) {
    const usual: PadColumn[] = ['number', 'x', 'y', 'length', 'width', 'rotation'];
    left.push(
      `The table has no heads; its columns were taken as ${usual.slice(0, heads.length).join(', ')}.`,
    );
    return heads.map((_, i) => usual[i] ?? 'leave');
  }
  const found = heads.map(columnOf);
  // width beside height runs along, width beside length across
  const words = heads.map(headWords);
  const [across, upright] = [
    words.findIndex((word) => ENDS_IN_WIDTH.test(word)),
    words.findIndex((word) => ENDS_IN_HEIGHT.test(word)),
  ];
  if (across >= 0 && upright >= 0 && found[across] === 'width' && found[upright] === 'width')
    found[across] = 'length';
  const seen = new Set<PadColumn>();
  const columns = found.map((column, i): PadColumn => {
    if (column === null) return 'leave';
    const own =
      column === 'number' && seen.has('number') && /^(pin|name)/.test(words[i] ?? '') ? 'pin' : column;
    if (seen.has(own)) return 'leave';
    seen.add(own);
    return own;
  });
  const unused = heads.filter((head, i) => columns[i] === 'leave' && head !== '' && !/padstack/i.test(head));
  if (unused.length > 0) left.push(`Columns that are left out: ${unused.join(', ')}.`);
  return columns;
}

/** Sizes and corners that columns say by half: what stands for the other half is told. */
function halfSaid(columns: readonly PadColumn[]): string[] {
  const has = (column: PadColumn) => columns.includes(column);
  const alone = (['length', 'width'] as const).filter(has);
  const corners = (has('x1') && has('x2')) || (has('y1') && has('y2'));
  const told: string[] = [];
  if (alone.length === 1 && !has('diameter') && !has('radius') && !corners)
    told.push(`Only the ${alone[0]} of lands is said; they are taken to be as long as they are wide.`);
  for (const [near, far] of [
    ['x1', 'x2'],
    ['y1', 'y2'],
  ] as const)
    if (has(far) && !has(near)) told.push(`A column says ${far} and none says ${near}; it is left out.`);
  return told;
}

/** Columns that hold lengths. */
const LENGTHS: readonly PadColumn[] = [
  'x',
  'y',
  'x1',
  'y1',
  'x2',
  'y2',
  'length',
  'width',
  'diameter',
  'radius',
  'hole',
  'hole-x',
  'hole-y',
  'slot',
  'mask-length',
  'mask-width',
  'paste-length',
  'paste-width',
];

/** The unit that sentences beside a table say of its numbers; a length that they give, as a pitch of 2.54 mm, says none. */
function unitBeside(rows: readonly (readonly string[])[]): LengthUnit | null {
  const text = rows
    .flat()
    .join(' ')
    .replace(/\d[\d.,]*\s*\p{L}+/gu, ' ');
  const said = unitSaid(text);
  // no datasheet is in micrometres, and no dictionary of theirs has them
  const isMicron = /(?<!\p{L})([µμ]m|um|microns?|мкм)(?!\p{L})/iu.test(text);
  return isMicron ? (said ? null : 'um') : said;
}

/** Sides of lands that are larger than this are meant in mil. */
const LARGE = 8;

function unitOf(
  heads: readonly string[],
  columns: readonly PadColumn[],
  rows: readonly (readonly string[])[],
  beside: readonly (readonly string[])[],
  left: string[],
): LengthUnit {
  const lengths = heads.flatMap((_, i) => (LENGTHS.includes(columns[i] ?? 'leave') ? [i] : []));
  const each = lengths.map((i) => unitIn(heads[i] ?? ''));
  // where every column says its own, none is left to be guessed
  if (each[0] && each.every((unit) => unit !== null)) return each[0];
  const said = new Set(each.filter((unit) => unit !== null));
  const [only] = said;
  if (only && said.size === 1) return only;
  const cells = new Set(
    rows
      .slice(0, 50)
      .flatMap((row) => lengths.map((i) => unitIn(row[i] ?? '')))
      .filter((unit) => unit !== null),
  );
  if (cells.size > 0) return [...cells][0] as LengthUnit;
  const named = unitBeside(beside);
  if (named) {
    left.push(`No head says a unit; beside the table it is said to be ${named}.`);
    return named;
  }
  const at = (row: readonly string[], column: PadColumn) => numberOf(row[columns.indexOf(column)] ?? '');
  const sides = rows
    .flatMap((row) => [
      at(row, 'length'),
      at(row, 'width'),
      at(row, 'diameter'),
      2 * at(row, 'radius'),
      Math.abs(at(row, 'x2') - at(row, 'x1')),
      Math.abs(at(row, 'y2') - at(row, 'y1')),
    ])
    .filter((side) => side > 0)
    .sort((a, b) => a - b);
  const middle = sides[Math.floor(sides.length / 2)] ?? 0;
  const unit: LengthUnit = middle > LARGE ? 'mil' : middle > 0 && middle < 0.08 ? 'in' : 'mm';
  left.push(
    unit === 'mm'
      ? 'The table does not say its unit; it was read in mm.'
      : `The table does not say its unit; as its lands would be ${formatNumber(middle, 0, 3)} mm on a side, it was read in ${unit}.`,
  );
  return unit;
}

/** A head as a sentence can hold it, in quotes. */
const inShort = (head: string): string => `“${head.length > 24 ? `${head.slice(0, 24)}…` : head}”`;
