import fc from 'fast-check';
import { expect, test } from 'vitest';
import { readModel } from '../../src/kernel/read-model';
import { DEEP } from '../data/depth';

// Models that are damaged or mean ill: each ends in a sentence, before it takes time or memory.

type Json = Record<string, unknown>;
const none = () => Promise.reject<never>(new Error('no kernel is asked for'));
const data = (bytes: ArrayBufferView) =>
  `data:application/octet-stream;base64,${Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('base64')}`;

/** One triangle in metres, of which points and indices can be others. */
function scene(
  more: Json = {},
  points: readonly number[] = [0, 0, 0, 1, 0, 0, 0, 1, 2],
  indices = [0, 1, 2],
) {
  const [p, i] = [Float32Array.from(points), Uint32Array.from(indices)];
  return {
    asset: { version: '2.0' },
    scene: 0,
    scenes: [{ nodes: [0] }],
    nodes: [{ mesh: 0 }],
    meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1 }] }],
    accessors: [
      { bufferView: 0, componentType: 5126, count: points.length / 3, type: 'VEC3' },
      { bufferView: 1, componentType: 5125, count: indices.length, type: 'SCALAR' },
    ],
    bufferViews: [
      { buffer: 0, byteLength: p.byteLength },
      { buffer: 1, byteLength: i.byteLength },
    ],
    buffers: [
      { byteLength: p.byteLength, uri: data(p) },
      { byteLength: i.byteLength, uri: data(i) },
    ],
    ...more,
  };
}
const bytesOf = (json: unknown) =>
  new TextEncoder().encode(typeof json === 'string' ? json : JSON.stringify(json));
const read = (json: unknown, name = 'm.gltf') => readModel(bytesOf(json), name, none);

const chain = (count: number) =>
  Array.from({ length: count }, (_, i) => (i < count - 1 ? { children: [i + 1] } : { mesh: 0 }));
const accessor = (more: Json) => ({
  accessors: [{ bufferView: 0, componentType: 5126, count: 3, type: 'VEC3', ...more }, scene().accessors[1]],
});

test.each<[string, unknown, string]>([
  ['a node that holds itself', scene({ nodes: [{ mesh: 0, children: [0] }] }), 'hold themselves'],
  ['nodes in a circle', scene({ nodes: [{ children: [1] }, { children: [0], mesh: 0 }] }), 'hold themselves'],
  ['nodes 20,000 deep', scene({ nodes: chain(20_000) }), 'more than 100 deep'],
  ['a node in two places', scene({ nodes: [{ children: [1, 1] }, { mesh: 0 }] }), 'held by more than one'],
  ['a child that is not there', scene({ nodes: [{ children: [7] }] }), 'node 8, which is not there'],
  [
    'a mesh in 20,000 nodes',
    scene({ nodes: Array.from({ length: 20_000 }, () => ({ mesh: 0 })) }),
    '20000 parts; at most 5000',
  ],
  [
    'an accessor of 1e9 values',
    scene(accessor({ bufferView: undefined, count: 1e9 })),
    'announces 1000000000',
  ],
  ['an accessor past its view', scene(accessor({ count: 300 })), 'which its view does not hold'],
  [
    'a view past its buffer',
    scene({ bufferViews: [{ buffer: 0, byteLength: 1e6 }] }),
    'outside of its buffer',
  ],
  ['an accessor of nothing', scene(accessor({ count: -3 })), 'does not say what it holds'],
  ['a corner that is not there', scene({}, undefined, [0, 1, 77]), 'names point 78, and there are 3'],
  ['two corners', scene({}, undefined, [0, 1]), 'fewer than three corners'],
  ['no numbers', scene({}, [0, 0, NaN, 1, 0, 0, 0, 1, 0]), 'are no numbers'],
  [
    'a scale of 1e300',
    scene({ nodes: [{ mesh: 0, scale: [1e300, 1, 1] }] }),
    'units: no body of a part does',
  ],
  ['a scale of nothing', scene({ nodes: [{ mesh: 0, scale: [0, 0, 0] }] }), 'is a single point'],
  ['brackets without end', '['.repeat(100_000), 'no whole JSON'],
  ['null', 'null', 'no whole JSON'],
  ['an empty object', '{}', 'of which version'],
])('%s is refused', async (_, json, why) => {
  const found = await read(json);
  expect(found.ok).toBe(false);
  expect(!found.ok && found.error).toContain(why);
  expect(!found.ok && found.error.length).toBeLessThan(300);
});

test('points that no triangle uses are no part of the model', async () => {
  const far = [9000, 9000, 9000];
  const found = await read(scene({}, [...far, 0, 0, 0, 1, 0, 0, 0, 1, 2], [1, 2, 3]));
  expect(found.ok && [...found.value.parts[0]!.mesh.positions]).toEqual([0, 0, 0, 1000, 0, 0, 0, 1000, 2000]);
  expect(found.ok && [...found.value.parts[0]!.mesh.indices]).toEqual([0, 1, 2]);
});

test('a STEP file without a face is refused before the kernel looks for one', async () => {
  const points = "#1=CARTESIAN_POINT('',(0.,0.,0.));\n".repeat(100_000);
  const found = await read(`ISO-10303-21;\nDATA;\n${points}ENDSEC;\nEND-ISO-10303-21;\n`, 'm.step');
  expect(!found.ok && found.error).toContain('no face');
});

test('a file with anything changed, cut or swapped in it is read as sound or refused in a sentence', async () => {
  const whole = JSON.stringify(
    scene({
      nodes: [
        { mesh: 0, children: [1] },
        { mesh: 0, scale: [2, 1, 1] },
      ],
    }),
  );
  const value = fc.oneof(
    fc.integer({ min: -5, max: 9 }).map(String),
    fc.constantFrom('1e9', '1e308', 'null', '"x"', '[]', '{}', '-0.5', '5126', '[0,1,1e9]'),
  );
  const change = fc.tuple(fc.nat(60), value);
  await fc.assert(
    fc.asyncProperty(fc.array(change, { minLength: 1, maxLength: 4 }), async (changes) => {
      // the numbers of the text are its joints
      let text = whole;
      for (const [k, put] of changes) {
        let i = -1;
        text = text.replace(/(?<=[:[,])\d+(?=[,\]}])/g, (old) => ((i += 1) === k ? put : old));
      }
      const found = await read(text);
      if (!found.ok) expect(found.error.length).toBeLessThan(400);
      else
        for (const { mesh } of found.value.parts) {
          expect(mesh.positions.every(Number.isFinite)).toBe(true);
          expect(Math.max(...mesh.indices)).toBeLessThan(mesh.positions.length / 3);
        }
    }),
    { numRuns: DEEP ? 5000 : 200 },
  );
});
