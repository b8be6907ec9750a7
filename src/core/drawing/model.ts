import { lookOf } from '../body/subject';
import type { SeatedModel } from '../footprint/footprint';
import type { Mesh } from '../geometry/mesh';
import { sectionLoops } from '../geometry/mesh-section';
import { area, type Polyline } from '../geometry/polygon';
import type { Stroke } from './drawing';
import { visibleLines, type LookingAlong } from './hidden-lines';
import type { CuttingPlane } from './section';

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

/** What a plane cuts out of an imported model, filled where there is material. */
export function modelSection({ seen, pose }: SeatedModel, { axis, value }: CuttingPlane): Stroke[] {
  if (!seen) return [];
  const { x, y, z } = pose.at;
  const { mesh } = lookOf(seen.loaded, pose);
  const loops = sectionLoops(mesh, axis, value - pose.at[axis]);
  const rings = loops.map((loop) => loop.map((p) => ({ x: p.x + (axis === 'y' ? x : y), y: p.y + z })));
  // solids may lie in hollows of others: what is larger is painted first, hollows with nothing in them
  const bySize = rings.map((ring) => ({ ring, size: (axis === 'y' ? -1 : 1) * area(ring) }));
  bySize.sort((a, b) => Math.abs(b.size) - Math.abs(a.size));
  return bySize.map(({ ring, size }): Stroke => ({
    layer: size > 0 ? 'model-cut' : 'model-hollow',
    rings: [ring],
    closed: true,
  }));
}
