import { isLight } from '../body/colours';
import type { SeatedModel } from '../footprint/footprint';
import type { LookingAlong, Visible } from '../geometry/hidden-lines';
import type { Mesh } from '../geometry/mesh';
import { beyondPlane, sectionLoops } from '../geometry/mesh-section';
import { add, type Point } from '../geometry/point';
import { area, type Polyline } from '../geometry/polygon';
import type { Layer, Stroke } from './drawing';
import type { CuttingPlane } from './section';

/** Where a model is looked at from. */
export type ModelView = 'plan' | 'front' | 'side';

const LOOKS: Readonly<Record<ModelView, LookingAlong>> = {
  plan: { right: [0, 1], up: [1, 1], away: [2, -1] },
  front: { right: [0, 1], up: [2, 1], away: [1, 1] },
  side: { right: [1, 1], up: [2, 1], away: [0, -1] },
};

/** What was seen of a mesh, by view and plane. */
const known = new WeakMap<Mesh, Map<string, Visible>>();
/** Planes and views of one mesh that are kept. */
const KEPT = 12;

const [DARK, LIGHT] = [0, 1];

function seenOf(mesh: Mesh, key: string, look: () => Visible): Visible {
  const views = known.get(mesh) ?? new Map<string, Visible>();
  known.set(mesh, views);
  let visible = views.get(key);
  if (visible) return visible;
  if (views.size >= KEPT) views.clear();
  visible = look();
  views.set(key, visible);
  return visible;
}

/** An imported model as it is seen where it is seated; nothing while its file is not at hand. */
export function modelStrokes({ seen, pose }: SeatedModel, view: ModelView): Stroke[] {
  if (!seen) return [];
  const { mesh } = seen.loaded.look(seen.subject, pose);
  const tones = seen.loaded.model.parts.map(({ colour }) => (colour && isLight(colour) ? LIGHT : DARK));
  const { partOf } = seen.subject;
  const visible = seenOf(mesh, view, () =>
    seen.loaded.visible(mesh, LOOKS[view], (triangle) => tones[partOf[triangle] as number] ?? DARK),
  );
  return strokesOf(visible, shiftOf(pose, view), 'model', (tone) =>
    tone === LIGHT ? 'model-light' : 'model-dark',
  );
}

/** What of an imported model stands behind a plane, faintly. */
export function modelBeyond(
  { seen, pose }: SeatedModel,
  view: 'front' | 'side',
  { axis, value }: CuttingPlane,
): Stroke[] {
  if (!seen) return [];
  const { mesh } = seen.loaded.look(seen.subject, pose);
  const at = value - pose.at[axis];
  // the front looks along +Y, the side along −X
  const visible = seenOf(mesh, `${view} ${at}`, () =>
    seen.loaded.visible(beyondPlane(mesh, axis, at, view === 'front' ? 1 : -1), LOOKS[view], () => DARK),
  );
  return strokesOf(visible, shiftOf(pose, view), 'model-behind', () => 'model-beyond');
}

function shiftOf({ at: { x, y, z } }: SeatedModel['pose'], view: ModelView): Point {
  if (view === 'plan') return { x, y };
  return view === 'front' ? { x, y: z } : { x: y, y: z };
}

function strokesOf(
  { lines, areas }: Visible,
  by: Point,
  line: Layer,
  fill: (tone: number) => Layer,
): Stroke[] {
  const shifted = (rings: readonly Polyline[]) => rings.map((ring) => ring.map((p) => add(p, by)));
  return [
    ...[...areas].map(([tone, rings]): Stroke => ({
      layer: fill(tone),
      rings: shifted(rings),
      closed: true,
    })),
    ...(lines.length > 0 ? [{ layer: line, rings: shifted(lines), closed: false }] : []),
  ];
}

/** What a plane cuts out of an imported model, filled where there is material. */
export function modelSection({ seen, pose }: SeatedModel, { axis, value }: CuttingPlane): Stroke[] {
  if (!seen) return [];
  const { x, y, z } = pose.at;
  const { mesh } = seen.loaded.look(seen.subject, pose);
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
