import type { FamilyDefinition } from '../../family';
import { axial } from '../axial';
import { dip } from '../dip';
import { flangeMount } from '../flange-mount';
import { inLineTransistor } from '../in-line-transistor';
import { mountingHole } from '../mounting-hole';
import { pinGrid } from '../pin-grid';
import { pinHeader } from '../pin-header';
import { radial } from '../radial';
import { screwTerminal } from '../screw-terminal';
import { sip } from '../sip';
import { testPoint } from '../test-point';

/** Through the board. */
export const THROUGH_BOARD: readonly FamilyDefinition[] = [
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
