import { applyEdits } from '../document/edit';
import { newDocument } from '../document/document';
import { outlineEdits } from '../document/entries';
import type { PackageKind } from '../package/catalogue';
import { TRADE_NAMES } from '../package/trade-names';

// Finding a kind of package as one thinks of it: by what the trade calls it (sot-23, 0603), what it looks
// like (quad no lead), how many leads it has (40), its rows and pins (2x20) or a figure (0.65).

/** A kind that a search finds, or one of its sizes, which stands after it where the search names it. */
export interface Hit {
  readonly kind: PackageKind;
  /** The outline that is called so, in words; `null` where the search is about the kind itself. */
  readonly outline: string | null;
  /** The size that `kind` starts with, whose numbers are entered. */
  readonly size?: string;
}

/** What a search came to. */
export interface Search {
  readonly hits: readonly Hit[];
  /** Words of the search that no kind has, where nothing is found. */
  readonly unknown: readonly string[];
}

/** How well a word fits, the better the more: a name of its own, a whole size, the title, other words, a possible count. */
const FIT = { name: 8, likeName: 6, size: 5, title: 4, word: 3, outline: 2, count: 1 } as const;

/** Kinds that every word of a search fits, the best first, else in their own order. */
export function searchKinds(kinds: readonly PackageKind[], query: string): Search {
  const tokens = tokensOf(query);
  const hits = kinds.flatMap((kind) => {
    const fits = tokens.map((token) => fitOf(kind, token));
    if (fits.some(({ score }) => score === 0)) return [];
    const score = fits.reduce((sum, fit) => sum + fit.score, 0);
    const whole = wholeOutline(kind, tokens);
    const outline = whole ?? fits.find((fit) => fit.outline)?.outline ?? null;
    const named = new Set(whole === undefined ? fits.flatMap(({ sizes = [] }) => sizes) : [whole]);
    return [{ kind, score, outline, named }];
  });
  if (hits.length === 0) {
    const unknown = tokens.filter((token) => kinds.every((kind) => fitOf(kind, token).score === 0));
    return { hits: [], unknown };
  }
  return {
    // sorting keeps the order of equals
    hits: hits
      .sort((a, b) => b.score - a.score)
      .flatMap(({ kind, outline, named }) => [{ kind, outline }, ...sizesOf(kind, named)]),
    unknown: [],
  };
}

/** Sizes of a kind as kinds to start from, each with its numbers entered and where they come from. */
function sizesOf(kind: PackageKind, named: ReadonlySet<string>): Hit[] {
  return kind.outlines
    .filter(({ name }) => named.has(name))
    .map((outline) => {
      const empty = newDocument(kind.id, kind.id, {});
      const start = kind.package ? { ...empty, package: kind.package } : empty;
      const { package: entered } = applyEdits(start, outlineEdits(start, outline));
      const { name, source, where } = outline;
      const numbers =
        where === undefined ? 'typical numbers, which are no datasheet’s' : 'numbers of its table';
      const says = { title: `${kind.title}, ${name}`, summary: `${source}: starts with ${numbers}.` };
      return { kind: { ...kind, ...says, package: entered }, outline: null, size: name };
    });
}

/** The typical size whose name has every word of a search of several: “M3 with washer” for washer m3. */
function wholeOutline({ outlines }: PackageKind, tokens: readonly string[]): string | undefined {
  if (tokens.length < 2) return undefined;
  const named = outlines.find(({ name }) => {
    const own = wordsOf(name);
    return tokens.every((token) => own.includes(token));
  });
  return named?.name;
}

interface Fit {
  readonly score: number;
  /** The outline that the word is about, as it is shown. */
  readonly outline?: string;
  /** Names of the outlines that the word names alone. */
  readonly sizes?: readonly string[];
}

function fitOf(kind: PackageKind, token: string): Fit {
  const [name, outline] = [byName(kind, token), byOutline(kind, token)];
  // 0603 is an inch code and a metric one
  if (name.outline && outline.outline && !name.outline.includes(outline.outline))
    return {
      ...name,
      outline: `${name.outline}, or ${outline.outline}`,
      sizes: [...(name.sizes ?? []), ...(outline.sizes ?? [])],
    };
  const fits = [name, byWord(kind, token), outline, byCount(kind, token)];
  return fits.reduce((best, fit) => (fit.score > best.score ? fit : best));
}

const NO_FIT: Fit = { score: 0 };

/** What the trade and the standards call it: sot23, to-236, so8. */
function byName({ id, outlines }: PackageKind, token: string): Fit {
  const wanted = plain(token);
  // a few letters begin too many names
  if (!/\d/.test(wanted) && wanted.length < 3) return NO_FIT;
  const names = [
    ...TRADE_NAMES.flatMap(([name, family, outline]) => (family === id ? [{ name, outline }] : [])),
    ...outlines.flatMap(({ name, source }) => {
      const designation = /\b(TO|DO|SC|MO|MS|CQCC)-?\d+/.exec(source)?.[0];
      return designation === undefined ? [] : [{ name: designation, outline: name }];
    }),
  ];
  const fitting = names.flatMap(({ name, outline }): Fit[] => {
    const own = plain(name);
    const isWhole = own === wanted || plain(name.split(' ')[0] ?? '') === wanted;
    // sot-23 is not sot-236 for long: a name that goes on in figures of the same number is another
    const isBegin = own.startsWith(wanted) && /\D$/.test(wanted);
    if (!isWhole && !isBegin) return [];
    if (!isWhole) return [{ score: FIT.likeName }];
    if (outline === undefined) return [{ score: FIT.name }];
    return [{ score: FIT.name, outline: `${name}: ${outline}`, sizes: [outline] }];
  });
  return fitting.find(({ score }) => score === FIT.name) ?? fitting[0] ?? NO_FIT;
}

