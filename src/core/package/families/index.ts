import type { FamilyDefinition } from '../family';
import { crystal } from './crystal';
import { cylindrical } from './cylindrical';
import { electrolyticCan } from './electrolytic-can';
import { gullWingDual } from './gull-wing-dual';
import { gullWingQuad } from './gull-wing-quad';
import { moulded } from './moulded';
import { rectangularChip } from './rectangular-chip';
import { smallDiode } from './small-diode';
import { smallTransistor } from './small-transistor';

/** All package families. To add one, write its file and list it here. */
export const FAMILIES: readonly FamilyDefinition[] = [
  // two terminals
  rectangularChip,
  cylindrical,
  moulded,
  electrolyticCan,
  crystal,
  smallDiode,
  // formed leads
  smallTransistor,
  gullWingDual,
  gullWingQuad,
];

/** Finds a family by id; `null` where there is none. */
export function familyById(id: string): FamilyDefinition | null {
  return FAMILIES.find((family) => family.id === id) ?? null;
}
