import { block, type Assembly, type Part } from '../../geometry/solid';
import { exactly } from '../../units/toleranced';
import { count, length } from '../declare';
import { line } from '../lines';
import { HEIGHT, LEAD_THICKNESS, LEAD_WIDTH, TAIL } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { centred, flatPin, leadAgainstPitch, matrix, pinParts, pinShape, pinsAt } from '../pins';
import { agreesWith, fitsInside } from '../plausibility/counts';
import { gridDrift } from '../plausibility/grid';
import { standingCylinder } from '../shapes/round';
import { prism } from '../shapes/terminals';
import type { PinGroup } from '../terminal';

type Symbol = 'n' | 'e' | 'b' | 'c' | 'D' | 'E' | 'S' | 'A' | 'L';
type Values = Dimensions<Symbol>;

export const screwTerminal = defineFamily<Symbol>({
  id: 'screw-terminal',
  type: 'CONNECTOR_TH',
  title: 'Screw terminal block',
  summary: 'Wire clamps in a row; the wires come in from the lower edge.',
  keywords: ['terminal block', 'screw', 'clamp', 'wire', 'connector', 'through-hole'],
  dimensions: [
    count('n', 'Poles', 'Number of clamps', [1, 24]),
    length('e', 'Pitch', 'Centre to centre of neighbouring poles', [2, 20], { basic: true }),
    LEAD_WIDTH,
    { ...LEAD_THICKNESS, derived: 'b' },
    length('D', 'Length', 'Housing along the row', [2, 250], { derived: 'n*e' }),
    length('E', 'Depth', 'Housing across the row', [3, 40]),
    length('S', 'Row to wire side', 'Row of pins to the edge where the wires come in', [0.5, 39], {
      derived: 'E/2',
    }),
    HEIGHT,
    TAIL,
  ],
  options: [],
  example: { n: '3', e: '5.08', b: '0.9..1.1', E: '7.8..8.2', S: '4.2..4.4', A: 'max 10.2' },
  outlines: outlines(
    'n e b E S A',
    '2 poles, pitch 5.08 | - | 2 | 5.08 | 0.9..1.1 | 7.8..8.2 | 4.2..4.4 | max 10.2',
    '4 poles, pitch 3.50 | - | 4 | 3.5 | 0.7..0.9 | 7.0..7.4 | 3.5..3.7 | max 8.8',
  ),
  terminals: (d) => [pins(d)],
  body: (d) => ({
    x: d.D,
    y: d.E,
    standoff: exactly(0),
    height: d.A,
    centre: { x: 0, y: d.E.nom / 2 - d.S.nom },
    mount: 'through',
  }),
  solids: (d): Assembly => {
    const top = Math.max(d.A.nom, 1);
    const middle = d.E.nom / 2 - d.S.nom;
    const screw = Math.min(d.e.nom, d.E.nom) * 0.55;
    const mouth = Math.min(d.e.nom * 0.62, top * 0.45);
    const front = middle - d.E.nom / 2;
    const at = (name: string, shape: string, y: number, z: number) =>
      pins(d).places.map(({ order, at: { x } }): Part => ({
        name: `${name} ${order}`,
        shape,
        material: 'metal',
        at: { x, y, z },
        rotation: 0,
      }));
    return {
      shapes: {
        pin: pinShape(flatPin(d.b, d.c), d.L.nom, 0),
        housing: prism(
          [
            { x: -d.D.nom / 2, y: -d.E.nom / 2 },
            { x: d.D.nom / 2, y: -d.E.nom / 2 },
            { x: d.D.nom / 2, y: d.E.nom / 2 },
            { x: -d.D.nom / 2, y: d.E.nom / 2 },
          ],
          0,
          top * 0.96,
        ),
        screw: standingCylinder(screw, top * 0.96, top),
        mouth: block(mouth, 0.05, 0, mouth),
      },
      parts: [
        ...pinParts(pins(d), 'pin'),
        ...at('screw', 'screw', middle, 0),
        ...at('mouth', 'mouth', front - 0.02, top * 0.18),
        centred('housing', 'ceramic', { y: middle }),
      ],
    };
  },
  dimensionLines: (d) => {
    const x = d.D.nom / 2;
    const [front, back] = [-d.S.nom, d.E.nom - d.S.nom];
    const left = (-(d.n.nom - 1) / 2) * d.e.nom;
    return [
      line('D', 'plan', 'top', [-x, back], [x, back], 1),
      ...(d.n.nom > 1 ? [line('e', 'plan', 'top', [left, back], [left + d.e.nom, back])] : []),
      line('E', 'plan', 'right', [x, front], [x, back], 1),
      line('S', 'plan', 'left', [-x, front], [left, 0]),
      line('b', 'front', 'bottom', [left - d.b.nom / 2, -d.L.nom], [left + d.b.nom / 2, -d.L.nom]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
      line('L', 'front', 'left', [left, -d.L.nom], [left, 0]),
    ];
  },
  name: (d) => [
    'TERM',
    counted('n', d.n.nom),
    'W',
    hundredths('b', d.b.nom),
    'P',
    hundredths('e', d.e.nom),
    '_',
    ...byX(['D', d.D.nom], ['E', d.E.nom], ['A', d.A.max]),
  ],
  polarised: () => true,
  plausibility: [
    agreesWith<Symbol>('D', ['n', 'e'], 'poles × pitch', (d) => d.n.nom * d.e.nom, 2.5),
    fitsInside<Symbol>(
      'row-depth',
      { words: 'Row to wire side S', symbols: ['S'], of: (d) => d.S.min },
      { words: 'the depth', symbol: 'E' },
    ),
    leadAgainstPitch<Symbol>('e', (d) => Math.hypot(d.b.max, d.c.max), ['b', 'c']),
    gridDrift<Symbol>('e', (d) => d.n.nom),
  ],
});

function pins(d: Values): PinGroup {
  return pinsAt(matrix(d.n.nom, 1, d.e.nom, 0), flatPin(d.b, d.c), {
    pitch: { x: d.n.nom > 1 ? d.e.nom : null, y: null },
  });
}
