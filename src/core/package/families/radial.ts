import { outlineOf } from '../../geometry/figure';
import { block, type Assembly, type Shape } from '../../geometry/solid';
import { length } from '../declare';
import { line } from '../lines';
import { HEIGHT, ROUND_LEAD, TAIL } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { hundredths } from '../naming';
import { centred, leadAgainstPitch, matrix, pinParts, pinShape, pinsAt, roundPin } from '../pins';
import { fitsInside } from '../plausibility/counts';
import { domed, lyingCylinder, standingCylinder } from '../shapes/round';
import type { PinGroup } from '../terminal';
import { chosenComponent, componentOption, type Component } from '../two-terminal';

type Symbol = 'e' | 'b' | 'D' | 'T' | 'A' | 'A1' | 'L';
type Values = Dimensions<Symbol>;

const COMPONENTS: readonly Component[] = [
  {
    id: 'electrolytic',
    name: 'Capacitor with a direction',
    prefix: 'CAP',
    polarised: true,
    polarity: 'plus',
  },
  { id: 'capacitor', name: 'Capacitor', prefix: 'CAP', polarised: false },
  { id: 'resistor', name: 'Resistor or varistor', prefix: 'RES', polarised: false },
  { id: 'inductor', name: 'Inductor', prefix: 'IND', polarised: false },
  { id: 'led', name: 'LED', prefix: 'LED', polarised: true, polarity: 'cathode' },
];

const SHAPES = [
  { id: 'round', name: 'round can', letter: 'RD' },
  { id: 'rectangle', name: 'rectangular box', letter: 'RR' },
  { id: 'disc', name: 'upright disc', letter: 'RB' },
] as const;
const shapeOf = (options: Options) => SHAPES.find(({ id }) => id === options['shape']) ?? SHAPES[0];

/** Height at which a lead ends inside the body; a disc is higher over its leads than in its middle. mm */
function leadTop(d: Values, options: Options): number {
  if (shapeOf(options).id !== 'disc') return d.A1.nom + 0.3;
  const [radius, x] = [d.D.nom / 2, d.e.nom / 2];
  return d.A.nom - radius - Math.sqrt(Math.max(0, radius ** 2 - x ** 2)) + 0.3;
}

