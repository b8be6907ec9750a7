import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LEVELS } from '../../../src/core/document/document';
import type { Step } from '../../../src/core/land/derivation';
import { substituted } from '../../../src/core/land/derivation';
import { goalRowFor } from '../../../src/core/land/goals';
import { GOAL_ROWS } from '../../../src/core/standard/published';
import { roundDown, roundTo, roundUp } from '../../../src/core/land/rounding';
import {
  derivationOf,
  NO_CHOICES,
  type Hold,
  type LandChoices,
  type SettableSize,
} from '../../../src/core/land/solution';
import { solveSpan } from '../../../src/core/land/solve-span';
import { solveLand, type TerminalSizes } from '../../../src/core/land/solver';
import { HOME, type SpanGroup, type TerminalPlace } from '../../../src/core/package/terminal';
import { processById } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import type { Toleranced } from '../../../src/core/units/toleranced';
import published from '../../data/published-lands.json';

const standard = processById('standard') as Process;
const F_AND_P = { fabricationTolerance: 0.1, placementTolerance: 0.05 };

const range = (min: number, max: number): Toleranced => ({ min, nom: (min + max) / 2, max, given: 'range' });
const pair = ([min, max]: number[]) => range(min as number, max as number);

function group(sizes: TerminalSizes, rest: Partial<SpanGroup> = {}): SpanGroup {
  return {
    kind: 'span',
    id: 'g',
    title: 'g',
    form: 'rectangular-end',
    frame: HOME,
    pitch: null,
    body: null,
    places: [],
    ...sizes,
    ...rest,
  };
}

const place = (end: -1 | 1): TerminalPlace => ({ order: end === -1 ? 1 : 2, end, along: 0 });

const choosing = (sizes: Partial<Record<SettableSize, number>>, hold: Hold = 'centre'): LandChoices => ({
  ...NO_CHOICES,
  of: () => ({ sizes, hold }),
});

describe('published land patterns', () => {
  for (const { part, span, length, width, ...levels } of published.chip.parts) {
    it.each(LEVELS)(`chip ${part} at level %s`, (level) => {
      const chip = group({ span: pair(span), length: pair(length), width: pair(width) });
      const { land } = solveSpan(chip, level, standard, NO_CHOICES);
      const want = levels[level];
      expect(Math.abs(land.C / 2 - want.halfC)).toBeLessThanOrEqual(published.chip.tolerance);
      expect(Math.abs(land.Y - want.Y)).toBeLessThanOrEqual(published.chip.tolerance);
      expect(Math.abs(land.X - want.X)).toBeLessThanOrEqual(published.chip.tolerance);
    });
  }
  for (const { part, span, length, width, ...levels } of published.moulded.parts) {
    it.each(LEVELS)(`moulded ${part} at level %s`, (level) => {
      const sizes = { span: pair(span), length: pair(length), width: pair(width) };
      const land = solveLand(sizes, GOAL_ROWS.inwardFormed.levels[level], F_AND_P, []);
      const want = levels[level];
      const { tolerance, doubt } = published.moulded;
      for (const key of ['X', 'Y', 'G'] as const) {
        const allowed = `${part} ${level} ${key}` === doubt.cell ? doubt.tolerance : tolerance;
        expect(Math.abs(land[key] - want[key])).toBeLessThanOrEqual(allowed);
      }
    });
  }
});

