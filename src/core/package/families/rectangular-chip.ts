import { block, type Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { hundredths } from '../naming';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { endAgainstLength, widthAgainstLength } from '../plausibility/chip';
import {
  bothEnds,
  chosenComponent,
  type Component,
  componentOption,
  endLength,
  INSIDE,
  insideAgrees,
  insideOf,
  seatedBody,
  sizePair,
} from '../two-terminal';

type Symbol = 'L' | 'W' | 'T' | 'S' | 'A';
type Values = Dimensions<Symbol>;

/** The end caps wrap round the ceramic by this much; it only shows that they are caps. */
const CAP = 0.01;

/** Kinds of component in a rectangular body: the first part of the name, and whether it has a direction. */
const COMPONENTS: readonly Component[] = [
  { id: 'resistor', name: 'Resistor', prefix: 'RESC', polarised: false },
  { id: 'capacitor', name: 'Capacitor', prefix: 'CAPC', polarised: false },
  { id: 'inductor', name: 'Inductor', prefix: 'INDC', polarised: false },
  { id: 'ferrite', name: 'Ferrite bead', prefix: 'BEADC', polarised: false },
  { id: 'fuse', name: 'Fuse', prefix: 'FUSC', polarised: false },
  { id: 'diode', name: 'Diode', prefix: 'DIOC', polarised: true, polarity: 'cathode' },
  { id: 'led', name: 'LED', prefix: 'LEDC', polarised: true, polarity: 'cathode' },
];

export const rectangularChip = defineFamily<Symbol>({
  id: 'rectangular-chip',
  type: 'CHIP',
  title: 'Rectangular chip',
  summary: 'Ceramic block with a solderable cap at each end.',
  keywords: ['chip', 'resistor', 'capacitor', 'inductor', 'two terminals', 'end cap', 'passive'],
  dimensions: [
    length('L', 'Length', 'Over both end caps', [0.15, 30]),
    length('W', 'Width', 'Across the body', [0.08, 30]),
    endLength('Terminal length', 'End cap along the length', [0.02, 10]),
    INSIDE,
    length('A', 'Height', 'Seating plane to top', [0.05, 15], { maximumSuffices: true }),
  ],
  options: [componentOption(COMPONENTS)],
  example: { L: '1.6±0.1', W: '0.8±0.1', T: '0.3±0.15', A: '0.45±0.1' },
  outlines: outlines(
    'L W T A',
    '0402 metric | IEC 60384-21 0402M | 0.4±0.02 | 0.2±0.02 | 0.1±0.03 | max 0.22',
    '0603 metric | IEC 60384-21 0603M | 0.6±0.03 | 0.3±0.03 | 0.15±0.05 | max 0.33',
    '1005 metric | IEC 60384-21 1005M | 1.0±0.05 | 0.5±0.05 | 0.25±0.1 | max 0.55',
    '1608 metric | IEC 60384-21 1608M | 1.6±0.1 | 0.8±0.1 | 0.35±0.15 | max 0.9',
    '2012 metric | IEC 60384-21 2012M | 2.0±0.15 | 1.25±0.15 | 0.5±0.2 | max 1.4',
    '3216 metric | IEC 60384-21 3216M | 3.2±0.2 | 1.6±0.2 | 0.5±0.25 | max 1.8',
    '3225 metric | IEC 60384-21 3225M | 3.2±0.2 | 2.5±0.2 | 0.5±0.25 | max 2.7',
    '4532 metric | IEC 60384-21 4532M | 4.5±0.2 | 3.2±0.2 | 0.6±0.3 | max 2.8',
    '5025 metric | IEC 60115-8 RR5025M | 5.0±0.2 | 2.5±0.2 | 0.6±0.2 | max 0.7',
    '6332 metric | IEC 60115-8 RR6332M | 6.3±0.2 | 3.2±0.2 | 0.6±0.2 | max 0.7',
  ),
  terminals: (d) => [bothEnds('rectangular-end', { span: d.L, length: d.T, width: d.W, ...insideOf(d) })],
  body: (d) => seatedBody(d.L, d.W, d.A),
  solids,
  dimensionLines: (d) => {
    const [x, y] = [d.L.nom / 2, d.W.nom / 2];
    return [
      line('L', 'plan', 'top', [-x, y], [x, y]),
      line('W', 'plan', 'right', [x, -y], [x, y]),
      line('T', 'plan', 'bottom', [-x, -y], [d.T.nom - x, -y]),
      line('S', 'plan', 'bottom', [d.T.nom - x, -y], [x - d.T.nom, -y], 1),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
    ];
  },
  name: (d, options) => [
    chosenComponent(COMPONENTS, options).prefix,
    ...sizePair(['L', d.L.nom], ['W', d.W.nom]),
    'X',
    hundredths('A', d.A.max),
  ],
  polarised: (options) => chosenComponent(COMPONENTS, options).polarised,
  polarity: (options) => chosenComponent(COMPONENTS, options).polarity,
  plausibility: [endAgainstLength, insideAgrees, widthAgainstLength],
});

function solids(d: Values): Assembly {
  const cap = Math.min(d.T.nom, d.L.nom / 2);
  const between = Math.max(d.L.nom - 2 * cap, 0.01);
  const at = (x: number) => ({ x, y: 0, z: 0 });
  const end = (d.L.nom - cap) / 2;
  return {
    shapes: {
      body: block(between, Math.max(d.W.nom - 2 * CAP, 0.01), CAP, Math.max(d.A.nom - CAP, 2 * CAP)),
      cap: block(cap, d.W.nom, 0, d.A.nom),
    },
    parts: [
      { name: 'body', shape: 'body', material: 'ceramic', at: at(0), rotation: 0 },
      { name: 'end cap 1', shape: 'cap', material: 'metal', at: at(-end), rotation: 0 },
      { name: 'end cap 2', shape: 'cap', material: 'metal', at: at(end), rotation: 0 },
    ],
  };
}
