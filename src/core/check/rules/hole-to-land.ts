/**
 * Requires copper of other lands to stay clear of the walls of holes: a drill that wanders cuts
 * into it.
 */
import { circleAt } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { grow } from '../../geometry/box';
import { byProcess } from '../probes';
import { areOneNode, between, worstOf, type Miss, type Rule } from '../rule';

const message =
  'Land {land} lies {value} mm from the wall of a hole{of}, needs {limit} mm; {count} such in all.';

export const holeToLand: Rule = {
  id: 'hole-to-land',
  title: 'Hole to other land',
  fault: 'Hole too near another land',
  source: 'Process: hole to other land',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['holes'],
  probes: [byProcess('minHoleToLand')],
  check({ footprint, process, lands }) {
    const limit = process.minHoleToLand;
    const holes = [
      ...footprint.lands.flatMap((land) => [
        ...(land.hole ? [{ wall: land.hole, owner: land }] : []),
        ...land.vias.map((via) => ({ wall: circleAt(via, via.hole), owner: land })),
      ]),
      ...footprint.bores.map(({ hole }) => ({ wall: hole, owner: null })),
    ];
    const misses = holes.flatMap(({ wall, owner }): Miss[] =>
      lands.near(grow(wall, limit)).flatMap((i): Miss[] => {
        const land = footprint.lands[i];
        // one electrical node may run into itself: pads in parts share a number
        if (!land || land === owner || (owner && areOneNode(land, owner))) return [];
        const value = gapBetweenFigures(wall, land.copper);
        if (value >= limit - 1e-9) return [];
        return [{ value, at: between(wall, land.copper), lands: owner ? [land, owner] : [land] }];
      }),
    );
    const [other] = [...misses].sort((a, b) => a.value - b.value)[0]?.lands.slice(1) ?? [];
    return worstOf(misses, limit, 'mm', message, 'smaller', { of: other ? ` of land ${other.number}` : '' });
  },
};
