import type { Assembly } from '../../geometry/solid';
import { length } from '../declare';
import { line } from '../lines';
import { ROUND_LEAD, TAIL } from '../dimensions';
import { defineFamily, type PlausibilityRule } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { formatMm as mm } from '../../units/length';
import { exactly } from '../../units/toleranced';
import { hundredths } from '../naming';
import { pinsAt, roundPin, wire } from '../pins';
import { fitsInside } from '../plausibility/counts';
import { lyingCylinder } from '../shapes/round';
import type { PinGroup } from '../terminal';
import { chosenComponent, componentOption, type Component } from '../two-terminal';

type Symbol = 'B' | 'D' | 'b' | 'e' | 'L';
type Values = Dimensions<Symbol>;

const COMPONENTS: readonly Component[] = [
  { id: 'resistor', name: 'Resistor', prefix: 'RESAD', polarised: false },
  { id: 'capacitor', name: 'Capacitor', prefix: 'CAPAD', polarised: false },
  {
    id: 'electrolytic',
    name: 'Capacitor with a direction',
    prefix: 'CAPPAD',
    polarised: true,
    polarity: 'plus',
  },
  { id: 'diode', name: 'Diode', prefix: 'DIOAD', polarised: true, polarity: 'cathode' },
  { id: 'inductor', name: 'Inductor', prefix: 'INDAD', polarised: false },
];

/** Straight lead between body and bend, mm: at least its diameter and 0.8 (IPC-2221B, clause 8.1.14). */
const STRAIGHT = 0.8;
const GRID = 2.54;

/** The bends have to clear the ends of the body. */
const spacingAgainstBody: PlausibilityRule<'B' | 'b' | 'e'> = {
  id: 'spacing-body',
  title: 'Lead spacing against body',
  fault: 'Lead spacing is too small for the body',
  source: 'IPC-2221B, clause 8.1.14: straight lead of its diameter, at least 0.8 mm, then the bend',
  check({ d, enter }) {
    const least = d.B.max + 2 * (Math.max(STRAIGHT, d.b.nom) + d.b.nom);
    if (d.e.nom >= least - 1e-9) return [];
    const next = Math.ceil(least / GRID - 1e-9) * GRID;
    return [
      {
        severity: d.e.nom <= d.B.max ? 'stop' : 'caution',
        message: `Lead spacing e ${mm(d.e.nom)} mm is less than the ${mm(least)} mm that the body B ${mm(d.B.max)} mm, straight leads and bends take.`,
        place: { dimensions: ['e', 'B'] },
        measured: { value: d.e.nom, limit: least, unit: 'mm' },
        remedies: [
          { label: `Compute the spacing: ${mm(least)} mm`, edits: [enter('e', '')] },
          {
            label: `Next on the 2.54 mm grid: ${mm(next)} mm`,
            edits: [enter('e', `${mm(next)}mm`, 'next on the inch grid')],
          },
        ],
      },
    ];
  },
};

export const axial = defineFamily<Symbol>({
  id: 'axial',
  type: 'AXIAL_LEADED',
  title: 'Axial leads',
  summary: 'Lying body with a lead out of each end, bent down through the board.',
  keywords: ['axial', 'resistor', 'diode', 'through-hole', 'wire', 'two terminals', 'lying'],
  dimensions: [
    length('B', 'Body length', 'Body without leads', [1, 80]),
    length('D', 'Body diameter', 'Across the body', [0.6, 40]),
    ROUND_LEAD,
    length(
      'e',
      'Lead spacing',
      'Centre to centre of the holes; chosen, or computed from body and bends',
      [2, 120],
      {
        basic: true,
        derived: 'exact 2*(0.8+b)+B',
      },
    ),
    TAIL,
  ],
  options: [componentOption(COMPONENTS)],
  example: { B: '6.0..6.6', D: '2.2..2.5', b: '0.55..0.65', e: '10.16' },
  outlines: outlines(
    'B D b e',
    'Resistor body 3.3 × 1.8 | - | 3.0..3.6 | 1.6..1.9 | 0.4..0.5 | 7.62',
    'Resistor body 6.3 × 2.4 | - | 6.0..6.6 | 2.2..2.5 | 0.55..0.65 | 10.16',
    'Diode body 5.2 × 2.6 | JEDEC DO-204 AL | 4.1..5.2 | 2.0..2.7 | 0.71..0.86 | 10.16 | component=diode',
  ),
  terminals: (d) => [pins(d)],
  body: (d) => ({ x: d.B, y: d.D, standoff: exactly(0), height: d.D, mount: 'through' }),
  solids: (d): Assembly => {
    const [half, axis] = [d.e.nom / 2, d.D.nom / 2];
    const inner = Math.min(d.B.nom / 2, half) - 0.2;
    const bend = Math.min(d.b.nom, Math.max(0.05, half - d.B.nom / 2), axis);
    const lead = wire(
      [
        [inner, axis],
        [half, axis],
        [half, -d.L.nom],
      ],
      d.b.nom,
      bend + d.b.nom / 2,
    );
    const at = { x: 0, y: 0, z: 0 };
    return {
      shapes: { body: lyingCylinder(d.D.nom, d.B.nom), lead },
      parts: [
        { name: 'lead 1', shape: 'lead', material: 'metal', at, rotation: 180 },
        { name: 'lead 2', shape: 'lead', material: 'metal', at, rotation: 0 },
        { name: 'body', shape: 'body', material: 'ceramic', at, rotation: 90 },
      ],
    };
  },
  dimensionLines: (d) => {
    const [x, y, half] = [d.B.nom / 2, d.D.nom / 2, d.e.nom / 2];
    return [
      line('B', 'plan', 'top', [-x, y], [x, y]),
      line('D', 'plan', 'right', [x, -y], [x, y]),
      line('e', 'plan', 'bottom', [-half, 0], [half, 0]),
      line('b', 'front', 'bottom', [half - d.b.nom / 2, -d.L.nom], [half + d.b.nom / 2, -d.L.nom]),
      line('L', 'front', 'left', [-half, -d.L.nom], [-half, 0]),
    ];
  },
  name: (d, options) => [
    chosenComponent(COMPONENTS, options).prefix,
    hundredths('e', d.e.nom),
    'W',
    hundredths('b', d.b.nom),
    'L',
    hundredths('B', d.B.nom),
    'D',
    hundredths('D', d.D.nom),
  ],
  polarised: (options) => chosenComponent(COMPONENTS, options).polarised,
  polarity: (options) => chosenComponent(COMPONENTS, options).polarity,
  plausibility: [
    spacingAgainstBody,
    fitsInside<Symbol>(
      'lead-body',
      { words: 'Lead diameter b', symbols: ['b'], of: (d) => d.b.min },
      { words: 'the body diameter', symbol: 'D' },
    ),
  ],
});

function pins(d: Values): PinGroup {
  const half = d.e.nom / 2;
  const points = [
    { x: -half, y: 0 },
    { x: half, y: 0 },
  ];
  return pinsAt(points, roundPin(d.b), { title: 'Both leads', pitch: { x: d.e.nom, y: null } });
}
