import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heightsOf } from '../../../src/core/body/heights';
import { grown, padstackName, surfacePadstack, type PadShape } from '../../../src/core/padstack/padstack';
import { PROCESSES } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';

const defaults = { maskMargin: 0.05, pasteMargin: 0 };
const rectangle = (width: number, height: number): PadShape => ({ kind: 'rectangle', width, height });

describe('padstacks', () => {
  it('do the doubling: a margin grows or shrinks every side', () => {
    const stack = surfacePadstack(rectangle(1.55, 0.4), { mask: 0.05, paste: 0.03 }, defaults);
    expect([stack.mask, stack.paste]).toEqual([rectangle(1.65, 0.5), rectangle(1.49, 0.34)]);
  });
  it('shrink to nothing, never below', () =>
    expect(grown(rectangle(1, 0.1), -0.2)).toEqual(rectangle(0.6, 0)));
  it.each([
    [rectangle(1.55, 0.4), { mask: 0.05, paste: 0 }, 'r155_40'],
    [rectangle(1.55, 0.425), { mask: 0.05, paste: 0 }, 'r155_42q5'],
    [rectangle(1.55, 0.4), { mask: 0.025, paste: 0.01 }, 'r155_40m2q5p1'],
    [rectangle(1.55, 0.4), { mask: -0.05, paste: 0 }, 'r155_40mneg5'],
  ])('%j with %j is %s', (copper, margins, name) =>
    expect(padstackName(copper, margins, defaults)).toBe(name),
  );
  it('have one name only where they are one, to a micrometre', () => {
    const um = fc.integer({ min: 50, max: 5000 }).map((v) => v / 1000);
    fc.assert(
      fc.property(um, um, um, um, (a, b, c, d) => {
        const name = (w: number, h: number) =>
          padstackName(rectangle(w, h), { mask: 0.05, paste: 0 }, defaults);
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
