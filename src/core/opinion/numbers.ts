import type { Numbering } from '../document/document';
import type { Footprint, Land } from '../footprint/footprint';
import { numberTerminals, SCHEMES } from '../footprint/numbering';
import { centreOf } from '../geometry/box';
import type { Fit, Ways } from './fit';

// What the numbers of a pattern say against those of the package: that they run the other way, start elsewhere,
// follow another scheme, or that some lands are called otherwise.

/** How the numbers of a pattern stand to those of the package. */
export type NumbersVerdict =
  | { readonly kind: 'same' }
  | { readonly kind: 'none' }
  /** They run as on a drawing seen from below. */
  | { readonly kind: 'mirrored' }
  /** They follow another scheme, whose words these are. */
  | { readonly kind: 'scheme'; readonly words: string }
  | { readonly kind: 'differ'; readonly pairs: readonly (readonly [given: string, own: string])[] };

/** A way to lie over the package, with what the numbers say in it. */
export interface NumbersRead {
  readonly fit: Fit;
  readonly verdict: NumbersVerdict;
  /** The whole pattern is drawn from below: its lands lie on the package's only so. */
  readonly fromBelow: boolean;
}

/** Numbers that mirror are taken for mirrored ones where this share of lands agrees so. */
const MOST = 0.8;

/** Which of both ways is meant, and what the numbers say. */
export function readNumbers(
  { upright, mirrored }: Ways,
  given: readonly Land[],
  own: Footprint,
): NumbersRead {
  const whole = (fit: Fit) => fit.pairs.length;
  const share = (fit: Fit) => fit.agreeing / Math.max(1, fit.pairs.length);
  const off = (fit: Fit) =>
    fit.pairs.reduce((sum, { apart }) => sum + apart, 0) / Math.max(1, fit.pairs.length);
  // from below it lies on more lands, or on the same ones much nearer
  const onlyBelow =
    whole(mirrored) > whole(upright) ||
    (whole(mirrored) === whole(upright) && off(upright) - off(mirrored) > 0.15);
  if (onlyBelow) return { fit: mirrored, verdict: verdictOf(mirrored, given, own), fromBelow: true };
  if (share(upright) < 1 && share(mirrored) >= MOST && share(mirrored) > share(upright) + 0.2)
    return { fit: { ...upright, ...plainest(upright) }, verdict: { kind: 'mirrored' }, fromBelow: false };
  return { fit: upright, verdict: verdictOf(upright, given, own), fromBelow: false };
}

/** Numbers that run the other way say nothing of the turn. */
const plainest = (fit: Fit): Partial<Fit> => ({ agreeing: fit.agreeing });

function verdictOf(fit: Fit, given: readonly Land[], own: Footprint): NumbersVerdict {
  if (given.every(({ number }) => number === '')) return { kind: 'none' };
  const differing = fit.pairs.flatMap(({ given: i, own: j }): (readonly [string, string])[] => {
    const [a, b] = [given[i]?.number ?? '', own.lands[j]?.number ?? ''];
    return a === b ? [] : [[a, b]];
  });
  if (differing.length === 0) return { kind: 'same' };
  const words = differing.length > 2 ? (schemeOf(fit, given, own) ?? shiftOf(fit, given, own)) : null;
  return words === null ? { kind: 'differ', pairs: differing } : { kind: 'scheme', words };
}

/** Numbers that run the same way round from another terminal; `null` where they do not. */
function shiftOf(fit: Fit, given: readonly Land[], own: Footprint): string | null {
  const numbers = fit.pairs.map(({ given: i, own: j }) => [
    given[i]?.number ?? '',
    own.lands[j]?.number ?? '',
  ]);
  const count = numbers.length;
  if (numbers.flat().some((number) => !/^\d+$/.test(number))) return null;
  const shifts = new Set(numbers.map(([a, b]) => (Number(b) - Number(a) + count) % count));
  const [shift] = shifts;
  return shifts.size === 1 && shift ? `the same way round, and start at terminal ${shift + 1}` : null;
}

const CORNERS: readonly NonNullable<Numbering['corner']>[] = [
  'upper-left',
  'lower-left',
  'lower-right',
  'upper-right',
];

/** The scheme that the pattern's numbers follow on the package's places; `null` where it is none. */
function schemeOf(fit: Fit, given: readonly Land[], own: Footprint): string | null {
  const theirs = new Map(
    fit.pairs.map(({ given: i, own: j }) => [(own.lands[j] as Land).id, given[i]?.number ?? '']),
  );
  const numbered = own.lands.map((land, order) => ({
    id: land.id,
    order: order + 1,
    at: centreOf(land.copper),
  }));
  const plain = new Map(own.lands.map(({ id, schemeNumber }) => [id, schemeNumber]));
  for (const scheme of SCHEMES)
    for (const corner of CORNERS) {
      const numbers = numberTerminals(numbered, plain, { scheme: scheme.id, corner }, null);
      if ([...theirs].every(([id, number]) => numbers.get(id) === number))
        return `${scheme.title.toLowerCase()}, from ${corner.replace('-', ' ')}`;
    }
  return null;
}
