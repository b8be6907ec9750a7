import { neighboursOf } from '../../geometry/neighbours';
import { pointToSegment } from '../../geometry/distance';
import type { Point } from '../../geometry/point';
import type { Shape, Stroke } from './strokes';

// Hatching is many strokes side by side that end where an outline is: they fill it and measure nothing.

/** Strokes that make hatching. */
const LEAST = 3;
/** How far from the outline a stroke of hatching ends, points. */
const REACH = 0.6;

/** Outlined boxes that strokes fill, and the strokes that fill none. */
export function withoutHatching(
  shapes: readonly Shape[],
  strokes: readonly Stroke[],
): { readonly shapes: Shape[]; readonly strokes: Stroke[] } {
  const askew = strokes.filter(({ a, b }) => Math.abs(a.x - b.x) > 0.05 && Math.abs(a.y - b.y) > 0.05);
  const index = neighboursOf(
    askew.map(({ a, b }) => ({
      minX: Math.min(a.x, b.x),
      maxX: Math.max(a.x, b.x),
      minY: Math.min(a.y, b.y),
      maxY: Math.max(a.y, b.y),
    })),
  );
  const filling = new Set<Stroke>();
  const made = shapes.map((shape): Shape => {
    const { x0, y0, x1, y1 } = shape.area;
    if (shape.fill !== null && shape.fill !== 'paper') return shape;
    const inside = index
      .near({ minX: x0, maxX: x1, minY: y0, maxY: y1 })
      .map((i) => askew[i] as Stroke)
      .filter(({ a, b }) => [a, b].every((p) => offOutline(p, shape) < REACH));
    // most of them run one way, or two where it is crossed
    const ways = new Map<number, Stroke[]>();
    for (const one of inside) {
      const way = Math.round(
        ((Math.atan2(one.b.y - one.a.y, one.b.x - one.a.x) * 180) / Math.PI + 360) % 180,
      );
      ways.set(way, [...(ways.get(way) ?? []), one]);
    }
    const usual = [...ways.values()].filter((some) => some.length >= LEAST).flat();
    if (usual.length < LEAST) return shape;
    for (const one of usual) filling.add(one);
    return { ...shape, fill: 'hatched' };
  });
  return { shapes: made, strokes: strokes.filter((one) => !filling.has(one)) };
}

/** How far a point is from the outline of a shape. */
function offOutline(p: Point, { corners, area: { x0, y0, x1, y1 } }: Shape): number {
  if (p.x < x0 - REACH || p.x > x1 + REACH || p.y < y0 - REACH || p.y > y1 + REACH) return Infinity;
  return Math.min(
    ...corners.map((corner, i) => pointToSegment(p, corner, corners[(i + 1) % corners.length] as Point)),
  );
}
