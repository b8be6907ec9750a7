import { WebIO, type Primitive, type Node as SceneNode } from '@gltf-transform/core';
import type { Occt, OcctMesh, OcctNode, OcctOptions } from 'occt-import-js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import type { Colour } from '../core/body/colours';
import { soundModel } from '../core/body/sound';
import { modelFormatOf, whyNotRead, type Model, type ModelPart } from '../core/body/model';
import { declaredSolids } from '../core/format/step/declared';
import type { Mesh } from '../core/geometry/mesh';
import { fail, ok, type Result } from '../core/units/result';
import { whyGltfUnsound } from './gltf-sound';

/**
 * Reads a model from a STEP, STL or glTF file. STEP is meshed by a CAD kernel, which is asked for
 * only then.
 * @param loadKernel gives the CAD kernel; may throw
 * @returns the model, or in words why there is none and what helps
 */
export async function readModel(
  bytes: Uint8Array,
  name: string,
  loadKernel: () => Promise<Occt>,
): Promise<Result<Model, string>> {
  const why = whyNotRead(name, bytes.length);
  if (why) return fail(why);
  try {
    const format = modelFormatOf(name);
    const read =
      format === 'step'
        ? await readStep(bytes, name, loadKernel)
        : format === 'stl'
          ? readStl(bytes, name)
          : await readGltf(bytes, name);
    if (!read.ok) return read;
    if (read.value.parts.some(({ mesh }) => mesh.indices.length > 0)) return soundModel(read.value, name);
    return fail(
      `“${name}” has no solid or surface in it. Export the body itself, not only its sketch or its views.`,
    );
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    return fail(`“${name}” could not be read: ${reason}. Export it again, as STEP if you can.`);
  }
}

const decoder = new TextDecoder('utf-8');

async function readStep(
  bytes: Uint8Array,
  name: string,
  loadKernel: () => Promise<Occt>,
): Promise<Result<Model, string>> {
  const text = decoder.decode(bytes);
  if (!text.trimStart().startsWith('ISO-10303-21')) {
    const begins = text
      .trimStart()
      .slice(0, 20)
      .replace(/[^\x20-\x7e]/g, '·');
    return fail(
      `“${name}” is not a STEP file: it begins with “${begins}”, not with ISO-10303-21. Export it as STEP.`,
    );
  }
  if (!/END-ISO-10303-21\s*;/.test(text.slice(-2000)))
    return fail(
      `“${name}” was cut off: its last line, END-ISO-10303-21, is missing. Copy or export it again.`,
    );
  // what has no face has no shape: the kernel would look through all of it for one
  if (!/FACE|SHELL|BREP|SURFACE|SOLID/.test(text))
    return fail(
      `“${name}” has no face or solid in it. Export the body itself, as STEP AP214 or AP242 with solids.`,
    );
  const declared = declaredSolids(text);
  const kernel = await loadKernel();
  const read = kernel.ReadStepFile(bytes, STEP_OPTIONS);
  if (!read.success)
    return fail(`“${name}” has no shape that could be read. Export it as STEP AP214 or AP242 with solids.`);
  const names = namesOf(read.root);
  const parts = read.meshes.flatMap((mesh, i): ModelPart[] =>
    byColour(mesh).map((one) => ({
      name: names.get(i) || mesh.name || `solid ${i + 1}`,
      solid: i,
      ...one,
    })),
  );
  return ok({ parts, declared });
}

/** A solid's surface by the colours of its faces: metal and moulding are often told apart by nothing else. */
function byColour({
  color,
  attributes,
  index,
  brep_faces: faces,
}: OcctMesh): Pick<ModelPart, 'colour' | 'mesh'>[] {
  const positions = Float64Array.from(attributes.position.array);
  const indices = Uint32Array.from(index.array);
  const own = color ? colourOf(color) : null;
  const triangles = new Map<Colour | null, number[]>();
  for (const face of faces) {
    const colour = face.color ? colourOf(face.color) : own;
    const list = triangles.get(colour) ?? [];
    triangles.set(colour, list);
    for (let t = face.first; t <= face.last; t += 1) list.push(t);
  }
  if (triangles.size < 2) return [{ colour: [...triangles.keys()][0] ?? own, mesh: { positions, indices } }];
  return [...triangles].map(([colour, list]) => ({ colour, mesh: partOf(positions, indices, list) }));
}

/** Some triangles of a mesh as one of their own. */
function partOf(positions: Float64Array, indices: Uint32Array, triangles: readonly number[]): Mesh {
  const used = new Map<number, number>();
  const own = triangles.flatMap((t) =>
    [0, 1, 2].map((k) => {
      const v = indices[3 * t + k] as number;
      const known = used.get(v);
      if (known !== undefined) return known;
      used.set(v, used.size);
      return used.size - 1;
    }),
  );
  const places = [...used.keys()].flatMap((v) => [...positions.subarray(3 * v, 3 * v + 3)]);
  return { positions: Float64Array.from(places), indices: Uint32Array.from(own) };
}

/**
 * How STEP is meshed: chords of arcs lie no farther off them, in mm, and turn by no more, in radians.
 * A finer mesh takes the kernel several times as long.
 */
export const STEP_OPTIONS: OcctOptions = {
  linearUnit: 'millimeter',
  linearDeflectionType: 'absolute_value',
  linearDeflection: 0.01,
  angularDeflection: 0.6,
};

/** Names of meshes by their node. */
function namesOf(node: OcctNode, names = new Map<number, string>()): Map<number, string> {
  for (const mesh of node.meshes) names.set(mesh, node.name);
  for (const child of node.children) namesOf(child, names);
  return names;
}

