import type { Rule } from '../rule';
import { annularRing } from './annular-ring';
import { assumptions } from './assumptions';
import { courtyard } from './courtyard';
import { holeFit } from './hole-fit';
import { holeWeb } from './hole-web';
import { landGap } from './land-gap';
import { landUnderBody } from './land-under-body';
import { legendOverLand } from './legend-over-land';
import { maskWeb } from './mask-web';
import { nameGeometry } from './name-geometry';
import { numberSequence } from './number-sequence';
import { pasteArea } from './paste-area';
import { pin1Mark } from './pin-1-mark';

/** All rules that hold for every family. To add one, write its file and list it here. */
export const RULES: readonly Rule[] = [
  // copper
  landGap,
  landUnderBody,
  // holes
  holeFit,
  annularRing,
  holeWeb,
  // openings
  maskWeb,
  pasteArea,
  // marks
  legendOverLand,
  pin1Mark,
  courtyard,
  // numbers and names
  numberSequence,
  nameGeometry,
  // the datasheet
  assumptions,
];
