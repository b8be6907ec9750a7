import type { Mesh } from './mesh';
import type { Point } from './point';
import type { Polygon } from './polygon';

/** The part of a mesh beyond a plane, open where it is cut; vertices at the cut are joined. */
export function beyondPlane(mesh: Mesh, axis: Axis, value: number, side: 1 | -1): Mesh {
  const [along] = SHOWN[axis];
  const positions = Array.from(mesh.positions);
  const indices: number[] = [];
  const cuts = new Map<string, number>();
  const off = (v: number) => side * ((positions[3 * v + along] as number) - value);
  const cutAt = (a: number, b: number) => {
    const key = a < b ? `${a} ${b}` : `${b} ${a}`;
    const known = cuts.get(key);
    if (known !== undefined) return known;
    const share = off(a) / (off(a) - off(b));
    for (let k = 0; k < 3; k += 1)
      positions.push(
        (positions[3 * a + k] as number) * (1 - share) + (positions[3 * b + k] as number) * share,
      );
    cuts.set(key, positions.length / 3 - 1);
    return positions.length / 3 - 1;
  };
  for (let t = 0; t < mesh.indices.length; t += 3) {
    const corners = [0, 1, 2].map((k) => mesh.indices[t + k] as number);
    const kept: number[] = [];
    corners.forEach((a, k) => {
      const b = corners[(k + 1) % 3] as number;
      if (off(a) > 0) kept.push(a);
      if (off(a) > 0 !== off(b) > 0) kept.push(cutAt(a, b));
    });
    for (let k = 2; k < kept.length; k += 1)
      indices.push(kept[0] as number, kept[k - 1] as number, kept[k] as number);
  }
  return { positions: Float64Array.from(positions), indices: Uint32Array.from(indices) };
}

/** The axis that a plane is square to. */
export type Axis = 'x' | 'y' | 'z';

/** Which coordinates a section shows to the right and upwards; seen against the axis for z, along it for x and y. */
const SHOWN: Readonly<Record<Axis, readonly [0 | 1 | 2, 0 | 1 | 2, 0 | 1 | 2]>> = {
  // axis, right, up
  x: [0, 1, 2],
  y: [1, 0, 2],
  z: [2, 0, 1],
};

/**
 * The closed outlines that a plane cuts out of a mesh with joined vertices. A loop that is not
 * closed, as where a surface has an edge, is closed by a straight line.
 * @param value coordinate of the plane on its axis, mm
 * @returns polygons; for planes square to z or x outer ones run counter-clockwise, for y clockwise
 */
export function sectionLoops({ positions, indices }: Mesh, axis: Axis, value: number): Polygon[] {
  const [along, right, up] = SHOWN[axis];
  // a height that no vertex has, so that every crossing is in the middle of an edge
  const height = value + 1.7e-7;
  const next = new Map<number, { readonly to: number; readonly at: Point }>();
  const most = positions.length / 3;
  for (let t = 0; t < indices.length; t += 3) {
    const a = indices[t] as number;
    const b = indices[t + 1] as number;
    const c = indices[t + 2] as number;
    const above = [a, b, c].map((v) => (positions[3 * v + along] as number) > height);
    if (above[0] === above[1] && above[1] === above[2]) continue;
    const corner = [a, b, c];
    let from = -1;
    let to = -1;
    let at: Point = { x: 0, y: 0 };
    for (let k = 0; k < 3; k += 1) {
      const [p, q] = [corner[k] as number, corner[(k + 1) % 3] as number];
      if (above[k] === above[(k + 1) % 3]) continue;
      const edge = Math.min(p, q) * most + Math.max(p, q);
      // seen from outside the triangle runs counter-clockwise: from its falling to its rising edge, material is left
      if (above[(k + 1) % 3]) to = edge;
      else {
        from = edge;
        const [hp, hq] = [positions[3 * p + along] as number, positions[3 * q + along] as number];
        const s = (height - hp) / (hq - hp);
        const mix = (i: number) =>
          (positions[3 * p + i] as number) * (1 - s) + (positions[3 * q + i] as number) * s;
        at = { x: mix(right), y: mix(up) };
      }
    }
    next.set(from, { to, at });
  }
  const loops: Polygon[] = [];
  while (next.size > 0) {
    const loop: Point[] = [];
    let [edge] = next.keys() as unknown as [number];
    for (let step = next.get(edge); step; step = next.get(edge)) {
      next.delete(edge);
      loop.push(step.at);
      edge = step.to;
    }
    if (loop.length > 2) loops.push(loop);
  }
  return loops;
}
