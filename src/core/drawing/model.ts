import { lookOf } from '../body/subject';
import type { SeatedModel } from '../footprint/footprint';
import type { Mesh } from '../geometry/mesh';
import type { Polyline } from '../geometry/polygon';
import type { Stroke } from './drawing';
import { visibleLines, type LookingAlong } from './hidden-lines';

/** Where a model is looked at from. */
export type ModelView = 'plan' | 'front' | 'side';

const LOOKS: Readonly<Record<ModelView, LookingAlong>> = {
  plan: { right: [0, 1], up: [1, 1], away: [2, -1] },
  front: { right: [0, 1], up: [2, 1], away: [1, 1] },
  side: { right: [1, 1], up: [2, 1], away: [0, -1] },
};

const known = new WeakMap<Mesh, Map<ModelView, readonly Polyline[]>>();

/** The visible edges of an imported model where it is seated; nothing while its file is not at hand. */
export function modelStrokes({ seen, pose }: SeatedModel, view: ModelView): Stroke[] {
  if (!seen) return [];
  const { mesh } = lookOf(seen.loaded, pose);
  const views = known.get(mesh) ?? new Map<ModelView, readonly Polyline[]>();
  known.set(mesh, views);
  let lines = views.get(view);
  if (!lines) views.set(view, (lines = visibleLines(mesh, LOOKS[view])));
  const { x, y, z } = pose.at;
  const [right, up] = view === 'plan' ? [x, y] : view === 'front' ? [x, z] : [y, z];
  const rings = lines.map((line) => line.map((p) => ({ x: p.x + right, y: p.y + up })));
  return rings.length > 0 ? [{ layer: 'model', rings, closed: false }] : [];
}
