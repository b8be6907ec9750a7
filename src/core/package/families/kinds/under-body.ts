import type { FamilyDefinition } from '../../family';
import { castellated } from '../castellated';
import { chipArray } from '../chip-array';
import { ballGrid, columnGrid, landGrid } from '../grids';
import { noLeadDual } from '../no-lead-dual';
import { noLeadQuad } from '../no-lead-quad';
import { oscillator } from '../oscillator';
import { surfaceHeader } from '../surface-header';

/** Terminals under the body, and headers on the board. */
export const UNDER_BODY: readonly FamilyDefinition[] = [
  noLeadDual,
  noLeadQuad,
  castellated,
  chipArray,
  oscillator,
  ballGrid,
  columnGrid,
  landGrid,
  surfaceHeader,
];
