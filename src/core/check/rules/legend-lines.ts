/**
 * Requires legend lines and letters that print and can be read, where they can be seen.
 */
import { overhang } from '../../geometry/box';
import { depthUnder, gapToLine } from '../../geometry/gaps';
import { grow } from '../../geometry/box';
import type { TextMark } from '../../footprint/footprint';
import { bodyAt, bodyShape } from '../../package/drawn';
import type { Obstacle } from '../context';
import { byProcess } from '../probes';
import { fill, mm, type Rule, type RuleFinding } from '../rule';

const NAMES = { reference: 'reference', value: 'value' } as const;

export const legendThin: Rule = {
  id: 'legend-thin',
  title: 'Thin legend',
  fault: 'Legend thinner than the process prints',
  source: 'Process: thinnest legend line',
  severity: 'caution',
  stage: 'mark',
  looksAt: ['legend'],
  probes: [byProcess('minLegendWidth')],
  check({ footprint: { legend, texts }, process }) {
    const limit = process.minLegendWidth;
    const message = 'The {what} is drawn {value} mm wide; {limit} mm is what prints.';
    const say = (what: string, value: number): RuleFinding[] =>
      value >= limit - 1e-9
        ? []
        : [
            {
              message: fill(message, { what, value: mm(value), limit: mm(limit) }),
              measured: { value, limit, unit: 'mm' },
              place: { at: legend.lines[0]?.[0] ?? texts[0]?.at ?? { x: 0, y: 0 } },
            },
          ];
    return [
      ...(legend.lines.length > 0 ? say('legend', legend.width) : []),
      ...(texts[0] ? say('text', texts[0].stroke) : []),
    ];
  },
};

export const legendHidden: Rule = {
  id: 'legend-hidden',
  title: 'Legend under the body',
  fault: 'Legend lies under the body',
  source: 'IPC-7351B, clause 3.1.6: legend is visible after assembly',
  severity: 'caution',
  stage: 'mark',
  looksAt: ['legend'],
  check({ footprint }) {
    const { legend, texts } = footprint;
    const { extent } = footprint.body;
    const largest = bodyShape(extent, 'max');
    const smallest = bodyAt(extent, 'min');
    let [worst, hidden] = [0, extent.centre ?? { x: 0, y: 0 }];
    for (const line of legend.lines)
      for (const p of line) {
        const depth = depthUnder(largest, p);
        if (depth > worst) [worst, hidden] = [depth, line[0] ?? p];
      }
    const lines: RuleFinding[] =
      worst > 0.002
        ? [
            {
              message: fill(
                'Legend lies up to {value} mm under the largest body and is hidden after assembly.',
                {
                  value: mm(worst),
                },
              ),
              measured: { value: worst, limit: 0, unit: 'mm' },
              place: { at: hidden },
              remedies: [
                { label: 'Frame round body and lands', edits: [{ at: '/marks/style', value: 'around' }] },
              ],
            },
          ]
        : [];
    return [
      ...lines,
      ...texts
        .filter(({ box }) => overhang(box, smallest) < -legend.width)
        .map(({ role, at, box }): RuleFinding => ({
          severity: 'note',
          message: `The ${NAMES[role]} lies under the body and is hidden after assembly.`,
          measured: { value: -overhang(box, smallest), limit: 0, unit: 'mm' },
          place: { at },
          remedies: [aside(role)],
        })),
    ];
  },
};

export const textSize: Rule = {
  id: 'text-size',
  title: 'Small text',
  fault: 'Text smaller than the process prints',
  source: 'Process: smallest text',
  severity: 'caution',
  stage: 'mark',
  looksAt: ['texts'],
  probes: [byProcess('minTextHeight')],
  check({ footprint: { texts }, process }) {
    const limit = process.minTextHeight;
    return texts
      .filter(({ height }) => height < limit - 1e-9)
      .map(({ role, height, at }): RuleFinding => ({
        message: `The ${NAMES[role]} is ${mm(height)} mm high, needs ${mm(limit)} mm.`,
        measured: { value: height, limit, unit: 'mm' },
        place: { at },
        remedies: [
          {
            label: 'Height of the process',
            edits: [{ at: `/marks/texts/${role}/height`, value: undefined }],
          },
        ],
      }));
  },
};

export const textOverLand: Rule = {
  id: 'text-over-land',
  title: 'Text over a land',
  fault: 'Text lies over a land',
  source: 'Process: legend to opening',
  severity: 'caution',
  stage: 'mark',
  looksAt: ['texts'],
  probes: [byProcess('legendGap')],
  check({ footprint, process, obstaclesNear }) {
    const limit = process.legendGap;
    return footprint.texts.flatMap((text): RuleFinding[] => {
      const gap = leastGap(text, obstaclesNear(grow(text.box, limit + text.stroke / 2)));
      if (gap >= limit - 1e-6) return [];
      return [
        {
          message: `The ${NAMES[text.role]} lies ${mm(Math.max(0, gap))} mm from a land or opening, needs ${mm(limit)} mm.`,
          measured: { value: gap, limit, unit: 'mm' },
          place: { at: text.at },
          remedies: [aside(text.role)],
        },
      ];
    });
  },
};

function aside(role: TextMark['role']) {
  const place = role === 'reference' ? 'above' : 'below';
  return {
    label: role === 'reference' ? 'Above the courtyard' : 'Below the courtyard',
    edits: [{ at: `/marks/texts/${role}/place`, value: place }],
  };
}

/** Clear distance of a text's strokes from what lies near, mm. */
function leastGap({ lines, stroke }: TextMark, near: readonly Obstacle[]): number {
  let least = Infinity;
  for (const { area } of near) {
    for (const line of lines) least = Math.min(least, gapToLine(area, line) - stroke / 2);
  }
  return least;
}
