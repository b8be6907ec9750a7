import type { Point3 } from '../geometry/point';

/**
 * How a model is put onto the board: made larger by `scale`, turned about X, then about Y, then
 * about Z of the board, counter-clockwise seen from the arrow's tip, in degrees; then moved, mm.
 */
export interface Pose {
  readonly scale: number;
  readonly turn: Point3;
  readonly at: Point3;
}

/** A matrix by rows. */
export type Matrix = readonly [number, number, number, number, number, number, number, number, number];

/** Rz · Ry · Rx of angles in degrees; whole quarters are exact. */
export function rotationOf({ x, y, z }: Point3): Matrix {
  const [[ca, sa], [cb, sb], [cc, sc]] = [wave(x), wave(y), wave(z)];
  return [
    cc * cb,
    cc * sb * sa - sc * ca,
    cc * sb * ca + sc * sa,
    sc * cb,
    sc * sb * sa + cc * ca,
    sc * sb * ca - cc * sa,
    -sb,
    cb * sa,
    cb * ca,
  ];
}

/** Cosine and sine of an angle in degrees, exact at quarters. */
function wave(degrees: number): readonly [number, number] {
  const quarter = ((Math.round(degrees / 90) % 4) + 4) % 4;
  if (degrees % 90 === 0)
    return (
      [
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ] as const
    )[quarter] as [number, number];
  const angle = (degrees * Math.PI) / 180;
  return [Math.cos(angle), Math.sin(angle)];
}

/** One turn after another: first `b`, then `a`. */
export function after(a: Matrix, b: Matrix): Matrix {
  const at = (i: number, j: number) =>
    [0, 1, 2].reduce((sum, k) => sum + (a[3 * i + k] as number) * (b[3 * k + j] as number), 0);
  return Array.from({ length: 9 }, (_, i) => at(Math.floor(i / 3), i % 3)) as unknown as Matrix;
}

/** The angles of a turn as a pose has them, degrees; whole quarters are exact. */
export function anglesOf(m: Matrix): Point3 {
  const straight = Math.abs(m[6]) > 1 - 1e-12;
  const degrees = (radians: number) => {
    const angle = (radians * 180) / Math.PI;
    const quarter = Math.round(angle / 90) * 90;
    return (Math.abs(angle - quarter) < 1e-7 ? quarter : angle) + 0;
  };
  // with X turned onto Z only the sum of the two other turns counts
  return straight
    ? { x: 0, y: degrees(Math.asin(Math.max(-1, Math.min(1, -m[6])))), z: degrees(Math.atan2(-m[1], m[4])) }
    : {
        x: degrees(Math.atan2(m[7], m[8])),
        y: degrees(Math.asin(-m[6])),
        z: degrees(Math.atan2(m[3], m[0])),
      };
}

/** How a model that stands in one pose comes into another: turned about Z of the board and so on, then shifted. */
export function between(from: Pose, to: Pose): { readonly turn: Point3; readonly shift: Point3 } {
  const [a, b, c, d, e, f, g, h, i] = rotationOf(from.turn);
  const turn = after(rotationOf(to.turn), [a, d, g, b, e, h, c, f, i]);
  const [x, y, z] = [0, 3, 6].map(
    (row) =>
      (turn[row] as number) * from.at.x +
      (turn[row + 1] as number) * from.at.y +
      (turn[row + 2] as number) * from.at.z,
  ) as [number, number, number];
  return { turn: anglesOf(turn), shift: { x: to.at.x - x, y: to.at.y - y, z: to.at.z - z } };
}

/** The angle of a turn about whatever axis, degrees. */
export function angleOf(m: Matrix): number {
  return (Math.acos(Math.max(-1, Math.min(1, (m[0] + m[4] + m[8] - 1) / 2))) * 180) / Math.PI;
}

/** Where a point of the model comes to lie. */
export function posed({ x, y, z }: Point3, { scale, turn, at }: Pose): Point3 {
  const m = rotationOf(turn);
  return {
    x: scale * (m[0] * x + m[1] * y + m[2] * z) + at.x,
    y: scale * (m[3] * x + m[4] * y + m[5] * z) + at.y,
    z: scale * (m[6] * x + m[7] * y + m[8] * z) + at.z,
  };
}

/** Points turned and made larger, not moved. */
export function turnPositions(positions: Float64Array, turn: Point3, scale: number): Float64Array {
  const m = rotationOf(turn);
  const out = new Float64Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = [positions[i] as number, positions[i + 1] as number, positions[i + 2] as number];
    out[i] = scale * (m[0] * x + m[1] * y + m[2] * z);
    out[i + 1] = scale * (m[3] * x + m[4] * y + m[5] * z);
    out[i + 2] = scale * (m[6] * x + m[7] * y + m[8] * z);
  }
  return out;
}

/** Points where a pose puts them. */
export function placedPositions(positions: Float64Array, { turn, scale, at }: Pose): Float64Array {
  const out = turnPositions(positions, turn, scale);
  for (let i = 0; i < out.length; i += 3) {
    out[i] = (out[i] as number) + at.x;
    out[i + 1] = (out[i + 1] as number) + at.y;
    out[i + 2] = (out[i + 2] as number) + at.z;
  }
  return out;
}

/** The six turns that put each face of a model down. */
export const FACES_DOWN: readonly Point3[] = [
  { x: 0, y: 0, z: 0 },
  { x: 90, y: 0, z: 0 },
  { x: -90, y: 0, z: 0 },
  { x: 180, y: 0, z: 0 },
  { x: 0, y: 90, z: 0 },
  { x: 0, y: -90, z: 0 },
];

/** The four turns about Z. */
export const QUARTERS: readonly number[] = [0, 90, -90, 180];
