import { XMLParser } from 'fast-xml-parser';
import { strFromU8, unzipSync } from 'fflate';
import { expect, it } from 'vitest';
import { USUAL_COLOURS } from '../../../src/core/body/colours';
import { getBounds, WebIO } from '@gltf-transform/core';
import { compile } from '../../../src/core/footprint/compile';
import type { Drawable } from '../../../src/core/footprint/footprint';
import { formatById } from '../../../src/core/format';
import { segmentsCross } from '../../../src/core/geometry/distance';
import { meshOf, welded } from '../../../src/core/geometry/mesh';
import type { Shape } from '../../../src/core/geometry/solid';
import { converter } from '../../data/documents';
import { footprintOf, VARIANTS } from '../../data/families';
import { measureMesh } from '../../data/occt';
import { volumeOf } from '../../data/volume';

const compiled = compile(converter({}, { body: { colours: { metal: '#c0a060' } } }));
const footprint = compiled.footprint!;
const { assembly } = footprint.body;

interface Model {
  unit: string;
  resources: {
    basematerials: { base: { displaycolor: string }[] };
    object: {
      id: number;
      name: string;
      pindex: number;
      mesh?: {
        vertices: { vertex: { x: number; y: number; z: number }[] };
        triangles: { triangle: { v1: number; v2: number; v3: number }[] };
      };
      components?: { component: { objectid: number; transform: string }[] };
    }[];
  };
  build: { item: { objectid: number } };
}

const parser = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '', parseAttributeValue: true });

async function model3mf(of: Drawable): Promise<Model> {
  const files = unzipSync((await formatById('3mf')!.write(of)) as Uint8Array);
  expect(Object.keys(files)).toEqual(['[Content_Types].xml', '_rels/.rels', '3D/3dmodel.model']);
  return (parser.parse(strFromU8(files['3D/3dmodel.model']!)) as { model: Model }).model;
}

it('a 3MF package is one item of components: closed solids in mm, coloured, equal ones once', async () => {
  const { unit, resources, build } = await model3mf({ ...compiled, footprint });
  expect(unit).toBe('millimeter');
  const whole = resources.object.find(({ id }) => id === build.item.objectid);
  const components = whole?.components?.component ?? [];
  expect(components).toHaveLength(assembly.parts.length);
  const meshes = resources.object.filter(({ mesh }) => mesh);
  expect(meshes.map(({ name }) => name).sort()).toEqual(Object.keys(assembly.shapes).sort());
  for (const { name, mesh, pindex } of meshes) {
    const { material } = assembly.parts.find(({ shape }) => shape === name)!;
    const colour = material === 'metal' ? '#C0A060' : USUAL_COLOURS[material].toUpperCase();
    expect(resources.basematerials.base[pindex]?.displaycolor).toBe(colour);
    const positions = mesh!.vertices.vertex.flatMap(({ x, y, z }) => [x, y, z]);
    const indices = mesh!.triangles.triangle.flatMap(({ v1, v2, v3 }) => [v1, v2, v3]);
    const volume = volumeOf(assembly.shapes[name] as Shape);
    expect(Math.abs(measureMesh(positions, indices).volume - volume) / volume).toBeLessThan(0.005);
  }
  // the lead's tip, (3.2, 0, 0) of its own, comes to both sides: x of the images 3.2 and −3.2
  const lead = meshes.find(({ name }) => name === 'lead')!;
  const tips = components
    .filter(({ objectid }) => objectid === lead.id)
    .map(({ transform }) => transform.split(' ').map(Number))
    .map((m) => Math.round((3.2 * m[0]! + m[9]!) * 1e6) / 1e6);
  expect([...new Set(tips)].sort((p, q) => p - q)).toEqual([-3.2, 3.2]);
});

it('every shape of every family is a closed solid whose edges have two sides', () => {
  for (const { name, document } of VARIANTS) {
    for (const [shape, solid] of Object.entries(footprintOf(document).body.assembly.shapes)) {
      const { positions, indices } = welded([meshOf(solid)], 1e-7).mesh;
      expect(measureMesh([...positions], [...indices]).volume, `${name}: ${shape}`).toBeGreaterThan(0);
      const edges = new Map<string, [number, number]>();
      for (let t = 0; t < indices.length; t += 3)
        for (let k = 0; k < 3; k += 1) {
          const [a, b] = [indices[t + k]!, indices[t + ((k + 1) % 3)]!];
          const key = `${Math.min(a, b)} ${Math.max(a, b)}`;
          const [there, back] = edges.get(key) ?? [0, 0];
          edges.set(key, a < b ? [there + 1, back] : [there, back + 1]);
        }
      const open = [...edges.values()].filter(([there, back]) => there !== 1 || back !== 1);
      expect(open.length, `${name}: ${shape}`).toBe(0);
      if (solid.kind === 'extrusion')
        expect(crosses(solid.contour), `${name}: ${shape} crosses itself`).toBe(false);
    }
  }
});

/** Whether edges of an outline that do not meet cross each other. */
function crosses(contour: readonly { x: number; y: number }[]): boolean {
  const edge = (i: number) => [contour[i]!, contour[(i + 1) % contour.length]!] as const;
  const near = (i: number, j: number) =>
    (i + 1) % contour.length === j || (j + 1) % contour.length === i || i === j;
  return contour.some((_, i) =>
    contour.some((__, j) => j > i && !near(i, j) && segmentsCross(...edge(i), ...edge(j))),
  );
}

it('a glTF scene is shown by itself, and its equal parts have one mesh', async () => {
  const document = await new WebIO().readBinary(
    (await formatById('gltf')!.write({ ...compiled, footprint })) as Uint8Array,
  );
  const root = document.getRoot();
  expect(root.getDefaultScene()?.getName()).toBe('SOP65P640X120-16N');
  expect(
    root
      .listMeshes()
      .map((mesh) => mesh.getName())
      .sort(),
  ).toEqual(Object.keys(assembly.shapes).sort());
  const nodes = root.listNodes().filter((node) => node.getMesh());
  expect(nodes.map((node) => node.getName())).toEqual(assembly.parts.map(({ name }) => name));
  // metres with Y up: the body is 6.4 wide over its leads, and 1.285 high
  const { min, max } = getBounds(root.getDefaultScene()!);
  expect([max[0] - min[0], max[1]].map((v) => Math.round(v * 1e6) / 1e3)).toEqual([6.4, 1.285]);
});

it('the placement says where body and model stand, and by which conventions', () => {
  const text = formatById('placement')!.write({ ...compiled, footprint }) as string;
  expect(JSON.parse(text)).toMatchObject({
    conventions: { unit: 'mm', order: expect.stringContaining('X, then Y, then Z') },
    body: { offset: { x: 0, y: 0, z: 0 } },
  });
});
