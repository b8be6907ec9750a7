import { block, type Assembly } from '../../geometry/solid';
import { outlineOf, rectangle, type Figure } from '../../geometry/figure';
import { exactly } from '../../units/toleranced';
import { length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { hundredths, WITHOUT_LEVEL } from '../naming';
import { centred, pinsAt, roundPin, wire } from '../pins';
import { fitsInside } from '../plausibility/counts';
import { standingCylinder } from '../shapes/round';
import { HOME, type TerminalGroup } from '../terminal';

type Symbol = 'D' | 'H' | 'b' | 'A';
type Values = Dimensions<Symbol>;

const isLoop = ({ kind }: Options) => kind === 'loop';

/** What a probe meets on a bare land, mm above it. */
const SKIN = 0.01;

export const testPoint = defineFamily<Symbol>({
  id: 'test-point',
  title: 'Test point',
  summary: 'A land for a probe, round or square, or a hole with a wire loop.',
  keywords: ['test point', 'probe', 'land', 'loop', 'TP', 'single'],
  dimensions: [
    length('D', 'Land', 'Diameter or side of the land', [0.3, 10], { basic: true }),
    length('H', 'Hole', 'Loop only: finished hole', [0.3, 5], {
      basic: true,
      derived: 'exact 1',
      when: isLoop,
    }),
    length('b', 'Wire', 'Loop only: diameter of the wire', [0.2, 4], { derived: 'exact 0.7', when: isLoop }),
    length('A', 'Loop height', 'Loop only: board to top of the loop', [0.5, 15], {
      derived: 'exact 4',
      when: isLoop,
    }),
  ],
  options: [
    {
      id: 'kind',
      name: 'Kind',
      choices: [
        { id: 'round', name: 'round land' },
        { id: 'square', name: 'square land' },
        { id: 'loop', name: 'hole with a wire loop' },
      ],
    },
  ],
  example: { D: '1.5' },
  outlines: outlines(
    'D H b A',
    'Probe land, 1.0 mm | - | 1.0 | |  | | kind=round',
    'Probe land, 1.5 mm | - | 1.5 | |  | | kind=round',
    'Wire loop, 1.0 mm hole | - | 1.7 | 1.0 | 0.7 | 4 | kind=loop',
  ),
  terminals,
  body: (d, options) =>
    options['kind'] === 'loop'
      ? { x: exactly(loopWidth(d)), y: exactly(d.b.nom), standoff: exactly(0), height: d.A, mount: 'through' }
      : {
          x: d.D,
          y: d.D,
          standoff: exactly(0),
          height: exactly(SKIN),
          ...(options['kind'] === 'square'
            ? {}
            : { outline: outlineOf({ kind: 'round', diameter: d.D.nom }) }),
        },
  solids: (d, options): Assembly => {
    if (options['kind'] === 'square')
      return { shapes: { skin: block(d.D.nom, d.D.nom, 0, SKIN) }, parts: [centred('skin', 'metal')] };
    if (options['kind'] !== 'loop')
      return { shapes: { skin: standingCylinder(d.D.nom, 0, SKIN) }, parts: [centred('skin', 'metal')] };
    const [half, top] = [(loopWidth(d) - d.b.nom) / 2, Math.max(d.A.nom, 3 * d.b.nom) - d.b.nom / 2];
    return {
      shapes: {
        loop: wire(
          [
            [0, -2.5],
            [0, d.b.nom],
            [half, d.b.nom * 1.6],
            [half, top],
            [-half, top],
            [-half, d.b.nom * 1.6],
            [-d.b.nom * 0.6, d.b.nom * 1.2],
          ],
          d.b.nom,
          half * 0.6,
        ),
      },
      parts: [centred('loop', 'metal')],
    };
  },
  dimensionLines: (d, options) => [
    line('D', 'plan', 'top', [-d.D.nom / 2, 0], [d.D.nom / 2, 0]),
    ...(options['kind'] === 'loop'
      ? [
          line('H', 'plan', 'bottom', [-d.H.nom / 2, 0], [d.H.nom / 2, 0]),
          line('A', 'front', 'right', [0, 0], [0, d.A.nom]),
          line('b', 'front', 'bottom', [-d.b.nom / 2, -2.5], [d.b.nom / 2, -2.5]),
        ]
      : []),
  ],
  name: (d, options) => {
    if (options['kind'] === 'loop')
      return ['TPH', hundredths('D', d.D.nom), 'H', hundredths('H', d.H.nom), WITHOUT_LEVEL];
    return [options['kind'] === 'square' ? 'TPS' : 'TPC', hundredths('D', d.D.nom), WITHOUT_LEVEL];
  },
  polarised: () => false,
  plausibility: [
    {
      ...fitsInside<Symbol>(
        'wire-hole',
        { words: 'Wire b', symbols: ['b'], of: (d) => d.b.max },
        { words: 'the hole', symbol: 'H' },
      ),
    },
  ],
});

function loopWidth(d: Values): number {
  return 4 * d.b.nom;
}

function terminals(d: Values, options: Options): TerminalGroup[] {
  if (options['kind'] === 'loop') {
    return [
      pinsAt([{ x: 0, y: 0 }], roundPin(d.b), { title: 'Loop', stated: { hole: d.H.nom, land: d.D.nom } }),
    ];
  }
  const at = (limit: 'min' | 'nom' | 'max'): Figure =>
    options['kind'] === 'square'
      ? rectangle(d.D[limit], d.D[limit])
      : { kind: 'round', diameter: d.D[limit] };
  return [
    {
      kind: 'spot',
      id: 'land',
      title: 'Land',
      frame: HOME,
      form: 'probe',
      contact: { min: at('min'), nom: at('nom'), max: at('max') },
      pitch: null,
      places: [{ order: 1, at: { x: 0, y: 0 }, rotation: 0 }],
    },
  ];
}