/** Words of its title and keywords, from their beginning; letters before a count too, as in qfn40. */
function byWord(kind: PackageKind, token: string): Fit {
  const { title, summary, keywords } = kind;
  const score = (word: string): number => {
    const begins = (text: string) => wordsOf(text).some((one) => one.startsWith(word));
    if (begins(title)) return FIT.title;
    if (keywords.some(begins)) return FIT.word;
    return begins(summary) ? FIT.count : 0;
  };
  const whole = score(token);
  if (whole > 0) return { score: whole };
  const [, letters = '', count = ''] = /^([a-z]{2,})-?(\d+)$/.exec(token) ?? [];
  // an abbreviation, whole or from its beginning: so-16 is no solder ball
  const isShort = keywords.some(
    (word) => word === word.toUpperCase() && word.toLowerCase().startsWith(letters),
  );
  return letters !== '' && isShort && canHave(kind, Number(count)) ? { score: FIT.word } : NO_FIT;
}

/** A typical size: 5x5, 1608, 0.65. */
function byOutline({ outlines }: PackageKind, token: string): Fit {
  if (!/\d/.test(token)) return NO_FIT;
  const figures = (text: string) => text.toLowerCase().replace(/ ?[×x] ?/g, 'x');
  const whole = outlines.find(({ name }) => figures(name) === token);
  if (whole) return { score: FIT.size, outline: whole.name, sizes: [whole.name] };
  const found = outlines.filter(({ name }) =>
    figures(name)
      .split(/[\s,]+/)
      .includes(token),
  );
  const [first] = found;
  if (!first) return NO_FIT;
  return { score: FIT.outline, outline: first.name, ...(found.length === 1 ? { sizes: [first.name] } : {}) };
}

/** How many leads it can have; for rows and grids also as 2x20. */
function byCount(kind: PackageKind, token: string): Fit {
  const [, rows, columns] = /^(\d+)x(\d+)$/.exec(token) ?? [];
  if (rows !== undefined && columns !== undefined)
    return canStand(kind, Number(rows), Number(columns))
      ? { score: isRows(kind) ? FIT.outline : FIT.count }
      : NO_FIT;
  const count = /^\d{1,4}$/.test(token) ? Number(token) : null;
  return count !== null && canHave(kind, count) ? { score: FIT.count } : NO_FIT;
}

const dimensionOf = ({ dimensions }: PackageKind, symbol: string) =>
  dimensions.find((dimension) => dimension.symbol === symbol);

/** Whether a dimension can have a value at all. */
function holds(kind: PackageKind, symbol: string, value: number): boolean {
  const dimension = dimensionOf(kind, symbol);
  if (!dimension) return false;
  const [least, most] = dimension.limits;
  if (dimension.oneOf && !dimension.oneOf.includes(value)) return false;
  return least <= value && value <= most && value % (dimension.multipleOf ?? 1) === 0;
}

const isRows = (kind: PackageKind) => dimensionOf(kind, 'r')?.name.toLowerCase().includes('row') ?? false;

/** Whether there can be so many rows of so many terminals. */
function canStand(kind: PackageKind, rows: number, columns: number): boolean {
  if (isRows(kind)) return holds(kind, 'r', rows) && holds(kind, 'k', columns);
  if (dimensionOf(kind, 'nD') && !dimensionOf(kind, 'n'))
    return holds(kind, 'nE', rows) && holds(kind, 'nD', columns);
  return kind.id === 'surface-header' && rows <= 2 && holds(kind, 'n', rows * columns);
}

function canHave(kind: PackageKind, terminals: number): boolean {
  if (kind.dimensions.length === 0) return false;
  if (dimensionOf(kind, 'n')) return holds(kind, 'n', terminals);
  if (isRows(kind)) return [1, 2, 3].some((rows) => canStand(kind, rows, terminals / rows));
  if (dimensionOf(kind, 'nD')) {
    const side = Math.round(Math.sqrt(terminals));
    return side * side === terminals && canStand(kind, side, side);
  }
  return terminals === 2;
}

/** The words of a search; a name with a blank before its number, as “sot 23”, is one word. */
function tokensOf(query: string): string[] {
  return query
    .toLowerCase()
    .replaceAll('×', 'x')
    .replace(/(\d) ?x ?(\d)/g, '$1x$2')
    .replace(/\b(so|sot|sod|sc|to|do) (\d+)/g, '$1-$2')
    .split(/[\s,]+/)
    .filter((word) => word !== '' && word !== '-');
}

/** Small letters and figures alone. */
const plain = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-z0-9.×]+/)
    .filter(Boolean)
    .concat(text.toLowerCase());