describe('hand-worked gull wing, E 6.2..6.6, L 0.45..0.75, b 0.19..0.30, pitch 0.65', () => {
  // C_L = 0.40, C_T = 0.30, C_W = 0.11; Smin = 6.20 − 1.50 = 4.70, Smax = 6.60 − 0.90 = 5.70
  // C_S = √(0.16 + 2·0.09) = 0.583095; Smax' = 5.70 − (1.00 − 0.583095)/2 = 5.491548
  // √(0.16 + 0.01 + 0.0025) = 0.415331; √(0.34 + 0.0125) = 0.593717; √(0.0121 + 0.0125) = 0.156844
  const row = group(
    { span: range(6.2, 6.6), length: range(0.45, 0.75), width: range(0.19, 0.3) },
    { form: 'gull-wing', pitch: 0.65 },
  );
  it.each([
    // Z = 6.20 + 2·J + 0.415331; G = 5.491548 − 2·J − 0.593717; X = 0.19 + 2·J + 0.156844
    ['A', 7.715331, 3.997831, 0.446844, { Z: 7.75, G: 4.05, X: 0.45, Y: 1.85, C: 5.9 }],
    ['B', 7.315331, 4.197831, 0.406844, { Z: 7.35, G: 4.25, X: 0.4, Y: 1.55, C: 5.8 }],
    ['C', 6.915331, 4.397831, 0.366844, { Z: 6.95, G: 4.45, X: 0.35, Y: 1.25, C: 5.7 }],
  ] as const)('level %s', (level, Z, G, X, rounded) => {
    const { computed, land } = solveSpan(row, level, standard, NO_CHOICES);
    expect(computed.Z).toBeCloseTo(Z, 5);
    expect(computed.G).toBeCloseTo(G, 5);
    expect(computed.X).toBeCloseTo(X, 5);
    expect(land).toEqual(rounded);
  });
});

describe('hand-worked small transistor, E 2.1..2.64, L 0.4..0.6, b 0.3..0.5, body 1.2..1.4', () => {
  // C_L = 0.54, C_T = 0.20; Smin = 2.10 − 1.20 = 0.90 ≤ 1.40: the heel goal is reduced
  // Smax = 2.64 − 0.80 = 1.84; C_S = √(0.2916 + 0.08) = 0.609590; Smax' = 1.84 − (0.94 − 0.609590)/2 = 1.674795
  // √(0.2916 + 0.0125) = 0.551453; √(0.3716 + 0.0125) = 0.619758; √(0.04 + 0.0125) = 0.229129
  const row = group(
    { span: range(2.1, 2.64), length: range(0.4, 0.6), width: range(0.3, 0.5) },
    { form: 'gull-wing', pitch: 1.9, body: { size: range(1.2, 1.4), standoff: range(0, 0.1) } },
  );
  it.each([
    // Z = 2.10 + 2·J + 0.551453; G = 1.674795 − 2·J − 0.619758; X = 0.30 + 2·J + 0.229129
    ['A', 3.751453, 0.555037, 0.629129],
    ['B', 3.351453, 0.755037, 0.589129],
    ['C', 2.951453, 0.955037, 0.549129],
  ] as const)('level %s', (level, Z, G, X) => {
    const { computed, trims, land } = solveSpan(row, level, standard, NO_CHOICES);
    expect([computed.Z, computed.G, computed.X]).toEqual([Z, G, X].map((v) => expect.closeTo(v, 5)));
    // published patterns of level B have about 0.80: the land is not cut back to the body
    expect(trims).toEqual([]);
    expect(Math.abs(land.G - G)).toBeLessThanOrEqual(0.1);
  });
});

describe('hand-worked small chip, L 1.0±0.05, T 0.25±0.1, W 0.5±0.05', () => {
  // C_L = 0.10, C_T = 0.20, C_W = 0.10; Smin = 0.95 − 0.70 = 0.25, Smax = 1.05 − 0.30 = 0.75
  // C_S = √(0.01 + 2·0.04) = 0.30; Smax' = 0.75 − (0.50 − 0.30)/2 = 0.65
  // √(0.01 + 0.0125) = 0.15; √(0.09 + 0.0125) = 0.320156
  const chip = group({ span: range(0.95, 1.05), length: range(0.15, 0.35), width: range(0.45, 0.55) });
  it.each([
    // Z = 0.95 + 2·J + 0.15; G = 0.65 − 0.320156; X = 0.45 + 2·J + 0.15, rounded to 0.02
    ['A', 1.7, 0.329844, 0.7, { X: 0.7, Y: 0.68, C: 1.0 }],
    ['B', 1.5, 0.329844, 0.6, { X: 0.6, Y: 0.58, C: 0.92 }],
    ['C', 1.3, 0.329844, 0.5, { X: 0.5, Y: 0.48, C: 0.8 }],
  ] as const)('level %s', (level, Z, G, X, rounded) => {
    const { computed, land, rounding } = solveSpan(chip, level, standard, NO_CHOICES);
    expect([computed.Z, computed.G, computed.X]).toEqual([Z, G, X].map((v) => expect.closeTo(v, 5)));
    expect(rounding).toBe(0.02);
    expect(land).toMatchObject(rounded);
  });
});

