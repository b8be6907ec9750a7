import { XMLParser } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import { expect, it } from 'vitest';
import { USUAL_COLOURS } from '../../../src/core/body/colours';
import { compile } from '../../../src/core/footprint/compile';
import { formatById } from '../../../src/core/format';
import type { Shape } from '../../../src/core/geometry/solid';
import { converter } from '../../data/documents';
import { measureMesh } from '../../data/occt';
import { volumeOf } from '../../data/volume';

const compiled = compile(converter({}, { body: { colours: { metal: '#c0a060' } } }));
const footprint = compiled.footprint!;
const { assembly } = footprint.body;

it('a 3MF package holds every part as a closed solid in mm, named and coloured', async () => {
  const bytes = (await formatById('3mf')!.write({ ...compiled, footprint })) as Uint8Array;
  const files = unzipSync(bytes);
  expect(Object.keys(files)).toEqual(['[Content_Types].xml', '_rels/.rels', '3D/3dmodel.model']);
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseAttributeValue: true,
  });
  const { model } = parser.parse(strFromU8(files['3D/3dmodel.model']!)) as {
    model: {
      unit: string;
      resources: {
        basematerials: { base: { displaycolor: string }[] };
        object: {
          name: string;
          pindex: number;
          mesh: {
            vertices: { vertex: { x: number; y: number; z: number }[] };
            triangles: { triangle: { v1: number; v2: number; v3: number }[] };
          };
        }[];
      };
      build: { item: unknown[] };
    };
  };
  expect(model.unit).toBe('millimeter');
  const { object, basematerials } = model.resources;
  expect(object.map(({ name }) => name)).toEqual(assembly.parts.map(({ name }) => name));
  expect(model.build.item).toHaveLength(assembly.parts.length);
  object.forEach(({ mesh, pindex }, i) => {
    const { shape, material } = assembly.parts[i]!;
    const colour = material === 'metal' ? '#C0A060' : USUAL_COLOURS[material].toUpperCase();
    expect(basematerials.base[pindex]?.displaycolor).toBe(colour);
    const positions = mesh.vertices.vertex.flatMap(({ x, y, z }) => [x, y, z]);
    const indices = mesh.triangles.triangle.flatMap(({ v1, v2, v3 }) => [v1, v2, v3]);
    const volume = volumeOf(assembly.shapes[shape] as Shape);
    expect(Math.abs(measureMesh(positions, indices).volume - volume) / volume).toBeLessThan(0.005);
    // each edge of a closed solid is walked once each way
    const edges = new Map<string, number>();
    for (let t = 0; t < indices.length; t += 3)
      for (let k = 0; k < 3; k += 1) {
        const [a, b] = [indices[t + k]!, indices[t + ((k + 1) % 3)]!];
        const key = `${Math.min(a, b)} ${Math.max(a, b)}`;
        edges.set(key, (edges.get(key) ?? 0) + (a < b ? 1 : -1));
      }
    expect([...edges.values()].every((sum) => sum === 0)).toBe(true);
  });
});

it('the placement says where body and model stand, and by which conventions', () => {
  const text = formatById('placement')!.write({ ...compiled, footprint }) as string;
  expect(JSON.parse(text)).toMatchObject({
    conventions: { unit: 'mm', order: expect.stringContaining('X, then Y, then Z') },
    body: { offset: { x: 0, y: 0, z: 0 } },
  });
});
