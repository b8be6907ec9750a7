/**
 * Requires laminate between the walls of neighbouring holes that does not break out.
 */
import { circleAt } from '../../geometry/figure';
import type { Placed } from '../../geometry/figure';
import { byProcess } from '../probes';
import { closerThan, fill, mm, pairsWithin, type Rule } from '../rule';

const messages = {
  web: 'Only {web} mm of laminate stay between two holes, needs {limit} mm; {count} such in all.',
  into: 'Two holes run into each other; {count} such in all.',
};

const itself = (hole: Placed) => hole;

export const holeWeb: Rule = {
  id: 'hole-web',
  title: 'Web between holes',
  fault: 'Too little board between holes',
  source: 'Process: smallest web between holes',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['several holes'],
  probes: [byProcess('minHoleWeb')],
  check({ footprint, process }) {
    const holes = [
      ...footprint.lands.flatMap(({ hole, vias }) => [
        ...(hole ? [hole] : []),
        ...vias.map((via) => circleAt(via, via.hole)),
      ]),
      ...footprint.bores.map(({ hole }) => hole),
    ];
    const limit = process.minHoleWeb;
    const close = closerThan(pairsWithin(holes, itself, limit), itself, limit);
    const [worst] = close;
    if (!worst) return [];
    const { gap, at } = worst;
    const values = { web: mm(gap), limit: mm(limit), count: close.length };
    return [
      {
        message: fill(gap > 0 ? messages.web : messages.into, values),
        measured: { value: gap, limit, unit: 'mm' },
        place: { at },
      },
    ];
  },
};
