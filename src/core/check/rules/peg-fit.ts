/**
 * Requires holes that their pegs go into, wherever the pegs may be: the largest peg, moved as far as its
 * chain of dimensions lets it.
 */
import type { Nearest } from '../probes';
import { fill, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  tight:
    'Hole {hole} mm for a peg of up to {peg} mm leaves {value} mm; its place may lie off over {off} mm, so that it needs a hole of {wanted} mm.',
};

export const pegFit: Rule = {
  id: 'peg-fit',
  title: 'Peg in its hole',
  fault: 'Peg does not suit its hole',
  source: 'Geometry: the largest peg, and the root sum square of its chain of dimensions',
  severity: 'stop',
  stage: 'measure',
  looksAt: ['pegs'],
  nearest: ({ footprint: { bores } }) =>
    bores.flatMap(({ diameter, peg }): Nearest[] =>
      peg ? [{ value: diameter - peg.diameter.max, limit: peg.off, unit: 'mm', is: 'least' }] : [],
    ),
  check({ footprint: { bores } }) {
    return bores.flatMap(({ at, diameter, peg }): RuleFinding[] => {
      if (!peg) return [];
      const most = peg.diameter.max;
      const value = diameter - most;
      if (value >= peg.off - 1e-9) return [];
      const values = {
        hole: mm(diameter),
        peg: mm(most),
        value: mm(value),
        off: mm(peg.off),
        wanted: mm(most + peg.off),
      };
      return [
        {
          message: fill(messages.tight, values),
          measured: { value, limit: peg.off, unit: 'mm' },
          place: { at },
          // a peg that goes in where all is nominal may be pressed in
          ...(value <= 0 ? {} : { severity: 'caution' as const }),
        },
      ];
    });
  },
};
