import { stackWords } from '../../../src/core/padstack/words';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heightsOf, meltedHeight } from '../../../src/core/body/heights';
import { areaOf, grown, rectangle, sizeOf, type Figure } from '../../../src/core/geometry/figure';
import { compile } from '../../../src/core/footprint/compile';
import { demo } from '../../data/trials';
import { formed, pasteFigures } from '../../../src/core/padstack/paste-forms';
import { buildPadstack } from '../../../src/core/padstack/build';
import { NO_STACK_CHOICES, type StackChoices } from '../../../src/core/padstack/choices';
import type { PadMargins, StackBase } from '../../../src/core/padstack/padstack';
import { PROCESSES } from '../../../src/core/process';
import { drillFor, hasDrill, type Process } from '../../../src/core/process/process';

const standard = PROCESSES[0] as Process;
const usual: PadMargins = { mask: 0.05, paste: 0 };

function build(
  copper: Figure,
  base: Partial<StackBase> = {},
  choices: Partial<StackChoices> = {},
  margins: PadMargins = usual,
) {
  const whole: StackBase = { kind: 'surface', copper, copperSource: 'land formulas', hole: null, ...base };
  return buildPadstack(whole, { ...NO_STACK_CHOICES, ...choices }, margins, standard);
}
const round = (diameter: number): Figure => ({ kind: 'round', diameter });
const pin = (diameter: number, hole: number, choices: Partial<StackChoices> = {}) =>
  build(round(diameter), { kind: 'pin', hole }, choices);
const opening = (part: Partial<StackChoices['mask']>): StackChoices['mask'] => ({
  margin: null,
  width: null,
  height: null,
  none: null,
  form: null,
  as: null,
  ...part,
});

