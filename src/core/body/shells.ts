import { DisjointSets } from '../geometry/disjoint-sets';
import { cross, dot, minus } from '../geometry/brep';
import { boxOfPositions, triangleAt, vertexAt, type Box3, type Mesh } from '../geometry/mesh';
import type { Point3 } from '../geometry/point';

/** A connected piece of a model's surface: a solid's outside, or the wall of a hollow. */
export interface Shell {
  /** Index of the mesh that it came in. */
  readonly part: number;
  readonly triangles: readonly number[];
  readonly box: Box3;
}

/**
 * The connected pieces of a mesh with joined vertices, the largest first.
 * @param starts first vertex of each mesh that was joined into it, rising
 */
export function shellsOf({ positions, indices }: Mesh, starts: readonly number[]): Shell[] {
  const sets = new DisjointSets(positions.length / 3);
  for (let t = 0; t < indices.length; t += 3) {
    sets.join(indices[t] as number, indices[t + 1] as number);
    sets.join(indices[t] as number, indices[t + 2] as number);
  }
  const found = new Map<number, number[]>();
  for (let t = 0; t < indices.length; t += 3) {
    const root = sets.rootOf(indices[t] as number);
    const own = found.get(root);
    if (own) own.push(t);
    else found.set(root, [t]);
  }
  return [...found.values()]
    .map((triangles): Shell => ({
      part: partOf(indices[triangles[0] as number] as number, starts),
      triangles,
      box: boxOfTriangles(positions, indices, triangles),
    }))
    .sort((a, b) => diagonalOf(b.box) - diagonalOf(a.box));
}

function partOf(vertex: number, starts: readonly number[]): number {
  let [low, high] = [0, starts.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((starts[middle] as number) <= vertex) low = middle;
    else high = middle - 1;
  }
  return low;
}

function boxOfTriangles(positions: Float64Array, indices: Uint32Array, triangles: readonly number[]): Box3 {
  const [x, y, z] = [0, 1, 2].map((axis) => {
    let [min, max] = [Infinity, -Infinity];
    for (const t of triangles) {
      for (let k = 0; k < 3; k += 1) {
        const value = positions[3 * (indices[t + k] as number) + axis] as number;
        if (value < min) min = value;
        if (value > max) max = value;
      }
    }
    return { min, max };
  }) as [Range, Range, Range];
  return { min: { x: x.min, y: y.min, z: z.min }, max: { x: x.max, y: y.max, z: z.max } };
}

interface Range {
  readonly min: number;
  readonly max: number;
}

const AXES = ['x', 'y', 'z'] as const;

export const sideOf = ({ min, max }: Box3, axis: 'x' | 'y' | 'z'): number => max[axis] - min[axis];

export const diagonalOf = (box: Box3): number => Math.hypot(...AXES.map((axis) => sideOf(box, axis)));

/** A mesh of only some shells. */
export function meshOfShells({ positions, indices }: Mesh, shells: readonly Shell[]): Mesh {
  const kept = new Uint32Array(shells.reduce((sum, { triangles }) => sum + 3 * triangles.length, 0));
  const renamed = new Int32Array(positions.length / 3).fill(-1);
  const used: number[] = [];
  let filled = 0;
  for (const { triangles } of shells) {
    for (const t of triangles) {
      for (let k = 0; k < 3; k += 1) {
        const v = indices[t + k] as number;
        if ((renamed[v] as number) < 0) renamed[v] = used.push(v) - 1;
        kept[filled] = renamed[v] as number;
        filled += 1;
      }
    }
  }
  const places = new Float64Array(3 * used.length);
  for (let i = 0; i < places.length; i += 1)
    places[i] = positions[3 * (used[Math.floor(i / 3)] as number) + (i % 3)] as number;
  return { positions: places, indices: kept };
}

/** Whether one box lies inside of another, off all of its sides. */
function isWithin(inner: Box3, outer: Box3, off: number): boolean {
  return AXES.every(
    (axis) => inner.min[axis] > outer.min[axis] + off && inner.max[axis] < outer.max[axis] - off,
  );
}

/** A direction that no face of a part is likely to lie along. */
const RAY: Point3 = { x: 0.0123, y: 0.0371, z: 1 };

/** Whether a shell lies inside of another's closed surface: a ray from it leaves an odd number of times. */
export function isInside(mesh: Mesh, inner: Shell, outer: Shell): boolean {
  if (!isWithin(inner.box, outer.box, 1e-4 * diagonalOf(outer.box))) return false;
  const from = vertexAt(mesh, mesh.indices[inner.triangles[0] as number] as number);
  return outer.triangles.filter((t) => isHit(triangleAt(mesh, t), from)).length % 2 === 1;
}

/** Whether the ray from a point meets a triangle (Möller and Trumbore). */
function isHit([a, b, c]: readonly [Point3, Point3, Point3], from: Point3): boolean {
  const [e1, e2] = [minus(b, a), minus(c, a)];
  const across = cross(RAY, e2);
  const det = dot(e1, across);
  if (Math.abs(det) < 1e-18) return false;
  const way = minus(from, a);
  const u = dot(way, across) / det;
  if (u < 0 || u > 1) return false;
  const side = cross(way, e1);
  const v = dot(RAY, side) / det;
  return v >= 0 && u + v <= 1 && dot(e2, side) / det > 0;
}

/** The box round several shells; `null` round none. */
export function boxOfShells(shells: readonly Shell[]): Box3 | null {
  return boxOfPositions(
    Float64Array.from(shells.flatMap(({ box: { min, max } }) => [min.x, min.y, min.z, max.x, max.y, max.z])),
  );
}
