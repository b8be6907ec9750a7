import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { overhang } from '../../../src/core/geometry/box';
import { circleAt, place, rectangle, type Figure, type Placed } from '../../../src/core/geometry/figure';
import { gapBetweenFigures } from '../../../src/core/geometry/gaps';
import { neighboursOf } from '../../../src/core/geometry/neighbours';
import { buildPadstack } from '../../../src/core/padstack/build';
import { NO_STACK_CHOICES, type StackChoices } from '../../../src/core/padstack/choices';
import { viaGrid, viaPlaces, type ViaPlan } from '../../../src/core/padstack/vias';
import { coverageOf, pasteWindows, type WindowPlan } from '../../../src/core/padstack/windows';
import { PROCESSES } from '../../../src/core/process';
import type { Process } from '../../../src/core/process/process';
import { cases } from '../../data/depth';

const standard = PROCESSES[0] as Process;
const plan = (part: Partial<WindowPlan> = {}): WindowPlan => ({
  coverage: 0.6,
  gap: 0.2,
  radius: 0,
  columns: null,
  rows: null,
  keepOut: [],
  ...part,
});
const onPad = (pad: Figure) => place(pad, { x: 0, y: 0 });

/** Narrowest bar between any two windows, mm. */
function bars(windows: readonly Placed[]): number {
  let least = Infinity;
  for (const [i, j] of neighboursOf(windows).pairs(1)) {
    least = Math.min(least, gapBetweenFigures(windows[i] as Placed, windows[j] as Placed));
  }
  return least;
}

describe('paste windows of an exposed pad', () => {
  it('are four with equal bars on a pad of 3.5', () => {
    // 4·w² = 0.6·12.25 → w = 1.355544; bar 1.75 − w = 0.394456
    const { windows, bar, coverage } = pasteWindows(rectangle(3.5, 3.5), plan());
    expect(windows).toHaveLength(4);
    expect(windows[0]).toMatchObject({
      at: { x: -0.875, y: 0.875 },
      figure: { width: expect.closeTo(1.355544, 4) },
    });
    expect(bar).toBeCloseTo(0.394456, 4);
    expect(coverage).toBeCloseTo(0.6, 4);
  });
  it('are as many as asked for', () => {
    const { windows, columns, rows } = pasteWindows(rectangle(3.5, 2), plan({ columns: 3, rows: 2 }));
    expect([windows.length, columns, rows]).toEqual([6, 3, 2]);
  });
  it('say what can be reached where bars leave too little', () => {
    // four columns of 0.5 with bars of 0.2: (0.3/0.5)² of the pad
    const { coverage, achievable } = pasteWindows(
      rectangle(2, 2),
      plan({ columns: 4, rows: 4, coverage: 0.8 }),
    );
    expect(coverage).toBeCloseTo(0.36, 5);
    expect(achievable).toBeCloseTo(0.36, 5);
  });
  it('use the whole width of a pad that has one column', () => {
    // two windows of 0.4 × 1.3 on 0.4 × 3.0: 1.04/1.2; inset at their sides too they were 0.2 wide, 43 %
    const narrow = (coverage: number) =>
      pasteWindows(rectangle(0.4, 3), plan({ coverage, columns: 1, rows: 2 }));
    expect(narrow(1).coverage).toBeCloseTo(1.04 / 1.2, 5);
    expect(narrow(1).windows[0]?.figure).toMatchObject({ width: 0.4, height: 1.3 });
    expect(narrow(0.6).coverage).toBeCloseTo(0.6, 5);
  });
  it('follow the cut corner of the pad', () => {
    const pad = { ...rectangle(3.5, 3.5), chamfer: { size: 0.6, corners: ['upper-left'] as const } };
    const [first, second] = pasteWindows(pad, plan()).windows;
    expect(first?.figure.kind).toBe('contour');
    expect(second?.figure.kind).toBe('rectangle');
  });
  it('cover what was asked for, keep their bars, the pad and clear of vias, whatever the sizes', () => {
    const side = fc.double({ min: 1, max: 8, noNaN: true }).map((v) => Math.round(v * 1e3) / 1e3);
    const count = fc.option(fc.integer({ min: 1, max: 4 }), { nil: null });
    const corner = fc.option(fc.double({ min: 0.1, max: 0.4, noNaN: true }), { nil: null });
    const pads = fc.record({
      width: side,
      height: side,
      coverage: fc.double({ min: 0.4, max: 0.8, noNaN: true }),
      columns: count,
      rows: count,
      corner,
      radius: fc.constantFrom(0, 0.06, 0.1),
      pitch: fc.option(fc.constantFrom(0.8, 1, 1.2, 1.5), { nil: null }),
    });
    fc.assert(
      fc.property(pads, ({ width, height, coverage, columns, rows, corner: cut, radius, pitch }) => {
        const size = cut === null ? null : Math.round(cut * Math.min(width, height) * 1e3) / 1e3;
        const pad: Figure = size
          ? { ...rectangle(width, height), chamfer: { size, corners: ['upper-left'] } }
          : rectangle(width, height);
        const grid: ViaPlan = {
          pitchX: pitch ?? 1,
          pitchY: pitch ?? 1,
          hole: 0.3,
          ring: 0.1,
          columns: null,
          rows: null,
          omit: new Set(),
        };
        const vias = pitch === null ? [] : viaGrid(pad, grid);
        const keepOut = vias.map((via) => circleAt(via, via.land + 0.2));
        const made = pasteWindows(pad, plan({ coverage, columns, rows, radius, keepOut }));
        const { windows, achievable } = made;
        expect(coverageOf(pad, windows)).toBeCloseTo(made.coverage, 9);
        // where a crumb is left out, down to a bar's width square, the coverage jumps by its share
        const jump = Math.max(0.02, 0.04 / (width * height));
        expect(Math.abs(made.coverage - Math.min(coverage, achievable))).toBeLessThan(jump);
        for (const window of windows) {
          expect(overhang(window, onPad(pad))).toBeLessThanOrEqual(
            (made.columns > 1 && made.rows > 1 ? -0.1 : 0) + 1e-5,
          );
          for (const area of keepOut) expect(gapBetweenFigures(window, area)).toBeGreaterThan(-2e-3);
        }
        expect(bars(windows)).toBeGreaterThanOrEqual(0.2 - 1e-5);
      }),
      { numRuns: cases(30, 1000) },
    );
  }, 60_000);
});

