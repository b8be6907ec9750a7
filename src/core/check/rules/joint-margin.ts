/**
 * Requires terminals to stay on their lands as the acceptance class demands, with tolerances as
 * root of the sum of squares about the mean: end overhang, length of the joint along the terminal, side
 * overhang, width of the end joint. Lands of a group may each have a size of their own.
 */
import { pointerKey } from '../../document/edit';
import { centreOf } from '../../geometry/box';
import { endJointLimit, endStaysOn, sideJointLimit, sideOverhangLimit } from '../../joint/acceptance';
import type { SpanSolution } from '../../land/solution';
import { correctedGroup } from '../../package/contact';
import { formatNumber, quantise } from '../../units/length';
import type { Toleranced } from '../../units/toleranced';
import type { CheckContext, Joint } from '../context';
import type { Nearest } from '../probes';
import { fill, idsOf, mm, TAKE_COMPUTED, type Rule, type RuleFinding } from '../rule';

const messages = {
  end: 'The end of terminal {land} may hang over its land by {value}; class {class} allows none.',
  side: 'Terminal {land} may hang over the side of its land by {value} of its width; class {class} allows {limit}.',
  length: 'The joint along terminal {land} may be {value} long; class {class} needs {limit}.',
  width:
    'The joint at the end of terminal {land} may be {value} of the terminal wide; class {class} needs {limit}.',
};

/** Rounding of the lands may take this much of a margin, mm. */
const ROUNDING = 0.025;

/** One way in which lands that are alike miss what their class demands. */
interface Miss {
  readonly kind: keyof typeof messages;
  readonly joint: Joint;
  readonly value: number;
  readonly limit: number;
}

/** One thing that a class asks of lands, missed or kept. */
interface Asked extends Miss, Nearest {
  readonly isMissed: boolean;
}

const unitOf = (kind: Miss['kind']) => (kind === 'end' || kind === 'length' ? 'mm' : 'share');

export const jointMargin: Rule = {
  id: 'joint-margin',
  title: 'Joint against acceptance',
  fault: 'Joint misses what acceptance asks',
  source: 'IPC-A-610 and J-STD-001: overhang, side joint length and end joint width',
  severity: 'caution',
  stage: 'prove',
  looksAt: ['spans'],
  clauses: ['rules/class'],
  nearest: (context) =>
    context.footprint.groups.flatMap((group) =>
      group.kind === 'span' ? context.jointsOf(group).flatMap((joint) => askedOf(joint, group, context)) : [],
    ),
  check(context) {
    return context.footprint.groups.flatMap((group) =>
      group.kind === 'span' ? findings(group, context) : [],
    );
  },
};

/** One finding for each way in which lands of a group miss, by the worst of them. */
function findings(group: SpanSolution, context: CheckContext): RuleFinding[] {
  const { process, compiled } = context;
  const { overrides, stacks } = compiled.document;
  const misses = context
    .jointsOf(group)
    .flatMap((joint) => askedOf(joint, group, context).filter(({ isMissed }) => isMissed));
  return (['end', 'length', 'side', 'width'] as const).flatMap((kind): RuleFinding[] => {
    const own = misses.filter((miss) => miss.kind === kind);
    const sign = kind === 'width' || kind === 'length' ? 1 : -1;
    const [worst] = own.sort((a, b) => sign * (quantise(a.value) - quantise(b.value)));
    if (!worst) return [];
    const { value, limit } = worst;
    const [land] = worst.joint.lands;
    const lands = own.flatMap(({ joint }) => joint.lands);
    const unit = unitOf(kind);
    const show = (v: number) => (unit === 'mm' ? `${mm(v)} mm` : `${formatNumber(v * 100, 0, 0)} %`);
    const values = {
      land: land.number,
      class: process.acceptanceClass,
      value: show(value),
      limit: show(limit),
    };
    const byHand = overrides?.land ?? overrides?.lands;
    const single = lands.filter(({ id }) => stacks?.lands?.[id]);
    return [
      {
        message: fill(messages[kind], values),
        measured: { value, limit, unit },
        place: { at: centreOf(land.contact.nom), lands: idsOf(lands) },
        remedies: [
          ...(byHand ? [TAKE_COMPUTED] : []),
          ...(single.length > 0
            ? [
                {
                  label: 'Padstacks as the others of the group',
                  edits: single.map(({ id }) => ({
                    at: `/stacks/lands/${pointerKey(id)}`,
                    value: undefined,
                  })),
                },
              ]
            : []),
        ],
      },
    ];
  });
}

/** What acceptance asks of lands that are alike, and what they have of it; the end of a terminal hangs over by less than nothing where it does not. */
function askedOf(joint: Joint, group: SpanSolution, { footprint, process }: CheckContext): Asked[] {
  const { terminals } = group;
  const {
    size,
    margins: [outer, inner, side],
  } = joint;
  const touching = correctedGroup(terminals, footprint.contacts.get(terminals.id));
  const middle = ({ min, max }: Toleranced) => (min + max) / 2;
  const [W, T] = [middle(touching.width), middle(touching.length)];
  // lands as large as pulled-back terminals have no margin to lose
  const slack = terminals.form === 'pulled-back' ? process.fabricationTolerance : ROUNDING;
  const least = sideJointLimit(terminals.form, process.acceptanceClass, W, T);
  const length = T + Math.min(0, outer.rms.min) + Math.min(0, inner.rms.min);
  const share = Math.max(0, -side.rms.min) / W;
  const asked = (kind: Miss['kind'], value: number, limit: number, slackOf: number): Asked => {
    const is = kind === 'width' || kind === 'length' ? 'least' : 'most';
    const over = is === 'least' ? limit - value : value - limit;
    return { kind, joint, value, limit, is, unit: unitOf(kind), isMissed: over > slackOf };
  };
  const ends = endStaysOn(terminals.form) ? [asked('end', -outer.rms.min, 0, slack)] : [];
  const lengths = least === null ? [] : [asked('length', Math.max(0, length), least, ROUNDING)];
  const over = asked('side', share, sideOverhangLimit(process.acceptanceClass, terminals.form), 1e-9);
  // what lies on the land is the terminal, or the land where that is narrower
  const width = Math.min(1, size.X / W, 1 - share);
  const narrowest = asked('width', width, endJointLimit(process.acceptanceClass), 1e-9);
  // what hangs over too far is told as that
  return [...ends, ...lengths, over, ...(over.isMissed ? [] : [narrowest])];
}
