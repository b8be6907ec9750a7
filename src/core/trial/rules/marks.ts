/**
 * Requires what is printed for one part to stay off the lands of others, and marks that are looked for after
 * assembly to stay out from under their bodies.
 */
import { between, fill } from '../../check/rule';
import { gapBetween } from '../../geometry/box';
import { gapToLine, gapToPolygon } from '../../geometry/gaps';
import type { Placed } from '../../geometry/figure';
import { isText, type Print } from '../features';
import { placeOf, besides, type Neighbour, type TrialFinding, type TrialRule } from '../rule';
import { textRemedies } from '../texts';
import type { CompiledTrial } from '../trial';

const messages = {
  onLand: 'The {what} of {a} is printed on lands of {b}.',
  under: 'The {what} of {a} lies under the body of {b} and cannot be seen after assembly.',
};

/** Whether a print's ink meets a figure. */
export const isOn = ({ lines, width, filled, box }: Print, figure: Placed): boolean =>
  gapBetween(box, figure) < 0 &&
  lines.some(
    (line) =>
      gapBetween(line.box, figure) < 0 &&
      (filled ? gapToPolygon(figure, line.points) <= 0 : gapToLine(figure, line.points) - width / 2 < -1e-6),
  );

function found(a: Neighbour, b: Neighbour, trial: CompiledTrial): TrialFinding[] {
  const { far } = a.part.footprint;
  return a.has.prints.flatMap((print): TrialFinding[] => {
    if (gapBetween(print.box, b.has.reach) > 0) return [];
    const names = { what: print.what, a: a.part.reference, b: b.part.reference };
    const mend = isText(print) ? { mend: () => textRemedies(trial, a.part, print.what) } : {};
    const place = (figure: Placed) => placeOf(between(print.box, figure), a.part, b.part);
    const opening = b.has.openings.find(({ figure, far: below }) => below === far && isOn(print, figure));
    if (opening) return [{ message: fill(messages.onLand, names), place: place(opening.figure), ...mend }];
    const { body } = b.has;
    // outlines of parts that overlap are told by their courtyards
    const hides = print.what !== 'legend' && body.far === far && isOn(print, body.figure);
    return hides ? [{ message: fill(messages.under, names), place: place(body.figure), ...mend }] : [];
  });
}

export const marksBetween: TrialRule = {
  id: 'trial-marks',
  title: 'Legend and texts on other parts',
  fault: 'Legend or text lies on another part',
  source: 'IPC-7351B, 3.1.7: legend clear of lands, marks seen after assembly',
  looksAt: besides('with legend or texts', ({ has }) => has.prints.length > 0),
  severity: 'caution',
  after: ['trial-courtyards', 'trial-leads'],
  pair: (a, b, trial) => [...found(a, b, trial), ...found(b, a, trial)],
};
