import { cornersOf, type Box } from './box';
import type { Point } from './point';
import type { Polygon, Polyline } from './polygon';

/** Distance of a point from a box, mm; 0 inside. */
export function pointToBox({ x, y }: Point, box: Box): number {
  const dx = Math.max(box.minX - x, 0, x - box.maxX);
  const dy = Math.max(box.minY - y, 0, y - box.maxY);
  return Math.hypot(dx, dy);
}

/** Distance of a point from the segment from `a` to `b`, mm. */
export function pointToSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length2));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

/** Distance of a segment from a box, mm; 0 where they touch or cross. */
export function segmentToBox(a: Point, b: Point, box: Box): number {
  if (crossesBox(a, b, box)) return 0;
  const fromCorners = cornersOf(box).map((corner) => pointToSegment(corner, a, b));
  return Math.min(pointToBox(a, box), pointToBox(b, box), ...fromCorners);
}

/** Whether any point of a segment lies in a box: the slabs' parameter ranges meet. */
function crossesBox(a: Point, b: Point, box: Box): boolean {
  let [from, to] = [0, 1];
  for (const [start, delta, low, high] of [
    [a.x, b.x - a.x, box.minX, box.maxX],
    [a.y, b.y - a.y, box.minY, box.maxY],
  ] as const) {
    if (delta === 0) {
      if (start < low || start > high) return false;
      continue;
    }
    const [t0, t1] = [(low - start) / delta, (high - start) / delta];
    from = Math.max(from, Math.min(t0, t1));
    to = Math.min(to, Math.max(t0, t1));
  }
  return from <= to;
}

/** Distance of an open line from a box, mm. */
export function lineToBox(line: Polyline, box: Box): number {
  let least = Infinity;
  for (let i = 1; i < line.length; i += 1) {
    least = Math.min(least, segmentToBox(line[i - 1] as Point, line[i] as Point, box));
  }
  return least;
}

/** Distance of a convex polygon's outline from a box, mm; a box inside it counts as touched. */
export function polygonToBox(polygon: Polygon, box: Box): number {
  const [first] = polygon;
  if (!first) return Infinity;
  const outline = lineToBox([...polygon, first], box);
  return outline > 0 && contains(polygon, { x: box.minX, y: box.minY }) ? 0 : outline;
}

function contains(polygon: Polygon, { x, y }: Point): boolean {
  return polygon.every((a, i) => {
    const b = polygon[(i + 1) % polygon.length] as Point;
    return (b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x) >= 0;
  });
}
