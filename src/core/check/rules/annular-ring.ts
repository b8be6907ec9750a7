/**
 * Requires the process's smallest ring of copper round every plated hole.
 */
import { sizeOf } from '../../geometry/figure';
import { formatNumber } from '../../units/length';
import { fill, type Rule, type RuleFinding } from '../rule';

const messages = {
  thin: 'The ring round the hole of land {land} is {ring} mm, needs {limit} mm; {count} such in all.',
};

export const annularRing: Rule = {
  id: 'annular-ring',
  title: 'Ring round a hole',
  source: 'Process: smallest ring; IPC-2221B, clause 9.1.2',
  severity: 'stop',
  stage: 'stack',
  check({ footprint, process }) {
    const limit = process.minRing;
    const rings = footprint.lands.flatMap((land) => {
      if (land.hole === null) return [];
      const { width, height } = sizeOf(land.copper.figure);
      return [{ land, ring: (Math.min(width, height) - land.hole) / 2 }];
    });
    const thin = rings.filter(({ ring }) => ring < limit - 1e-9).sort((a, b) => a.ring - b.ring);
    const [worst] = thin;
    if (!worst) return [];
    const values = {
      land: worst.land.number,
      ring: formatNumber(worst.ring, 2, 3),
      limit: formatNumber(limit, 2),
      count: thin.length,
    };
    const finding: RuleFinding = {
      message: fill(messages.thin, values),
      measured: { value: worst.ring, limit, unit: 'mm' },
      place: { at: worst.land.at, lands: thin.map(({ land }) => land.number) },
    };
    return [finding];
  },
};
