import Flatbush from 'flatbush';
import { overhang, type Box } from '../geometry/box';
import type { Box3 } from '../geometry/mesh';
import { turn as turnPoint, type Point3 } from '../geometry/point';
import type { Ground } from './ground';
import type { Underside } from './underside';

/** Finds whether a point of the board lies in one of its holes. */
export type InHole = (x: number, y: number) => boolean;

/** Looks up the holes of a board. */
export function holesOf({ holes }: Ground): InHole {
  if (holes.length === 0) return () => false;
  const index = new Flatbush(holes.length);
  for (const { x, y, radius } of holes) index.add(x - radius, y - radius, x + radius, y + radius);
  index.finish();
  return (x, y) =>
    index.search(x, y, x, y, (i) => {
      const hole = holes[i] as Ground['holes'][number];
      return Math.hypot(x - hole.x, y - hole.y) <= hole.radius;
    }).length > 0;
}

/** A surface may lie this much in the laminate before it counts, mm. */
const SKIN = 0.03;

/**
 * The share of a model's surface that stands in the board beside its holes.
 * @param quarter turn about Z, degrees
 */
export function sunkShare(
  { surface: { middles, shares } }: Underside,
  quarter: number,
  at: Point3,
  inHole: InHole,
): number {
  const board = -SKIN - at.z;
  let sunk = 0;
  for (let i = 0; i < shares.length; i += 1) {
    if ((middles[3 * i + 2] as number) >= board) continue;
    const { x, y } = turnPoint({ x: middles[3 * i] as number, y: middles[3 * i + 1] as number }, quarter);
    if (!inHole(x + at.x, y + at.y)) sunk += shares[i] as number;
  }
  return sunk;
}

/**
 * How far the sides of two boxes are apart, as a share of their size: 0 to 1.
 * @param onPins where pins end below the board is left out: they come in all lengths
 */
export function boxOff(a: Box3, b: Box3, onPins: boolean): number {
  return (['x', 'y', 'z'] as const).reduce((sum, axis) => {
    const size = Math.max(b.max[axis] - b.min[axis], 0.1);
    const low = onPins && axis === 'z' ? 0 : Math.abs(a.min[axis] - b.min[axis]);
    const off = low + Math.abs(a.max[axis] - b.max[axis]);
    return sum + Math.min(1, off / size) / 3;
  }, 0);
}

/** How far a model stands out of the courtyard, as a share of its size. */
export function outOfCourtyard({ min, max }: Box3, courtyard: Box): number {
  const out = overhang({ minX: min.x, minY: min.y, maxX: max.x, maxY: max.y }, courtyard);
  return Math.min(
    1,
    Math.max(0, out) / Math.max(1, courtyard.maxX - courtyard.minX, courtyard.maxY - courtyard.minY),
  );
}

export function placedBox({ min, max }: Box3, quarter: number, at: Point3): Box3 {
  const [a, b] = [turnPoint(min, quarter), turnPoint(max, quarter)];
  return {
    min: { x: Math.min(a.x, b.x) + at.x, y: Math.min(a.y, b.y) + at.y, z: min.z + at.z },
    max: { x: Math.max(a.x, b.x) + at.x, y: Math.max(a.y, b.y) + at.y, z: max.z + at.z },
  };
}
