import type { FamilyDefinition } from '../family';
import { LEADS } from './kinds/leads';
import { THROUGH_BOARD } from './kinds/through-board';
import { TWO_TERMINALS } from './kinds/two-terminals';
import { UNDER_BODY } from './kinds/under-body';

/** All package families. To add one, write its file and list it with its kind. */
export const FAMILIES: readonly FamilyDefinition[] = [
  ...TWO_TERMINALS,
  ...LEADS,
  ...UNDER_BODY,
  ...THROUGH_BOARD,
];

/** Finds a family by id; `null` where there is none. */
export function familyById(id: string): FamilyDefinition | null {
  return FAMILIES.find((family) => family.id === id) ?? null;
}
