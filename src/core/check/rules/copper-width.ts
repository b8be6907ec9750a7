/**
 * Requires copper wide enough to survive etching.
 */
import { narrowOf } from '../../geometry/figure';
import { worstOf, type Miss, type Rule } from '../rule';

const message = 'Land {land} is {value} mm narrow, needs {limit} mm; {count} such in all.';

export const copperWidth: Rule = {
  id: 'copper-width',
  title: 'Narrow copper',
  source: 'Process: narrowest copper',
  severity: 'stop',
  stage: 'land',
  looksAt: ['lands'],
  check({ footprint, process }) {
    const limit = process.minWidth;
    const misses = footprint.lands.flatMap((land): Miss[] => {
      const value = narrowOf(land.copper.figure);
      return value < limit - 1e-9 ? [{ value, at: land.at, lands: [land] }] : [];
    });
    return worstOf(misses, limit, 'mm', message);
  },
};
