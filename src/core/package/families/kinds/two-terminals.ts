import type { FamilyDefinition } from '../../family';
import { crystal } from '../crystal';
import { cylindrical } from '../cylindrical';
import { electrolyticCan } from '../electrolytic-can';
import { moulded } from '../moulded';
import { precisionWound } from '../precision-wound';
import { rectangularChip } from '../rectangular-chip';
import { smallDiode } from '../small-diode';

/** Two terminals. */
export const TWO_TERMINALS: readonly FamilyDefinition[] = [
  rectangularChip,
  cylindrical,
  moulded,
  precisionWound,
  electrolyticCan,
  crystal,
  smallDiode,
];
