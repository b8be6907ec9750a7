import type { Mesh } from '../geometry/mesh';
import type { Colour } from './colours';

/** The formats that models are read from. */
export type ModelFormat = 'step' | 'stl' | 'gltf';

/** One solid of an imported model, or what of it has one colour. mm as far as the file says so. */
export interface ModelPart {
  readonly name: string;
  /** Number of the solid that it is a part of; one of its own where it is missing. */
  readonly solid?: number;
  /** `null` where the file gives none. */
  readonly colour: Colour | null;
  readonly mesh: Mesh;
}

/** An imported model as it was read, in the file's own place and turn. */
export interface Model {
  readonly parts: readonly ModelPart[];
  /** Solids that the file declares; `null` where its format does not say. */
  readonly declared: number | null;
}

/** Files larger than this are not read, bytes. */
export const LARGEST_MODEL = 20_000_000;

/** The format of a file by its name; `null` where Tapis reads none of that name. */
export function modelFormatOf(name: string): ModelFormat | null {
  const extension = name.toLowerCase().match(/\.([a-z0-9]+)$/)?.[1] ?? '';
  if (['step', 'stp', 'p21'].includes(extension)) return 'step';
  if (extension === 'stl') return 'stl';
  return extension === 'gltf' || extension === 'glb' ? 'gltf' : null;
}

/** What the file shows at a glance before anything is loaded for it; `null` where it may be read. */
export function whyNotRead(name: string, size: number): string | null {
  if (!modelFormatOf(name))
    return `“${name}” is not a model that Tapis reads. Save it as STEP (.step), STL (.stl) or glTF (.glb, .gltf).`;
  if (size === 0) return `“${name}” is empty. Export it again.`;
  if (size > LARGEST_MODEL)
    return `“${name}” has ${(size / 1e6).toFixed(1)} MB; models up to ${LARGEST_MODEL / 1e6} MB are read. Export it without threads, lettering and inner parts.`;
  return null;
}

/** What of a model's file did not come as it is declared, in words; `null` where all its solids came. */
export function whatIsMissing({ declared, parts }: Model): string | null {
  const read = new Set(parts.map(({ solid }, i) => solid ?? -1 - i)).size;
  if (declared === null || read === declared) return null;
  return read < declared
    ? `Only ${read} of the ${declared} solids that the file declares could be read.`
    : `The ${declared} solids that the file declares came apart into ${read} pieces: it is damaged.`;
}
