import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  boxAt,
  boxOfPoints,
  gapBetween,
  outerSpan,
  overhang,
  type Box,
} from '../../../src/core/geometry/box';
import {
  areaOf,
  contourOf,
  grown,
  perimeterOf,
  place,
  rectangle,
  type Figure,
} from '../../../src/core/geometry/figure';
import { gapBetweenFigures, gapToLine } from '../../../src/core/geometry/gaps';
import { flatten, strip } from '../../../src/core/geometry/contour';
import { facesOf } from '../../../src/core/geometry/faces';
import { neighboursOf } from '../../../src/core/geometry/neighbours';
import { pointToSegment } from '../../../src/core/geometry/distance';
import { turn, type Point, type Point3 } from '../../../src/core/geometry/point';
import { area, encloses, unite } from '../../../src/core/geometry/polygon';
import { cutLines, type Segment } from '../../../src/core/geometry/cut-lines';
import { block, type Shape } from '../../../src/core/geometry/solid';

const square = (x: number, y: number, size: number) => [
  { x, y },
  { x: x + size, y },
  { x: x + size, y: y + size },
  { x, y: y + size },
];

/** Volume from the divergence theorem: right only where faces are closed and face outwards. */
function volume(shape: Shape): number {
  let six = 0;
  for (const { corners } of facesOf(shape)) {
    const [a] = corners as [Point3];
    for (let i = 1; i + 1 < corners.length; i += 1) {
      const [b, c] = [corners[i] as Point3, corners[i + 1] as Point3];
      six += a.x * (b.y * c.z - b.z * c.y) - a.y * (b.x * c.z - b.z * c.x) + a.z * (b.x * c.y - b.y * c.x);
    }
  }
  return six / 6;
}

describe('boxes', () => {
  const a = boxAt({ x: 0, y: 0 }, 2, 1);
  it.each<[string, Box, number]>([
    ['beside', boxAt({ x: 2.5, y: 0 }, 2, 1), 0.5],
    ['diagonal', boxAt({ x: 5, y: 4.5 }, 2, 1), Math.hypot(3, 3.5)],
    ['overlapping', boxAt({ x: 1.5, y: 0 }, 2, 1), -0.5],
  ])('measure the gap %s', (_, b, gap) => expect(gapBetween(a, b)).toBeCloseTo(gap, 12));
  it('measure outer to outer along the axis that they are further apart on', () => {
    expect(outerSpan(a, boxAt({ x: 5, y: 1 }, 2, 1))).toBe(7);
    expect(outerSpan(a, boxAt({ x: 1, y: -4 }, 2, 1))).toBe(5);
  });
  it('measure how far one sticks out of another', () => {
    expect(overhang(a, boxAt({ x: 0, y: 0 }, 3, 3))).toBe(-0.5);
    expect(overhang(a, boxAt({ x: 1, y: 0 }, 2, 3))).toBe(1);
  });
});

it('four quarter turns are none', () => {
  expect([90, 90, 90, 90].reduce(turn, { x: 1, y: 2 })).toEqual({ x: 1, y: 2 });
  expect(turn({ x: 1, y: 0 }, 90)).toEqual({ x: 0, y: 1 });
});

describe('neighbours', () => {
  const boxes = fc.array(
    fc
      .record({
        x: fc.double({ min: 0, max: 20, noNaN: true }),
        y: fc.double({ min: 0, max: 20, noNaN: true }),
      })
      .map((p) => boxAt(p, 1, 0.5)),
    { maxLength: 60 },
  );
  it('finds the pairs that a comparison of all with all finds', () => {
    fc.assert(
      fc.property(boxes, fc.double({ min: 0, max: 2, noNaN: true }), (all, within) => {
        const found = neighboursOf(all).pairs(within);
        const isNear = (a: Box, b: Box) =>
          Math.max(a.minX - b.maxX, b.minX - a.maxX, a.minY - b.maxY, b.minY - a.maxY) < within;
        const clear = all.flatMap((a, i) =>
          all.slice(i + 1).flatMap((b, k) => (isNear(a, b) ? [[i, i + 1 + k]] : [])),
        );
        // none is left out, and what stands exactly as far apart may be there
        expect(found.filter(([i, j]) => isNear(all[i] as Box, all[j] as Box))).toEqual(clear);
        for (const [i, j] of found)
          expect(gapBetween(all[i] as Box, all[j] as Box)).toBeLessThan(Math.SQRT2 * within + 1e-9);
      }),
    );
  });
});

