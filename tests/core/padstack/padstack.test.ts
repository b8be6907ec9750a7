import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heightsOf, meltedHeight } from '../../../src/core/body/heights';
import { overhang } from '../../../src/core/geometry/box';
import { gapBetweenFigures, grown, place, rectangle, type Placed } from '../../../src/core/geometry/figure';
import { neighboursOf } from '../../../src/core/geometry/neighbours';
import { coverageOf, pasteWindows } from '../../../src/core/padstack/paste-windows';
import { holePadstack, padstackName, surfacePadstack } from '../../../src/core/padstack/padstack';
import { PROCESSES } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';

const defaults = { maskMargin: 0.05, pasteMargin: 0 };

describe('padstacks', () => {
  it('do the doubling: a margin grows or shrinks every side', () => {
    const stack = surfacePadstack(rectangle(1.55, 0.4), { mask: 0.05, paste: 0.03 }, defaults);
    expect([stack.mask, stack.paste[0]?.figure]).toEqual([rectangle(1.65, 0.5), rectangle(1.49, 0.34)]);
  });
  it('shrink to nothing, never below', () =>
    expect(grown(rectangle(1, 0.1), -0.2)).toEqual(rectangle(0.6, 0)));
  it.each([
    [rectangle(1.55, 0.4), { mask: 0.05, paste: 0 }, 'r155_40'],
    [rectangle(3.5, 3.5), { mask: 0.05, paste: 0 }, 's350'],
    [{ kind: 'round', diameter: 0.4 } as const, { mask: 0.05, paste: 0 }, 'c40'],
    [{ kind: 'd-shape', width: 0.85, height: 0.25 } as const, { mask: 0.05, paste: 0 }, 'd85_25'],
    [{ ...rectangle(0.85, 0.25), radius: 0.05 }, { mask: 0.05, paste: 0 }, 'r85_25r5'],
    [
      { ...rectangle(3.5, 3.5), chamfer: { size: 0.3, corners: ['upper-left'] as const } },
      { mask: 0.05, paste: 0 },
      's350f30ul',
    ],
    [rectangle(1.55, 0.425), { mask: 0.05, paste: 0 }, 'r155_42q5'],
    [rectangle(1.55, 0.4), { mask: 0.025, paste: 0.01 }, 'r155_40m2q5p1'],
    [rectangle(1.55, 0.4), { mask: -0.05, paste: 0 }, 'r155_40mneg5'],
  ])('%j with %j is %s', (copper, margins, name) =>
    expect(padstackName(copper, null, margins, defaults)).toBe(name),
  );
  it('with a hole have copper and mask on both sides and no paste', () => {
    const stack = holePadstack({ kind: 'round', diameter: 1.5 }, 0.9, { mask: 0.05, paste: 0 }, defaults);
    expect(stack).toMatchObject({ name: 'c150h90', hole: 0.9, mask: { diameter: 1.6 }, paste: [] });
    const oblong = holePadstack(
      { kind: 'oblong', width: 1.1, height: 2.1 },
      1,
      { mask: 0.1, paste: 0 },
      defaults,
    );
    expect(oblong.name).toBe('b110_210h100m10');
  });
  it('have one name only where they are one, to a micrometre', () => {
    const um = fc.integer({ min: 50, max: 5000 }).map((v) => v / 1000);
    fc.assert(
      fc.property(um, um, um, um, (a, b, c, d) => {
        const name = (w: number, h: number) =>
          padstackName(rectangle(w, h), null, { mask: 0.05, paste: 0 }, defaults);
        expect(name(a, b) === name(c, d)).toBe(a === c && b === d);
      }),
    );
  });
});

describe('heights', () => {
  it('stack copper, solder, standoff and body', () => {
    const exact = (value: number) => ({ min: value, nom: value, max: value, given: 'exact' }) as const;
    const body = { x: exact(1), y: exact(1), standoff: exact(0.1), height: exact(1.2) };
    const heights = heightsOf(body, PROCESSES[0] as Process, 0.08);
    // 0.035 + 0.08 = 0.115
    expect(heights).toMatchObject({
      landTop: 0.035,
      seating: 0.115,
      underside: { nom: 0.215 },
      top: { max: 1.315 },
    });
  });
});

describe('paste windows of an exposed pad', () => {
  it('are four on a pad of 3.5', () => {
    const windows = pasteWindows(rectangle(3.5, 3.5), 0.6);
    expect(windows).toHaveLength(4);
    // 3.5/2 · √0.6 = 1.355544; bars 1.75 − 1.355544
    expect(windows[0]).toMatchObject({
      at: { x: -0.875, y: 0.875 },
      figure: { width: expect.closeTo(1.355544, 5) },
    });
    expect(gapBetweenFigures(windows[0] as Placed, windows[1] as Placed)).toBeCloseTo(0.394456, 5);
  });
  it('cut their corner where the pad is cut', () => {
    const pad = { ...rectangle(3.5, 3.5), chamfer: { size: 0.6, corners: ['upper-left'] as const } };
    const [first, second] = pasteWindows(pad, 0.6);
    // margin 0.197228: 0.6 + 0.278922 − 0.394456
    expect(first?.figure).toMatchObject({
      chamfer: { size: expect.closeTo(0.484466, 5), corners: ['upper-left'] },
    });
    expect(second?.figure).not.toHaveProperty('chamfer');
  });
  it('cover what was asked for and keep inside the pad, whatever its size', () => {
    const side = fc.double({ min: 0.4, max: 20, noNaN: true }).map((v) => Math.round(v * 1e3) / 1e3);
    fc.assert(
      fc.property(side, side, fc.double({ min: 0.5, max: 0.8, noNaN: true }), (width, height, coverage) => {
        const pad = rectangle(width, height);
        const windows = pasteWindows(pad, coverage);
        expect(Math.abs(coverageOf(pad, windows) - coverage)).toBeLessThan(0.01);
        for (const window of windows) expect(overhang(window, place(pad, { x: 0, y: 0 }))).toBeLessThan(0);
        for (const [i, j] of neighboursOf(windows).pairs(0)) {
          expect(gapBetweenFigures(windows[i] as Placed, windows[j] as Placed)).toBeGreaterThan(0);
        }
        const [a, b] = windows;
        if (a && b) expect(gapBetweenFigures(a, b)).toBeGreaterThanOrEqual(0.2 - 1e-5);
      }),
    );
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
});
