import type { SeatedBody } from '../../footprint/footprint';
import { meshOf, type Mesh } from '../../geometry/mesh';
import { standing, type Shape } from '../../geometry/solid';

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
  return parts.map((part) => {
    const { name, shape, material } = part;
    const mesh = meshes.get(shape) ?? meshOf(shapes[shape] as Shape);
    meshes.set(shape, mesh);
    const positions = new Float64Array(mesh.positions.length);
    for (let i = 0; i < positions.length; i += 3) {
      const [x, y, z] = [mesh.positions[i], mesh.positions[i + 1], mesh.positions[i + 2]] as [
        number,
        number,
        number,
      ];
      const p = standing(part, { x, y, z });
      [positions[i], positions[i + 1], positions[i + 2]] = [p.x, p.y, p.z];
    }
    return { name, shape, colour: colours[material], mesh: { positions, indices: mesh.indices } };
  });
}
