/**
 * Requires plated holes that are wide enough for the board's thickness: deeper ones plate thinly
 * in their middle.
 */
import { narrowOf } from '../../geometry/figure';
import { formatNumber } from '../../units/length';
import { byProcess } from '../probes';
import { worstOf, type Miss, type Rule } from '../rule';

const message =
  'A plated hole of land {land} is {times} times as deep as wide, at most {most}; {count} such in all. A board of {thick} mm needs holes of {least} mm or more.';

export const holeAspect: Rule = {
  id: 'hole-aspect',
  title: 'Hole aspect ratio',
  fault: 'Hole too narrow for the board’s thickness',
  source: 'Process: hole aspect ratio',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['plated holes'],
  probes: [byProcess('maxHoleAspect', 'most')],
  check({ footprint, process }) {
    const { maxHoleAspect: limit, boardThickness } = process;
    const misses = footprint.lands.flatMap((land): Miss[] =>
      [
        ...(land.hole && land.plated ? [narrowOf(land.hole.figure)] : []),
        ...land.vias.map(({ hole }) => hole),
      ]
        .map((diameter) => ({ value: boardThickness / diameter, at: land.at, lands: [land] }))
        .filter(({ value }) => value > limit + 1e-9),
    );
    const worst = Math.max(...misses.map(({ value }) => value));
    return worstOf(misses, limit, 'ratio', message, 'larger', {
      times: formatNumber(worst, 0, 1),
      most: formatNumber(limit, 0, 1),
      thick: boardThickness,
      least: formatNumber(Math.ceil((boardThickness / limit) * 100 - 1e-9) / 100, 2),
    });
  },
};