describe('a via grid', () => {
  const grid = (part: Partial<ViaPlan> = {}): ViaPlan => ({
    pitchX: 1,
    pitchY: 1,
    hole: 0.3,
    ring: 0.1,
    columns: null,
    rows: null,
    omit: new Set(),
    ...part,
  });
  it('fills the pad with whole rings', () => {
    // (3.5 − 0.5)/1 + 1 = 4 along and across
    const vias = viaGrid(rectangle(3.5, 3.5), grid());
    expect(vias).toHaveLength(16);
    expect(vias[0]).toEqual({ x: -1.5, y: 1.5, hole: 0.3, land: 0.5 });
  });
  it('leaves out what is named, by row and column', () => {
    const places = viaPlaces(rectangle(3.5, 3.5), grid({ omit: new Set(['1.1', '4.4']) }));
    expect(places.filter(({ omitted }) => omitted).map(({ x, y }) => [x, y])).toEqual([
      [-1.5, 1.5],
      [1.5, -1.5],
    ]);
  });
  it('leaves out rings that a cut corner would cut', () => {
    // the corner's edge x − y = −(3.5 − 1): a ring of 0.25 at (−1.5, 1.5) lies beyond it
    const pad: Figure = { ...rectangle(3.5, 3.5), chamfer: { size: 1, corners: ['upper-left'] } };
    expect(viaGrid(pad, grid())).toHaveLength(15);
  });
  it('keeps every ring on the pad, whatever the grid', () => {
    const pitch = fc.double({ min: 0.6, max: 3, noNaN: true });
    fc.assert(
      fc.property(pitch, pitch, fc.double({ min: 0.5, max: 9, noNaN: true }), (pitchX, pitchY, side) => {
        const pad = rectangle(side, 4);
        for (const via of viaGrid(pad, grid({ pitchX, pitchY }))) {
          expect(overhang(circleAt(via, via.land), onPad(pad))).toBeLessThanOrEqual(1e-5);
        }
      }),
    );
  });
});

describe('a thermal land', () => {
  const build = (choices: Partial<StackChoices>) =>
    buildPadstack(
      { kind: 'thermal', copper: rectangle(3.5, 3.5), copperSource: 'package', hole: null },
      { ...NO_STACK_CHOICES, ...choices },
      { mask: 0.05, paste: 0 },
      standard,
    );
  const windows = { ...NO_STACK_CHOICES.windows, columns: 3, rows: 3 };
  const vias = { ...NO_STACK_CHOICES.vias, on: true };

  it('has vias on the crossings of its bars unless a pitch is given', () => {
    const stack = build({ windows, vias });
    expect(stack.vias.map(({ x, y }) => [x, y])).toEqual(
      [
        [-1, 1],
        [1, 1],
        [-1, -1],
        [1, -1],
      ].map(([x = 0, y = 0]) => [expect.closeTo((x * 3.5) / 6, 5), expect.closeTo((y * 3.5) / 6, 5)]),
    );
    expect(stack.paste).toHaveLength(9);
    expect(stack.windows?.coverage).toBeCloseTo(0.6, 2);
    expect(stack.name).toMatch(/^s350p9w60v4h30$/);
  });
  it('lets paste run over filled vias only', () => {
    const [open, filled] = [build({ windows, vias }), build({ windows, vias: { ...vias, cover: 'filled' } })];
    expect(open.paste.some(({ figure }) => figure.kind === 'contour')).toBe(true);
    expect(filled.paste.every(({ figure }) => figure.kind === 'rectangle')).toBe(true);
  });
  it('is open to the far side only where vias are', () => {
    expect(build({ windows, vias }).maskOther).toHaveLength(4);
    expect(build({ windows, vias: { ...vias, cover: 'tented' } })).toMatchObject({
      maskOther: [],
      islands: { length: 4 },
    });
  });
  it('takes its windows and vias along where it is moved', () => {
    const [still, moved] = [build({ windows, vias }), build({ windows, vias, offsetX: 0.5 })];
    still.paste.forEach(({ at }, i) => expect(moved.paste[i]?.at.x).toBeCloseTo(at.x + 0.5, 9));
    still.vias.forEach(({ x }, i) => expect(moved.vias[i]?.x).toBeCloseTo(x + 0.5, 9));
    expect(moved.mask[0]?.at).toEqual({ x: 0.5, y: 0 });
  });
  it('can open its mask in windows too', () => {
    const { mask, paste } = build({ windows: { ...windows, mask: true } });
    expect(mask).toHaveLength(9);
    mask.forEach((opening, i) => expect(overhang(paste[i] as Placed, opening)).toBeCloseTo(-0.05, 5));
  });
});