/** A colour of linear light as the screen's. */
function colourOf(linear: readonly number[]): Colour {
  const channel = (value: number) => {
    const light = Math.min(1, Math.max(0, value));
    const shown = light <= 0.0031308 ? light * 12.92 : 1.055 * light ** (1 / 2.4) - 0.055;
    return Math.round(shown * 255)
      .toString(16)
      .padStart(2, '0');
  };
  return `#${linear.slice(0, 3).map(channel).join('')}`;
}

function readStl(bytes: Uint8Array, name: string): Result<Model, string> {
  const isText = decoder.decode(bytes.subarray(0, 5)) === 'solid';
  const count = bytes.length >= 84 ? new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true) : 0;
  const fitsBinary = bytes.length >= 84 && bytes.length === 84 + 50 * count;
  if (!fitsBinary && !isText) {
    return fail(
      `“${name}” is not an STL file, or was cut off: its ${bytes.length} bytes do not hold the ${count} triangles that it announces. Export it again.`,
    );
  }
  const copy = bytes.slice();
  const geometry = new STLLoader().parse(copy.buffer);
  const positions = Float64Array.from(geometry.getAttribute('position').array);
  if (positions.some((value) => !Number.isFinite(value)))
    return fail(`“${name}” holds coordinates that are no numbers. Export it again.`);
  const indices = Uint32Array.from({ length: positions.length / 3 }, (_, i) => i);
  return ok({
    parts: [{ name: name.replace(/\.[^.]*$/, ''), colour: null, mesh: { positions, indices } }],
    declared: null,
  });
}

/** glTF is in metres by its standard. */
const METRE = 1000;

async function readGltf(bytes: Uint8Array, name: string): Promise<Result<Model, string>> {
  const io = new WebIO();
  const isBinary = decoder.decode(bytes.subarray(0, 4)) === 'glTF';
  const json = jsonOf(isBinary ? chunkOf(bytes) : decoder.decode(bytes));
  if (json === null)
    return fail(
      `“${name}” was cut off, or is no glTF: what it says of itself is no whole JSON. Export it again.`,
    );
  const why = whyGltfUnsound(json, name);
  if (why) return fail(why);
  const document = isBinary ? await io.readBinary(bytes) : await io.readJSON(embedded(json as never, name));
  const parts: ModelPart[] = [];
  const visit = (node: SceneNode) => {
    for (const primitive of node.getMesh()?.listPrimitives() ?? []) {
      const mesh = primitiveMesh(primitive, node.getWorldMatrix());
      const colour = primitive.getMaterial()?.getBaseColorFactor();
      if (mesh)
        parts.push({
          name: node.getName() || `part ${parts.length + 1}`,
          colour: colour ? colourOf(colour) : null,
          mesh,
        });
    }
    node.listChildren().forEach(visit);
  };
  const root = document.getRoot();
  (root.getDefaultScene() ?? root.listScenes()[0])?.listChildren().forEach(visit);
  return ok({ parts, declared: null });
}

function jsonOf(text: string | null): object | null {
  try {
    const read: unknown = JSON.parse(text ?? '');
    return typeof read === 'object' ? read : null;
  } catch {
    return null;
  }
}

/** The text of a binary file's first chunk; `null` where it is not there whole. */
function chunkOf(bytes: Uint8Array): string | null {
  if (bytes.length < 20) return null;
  const head = new DataView(bytes.buffer, bytes.byteOffset, 20);
  const [whole, length, kind] = [8, 12, 16].map((at) => head.getUint32(at, true)) as [number, number, number];
  const isWhole = whole <= bytes.length && 20 + length <= whole && kind === JSON_CHUNK;
  return isWhole ? decoder.decode(bytes.subarray(20, 20 + length)) : null;
}
const JSON_CHUNK = 0x4e4f534a;

/** A glTF text with the buffers that it carries in itself. */
function embedded(json: { readonly buffers?: readonly { readonly uri?: string }[] }, name: string) {
  const resources: Record<string, Uint8Array<ArrayBuffer>> = {};
  json.buffers?.forEach(({ uri }, i) => {
    const data = uri?.match(/^data:[^,]*;base64,(.*)$/s)?.[1];
    if (!uri || !data)
      throw new Error(
        `buffer ${i + 1} of “${name}” is in another file (${uri ?? 'unnamed'}); save it as .glb, which holds everything`,
      );
    resources[uri] = Uint8Array.from(atob(data), (character) => character.charCodeAt(0));
  });
  return { json: json as never, resources };
}

const TRIANGLES = 4;

function primitiveMesh(primitive: Primitive, matrix: readonly number[]): Mesh | null {
  const position = primitive.getAttribute('POSITION');
  if (!position || primitive.getMode() !== TRIANGLES) return null;
  const count = position.getCount();
  const positions = new Float64Array(3 * count);
  const point: number[] = [];
  for (let i = 0; i < count; i += 1) {
    const [x, y, z] = position.getElement(i, point) as [number, number, number];
    for (let k = 0; k < 3; k += 1) {
      const at = (column: number) => matrix[4 * column + k] as number;
      positions[3 * i + k] = METRE * (at(0) * x + at(1) * y + at(2) * z + at(3));
    }
  }
  const given = primitive.getIndices()?.getArray();
  return {
    positions,
    indices: given ? Uint32Array.from(given) : Uint32Array.from({ length: count }, (_, i) => i),
  };
}
