import { boxOfPositions, welded, type Mesh } from '../geometry/mesh';
import type { Model } from './model';
import type { Pose } from './pose';
import { lookUnder, type Subject, type Underside } from './underside';

/** Vertices nearer than this are one, as a share of the model's size. */
const WELD = 1e-6;

/** Joins a model's meshes so that it can be seated; `null` where it has no triangles. */
export function subjectOf(meshes: readonly Mesh[]): Subject | null {
  let size = 0;
  for (const { positions } of meshes) {
    const box = boxOfPositions(positions);
    if (box)
      for (const axis of ['x', 'y', 'z'] as const) size = Math.max(size, box.max[axis] - box.min[axis]);
  }
  if (!(size > 0)) return null;
  const mesh = welded(meshes, size * WELD);
  const box = boxOfPositions(mesh.positions);
  return box && mesh.indices.length > 0 ? { mesh, box } : null;
}

/** A model as the footprint's compiler is given it: ready to be looked at from any side. */
export interface LoadedModel {
  readonly model: Model;
  readonly subject: Subject;
  readonly looks: Map<string, Underside>;
}

/** Makes a model ready; `null` where it has no triangles. */
export function loadedModel(model: Model): LoadedModel | null {
  const subject = subjectOf(model.parts.map(({ mesh }) => mesh));
  return subject && { model, subject, looks: new Map() };
}

/** The few turns that are kept: a nudge moves a model without turning it. */
const KEPT = 4;

/** What a model shows from below in the turn of a pose. */
export function lookOf({ subject, looks }: LoadedModel, { turn, scale }: Pose): Underside {
  const key = [turn.x, turn.y, turn.z, scale].join(' ');
  const known = looks.get(key);
  if (known) return known;
  if (looks.size >= KEPT) looks.clear();
  const look = lookUnder(subject, turn, scale, false);
  looks.set(key, look);
  return look;
}
