import { block, type Assembly } from '../../geometry/solid';
import { line } from '../lines';
import { length } from '../declare';
import { HEIGHT, leads, LEAD_THICKNESS, LEAD_WIDTH, PITCH, TAIL } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { counted, hundredths } from '../naming';
import { flatPin, leadAgainstPitch, pinParts, pinsAt } from '../pins';
import { fitsInside } from '../plausibility/counts';
import { inchPitch, rowAgainstBody } from '../plausibility/row';
import { evenRow } from '../rows';
import { bodyPart } from '../shapes/leads';
import { mouldedBody, mouldHeights } from '../shapes/moulding';
import type { PinGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'E' | 'E1' | 'D' | 'b' | 'c' | 'A' | 'A1' | 'L';
type Values = Dimensions<Symbol>;

export const dip = defineFamily<Symbol>({
  id: 'dip',
  type: 'PLASTIC_DIP',
  title: 'Dual in-line',
  summary: 'Moulded or ceramic body with leads bent down on two sides, through the board (DIP).',
  keywords: ['DIP', 'DIL', 'dual in-line', 'through-hole', 'two rows', 'socket'],
  dimensions: [
    { ...leads(4, 64) },
    PITCH,
    length('E', 'Row distance', 'Centre to centre of the two rows in the board', [3, 30], { basic: true }),
    length('E1', 'Body width', 'Body across the rows', [2, 28]),
    length('D', 'Body length', 'Body along the rows', [3, 100]),
    LEAD_WIDTH,
    LEAD_THICKNESS,
    HEIGHT,
    length('A1', 'Standoff', 'Seating plane to underside of body', [0, 5]),
    TAIL,
  ],
  options: [],
  example: {
    n: '14',
    e: '2.54',
    E: '7.62',
    E1: '6.1..6.6',
    D: '18.7..19.7',
    b: '0.36..0.56',
    c: '0.2..0.36',
    A: 'max 5.33',
    A1: 'min 0.38',
  },
  outlines: outlines(
    'n e E E1 D b c A A1',
    '8 leads, rows 7.62 | JEDEC MS-001 BA | 8 | 2.54 | 7.62 | 6.1..6.6 | 9.0..10.2 | 0.36..0.56 | 0.2..0.36 | max 5.33 | min 0.38',
    '14 leads, rows 7.62 | JEDEC MS-001 AA | 14 | 2.54 | 7.62 | 6.1..6.6 | 18.7..19.7 | 0.36..0.56 | 0.2..0.36 | max 5.33 | min 0.38',
    '28 leads, rows 15.24 | JEDEC MS-011 AB | 28 | 2.54 | 15.24 | 12.3..14.7 | 35.1..39.7 | 0.36..0.56 | 0.2..0.38 | max 6.35 | min 0.38',
  ),
  terminals: (d) => [pins(d)],
  body: (d) => ({ x: d.E1, y: d.D, standoff: d.A1, height: d.A, mount: 'through' }),
  solids: (d): Assembly => {
    const heights = mouldHeights(d.A1.nom, d.A.nom);
    const group = pins(d);
    const shoulder = Math.max(d.b.nom, Math.min(1.5, d.e.nom * 0.6));
    // from the body to the shoulder
    const reach = Math.max(0.05, (d.E.nom - d.E1.nom - d.c.nom) / 2);
    const arms = group.places.map(({ order, at }) => ({
      name: `arm ${order}`,
      shape: 'arm',
      material: 'metal' as const,
      at: { x: at.x - Math.sign(at.x) * ((reach + d.c.nom) / 2), y: at.y, z: 0 },
      rotation: 0 as const,
    }));
    return {
      shapes: {
        pin: block(d.c.nom, d.b.nom, -d.L.nom, d.A1.nom),
        shoulder: block(d.c.nom, shoulder, d.A1.nom, heights.parting + d.c.nom / 2),
        arm: block(reach, shoulder, heights.parting - d.c.nom / 2, heights.parting + d.c.nom / 2),
        body: mouldedBody(d.E1.nom, d.D.nom, heights),
      },
      parts: [
        ...pinParts(group, 'pin'),
        ...pinParts(group, 'shoulder').map((part) => ({
          ...part,
          name: part.name.replace('pin', 'shoulder'),
        })),
        ...arms,
        bodyPart('moulding'),
      ],
    };
  },
  dimensionLines: (d) => {
    const [row, body, end] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2];
    const first = ((d.n.nom / 2 - 1) / 2) * d.e.nom;
    const top = mouldHeights(d.A1.nom, d.A.nom).top;
    return [
      line('E1', 'plan', 'top', [-body, end], [body, end]),
      line('E', 'plan', 'top', [-row, first], [row, first], 1),
      line('e', 'plan', 'left', [-row, first - d.e.nom], [-row, first]),
      line('b', 'plan', 'left', [-row, -first - d.b.nom / 2], [-row, -first + d.b.nom / 2]),
      line('D', 'plan', 'right', [body, -end], [body, end]),
      line('A', 'front', 'right', [body, 0], [body, top]),
      line('A1', 'front', 'left', [-body, 0], [-body, d.A1.nom]),
      line('L', 'front', 'right', [row, -d.L.nom], [row, 0], 1),
    ];
  },
  name: (d) => [
    'DIP',
    hundredths('E', d.E.nom),
    'W',
    hundredths('b', d.b.nom),
    'P',
    hundredths('e', d.e.nom),
    'L',
    hundredths('D', d.D.nom),
    'H',
    hundredths('A', d.A.max),
    'Q',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
    leadAgainstPitch<Symbol>('e', (d) => Math.hypot(d.b.max, d.c.max), ['b', 'c']),
    inchPitch<Symbol>((d) => d.n.nom / 2),
    fitsInside<Symbol>(
      'body-rows',
      { words: 'Body width E1', symbols: ['E1'], of: (d) => d.E1.min },
      { words: 'the distance of the rows', symbol: 'E' },
    ),
  ],
});

function pins(d: Values): PinGroup {
  const row = evenRow(d.n.nom / 2, d.e.nom);
  const x = d.E.nom / 2;
  const points = [
    ...row.map((y) => ({ x: -x, y: y + 0 })),
    ...[...row].reverse().map((y) => ({ x, y: y + 0 })),
  ];
  // leads are wide along the row and thin across it
  return pinsAt(points, flatPin(d.c, d.b), { title: 'Both rows', pitch: { x: d.E.nom, y: d.e.nom } });
}
