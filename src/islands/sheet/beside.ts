import type { Point } from '../../core/geometry/point';

/** Half the height of a label, and its distance from what it stands beside, px. */
const HALF = 9;
const AWAY = 6;

/**
 * Where the label of a line stands: on its middle where it leaves enough of the line to be seen, else beside it, to
 * the left or above.
 * @param length of the line, px
 * @param along direction of the line at its middle, of length 1
 */
export function labelAt(middle: Point, length: number, along: Point, width: number): Point {
  const across = Math.abs(along.x) * width + Math.abs(along.y) * 2 * HALF;
  if (length > across + 24) return middle;
  const normal = { x: -along.y, y: along.x };
  const sign = normal.x > 1e-6 || (Math.abs(normal.x) <= 1e-6 && normal.y > 0) ? -1 : 1;
  const by = Math.abs(normal.x) * (width / 2) + Math.abs(normal.y) * HALF + AWAY;
  return { x: middle.x + sign * by * normal.x, y: middle.y + sign * by * normal.y };
}
