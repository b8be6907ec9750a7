import { cross, dot, minus, plus, scaled } from '../geometry/brep';
import { triangleAt, type Mesh } from '../geometry/mesh';
import type { Point3 } from '../geometry/point';
import { patchesOf } from './patches';
import type { Matrix } from './pose';

/** Normals that agree to about 0.03° are one direction: facets of what is round do not add up. */
const CELLS = 2048;
/** Facets of a smaller share of the surface tell no direction. */
const TELLING = 1e-5;
/** Directions that differ by less are summed up where cells part them, as cosine: 0.08°. */
const ONE = Math.cos((0.08 * Math.PI) / 180);
/** Axes that lie nearer to the file's than this lie along them, as cosine: 0.02°. */
const STRAIGHT = Math.cos((0.02 * Math.PI) / 180);

const IDENTITY: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1];

/** Whether a frame is that of the file. */
export const isStraight = (frame: Matrix): boolean => frame.every((value, i) => value === IDENTITY[i]);

type Axes = readonly [Point3, Point3, Point3];

/**
 * The turn that brings a model's own axes onto the nearest axes of its file. Its own axes are the
 * direction that most of its surface looks along, and that which most of what is square to it does.
 */
export function frameOf(mesh: Mesh): Matrix {
  const found = directionsOf(mesh);
  const [first] = found;
  if (!first) return IDENTITY;
  const one = wholeOf(first, found);
  // facets of what is round have no direction to give
  const across = isRoundAbout(one, found)
    ? undefined
    : found.find((sum) => Math.abs(dot(unit(sum), one)) < 0.3);
  const rough = across ? wholeOf(across, found) : leastAlong(one);
  const two = unit(minus(rough, scaled(one, dot(rough, one))));
  const [x, y, z] = nearest([one, two, cross(one, two)]);
  if (x.x >= STRAIGHT && y.y >= STRAIGHT && z.z >= STRAIGHT) return IDENTITY;
  return [x.x, x.y, x.z, y.x, y.y, y.z, z.x, z.y, z.z];
}

/** As many directions square to the first as this have much surface only on what is round. */
const ROUND = 5;

/** The axis that a model is about the same all round, so that its faces do not tell how it is turned; `null` where there is none. */
export function roundAxis(mesh: Mesh): Point3 | null {
  const found = directionsOf(mesh);
  const [first] = found;
  if (!first) return null;
  const one = wholeOf(first, found);
  return isRoundAbout(one, found) ? one : null;
}

function isRoundAbout(axis: Point3, found: readonly Point3[]): boolean {
  const across = found.filter((sum) => Math.abs(dot(unit(sum), axis)) < 0.05);
  const most = across[0] ? length(across[0]) : 0;
  return across.filter((sum) => length(sum) > most / 2).length >= ROUND;
}

/** Summed normals by direction, both ways of one together, those of most surface first. */
function directionsOf(mesh: Mesh): Point3[] {
  const sums = new Map<number, Point3>();
  const { shares } = patchesOf(mesh);
  for (let t = 0; t < mesh.indices.length; t += 3) {
    if ((shares[t / 3] as number) < TELLING) continue;
    const [a, b, c] = triangleAt(mesh, t);
    const twice = cross(minus(b, a), minus(c, a));
    const size = length(twice);
    if (size === 0) continue;
    const normal = isAgainst(scaled(twice, 1 / size)) ? scaled(twice, -1) : twice;
    const cell = (value: number) => Math.round((value / size) * CELLS) + CELLS;
    const key = (cell(normal.x) * 8192 + cell(normal.y)) * 8192 + cell(normal.z);
    sums.set(key, plus(sums.get(key) ?? { x: 0, y: 0, z: 0 }, normal));
  }
  return [...sums.values()].sort((a, b) => length(b) - length(a));
}

/** A direction with what cells parted from it, as a unit vector. */
function wholeOf(direction: Point3, found: readonly Point3[]): Point3 {
  const way = unit(direction);
  return unit(
    found.reduce(
      (sum, other) => (other !== direction && dot(unit(other), way) > ONE ? plus(sum, other) : sum),
      direction,
    ),
  );
}

/** Which of a direction's two ways is not the one that stands for both. */
function isAgainst({ x, y, z }: Point3): boolean {
  const none = 1e-6;
  if (Math.abs(x) > none) return x < 0;
  return Math.abs(y) > none ? y < 0 : z < 0;
}

/** The order and signs of three square axes that turn them least; right-handed. */
function nearest(axes: Axes): Axes {
  const ways = ORDERS.map(([i, j]): Axes => {
    const x = along(axes[i], 'x');
    const y = along(axes[j], 'y');
    return [x, y, cross(x, y)];
  });
  const trace = ([x, y, z]: Axes) => x.x + y.y + z.z;
  return ways.reduce((best, way) => (trace(way) > trace(best) ? way : best));
}

/** Which of three axes become X and Y. */
const ORDERS = [
  [0, 1],
  [0, 2],
  [1, 0],
  [1, 2],
  [2, 0],
  [2, 1],
] as const;

const along = (axis: Point3, way: 'x' | 'y') => (axis[way] < 0 ? scaled(axis, -1) : axis);

/** The axis of the file that a direction lies least along. */
function leastAlong({ x, y, z }: Point3): Point3 {
  const [ax, ay, az] = [Math.abs(x), Math.abs(y), Math.abs(z)];
  if (ax <= ay && ax <= az) return { x: 1, y: 0, z: 0 };
  return ay <= az ? { x: 0, y: 1, z: 0 } : { x: 0, y: 0, z: 1 };
}

const length = ({ x, y, z }: Point3) => Math.hypot(x, y, z);
const unit = (a: Point3) => scaled(a, 1 / (length(a) || 1));
