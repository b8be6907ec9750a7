import { block, bored, type Assembly, type Loft, type Part } from '../../geometry/solid';
import { exactly } from '../../units/toleranced';
import { count, length } from '../declare';
import { line } from '../lines';
import { LEAD_THICKNESS, LEAD_WIDTH, PITCH, TAIL } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { centred, flatPin, LEAD_ROW_RULES, matrix, pinParts, pinsAt } from '../pins';
import { fitsInside } from '../plausibility/counts';
import type { PinGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'D' | 'E' | 'F' | 'Q' | 'P' | 'h' | 'b' | 'c' | 'A' | 'L';
type Values = Dimensions<Symbol>;

/** Head and clearance round a screw of a hole's size: component-free radius over hole diameter. */
const HEAD = 2.2;

export const flangeMount = defineFamily<Symbol>({
  id: 'flange-mount',
  type: 'POWER_TRANSISTOR',
  title: 'Flange mount, lying',
  summary: 'Power body lying on the board, screwed through its flange, its leads bent down into holes.',
  keywords: ['TO', 'flange', 'tab', 'power', 'screw', 'lying', 'through-hole', 'hole', 'heat sink'],
  dimensions: [
    count('n', 'Leads', 'Number of leads', [2, 15]),
    PITCH,
    length('D', 'Body width', 'Body along the row of leads', [4, 40]),
    length('E', 'Overall length', 'Body and flange, away from the leads', [5, 50]),
    length('Q', 'Flange length', 'Part of E that is flange only', [1, 30]),
    length('F', 'Row to body', 'Row of leads to the body', [1, 20]),
    length('P', 'Row to screw', 'Row of leads to the middle of the hole', [3, 60]),
    length('h', 'Screw hole', 'Hole in the flange and the board', [1.5, 8]),
    LEAD_WIDTH,
    LEAD_THICKNESS,
    length('A', 'Height', 'Board to top of body', [1, 20], { maximumSuffices: true }),
    TAIL,
  ],
  options: [],
  example: {
    n: '3',
    e: '2.54',
    D: '9.7..10.4',
    E: '14.8..15.8',
    Q: '6.2..6.8',
    F: '3.6..4.0',
    P: '16.6',
    h: '3.4',
    b: '0.7..0.9',
    c: '0.4..0.6',
    A: 'max 4.7',
  },
  outlines: outlines(
    'n e D E Q F P h b c A',
    'Three leads, pitch 2.54, M3 | JEDEC TO-220 AB | 3 | 2.54 | 9.7..10.4 | 14.8..15.8 | 6.2..6.8 | 3.6..4.0 | 16.6 | 3.4 | 0.7..0.9 | 0.4..0.6 | max 4.7',
  ),
  terminals: (d) => [pins(d)],
  bores: (d) => [{ at: { x: 0, y: d.P.nom }, diameter: d.h.nom }],
  keepOuts: (d) => [
    {
      figure: { kind: 'round', diameter: d.h.nom * HEAD },
      at: { x: 0, y: d.P.nom },
      rotation: 0,
      why: 'screw head and washer',
    },
  ],
  body: (d) => ({
    x: d.D,
    y: { ...d.E, min: d.E.min + d.F.nom, nom: d.E.nom + d.F.nom, max: d.E.max + d.F.nom },
    standoff: exactly(0),
    height: d.A,
    centre: { x: 0, y: (d.E.nom + d.F.nom) / 2 },
    mount: 'through',
  }),
  solids: (d): Assembly => {
    const plate = Math.min(1.3, d.A.nom / 2);
    const exit = d.A.nom * 0.55;
    const group = pins(d);
    const moulded = Math.max(d.E.nom - d.Q.nom, 0.5);
    const arms = group.places.map(({ order, at }): Part => ({
      name: `arm ${order}`,
      shape: 'arm',
      material: 'metal',
      at: { x: at.x, y: (d.F.nom + 0.2) / 2 - d.c.nom / 2, z: 0 },
      rotation: 0,
    }));
    return {
      shapes: {
        pin: block(d.b.nom, d.c.nom, -d.L.nom, exit + d.c.nom / 2),
        arm: block(d.b.nom, d.F.nom + 0.2, exit - d.c.nom / 2, exit + d.c.nom / 2),
        plate: drilled(block(d.D.nom, d.E.nom, 0, plate), d),
        body: block(d.D.nom * 0.98, moulded, plate, Math.max(d.A.nom, plate + 0.2)),
      },
      parts: [
        ...pinParts(group, 'pin'),
        ...arms,
        centred('plate', 'metal', { y: d.F.nom + d.E.nom / 2 }),
        centred('body', 'moulding', { y: d.F.nom + moulded / 2 }),
      ],
    };
  },
  dimensionLines: (d) => {
    const x = d.D.nom / 2;
    const left = (-(d.n.nom - 1) / 2) * d.e.nom;
    const [from, to] = [d.F.nom, d.F.nom + d.E.nom];
    return [
      line('D', 'plan', 'top', [-x, to], [x, to]),
      line('E', 'plan', 'right', [x, from], [x, to]),
      line('Q', 'side', 'top', [to - d.Q.nom, d.A.nom], [to, d.A.nom]),
      line('P', 'plan', 'left', [0, 0], [0, d.P.nom], 1),
      line('F', 'plan', 'left', [left, 0], [-x, from]),
      line('e', 'plan', 'bottom', [left, 0], [left + d.e.nom, 0]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
      line('L', 'front', 'left', [left, -d.L.nom], [left, 0]),
      line('b', 'front', 'bottom', [left - d.b.nom / 2, -d.L.nom], [left + d.b.nom / 2, -d.L.nom]),
    ];
  },
  name: (d) => [
    'TOF',
    hundredths('e', d.e.nom),
    'P',
    ...byX(['D', d.D.nom], ['E', d.E.nom], ['A', d.A.max]),
    '-',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    ...LEAD_ROW_RULES,
    fitsInside<Symbol>(
      'flange-body',
      { words: 'Flange Q', symbols: ['Q'], of: (d) => d.Q.min },
      { words: 'the overall length', symbol: 'E' },
    ),
    {
      id: 'screw-flange',
      title: 'Screw within the flange',
      fault: 'Screw lies outside of the flange',
      source: 'Geometry: the screw goes through the flange beyond the body',
      check({ d }) {
        const [from, to] = [d.F.nom + d.E.nom - d.Q.nom, d.F.nom + d.E.nom];
        const off = Math.max(from + d.h.nom / 2 - d.P.nom, d.P.nom + d.h.nom / 2 - to);
        if (off <= 1e-9) return [];
        const mm = (v: number) => String(Math.round(v * 1000) / 1000);
        return [
          {
            severity: 'stop',
            message: `The screw hole at P ${mm(d.P.nom)} mm with h ${mm(d.h.nom)} mm does not lie in the flange, which runs from ${mm(from)} mm to ${mm(to)} mm. One of P, F, E and Q is wrong.`,
            place: { dimensions: ['P', 'F', 'E', 'Q'] },
            measured: { value: d.P.nom, limit: d.P.nom > to ? to : from, unit: 'mm' },
            remedies: [],
          },
        ];
      },
    },
  ],
});

function pins(d: Values): PinGroup {
  return pinsAt(matrix(d.n.nom, 1, d.e.nom, 0), flatPin(d.b, d.c), {
    title: 'Leads',
    pitch: { x: d.e.nom, y: null },
  });
}

/** The flange with its screw hole, as far as that lies inside of it. */
function drilled(flange: Loft, { D, E, F, P, h }: Dimensions<Symbol>): Loft {
  const y = P.nom - F.nom - E.nom / 2;
  const isInside = h.nom < D.nom && Math.abs(y) + h.nom / 2 < E.nom / 2;
  return isInside ? bored(flange, { at: { x: 0, y }, diameter: h.nom }) : flange;
}
