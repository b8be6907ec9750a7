import { MOST_PARTS, MOST_TRIANGLES, tooManyParts, tooManyTriangles } from '../core/body/sound';

// A glTF file's own account of itself, held before anything is unpacked for it: its nodes are trees, and its
// accessors lie in the bytes that there are.

type Json = Readonly<Record<string, unknown>>;

/** Nodes in nodes. */
const DEEPEST = 100;
/** Values that an accessor may have: a corner of its own for each of the most triangles. */
const MOST_VALUES = 3 * MOST_TRIANGLES;

const BYTES: Readonly<Record<number, number>> = { 5120: 1, 5121: 1, 5122: 2, 5123: 2, 5125: 4, 5126: 4 };
const WIDTH: Readonly<Record<string, number>> = {
  SCALAR: 1,
  VEC2: 2,
  VEC3: 3,
  VEC4: 4,
  MAT2: 4,
  MAT3: 9,
  MAT4: 16,
};

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isCount = (value: unknown): value is number => Number.isSafeInteger(value) && (value as number) >= 0;
/** The members of a list that are objects, at their places. */
const listOf = (json: Json, key: string): readonly (Json | null)[] => {
  const list = json[key];
  return Array.isArray(list) ? list.map((one) => (isObject(one) ? one : null)) : [];
};
const numbersOf = (value: unknown): readonly number[] => (Array.isArray(value) ? value.filter(isCount) : []);

/** Why a glTF file cannot be read, in words; `null` where it can. @param json what it says of itself */
export function whyGltfUnsound(json: unknown, name: string): string | null {
  if (!isObject(json) || !isObject(json['asset']) || typeof json['asset']['version'] !== 'string')
    return `“${name}” is no glTF: it does not say of which version it is. Export it again.`;
  const wrong = whyLost(json) ?? whyNoTree(json) ?? whyOutside(json);
  if (wrong) return `“${name}” is damaged: ${wrong}. Export it again.`;
  const { parts, triangles } = counted(json);
  if (parts > MOST_PARTS) return tooManyParts(name, parts);
  return triangles > MOST_TRIANGLES ? tooManyTriangles(name, Math.ceil(triangles)) : null;
}

/** What is named by its number is there. */
function whyLost(json: Json): string | null {
  const counts = { node: 'nodes', mesh: 'meshes', accessor: 'accessors', scene: 'scenes' } as const;
  const lost = (holder: string, what: keyof typeof counts, named: unknown): string | null => {
    if (isCount(named) && named < listOf(json, counts[what]).length) return null;
    const which = isCount(named) ? `${what} ${named + 1}` : `a ${what} by no number`;
    return `${holder} names ${which}, which is not there`;
  };
  const members = (key: string, word: string) =>
    listOf(json, key).map((one, i) => ({ one: one ?? {}, holder: `${word} ${i + 1}` }));
  const all = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);
  const asked = (value: unknown): readonly unknown[] => (value === undefined ? [] : [value]);
  const checks = [
    ...asked(json['scene']).map((named) => lost('the file', 'scene', named)),
    ...members('scenes', 'scene').flatMap(({ one, holder }) =>
      all(one['nodes']).map((named) => lost(holder, 'node', named)),
    ),
    ...members('nodes', 'node').flatMap(({ one, holder }) => [
      ...all(one['children']).map((named) => lost(holder, 'node', named)),
      ...asked(one['mesh']).map((named) => lost(holder, 'mesh', named)),
    ]),
    ...members('meshes', 'mesh').flatMap(({ one, holder }) =>
      listOf(one, 'primitives').flatMap((primitive) => {
        const attributes = primitive?.['attributes'];
        const named = [
          ...(isObject(attributes) ? Object.values(attributes) : []),
          ...asked(primitive?.['indices']),
        ];
        return named.map((accessor) => lost(holder, 'accessor', accessor));
      }),
    ),
  ];
  return checks.find((why) => why !== null) ?? null;
}

/** Nodes have one parent at most, and no way leads back. */
function whyNoTree(json: Json): string | null {
  const nodes = listOf(json, 'nodes');
  const parent = new Map<number, number>();
  for (const [i, node] of nodes.entries())
    for (const child of numbersOf(node?.['children'])) {
      if (parent.has(child)) return `node ${child + 1} is held by more than one`;
      parent.set(child, i);
    }
  const depths = new Map<number, number>();
  for (const start of nodes.keys()) {
    const way: number[] = [];
    let at: number | undefined = start;
    while (at !== undefined && !depths.has(at)) {
      way.push(at);
      if (way.length > DEEPEST)
        return `its nodes are more than ${DEEPEST} deep in each other, or hold themselves`;
      at = parent.get(at);
    }
    let depth = at === undefined ? 0 : (depths.get(at) as number) + 1;
    for (const one of way.reverse()) depths.set(one, depth++);
    if (depth > DEEPEST) return `its nodes are more than ${DEEPEST} deep in each other`;
  }
  return null;
}

/** Accessors lie within their views, and views within their buffers. */
function whyOutside(json: Json): string | null {
  const [views, buffers] = [listOf(json, 'bufferViews'), listOf(json, 'buffers')];
  for (const [i, view] of views.entries()) {
    const buffer = buffers[Number(view?.['buffer'])];
    const end = Number(view?.['byteOffset'] ?? 0) + Number(view?.['byteLength']);
    if (!buffer || !(end <= Number(buffer['byteLength']))) return `view ${i + 1} lies outside of its buffer`;
  }
  for (const [i, accessor] of listOf(json, 'accessors').entries()) {
    const count = accessor?.['count'];
    const size =
      (BYTES[Number(accessor?.['componentType'])] ?? NaN) * (WIDTH[String(accessor?.['type'])] ?? NaN);
    if (!accessor || !isCount(count) || count === 0 || Number.isNaN(size))
      return `accessor ${i + 1} does not say what it holds`;
    if (count > MOST_VALUES)
      return `accessor ${i + 1} announces ${count} values, and at most ${MOST_VALUES} are read`;
    if (accessor['bufferView'] === undefined) continue;
    const view = views[Number(accessor['bufferView'])];
    const step = Number(view?.['byteStride'] ?? size);
    const end = Number(accessor['byteOffset'] ?? 0) + step * (count - 1) + size;
    if (!view || !(end <= Number(view['byteLength'])))
      return `accessor ${i + 1} announces ${count} values, which its view does not hold`;
  }
  return null;
}

/** Parts and triangles of all that its nodes place. */
function counted(json: Json): { readonly parts: number; readonly triangles: number } {
  const accessors = listOf(json, 'accessors');
  const meshes = listOf(json, 'meshes').map((mesh) =>
    listOf(mesh ?? {}, 'primitives').map((primitive) => {
      const attributes = primitive?.['attributes'];
      const position = isObject(attributes) ? attributes['POSITION'] : undefined;
      return Number(accessors[Number(primitive?.['indices'] ?? position)]?.['count'] ?? 0) / 3;
    }),
  );
  const placed = listOf(json, 'nodes').flatMap((node) => meshes[Number(node?.['mesh'])] ?? []);
  return { parts: placed.length, triangles: placed.reduce((sum, one) => sum + one, 0) };
}
