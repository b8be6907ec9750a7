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

export const jointMargin: Rule = {
  id: 'joint-margin',
  title: 'Joint against acceptance',
  fault: 'Joint misses what acceptance asks',
  source: 'IPC-A-610 and J-STD-001: overhang, side joint length and end joint width',
  severity: 'caution',
  stage: 'prove',
  looksAt: ['spans'],
  clauses: ['rules/class'],
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
  const misses = context.jointsOf(group).flatMap((joint) => missesOf(joint, group, context));
  return (['end', 'length', 'side', 'width'] as const).flatMap((kind): RuleFinding[] => {
    const own = misses.filter((miss) => miss.kind === kind);
    const sign = kind === 'width' || kind === 'length' ? 1 : -1;
    const [worst] = own.sort((a, b) => sign * (quantise(a.value) - quantise(b.value)));
    if (!worst) return [];
    const { value, limit } = worst;
    const [land] = worst.joint.lands;
    const lands = own.flatMap(({ joint }) => joint.lands);
    const unit = kind === 'end' || kind === 'length' ? 'mm' : 'share';
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

function missesOf(joint: Joint, group: SpanSolution, { footprint, process }: CheckContext): Miss[] {
  const { terminals } = group;
  const {
    size,
    margins: [outer, inner, side],
  } = joint;
  const touching = correctedGroup(terminals, footprint.contacts.get(terminals.id));
  const middle = ({ min, max }: Toleranced) => (min + max) / 2;
  const [W, T] = [middle(touching.width), middle(touching.length)];
  const found: Miss[] = [];
  // lands as large as pulled-back terminals have no margin to lose
  const slack = terminals.form === 'pulled-back' ? process.fabricationTolerance : ROUNDING;
  if (endStaysOn(terminals.form) && outer.rms.min < -slack)
    found.push({ kind: 'end', joint, value: -outer.rms.min, limit: 0 });
  const least = sideJointLimit(terminals.form, process.acceptanceClass, W, T);
  const length = T + Math.min(0, outer.rms.min) + Math.min(0, inner.rms.min);
  if (least !== null && length < least - ROUNDING)
    found.push({ kind: 'length', joint, value: Math.max(0, length), limit: least });
  const share = Math.max(0, -side.rms.min) / W;
  const most = sideOverhangLimit(process.acceptanceClass, terminals.form);
  if (share > most + 1e-9) return [...found, { kind: 'side', joint, value: share, limit: most }];
  // what lies on the land is the terminal, or the land where that is narrower
  const width = Math.min(1, size.X / W, 1 - share);
  const narrowest = endJointLimit(process.acceptanceClass);
  if (width < narrowest - 1e-9) found.push({ kind: 'width', joint, value: width, limit: narrowest });
  return found;
}