describe('hand-worked cylinder, L 3.3..3.7, T 0.2..0.5, D 1.4..1.6', () => {
  // C_L = 0.40, C_T = 0.30, C_W = 0.20; Smin = 3.30 − 1.00 = 2.30, Smax = 3.70 − 0.40 = 3.30
  // C_S = √(0.16 + 2·0.09) = 0.583095; Smax' = 3.30 − (1.00 − 0.583095)/2 = 3.091548
  // √(0.16 + 0.0125) = 0.415331; √(0.34 + 0.0125) = 0.593717; √(0.04 + 0.0125) = 0.229129
  const melf = group(
    { span: range(3.3, 3.7), length: range(0.2, 0.5), width: range(1.4, 1.6) },
    { form: 'cylindrical-end' },
  );
  it.each([
    // Z = 3.30 + 2·J + 0.415331; G = 3.091548 − 2·J − 0.593717; X = 1.40 + 2·J + 0.229129
    ['A', 4.915331, 2.097831, 1.829129],
    ['B', 4.515331, 2.297831, 1.729129],
    ['C', 4.115331, 2.457831, 1.649129],
  ] as const)('level %s', (level, Z, G, X) => {
    const { computed } = solveSpan(melf, level, standard, NO_CHOICES);
    expect([computed.Z, computed.G, computed.X]).toEqual([Z, G, X].map((v) => expect.closeTo(v, 5)));
  });
});

describe('hand-worked can, L 8.8..9.4, T 2.6..3.2, b 0.7..1.1', () => {
  // C_L = 0.60, C_T = 0.60, C_W = 0.40; Smin = 8.80 − 6.40 = 2.40, Smax = 9.40 − 5.20 = 4.20
  // C_S = √(0.36 + 2·0.36) = 1.039230; Smax' = 4.20 − (1.80 − 1.039230)/2 = 3.819615
  // √(0.36 + 0.0125) = 0.610328; √(1.08 + 0.0125) = 1.045227; √(0.16 + 0.0125) = 0.415331
  const sizes = { span: range(8.8, 9.4), length: range(2.6, 3.2), width: range(0.7, 1.1) };
  it.each([
    // Z = 8.80 + 2·J + 0.610328; G = 3.819615 − 2·J − 1.045227; X = 0.70 + 2·J + 0.415331
    ['A', 9.9, 10.810328, 2.774388, 2.115331],
    ['B', 9.9, 10.410328, 2.874388, 1.915331],
    ['C', 9.9, 10.010328, 2.974388, 1.715331],
    ['A', 10, 11.410328, 2.774388, 2.315331],
    ['B', 10, 10.810328, 2.874388, 2.115331],
    ['C', 10, 10.210328, 2.974388, 1.915331],
  ] as const)('level %s, height %d', (level, height, Z, G, X) => {
    const { computed } = solveSpan(group(sizes, { form: 'under-can', height }), level, standard, NO_CHOICES);
    expect([computed.Z, computed.G, computed.X]).toEqual([Z, G, X].map((v) => expect.closeTo(v, 5)));
  });
});

