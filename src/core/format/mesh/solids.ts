import { paintOf } from '../../body/colours';
import type { SeatedBody } from '../../footprint/footprint';
import { meshOf, type Mesh } from '../../geometry/mesh';
import { standing, type Part, type Shape } from '../../geometry/solid';

/** A shape in one colour, meshed once in its own coordinates, and the parts that have it. mm */
export interface MeshedShape {
  readonly name: string;
  readonly colour: string;
  readonly mesh: Mesh;
  readonly parts: readonly Part[];
}

/** Every shape of a body meshed once for each colour it comes in; chords of its arcs lie at most 2 µm off. */
export function meshedShapes({ assembly: { shapes, parts }, colours }: SeatedBody): MeshedShape[] {
  const meshes = new Map<string, MeshedShape & { readonly parts: Part[] }>();
  for (const part of parts) {
    const colour = paintOf(part, colours);
    const key = `${part.shape} ${part.material} ${colour}`;
    const known = meshes.get(key) ?? {
      name: part.shape,
      colour,
      mesh: meshOf(shapes[part.shape] as Shape),
      parts: [],
    };
    known.parts.push(part);
    meshes.set(key, known);
  }
  return [...meshes.values()];
}

/** One part of the body as a mesh where it stands, mm. */
export interface MeshedPart {
  readonly part: Part;
  readonly mesh: Mesh;
}

/** Every part of a body meshed where it stands, for formats that have no instances. */
export function meshedParts(body: SeatedBody): MeshedPart[] {
  const byPart = new Map(
    meshedShapes(body).flatMap(({ mesh, parts }) => parts.map((part) => [part, mesh] as const)),
  );
  return body.assembly.parts.map((part) => {
    const mesh = byPart.get(part) as Mesh;
    const positions = new Float64Array(mesh.positions.length);
    for (let i = 0; i < positions.length; i += 3) {
      const [x, y, z] = [0, 1, 2].map((k) => mesh.positions[i + k]) as [number, number, number];
      const p = standing(part, { x, y, z });
      [positions[i], positions[i + 1], positions[i + 2]] = [p.x, p.y, p.z];
    }
    return { part, mesh: { positions, indices: mesh.indices } };
  });
}
