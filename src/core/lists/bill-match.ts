import { newDocument, type TapisDocument } from '../document/document';
import { applyEdits } from '../document/edit';
import { outlineEdits, writtenEntry } from '../document/entries';
import type { Severity } from '../document/finding';
import type { PackageKind } from '../package/catalogue';
import type { StandardOutline } from '../package/definitions';
import { TRADE_NAMES } from '../package/trade-names';
import { kindById } from '../source/kinds';
import type { Toleranced } from '../units/toleranced';
import { limitsOf } from '../source/value';
import type { BillLine } from './bill';
import { componentSaid, packageSaid, type FoundWord, type PackageWord } from './package-words';

// What the lines of a bill are: footprints that are there, typical sizes, which are marked as such, or missing.

/** A footprint that a line may be. */
export interface KnownFootprint {
  readonly id: string;
  readonly document: TapisDocument;
  /** What is known of it, as far as it matters which of several is taken. */
  readonly facts: {
    readonly standardName: string | null;
    readonly verdict: Severity | 'clear';
    /** Who stands for it, where somebody does. */
    readonly approved?: unknown;
  };
}

/** What a line is: a footprint that is there, a typical size, or missing. */
export type BillMatch =
  | {
      readonly is: 'there';
      readonly id: string;
      readonly name: string;
      readonly why: string;
      /** Names of others that would do as well. */
      readonly others: readonly string[];
      readonly doubt: string | null;
    }
  | {
      readonly is: 'typical';
      readonly document: TapisDocument;
      readonly why: string;
    }
  | { readonly is: 'missing'; readonly why: string };

/** Body sizes that differ by more are others, mm. */
const NEAR = 0.3;
/** Dimensions by which packages are told apart, as far as words say them. */
const SIZES = ['n', 'e', 'E', 'E1', 'D', 'L', 'W'] as const;

/** What the words of a line say of its package; its own column goes before what it is called. */
function wordOf(line: BillLine): FoundWord | null {
  return packageSaid(line.package) ?? packageSaid(line.value) ?? packageSaid(line.part);
}

const componentOf = ({ value, part, references }: BillLine): string | null =>
  componentSaid(value) ?? componentSaid(part) ?? byReference(references);

/** What letters of references stand for (IEEE 315, for parts with two ends that look alike). */
const LETTERS: Readonly<Record<string, string>> = {
  R: 'resistor',
  C: 'capacitor',
  L: 'inductor',
  FB: 'ferrite',
  F: 'fuse',
  D: 'diode',
};

function byReference(references: string): string | null {
  const letters = new Set(
    references
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map((one) => /^[A-Za-z]+/.exec(one)?.[0]?.toUpperCase() ?? ''),
  );
  const [only = ''] = letters;
  return letters.size === 1 ? (LETTERS[only] ?? null) : null;
}

/** Small letters and figures alone. */
const plain = (text: string): string => text.toLowerCase().replaceAll(/[^a-z0-9.]/g, '');

interface Typical {
  readonly kind: PackageKind;
  readonly outline: StandardOutline;
  readonly called: string;
}

/** The typical size that a line's package is called; the longest name that it holds. */
function typicalFor(line: BillLine): Typical | null {
  const word = wordOf(line);
  const texts = [line.package, line.value, line.part].filter(Boolean);
  for (const text of texts) {
    const own = plain(text);
    const names = TRADE_NAMES.filter(([name]) => {
      const at = own.indexOf(plain(name));
      // “SOT-23-5” is not SOT-23: what goes on in figures is another name
      return (
        at >= 0 && !/^\d/.test(own.slice(at + plain(name).length)) && !/[a-z0-9]$/.test(own.slice(0, at))
      );
    });
    const [name] = names.sort(([a], [b]) => b.length - a.length);
    const kind = name && kindById(name[1]);
    const outline = kind?.outlines.find((one) => one.name === name?.[2]);
    if (kind && outline && goesWith(outline, word)) return { kind, outline, called: name?.[0] ?? '' };
  }
  const kind = word && kindById(word.family);
  if (!word || !kind) return null;
  const start = word.typical;
  const fitting = kind.outlines.filter(
    (one) =>
      (start === undefined ? Object.keys(word.dimensions).length > 1 : one.name.startsWith(start)) &&
      goesWith(one, word),
  );
  const [outline] = fitting;
  // two sizes that the words do not tell apart are neither
  return outline && (fitting.length === 1 || start !== undefined)
    ? { kind, outline, called: outline.name }
    : null;
}

