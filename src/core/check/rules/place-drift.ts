/**
 * Tells of chains of dimensions that may add up to more than holes leave, where every length is at its
 * limit: the last pins of a long row, or a peg at the far end of a part.
 */
import { narrowOf } from '../../geometry/figure';
import { diagonal } from '../../land/solve-pin';
import { fill, idsOf, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  pins: 'With every length of its chain at its limit the place of {title} may lie off over {worst} mm; hole {hole} mm leaves {value} mm round the largest lead.',
  peg: 'With every length of its chain at its limit the place of a peg may lie off over {worst} mm; hole {hole} mm leaves {value} mm round the largest peg.',
};

export const placeDrift: Rule = {
  id: 'place-drift',
  title: 'Chains of dimensions',
  fault: 'Chain of dimensions adds up its tolerances',
  source: 'Worst case: all tolerances of a chain add up',
  severity: 'note',
  stage: 'measure',
  looksAt: ['places with tolerances'],
  check({ footprint: { bores, groups, lands } }) {
    const pins = groups.flatMap((group): RuleFinding[] => {
      if (group.kind !== 'pin' || group.terminals.bare) return [];
      const { id, title, lead, position } = group.terminals;
      const own = lands.filter((land) => land.group === id && land.padstack.hole);
      const [first] = own;
      if (!first?.padstack.hole || !position) return [];
      const hole = narrowOf(first.padstack.hole.figure);
      const value = hole - diagonal(lead, 'max');
      const { worst } = position;
      if (value <= 0 || value >= worst - 1e-9) return [];
      return [
        {
          message: fill(messages.pins, { title, worst: mm(worst), hole: mm(hole), value: mm(value) }),
          measured: { value, limit: worst, unit: 'mm' },
          place: { at: first.at, lands: idsOf(own) },
        },
      ];
    });
    const pegs = bores.flatMap(({ at, diameter, peg }): RuleFinding[] => {
      const value = peg ? diameter - peg.diameter.max : 0;
      if (!peg || value < peg.off - 1e-9 || value >= peg.worst - 1e-9) return [];
      return [
        {
          message: fill(messages.peg, { worst: mm(peg.worst), hole: mm(diameter), value: mm(value) }),
          measured: { value, limit: peg.worst, unit: 'mm' },
          place: { at },
        },
      ];
    });
    return [...pins, ...pegs];
  },
};