describe('polygons', () => {
  it('unite whatever their direction', () => {
    expect(unite([square(0, 0, 1), square(0.5, 0, 1)]).map(area)).toEqual([1.5]);
    expect(unite([[...square(0, 0, 1)].reverse()]).map(area)).toEqual([1]);
  });
});

describe('lines cut by outlines', () => {
  const from = (x: number, y: number, u: number, v: number): Segment => [
    { x, y },
    { x: u, y: v },
  ];
  it('keep what lies outside, in their order and direction', () => {
    // a comb of two teeth, walked clockwise, and a square that overlaps its second tooth
    const comb = [
      [0, 0],
      [0, 2],
      [1, 2],
      [1, 1],
      [2, 1],
      [2, 2],
      [3, 2],
      [3, 0],
    ].map(([x = 0, y = 0]) => ({ x, y }));
    const cut = cutLines([from(4, 1.5, -1, 1.5), from(0, 3, 4, 3)], [comb, square(2.5, 1, 1)]);
    expect(cut).toEqual([
      from(4, 1.5, 3.5, 1.5),
      from(2, 1.5, 1, 1.5),
      from(0, 1.5, -1, 1.5),
      from(0, 3, 4, 3),
    ]);
  });
  it('leave nothing of a line that is covered, and all of one that no outline meets', () => {
    expect(cutLines([from(0.2, 0.2, 0.8, 0.8)], [square(0, 0, 1)])).toEqual([]);
    expect(cutLines([from(0, 5, 1, 5)], [square(0, 0, 1)])).toEqual([from(0, 5, 1, 5)]);
  });
  it('lie outside with every point that is left, and inside with every other', () => {
    const spot = fc.record({ x: fc.integer({ min: -40, max: 40 }), y: fc.integer({ min: -40, max: 40 }) });
    // corners at rising angles round a middle: simple, and mostly with dents
    const star = fc.tuple(spot, fc.array(fc.integer({ min: 3, max: 30 }), { minLength: 3, maxLength: 9 }));
    fc.assert(
      fc.property(spot, spot, fc.array(star, { minLength: 1, maxLength: 4 }), (a, b, stars) => {
        const outlines = stars.map(([at, reaches]) =>
          reaches.map((reach, i) => {
            const angle = (2 * Math.PI * (i + 0.3)) / reaches.length;
            return { x: at.x + reach * Math.cos(angle), y: at.y + reach * Math.sin(angle) };
          }),
        );
        const left = cutLines([[a, b]], outlines);
        for (let t = 0.005; t < 1; t += 0.01) {
          const p = { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
          const near = outlines.some((o) =>
            o.some((q, i) => pointToSegment(p, q, o[(i + 1) % o.length] as Point) < 1e-3),
          );
          if (near) continue;
          const kept = left.some(([q, r]) => pointToSegment(p, q, r) < 1e-5);
          expect(kept).toBe(!outlines.some((o) => encloses(o, p)));
        }
      }),
    );
  });
});

describe('figures', () => {
  const at = (figure: Figure, x: number, y: number) => place(figure, { x, y });
  const round = (diameter: number): Figure => ({ kind: 'round', diameter });
  const oblong: Figure = { kind: 'oblong', width: 3, height: 1 };
  const chamfered: Figure = { ...rectangle(2, 2), chamfer: { size: 0.5, corners: ['upper-right'] } };
  it.each([
    ['rectangles side by side', at(rectangle(2, 2), 0, 0), at(rectangle(2, 2), 3, 0.5), 1],
    ['rectangles corner to corner', at(rectangle(2, 2), 0, 0), at(rectangle(2, 2), 3, 3), Math.SQRT2],
    ['circles', at(round(1), 0, 0), at(round(2), 3, 4), 3.5],
    ['a circle and a corner', at(round(2), 4, 5), at(rectangle(2, 2), 0, 0), 4],
    ['an oblong and a circle beyond its end', at(oblong, 0, 0), at(round(1), 3, 0), 1],
    ['an oblong and a circle beside it', at(oblong, 0, 0), at(round(1), 1, 2), 1],
    // the cut corner's edge runs through (1, 0.5) and (0.5, 1): (2, 2) is 2.5/√2 away
    ['a cut corner', at(chamfered, 0, 0), at(round(1), 2, 2), 2.5 / Math.SQRT2 - 0.5],
    ['rounded corners', at({ ...rectangle(2, 2), radius: 0.5 }, 0, 0), at(round(1), 3.5, 4.5), 4],
  ])('keep their distance: %s', (_, a, b, want) => {
    expect(gapBetweenFigures(a, b)).toBeCloseTo(want, 9);
    expect(gapBetweenFigures(b, a)).toBeCloseTo(want, 9);
  });
  it('overlap where one lies in the other', () => {
    expect(gapBetweenFigures(at(round(1), 0, 0), at(rectangle(3, 3), 0, 0))).toBeLessThan(0);
    expect(gapBetweenFigures(at(round(1), 0, 0), at(round(1), 0.2, 0))).toBeCloseTo(-0.8, 9);
  });
  it.each([
    [round(2), Math.PI, 2 * Math.PI],
    [oblong, 2 + Math.PI / 4, 4 + Math.PI],
    [{ kind: 'd-shape', width: 2, height: 2 } as const, 2 + Math.PI / 2, 4 + Math.PI],
    [{ ...rectangle(2, 3), radius: 0.5 }, 6 - 4 * 0.25 + Math.PI / 4, 2 * (1 + 2) + Math.PI],
    [chamfered, 4 - 0.125, 8 - 1 + Math.SQRT1_2],
  ])('%j has its area and outline', (figure, area, perimeter) => {
    expect(areaOf(figure)).toBeCloseTo(area, 9);
    expect(perimeterOf(figure)).toBeCloseTo(perimeter, 9);
  });
  it('a line passes them at its distance', () => {
    const line = [
      { x: -5, y: 3 },
      { x: 5, y: 3 },
    ];
    expect(gapToLine(at(round(2), 0, 0), line)).toBeCloseTo(2, 12);
    expect(gapToLine(at(rectangle(2, 2), 0, 2), line)).toBeLessThanOrEqual(0);
  });
  it('stay themselves when they are grown and turned', () => {
    const size = fc.double({ min: 0.1, max: 5, noNaN: true });
    const figures = fc.oneof(
      size.map(round),
      fc.tuple(size, size).map(([w, h]): Figure => ({ kind: 'oblong', width: w, height: h })),
      fc.tuple(size, size).map(([w, h]): Figure => ({ kind: 'd-shape', width: w, height: h })),
      fc.tuple(size, size).map(([w, h]): Figure => ({ ...rectangle(w, h), radius: Math.min(w, h) / 4 })),
    );
    fc.assert(
      fc.property(
        figures,
        fc.constantFrom(0, 90, 180, 270),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (f, by, more) => {
          const [inner, outer] = [place(f, { x: 1, y: 2 }, by), place(grown(f, more), { x: 1, y: 2 }, by)];
          expect(overhang(inner, outer)).toBeLessThanOrEqual(3e-6 - more);
          const drawn = boxOfPoints(flatten(contourOf(outer), 1e-6)) as Box;
          // the outline reaches its box on every side
          expect(Math.abs(overhang(drawn, outer))).toBeLessThan(1e-3);
          expect(area(flatten(contourOf(inner), 1e-6))).toBeCloseTo(areaOf(f), 3);
        },
      ),
    );
  });
});

describe('solids', () => {
  it('a block has its volume', () => expect(volume(block(2, 3, 0.5, 1.5))).toBeCloseTo(6, 9));
  it('a frustum has the volume of its formula', () => {
    const at = (z: number, size: number) => ({ z, corners: square(-size / 2, -size / 2, size) });
    // h/3 (A + B + √(A·B)) with 4 and 1
    expect(volume({ kind: 'loft', sections: [at(0, 2), at(3, 1)] })).toBeCloseTo(7, 9);
  });
  it('a bent strip keeps its cross-section: area is length of the centre line times thickness', () => {
    const bend = strip(
      [
        { x: 0, y: 2 },
        { x: 2, y: 2 },
        { x: 2, y: 0 },
        { x: 4, y: 0 },
      ],
      0.2,
      0.3,
    );
    // two right angles on radius 0.4: each saves 2·0.4 and adds 0.4·π/2
    const length = 6 - 2 * (0.8 - 0.2 * Math.PI);
    expect(area(flatten(bend, 1e-5))).toBeCloseTo(length * 0.2, 4);
    expect(volume({ kind: 'extrusion', contour: bend, depth: 0.5 })).toBeCloseTo(length * 0.1, 2);
  });
});
