/**
 * Requires copper wide enough to survive etching.
 */
import { narrowOf } from '../../geometry/figure';
import { byProcess } from '../probes';
import { missesByStack, worstOf, type Rule } from '../rule';

const message = 'Land {land} is {value} mm narrow, needs {limit} mm; {count} such in all.';

export const copperWidth: Rule = {
  id: 'copper-width',
  title: 'Narrow copper',
  fault: 'Copper narrower than the process makes',
  source: 'Process: narrowest copper',
  severity: 'stop',
  stage: 'land',
  looksAt: ['lands'],
  probes: [byProcess('minWidth')],
  check({ footprint, process }) {
    const limit = process.minWidth;
    const misses = missesByStack(footprint, ({ copper }) => {
      const value = narrowOf(copper);
      return value < limit - 1e-9 ? value : null;
    });
    return worstOf(misses, limit, 'mm', message);
  },
};
