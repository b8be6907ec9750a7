import { visibleOf } from '../geometry/hidden-lines';
import type { Box3 } from '../geometry/mesh';
import { inspect, type Fit } from './fit';
import type { Ground } from './ground';
import type { Model } from './model';
import type { Pose } from './pose';
import { piecesOf, subjectFor, type Subject } from './subject';
import { lookUnder, type Underside } from './underside';
import { uprightPose } from './upright';

/**
 * A model as the footprint's compiler is given it, with what can be asked of it. Whoever has no model at
 * hand needs none of that: it comes with the model.
 */
export interface LoadedModel {
  readonly model: Model;
  /** What of it is the part, on the body of a package and drawn at a scale. */
  readonly partOn: (own: Box3, scale: number) => Subject;
  /** What a part of it shows from below in the turn of a pose. */
  readonly look: (part: Subject, pose: Pose) => Underside;
  /** How it lies in a pose, wherever it was put; `null` where it has no underside. */
  readonly lies: (part: Subject, pose: Pose, ground: Ground) => Fit | null;
  /** A pose with its lean taken out. */
  readonly upright: (part: Subject, pose: Pose, ground: Ground) => Pose;
  /** What is seen of a mesh of it from one side. */
  readonly visible: typeof visibleOf;
}

/** The few turns that are kept: a nudge moves a model without turning it. */
const KEPT = 4;

/** Makes a model ready; `null` where it has no triangles. */
export function loadedModel(model: Model): LoadedModel | null {
  const pieces = piecesOf(model.parts.map(({ mesh }) => mesh));
  if (!pieces) return null;
  const looks = new Map<Subject, Map<string, Underside>>();
  const look = (part: Subject, { turn, scale }: Pose): Underside => {
    const own = looks.get(part) ?? new Map<string, Underside>();
    looks.set(part, own);
    const key = [turn.x, turn.y, turn.z, scale].join(' ');
    const known = own.get(key);
    if (known) return known;
    if (own.size >= KEPT) own.clear();
    const found = lookUnder(part, turn, scale, false);
    own.set(key, found);
    return found;
  };
  return {
    model,
    partOn: (own, scale) => subjectFor(pieces, own, scale),
    look,
    lies: (part, pose, ground) => inspect(look(part, pose), pose, ground),
    upright: uprightPose,
    visible: visibleOf,
  };
}
