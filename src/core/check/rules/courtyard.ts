/**
 * Requires the courtyard to enclose lands and body by the excess of the density level.
 */
import { boxRound, overhang, type Box } from '../../geometry/box';
import { occupiedBy } from '../../footprint/marks';
import { bodyAt } from '../../package/drawn';
import { formatNumber } from '../../units/length';
import { fill, type Rule } from '../rule';

const messages = {
  small: 'Courtyard leaves {left} mm round lands and body on its tightest side, needs {limit} mm.',
};

export const courtyard: Rule = {
  id: 'courtyard',
  title: 'Courtyard encloses everything',
  source: 'IPC-7351B, tables 3-2 to 3-6: courtyard excess',
  severity: 'stop',
  stage: 'mark',
  check({ footprint }) {
    const { box, excess } = footprint.courtyard;
    const { lands, bores, keepOuts, body } = footprint;
    const inner = boxRound(occupiedBy(lands, bodyAt(body.extent, 'max'), bores, keepOuts)) as Box;
    const left = -overhang(inner, box);
    if (left >= excess - 1e-6) return [];
    return [
      {
        message: fill(messages.small, { left: formatNumber(left, 2, 3), limit: formatNumber(excess, 2) }),
        measured: { value: left, limit: excess, unit: 'mm' },
        place: { box },
      },
    ];
  },
};
