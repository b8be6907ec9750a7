import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compile } from '../../../src/core/footprint/compile';
import { jointMargins } from '../../../src/core/joint/margins';
import { NO_CHOICES } from '../../../src/core/land/solution';
import { solveSpan } from '../../../src/core/land/solve-span';
import { chip, converter } from '../../data/documents';

function jointOf(document = converter()) {
  const { footprint, process } = compile(document);
  const solution = footprint?.groups[0];
  if (solution?.kind !== 'span') throw new Error('no footprint');
  return { group: solution.terminals, solution, process };
}

describe('margins of the converter', () => {
  const { group, solution, process } = jointOf();
  const [toe, heel, side] = jointMargins(group, solution, process);
  it('toe: Z 7.35 over E 6.2..6.6', () => {
    expect(toe).toMatchObject({ end: 'toe', goal: 0.35, mean: expect.closeTo(0.475, 9) });
    // (7.35 − 6.20 − √0.1725)/2; (7.35 − 6.60 − 0.15)/2; (7.35 − 6.20 + 0.15)/2
    expect(toe?.inverse).toBeCloseTo(0.367335, 5);
    // mean 0.475 less √((0.4/2)² + 0.1² + 0.05²)/2·… : ranges 0.2, 0.1 and 0.05 by factor one
    expect(toe?.rms.min).toBeCloseTo(0.475 - Math.sqrt(0.2 ** 2 + 0.1 ** 2 + 0.05 ** 2) / 2, 9);
    expect(toe?.worst).toEqual({ min: expect.closeTo(0.3, 9), max: expect.closeTo(0.65, 9) });
  });
  it('heel: G 4.25 under S 4.70..5.70', () => {
    expect(heel).toMatchObject({ end: 'heel', goal: 0.35, mean: expect.closeTo(0.475, 9) });
    // (5.491548 − 4.25 − 0.593717)/2; (4.70 − 4.25 − 0.15)/2; (5.70 − 4.25 + 0.15)/2
    expect(heel?.inverse).toBeCloseTo(0.323915, 5);
    expect(heel?.worst).toEqual({ min: expect.closeTo(0.15, 9), max: expect.closeTo(0.8, 9) });
  });
  it('side: X 0.40 round b 0.19..0.30', () => {
    expect(side?.inverse).toBeCloseTo(0.026578, 5);
    expect(side?.worst.min).toBeCloseTo(-0.025, 9);
  });
});

it('meets its goals exactly where nothing is rounded, for every terminal', () => {
  const um = (min: number, max: number) => fc.integer({ min, max }).map((v) => v / 1000);
  fc.assert(
    fc.property(um(2000, 9000), um(0, 500), um(200, 700), um(0, 300), (L, cl, T, ct) => {
      const document = chip({ L: `${L}..${L + cl}`, T: `${T}..${T + ct}` });
      const { group, process } = jointOf(document);
      const solution = solveSpan(group, 'B', process, { ...NO_CHOICES, rounding: 0 });
      // ends that would come too near to each other are cut back, and say so
      fc.pre(solution.trims.length === 0);
      for (const { inverse, goal } of jointMargins(group, solution, process))
        expect(inverse).toBeCloseTo(goal, 5);
    }),
    { examples: [[2, 0, 0.643, 0.293]] },
  );
});
