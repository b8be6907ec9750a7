/**
 * Requires the courtyard to enclose all that belongs to the part: lands, body, holes and keep-outs by
 * the excess of the level, legend and marks at all.
 */
import { boxOfPoints, boxRound, cornersOf, grow, overhang, type Box } from '../../geometry/box';
import { freeContour, place } from '../../geometry/figure';
import { roomWithin } from '../../geometry/gaps';
import { occupiedBy } from '../../footprint/marks';
import { bodyAt } from '../../package/drawn';
import type { CheckContext } from '../context';
import { fill, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  small: 'Courtyard leaves {left} mm round lands and body on its tightest side, needs {limit} mm.',
  excess: 'The courtyard’s excess is {left} mm, level {level} asks for {limit} mm.',
  marks: 'Legend or marks reach {over} mm beyond the courtyard.',
  grown:
    'The courtyard grew to enclose the {what}: beside land and body there is no room for it within {limit} mm.',
};

export const courtyard: Rule = {
  id: 'courtyard',
  title: 'Courtyard encloses everything',
  fault: 'Courtyard leaves something out',
  source: 'IPC-7351B, tables 3-2 to 3-6: courtyard excess',
  severity: 'stop',
  stage: 'mark',
  looksAt: ['courtyard'],
  nearest({ footprint: { courtyard: own, groups } }) {
    const limit = Math.max(0, ...groups.map((group) => group.courtyard));
    return [{ value: own.excess, limit, unit: 'mm', is: 'least' }];
  },
  check(context) {
    const { footprint, compiled } = context;
    const { box, excess, contour, grownFor } = footprint.courtyard;
    const { lands, bores, keepOuts, body, legend, groups } = footprint;
    const occupied = occupiedBy(lands, bodyAt(body.extent, 'max'), bores, keepOuts);
    const edge = contour ? place(freeContour(contour), { x: 0, y: 0 }) : null;
    const room = (item: Box) =>
      edge ? roomWithin(edge, place(freeContour(cornersOf(item)), { x: 0, y: 0 })) : -overhang(item, box);
    const left = edge ? Math.min(...occupied.map(room)) : -overhang(boxRound(occupied) as Box, box);
    const asked = Math.max(0, ...groups.map((group) => group.courtyard));
    const found: RuleFinding[] = [];
    if (left < excess - 1e-6)
      found.push({
        message: fill(messages.small, { left: mm(left), limit: mm(excess) }),
        measured: { value: left, limit: excess, unit: 'mm' },
        place: { box },
      });
    if (excess < asked - 1e-6)
      found.push({
        severity: 'caution',
        message: fill(messages.excess, {
          left: mm(excess),
          limit: mm(asked),
          level: compiled.document.level,
        }),
        measured: { value: excess, limit: asked, unit: 'mm' },
        place: { box },
        remedies: [{ label: 'Excess of the level', edits: [{ at: '/marks/excess', value: undefined }] }],
      });
    const over = -Math.min(...inkOf(context).map(room));
    if (over > legend.width / 2 + 1e-6)
      found.push({
        severity: 'caution',
        message: fill(messages.marks, { over: mm(over) }),
        measured: { value: over, limit: 0, unit: 'mm' },
        place: { box },
      });
    if (grownFor)
      found.push({
        severity: 'note',
        message: fill(messages.grown, { what: grownFor, limit: mm(excess) }),
        measured: { value: Math.max(box.maxX - box.minX, box.maxY - box.minY), limit: excess, unit: 'mm' },
        place: { box },
      });
    return found;
  },
};

/** Boxes round the legend's lines and the mark. */
function inkOf({
  footprint: {
    legend,
    courtyard: { box },
  },
}: CheckContext): Box[] {
  return [
    ...legend.lines.flatMap((line) => boxOfPoints(line) ?? []).map((line) => grow(line, legend.width / 2)),
    ...(legend.pin1 ? [boxOfPoints(legend.pin1) ?? box] : []),
    box,
  ];
}