describe('padstacks', () => {
  it('do the doubling: a margin grows or shrinks every side', () => {
    const stack = build(rectangle(1.55, 0.4), {}, {}, { mask: 0.05, paste: 0.03 });
    expect(stack.mask[0]?.figure).toEqual(rectangle(1.65, 0.5));
    expect(stack.paste[0]?.figure).toEqual(rectangle(1.49, 0.34));
  });
  it('shrink to nothing, never below', () =>
    expect(grown(rectangle(1, 0.1), -0.2)).toEqual(rectangle(0.6, 0)));

  it.each<[string, Figure, Partial<StackBase>, Partial<StackChoices>, PadMargins?]>([
    ['r155_40', rectangle(1.55, 0.4), {}, {}],
    ['s350', rectangle(3.5, 3.5), {}, {}],
    ['c40', round(0.4), {}, {}],
    ['d85_25', { kind: 'd-shape', width: 0.85, height: 0.25 }, {}, {}],
    ['r85_25r5', { ...rectangle(0.85, 0.25), radius: 0.05 }, {}, {}],
    ['r155_42q5', rectangle(1.55, 0.425), {}, {}],
    ['r155_40m2q5p1', rectangle(1.55, 0.4), {}, {}, { mask: 0.025, paste: 0.01 }],
    ['r155_40mneg5', rectangle(1.55, 0.4), {}, {}, { mask: -0.05, paste: 0 }],
    ['r155_40m200_60', rectangle(1.55, 0.4), {}, { mask: opening({ width: 2, height: 0.6 }) }],
    ['r155_40p0', rectangle(1.55, 0.4), {}, { paste: opening({ none: true }) }],
    ['r155_40pu0', rectangle(1.55, 0.4), {}, { paste: opening({ form: 'home-plate' }) }],
    ['r155_40o10_neg5', rectangle(1.55, 0.4), {}, { offsetX: 0.1, offsetY: -0.05 }],
    ['b155_40', rectangle(1.55, 0.4), {}, { shape: 'oblong' }],
    ['r155_40f10llul', rectangle(1.55, 0.4), {}, { shape: 'chamfered' }],
    [
      'u200_100',
      rectangle(1, 1),
      {},
      {
        contour: [
          { x: -1, y: 0 },
          { x: 1, y: -0.5 },
          { x: 1, y: 0.5 },
        ],
      },
    ],
    // a land that its mask defines: copper reaches 0.05 under the mask on every side
    ['r165_50mneg5p5', rectangle(1.55, 0.4), {}, { definedBy: 'mask' }],
  ])('%s is named after what it is', (name, copper, base, choices, margins) =>
    expect(build(copper, base, choices, margins).name).toBe(name),
  );
  it.each<[string, Partial<StackChoices>]>([
    ['c150h90', {}],
    ['c150n90', { hole: { ...NO_STACK_CHOICES.hole, plated: false } }],
    ['c150h180_90', { hole: { ...NO_STACK_CHOICES.hole, slot: 1.8 } }],
    ['c150h90t0', { relief: { ...NO_STACK_CHOICES.relief, on: false } }],
    ['c150h90t210_25_4', { relief: { ...NO_STACK_CHOICES.relief, gap: 0.3 } }],
    ['c150h90y230', { clearance: 0.4 }],
    ['c150h90z130', { inner: 1.3 }],
    ['c150h90x180', { other: { width: 1.8, height: null } }],
  ])('%s is a land of 1.5 round a hole of 0.9 with what differs', (name, choices) =>
    expect(pin(1.5, 0.9, choices).name).toBe(name),
  );

  it('with a hole have copper and mask on both sides, relief and clearance, and no paste', () => {
    const stack = pin(1.5, 0.9);
    expect(stack).toMatchObject({ other: round(1.5), inner: round(1.5), paste: [] });
    expect(stack.maskOther[0]?.figure).toEqual(round(1.6));
    // gap 0.25 on each side, four spokes of 0.25
    expect(stack.relief).toMatchObject({ outer: round(2), spokes: 4, width: 0.25 });
    // land + 2·0.25 = 2.0 is more than hole + 2·0.30 = 1.5
    expect(stack.clearance).toEqual(round(2));
    // a wide hole in a narrow land: 1.4 + 0.6 = 2.0 against 1.45 + 0.5
    expect(pin(1.45, 1.4).clearance).toEqual(round(2));
  });
  it('have inner lands that follow a slot', () => {
    const slotted = pin(1.5, 0.9, { hole: { ...NO_STACK_CHOICES.hole, slot: 1.8 } });
    // 1.5 across the slot of 0.9: 0.3 all round, 1.8 + 0.6 along it
    expect(slotted.inner).toEqual({ kind: 'oblong', width: 2.4, height: 1.5 });
  });
  it('open the far side as wide as they are told', () => {
    expect(pin(1.5, 0.9, { maskOther: opening({ margin: 0.2 }) }).maskOther[0]?.figure).toEqual(round(1.9));
    // what was said of the component side holds for both unless the far side says otherwise
    expect(pin(1.5, 0.9, { mask: opening({ margin: 0.1 }) }).maskOther[0]?.figure).toEqual(round(1.7));
    expect(pin(1.5, 0.9, { maskOther: opening({ none: true }) }).maskOther).toEqual([]);
  });
  it('say where each size comes from', () => {
    expect(build(rectangle(1, 0.5)).sources).toMatchObject({ copper: 'land formulas', mask: 'process' });
    const byHand = build(
      rectangle(1, 0.5),
      {},
      { radius: 0.1, shape: 'rounded', paste: opening({ margin: 0.02 }) },
    );
    expect(byHand.sources).toMatchObject({ copper: 'set by hand', mask: 'process', paste: 'set by hand' });
  });
  it('have one name only where they are one, to a micrometre', () => {
    const um = fc.integer({ min: 50, max: 5000 }).map((v) => v / 1000);
    fc.assert(
      fc.property(um, um, um, um, (a, b, c, d) => {
        expect(build(rectangle(a, b)).name === build(rectangle(c, d)).name).toBe(a === c && b === d);
      }),
    );
  });
});

describe('paste apertures', () => {
  it('of a home plate lose a third of their length to the point, inverted ones to the notch', () => {
    const whole = rectangle(0.9, 0.8);
    // two corners of 0.3 × 0.4 / 2 each are cut; the notch is a triangle of 0.8 × 0.3 / 2
    expect(areaOf(formed(whole, 'home-plate', 0))).toBeCloseTo(0.72 - 0.12, 6);
    expect(areaOf(formed(whole, 'inverted-home-plate', 0))).toBeCloseTo(0.72 - 0.12, 6);
    expect(sizeOf(formed(whole, 'home-plate', 0))).toMatchObject({ width: 0.9, height: 0.8 });
    // π·0.4² + 0.1·0.8
    expect(areaOf(formed(whole, 'oblong', 0))).toBeCloseTo(0.502655 + 0.08, 5);
  });
  it('have area ratio, aspect ratio and volume', () => {
    // 0.3 × 1.5 in 0.12: 0.45 / (3.6 · 0.12) = 1.0417; 0.3 / 0.12 = 2.5; 0.45 · 0.12 · 0.9
    const figures = pasteFigures(rectangle(1.5, 0.3), 0.12, 0.9);
    expect(figures.areaRatio).toBeCloseTo(1.0417, 4);
    expect(figures.aspectRatio).toBeCloseTo(2.5, 9);
    expect(figures.volume).toBeCloseTo(0.0486, 9);
  });
});