/** Whether a typical size has the numbers that the words say. */
function goesWith({ dimensions }: StandardOutline, word: FoundWord | null): boolean {
  const limits = Object.values(dimensions).flatMap(
    (text) => limitsOf({ text: text ?? '', unit: 'mm' }) ?? [],
  );
  return (
    Object.entries(word?.dimensions ?? {}).every(([symbol, text]) => {
      const own = dimensions[symbol];
      return own === undefined || holds(own, Number(text), symbol === 'n' ? 0 : 0.15);
    }) && areSizesIn(word?.rest ?? '', limits)
  );
}

/** Sizes behind the word of a package: “7.5mm”, “5x5”, “P0.5”; counts and years are none. */
const SIZE = /(?<![\d.,])(\d{1,2}[.,]\d+|\d{1,2}(?=\s*(?:mm|[x×]))|(?<=[x×]\s*)\d{1,2}(?![\d.,]))/gi;

/** Whether each size that is said is some dimension of a package. */
function areSizesIn(rest: string, limits: readonly Toleranced[]): boolean {
  const sizes = [...rest.matchAll(SIZE)].map(([text]) => Number(text.replace(',', '.')));
  return sizes.every((size) =>
    limits.some(({ min, max }) => size >= min - NEAR / 2 - 1e-9 && size <= max + NEAR / 2 + 1e-9),
  );
}

/** What entries of documents come to: each is read once. */
const read = new WeakMap<TapisDocument, ReadonlyMap<string, Toleranced>>();

/** The dimensions that a document enters, mm. */
function sizesOf(document: TapisDocument): ReadonlyMap<string, Toleranced> {
  const known = read.get(document);
  if (known) return known;
  const { dimensions, unit = 'mm' } = document.package;
  const own = new Map(
    Object.entries(dimensions).flatMap(([symbol, entry]) => {
      const limits = limitsOf(writtenEntry(entry), unit);
      return limits ? [[symbol, limits] as const] : [];
    }),
  );
  read.set(document, own);
  return own;
}

/** Words behind a package's that nothing was made of; empty where there are none. */
function notUnderstood(rest: string): string {
  const words = rest
    .replaceAll(SIZE, ' ')
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 1 && !/^(mm|metric|pitch|smd|smt|pin|pins|leads?)$/i.test(word));
  return words.slice(0, 4).join(' ');
}

/** Whether an entry’s limits hold a number, within a reach. */
function holds(text: string, value: number, reach: number): boolean {
  const limits = limitsOf({ text, unit: 'mm' });
  return limits !== null && value >= limits.min - reach - 1e-9 && value <= limits.max + reach + 1e-9;
}

/** A document of a typical size, every number of it marked as typical. */
function typicalDocument(line: BillLine, { kind, outline, called }: Typical): TapisDocument {
  const name = line.part || `${line.value} ${line.package}`.trim();
  const component = componentOf(line);
  const isKnown = kind.options.some(
    ({ id, choices }) => id === 'component' && choices.some((choice) => choice.id === component),
  );
  const document = newDocument(name.slice(0, 200), kind.id, {});
  const options = {
    ...outline.options,
    ...(component !== null && isKnown ? { component } : {}),
  };
  return applyEdits(document, [
    ...outlineEdits(document, { ...outline, options }),
    {
      at: '/package/source',
      value: `Typical size “${called}”, for ${line.package || line.value}`.slice(0, 200),
    },
  ]);
}

/** What makes lines one: those that are alike in it are looked up once. */
export const sameLine = (line: BillLine): string =>
  JSON.stringify([line.package, line.package === '' ? line.value : '', line.part, componentOf(line)]);

/**
 * Finds what a line is.
 * @param known footprints that are there
 */
export function matchLine(line: BillLine, known: readonly KnownFootprint[]): BillMatch {
  const named = byName(line, known);
  if (named) return named;
  const word = wordOf(line);
  const typical = typicalFor(line);
  const kind = typical?.kind ?? (word && kindById(word.family));
  if (!kind) {
    const said = line.package || line.value || line.part;
    return {
      is: 'missing',
      why: `“${said.slice(0, 60)}” is no word of a package that is known, and no footprint is called so.`,
    };
  }
  const found = byPackage(line, kind, word, typical, known);
  if (found) return found;
  if (typical)
    return {
      is: 'typical',
      document: typicalDocument(line, typical),
      why: `typical size “${typical.called}”, not from a datasheet`,
    };
  return {
    is: 'missing',
    why: `No footprint of ${kind.title} has ${numbersIn(word) || 'its size'}, and no typical size is known: its datasheet says it.`,
  };
}

