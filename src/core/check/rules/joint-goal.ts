/**
 * Requires toe, heel and side of every land to reach the goals of its level, whether it was computed,
 * taken from the datasheet or set by hand: the margin that the land formulas give back from its real
 * size, less what rounding may take.
 */
import { centreOf } from '../../geometry/box';
import type { Margin } from '../../joint/margins';
import type { LandSize } from '../../land/solver';
import type { SpanSolution } from '../../land/solution';
import { TRIM_TITLES } from '../../land/trims';
import { quantise } from '../../units/length';
import type { CheckContext, Joint } from '../context';
import { byGoals } from '../probes';
import { fill, idsOf, mm, TAKE_COMPUTED, type Rule, type RuleFinding } from '../rule';

const messages = {
  under:
    '{End} of land {land} is {value} mm, level {level} asks for {goal} mm ({form}); {count} such in all.{why}',
};

/** A margin of lands that are alike, under its goal. */
interface Miss {
  readonly joint: Joint;
  readonly margin: Margin;
}

export const jointGoal: Rule = {
  id: 'joint-goal',
  title: 'Joint against the goals of the level',
  fault: 'Joint misses the goals of its level',
  source: 'IPC-7351B, clause 3.1 and tables 3-2 to 3-6: solder joint goals',
  severity: 'note',
  stage: 'land',
  looksAt: ['spans'],
  probes: [byGoals],
  check(context) {
    return context.footprint.groups.flatMap((group) =>
      group.kind === 'span' ? findings(group, context) : [],
    );
  },
};

function findings(group: SpanSolution, { jointsOf, compiled: { document } }: CheckContext): RuleFinding[] {
  const { goalRow, level, trims, rounding } = group;
  const misses = jointsOf(group).flatMap((joint): Miss[] => {
    const slack = slackOf(joint.size, group);
    return joint.margins
      .filter(({ inverse, goal }) => inverse < goal - slack)
      .map((margin) => ({ joint, margin }));
  });
  return ['toe', 'heel', 'side'].flatMap((end): RuleFinding[] => {
    const own = misses.filter(({ margin }) => margin.end === end);
    const [worst] = own.sort((a, b) => quantise(a.margin.inverse) - quantise(b.margin.inverse));
    if (!worst) return [];
    const { joint, margin } = worst;
    const [land] = joint.lands;
    const lands = own.flatMap((miss) => miss.joint.lands);
    const { overrides, recommended } = document;
    const byHand = overrides?.land || overrides?.lands || recommended?.adopted;
    const proposed = isProposed(joint.size, group);
    const cut = TRIM_TITLES.filter(({ id }) => proposed && trims.includes(id)).map(({ title }) =>
      title.toLowerCase(),
    );
    // below what the goal itself allows there is no joint to speak of
    const severity = margin.inverse < Math.min(0, margin.goal) - rounding ? 'caution' : 'note';
    const values = {
      End: end.charAt(0).toUpperCase() + end.slice(1),
      land: land.number,
      value: mm(margin.inverse),
      goal: mm(margin.goal),
      form: goalRow.title,
      level,
      count: lands.length,
      why: cut.length > 0 ? ` The land was trimmed: ${cut.join(', ')}.` : '',
    };
    return [
      {
        severity: cut.length > 0 ? 'note' : severity,
        message: fill(messages.under, values),
        source: group.source,
        measured: { value: margin.inverse, limit: margin.goal, unit: 'mm' },
        place: { at: centreOf(land.contact.nom), lands: idsOf(lands) },
        remedies: byHand ? [TAKE_COMPUTED] : [],
      },
    ];
  });
}

/**
 * What rounding may take of a margin: half a step. Where X, Y and C/2 were rounded each for itself,
 * their halves add up to three quarters of a step at the ends.
 */
function slackOf(land: LandSize, group: SpanSolution): number {
  return (isProposed(land, group) ? 0.75 : 0.5) * group.rounding + 5e-4;
}

/** Whether a land lies as it was computed, rounded and trimmed. */
function isProposed(land: LandSize, { proposed, corner }: SpanSolution): boolean {
  const like = (other: LandSize | null) =>
    other !== null && (['Z', 'G', 'X'] as const).every((key) => Math.abs(other[key] - land[key]) < 1e-5);
  return like(proposed) || like(corner);
}
