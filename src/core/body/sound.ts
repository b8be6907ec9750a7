import type { Mesh } from '../geometry/mesh';
import { formatNumber } from '../units/length';
import { fail, ok, type Result } from '../units/result';
import type { Model, ModelPart } from './model';

// What a file holds is held against what a body can be before anything rests on it.

/** Triangles that are looked at in a model, those of a part as often as it is placed. */
export const MOST_TRIANGLES = 500_000;
/** Parts of a model: pins, balls and what else stands by itself. */
export const MOST_PARTS = 5_000;
/** The largest extent, in the units of the file, which may be micrometres. */
const LARGEST_EXTENT = 1_000_000;

export const tooManyParts = (name: string, count: number): string =>
  `“${name}” has ${formatNumber(count)} parts; at most ${formatNumber(MOST_PARTS)} are read. Export its solids joined.`;

export const tooManyTriangles = (name: string, count: number): string =>
  `“${name}” has ${formatNumber(count)} triangles; at most ${formatNumber(MOST_TRIANGLES)} are read. Export it coarser, or without threads and lettering.`;

/**
 * A model of which every point is a place and belongs to a triangle.
 * @param name of the file
 * @returns it without points that no triangle uses, or in words what is wrong with it
 */
export function soundModel(model: Model, name: string): Result<Model, string> {
  if (model.parts.length > MOST_PARTS) return fail(tooManyParts(name, model.parts.length));
  const triangles = model.parts.reduce((sum, { mesh }) => sum + mesh.indices.length / 3, 0);
  if (triangles > MOST_TRIANGLES) return fail(tooManyTriangles(name, Math.ceil(triangles)));
  const parts: ModelPart[] = [];
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (const part of model.parts) {
    const why = whyUnsound(part.mesh);
    if (why) return fail(`“${name}” is damaged: ${why} in “${part.name}”. Export it again.`);
    const mesh = usedOnly(part.mesh);
    parts.push({ ...part, mesh });
    mesh.positions.forEach((value, i) => {
      const k = i % 3;
      low[k] = Math.min(low[k] as number, value);
      high[k] = Math.max(high[k] as number, value);
    });
  }
  const extent = Math.max(...high.map((value, k) => value - (low[k] as number)));
  if (parts.length > 0 && !(extent > 0)) return fail(`“${name}” is a single point. Export the body itself.`);
  if (extent > LARGEST_EXTENT)
    return fail(
      `“${name}” reaches over ${extent.toExponential(1)} units: no body of a part does, whatever they are. Look at its unit and for what lies far off, and export it again.`,
    );
  return ok({ ...model, parts });
}

function whyUnsound({ positions, indices }: Mesh): string | null {
  const count = positions.length / 3;
  if (indices.length % 3 !== 0) return 'a triangle has fewer than three corners';
  for (const i of indices) {
    if (i >= count)
      return `a triangle names point ${formatNumber(i + 1)}, and there are ${formatNumber(count)}`;
    if (
      !Number.isFinite(
        (positions[3 * i] as number) + (positions[3 * i + 1] as number) + (positions[3 * i + 2] as number),
      )
    )
      return 'a corner is no place: its coordinates are no numbers';
  }
  return null;
}

/** A mesh without the points that no triangle uses: they would count as its extent. */
function usedOnly(mesh: Mesh): Mesh {
  const { positions, indices } = mesh;
  const at = new Int32Array(positions.length / 3).fill(-1);
  let used = 0;
  for (const i of indices) if (at[i] === -1) at[i] = used++;
  if (used === at.length) return mesh;
  const kept = new Float64Array(3 * used);
  at.forEach((to, from) => {
    if (to >= 0) kept.set(positions.subarray(3 * from, 3 * from + 3), 3 * to);
  });
  return { positions: kept, indices: indices.map((i) => at[i] as number) };
}
