/**
 * Requires courtyards of parts on one side to stay clear of each other, also where leads come out on the other
 * side. Where one part reaches over a lower one, the heights decide.
 */
import { between, fill, mm, type RuleFinding } from '../../check/rule';
import { gapBetween, type Box } from '../../geometry/box';
import { gapBetweenFigures } from '../../geometry/gaps';
import { moveApart, placeOf, round, twoWith, type Neighbour, type TrialRule } from '../rule';

const messages = {
  overlap: 'The courtyards of {a} and {b} overlap by {by} mm.',
  bodies: 'The bodies of {a} and {b} stand in one another by {by} mm.',
  through: 'Leads of {a} come out on the other side within the courtyard of {b}, by {by} mm.',
  under:
    '{low} ({height} mm high) stands under {over}, whose underside is {underside} mm off the laminate: {left} mm are left.',
};

export const courtyards: TrialRule = {
  id: 'trial-courtyards',
  title: 'Courtyards clear of each other',
  fault: 'Courtyards overlap',
  source: 'IPC-7351B, 3.1.6: courtyards do not overlap',
  looksAt: twoWith('on the board', () => true),
  severity: 'stop',
  after: ['trial-leads'],
  pair(a, b, trial) {
    const [worst] = a.has.courtyards
      .flatMap((one) =>
        b.has.courtyards
          // leads of two parts keep apart by their copper and holes
          .filter((other) => other.far === one.far && !(one.through && other.through))
          .filter((other) => gapBetween(one.figure, other.figure) < -1e-6)
          .map((other) => ({ one, other, gap: gapBetweenFigures(one.figure, other.figure) })),
      )
      .filter(({ gap }) => gap < -1e-6)
      .sort((p, q) => p.gap - q.gap);
    if (!worst) return [];
    const { one, other } = worst;
    const over = reachesOver(a, b) ?? reachesOver(b, a);
    if (over && !one.through && !other.through) return [over];
    const roomOf = ({ has }: Neighbour, { far, through }: typeof one): Box =>
      round(has.courtyards.filter((some) => some.far === far && some.through === through));
    const by = -worst.gap;
    const bodies =
      a.has.body.far === b.has.body.far ? gapBetweenFigures(a.has.body.figure, b.has.body.figure) : 0;
    const [first, second] = other.through ? [b, a] : [a, b];
    const kind = one.through || other.through ? 'through' : bodies < -1e-6 ? 'bodies' : 'overlap';
    const names = { a: first.part.reference, b: second.part.reference };
    return [
      {
        message: fill(messages[kind], { ...names, by: mm(kind === 'bodies' ? -bodies : by) }),
        measured: { value: -by, limit: 0, unit: 'mm' },
        place: placeOf(between(one.figure, other.figure), a.part, b.part),
        remedies: moveApart(trial, [a, b], [roomOf(a, one), roomOf(b, other)]),
      },
    ];
  },
};

/** Whether the body of one part stands wholly over the other: then their heights are what counts. */
function reachesOver(high: Neighbour, low: Neighbour): RuleFinding | null {
  const { body } = high.has;
  const { body: under } = low.has;
  const left = body.underside - under.top;
  if (body.far !== under.far || left <= 0) return null;
  const copper = low.has.copper.some(({ figure }) =>
    high.has.copper.some((other) => gapBetween(figure, other.figure) < 0),
  );
  if (copper) return null;
  return {
    severity: left < 0.1 ? 'caution' : 'note',
    message: fill(messages.under, {
      low: low.part.reference,
      over: high.part.reference,
      height: mm(under.top),
      underside: mm(body.underside),
      left: mm(left),
    }),
    measured: { value: left, limit: 0.1, unit: 'mm' },
    place: placeOf(under.figure.at, low.part, high.part),
  };
}
