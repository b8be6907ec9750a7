/**
 * Requires laminate between the walls of neighbouring holes that does not break out.
 */
import { circleAt, gapBetweenFigures, type Placed } from '../../geometry/figure';
import { neighboursOf } from '../../geometry/neighbours';
import { formatNumber } from '../../units/length';
import { between, fill, type Rule } from '../rule';

const messages = {
  web: 'Only {web} mm of laminate stay between two holes, needs {limit} mm; {count} such in all.',
  into: 'Two holes run into each other; {count} such in all.',
};

export const holeWeb: Rule = {
  id: 'hole-web',
  title: 'Web between holes',
  source: 'Process: smallest web between holes',
  severity: 'stop',
  stage: 'stack',
  check({ footprint, process }) {
    const holes = [
      ...footprint.lands.flatMap(({ hole, vias }) => [
        ...(hole ? [hole] : []),
        ...vias.map((via) => circleAt(via, via.hole)),
      ]),
      ...footprint.bores.map(({ at, diameter }) => circleAt(at, diameter)),
    ];
    const limit = process.minHoleWeb;
    let worst: { web: number; a: Placed; b: Placed } | null = null;
    let count = 0;
    for (const [i, j] of neighboursOf(holes).pairs(limit)) {
      const [a, b] = [holes[i], holes[j]] as [Placed, Placed];
      const web = gapBetweenFigures(a, b);
      if (web >= limit - 1e-9) continue;
      count += 1;
      if (!worst || web < worst.web) worst = { web, a, b };
    }
    if (!worst) return [];
    const { web, a, b } = worst;
    const values = { web: formatNumber(web, 2, 3), limit: formatNumber(limit, 2), count };
    return [
      {
        message: fill(web > 0 ? messages.web : messages.into, values),
        measured: { value: web, limit, unit: 'mm' },
        place: { at: between(a, b) },
      },
    ];
  },
};
