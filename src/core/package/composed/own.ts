import type { PackageIntent } from '../../document/document';
import { pointerKey } from '../../document/edit';
import type { Finding } from '../../document/finding';
import { isOwn, pieceUnitOf, type OwnFamily } from '../../document/own-family';
import { plainScope, readEntry } from '../../units/entry';
import { listed } from '../../units/listed';
import { fail, ok, type Result } from '../../units/result';
import type { PackageKind } from '../catalogue';
import type { DimensionDefinition, StandardOutline } from '../definitions';
import type { Asked } from '../resolve';

// What a composed package asks for. Its document says so: by the dimensions that it has, and, in a family
// of one's own, by what that asks of every part.

/** What a composed package asks for, and what of that cannot be read. */
export interface OwnAsked {
  readonly asked: Asked;
  readonly problems: readonly Finding[];
}

/** What cannot be meant at all, where a package does not say it closer: mm, or a count. */
const WIDEST = { length: [0, 1000], count: [0, 4000] } as const;

/** What a composed package asks for. */
export function askedOf(intent: PackageIntent): OwnAsked {
  const { dimensions, named = {} } = intent;
  const problems: Finding[] = [];
  const symbols = new Set([...Object.keys(named), ...Object.keys(dimensions)]);
  const asked: Asked = {
    title: intent.title?.trim() || 'Composed package',
    dimensions: [...symbols].map((symbol) => definitionOf(symbol, intent, problems)),
    options: [],
    outlines: isOwn(intent) ? outlinesOf(intent) : [],
    unit: pieceUnitOf(intent),
  };
  return { asked, problems };
}

/** One dimension; `n` and n with a capital or a digit are counts unless the document says otherwise. */
function definitionOf(symbol: string, intent: PackageIntent, problems: Finding[]): DimensionDefinition {
  const { named = {} } = intent;
  const said = Object.hasOwn(named, symbol) ? named[symbol] : undefined;
  const kind = said?.kind ?? (/^n[A-Z0-9]?$/.test(symbol) ? 'count' : 'length');
  const unit = pieceUnitOf(intent);
  const limit = (field: 'least' | 'most', otherwise: number): number => {
    const text = said?.[field]?.trim() ?? '';
    if (text === '') return otherwise;
    const read = readEntry(text, plainScope(unit, kind));
    if (read.ok && read.value.doubts.length === 0) return read.value.value.nom;
    const why = read.ok ? (read.value.doubts[0]?.message ?? '') : read.error.message;
    problems.push(unusable(`Limit of ${symbol}`, `/package/named/${symbol}/${field}`, text, why));
    return otherwise;
  };
  const [least, most] = WIDEST[kind];
  const only = readCounts(said?.only ?? '');
  if (!only.ok)
    problems.push(
      unusable(`Values of ${symbol}`, `/package/named/${symbol}/only`, said?.only ?? '', only.error),
    );
  const derived = said?.derived?.trim() ?? '';
  return {
    symbol,
    name: said?.name?.trim() || 'Dimension',
    help: said?.help?.trim() || 'As the drawing has it',
    kind,
    limits: [limit('least', least), limit('most', most)],
    ...(kind === 'count' && only.ok && only.value.length > 0 ? { oneOf: only.value } : {}),
    ...(said?.basic ? { basic: true } : {}),
    ...(derived === '' ? {} : { derived }),
    ...(derived !== '' && said?.unasked ? { when: () => false } : {}),
  };
}

function readCounts(text: string): Result<readonly number[], string> {
  const words = listed(text, 'a count');
  if (!words.ok) return words;
  const wrong = words.value.find((word) => !/^\d{1,4}$/.test(word));
  return wrong === undefined
    ? ok(words.value.map(Number))
    : fail(`“${wrong}” is no count; write whole numbers with blanks between them.`);
}

function unusable(title: string, field: string, text: string, why: string): Finding {
  return {
    rule: 'entry',
    severity: 'caution',
    title: `${title} cannot be used`,
    message: `“${text}”: ${why} It does not count until it is mended.`,
    source: 'Composed packages',
    stage: 'measure',
    place: { field },
    remedies: [{ label: 'Clear it', edits: [{ at: field, value: undefined }] }],
  };
}

/** The sizes of a family as a part can be started from them. */
function outlinesOf({ own }: OwnFamily): StandardOutline[] {
  return (own.sizes ?? []).map(({ name, source, dimensions }) => ({
    name,
    source: source ?? 'typical',
    dimensions,
    ...(source ? { where: source } : {}),
    ...(own.unit ? { unit: own.unit } : {}),
  }));
}

/** What a part of a family is drawn with where nothing was entered: its example, or else its first size. */
export function exampleValues({ own, named = {} }: OwnFamily): Readonly<Record<string, string>> {
  const values = { ...own.sizes?.[0]?.dimensions, ...own.example };
  return Object.fromEntries(Object.entries(values).filter(([symbol]) => Object.hasOwn(named, symbol)));
}

/** A family of one's own as one of the kinds of packages that a footprint can be started from. */
export function kindOf(family: OwnFamily): PackageKind {
  const { asked } = askedOf(family);
  const { id, summary, keywords = '' } = family.own;
  return {
    id: `own-${pointerKey(id)}`,
    title: asked.title,
    summary: summary?.trim() || 'A family of your own',
    keywords: ['own', 'composed', id, ...keywords.toLowerCase().split(/\s+/)],
    dimensions: asked.dimensions.map(({ derived, when: _when, ...definition }) =>
      typeof derived === 'string' ? { ...definition, derived } : definition,
    ),
    options: [],
    outlines: asked.outlines ?? [],
    example: exampleValues(family),
    package: family,
  };
}
