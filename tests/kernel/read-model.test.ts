import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import loadOcct from 'occt-import-js';
import { describe, expect, it } from 'vitest';
import { USUAL_COLOURS } from '../../src/core/body/colours';
import { LARGEST_MODEL, whatIsMissing, type Model } from '../../src/core/body/model';
import { formatById } from '../../src/core/format';
import { declaredSolids } from '../../src/core/format/step/declared';
import { writeStep } from '../../src/core/format/step/step';
import { boxOfPositions } from '../../src/core/geometry/mesh';
import { compile } from '../../src/core/footprint/compile';
import { DEMO_MODEL } from '../../src/demo/documents';
import { sensorModel } from '../../src/demo/sensor-model';
import { readModel } from '../../src/kernel/read-model';
import { keyOf } from '../../src/kernel/inside';
import { converter } from '../data/documents';
import { cases } from '../data/depth';

const kernel = await loadOcct();
const read = (bytes: Uint8Array | string, name: string) =>
  readModel(typeof bytes === 'string' ? new TextEncoder().encode(bytes) : bytes, name, async () => kernel);

const compiled = compile(converter());
const footprint = compiled.footprint!;
const { assembly } = footprint.body;
const step = writeStep(assembly, 'U4', USUAL_COLOURS);

async function written(id: string): Promise<Uint8Array> {
  return (await formatById(id)!.write({ ...compiled, footprint })) as Uint8Array;
}

function boxOf({ parts }: Model) {
  const boxes = parts.map(({ mesh }) => boxOfPositions(mesh.positions)!);
  const end = (which: 'min' | 'max', axis: 'x' | 'y' | 'z') =>
    boxes
      .map((box) => box[which][axis])
      .reduce(which === 'min' ? (a, b) => Math.min(a, b) : (a, b) => Math.max(a, b));
  return (['x', 'y', 'z'] as const).map((axis) => end('max', axis) - end('min', axis));
}

describe('a model', () => {
  it('is read from STEP with its solids, names and colours', async () => {
    const result = await read(step, 'u4.step');
    if (!result.ok) throw new Error(result.error);
    const { parts, declared } = result.value;
    expect([parts.length, declared]).toEqual([17, 17]);
    expect(new Set(parts.map(({ name }) => name))).toEqual(new Set(['lead', 'body']));
    expect(parts.find(({ name }) => name === 'body')?.colour).toBe(USUAL_COLOURS.moulding);
    expect(boxOf(result.value)[0]).toBeCloseTo(6.4, 4);
  });
  it.each([
    ['stl', 'u4.stl', [6.4, 5, 1.2]],
    // metres with Y up: what was up lies along Y
    ['gltf', 'u4.glb', [6.4, 1.2, 5]],
  ] as const)('is read from %s in the same size', async (id, name, sides) => {
    const result = await read(await written(id), name);
    if (!result.ok) throw new Error(result.error);
    boxOf(result.value).forEach((side, axis) => expect(side).toBeCloseTo(sides[axis]!, 2));
    if (id === 'gltf') {
      expect(result.value.parts.map(({ name: part }) => part)).toEqual(
        assembly.parts.map(({ name: part }) => part),
      );
      expect(result.value.parts.at(-1)?.colour).toBe(USUAL_COLOURS.moulding);
    }
  });
  it('of the demo is the file that is served', async () => {
    const file = readFileSync(new URL(`../../public/demo/${DEMO_MODEL.name}`, import.meta.url));
    expect(sensorModel()).toBe(file.toString('utf8'));
    expect(await keyOf(file)).toBe(DEMO_MODEL.key);
  });
});

describe('solids that a STEP file declares', () => {
  it('are counted as often as its assembly puts them', () => {
    expect(declaredSolids(step)).toBe(17);
    expect(declaredSolids(step.replace(/#\d+=NEXT_ASSEMBLY_USAGE_OCCURRENCE\('1',[^;]*;/, ''))).toBe(16);
    expect(declaredSolids("#1=MANIFOLD_SOLID_BREP('a;#2=MANIFOLD_SOLID_BREP(''',#3);")).toBe(1);
    expect(declaredSolids('nothing')).toBeNull();
  });
});

describe('a file that is broken', () => {
  const noise = Uint8Array.from({ length: 5000 }, (_, i) => (i * 7919) % 256);
  it.each([
    ['is empty', '', 'a.step', 'is empty'],
    ['is another kind', 'hello', 'a.obj', 'Save it as STEP'],
    ['has no extension', 'hello', 'model', 'Save it as STEP'],
    ['is text', 'Dear Sir,', 'a.step', 'begins with “Dear Sir,”'],
    ['is noise', noise, 'a.step', 'not a STEP file'],
    ['is cut off', step.slice(0, step.length / 2), 'a.stp', 'was cut off'],
    [
      'has only its frame',
      'ISO-10303-21;\nHEADER;\nENDSEC;\nDATA;\nENDSEC;\nEND-ISO-10303-21;\n',
      'a.step',
      'no face or solid',
    ],
    ['is noise', noise, 'a.stl', 'not an STL file'],
    ['is noise', noise, 'a.glb', 'was cut off, or is no glTF'],
    ['is text', 'Dear Sir,', 'a.gltf', 'was cut off, or is no glTF'],
    [
      'keeps its buffer elsewhere',
      JSON.stringify({ asset: { version: '2.0' }, buffers: [{ uri: 'a.bin', byteLength: 4 }] }),
      'a.gltf',
      'save it as .glb',
    ],
    ['has nothing in it', JSON.stringify({ asset: { version: '2.0' } }), 'a.gltf', 'no solid or surface'],
  ])('%s: %#', async (_, content, name, words) => {
    const result = await read(content, name);
    expect(result.ok ? '' : result.error).toContain(words);
  });
  it('is too large', async () => {
    const result = await read(new Uint8Array(LARGEST_MODEL + 1), 'a.step');
    expect(result.ok ? '' : result.error).toContain('has 20.0 MB; models up to 20 MB');
  });
  it('is refused, or read and told apart from a whole one, wherever it is damaged', async () => {
    const lines = step.split('\n');
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 8, max: lines.length - 4 }), async (gone) => {
        const damaged = lines.filter((_, i) => i !== gone).join('\n');
        const result = await readModel(new TextEncoder().encode(damaged), 'a.step', loadOcct);
        if (!result.ok) expect(result.error.length).toBeGreaterThan(20);
        else if (result.value.declared === 17 && result.value.parts.length !== 17)
          expect(whatIsMissing(result.value)).not.toBeNull();
      }),
      { numRuns: cases(6, 40) },
    );
  }, 60_000);
});
