/**
 * Requires a web of solder mask between neighbouring openings that the process can hold:
 * a thinner one breaks off and lets solder bridge.
 */
import type { Remedy } from '../../document/finding';
import { gapBetweenFigures, type Placed } from '../../geometry/figure';
import { neighboursOf } from '../../geometry/neighbours';
import { roundDown } from '../../land/rounding';
import { formatNumber } from '../../units/length';
import { between, fill, type CheckContext, type Rule } from '../rule';

const messages = {
  web: 'Mask web {web} mm between lands {a} and {b}, needs {limit} mm; {count} such in all.',
  none: 'Mask openings of lands {a} and {b} run into each other; {count} such in all.',
};

/** Margins offered are multiples of this, mm. */
const STEP = 0.005;

export const maskWeb: Rule = {
  id: 'mask-web',
  title: 'Mask web',
  source: 'Process: smallest mask web',
  severity: 'caution',
  stage: 'stack',
  check(context) {
    const { footprint, process } = context;
    const limit = process.minMaskWeb;
    const openings = footprint.maskOpenings;
    let worst: { web: number; a: number; b: number } | null = null;
    let count = 0;
    for (const [a, b] of neighboursOf(openings.map(({ opening }) => opening)).pairs(limit)) {
      const web = gapBetweenFigures(openings[a]?.opening as Placed, openings[b]?.opening as Placed);
      if (web >= limit - 1e-9) continue;
      count += 1;
      if (!worst || web < worst.web) worst = { web, a, b };
    }
    if (!worst) return [];
    const { web } = worst;
    const [a, b] = [openings[worst.a], openings[worst.b]];
    if (!a || !b) return [];
    const number = (index: number | undefined) => footprint.lands[index ?? 0]?.number ?? '';
    const [na, nb] = [number(a.lands[0]), number(b.lands[0])];
    const values = { a: na, b: nb, limit, count, web: formatNumber(web, 2, 3) };
    return [
      {
        message: fill(web > 0 ? messages.web : messages.none, values),
        measured: { value: web, limit, unit: 'mm' },
        place: { at: between(a.opening, b.opening), lands: [na, nb] },
        remedies: remedies(context, web),
      },
    ];
  },
};

/** A smaller margin where one helps, else one opening for the row. */
function remedies({ footprint, process }: CheckContext, web: number): Remedy[] {
  const margin = footprint.padstacks[0]?.margins.mask ?? process.maskMargin;
  const smaller = roundDown(margin - (process.minMaskWeb - web) / 2, STEP);
  const joint: Remedy = {
    label: 'One opening for each row',
    edits: [{ at: '/overrides/jointMask', value: true }],
  };
  if (smaller < 0) return [joint];
  const show = (v: number) => formatNumber(v, 2, 3);
  return [
    {
      label: `Margin ${show(margin)} → ${show(smaller)}`,
      edits: [{ at: '/overrides/maskMargin', value: `${formatNumber(smaller)}mm` }],
    },
    joint,
  ];
}
