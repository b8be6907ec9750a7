import type { FamilyDefinition } from '../../family';
import { flatLeadOutline } from '../flat-lead';
import { gullWingDual } from '../gull-wing-dual';
import { gullWingQuad } from '../gull-wing-quad';
import { jLeadDual } from '../j-lead-dual';
import { jLeadQuad } from '../j-lead-quad';
import { smallTransistor } from '../small-transistor';
import { smallTransistorWide } from '../small-transistor-wide';
import { tabPackage } from '../tab-package';

/** Formed and flat leads. */
export const LEADS: readonly FamilyDefinition[] = [
  flatLeadOutline,
  smallTransistor,
  smallTransistorWide,
  tabPackage,
  gullWingDual,
  gullWingQuad,
  jLeadDual,
  jLeadQuad,
];