describe('hand-worked terminals of the other forms, L 10.0..10.4, T 1.0..1.3, W 0.5..0.7', () => {
  // C_L = 0.40, C_T = 0.30, C_W = 0.20; Smin = 10.00 − 2.60 = 7.40, Smax = 10.40 − 2.00 = 8.40
  // C_S = √(0.16 + 2·0.09) = 0.583095; Smax' = 8.40 − (1.00 − 0.583095)/2 = 8.191548
  // Z = 10.00 + 0.415331 + 2·J_outer; G = 8.191548 − 0.593717 − 2·J_inner; X = 0.50 + 0.229129 + 2·J_side
  const sizes = { span: range(10, 10.4), length: range(1, 1.3), width: range(0.5, 0.7) };
  it.each([
    ['rectangular-end', 'A', 11.515331, 7.597831, 0.829129],
    ['rectangular-end', 'B', 11.115331, 7.597831, 0.729129],
    ['rectangular-end', 'C', 10.715331, 7.597831, 0.629129],
    // fine pitch, 0.5: side goals 0.01, −0.02, −0.04
    ['gull-wing', 'A', 11.515331, 6.697831, 0.749129],
    ['gull-wing', 'B', 11.115331, 6.897831, 0.689129],
    ['gull-wing', 'C', 10.715331, 7.097831, 0.649129],
    ['j-lead', 'A', 11.515331, 7.397831, 0.829129],
    ['j-lead', 'B', 11.115331, 7.597831, 0.789129],
    ['j-lead', 'C', 10.715331, 7.797831, 0.749129],
    ['castellated', 'A', 11.715331, 7.097831, 0.829129],
    ['castellated', 'B', 11.515331, 7.297831, 0.629129],
    ['castellated', 'C', 11.315331, 7.497831, 0.429129],
    ['chip-array', 'A', 11.515331, 7.697831, 0.629129],
    ['chip-array', 'B', 11.315331, 7.737831, 0.589129],
    ['chip-array', 'C', 11.115331, 7.797831, 0.529129],
    ['flat-lug', 'A', 11.515331, 6.697831, 0.829129],
    ['flat-lug', 'B', 11.115331, 6.897831, 0.789129],
    ['flat-lug', 'C', 10.715331, 7.097831, 0.749129],
    ['flat-lead', 'A', 11.015331, 7.597831, 0.829129],
    ['flat-lead', 'B', 10.815331, 7.597831, 0.729129],
    ['flat-lead', 'C', 10.615331, 7.597831, 0.629129],
    ['no-lead', 'A', 11.215331, 7.597831, 0.649129],
    ['no-lead', 'B', 11.015331, 7.597831, 0.649129],
    ['no-lead', 'C', 10.815331, 7.597831, 0.649129],
    ['pulled-back', 'A', 10.415331, 7.597831, 0.729129],
    ['pulled-back', 'B', 10.415331, 7.597831, 0.729129],
    ['pulled-back', 'C', 10.415331, 7.597831, 0.729129],
    ['inward-formed', 'A', 12.015331, 7.097831, 0.749129],
    ['inward-formed', 'B', 11.415331, 7.297831, 0.629129],
    ['inward-formed', 'C', 10.815331, 7.457831, 0.529129],
  ] as const)('%s, level %s', (form, level, Z, G, X) => {
    const { computed } = solveSpan(group(sizes, { form, pitch: 0.5 }), level, standard, NO_CHOICES);
    expect([computed.Z, computed.G, computed.X]).toEqual([Z, G, X].map((v) => expect.closeTo(v, 5)));
  });
});

it('uses the inside distance where the datasheet gives it', () => {
  const sizes = {
    span: range(6.2, 6.6),
    length: range(9, 9),
    width: range(0.3, 0.3),
    inside: range(4.8, 5.4),
  };
  // G = 5.4 − 2·0.35 − √(0.36 + 0.0125) = 4.089673
  const land = solveLand(sizes, GOAL_ROWS.gullWing.levels.B, F_AND_P, []);
  expect(land.G).toBeCloseTo(4.089673, 5);
});

it('takes goals by form, pitch and size', () => {
  const sizes = { span: range(1.5, 1.7), length: range(0.2, 0.4), width: range(0.7, 0.9) };
  const row = (rest: Partial<SpanGroup>, span = sizes.span) => goalRowFor(group({ ...sizes, span }, rest)).id;
  expect(row({ form: 'gull-wing', pitch: 0.65 })).toBe('gull-wing');
  expect(row({ form: 'gull-wing', pitch: 0.625 })).toBe('gull-wing-fine');
  expect(row({})).toBe('rectangular-end');
  expect(row({}, range(0.9, 1.1))).toBe('rectangular-end-small');
});

describe('rounding', () => {
  it.each([
    [0.875, 0.05, 0.9],
    [0.8749, 0.05, 0.85],
    [0.1 + 0.2 + 0.025, 0.05, 0.35],
    [0.42, 0, 0.42],
  ])('%d to the nearest %d is %d', (value, step, want) => expect(roundTo(value, step)).toBe(want));
  it('down and up never pass the value', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.constantFrom(0.05, 0.02, 0.01),
        (v, step) => {
          expect(roundDown(v, step)).toBeLessThanOrEqual(v + 1e-8);
          expect(roundUp(v, step)).toBeGreaterThanOrEqual(v - 1e-8);
          expect(Math.abs(roundTo(v, step) - v)).toBeLessThanOrEqual(step / 2 + 1e-6);
        },
      ),
    );
  });
});

