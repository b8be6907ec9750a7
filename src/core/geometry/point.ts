/** A point or vector in the plane, mm; X right, Y up. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A point or vector in space, mm; Z out of the board. */
export interface Point3 extends Point {
  readonly z: number;
}

/** An angle as degrees counter-clockwise, 0 to less than 360. */
export function fullTurn(angle: number): number {
  return (((angle % 360) + 360) % 360) + 0;
}

/** Whether an angle is a whole number of quarter turns. */
export function isQuarter(angle: number): boolean {
  return angle % 90 === 0;
}

/** Turns a point about the origin by degrees counter-clockwise; exactly for quarter turns. */
export function turn({ x, y }: Point, by: number): Point {
  switch (by < 360 && by >= 0 ? by : fullTurn(by)) {
    case 0:
      return { x, y };
    case 90:
      return { x: 0 - y, y: x };
    case 180:
      return { x: 0 - x, y: 0 - y };
    case 270:
      return { x: y, y: 0 - x };
    default: {
      const angle = (by * Math.PI) / 180;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      return { x: x * c - y * s, y: x * s + y * c };
    }
  }
}

export function add(a: Point, b: Point): Point {
  return { x: a.x + b.x, y: a.y + b.y };
}

/** Distance between two points, mm. */
export function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}
