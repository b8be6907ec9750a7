import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LEVELS } from '../../../src/core/document/document';
import { NO_CHOICES, sizesOf, type LandChoices } from '../../../src/core/land/solution';
import { landUnderBall, solveSpot } from '../../../src/core/land/solve-spot';
import { diagonal, solvePin } from '../../../src/core/land/solve-pin';
import { solveLands } from '../../../src/core/land/solve';
import { BALL_ROWS } from '../../../src/core/standard/published';
import {
  HOME,
  UPRIGHT,
  type PinGroup,
  type SpanGroup,
  type SpotGroup,
} from '../../../src/core/package/terminal';
import { processById } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import { exactly, type Toleranced } from '../../../src/core/units/toleranced';

const standard = processById('standard') as Process;
const range = (min: number, max: number): Toleranced => ({ min, nom: (min + max) / 2, max, given: 'range' });

function pins(rest: Partial<PinGroup> = {}): PinGroup {
  return {
    kind: 'pin',
    id: 'pins',
    title: 'Pins',
    lead: { shape: 'round', width: range(0.6, 0.7), thickness: range(0.6, 0.7) },
    pitch: { x: 2.54, y: null },
    frame: HOME,
    places: [{ order: 1, at: { x: 0, y: 0 }, rotation: 0 }],
    ...rest,
  };
}

describe('hand-worked holes', () => {
  it.each([
    // 0.70 + 0.25 = 0.95; 0.95 + 0.10 + 0.60 = 1.65
    ['A', 0.95, 1.65],
    // 0.70 + 0.20 = 0.90; 0.90 + 0.10 + 0.50 = 1.50: the domain's own example
    ['B', 0.9, 1.5],
    // 0.70 + 0.15 = 0.85; 0.85 + 0.10 + 0.40 = 1.35
    ['C', 0.85, 1.35],
  ] as const)('of a round lead 0.60..0.70 at level %s: %d in a land of %d', (level, hole, land) => {
    const solution = solvePin(pins(), level, standard, NO_CHOICES);
    expect(solution.hole).toBe(hole);
    expect(solution.figure).toEqual({ kind: 'round', diameter: land });
  });
  it.each([
    // square 0.60..0.68: diagonal 0.961665 + 0.25, 0.20, 0.15, up to 0.05
    ['A', 1.25],
    ['B', 1.2],
    ['C', 1.15],
  ] as const)('of a square pin 0.60..0.68 at level %s: %d', (level, hole) => {
    const side = range(0.6, 0.68);
    const square = pins({ lead: { shape: 'rectangle', width: side, thickness: side } });
    expect(diagonal(square.lead, 'max')).toBeCloseTo(0.961665, 6);
    expect(solvePin(square, level, standard, NO_CHOICES).hole).toBe(hole);
  });
  it('round up to the drills of the process, with its ring', () => {
    const kitchen = processById('kitchen-table') as Process;
    // 0.70 + 0.20 = 0.90 is a drill of 0.1 steps; 0.90 + 2·0.20 + 0.50 = 1.80
    expect(solvePin(pins(), 'B', kitchen, NO_CHOICES)).toMatchObject({
      hole: 0.9,
      figure: { diameter: 1.8 },
    });
    const thicker = pins({ lead: { shape: 'round', width: exactly(0.75), thickness: exactly(0.75) } });
    expect(solvePin(thicker, 'B', kitchen, NO_CHOICES).hole).toBe(1);
  });
  it('go oblong where the pitch is tight, and say so', () => {
    const tight = pins({ pitch: { x: 1.5, y: null } });
    const { figure, trims, derivation } = solvePin(tight, 'B', standard, NO_CHOICES);
    // room 1.50 − 0.20 for gap and mask web; 2·1.50 − 1.30 the other way
    expect(figure).toEqual({ kind: 'oblong', width: 1.3, height: 1.7 });
    expect(trims).toEqual(['oblong']);
    expect(derivation.at(-1)?.note).toContain('gap of 0.2 mm');
    const off = { ...NO_CHOICES, untrimmed: new Set(['oblong'] as const) };
    expect(solvePin(tight, 'B', standard, off).figure.kind).toBe('round');
  });
  it('take what is set by hand', () => {
    const byHand: LandChoices = { ...NO_CHOICES, of: () => ({ sizes: { H: 1.1, D: 2 }, hold: 'centre' }) };
    const solution = solvePin(pins(), 'B', standard, byHand);
    expect(solution).toMatchObject({ hole: 1.1, figure: { diameter: 2 }, computed: { hole: 0.9 } });
    expect(sizesOf(solution).map(({ symbol, value }) => [symbol, value])).toEqual([
      ['H', 1.1],
      ['D', 2],
    ]);
  });
  it('never leave less ring than the process asks for, whatever lead and pitch', () => {
    const um = (min: number, max: number) => fc.integer({ min, max }).map((v) => v / 1000);
    fc.assert(
      fc.property(um(200, 1600), um(800, 6000), fc.constantFrom(...LEVELS), (lead, pitch, level) => {
        const width = exactly(lead);
        const group = pins({
          lead: { shape: 'round', width, thickness: width },
          pitch: { x: pitch, y: pitch },
        });
        const { hole, figure } = solvePin(group, level, standard, NO_CHOICES);
        const least = figure.kind === 'round' ? figure.diameter : Math.min(figure.width, figure.height);
        expect(hole).toBeGreaterThanOrEqual(lead + 0.15 - 1e-9);
        expect((least - hole) / 2).toBeGreaterThanOrEqual(standard.minRing - 1e-9);
      }),
    );
  });
});

