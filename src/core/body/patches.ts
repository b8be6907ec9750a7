import type { Mesh } from '../geometry/mesh';

/** The surface of a mesh in pieces: middles of its triangles as x, y, z, and the share of each of all of it. */
export interface Patches {
  readonly middles: Float64Array;
  readonly shares: Float64Array;
}

const patchesKnown = new WeakMap<Mesh, Patches>();

/** The surface of a mesh in pieces; looked up where it was asked for before. */
export function patchesOf(mesh: Mesh): Patches {
  const known = patchesKnown.get(mesh);
  if (known) return known;
  const { positions: p, indices } = mesh;
  const count = indices.length / 3;
  const [middles, shares] = [new Float64Array(3 * count), new Float64Array(count)];
  let whole = 0;
  for (let i = 0; i < count; i += 1) {
    const [a, b, c] = [indices[3 * i] as number, indices[3 * i + 1] as number, indices[3 * i + 2] as number];
    const way = (to: number, axis: number) => (p[3 * to + axis] as number) - (p[3 * a + axis] as number);
    const [ux, uy, uz, vx, vy, vz] = [way(b, 0), way(b, 1), way(b, 2), way(c, 0), way(c, 1), way(c, 2)];
    const twice = Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx);
    shares[i] = twice;
    whole += twice;
    middles[3 * i] = (p[3 * a] as number) + (ux + vx) / 3;
    middles[3 * i + 1] = (p[3 * a + 1] as number) + (uy + vy) / 3;
    middles[3 * i + 2] = (p[3 * a + 2] as number) + (uz + vz) / 3;
  }
  for (let i = 0; i < count; i += 1) shares[i] = (shares[i] as number) / (whole || 1);
  const patches = { middles, shares };
  patchesKnown.set(mesh, patches);
  return patches;
}
