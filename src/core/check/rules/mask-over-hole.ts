/**
 * Requires mask to stay off holes that a lead or a screw goes through, on both sides.
 */
import { overhang } from '../../geometry/box';
import { place } from '../../geometry/figure';
import { missesByStack, worstOf, type Rule } from '../rule';

const message = 'Mask lies over the hole of land {land} by {value} mm on the {side}; {count} such in all.';

const SIDES = ['component side', 'far side'] as const;
type Side = (typeof SIDES)[number];

export const maskOverHole: Rule = {
  id: 'mask-over-hole',
  title: 'Mask over a hole',
  fault: 'Mask closes a hole',
  source: 'A hole that a lead goes through is open on both sides',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['lands with holes'],
  check({ footprint }) {
    const on = (side: Side) =>
      missesByStack(footprint, ({ hole, mask, maskOther }) => {
        if (!hole) return null;
        const wall = place(hole.figure, { x: 0, y: 0 });
        const openings = side === 'component side' ? mask : maskOther;
        // where there is no opening the whole hole is covered
        const closed = wall.maxX - wall.minX;
        const value = Math.min(closed, ...openings.map((opening) => overhang(wall, opening)));
        return value > 1e-9 ? value : null;
      });
    return SIDES.flatMap((side) => worstOf(on(side), 0, 'mm', message, 'larger', { side }));
  },
};
