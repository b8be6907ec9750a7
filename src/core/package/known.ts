import type { Families } from './draw';
import { FAMILIES } from './families';

/** All families that there are. */
export const KNOWN_FAMILIES: Families = FAMILIES;
