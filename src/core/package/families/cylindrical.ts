import type { Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { endAgainstLength } from '../plausibility/chip';
import { lyingCylinder } from '../shapes/round';
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

type Symbol = 'L' | 'D' | 'T' | 'S';
type Values = Dimensions<Symbol>;

/** The glass between the caps is thinner by this much on each side. */
const STEP = 0.03;

const COMPONENTS: readonly Component[] = [
  { id: 'diode', name: 'Diode', prefix: 'DIOMELF', polarised: true, polarity: 'cathode' },
  { id: 'resistor', name: 'Resistor', prefix: 'RESMELF', polarised: false },
];

export const cylindrical = defineFamily<Symbol>({
  id: 'cylindrical',
  type: 'MELF',
  title: 'Cylinder with end caps',
  summary: 'Glass or ceramic tube with a metal cap at each end (MELF).',
  keywords: ['MELF', 'cylindrical', 'diode', 'resistor', 'two terminals', 'end cap'],
  dimensions: [
    length('L', 'Length', 'Over both end caps', [0.5, 30]),
    length('D', 'Diameter', 'Across the end cap', [0.3, 12]),
    endLength('Cap length', 'End cap along the length', [0.05, 8]),
    INSIDE,
  ],
  options: [componentOption(COMPONENTS)],
  example: { L: '3.3..3.7', D: '1.4..1.6', T: '0.2..0.5' },
  outlines: outlines(
    'L D T',
    'Small cylinder, 2.0 × 1.25 | - | 1.9..2.1 | 1.0..1.25 | 0.2..0.4',
    'Cylinder, 3.5 × 1.5 | JEDEC DO-213 AA | 3.3..3.7 | 1.4..1.6 | 0.25..0.55',
    'Cylinder, 5.2 × 2.5 | JEDEC DO-213 AB | 4.8..5.2 | 2.4..2.6 | 0.35..0.65',
  ),
  terminals: (d) => [bothEnds('cylindrical-end', { span: d.L, length: d.T, width: d.D, ...insideOf(d) })],
  body: (d) => seatedBody(d.L, d.D, d.D),
  solids,
  dimensionLines: (d) => {
    const [x, y] = [d.L.nom / 2, d.D.nom / 2];
    return [
      line('L', 'plan', 'top', [-x, y], [x, y]),
      line('D', 'plan', 'right', [x, -y], [x, y]),
      line('T', 'plan', 'bottom', [-x, -y], [d.T.nom - x, -y]),
      line('S', 'plan', 'bottom', [d.T.nom - x, -y], [x - d.T.nom, -y], 1),
    ];
  },
  name: (d, options) => [
    chosenComponent(COMPONENTS, options).prefix,
    ...sizePair(['L', d.L.nom], ['D', d.D.nom]),
  ],
  polarised: (options) => chosenComponent(COMPONENTS, options).polarised,
  polarity: (options) => chosenComponent(COMPONENTS, options).polarity,
  plausibility: [endAgainstLength, insideAgrees],
});

function solids(d: Values): Assembly {
  const cap = Math.min(d.T.nom, d.L.nom / 2);
  const end = (d.L.nom - cap) / 2;
  const between = Math.max(d.L.nom - 2 * cap, 0.01);
  // a cylinder lies along Y of its own; a quarter turn lays it along the part
  const part = (name: string, shape: string, x: number) =>
    ({
      name,
      shape,
      material: shape === 'body' ? 'ceramic' : 'metal',
      at: { x, y: 0, z: 0 },
      rotation: 90,
    }) as const;
  return {
    shapes: {
      body: lyingCylinder(Math.max(d.D.nom - 2 * STEP, 0.05), between, STEP),
      cap: lyingCylinder(d.D.nom, cap),
    },
    parts: [part('body', 'body', 0), part('end cap 1', 'cap', -end), part('end cap 2', 'cap', end)],
  };
}
