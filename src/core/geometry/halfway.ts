import type { Point } from './point';

/** The point halfway along a line, its direction there, of length 1, and the length of the whole. */
export function halfway(points: readonly Point[]): {
  readonly at: Point;
  readonly along: Point;
  readonly whole: number;
} {
  const legs = points.slice(1).map((q, i) => {
    const p = points[i] ?? q;
    return { p, q, length: Math.hypot(q.x - p.x, q.y - p.y) };
  });
  const whole = legs.reduce((sum, { length }) => sum + length, 0);
  let left = whole / 2;
  for (const { p, q, length } of legs) {
    if (left <= length && length > 0) {
      const along = { x: (q.x - p.x) / length, y: (q.y - p.y) / length };
      return { at: { x: p.x + along.x * left, y: p.y + along.y * left }, along, whole };
    }
    left -= length;
  }
  return { at: points[0] ?? { x: 0, y: 0 }, along: { x: 1, y: 0 }, whole };
}
