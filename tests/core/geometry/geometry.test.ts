import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxAt, gapBetween, outerSpan, overhang, type Box } from '../../../src/core/geometry/box';
import { polygonToBox, segmentToBox } from '../../../src/core/geometry/distance';
import { flatten, strip } from '../../../src/core/geometry/contour';
import { facesOf } from '../../../src/core/geometry/faces';
import { neighboursOf } from '../../../src/core/geometry/neighbours';
import { turn, type Point3, type Quarter } from '../../../src/core/geometry/point';
import { area, cutLines, lengthOf, unite } from '../../../src/core/geometry/polygon';
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
  it('turn by quarters', () =>
    expect(boxAt({ x: 0, y: 0 }, 2, 1, 90)).toEqual({ minX: -0.5, minY: -1, maxX: 0.5, maxY: 1 }));
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
  const quarters: Quarter[] = [90, 90, 90, 90];
  expect(quarters.reduce(turn, { x: 1, y: 2 })).toEqual({ x: 1, y: 2 });
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
        const got = new Set(
          [...neighboursOf(all).pairs(within)].map(([i, j]) => `${Math.min(i, j)} ${Math.max(i, j)}`),
        );
        for (let i = 0; i < all.length; i += 1) {
          for (let j = i + 1; j < all.length; j += 1) {
            if (gapBetween(all[i] as Box, all[j] as Box) < within) expect(got).toContain(`${i} ${j}`);
          }
        }
      }),
    );
  });
});

describe('polygons', () => {
  it('unite whatever their direction', () => {
    expect(unite([square(0, 0, 1), square(0.5, 0, 1)]).map(area)).toEqual([1.5]);
    expect(unite([[...square(0, 0, 1)].reverse()]).map(area)).toEqual([1]);
  });
  it('cut lines outside of areas, to the nanometre', () => {
    const cut = cutLines(
      [
        [
          { x: -1, y: 0.5 },
          { x: 3, y: 0.5 },
        ],
      ],
      [square(0, 0, 1)],
    );
    expect(cut.map(lengthOf).reduce((a, b) => a + b, 0)).toBe(3);
    expect(cut).toHaveLength(2);
  });
});

describe('distances to a box', () => {
  const box = boxAt({ x: 0, y: 0 }, 2, 2);
  it.each([
    ['beside', { x: 2, y: -1 }, { x: 2, y: 1 }, 1],
    ['diagonal past a corner', { x: 1, y: 3 }, { x: 3, y: 1 }, Math.SQRT2],
    ['through', { x: -3, y: 0 }, { x: 3, y: 0.5 }, 0],
    ['inside', { x: 0, y: 0 }, { x: 0.5, y: 0 }, 0],
    ['a point', { x: 4, y: 5 }, { x: 4, y: 5 }, 5],
  ])('of a segment %s', (_, a, b, want) => expect(segmentToBox(a, b, box)).toBeCloseTo(want, 12));
  it('of a polygon round it is none', () => {
    expect(polygonToBox(square(-5, -5, 10), box)).toBe(0);
    expect(polygonToBox(square(3, -1, 2), box)).toBe(2);
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
