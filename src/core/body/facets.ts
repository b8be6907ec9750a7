import type { Point } from '../geometry/point';
import type { Contact } from './contacts';

/** Faces steeper than this are no underside: 0.8° off the horizontal. */
export const FLAT = Math.cos((0.8 * Math.PI) / 180);
/** Heights nearer than this are one, mm. */
export const LEVEL = 0.002;

/** The upward share of a triangle's normal: 1 looks up, −1 down. */
export const steepness = (p: Float64Array, a: number, b: number, c: number): number =>
  normalAt(p, a, b, c)[2];

/** A triangle's unit normal. */
export function normalAt(
  p: Float64Array,
  a: number,
  b: number,
  c: number,
): readonly [number, number, number] {
  const [ax, ay, az] = [p[3 * a] as number, p[3 * a + 1] as number, p[3 * a + 2] as number];
  const ux = (p[3 * b] as number) - ax;
  const uy = (p[3 * b + 1] as number) - ay;
  const uz = (p[3 * b + 2] as number) - az;
  const vx = (p[3 * c] as number) - ax;
  const vy = (p[3 * c + 1] as number) - ay;
  const vz = (p[3 * c + 2] as number) - az;
  const x = uy * vz - uz * vy;
  const y = uz * vx - ux * vz;
  const z = ux * vy - uy * vx;
  const length = Math.sqrt(x * x + y * y + z * z);
  return [x / length, y / length, z / length];
}

/** Area, middle and box of triangles. */
export class Sum {
  #area = 0;
  #x = 0;
  #y = 0;
  #z = 0;
  #box: [number, number, number, number] = [Infinity, -Infinity, Infinity, -Infinity];

  add(p: Float64Array, a: number, b: number, c: number): void {
    const at = (v: number, k: number) => p[3 * v + k] as number;
    const twice =
      (at(b, 0) - at(a, 0)) * (at(c, 1) - at(a, 1)) - (at(b, 1) - at(a, 1)) * (at(c, 0) - at(a, 0));
    const area = Math.abs(twice) / 2;
    this.#area += area;
    this.#x += (area * (at(a, 0) + at(b, 0) + at(c, 0))) / 3;
    this.#y += (area * (at(a, 1) + at(b, 1) + at(c, 1))) / 3;
    this.#z += (area * (at(a, 2) + at(b, 2) + at(c, 2))) / 3;
    for (const v of [a, b, c]) {
      const [x, y] = [at(v, 0), at(v, 1)];
      const [x0, x1, y0, y1] = this.#box;
      this.#box = [Math.min(x0, x), Math.max(x1, x), Math.min(y0, y), Math.max(y1, y)];
    }
  }

  centroid(): Point {
    return { x: this.#x / (this.#area || 1), y: this.#y / (this.#area || 1) };
  }

  contact(): Contact {
    const [x0, x1, y0, y1] = this.#box;
    return {
      x: (x0 + x1) / 2,
      y: (y0 + y1) / 2,
      z: this.#z / (this.#area || 1),
      width: x1 - x0,
      height: y1 - y0,
      area: this.#area,
    };
  }
}
