import type { FamilyDefinition } from '../family';
import { gullWingDual } from './gull-wing-dual';
import { rectangularChip } from './rectangular-chip';

/** All package families. To add one, write its file and list it here. */
export const FAMILIES: readonly FamilyDefinition[] = [rectangularChip, gullWingDual];

/** Finds a family by id; `null` where there is none. */
export function familyById(id: string): FamilyDefinition | null {
  return FAMILIES.find((family) => family.id === id) ?? null;
}
