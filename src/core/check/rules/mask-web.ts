/**
 * Requires a web of solder mask between neighbouring openings that the process can hold:
 * a thinner one breaks off and lets solder bridge.
 */
import type { Remedy } from '../../document/finding';
import { roundDown } from '../../land/rounding';
import { formatNumber } from '../../units/length';
import type { Land, MaskOpening } from '../../footprint/footprint';
import type { CheckContext } from '../context';
import { byProcess } from '../probes';
import { areOneNode, closerThan, fill, idsOf, mm, pairsBetween, pairsWithin, type Rule } from '../rule';

const messages = {
  web: 'Mask web {web} mm between lands {a} and {b}, needs {limit} mm; {count} such in all.',
  window: 'Mask web {web} mm between a window in the mask and {a}, needs {limit} mm; {count} such in all.',
  none: 'Mask openings of lands {a} and {b} run into each other; {count} such in all.',
};

/** Margins offered are multiples of this, mm. */
const STEP = 0.005;

export const maskWeb: Rule = {
  id: 'mask-web',
  title: 'Mask web',
  fault: 'Web of mask too narrow',
  source: 'Process: smallest mask web',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['several mask openings'],
  probes: [byProcess('minMaskWeb')],
  check(context) {
    const { footprint, process } = context;
    const limit = process.minMaskWeb;
    const isWindow = ({ lands }: MaskOpening) => lands.length === 0;
    const pairs = openingsSideBySide(context, limit).filter(
      ([a, b]) => a.far === b.far && (isWindow(a) || isWindow(b) || !areOneOpening(a, b, footprint.lands)),
    );
    // a window may lie over lands, and frees what is under it
    const close = closerThan(pairs, figureOf, limit).filter(
      ({ a, b, gap }) => gap > 0 || !(isWindow(a) || isWindow(b)),
    );
    const [worst] = close;
    if (!worst) return [];
    const { a, b, gap, at } = worst;
    const between = [a, b].flatMap(({ lands }) => footprint.lands[lands[0] ?? -1] ?? []);
    const [na = '', nb = ''] = between.map(({ number }) => number);
    if (isWindow(a) || isWindow(b))
      return [
        {
          message: fill(messages.window, {
            a: na === '' ? 'another' : `the opening of land ${na}`,
            limit,
            count: close.length,
            web: mm(gap),
          }),
          measured: { value: gap, limit, unit: 'mm' },
          place: { at, lands: idsOf(between) },
        },
      ];
    return [
      {
        message: fill(gap > 0 ? messages.web : messages.none, {
          a: na,
          b: nb,
          limit,
          count: close.length,
          web: mm(gap),
        }),
        measured: { value: gap, limit, unit: 'mm' },
        place: { at, lands: idsOf(between) },
        remedies: remedies(between[0]?.padstack.margins.mask ?? process.maskMargin, limit - gap),
      },
    ];
  },
};

const figureOf = ({ opening }: MaskOpening) => opening;

/** Pairs of openings that may come close to one another. */
function openingsSideBySide(
  { footprint: { lands, maskOpenings }, closeLands }: CheckContext,
  limit: number,
): (readonly [MaskOpening, MaskOpening])[] {
  // openings of rows and windows of their own lie elsewhere than the lands
  if (maskOpenings.some((opening) => opening.lands.length !== 1))
    return pairsWithin(maskOpenings, figureOf, limit);
  const pairs = closeLands();
  if (pairs.length === 0) return [];
  const byLand = lands.map((): MaskOpening[] => []);
  for (const opening of maskOpenings) byLand[opening.lands[0] as number]?.push(opening);
  return pairs.flatMap(([i, j]) => pairsBetween(byLand[i] ?? [], byLand[j] ?? [], figureOf, limit));
}

/** Openings of lands that are one node may run into each other: no solder bridges what is one. */
function areOneOpening(a: MaskOpening, b: MaskOpening, lands: readonly Land[]): boolean {
  return a.lands.every((i) => b.lands.every((j) => areOneNode(lands[i] as Land, lands[j] as Land)));
}

/**
 * A smaller margin where one helps, else one opening for the row.
 * @param missing of the web, mm
 */
function remedies(margin: number, missing: number): Remedy[] {
  const smaller = roundDown(margin - missing / 2, STEP);
  const joint: Remedy = {
    label: 'One opening for each row',
    edits: [{ at: '/overrides/jointMask', value: true }],
  };
  if (smaller < 0) return [joint];
  return [
    {
      label: `Margin ${mm(margin)} mm → ${mm(smaller)} mm`,
      edits: [{ at: '/overrides/maskMargin', value: `${formatNumber(smaller)}mm` }],
    },
    joint,
  ];
}
