/**
 * Requires the process's smallest gap between the copper of any two lands.
 */
import { gapBetweenFigures, type Placed } from '../../geometry/figure';
import { formatNumber } from '../../units/length';
import type { Remedy } from '../../document/finding';
import type { TapisDocument } from '../../document/document';
import { TRIM_TITLES } from '../../land/trims';
import { between, fill, TAKE_COMPUTED, type Rule, type RuleFinding } from '../rule';

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
      const gap = gapBetweenFigures(
        footprint.lands[a]?.copper as Placed,
        footprint.lands[b]?.copper as Placed,
      );
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
      remedies: remediesFor(compiled.document),
    };
    return [finding];
  },
};

/** Trims that were switched off are offered again, then what was set by hand is. */
function remediesFor({ overrides, recommended }: TapisDocument): Remedy[] {
  const off = TRIM_TITLES.filter(({ id }) => id !== 'body-heel' && overrides?.trims?.[id] === false);
  const byHand = overrides?.land || overrides?.lands || recommended?.adopted;
  return [
    ...off.map(({ id, title }) => ({
      label: `Trim again: ${title.toLowerCase()}`,
      edits: [{ at: `/overrides/trims/${id}`, value: undefined }],
    })),
    ...(off.length === 0 && byHand ? [TAKE_COMPUTED] : []),
  ];
}