describe('trims', () => {
  const sizes = { span: range(6.2, 6.6), length: range(0.45, 0.75), width: range(0.19, 0.3) };
  const low = group(sizes, {
    form: 'gull-wing',
    pitch: 0.65,
    body: { size: range(4.3, 4.5), standoff: range(0, 0.1) },
  });

  it('ends the heel at a body that sits low', () => {
    const { land, trims } = solveSpan(low, 'B', standard, NO_CHOICES);
    expect(trims).toEqual(['body-heel']);
    // Z stays 7.35; Y = (7.35 − 4.5)/2 = 1.425, down to 1.40; G = 7.35 − 2.80
    expect(land).toEqual({ Z: 7.35, G: 4.55, X: 0.4, Y: 1.4, C: 5.95 });
  });
  it('never cuts a heel below its reduced goal, whatever sits low', () => {
    // body 4.65 wide, feet still clear of it: full goal 0.35, G = 4.197831, reduced goal at G = 4.597831
    const wide = { ...low, body: { size: range(4.45, 4.65), standoff: range(0, 0.1) } };
    const { land, trims } = solveSpan(wide, 'B', standard, NO_CHOICES);
    expect(trims).toEqual(['body-heel']);
    // Y = (7.35 − 4.597831)/2 = 1.376, up to 1.40
    expect(land).toMatchObject({ Y: 1.4, G: 4.55 });
    // feet under the body have the reduced goal at once, and nothing is cut: Smax' − 2·0.15 − 0.593717
    const under = { ...low, body: { size: range(4.6, 4.8), standoff: range(0, 0.1) } };
    const short = solveSpan(under, 'B', standard, NO_CHOICES);
    expect(short.computed.G).toBeCloseTo(4.597831, 5);
    expect(short.trims).toEqual([]);
    expect(short.derivation[0]).toMatchObject({ symbol: 'J_inner', result: 0.15 });
  });
  it('keeps lands that face each other apart', () => {
    // C_S = √(0.04 + 2·0.01) = 0.244949; G = 0.8 − 0.077526 − 2·0.25 − 0.269258 = −0.046784 at level A
    const crystal = group(
      { span: range(1.5, 1.7), length: range(0.45, 0.55), width: range(0.5, 0.6) },
      { form: 'castellated', pitch: 1.4, places: [place(-1), place(1)] },
    );
    const { computed, land, trims } = solveSpan(crystal, 'A', standard, NO_CHOICES);
    expect(computed.G).toBeCloseTo(-0.046784, 5);
    expect(trims).toEqual(['facing-gap']);
    expect(land.G).toBeGreaterThanOrEqual(0.2);
  });
  it('leaves the heel where it is switched off, and where the body stands high', () => {
    const untrimmed = { ...NO_CHOICES, untrimmed: new Set(['body-heel'] as const) };
    expect(solveSpan(low, 'B', standard, untrimmed).land.G).toBe(4.25);
    const high = { ...low, body: { size: range(4.3, 4.5), standoff: range(0.05, 0.15) } };
    expect(solveSpan(high, 'B', standard, NO_CHOICES).trims).toEqual([]);
  });
  it('narrows lands of a row to keep the gap', () => {
    const tight = group({ ...sizes, width: range(0.2, 0.35) }, { form: 'gull-wing', pitch: 0.5 });
    const { land, trims, proposed } = solveSpan(tight, 'A', standard, NO_CHOICES);
    expect(trims).toEqual(['row-gap']);
    expect(proposed).toEqual(land);
    expect(land.X).toBe(0.3); // 0.50 − (0.10 web + 2 · 0.05 margin)
  });
  it('puts what is set by hand over everything', () => {
    const byHand = choosing({ X: 0.33 });
    const { land, proposed, derivation } = solveSpan(low, 'B', standard, byHand);
    expect(land.X).toBe(0.33);
    expect(proposed.X).toBe(0.4);
    expect(derivation.at(-1)).toMatchObject({ symbol: 'X', result: 0.33, note: 'set by hand' });
  });
  it.each([
    // 1.55 long on Z 7.35, G 4.25, C 5.80, made 1.80 long
    ['centre', { Z: 7.6, G: 4, C: 5.8 }],
    ['gap', { Z: 7.85, G: 4.25, C: 6.05 }],
    ['outer', { Z: 7.35, G: 3.75, C: 5.55 }],
  ] as const)('a land made longer by hand keeps the %s', (hold, want) => {
    const row = group(sizes, { form: 'gull-wing', pitch: 0.65 });
    expect(solveSpan(row, 'B', standard, choosing({ Y: 1.8 }, hold)).land).toEqual({
      ...want,
      X: 0.4,
      Y: 1.8,
    });
  });
});

