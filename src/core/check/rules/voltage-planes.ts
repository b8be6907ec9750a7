/**
 * Requires planes of other nets to keep as far from the copper of a land with a hole as the land's voltage asks for
 * between inner conductors.
 */
import { pointerKey } from '../../document/edit';
import { peakOf, voltageWords } from '../../document/voltage';
import { pinsByLand } from '../../footprint/pins';
import { place } from '../../geometry/figure';
import { roomWithin } from '../../geometry/gaps';
import { ipcSpacing } from '../../spacing/limits';
import { formatNumber } from '../../units/length';
import type { CheckContext } from '../context';
import type { Nearest } from '../probes';
import { fill, idsOf, mm, type Rule, type RuleFinding } from '../rule';

const MESSAGE =
  'Planes of other nets come within {value} mm of the copper of land {land}, need {limit} mm at {voltage}.';
const CENTRE = { x: 0, y: 0 };
/** So many are told one by one. */
const MOST = 12;

export const voltagePlanes: Rule = {
  id: 'voltage-planes',
  title: 'Planes and voltage',
  fault: 'Plane too near copper for its voltage',
  source: 'IPC-2221B table 6-1, B1 (inner conductors)',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['voltages in holes'],
  clauses: ['spacing/by'],
  nearest: (context) =>
    planesOf(context).map(({ value, limit }): Nearest => ({ value, limit, unit: 'mm', is: 'least' })),
  check(context) {
    const found = planesOf(context).flatMap(({ land, voltage, value, limit }): RuleFinding[] => {
      if (value >= limit - 1e-6) return [];
      return [
        {
          message: fill(MESSAGE, {
            value: mm(value),
            limit: mm(limit),
            land: land.number === '' ? land.id : land.number,
            voltage: voltageWords(voltage),
          }),
          measured: { value, limit, unit: 'mm' },
          place: { at: land.at, lands: idsOf([land]) },
          remedies: [
            {
              label: `Planes ${mm(limit)} mm from land ${land.number}`,
              edits: [
                {
                  at: `/stacks/lands/${pointerKey(land.id)}/clearance`,
                  value: `${formatNumber(limit, 0, 3)}mm`,
                },
              ],
            },
          ],
        },
      ];
    });
    return found.slice(0, MOST);
  },
};

/** How near planes come to each land with a voltage, and how near they may. */
function planesOf({ footprint, process }: CheckContext) {
  // inner layers are solid insulation to IEC 60664-1: its clearances and creepages say nothing of them
  if (process.spacingBy === 2) return [];
  const byLand = pinsByLand(footprint.pins);
  return footprint.lands.flatMap((land) => {
    const voltage = byLand.get(land.id)?.voltage;
    const { clearance, copper, hole } = land.padstack;
    if (!voltage || !clearance || !hole) return [];
    const limit = ipcSpacing(peakOf(voltage), 'B1');
    return [{ land, voltage, limit, value: roomWithin(place(clearance, CENTRE), place(copper, CENTRE)) }];
  });
}
