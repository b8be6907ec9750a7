import Papa from 'papaparse';
import { gridsOfHtml } from '../../source/html';
import { MM_PER, type LengthUnit } from '../../units/length';
import { columnOf, headWords, sayPlace, UNIT, type PadColumn } from './pad-columns';

// A text as the rows of a pad table: whatever parts its cells, its heads in one row, its numbers bare.

/** Digits of a number at most; more are none that is measured. */
const LONGEST_NUMBER = 40;

/** A number with a point or a comma, with or without a unit; not a number where it is none. */
export function numberOf(text: string): number {
  if (text.length > LONGEST_NUMBER) return NaN;
  const plain = text
    .replace(UNIT, '')
    .trim()
    .replace(/^'(?=[-+\d.,])/, '')
    .replace('−', '-');
  if (!/^[-+]?(\d+([.,]\d*)?|[.,]\d+)(e[-+]?\d+)?$/i.test(plain)) return NaN;
  return Number(plain.replace(',', '.'));
}

export function rowsOf(text: string): { readonly rows: string[][]; readonly errors: readonly string[] } {
  if (/^\s*</.test(text)) return upright(rowsOfHtml(text), []);
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const rows = parsed.data.map((row) => row.map((cell) => cell.trim()));
  const errors = parsed.errors
    .filter(({ type }) => type === 'Quotes')
    .map(({ message, row }) => `Row ${(row ?? 0) + 1}: ${message}.`);
  return upright(rows.every((row) => row.length < 3) ? rowsOfPlain(text) : rows, errors);
}

/** A table whose heads stand below each other, with a column for each land, turned so that each has a row. */
function upright(rows: string[][], errors: readonly string[]) {
  const isTurned =
    headRow(rows) === null && sayPlace(rows.slice(0, MOST_COLUMNS).map(([head = '']) => columnOf(head)));
  if (!isTurned) return { rows, errors };
  const columns = Math.max(...rows.map((row) => row.length));
  return {
    rows: Array.from({ length: columns }, (_, i) => rows.slice(0, MOST_COLUMNS).map((row) => row[i] ?? '')),
    errors: [...errors, 'The table has a column for each land; it was read so.'],
  };
}

/** Columns that are looked at for heads at most. */
const MOST_COLUMNS = 200;

/** Rows of a text whose columns stand between blanks: two or more where heads have blanks in them. */
function rowsOfPlain(text: string): string[][] {
  const lines = text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .map((line) => line.replace(/^\s*\|/, '').trim())
    .filter((line) => line !== '' && !/^[-=+|\s]+$/.test(line));
  const by = (gap: RegExp) => lines.map((line) => line.split(gap).map((cell) => cell.trim()));
  const isBarred = lines.filter((line) => line.includes('|')).length > lines.length / 2;
  if (isBarred) return by(/\|/).map((row) => (row.at(-1) === '' ? row.slice(0, -1) : row));
  const wide = by(/\t|\s{2,}/);
  return wide.some((row) => row.length >= 4) ? wide : by(/\s+/);
}

/** Rows of the table of an HTML text that has the most cells. */
function rowsOfHtml(html: string): string[][] {
  const [largest] = gridsOfHtml(html).sort((a, b) => b.rows.flat().length - a.rows.flat().length);
  return (largest?.rows ?? []).map((row) =>
    Array.from({ length: largest?.columns ?? 0 }, (_, column) =>
      (row.find((cell) => cell.column === column)?.text ?? '').trim(),
    ),
  );
}

/** Columns of which one says how large lands are. */
export const SIZES: readonly PadColumn[] = ['length', 'width', 'diameter', 'radius', 'hole', 'hole-x', 'x2'];

/** Rows above the heads at most: a title, a comment, an empty line. */
const MOST_ABOVE = 20;

/**
 * The heads and all below, where words of two rows make them: “Size” over “X” and “Y” is the size along each. The row
 * over the heads counts only where it says what they do not.
 */
export function withWholeHeads(all: readonly (readonly string[])[], above: number): (readonly string[])[] {
  const rows = withUnitsInHeads(all.slice(above));
  const [own, over] = [rows[0], all[above - 1]];
  if (!own || !over) return rows;
  let group = '';
  const whole = own.map((cell, i) => {
    const stated = over[i] ?? '';
    if (stated !== '') group = stated;
    // words of a group reach over the empty cells beside it
    const upper = stated === '' && cell === '' ? '' : group;
    if (upper === '' || cell === '') return cell || stated;
    const unit = UNIT.exec(upper)?.[1];
    const words = `${headWords(upper)} ${cell}`;
    return unit && !UNIT.test(cell) ? `${words} (${unit})` : words;
  });
  const says = (heads: readonly string[]) => {
    const columns = heads.map((head) => columnOf(head));
    return sayPlace(columns) && SIZES.some((column) => columns.includes(column));
  };
  return !says(own) && says(whole) ? [whole, ...rows.slice(1)] : rows;
}

/** A row below the heads that holds nothing but units belongs to them. */
function withUnitsInHeads(rows: readonly (readonly string[])[]): (readonly string[])[] {
  const [heads, units, ...below] = rows;
  const said = units?.filter((cell) => cell !== '') ?? [];
  if (
    !heads ||
    said.length < 2 ||
    !said.every((cell) => unitIn(`(${cell.replace(/[()[\]]/g, '')})`) !== null || /^[-–—°]$/.test(cell))
  )
    return [...rows];
  return [
    heads.map((head, i) => {
      const unit = unitIn(` (${(units?.[i] ?? '').replace(/[()[\]]/g, '')})`);
      return unit ? `${head} (${unit})` : head;
    }),
    ...below,
  ];
}

/** Thousands parted by a mark: 1,550 or 12.700. */
const PARTED = {
  ',': /^[-+−]?[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/,
  '.': /^[-+−]?[1-9]\d{0,2}(\.\d{3})+(,\d+)?$/,
} as const;

/**
 * Rows without marks of thousands. A comma or a point before three digits parts thousands where the other sign stands
 * behind it, where the unit is so fine that the lands would be next to nothing otherwise, or, where no unit is said, where lengths with
 * other decimals or of hundreds stand beside it. Of millimetres and inches it is the sign of decimals.
 * @param lengths columns that hold lengths: counts and angles tell nothing
 * @param units that are said of them
 */
export function withPlainNumbers(
  rows: readonly (readonly string[])[],
  lengths: readonly number[],
  units: readonly LengthUnit[],
  left: string[],
): readonly (readonly string[])[] {
  const bare = (cell: string) => cell.replace(UNIT, '').trim();
  const numbers = rows
    .flatMap((row) => lengths.map((i) => bare(row[i] ?? '')))
    .filter((cell) => /^[-+−]?[\d.,]*\d[\d.,]*$/.test(cell));
  const fine = units.find((unit) => unit === 'um' || unit === 'mil');
  for (const [mark, decimal] of [
    [',', '.'],
    ['.', ','],
  ] as const) {
    const marked = numbers.filter((cell) => cell.includes(mark));
    if (marked.length === 0 || !marked.every((cell) => PARTED[mark].test(cell))) continue;
    const others = numbers.filter((cell) => !cell.includes(mark));
    // as decimals the whole pattern would be smaller than any land is
    const largest = Math.max(
      ...marked.map((cell) => Math.abs(Number(cell.replace('−', '-').replace(mark, '.')))),
    );
    const isFine = fine !== undefined && !(largest * MM_PER[fine] >= SMALLEST);
    const isLikely = others.some((cell) => cell.includes(decimal) || /^[-+−]?\d{3}$/.test(cell));
    if (!marked.some((cell) => cell.includes(decimal)) && !isFine && (units.length > 0 || !isLikely))
      continue;
    left.push(
      `“${marked[0] ?? ''}” and its like are read as thousands: the ${mark === ',' ? 'comma' : 'point'} parts them.`,
    );
    return rows.map((row) =>
      row.map((cell, i) =>
        lengths.includes(i) && PARTED[mark].test(bare(cell)) ? cell.replaceAll(mark, '') : cell,
      ),
    );
  }
  return rows;
}

/** A pattern reaches as far from its origin at least, mm. */
const SMALLEST = 0.3;

/** The row of the heads; `null` where none names a place. */
export function headRow(rows: readonly (readonly string[])[]): number | null {
  const found = rows.slice(0, MOST_ABOVE).findIndex((row) => sayPlace(row.map((cell) => columnOf(cell))));
  return found < 0 ? null : found;
}

export const unitIn = (text: string): LengthUnit | null => {
  const said = UNIT.exec(text)?.[1]?.toLowerCase() ?? '';
  if (said === 'mm' || said === 'мм') return 'mm';
  if (/^([uµμ]m|microns?|мкм)$/.test(said)) return 'um';
  if (said.startsWith('mil') || said === 'thou') return 'mil';
  return said.startsWith('in') ? 'in' : null;
};