const numbersIn = (word: PackageWord | null): string =>
  Object.entries(word?.dimensions ?? {})
    .map(([symbol, text]) => `${symbol} ${text}`)
    .join(', ');

const USED_BY = /^Used by (.+)$/m;

/** A footprint that is called as the line’s part or package is, or that says that the part uses it. */
function byName(line: BillLine, known: readonly KnownFootprint[]): BillMatch | null {
  const asked = [line.part, line.package].map(plain).filter((one) => one !== '');
  const ways: readonly (readonly [why: string, names: (one: KnownFootprint) => readonly string[]])[] = [
    ['it is called so', ({ document }) => [document.name]],
    [
      'the part is among those that use it',
      ({ document }) => USED_BY.exec(document.notes ?? '')?.[1]?.split(', ') ?? [],
    ],
    ['its standard name', ({ facts }) => (facts.standardName ? [facts.standardName] : [])],
  ];
  for (const [why, names] of ways) {
    const found = known.filter((one) => names(one).some((name) => asked.includes(plain(name))));
    if (found.length > 0) return there(found, why, null);
  }
  return null;
}

/** Footprints of the same package: family, count, pitch and body as far as the words say them. */
function byPackage(
  line: BillLine,
  kind: PackageKind,
  word: FoundWord | null,
  typical: Typical | null,
  known: readonly KnownFootprint[],
): BillMatch | null {
  const said = { ...typical?.outline.dimensions, ...word?.dimensions };
  const component = componentOf(line);
  const sizes = new Map(
    SIZES.flatMap((symbol) => {
      const limits = said[symbol] === undefined ? null : limitsOf({ text: said[symbol], unit: 'mm' });
      return limits ? [[symbol, limits] as const] : [];
    }),
  );
  const fits = ({ document }: KnownFootprint): boolean => {
    const { family, options = {} } = document.package;
    if (family !== kind.id) return false;
    const asked = kind.options.find(({ id }) => id === 'component');
    if (asked && component !== null && (options['component'] ?? asked.choices[0]?.id) !== component)
      return false;
    const own = sizesOf(document);
    if (!areSizesIn(word?.rest ?? '', [...own.values()])) return false;
    return [...sizes].every(([symbol, b]) => {
      const a = own.get(symbol);
      const reach = symbol === 'n' ? 0 : symbol === 'e' ? 0.01 : NEAR;
      return !a || Math.abs((a.min + a.max) / 2 - (b.min + b.max) / 2) <= reach + 1e-9;
    });
  };
  const isSaid = sizes.size > 0;
  const found = known.filter(fits);
  // a word that says no size fits every size of its family, and none says how large a pad below is
  const unread = notUnderstood(line.package === '' ? '' : (word?.rest ?? ''));
  const hasPad = kind.dimensions.some(({ symbol }) => symbol === 'E2');
  const doubt = !isSaid
    ? `“${line.package || line.value}” says no size: hold it against the part’s datasheet.`
    : sizes.size === 1 && sizes.has('n') && (word?.rest ?? '').search(SIZE) < 0
      ? `“${line.package || line.value}” says how many leads it has, and neither pitch nor body: hold it against the part’s datasheet.`
      : hasPad
        ? 'No word says its exposed pad: hold that against the part’s datasheet.'
        : unread === ''
          ? null
          : `“${unread}” was not understood: hold it against the part’s datasheet.`;
  return found.length > 0 ? there(found, 'the same package', doubt) : null;
}

/** The best of those that are there: approved ones first, then those with the least grave finding. */
function there(found: readonly KnownFootprint[], why: string, doubt: string | null): BillMatch {
  const grave: Readonly<Record<KnownFootprint['facts']['verdict'], number>> = {
    clear: 0,
    note: 1,
    caution: 2,
    stop: 3,
  };
  const worth = ({ facts }: KnownFootprint) => (facts.approved ? 0 : 10) + grave[facts.verdict];
  const [first, ...others] = [...found].sort(
    (a, b) => worth(a) - worth(b) || (a.document.name < b.document.name ? -1 : 1),
  ) as [KnownFootprint, ...KnownFootprint[]];
  return {
    is: 'there',
    id: first.id,
    name: first.document.name,
    why,
    others: others.map(({ document }) => document.name),
    doubt,
  };
}
