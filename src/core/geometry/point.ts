/** A point or vector in the plane, mm; X right, Y up. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A point or vector in space, mm; Z out of the board. */
export interface Point3 extends Point {
  readonly z: number;
}

/** Quarter turns counter-clockwise, in degrees. */
export type Quarter = 0 | 90 | 180 | 270;

/** Turns a point about the origin, exactly, by quarter turns counter-clockwise. */
export function turn({ x, y }: Point, by: Quarter): Point {
  switch (by) {
    case 0:
      return { x, y };
    case 90:
      return { x: 0 - y, y: x };
    case 180:
      return { x: 0 - x, y: 0 - y };
    case 270:
      return { x: y, y: 0 - x };
  }
}

export function add(a: Point, b: Point): Point {
  return { x: a.x + b.x, y: a.y + b.y };
}

/** Distance between two points, mm. */
export function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}