describe('heights', () => {
  it('stack copper, solder, standoff and body', () => {
    const exact = (value: number) => ({ min: value, nom: value, max: value, given: 'exact' }) as const;
    const body = { x: exact(1), y: exact(1), standoff: exact(0.1), height: exact(1.2) };
    const heights = heightsOf(body, PROCESSES[0] as Process, { solder: 0.08 });
    // 0.035 + 0.08 = 0.115
    expect(heights).toMatchObject({
      landTop: 0.035,
      seating: 0.115,
      underside: { nom: 0.215 },
      top: { max: 1.315 },
    });
  });
});

describe('melted balls', () => {
  it.each([
    // h³ + 1.5·d²·h = b³: a ball that meets no land keeps its diameter
    [0.5, 0, 0.5],
    // 0.3455³ + 1.5·0.16·0.3455 = 0.04124 + 0.08292 = 0.12416; 0.5³ = 0.125
    [0.5, 0.4, 0.347],
    // 0.4386³ + 1.5·0.2025·0.4386 = 0.08437 + 0.13322 = 0.2176; 0.6³ = 0.216
    [0.6, 0.45, 0.437],
  ])('of %d on lands of %d stand %d high', (ball, land, height) => {
    expect(meltedHeight(ball, land)).toBeCloseTo(height, 2);
  });
  it('keep their volume', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.15, max: 0.8, noNaN: true }),
        fc.double({ min: 0.4, max: 1, noNaN: true }),
        (b, k) => {
          const [d, h] = [b * k, meltedHeight(b, b * k)];
          // a spherical segment between two circles of radius a: π·h·(3a² + 3a² + h²)/6
          expect((Math.PI * h * (6 * (d / 2) ** 2 + h * h)) / 6).toBeCloseTo((Math.PI * b ** 3) / 6, 5);
        },
      ),
    );
  });
});

describe('processes', () => {
  it.each(PROCESSES.map((process) => [process.id, process] as const))('%s hangs together', (_, process) => {
    // a land of the smallest gap keeps some mask, and the legend's gap clears the opening
    expect(process.minGap).toBeGreaterThan(2 * process.maskMargin - process.minMaskWeb);
    expect(process.legendGap).toBeGreaterThanOrEqual(process.maskMargin);
    expect(process.boardThickness).toBeGreaterThan(process.copperThickness + process.maskThickness);
    for (const [name, value] of Object.entries(process)) {
      if (typeof value === 'number') expect(value, name).toBeGreaterThanOrEqual(0);
    }
  });
  it.each([
    [[], 0.05, 0.91, 0.95],
    [[], 0.1, 0.9, 0.9],
    [[0.8, 1, 1.2], 0.05, 0.81, 1],
    // above the table a hole keeps its size, and has no drill
    [[0.8, 1, 1.2], 0.05, 1.3, 1.3],
  ])('with drills %j or a step of %d take %d to %d', (drills, drillStep, hole, drill) => {
    expect(drillFor(hole, { drills, drillStep })).toBeCloseTo(drill, 9);
    expect(hasDrill(drill, { drills, drillStep })).toBe(drill !== 1.3);
  });
});

describe('a padstack in words', () => {
  const words = (name: string, group = 0) => {
    const compiled = compile(demo(name));
    const stack = compiled.footprint?.padstacks[group];
    if (!stack) throw new Error(`${name} has no padstack ${group}`);
    return stackWords(stack, (mm) => String(Math.round(mm * 1000) / 1000));
  };
  it('is what a designer would call it', () => {
    expect(words('U4')).toMatch(/^Surface land, [\d.]+ × 0\.4( rounded)?$/);
    expect(words('U9', 3)).toBe('Exposed pad, 3.475 square, chamfered, 9 windows, 13 vias filled and capped');
    expect(words('J2')).toMatch(/^Land with a hole, 1\.\d+ (square|round)(, rounded)?, hole 1\.\d+$/);
  });
});
