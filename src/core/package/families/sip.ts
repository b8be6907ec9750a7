import { block, type Assembly } from '../../geometry/solid';
import { count, length } from '../declare';
import { line } from '../lines';
import { HEIGHT, LEAD_THICKNESS, LEAD_WIDTH, PITCH, TAIL } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { counted, hundredths } from '../naming';
import { centred, flatPin, leadAgainstPitch, matrix, pinParts, pinShape, pinsAt } from '../pins';
import { inchPitch, rowAgainstBody } from '../plausibility/row';
import type { PinGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'D' | 'E' | 'b' | 'c' | 'A' | 'A1' | 'L';
type Values = Dimensions<Symbol>;

export const sip = defineFamily<Symbol>({
  id: 'sip',
  type: 'PLASTIC_SIP',
  title: 'Single in-line',
  summary: 'Upright body with one row of leads through the board (SIP).',
  keywords: ['SIP', 'SIL', 'single in-line', 'network', 'through-hole', 'one row'],
  dimensions: [
    count('n', 'Leads', 'Number of leads', [2, 40]),
    PITCH,
    length('D', 'Body length', 'Body along the row', [2, 110]),
    length('E', 'Body thickness', 'Body across the row', [0.8, 20]),
    LEAD_WIDTH,
    LEAD_THICKNESS,
    HEIGHT,
    length('A1', 'Standoff', 'Seating plane to underside of body', [0, 5], { derived: '0.5' }),
    TAIL,
  ],
  options: [],
  example: { n: '9', e: '2.54', D: '22.2..22.8', E: '2.2..2.5', b: '0.4..0.6', c: '0.2..0.3', A: 'max 6.5' },
  outlines: outlines(
    'n e D E b c A',
    '5 leads, pitch 2.54 | - | 5 | 2.54 | 12.2..12.7 | 2.2..2.5 | 0.4..0.6 | 0.2..0.3 | max 5.2',
    '9 leads, pitch 2.54 | - | 9 | 2.54 | 22.2..22.8 | 2.2..2.5 | 0.4..0.6 | 0.2..0.3 | max 6.5',
  ),
  terminals: (d) => [pins(d)],
  body: (d) => ({ x: d.D, y: d.E, standoff: d.A1, height: d.A, mount: 'through' }),
  solids: (d): Assembly => ({
    shapes: {
      pin: pinShape(flatPin(d.b, d.c), d.L.nom, d.A1.nom),
      body: block(d.D.nom, d.E.nom, d.A1.nom, Math.max(d.A.nom, d.A1.nom + 0.1)),
    },
    parts: [...pinParts(pins(d), 'pin'), centred('body', 'moulding')],
  }),
  dimensionLines: (d) => {
    const [x, y] = [d.D.nom / 2, d.E.nom / 2];
    const first = (-(d.n.nom - 1) / 2) * d.e.nom;
    return [
      line('D', 'plan', 'top', [-x, y], [x, y], 1),
      line('E', 'plan', 'right', [x, -y], [x, y]),
      line('e', 'plan', 'top', [first, y], [first + d.e.nom, y]),
      line('b', 'front', 'bottom', [first - d.b.nom / 2, -d.L.nom], [first + d.b.nom / 2, -d.L.nom]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
      line('A1', 'front', 'left', [-x, 0], [-x, d.A1.nom]),
      line('L', 'front', 'right', [-first, -d.L.nom], [-first, 0], 1),
    ];
  },
  name: (d) => [
    'SIPW',
    hundredths('b', d.b.nom),
    'P',
    hundredths('e', d.e.nom),
    'L',
    hundredths('D', d.D.nom),
    'T',
    hundredths('E', d.E.nom),
    'H',
    hundredths('A', d.A.max),
    'Q',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom, pitch: d.e.nom, width: d.b.nom })),
    leadAgainstPitch<Symbol>('e', (d) => Math.hypot(d.b.max, d.c.max), ['b', 'c']),
    inchPitch<Symbol>((d) => d.n.nom),
  ],
});

function pins(d: Values): PinGroup {
  return pinsAt(matrix(d.n.nom, 1, d.e.nom, 0), flatPin(d.b, d.c), {
    title: 'Leads',
    pitch: { x: d.e.nom, y: null },
  });
}
