/**
 * Requires terminals to stay on their lands as the acceptance class demands, with tolerances as
 * root of the sum of squares: end overhang, side overhang, width of the end joint.
 */
import { centreOf } from '../../geometry/box';
import { endJointLimit, endStaysOn, sideOverhangLimit } from '../../joint/acceptance';
import { correctedGroup } from '../../package/contact';
import { landOf, marginFigures, spanModel } from '../../joint/model';
import { formatNumber } from '../../units/length';
import { fill, mm, TAKE_COMPUTED, type Rule, type RuleFinding } from '../rule';

const messages = {
  end: 'The end of terminal {land} may hang over its land by {value} mm; class {class} allows none.',
  side: 'Terminal {land} may hang over the side of its land by {value} of its width; class {class} allows {limit}.',
  width:
    'The joint at the end of terminal {land} may be {value} of the terminal wide; class {class} needs {limit}.',
};

/** Rounding of the lands may take this much of a margin, mm. */
const ROUNDING = 0.025;

export const jointMargin: Rule = {
  id: 'joint-margin',
  title: 'Joint against acceptance',
  source: 'IPC-A-610 and J-STD-001: overhang and end joint width',
  severity: 'caution',
  stage: 'prove',
  check({ footprint, process, compiled: { document } }) {
    const { acceptanceClass } = process;
    const byHand = document.overrides?.land || document.overrides?.lands;
    return footprint.groups.flatMap((group, i): RuleFinding[] => {
      const solution = footprint.solutions[i];
      const land = footprint.lands.find((l) => l.group === group.id);
      if (group.kind !== 'span' || solution?.kind !== 'span' || !land) return [];
      const correction = footprint.contacts.get(group.id);
      const size = landOf(land, solution.land);
      const model = spanModel(group, size, solution.goals, solution.goalRow.ends, process, correction);
      const [outer, , side] = model.margins.map((margin) => marginFigures(model, margin));
      const { width } = correctedGroup(group, correction);
      const W = (width.min + width.max) / 2;
      const numbers = footprint.lands.filter((l) => l.group === group.id).map(({ number }) => number);
      const say = (message: string, value: number, limit: number, unit: 'mm' | 'share'): RuleFinding => {
        const show = (v: number) => (unit === 'mm' ? mm(v) : `${formatNumber(v * 100, 0, 0)} %`);
        const values = { land: land.number, class: acceptanceClass, value: show(value), limit: show(limit) };
        return {
          message: fill(message, values),
          measured: { value, limit, unit },
          place: { at: centreOf(land.contact.nom), lands: numbers },
          remedies: byHand ? [TAKE_COMPUTED] : [],
        };
      };
      const found: RuleFinding[] = [];
      // lands as large as pulled-back terminals have no margin to lose
      const slack = group.form === 'pulled-back' ? process.fabricationTolerance : ROUNDING;
      if (outer && endStaysOn(group.form) && outer.rms.min < -slack) {
        found.push(say(messages.end, -outer.rms.min, 0, 'mm'));
      }
      if (side) {
        const share = Math.max(0, -side.rms.min) / W;
        const most = sideOverhangLimit(acceptanceClass);
        if (share > most + 1e-9) return [...found, say(messages.side, share, most, 'share')];
        // what lies on the land is the terminal, or the land where that is narrower
        const joint = Math.min(1, size.X / W, 1 - share);
        const least = endJointLimit(acceptanceClass);
        if (joint < least - 1e-9) found.push(say(messages.width, joint, least, 'share'));
      }
      return found;
    });
  },
};
