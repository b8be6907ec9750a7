/**
 * Requires holes that their leads go into and that solder fills: not tighter than the allowance of
 * the level, not wider than the smallest lead and its largest play.
 */
import { diagonal } from '../../land/solve-pin';
import { HOLE_ALLOWANCE, HOLE_MOST, HOLE_SOURCE } from '../../land/tables';
import { narrowOf } from '../../geometry/figure';
import { formatNumber } from '../../units/length';
import { fill, type Rule, type RuleFinding } from '../rule';

const messages = {
  tight:
    'Hole {hole} mm for leads of up to {lead} mm across leaves {left} mm; level {level} needs {limit} mm.',
  wide: 'Hole {hole} mm leaves {left} mm round the smallest lead of {lead} mm; at most {limit} mm are filled reliably.',
};

const mm = (value: number) => formatNumber(value, 2, 3);

export const holeFit: Rule = {
  id: 'hole-fit',
  title: 'Hole against lead',
  source: HOLE_SOURCE,
  severity: 'stop',
  stage: 'land',
  check({ footprint, compiled: { document } }) {
    const { level } = document;
    return footprint.groups.flatMap((group, i): RuleFinding[] => {
      const solution = footprint.solutions[i];
      if (group.kind !== 'pin' || solution?.kind !== 'pin') return [];
      const lands = footprint.lands.filter((land) => land.group === group.id);
      const [first] = lands;
      const hole = first?.hole ? narrowOf(first.hole.figure) : solution.hole;
      const place = { ...(first ? { at: first.at } : {}), lands: lands.map(({ number }) => number) };
      const byHand = document.overrides?.lands?.[group.id]?.H ?? document.recommended?.adopted;
      const remedies = byHand
        ? [
            {
              label: `Take the computed hole ${mm(solution.computed.hole)}`,
              edits: [
                { at: `/overrides/lands/${group.id}/H`, value: undefined },
                { at: '/recommended/adopted', value: undefined },
              ],
            },
          ]
        : [];
      const say = (
        message: string,
        lead: number,
        left: number,
        limit: number,
        rest: Partial<RuleFinding> = {},
      ) => ({
        message: fill(message, { hole: mm(hole), lead: mm(lead), left: mm(left), limit: mm(limit), level }),
        measured: { value: left, limit, unit: 'mm' as const },
        place,
        remedies,
        ...rest,
      });
      const most = diagonal(group.lead, 'max');
      const least = diagonal(group.lead, 'min');
      // a hole that the part's drawing states is its maker's business, unless the lead cannot enter
      const needed = group.stated ? 0 : HOLE_ALLOWANCE[level];
      if (hole - most < needed - 1e-9) {
        const stuck = hole - most <= 0;
        return [say(messages.tight, most, hole - most, needed, stuck ? {} : { severity: 'caution' })];
      }
      if (group.stated || hole - least <= HOLE_MOST[level] + 1e-9) return [];
      return [say(messages.wide, least, hole - least, HOLE_MOST[level], { severity: 'caution' })];
    });
  },
};
