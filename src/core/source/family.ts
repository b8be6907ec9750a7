import type { SheetUnit } from '../document/document';
import { CATALOGUE, type PackageKind } from '../package/catalogue';
import { countsShown } from './drawn/repeats';
import { readDimensions, type Asked, type SourceReading } from './reading';
import { roughEvidence } from './roles';
import { sizeMeant } from './sizes';
import type { LaidOut } from './layouts';
import { countSaid } from './words';

/** A family that a table may be of. */
export interface FamilyGuess {
  readonly kind: PackageKind;
  readonly reading: SourceReading;
  readonly score: number;
  readonly reasons: readonly string[];
}

/** Families that are worth to be held against the table in full. */
const WORTH = 6;
const NAMED = 5;
/** A dimension that has to be there and is not. */
const ABSENT = 2;
const UNITS: readonly SheetUnit[] = ['mm', 'in', 'mil'];
/** What scores less goes together by chance. */
const LEAST = 5;
/** What is no package of a datasheet's table. */
const NEVER = new Set(['mounting-hole', 'test-point']);

/**
 * Which family a table is of: from letters, names and sizes, from the number of leads, and from what the
 * text round it calls the package.
 * @returns the best few, the best first
 */
export function guessFamilies(tables: readonly LaidOut[], asked: Omit<Asked, 'kind'> = {}): FamilyGuess[] {
  const text = tables.map(({ context, sizes }) => `${context} ${sizes.join(' ')}`).join(' ');
  const rough = CATALOGUE.filter(({ id }) => !NEVER.has(id)).map((kind) => {
    const scores = tables.map((table) => {
      const size = sizeMeant(table.sizes, asked.size) ?? '';
      const rows = table.rows.flatMap((row) => {
        const value = row.values.get(size);
        return value ? [{ row, value }] : [];
      });
      const count = countSaid(size);
      const units = asked.unit ? [asked.unit] : table.isUnitless ? UNITS : (['mm'] as const);
      const shown = table.repeat ? countsShown(kind, table.repeat) : {};
      const ask = {
        kind,
        rows,
        counts: count === null ? shown : { ...shown, n: count },
        habit: asked.habit ?? {},
      };
      return Math.max(...units.map((unit) => roughEvidence({ ...ask, unit })));
    });
    return { kind, named: namedIn(kind, text), score: Math.max(-Infinity, ...scores) };
  });
  const worth = rough
    .map((one) => ({ ...one, total: one.score + (one.named ? NAMED : 0) }))
    .sort((a, b) => b.total - a.total)
    .slice(0, WORTH);
  return worth
    .flatMap(({ kind, named }): FamilyGuess[] => {
      const reading = readDimensions(tables, { ...asked, kind });
      if (!reading) return [];
      const unexplained = reading.leftOut.filter(({ why }) => why.startsWith(kind.title)).length;
      const score =
        reading.score +
        (named ? NAMED : 0) -
        unexplained -
        ABSENT * reading.missing.length -
        countMisfit(kind, text);
      const needed = kind.dimensions.filter(({ derived }) => derived === undefined).length;
      const found = needed - reading.missing.length;
      return [
        {
          kind,
          reading,
          score,
          reasons: [
            ...(named ? [`the text says “${named}”`] : []),
            `${found} of the ${needed} dimensions that it needs are there`,
            ...(unexplained > 0
              ? [`${unexplained} ${unexplained === 1 ? 'row has' : 'rows have'} no place in it`]
              : []),
          ],
        },
      ];
    })
    .filter(({ score }) => score > LEAST)
    .sort((a, b) => b.score - a.score);
}

/** The word of the text that names the family; `null` where there is none. */
function namedIn(kind: PackageKind, text: string): string | null {
  const words = [...kind.keywords, kind.title].filter((word) => word.length >= 3 && !GENERAL.test(word));
  return (
    words.find((word) => new RegExp(`(^|[^A-Za-z])${escaped(word)}([^A-Za-z]|$)`, 'i').test(text)) ?? null
  );
}

/** Words that many families are found by. */
const GENERAL =
  /^(two rows|dual|quad|four sides|passive|two terminals|through-hole|surface mount|array|chip)$/i;

const escaped = (word: string) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** A number of leads that the family cannot have counts against it. */
function countMisfit(kind: PackageKind, text: string): number {
  const leads = kind.dimensions.find(({ symbol, kind: is }) => symbol === 'n' && is === 'count');
  const count = countSaid(text);
  if (!leads || count === null) return 0;
  const [least, most] = leads.limits;
  const fits = count >= least && count <= most && count % (leads.multipleOf ?? 1) === 0;
  if (!fits || !(leads.oneOf?.includes(count) ?? true)) return 3;
  // the most that a family can have is rarely what it has
  return count === most ? 1 : 0;
}
