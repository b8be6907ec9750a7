import type { Contact } from '../../body/contacts';
import type { Target } from '../../body/ground';
import type { Footprint, Land } from '../../footprint/footprint';

/** A contact of the imported model with the land it was laid onto; `lift` is how far it is above its place, mm. */
export interface LandMatch {
  readonly land: Land;
  readonly contact: Contact;
  readonly lift: number;
}

/** Contacts of the imported model on lands or in holes; none where there is no model. */
export function matchesOf({ lands, body: { imported } }: Footprint, kind: Target['kind']): LandMatch[] {
  if (!imported?.seen?.fit) return [];
  return imported.seen.fit.matches.flatMap(({ target, contact, off }): LandMatch[] => {
    const meant = imported.ground.targets[target];
    const land = meant?.kind === kind ? lands[meant.index] : undefined;
    return land ? [{ land, contact, lift: off.z }] : [];
  });
}
