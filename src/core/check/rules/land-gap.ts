/**
 * Requires the process's smallest gap between the copper of any two lands.
 */
import type { Box } from '../../geometry/box';
import { gapBetween } from '../../geometry/box';
import { formatNumber } from '../../units/length';
import { between, fill, type Rule, type RuleFinding } from '../rule';

const messages = {
  overlap: 'Lands {a} and {b} overlap by {over} mm; {count} such in all. They would be one piece of copper.',
  gap: 'Gap {gap} mm between lands {a} and {b}, needs {limit} mm; {count} such in all.',
};

export const landGap: Rule = {
  id: 'land-gap',
  title: 'Land gap',
  source: 'Process: smallest copper gap',
  severity: 'stop',
  stage: 'land',
  check({ footprint, process, lands, compiled }) {
    const limit = process.minGap;
    let worst: { gap: number; a: number; b: number } | null = null;
    const involved = new Set<number>();
    let count = 0;
    for (const [a, b] of lands.pairs(limit)) {
      const gap = gapBetween(footprint.lands[a]?.copper as Box, footprint.lands[b]?.copper as Box);
      if (gap >= limit - 1e-9) continue;
      count += 1;
      involved.add(a).add(b);
      if (!worst || gap < worst.gap) worst = { gap, a, b };
    }
    if (!worst) return [];
    const [a, b] = [footprint.lands[worst.a], footprint.lands[worst.b]];
    if (!a || !b) return [];
    const gap = formatNumber(worst.gap, 2, 3);
    const values = { a: a.number, b: b.number, gap, over: gap.replace('-', ''), limit, count };
    const finding: RuleFinding = {
      message: fill(worst.gap < 0 ? messages.overlap : messages.gap, values),
      measured: { value: worst.gap, limit, unit: 'mm' },
      place: {
        at: between(a.copper, b.copper),
        lands: [...involved].map((i) => footprint.lands[i]?.number ?? ''),
      },
      remedies:
        compiled.document.overrides?.trims?.['row-gap'] === false
          ? [
              {
                label: 'Trim the width to keep the gap',
                edits: [{ at: '/overrides/trims/row-gap', value: undefined }],
              },
            ]
          : compiled.document.overrides?.land
            ? [
                {
                  label: 'Take the computed lands',
                  edits: [{ at: '/overrides/land', value: undefined }],
                },
              ]
            : [],
    };
    return [finding];
  },
};
