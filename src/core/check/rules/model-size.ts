/**
 * Holds an imported model against the numbers of the drawing: its height, its span, and the courtyard.
 */
import type { Footprint } from '../../footprint/footprint';
import { overhang } from '../../geometry/box';
import { bodyAt } from '../../package/drawn';
import { axisOf } from '../../package/terminal';
import { fill, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  height: 'The model stands up to {value} mm above the laminate; by the drawing it is {min} mm to {max} mm.',
  span: 'The model is {value} mm long {axis}; by the drawing the part is {min} mm to {max} mm.',
  courtyard: 'The model stands {value} mm out of the courtyard.',
};

/** Models are drawn with rounded numbers: this much is let pass, mm. */
const SLACK = 0.02;

export const modelHeight: Rule = {
  id: 'model-height',
  title: 'Model’s height against the drawing',
  fault: 'Model’s height differs from the drawing',
  source: 'Datasheet: height of the part',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint: { body } }) {
    const top = body.imported?.seen?.box.max.z;
    const { min, max } = body.heights.top;
    if (top === undefined || (top >= min - SLACK && top <= max + SLACK)) return [];
    return [
      {
        message: fill(messages.height, { value: mm(top), min: mm(min), max: mm(max) }),
        measured: { value: top, limit: top > max ? max : min, unit: 'mm' },
        place: { dimensions: ['A'] },
      },
    ];
  },
};

export const modelSpan: Rule = {
  id: 'model-span',
  title: 'Model’s span against the drawing',
  fault: 'Model’s span differs from the drawing',
  source: 'Datasheet: span over the terminals, body',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint }) {
    const box = footprint.body.imported?.seen?.box;
    if (!box) return [];
    return (['x', 'y'] as const).flatMap((axis): RuleFinding[] => {
      const { min, max } = statedSpan(footprint, axis);
      const value = box.max[axis] - box.min[axis];
      if (value >= min - SLACK && value <= max + SLACK) return [];
      const words = {
        value: mm(value),
        min: mm(min),
        max: mm(max),
        axis: axis === 'x' ? 'across' : 'upright',
      };
      return [
        {
          message: fill(messages.span, words),
          measured: { value, limit: value > max ? max : min, unit: 'mm' },
          place: {},
        },
      ];
    });
  },
};

/** The largest of body and spans along an axis, at least and at most, mm. */
function statedSpan({ body: { extent, imported }, groups }: Footprint, axis: 'x' | 'y') {
  const spans = groups.flatMap(({ kind, terminals }) =>
    kind === 'span' && axisOf(terminals) === axis ? [terminals.span] : [],
  );
  // leads of through-hole parts may stand out farther than their body: the drawn body knows
  const own = imported ? imported.ground.box.max[axis] - imported.ground.box.min[axis] : 0;
  const body = (end: 'min' | 'max') => {
    const { minX, maxX, minY, maxY } = bodyAt(extent, end);
    return axis === 'x' ? maxX - minX : maxY - minY;
  };
  const most = (end: 'min' | 'max') => Math.max(body(end), ...spans.map((span) => span[end]));
  return { min: Math.min(most('min'), own || Infinity), max: Math.max(most('max'), own) };
}

export const modelCourtyard: Rule = {
  id: 'model-courtyard',
  title: 'Model within the courtyard',
  fault: 'Model stands out of the courtyard',
  source: 'Geometry: model against courtyard',
  severity: 'caution',
  stage: 'rise',
  looksAt: ['an imported model'],
  check({ footprint: { body, courtyard } }) {
    const box = body.imported?.seen?.box;
    if (!box) return [];
    const { min, max } = box;
    const out = overhang({ minX: min.x, minY: min.y, maxX: max.x, maxY: max.y }, courtyard.box);
    if (out <= SLACK) return [];
    return [
      {
        message: fill(messages.courtyard, { value: mm(out) }),
        measured: { value: out, limit: 0, unit: 'mm' },
        place: {},
      },
    ];
  },
};
