import type { TapisDocument } from '../../document/document';
import { writtenEntry } from '../../document/entries';
import type { CompositionIntent, PieceIntent } from '../../document/pieces';
import type { Toleranced } from '../../units/toleranced';
import { drawPackage } from '../draw';
import type { DrawnPackage } from '../drawn';
import type { NameTemplate } from '../naming';
import type { ResolvedDimension, ResolvedPackage } from '../resolve';
import { ALL_MAKERS } from '../makers';
import { COMPOSED } from '../../document/own-family';
import { bodyOf, boreOf, keepOutOf, pieceOf } from './pieces-of';
import { plain, Writer } from './writer';

/** As {@link takenApart}; `null` where the document is of no family, or not complete. */
export function apartFrom(document: TapisDocument): TapisDocument | null {
  if (document.package.family === COMPOSED) return null;
  const { resolved, drawn } = drawPackage(document, ALL_MAKERS);
  return resolved && drawn && takenApart(document, resolved, drawn);
}

/**
 * A footprint of a family as pieces that draw the same lands, so that a similar one can be made of it.
 * Choices that were made for single lands go with them; the document given stays as it is.
 */
function takenApart(document: TapisDocument, resolved: ResolvedPackage, drawn: DrawnPackage): TapisDocument {
  const writer = new Writer(resolved.dimensions);
  const renamed = new Map<string, string>();
  const pieces = [
    ...drawn.groups.map((group) => pieceOf(group, writer, renamed)),
    ...drawn.bores.map(boreOf),
    ...drawn.keepOuts.map(keepOutOf),
    bodyOf(drawn, writer),
  ].map((piece, i): PieceIntent => ({ id: `piece-${i + 1}`, ...piece }) as PieceIntent);
  const kept = resolved.dimensions.filter(({ value, source }) => value && source !== 'missing');
  const { options: _options, ...rest } = document.package;
  return {
    ...document,
    ...movedChoices(document, renamed),
    ...(drawn.legend !== 'outline' && !document.marks?.style
      ? { marks: { ...document.marks, style: drawn.legend } }
      : {}),
    package: {
      ...rest,
      family: COMPOSED,
      title: resolved.title,
      dimensions: Object.fromEntries(
        kept.map((dimension) => [dimension.definition.symbol, entryFor(dimension, document)]),
      ),
      named: Object.fromEntries(
        kept.map(({ definition: { symbol, name, help, kind, basic } }) => [
          symbol,
          { name, help, kind, ...(basic ? { basic } : {}) },
        ]),
      ),
      first: drawn.polarity ?? (drawn.polarised ? 'marked' : 'plain'),
      naming: patternOf(drawn.name, kept),
      pieces,
    } satisfies TapisDocument['package'] & CompositionIntent,
  };
}

/** The entry of a dimension, with what the family alone had known about it written out. */
function entryFor(
  { definition: { symbol }, text, unit, source, value }: ResolvedDimension,
  document: TapisDocument,
) {
  const { dimensions } = document.package;
  const raw = Object.hasOwn(dimensions, symbol) ? dimensions[symbol] : undefined;
  const read = value as Toleranced;
  // a least value that the family took for a maximum alone is nothing that the entry says
  if (raw !== undefined && source === 'entered' && !(read.given === 'max' && read.min !== read.max))
    return raw;
  const { label, where } = writtenEntry(raw);
  const about = { ...(label ? { label } : {}), ...(where ? { where } : {}) };
  if (read.given === 'max')
    return { text: `${plain(read.min)}..${plain(read.max)}`, unit: 'mm' as const, ...about };
  return { text, unit: source === 'derived' ? ('mm' as const) : unit, ...about };
}

/** Choices for single lands, by the names that the lands have now. */
function movedChoices(
  { stacks, overrides }: TapisDocument,
  renamed: ReadonlyMap<string, string>,
): Partial<TapisDocument> {
  const moved = <V>(record: Readonly<Record<string, V>>): Record<string, V> =>
    Object.fromEntries(Object.entries(record).map(([id, value]) => [renamed.get(id) ?? id, value]));
  return {
    ...(stacks?.lands ? { stacks: { ...stacks, lands: moved(stacks.lands) } } : {}),
    ...(overrides?.numbers ? { overrides: { ...overrides, numbers: moved(overrides.numbers) } } : {}),
  };
}

/** A standard name as a pattern: numbers by the dimension that has them, else as they are. */
function patternOf(name: NameTemplate, dimensions: readonly ResolvedDimension[]): string {
  const level = name.every((part) => typeof part === 'string' || !('level' in part));
  const words = name.map((part) => {
    if (typeof part === 'string') return part;
    if ('level' in part) return '';
    const { symbol, value, decimals, digits = 1 } = part;
    const own = dimensions.find(({ definition }) => definition.symbol === symbol);
    const limit = (['nom', 'max', 'min'] as const).find((key) => own?.value?.[key] === value);
    const isCount = own?.definition.kind === 'count';
    if (!own || !limit || isCount !== (decimals === 0)) {
      const scaled = Math.round(value * 10 ** decimals * 1e6) / 1e6;
      return String(decimals === 1 ? Math.floor(scaled) : Math.round(scaled)).padStart(digits, '0');
    }
    const zeros = '0'.repeat(Math.max(digits, decimals));
    const form = isCount ? zeros : `${zeros.slice(0, zeros.length - decimals)}.${'0'.repeat(decimals)}`;
    const usual = isCount ? '0' : '.00';
    return `{${symbol}${limit === 'nom' ? '' : `.${limit}`}${form === usual ? '' : `:${form}`}}`;
  });
  return `${words.join('')}${level ? '' : '!'}`;
}