export const radial = defineFamily<Symbol>({
  id: 'radial',
  type: 'RADIAL_LEADED',
  title: 'Radial leads',
  summary: 'Upright can, box or disc with two leads out of its underside.',
  keywords: [
    'radial',
    'capacitor',
    'electrolytic',
    'LED',
    'disc',
    'box',
    'film',
    'through-hole',
    'two terminals',
  ],
  dimensions: [
    length('e', 'Lead spacing', 'Centre to centre of the leads', [1, 60], { basic: true }),
    ROUND_LEAD,
    length(
      'D',
      'Diameter or length',
      'Across the can or disc, or along the box in line with the leads',
      [1, 80],
    ),
    length('T', 'Thickness', 'Box or disc: across the line of the leads', [0.8, 60], {
      derived: 'D',
      when: (options) => shapeOf(options).id !== 'round',
    }),
    HEIGHT,
    length('A1', 'Standoff', 'Seating plane to underside of body', [0, 10], { derived: '0' }),
    TAIL,
  ],
  options: [
    componentOption(COMPONENTS),
    { id: 'shape', name: 'Body', choices: SHAPES.map(({ id, name }) => ({ id, name })) },
  ],
  example: { e: '2.5', b: '0.45..0.55', D: '6.1..6.5', A: 'max 11.2' },
  outlines: outlines(
    'e b D A A1 T',
    'Can 5 × 11, spacing 2.0 | - | 2.0 | 0.45..0.55 | 5.0..5.5 | max 12 | |  | shape=round',
    'Can 8 × 12, spacing 3.5 | - | 3.5 | 0.55..0.65 | 8.0..8.5 | max 13 | |  | shape=round',
    'LED 5 mm, spacing 2.54 | - | 2.54 | 0.45..0.55 | 4.8..5.0 | max 8.7 | 0..1 | | shape=round | component=led',
    'Film box 7.2 × 2.5, spacing 5 | - | 5.0 | 0.45..0.55 | 7.0..7.4 | max 6.7 | | 2.3..2.7 | shape=rectangle | component=capacitor',
    'Disc 7 mm, spacing 5 | - | 5.0 | 0.5..0.6 | 6.5..7.5 | max 9.5 | 1.5..2 | 2.0..3.0 | shape=disc | component=capacitor',
  ),
  terminals: (d) => [pins(d)],
  body: (d, options) => ({
    x: d.D,
    y: shapeOf(options).id === 'round' ? d.D : d.T,
    standoff: d.A1,
    height: d.A,
    mount: 'through',
    ...(shapeOf(options).id === 'round' ? { outline: outlineOf({ kind: 'round', diameter: d.D.nom }) } : {}),
  }),
  solids: (d, options): Assembly => ({
    shapes: { pin: pinShape(roundPin(d.b), d.L.nom, leadTop(d, options)), body: bodyShape(d, options) },
    parts: [
      ...pinParts(pins(d), 'pin'),
      {
        ...centred(
          'body',
          options['component'] === 'electrolytic' || !options['component'] ? 'metal' : 'ceramic',
        ),
      },
    ],
  }),
  dimensionLines: (d, options) => {
    const round = shapeOf(options).id === 'round';
    const [x, y, half] = [d.D.nom / 2, (round ? d.D.nom : d.T.nom) / 2, d.e.nom / 2];
    return [
      line('D', 'plan', 'top', [-x, round ? 0 : y], [x, round ? 0 : y]),
      ...(round ? [] : [line('T', 'plan', 'right', [x, -y], [x, y])]),
      line('e', 'plan', 'bottom', [-half, 0], [half, 0]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
      line('b', 'front', 'bottom', [half - d.b.nom / 2, -d.L.nom], [half + d.b.nom / 2, -d.L.nom]),
      line('L', 'front', 'left', [-half, -d.L.nom], [-half, 0]),
    ];
  },
  name: (d, options) => {
    const { id, letter } = shapeOf(options);
    return [
      `${chosenComponent(COMPONENTS, options).prefix}${letter}`,
      hundredths('e', d.e.nom),
      'W',
      hundredths('b', d.b.nom),
      ...(id === 'round'
        ? ['D', hundredths('D', d.D.nom)]
        : ['L', hundredths('D', d.D.nom), 'T', hundredths('T', d.T.nom)]),
      'H',
      hundredths('A', d.A.max),
    ];
  },
  polarised: (options) => chosenComponent(COMPONENTS, options).polarised,
  polarity: (options) => chosenComponent(COMPONENTS, options).polarity,
  plausibility: [
    leadAgainstPitch<Symbol>('e', (d) => d.b.max, ['b']),
    fitsInside<Symbol>(
      'leads-body',
      { words: 'Lead spacing with the leads', symbols: ['e', 'b'], of: (d) => (d.e.nom + d.b.nom) * 0.8 },
      { words: 'the body', symbol: 'D' },
    ),
  ],
});

function bodyShape(d: Values, options: Options): Shape {
  const [low, high] = [d.A1.nom, Math.max(d.A.nom, d.A1.nom + 0.2)];
  switch (shapeOf(options).id) {
    case 'rectangle':
      return block(d.D.nom, d.T.nom, low, high);
    case 'disc':
      // the disc stands on its edge, its axis across the leads
      return lyingCylinder(Math.min(d.D.nom, high - low), d.T.nom, high - Math.min(d.D.nom, high - low));
    default:
      return options['component'] === 'led'
        ? domed(d.D.nom, low, high)
        : standingCylinder(d.D.nom, low, high);
  }
}

function pins(d: Values): PinGroup {
  return pinsAt(matrix(2, 1, d.e.nom, 0), roundPin(d.b), {
    title: 'Both leads',
    pitch: { x: d.e.nom, y: null },
  });
}
