/**
 * Requires the texts of parts to be readable: off their own lands and holes, and not over what is printed for others.
 */
import { between, fill } from '../../check/rule';
import { gapBetween } from '../../geometry/box';
import { placedBox } from '../../geometry/figure';
import { isText, type Print } from '../features';
import { placeOf, partWith, type Neighbour, type TrialFinding, type TrialRule } from '../rule';
import { textRemedies } from '../texts';
import type { CompiledTrial } from '../trial';
import { isOn } from './marks';

const messages = {
  own: 'The {role} of {a} is printed on its own lands or holes.',
  over: 'The {role} of {a} is printed over the {what} of {b}.',
};

/** Whether the boxes round single lines of two prints meet: letters over one another cannot be read. */
const meet = (a: Print, b: Print): boolean =>
  gapBetween(a.box, b.box) < 0 &&
  a.lines.some((line) => gapBetween(line.box, b.box) < 0 && isOn(b, placedBox(line.box)));

/** @param isFirst whether two texts over one another are told here, and not once more from the other's side */
function over(a: Neighbour, b: Neighbour, trial: CompiledTrial, isFirst: boolean): TrialFinding[] {
  if (a.part.footprint.far !== b.part.footprint.far) return [];
  return a.has.prints.filter(isText).flatMap((text): TrialFinding[] => {
    const under = b.has.prints.find((print) => (isFirst || !isText(print)) && meet(text, print));
    if (!under) return [];
    const values = { role: text.what, a: a.part.reference, what: under.what, b: b.part.reference };
    return [
      {
        message: fill(messages.over, values),
        place: placeOf(between(text.box, under.box), a.part, b.part),
        mend: () => textRemedies(trial, a.part, text.what),
      },
    ];
  });
}

export const readableTexts: TrialRule = {
  id: 'trial-texts',
  title: 'Texts that can be read',
  fault: 'Text cannot be read',
  source: 'IPC-7351B, 3.1.7: legend clear of lands; nothing printed over it',
  severity: 'caution',
  after: ['trial-courtyards'],
  looksAt: partWith('with texts', ({ has }) => has.prints.some(isText)),
  pair: (a, b, trial) => [...over(a, b, trial, true), ...over(b, a, trial, false)],
  part({ part, has }, trial) {
    return has.prints.filter(isText).flatMap((text): TrialFinding[] => {
      const hit = has.openings.find(({ figure, far }) => far === part.footprint.far && isOn(text, figure));
      if (!hit) return [];
      return [
        {
          message: fill(messages.own, { role: text.what, a: part.reference }),
          place: placeOf(between(text.box, hit.figure), part),
          mend: () => textRemedies(trial, part, text.what),
        },
      ];
    });
  },
};