function spots(form: SpotGroup['form'], diameter: number): SpotGroup {
  const figure = { kind: 'round', diameter } as const;
  return {
    kind: 'spot',
    id: 'grid',
    title: 'Grid',
    form,
    contact: { min: figure, nom: figure, max: figure },
    pitch: 0.8,
    frame: HOME,
    places: [],
  };
}

describe('lands under grids', () => {
  it.each(BALL_ROWS)('of a ball of $ball are those of the table', ({ ball, land }) => {
    for (const level of LEVELS) expect(landUnderBall(ball, level)).toBe(land[level]);
  });
  it.each([
    // linear between the rows: 0.50 + 0.05·0.05/0.10; 0.35 + 0.05·0.03/0.05; 0.13 + 0.02·0.01/0.02
    ['B', 0.7, 0.53],
    ['B', 0.48, 0.38],
    ['B', 0.16, 0.14],
    ['A', 0.16, 0.17],
    ['C', 0.32, 0.22],
    // beyond the table the share of its last row: 0.90 · 0.55/0.75; 0.12 · 0.10/0.15
    ['B', 0.9, 0.66],
    ['C', 0.12, 0.08],
  ] as const)('at level %s of a ball of %d between the rows are %d', (level, ball, land) =>
    expect(landUnderBall(ball, level)).toBeCloseTo(land, 9),
  );
  it('never shrink as the ball grows', () => {
    for (const level of LEVELS) {
      const lands = Array.from({ length: 1000 }, (_, i) => landUnderBall((i + 50) / 1000, level));
      expect(lands).toEqual([...lands].sort((a, b) => a - b));
    }
  });
  it('of balls that keep their shape are larger than the ball', () => {
    const sizes = LEVELS.map((level) => {
      const { figure } = solveSpot(spots('non-collapsing-ball', 0.6), level, NO_CHOICES);
      return figure.kind === 'round' ? figure.diameter : NaN;
    });
    // 0.60 · 1.15, 1.10, 1.05
    expect(sizes).toEqual([0.69, 0.66, 0.63]);
  });
  it('of land grids are the terminals themselves', () => {
    const { figure } = solveSpot(spots('land-grid', 0.35), 'A', NO_CHOICES);
    expect(figure).toEqual({ kind: 'round', diameter: 0.35 });
  });
});

describe('trims against other lands', () => {
  const span = (axis: 'x' | 'y', body: number, rows: number): SpanGroup => ({
    kind: 'span',
    id: axis,
    title: axis,
    form: 'no-lead',
    frame: axis === 'x' ? HOME : UPRIGHT,
    span: range(body - 0.1, body + 0.1),
    length: range(0.3, 0.5),
    width: range(0.18, 0.3),
    pitch: 0.5,
    body: null,
    places: Array.from({ length: rows }, (_, i) => ({
      order: i + 1,
      end: -1,
      along: ((rows - 1) / 2 - i) * 0.5,
    })),
  });
  const pad = (size: number): SpotGroup => {
    const figure = { kind: 'rectangle', width: size, height: size } as const;
    const places = [{ order: 99, at: { x: 0, y: 0 }, rotation: 0 }];
    return { ...spots('thermal', 1), id: 'pad', contact: { min: figure, nom: figure, max: figure }, places };
  };

  it('ends the heel short of an exposed pad', () => {
    const [free] = solveLands([span('x', 4, 4)], 'B', standard);
    const [trimmed] = solveLands([span('x', 4, 4), pad(2.8)], 'B', standard);
    if (free?.kind !== 'span' || trimmed?.kind !== 'span') throw new Error('not a span');
    // 1.40 and 0.20 for gap and mask web: the land may start 1.60 from the middle
    expect(free.land.G / 2).toBeLessThan(1.6);
    expect(trimmed.land.G / 2).toBeGreaterThanOrEqual(1.6 - 1e-9);
    expect(trimmed.land.Z).toBe(free.land.Z);
    expect(trimmed.trims).toContain('thermal-gap');
    const off = { ...NO_CHOICES, untrimmed: new Set(['thermal-gap'] as const) };
    const [left] = solveLands([span('x', 4, 4), pad(2.8)], 'B', standard, off);
    expect(left).toMatchObject({ land: free.land });
  });
  it('shortens corner lands only, on both rows alike', () => {
    const [a, b] = solveLands([span('x', 4, 6), span('y', 4, 6)], 'B', standard);
    if (a?.kind !== 'span' || b?.kind !== 'span' || !a.corner || !b.corner) throw new Error('not trimmed');
    expect(a.trims).toContain('quad-corner');
    expect(a.corner.Y).toBeLessThan(a.land.Y);
    expect(a.corner.Z).toBe(a.land.Z);
    expect(a.corner).toEqual(b.corner);
    // the corners keep the gap and, as openings, the web
    const dx = a.corner.G / 2 - (1.25 + b.land.X / 2);
    expect(Math.hypot(dx, dx)).toBeGreaterThanOrEqual(standard.minGap - 1e-9);
    expect(Math.hypot(dx - 0.1, dx - 0.1)).toBeGreaterThanOrEqual(standard.minMaskWeb - 1e-9);
    const [wide] = solveLands([span('x', 6, 4), span('y', 6, 4)], 'B', standard);
    expect(wide).toMatchObject({ corner: null });
  });
});
