import { isNotGiven } from '../units/entry-text';
import { fail, ok, type Result } from '../units/result';
import { sayingUnit } from '../units/saying-unit';
import type { PackageIntent, SheetUnit, TapisDocument } from './document';
import type { Edit } from './edit';
import { writtenEntry } from './entries';
import type { OwnIntent } from './pieces';

// A family of one's own is a composed package without a part's numbers: its pieces, what its dimensions
// are called and between which limits they can be meant, its conditions and its sizes. A document of such
// a family holds the whole of it, so that it can be drawn wherever it is taken.

/** The family that is none: what a document's pieces make up. */
export const COMPOSED = 'composed';

/** A composed package that is kept as a family. */
export type OwnFamily = PackageIntent & { readonly own: OwnIntent };

/** Whether a package is of a family of one's own. */
export function isOwn(intent: PackageIntent): intent is OwnFamily {
  return intent.own !== undefined;
}

/** Unit of plain numbers in a composed package's pieces: the datasheet's, or its own family's. */
export function pieceUnitOf({ own, unit }: PackageIntent): SheetUnit {
  return (own ? own.unit : unit) ?? 'mm';
}

/** The family that a part is of, without the part's own numbers. */
export function familyOf({
  title,
  own,
  named = {},
  naming,
  first,
  pieces,
  dimensions,
}: OwnFamily): OwnFamily {
  const later = Object.keys(dimensions).filter((symbol) => !Object.hasOwn(named, symbol));
  return {
    family: 'composed',
    ...(title === undefined ? {} : { title }),
    dimensions: {},
    named: { ...named, ...Object.fromEntries(later.map((symbol) => [symbol, {}])) },
    own,
    ...(first === undefined ? {} : { first }),
    ...(naming === undefined ? {} : { naming }),
    ...(pieces ? { pieces } : {}),
  };
}

/** Edits that make a composed package the first part of a family of its own; its numbers are the example. */
export function keepingEdits(document: TapisDocument, id: string): Edit[] {
  const { named = {}, dimensions, unit } = document.package;
  const symbols = Object.keys(dimensions).filter((symbol) => !Object.hasOwn(named, symbol));
  return [
    { at: '/package/named', value: { ...named, ...Object.fromEntries(symbols.map((one) => [one, {}])) } },
    {
      at: '/package/own',
      value: { id, ...(unit && unit !== 'mm' ? { unit } : {}), example: valuesOf(document, unit ?? 'mm') },
    },
  ];
}

/** What was entered for a part's dimensions, as texts whose plain numbers are in one unit. */
export function valuesOf({ package: intent }: TapisDocument, unit: SheetUnit): Record<string, string> {
  const sheet = intent.unit ?? 'mm';
  return Object.fromEntries(
    Object.entries(intent.dimensions).flatMap(([symbol, entry]) => {
      const { text, unit: own } = writtenEntry(entry);
      if (text.trim() === '') return [];
      const said = (own ?? sheet) === unit ? text : (sayingUnit(text, own ?? sheet) ?? text);
      return [[symbol, said]];
    }),
  );
}

/** Whether two families are the same; the numbers that they are drawn with as examples do not count. */
export function isSameFamily(a: OwnFamily, b: OwnFamily): boolean {
  const plain = (family: OwnFamily) => {
    const { own, named, ...rest } = familyOf(family);
    const { example: _example, ...kept } = own;
    return JSON.stringify(sorted({ ...rest, own: kept, named, order: Object.keys(named ?? {}) }));
  };
  return plain(a) === plain(b);
}

/** The same with all keys in order, so that equal things are equal texts. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, inner]) => [key, sorted(inner)]),
  );
}

/** A short name for addresses and files from words; `family` where nothing of them can be kept. */
export function familyId(words: string, taken: readonly string[] = []): string {
  const plain = words
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 34);
  const base = plain === '' ? 'family' : plain;
  for (let i = 1; ; i += 1) {
    const id = i === 1 ? base : `${base}-${i}`;
    if (!taken.includes(id)) return id;
  }
}

type Size = NonNullable<OwnIntent['sizes']>[number];

/**
 * Reads a table of sizes: letters in the first line, then a line for each size with its name in front.
 * Columns stand apart by tabs, bars, semicolons or several blanks; by single blanks where there are no others.
 * @returns the sizes, or what is wrong with the table
 */
export function sizesFrom(text: string, symbols: readonly string[]): Result<readonly Size[], string> {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const apart = [/\t/, /\|/, /;/, / {2,}/].find((column) => lines.every((line) => column.test(line.trim())));
  const cells = (line: string) =>
    line
      .trim()
      .replace(/^\||\|$/g, '')
      .split(apart ?? /\s+/)
      .map((cell) => cell.trim());
  const [head = [], ...rows] = lines.map(cells);
  if (rows.length === 0)
    return fail('A line with the letters and at least one line with a size are expected.');
  const letters = head.slice(
    Math.max(
      0,
      head.findIndex((cell) => symbols.includes(cell)),
    ),
  );
  const stranger = letters.find((letter) => !symbols.includes(letter));
  if (stranger !== undefined)
    return fail(`“${stranger}” is no dimension of the family; it has ${symbols.join(', ')}.`);
  const sizes = rows.map((row) => ({
    name: row.slice(0, -letters.length).join(' '),
    values: row.slice(-letters.length),
  }));
  const short = sizes.findIndex(({ name }) => name === '');
  if (short >= 0)
    return fail(
      `“${rows[short]?.join(' ')}” has too few numbers: there are ${letters.length} letters and the size’s name.`,
    );
  // with blanks alone, a name that ends with a number may have taken one of the size's own
  const doubtful = sizes.find(({ name }) => !apart && /(^| )[\d.,±-]+$/.test(name));
  if (doubtful)
    return fail(`“${doubtful.name}” may be a name or hold a number; put tabs or bars between the columns.`);
  return ok(
    sizes.map(({ name, values }, i) => ({
      id: `s${i + 1}`,
      name: name.slice(0, 60),
      dimensions: Object.fromEntries(
        letters.flatMap((letter, k) => {
          const value = values[k] ?? '';
          return value === '' || isNotGiven(value) ? [] : [[letter, value]];
        }),
      ),
    })),
  );
}
