import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contourCorners } from '../../../src/core/document/notations';
import { circleAt, contourOf } from '../../../src/core/geometry/figure';
import { flatten } from '../../../src/core/geometry/contour';
import { cutIn, grownOutline, uncut } from '../../../src/core/geometry/cut-in';
import { area, encloses, type Polygon } from '../../../src/core/geometry/polygon';

const box = (x0: number, y0: number, x1: number, y1: number): Polygon => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];
const written = (polygon: Polygon) => polygon.map(({ x, y }) => `${x},${y}`).join(' ');

describe('an area with openings as one outline', () => {
  it('runs in and round a square', () => {
    const ring = cutIn(box(-2, -2, 2, 2), [box(-1, -1, 1, 1)]);
    expect(area(ring)).toBeCloseTo(12, 5);
    expect(encloses(ring, { x: 0, y: 0 })).toBe(false);
    expect(encloses(ring, { x: 1.5, y: 0.5 })).toBe(true);
    expect(encloses(ring, { x: -1.5, y: 0 })).toBe(true);
  });

  it('keeps the ring of a microphone, which a document can hold', () => {
    const disc = (diameter: number) => flatten(contourOf(circleAt({ x: 0.3, y: -0.2 }, diameter)));
    const ring = cutIn(disc(1.6), [disc(1.0)]);
    expect(area(ring)).toBeCloseTo((Math.PI / 4) * (1.6 ** 2 - 1), 1);
    expect(contourCorners(written(ring), 'mm').ok).toBe(true);
  });

  it('holds any openings in rows: its area, its inside, and that it crosses nothing', () => {
    const rooms = fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 5 })), {
      minLength: 1,
      maxLength: 12,
    });
    fc.assert(
      fc.property(rooms, fc.double({ min: 0.05, max: 0.45, noNaN: true }), (places, half) => {
        const own = [...new Map(places.map((place) => [String(place), place])).values()];
        const openings = own.map(([i, j]) =>
          box(i + 0.5 - half, j + 0.5 - half, i + 0.5 + half, j + 0.5 + half),
        );
        const cut = cutIn(box(0, 0, 6, 6), openings);
        expect(area(cut)).toBeCloseTo(36 - own.length * (2 * half) ** 2, 3);
        for (const [i, j] of own) expect(encloses(cut, { x: i + 0.5, y: j + 0.5 + half / 3 })).toBe(false);
        expect(encloses(cut, { x: 0.01, y: 0.01 })).toBe(true);
        expect(contourCorners(written(cut), 'mm').ok).toBe(true);
        // openings grow and shrink with their area; a cut leaves no notch
        for (const by of [0.02, -0.02]) {
          const grown = grownOutline(cut, by) as Polygon;
          expect(area(grown)).toBeCloseTo((6 + 2 * by) ** 2 - own.length * (2 * (half - by)) ** 2, 3);
          expect(uncut(grown)).toHaveLength(1 + own.length);
        }
      }),
    );
  });
});
