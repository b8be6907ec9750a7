import type { Point } from './point';

/** An axis-parallel rectangle, mm. */
export interface Box {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/** The box of a rectangle given by centre and size. */
export function boxAt(centre: Point, width: number, height: number): Box {
  const [dx, dy] = [width / 2, height / 2];
  return { minX: centre.x - dx, minY: centre.y - dy, maxX: centre.x + dx, maxY: centre.y + dy };
}

export function grow(box: Box, by: number): Box {
  return { minX: box.minX - by, minY: box.minY - by, maxX: box.maxX + by, maxY: box.maxY + by };
}

/** The smallest box round all given ones; `null` for none. */
export function boxRound(boxes: Iterable<Box>): Box | null {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const box of boxes) {
    if (box.minX < minX) minX = box.minX;
    if (box.minY < minY) minY = box.minY;
    if (box.maxX > maxX) maxX = box.maxX;
    if (box.maxY > maxY) maxY = box.maxY;
  }
  return minX <= maxX ? { minX, minY, maxX, maxY } : null;
}

/** The smallest box round points; `null` for none. */
export function boxOfPoints(points: Iterable<Point>): Box | null {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    if (x < minX) minX = x;
    if (y < minY) minY = y;
    if (x > maxX) maxX = x;
    if (y > maxY) maxY = y;
  }
  return minX <= maxX ? { minX, minY, maxX, maxY } : null;
}

/** Clear distance between two boxes, mm; 0 where they touch, negative where they overlap. */
export function gapBetween(a: Box, b: Box): number {
  const dx = Math.max(a.minX - b.maxX, b.minX - a.maxX);
  const dy = Math.max(a.minY - b.maxY, b.minY - a.maxY);
  return dx > 0 && dy > 0 ? Math.hypot(dx, dy) : Math.max(dx, dy);
}

/** Outer to outer distance of two boxes along the axis that they are further apart on, mm. */
export function outerSpan(a: Box, b: Box): number {
  const [p, q] = [centreOf(a), centreOf(b)];
  return Math.abs(p.x - q.x) >= Math.abs(p.y - q.y)
    ? Math.max(a.maxX, b.maxX) - Math.min(a.minX, b.minX)
    : Math.max(a.maxY, b.maxY) - Math.min(a.minY, b.minY);
}

export function centreOf(box: Box): Point {
  return { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
}

/** Corners counter-clockwise from lower left. */
export function cornersOf(box: Box): Point[] {
  return [
    { x: box.minX, y: box.minY },
    { x: box.maxX, y: box.minY },
    { x: box.maxX, y: box.maxY },
    { x: box.minX, y: box.maxY },
  ];
}

/** How far `inner` sticks out of `outer` on its worst side, mm; ≤ 0 where it is inside. */
export function overhang(inner: Box, outer: Box): number {
  return Math.max(
    outer.minX - inner.minX,
    outer.minY - inner.minY,
    inner.maxX - outer.maxX,
    inner.maxY - outer.maxY,
  );
}
