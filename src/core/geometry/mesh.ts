import earcut from 'earcut';
import { normalOf } from './brep';
import { facesOf } from './faces';
import type { Point3 } from './point';
import type { Shape } from './solid';

/** A triangle mesh: x, y, z of each vertex, and three vertices of each triangle, counter-clockwise from outside. */
export interface Mesh {
  readonly positions: Float64Array;
  readonly indices: Uint32Array;
}

/** Lowest and highest coordinates. */
export interface Box3 {
  readonly min: Point3;
  readonly max: Point3;
}

/** A vertex of a mesh. */
export function vertexAt({ positions }: Mesh, v: number): Point3 {
  return {
    x: positions[3 * v] as number,
    y: positions[3 * v + 1] as number,
    z: positions[3 * v + 2] as number,
  };
}

/** The three corners of the triangle whose first index stands at `t`. */
export function triangleAt(mesh: Mesh, t: number): readonly [Point3, Point3, Point3] {
  const corner = (k: number) => vertexAt(mesh, mesh.indices[t + k] as number);
  return [corner(0), corner(1), corner(2)];
}

/** Triangles of a flat polygon in space, as indices of its corners. */
export function triangulate(corners: readonly Point3[]): number[] {
  if (corners.length === 3) return [0, 1, 2];
  const normal = normalOf(corners);
  if (!normal) return [];
  // flattened along the normal's largest axis, keeping the sense of rotation
  const [x, y, z] = [Math.abs(normal.x), Math.abs(normal.y), Math.abs(normal.z)];
  const flat = corners.flatMap((p): [number, number] => {
    if (z >= x && z >= y) return normal.z > 0 ? [p.x, p.y] : [p.y, p.x];
    if (x >= y) return normal.x > 0 ? [p.y, p.z] : [p.z, p.y];
    return normal.y > 0 ? [p.z, p.x] : [p.x, p.z];
  });
  const found = earcut(flat);
  // the library does not promise a sense of rotation
  const out: number[] = [];
  for (let i = 0; i < found.length; i += 3) {
    const [a, b, c] = [found[i] as number, found[i + 1] as number, found[i + 2] as number];
    const at = (k: number) => [flat[2 * k] as number, flat[2 * k + 1] as number] as const;
    const [[ax, ay], [bx, by], [cx, cy]] = [at(a), at(b), at(c)];
    out.push(...((bx - ax) * (cy - ay) - (by - ay) * (cx - ax) >= 0 ? [a, b, c] : [a, c, b]));
  }
  return out;
}

/** A shape's faces as triangles; vertices are not shared between faces. @param round facets round an axis */
export function meshOf(shape: Shape, round?: number): Mesh {
  return meshOfFaces(facesOf(shape, round).map(({ corners }) => corners));
}

/** Flat faces as triangles; vertices are not shared between faces. */
export function meshOfFaces(faces: readonly (readonly Point3[])[]): Mesh {
  const positions: number[] = [];
  const indices: number[] = [];
  for (const corners of faces) {
    const first = positions.length / 3;
    for (const { x, y, z } of corners) positions.push(x, y, z);
    for (const i of triangulate(corners)) indices.push(first + i);
  }
  return { positions: Float64Array.from(positions), indices: Uint32Array.from(indices) };
}

/** The box round points; `null` round none. */
export function boxOfPositions(positions: Float64Array): Box3 | null {
  if (positions.length < 3) return null;
  const min = { x: Infinity, y: Infinity, z: Infinity };
  const max = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = [positions[i] as number, positions[i + 1] as number, positions[i + 2] as number];
    if (x < min.x) min.x = x;
    if (y < min.y) min.y = y;
    if (z < min.z) min.z = z;
    if (x > max.x) max.x = x;
    if (y > max.y) max.y = y;
    if (z > max.z) max.z = z;
  }
  return { min, max };
}

/** More cells than any model has along a side: those of two sides make one whole number. */
const CELLS = 2 ** 26;

/**
 * Joins vertices of the same place within each mesh, and puts the meshes into one; vertices of
 * different meshes stay apart, so that touching solids stay solids of their own.
 * @param within vertices nearer than this are one
 * @returns the mesh, and the first vertex of each that was put into it
 */
export function welded(
  meshes: readonly Mesh[],
  within: number,
): { readonly mesh: Mesh; readonly starts: readonly number[] } {
  const total = meshes.reduce((sum, { positions }) => sum + positions.length / 3, 0);
  const corners = meshes.reduce((sum, { indices }) => sum + indices.length, 0);
  const positions = new Float64Array(total * 3);
  const indices = new Uint32Array(corners);
  let [vertices, filled] = [0, 0];
  const starts: number[] = [];
  for (const { positions: own, indices: corner } of meshes) {
    starts.push(vertices);
    const low = boxOfPositions(own)?.min;
    if (!low) continue;
    const cell = (v: number, k: number, from: number) =>
      Math.round(((own[3 * v + k] as number) - from) / within);
    // vertices by their cell in x and y; few share one
    const columns = new Map<number, number[]>();
    const renamed = new Uint32Array(own.length / 3);
    const heights: number[] = [];
    const first = vertices;
    for (let v = 0; v < renamed.length; v += 1) {
      const key = cell(v, 0, low.x) * CELLS + cell(v, 1, low.y);
      const z = cell(v, 2, low.z);
      let column = columns.get(key);
      if (!column) columns.set(key, (column = []));
      let index = column.find((known) => heights[known - first] === z);
      if (index === undefined) {
        index = vertices;
        vertices += 1;
        column.push(index);
        heights.push(z);
        positions.set(own.subarray(3 * v, 3 * v + 3), 3 * index);
      }
      renamed[v] = index;
    }
    for (let t = 0; t + 2 < corner.length; t += 3) {
      const a = renamed[corner[t] as number] as number;
      const b = renamed[corner[t + 1] as number] as number;
      const c = renamed[corner[t + 2] as number] as number;
      if (a === b || b === c || a === c) continue;
      indices[filled] = a;
      indices[filled + 1] = b;
      indices[filled + 2] = c;
      filled += 3;
    }
  }
  return {
    mesh: { positions: positions.slice(0, 3 * vertices), indices: indices.slice(0, filled) },
    starts,
  };
}