describe('derivation', () => {
  const row = group(
    { span: range(6.2, 6.6), length: range(0.45, 0.75), width: range(0.19, 0.3) },
    { form: 'gull-wing', pitch: 0.65 },
  );
  it('writes the values into the formula', () => {
    const step: Step = {
      symbol: 'X',
      formula: 'Wmin + 2·J_side',
      values: { Wmin: 0.19, J_side: -0.02 },
      result: 0.15,
    };
    expect(substituted(step, 'mm')).toBe('0.19 + 2·(−0.02)');
    expect(substituted(step, 'mil')).toBe('7.5 + 2·(−0.8)');
  });
  it.each(['Z', 'G', 'X', 'Y', 'C'] as const)(
    'of %s ends with the value used and names all it needs',
    (symbol) => {
      const solution = solveSpan(row, 'B', standard, NO_CHOICES);
      const steps = derivationOf(solution, symbol);
      expect(steps.at(-1)).toMatchObject({ symbol, result: expect.closeTo(solution.land[symbol], 9) });
      for (const step of steps) expect(substituted(step, 'mm')).not.toMatch(/[A-Z]_|min|max/);
    },
  );
});

describe('laws', () => {
  const um = (min: number, max: number) => fc.integer({ min, max }).map((v) => v / 1000);
  const sizes = fc
    .record({
      L: um(1000, 20000),
      CL: um(0, 800),
      T: um(100, 900),
      CT: um(0, 500),
      W: um(100, 900),
      CW: um(0, 200),
    })
    .map(({ L, CL, T, CT, W, CW }) => ({
      span: range(L, L + CL),
      length: range(T, T + CT),
      width: range(W, W + CW),
    }));

  it('raising the largest span alone never makes Z smaller', () => {
    fc.assert(
      fc.property(sizes, um(0, 500), (s, more) => {
        const wider = { ...s, span: range(s.span.min, s.span.max + more) };
        const goals = GOAL_ROWS.gullWing.levels.B;
        expect(solveLand(wider, goals, F_AND_P, []).Z).toBeGreaterThanOrEqual(
          solveLand(s, goals, F_AND_P, []).Z,
        );
      }),
    );
  });
  it('raising the longest terminal alone never makes G larger', () => {
    fc.assert(
      fc.property(sizes, um(0, 500), (s, more) => {
        const longer = { ...s, length: range(s.length.min, s.length.max + more) };
        const goals = GOAL_ROWS.gullWing.levels.B;
        expect(solveLand(longer, goals, F_AND_P, []).G).toBeLessThanOrEqual(
          solveLand(s, goals, F_AND_P, []).G + 1e-9,
        );
      }),
    );
  });
  it('level A asks for at least what B asks for, and B for at least C', () => {
    for (const { levels } of Object.values(GOAL_ROWS)) {
      fc.assert(
        fc.property(sizes, (s) => {
          const [a, b, c] = LEVELS.map((level) => solveLand(s, levels[level], F_AND_P, []));
          if (!a || !b || !c) throw new Error('three levels');
          for (const key of ['Z', 'X', 'Y'] as const) {
            expect(a[key]).toBeGreaterThanOrEqual(b[key]);
            expect(b[key]).toBeGreaterThanOrEqual(c[key]);
          }
          expect(a.G).toBeLessThanOrEqual(b.G);
          expect(b.G).toBeLessThanOrEqual(c.G);
        }),
      );
    }
  });
});
