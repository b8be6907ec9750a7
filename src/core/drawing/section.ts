import type { Box } from '../geometry/box';
import type { Face } from '../geometry/faces';
import type { Point, Point3 } from '../geometry/point';

/**
 * `front` looks along +Y and shows (x, z); `side` looks along −X from the right and shows
 * (y, z). Both have z as the second axis.
 */
export type ElevationView = 'front' | 'side';

/** A plane parallel to an elevation: `y` = value for the front view, `x` = value for the side view. */
export interface CuttingPlane {
  readonly axis: 'x' | 'y';
  readonly value: number;
}

/**
 * The closed rings in which a plane cuts a solid given by its faces.
 * @returns rings in the elevation's coordinates, (x, z) for a plane of constant y, (y, z) for one
 *   of constant x; empty where the plane misses the solid
 */
export function sectionOf(faces: readonly Face[], { axis, value }: CuttingPlane): Point[][] {
  // a plane exactly on corners or flat faces is moved by a hair to cut cleanly
  const plane = value + 1.37e-7;
  const segments = faces.flatMap(({ corners }) => cutFace(corners, axis, plane));
  return chain(segments);
}

/** Whether a plane goes through a box in the plan. */
export function crosses(box: Box, { axis, value }: CuttingPlane): boolean {
  return axis === 'x' ? box.minX <= value && value <= box.maxX : box.minY <= value && value <= box.maxY;
}

type Segment = readonly [Point, Point];

function cutFace(corners: readonly Point3[], axis: 'x' | 'y', plane: number): Segment[] {
  const crossings: Point[] = [];
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length] as Point3;
    const [da, db] = [a[axis] - plane, b[axis] - plane];
    if (da < 0 === db < 0) return;
    const t = da / (da - db);
    const along = axis === 'y' ? a.x + (b.x - a.x) * t : a.y + (b.y - a.y) * t;
    crossings.push({ x: along, y: a.z + (b.z - a.z) * t });
  });
  // a face that is not convex is cut several times; its crossings pair up along the cut
  crossings.sort((p, q) => p.x - q.x || p.y - q.y);
  const segments: Segment[] = [];
  for (let i = 1; i < crossings.length; i += 2)
    segments.push([crossings[i - 1] as Point, crossings[i] as Point]);
  return segments;
}

/** Joins segments end to end into closed rings. */
function chain(segments: readonly Segment[]): Point[][] {
  const key = ({ x, y }: Point) => `${x.toFixed(6)} ${y.toFixed(6)}`;
  const ends = new Map<string, number[]>();
  segments.forEach(([a, b], i) => {
    for (const end of [key(a), key(b)]) ends.set(end, [...(ends.get(end) ?? []), i]);
  });
  const used = new Set<number>();
  const rings: Point[][] = [];
  segments.forEach((segment, start) => {
    if (used.has(start)) return;
    used.add(start);
    const ring: Point[] = [...segment];
    for (;;) {
      const tail = ring.at(-1) as Point;
      const next = ends.get(key(tail))?.find((i) => !used.has(i));
      if (next === undefined) break;
      used.add(next);
      const [a, b] = segments[next] as Segment;
      ring.push(key(a) === key(tail) ? b : a);
    }
    if (ring.length > 3) rings.push(ring.slice(0, -1));
  });
  return rings;
}
