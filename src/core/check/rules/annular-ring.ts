/**
 * Requires the process's smallest ring of copper round every plated hole, and enough of it that
 * the ring is still there where the drill has wandered.
 */
import type { Land } from '../../footprint/footprint';
import { overhang } from '../../geometry/box';
import type { Placed } from '../../geometry/figure';
import { formatNumber } from '../../units/length';
import { fill, type Rule, type RuleFinding } from '../rule';

const messages = {
  thin: 'The ring round the hole of land {land} is {ring} mm, needs {limit} mm; {count} such in all.',
  wander:
    'The ring round the hole of land {land} is {ring} mm; {left} mm are left where the drill wanders by {wander} mm, needs {limit} mm; {count} such in all.',
};

export const annularRing: Rule = {
  id: 'annular-ring',
  title: 'Ring round a hole',
  source: 'Process: smallest ring and drill wander; IPC-2221B, clause 9.1.2',
  severity: 'stop',
  stage: 'stack',
  check({ footprint, process }) {
    const { minRing: limit, drillWander: wander } = process;
    const rings = footprint.lands.flatMap((land) =>
      land.hole && land.plated ? [{ land, ring: ringOf(land.hole, land) }] : [],
    );
    const thin = rings.filter(({ ring }) => ring - wander < limit - 1e-9).sort((a, b) => a.ring - b.ring);
    const [worst] = thin;
    if (!worst) return [];
    const tooThin = worst.ring < limit - 1e-9;
    const values = {
      land: worst.land.number,
      ring: formatNumber(worst.ring, 2, 3),
      left: formatNumber(worst.ring - wander, 2, 3),
      limit: formatNumber(limit, 2),
      wander,
      count: thin.length,
    };
    const finding: RuleFinding = {
      ...(tooThin ? {} : { severity: 'caution' as const }),
      message: fill(tooThin ? messages.thin : messages.wander, values),
      measured: { value: tooThin ? worst.ring : worst.ring - wander, limit, unit: 'mm' },
      place: { at: worst.land.at, lands: thin.map(({ land }) => land.number) },
    };
    return [finding];
  },
};

/** Least copper between the hole's wall and the land's edge along the axes, mm. */
function ringOf(hole: Placed, { copper }: Land): number {
  return -overhang(hole, copper);
}
