import type { SeatedBody } from '../../footprint/footprint';
import { meshOf, type Mesh } from '../../geometry/mesh';
import { turn } from '../../geometry/point';
import type { Shape } from '../../geometry/solid';

/** One part of the body as a mesh where it stands, mm. */
export interface MeshedPart {
  readonly name: string;
  readonly shape: string;
  readonly colour: string;
  readonly mesh: Mesh;
}

/** Every part of a body meshed; chords of its arcs lie at most 2 µm off. */
export function meshedParts({ assembly: { shapes, parts }, colours }: SeatedBody): MeshedPart[] {
  const meshes = new Map<string, Mesh>();
  return parts.map(({ name, shape, material, at, rotation }) => {
    const mesh = meshes.get(shape) ?? meshOf(shapes[shape] as Shape);
    meshes.set(shape, mesh);
    const positions = new Float64Array(mesh.positions.length);
    for (let i = 0; i < positions.length; i += 3) {
      const p = turn({ x: mesh.positions[i] as number, y: mesh.positions[i + 1] as number }, rotation);
      positions[i] = p.x + at.x;
      positions[i + 1] = p.y + at.y;
      positions[i + 2] = (mesh.positions[i + 2] as number) + at.z;
    }
    return { name, shape, colour: colours[material], mesh: { positions, indices: mesh.indices } };
  });
}
