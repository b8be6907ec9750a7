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
