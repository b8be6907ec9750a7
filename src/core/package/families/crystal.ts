import { block, type Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { defineFamily } from '../family';
import { byX } from '../naming';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { endAgainstLength, terminalAgainstWidth } from '../plausibility/chip';
import { padParts } from '../shapes/terminals';
import type { SpanGroup } from '../terminal';
import { blockLines, bothEnds, endLength, INSIDE, insideAgrees, insideOf, seatedBody } from '../two-terminal';

type Symbol = 'L' | 'W' | 'W1' | 'T' | 'S' | 'A';
type Values = Dimensions<Symbol>;

/** Metallisation under the ceramic, and the lid's setback from its edge, mm. */
const PAD = 0.03;
const SETBACK = 0.15;
/** Thickness of formed leads, and how far they stand out beyond the can, mm. */
const LEAD = 0.25;
const BEYOND = 0.6;

export const crystal = defineFamily<Symbol>({
  id: 'crystal',
  title: 'Crystal, two terminals',
  summary: 'Ceramic tray with a terminal under each end, or a metal can on two formed leads.',
  keywords: ['crystal', 'resonator', 'two terminals', 'ceramic', 'lid', 'metal can', 'formed leads'],
  dimensions: [
    length('L', 'Length', 'Over the terminals', [1, 25]),
    length('W', 'Width', 'Across the body', [0.5, 20]),
    length('W1', 'Terminal width', 'Width of one terminal', [0.2, 20]),
    endLength('Terminal length', 'Length of one terminal along the body', [0.1, 8]),
    INSIDE,
    length('A', 'Height', 'Seating plane to top', [0.2, 15], { maximumSuffices: true }),
  ],
  options: [
    {
      id: 'leads',
      name: 'Terminals',
      choices: [
        { id: 'flat', name: 'flat under the body' },
        { id: 'formed', name: 'formed leads under a metal can' },
      ],
    },
  ],
  example: { L: '5.0±0.1', W: '3.2±0.1', W1: '2.4±0.15', T: '1.0±0.15', A: 'max 1.1' },
  outlines: outlines(
    'L W W1 T A',
    '3.2 × 1.5 | - | 3.1..3.3 | 1.4..1.6 | 1.0..1.2 | 0.6..0.8 | max 0.9 | leads=flat',
    '5.0 × 3.2 | - | 4.9..5.1 | 3.1..3.3 | 2.3..2.6 | 0.9..1.2 | max 1.3 | leads=flat',
  ),
  terminals,
  body: (d) => seatedBody(d.L, d.W, d.A),
  solids,
  dimensionLines: blockLines,
  name: (d) => ['XTAL', ...byX(['L', d.L.nom], ['W', d.W.nom], ['A', d.A.max])],
  polarised: () => false,
  plausibility: [endAgainstLength, insideAgrees, terminalAgainstWidth],
});

/** Flat terminals take the goals of flat no-leads, leads formed under a can those of the can. */
function terminals(d: Values, options: Options): SpanGroup[] {
  const sizes = { span: d.L, length: d.T, width: d.W1, ...insideOf(d) };
  return [options['leads'] === 'formed' ? bothEnds('under-can', sizes, d.A.max) : bothEnds('no-lead', sizes)];
}

function solids(d: Values, options: Options): Assembly {
  if (options['leads'] === 'formed') return can(d, options);
  const tray = Math.max(d.A.nom * 0.7, 2 * PAD);
  const top = Math.max(d.A.nom, tray + PAD);
  const [group] = terminals(d, options) as [SpanGroup];
  const pads = padParts(group, 'pad', (d.L.nom - d.T.nom) / 2);
  const inset = Math.min(SETBACK, d.W.nom / 4);
  const middle = { at: { x: 0, y: 0, z: 0 }, rotation: 0 } as const;
  return {
    shapes: {
      pad: block(d.T.nom, d.W1.nom, 0, PAD),
      tray: block(d.L.nom, d.W.nom, PAD, tray),
      lid: block(d.L.nom - 2 * inset, d.W.nom - 2 * inset, tray, top),
    },
    parts: [
      ...pads,
      { ...middle, name: 'tray', shape: 'tray', material: 'ceramic' },
      { ...middle, name: 'lid', shape: 'lid', material: 'metal' },
    ],
  };
}

/** A flat metal can on two leads that are formed under its ends. */
function can(d: Values, options: Options): Assembly {
  const top = Math.max(d.A.nom, 2 * LEAD);
  const [group] = terminals(d, options) as [SpanGroup];
  const middle = { at: { x: 0, y: 0, z: 0 }, rotation: 0 } as const;
  const length = Math.max(d.L.nom - 2 * BEYOND, d.L.nom / 2);
  return {
    shapes: { lead: block(d.T.nom, d.W1.nom, 0, LEAD), can: block(length, d.W.nom, LEAD, top) },
    parts: [
      ...padParts(group, 'lead', (d.L.nom - d.T.nom) / 2),
      { ...middle, name: 'can', shape: 'can', material: 'metal' },
    ],
  };
}
