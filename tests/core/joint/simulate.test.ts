import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  endJointLimit,
  endStaysOn,
  sideJointLimit,
  sideOverhangLimit,
} from '../../../src/core/joint/acceptance';
import { jointModel, marginFigures, type JointModel } from '../../../src/core/joint/model';
import {
  closedDeviation,
  simulate,
  type Simulation,
  type SimulationPlan,
} from '../../../src/core/joint/simulate';
import { momentsOf, type Spread } from '../../../src/core/joint/distribution';
import { PROCESSES } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import type { TapisDocument } from '../../../src/core/document/document';
import { converter } from '../../data/documents';
import { footprintOf, VARIANTS } from '../../data/families';
import { cases } from '../../data/depth';

const standard = PROCESSES[0] as Process;

function modelOf(document: TapisDocument, order = 1): JointModel {
  const footprint = footprintOf(document);
  const land = footprint.lands[order - 1];
  const model = land && jointModel(footprint, land, standard);
  if (!model) throw new Error('no joint');
  return model;
}

function run(
  model: JointModel,
  part: Partial<SimulationPlan> = {},
  spreads: Readonly<Record<string, Spread>> = {},
): Simulation {
  const steps = simulate(model, { samples: 100_000, seed: 7, distribution: 'normal', ...part }, spreads);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

describe('spreads that are said of single tolerances', () => {
  const model = modelOf(converter());
  const name = 'Placement along';
  const values = Array.from({ length: 200 }, (_, i) => ((i * 37) % 200) / 2000 - 0.02);
  it.each<Spread>([
    { kind: 'uniform' },
    { kind: 'normal', k: 1.5 },
    { kind: 'trimmed', k: 1.2 },
    { kind: 'skewed', peak: 0.8 },
    { kind: 'measured', values },
  ])('%j: means, deviations and shares of the variance are those in closed form', (spread) => {
    const wide = {
      ...model,
      variables: model.variables.map((one) => (one.name === name ? { ...one, range: 0.4 } : one)),
    };
    const i = wide.variables.findIndex((one) => one.name === name);
    const { mean, deviation } = momentsOf(spread, 0.4);
    const { margins } = run(wide, {}, { [name]: spread });
    for (const [j, margin] of wide.margins.entries()) {
      const factor = margin.factors[i] ?? 0;
      const rest = wide.variables.map(({ range }, k) =>
        k === i ? factor * deviation : ((margin.factors[k] ?? 0) * range) / 6,
      );
      const sigma = Math.hypot(...rest);
      const own = margins[j];
      const off = (own?.mean ?? 0) - (marginFigures(wide, margin).mean + factor * mean);
      // five standard errors of 100,000 draws
      expect(Math.abs(off)).toBeLessThan((5 * sigma) / Math.sqrt(100_000));
      expect(Math.abs((own?.deviation ?? 0) / sigma - 1)).toBeLessThan(0.01);
      const share = own?.contributions.find((one) => one.name === name)?.share ?? 0;
      expect(share).toBeCloseTo(((factor * deviation) / sigma) ** 2, 1);
    }
  });
});

describe('acceptance classes', () => {
  it.each([
    [1, 0.5, 0.5],
    [2, 0.5, 0.5],
    [3, 0.25, 0.75],
  ] as const)('%d allows a side overhang of %d and needs an end joint of %d', (which, side, end) => {
    expect([sideOverhangLimit(which, 'gull-wing'), endJointLimit(which)]).toEqual([side, end]);
    expect(sideOverhangLimit(which, 'cylindrical-end')).toBe(0.25);
  });
  it.each([
    // a foot of 0.6: as wide as 0.4 it has to be joined all along, class 1 asks for its width
    ['gull-wing', 1, 0.4, 0.6, 0.4],
    ['gull-wing', 1, 0.8, 1, 0.5],
    ['gull-wing', 2, 0.4, 0.6, 0.6],
    // three widths or longer: three widths, or three quarters of the foot
    ['gull-wing', 3, 0.2, 0.7, 0.6],
    ['gull-wing', 3, 0.2, 1, 0.75],
    ['cylindrical-end', 2, 1.5, 0.4, 0.2],
    ['cylindrical-end', 3, 1.5, 0.4, 0.3],
    ['cylindrical-end', 1, 1.5, 0.4, null],
    ['rectangular-end', 3, 1.5, 0.4, null],
  ] as const)(
    '%s of class %d, %d wide and %d long, is joined along %d',
    (form, which, width, length, least) => {
      const limit = sideJointLimit(form, which, width, length);
      expect(limit === null ? null : Math.round(limit * 1e9) / 1e9).toBe(least);
    },
  );
  it('keep the ends of chips on their lands, and let feet of leads hang over', () => {
    expect(endStaysOn('rectangular-end')).toBe(true);
    expect(endStaysOn('gull-wing')).toBe(false);
  });
});

describe('the joint of the converter', () => {
  // lands Z 7.35, G 4.25, X 0.40; L 6.2..6.6, T 0.45..0.75, W 0.19..0.30; F 0.10, P 0.05
  const model = modelOf(converter());
  const [toe, heel, side] = model.margins.map((margin) => marginFigures(model, margin));
  it('has its means', () => {
    expect(toe?.mean).toBeCloseTo((7.35 - 6.4) / 2, 9);
    expect(heel?.mean).toBeCloseTo((6.4 - 4.25) / 2 - 0.6, 9);
    expect(side?.mean).toBeCloseTo((0.4 - 0.245) / 2, 9);
  });
  it('has its worst cases: every edge by F/2, the part by P/2', () => {
    expect(toe?.worst.min).toBeCloseTo((7.35 - 6.6 - 0.1 - 0.05) / 2, 9);
    expect(heel?.worst.min).toBeCloseTo((6.2 - 4.25) / 2 - 0.75 - 0.075, 9);
    expect(side?.worst).toMatchObject({ min: expect.closeTo((0.4 - 0.3 - 0.15) / 2, 9) });
  });
  it('has its root sum of squares', () => {
    // ranges 0.40/2, 0.10, 0.05: √(0.04 + 0.01 + 0.0025)/2
    expect(toe?.rms.min).toBeCloseTo(0.475 - Math.sqrt(0.0525) / 2, 9);
  });
  it('takes a corrected contact: moved by 0.1, the toe loses it and the heel gains it', () => {
    const group = footprintOf(converter()).groups[0]?.terminals.id ?? '';
    const moved = modelOf(converter({}, { contacts: { [group]: { offset: '0.1' } } }));
    const own = moved.margins.map((margin) => marginFigures(moved, margin).mean);
    expect(own[0]).toBeCloseTo(0.475 - 0.1, 9);
    expect(own[1]).toBeCloseTo(0.475 + 0.1, 9);
  });
});

describe('a simulation', () => {
  const model = modelOf(converter());
  it.each(['normal', 'uniform'] as const)(
    'of a %s distribution agrees with the closed form',
    (distribution) => {
      const { margins } = run(model, { distribution });
      margins.forEach((margin, i) => {
        const exact = model.margins[i] as JointModel['margins'][number];
        const sigma = closedDeviation(model, exact, distribution);
        // four standard errors of mean and deviation over 100 000 samples
        expect(Math.abs(margin.mean - marginFigures(model, exact).mean)).toBeLessThan(
          (4 * sigma) / Math.sqrt(1e5),
        );
        expect(Math.abs(margin.deviation - sigma)).toBeLessThan((4 * sigma) / Math.sqrt(2e5));
        expect(margin.histogram.counts.reduce((a, b) => a + b, 0)).toBe(100_000);
      });
    },
  );
  it('says which tolerance brings how much: shares of the variance', () => {
    const [toe] = run(model).margins;
    // (0.40/2)² : 0.10² : 0.05² of 0.0525
    const share = (name: string) => toe?.contributions.find((c) => c.name === name)?.share;
    expect(share('Span over the terminals')).toBeCloseTo(0.04 / 0.0525, 2);
    expect(share('Etching of the outer edge')).toBeCloseTo(0.01 / 0.0525, 2);
    expect(toe?.contributions[0]?.name).toBe('Span over the terminals');
  });
  it('counts what lies below the goal as the normal distribution has it', () => {
    const [toe] = run(model).margins;
    // goal 0.35, mean 0.475, σ = √0.0525/6 = 0.03819: Φ(−3.273) = 5.3e−4
    expect(toe?.belowGoal).toBeCloseTo(5.3e-4, 3);
  });
  it('is the same for the same seed and another for another', () => {
    expect(run(model, { samples: 5000 })).toEqual(run(model, { samples: 5000 }));
    expect(run(model, { samples: 5000, seed: 8 }).margins).not.toEqual(run(model, { samples: 5000 }).margins);
  });
  it('stays inside the worst case where everything is uniform, for every family', () => {
    for (const { document } of VARIANTS.filter((_, i) => i % 7 === 0)) {
      const footprint = footprintOf(document);
      const [land] = footprint.lands;
      const joint = land && jointModel(footprint, land, standard);
      if (!joint) continue;
      run(joint, { samples: 2000, distribution: 'uniform' }).margins.forEach((margin, i) => {
        const { worst } = marginFigures(joint, joint.margins[i] as JointModel['margins'][number]);
        expect(margin.min).toBeGreaterThanOrEqual(worst.min - 1e-9);
        expect(margin.max).toBeLessThanOrEqual(worst.max + 1e-9);
      });
    }
  });
  it('agrees with the closed form for any linear joint', () => {
    const variable = fc.record({
      middle: fc.double({ min: -2, max: 2, noNaN: true }),
      range: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(variable, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 1e6 }),
        (variables, seed) => {
          const joint: JointModel = {
            title: '',
            variables: variables.map((v, i) => ({ ...v, name: `v${i}` })),
            margins: [
              {
                end: 'side',
                constant: 0.1,
                factors: variables.map((_, i) => (i % 2 ? -0.5 : 1)),
                goal: 0,
                limit: null,
              },
            ],
          };
          const [margin] = joint.margins as [JointModel['margins'][number]];
          const [result] = run(joint, { samples: 20_000, seed }).margins;
          const sigma = closedDeviation(joint, margin, 'normal');
          expect(Math.abs((result?.mean ?? NaN) - marginFigures(joint, margin).mean)).toBeLessThan(
            (5.5 * sigma) / Math.sqrt(2e4) + 1e-9,
          );
          expect(Math.abs((result?.deviation ?? NaN) - sigma)).toBeLessThan(
            (5.5 * sigma) / Math.sqrt(4e4) + 1e-9,
          );
        },
      ),
      { numRuns: cases(20, 200) },
    );
  });
  it('refuses to run without samples', () => expect(() => run(model, { samples: 0 })).toThrow(/one sample/));
});
