import type { Pose } from '../body/pose';
import type { LoadedModel } from '../body/loaded';
import type { ModelIntent } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import type { Box3 } from '../geometry/mesh';
import { quantise } from '../units/length';
import type { Ground } from '../body/ground';
import type { Footprint, SeatedModel } from './footprint';

/** Imported models by the key of their file; `null` where a file is not at hand. */
export type ModelSource = (key: string) => LoadedModel | null;

/** Where no models are kept. */
export const noModels: ModelSource = () => null;

/** Tells what an imported model is to lie on. */
export type GroundOf = (footprint: Footprint) => Ground;

/** Puts the document's model onto its footprint. @param groundOf is asked where there is a model */
export function withModel(
  footprint: Footprint,
  intent: ModelIntent | undefined,
  chosen: ChoicesRead['body']['model'],
  models: ModelSource,
  groundOf: GroundOf | null,
): Footprint {
  if (!intent) return footprint;
  if (!groundOf) throw new Error('what seats models is not loaded');
  const pose = poseOf(chosen);
  const ground = groundOf(footprint);
  const loaded = models(intent.key);
  const imported: SeatedModel = { intent, pose, ground, seen: null };
  if (!loaded) return { ...footprint, body: { ...footprint.body, imported } };
  const subject = loaded.partOn(ground.box, pose.scale);
  const { box } = loaded.look(subject, pose);
  const seen = { loaded, subject, fit: loaded.lies(subject, pose, ground), box: moved(box, pose) };
  return { ...footprint, body: { ...footprint.body, imported: { ...imported, seen } } };
}

/** How a document puts its model; what cannot be read is nothing. */
function poseOf({ scale, turn, x, y, z }: ChoicesRead['body']['model']): Pose {
  return {
    scale: scale ?? 1,
    turn: { x: turn.x ?? 0, y: turn.y ?? 0, z: turn.z ?? 0 },
    at: { x: x ?? 0, y: y ?? 0, z: z ?? 0 },
  };
}

/** The choices that put a model into a pose; offsets to a nanometre. */
export function intentOfPose(intent: ModelIntent, { scale, turn, at }: Pose): ModelIntent {
  const text = (value: number) => `${quantise(value)} mm`;
  return { ...intent, scale, turn, x: text(at.x), y: text(at.y), z: text(at.z) };
}

function moved({ min, max }: Box3, { at }: Pose): Box3 {
  const by = (p: Box3['min']) => ({ x: p.x + at.x, y: p.y + at.y, z: p.z + at.z });
  return { min: by(min), max: by(max) };
}
