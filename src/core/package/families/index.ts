import type { FamilyDefinition } from '../family';
import { axial } from './axial';
import { castellated } from './castellated';
import { chipArray } from './chip-array';
import { crystal } from './crystal';
import { cylindrical } from './cylindrical';
import { dip } from './dip';
import { electrolyticCan } from './electrolytic-can';
import { flangeMount } from './flange-mount';
import { flatLeadOutline } from './flat-lead';
import { ballGrid, columnGrid, landGrid } from './grids';
import { gullWingDual } from './gull-wing-dual';
import { gullWingQuad } from './gull-wing-quad';
import { inLineTransistor } from './in-line-transistor';
import { jLeadDual } from './j-lead-dual';
import { jLeadQuad } from './j-lead-quad';
import { moulded } from './moulded';
import { mountingHole } from './mounting-hole';
import { noLeadDual } from './no-lead-dual';
import { noLeadQuad } from './no-lead-quad';
import { oscillator } from './oscillator';
import { pinGrid } from './pin-grid';
import { pinHeader } from './pin-header';
import { precisionWound } from './precision-wound';
import { radial } from './radial';
import { rectangularChip } from './rectangular-chip';
import { screwTerminal } from './screw-terminal';
import { sip } from './sip';
import { smallDiode } from './small-diode';
import { smallTransistor } from './small-transistor';
import { smallTransistorWide } from './small-transistor-wide';
import { surfaceHeader } from './surface-header';
import { tabPackage } from './tab-package';
import { testPoint } from './test-point';

/** All package families. To add one, write its file and list it here. */
export const FAMILIES: readonly FamilyDefinition[] = [
  // two terminals
  rectangularChip,
  cylindrical,
  moulded,
  precisionWound,
  electrolyticCan,
  crystal,
  smallDiode,
  // formed and flat leads
  flatLeadOutline,
  smallTransistor,
  smallTransistorWide,
  tabPackage,
  gullWingDual,
  gullWingQuad,
  jLeadDual,
  jLeadQuad,
  // terminals under the body
  noLeadDual,
  noLeadQuad,
  castellated,
  chipArray,
  oscillator,
  ballGrid,
  columnGrid,
  landGrid,
  surfaceHeader,
  // through the board
  dip,
  sip,
  axial,
  radial,
  inLineTransistor,
  flangeMount,
  pinGrid,
  pinHeader,
  screwTerminal,
  mountingHole,
  testPoint,
];

/** Finds a family by id; `null` where there is none. */
export function familyById(id: string): FamilyDefinition | null {
  return FAMILIES.find((family) => family.id === id) ?? null;
}
