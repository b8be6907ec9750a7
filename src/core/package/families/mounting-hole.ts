import { outlineOf } from '../../geometry/figure';
import type { Assembly } from '../../geometry/solid';
import { exactly } from '../../units/toleranced';
import { count, length } from '../declare';
import { line } from '../lines';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { counted, hundredths, WITHOUT_LEVEL } from '../naming';
import { centred, pinsAt, roundPin } from '../pins';
import { fitsInside } from '../plausibility/counts';
import { standingCylinder } from '../shapes/round';
import type { PinGroup } from '../terminal';

type Symbol = 'H' | 'W' | 'D' | 'C' | 'A' | 'v' | 'hv';
type Values = Dimensions<Symbol>;

const hasVias = ({ hole }: Options) => hole === 'vias';

export const mountingHole = defineFamily<Symbol>({
  id: 'mounting-hole',
  title: 'Mounting hole',
  summary:
    'Hole for a screw: without copper, plated, or plated with a ring of vias; kept clear round its head.',
  keywords: [
    'mounting',
    'hole',
    'screw',
    'MTG',
    'plated',
    'non-plated',
    'vias',
    'keep-out',
    'washer',
    'head',
    'standoff',
  ],
  dimensions: [
    length('H', 'Hole', 'Finished diameter', [0.5, 20], { basic: true }),
    length('W', 'Screw', 'Thread of the screw', [0.4, 20], { basic: true, derived: 'exact H-0.2' }),
    length('D', 'Screw head', 'Diameter of head or washer', [0.8, 40], { basic: true }),
    length('C', 'Clearance', 'Kept clear round the head', [0, 10], { derived: 'exact 0.5', basic: true }),
    length('A', 'Head height', 'Board to top of the head', [0.2, 20], { derived: 'typ 2', basic: true }),
    count('v', 'Vias', 'Vias in the ring round a plated hole', [3, 40], { derived: '8', when: hasVias }),
    length('hv', 'Via hole', 'Finished hole of one via', [0.15, 1.5], {
      derived: 'exact 0.3',
      when: hasVias,
    }),
  ],
  options: [
    {
      id: 'hole',
      name: 'Hole',
      choices: [
        { id: 'non-plated', name: 'without copper' },
        { id: 'plated', name: 'plated, land under the head' },
        { id: 'vias', name: 'plated, with a ring of vias' },
      ],
    },
  ],
  example: { H: '2.7', D: '5.0', A: '2.0' },
  // clearance holes, largest heads and washers; a head on a washer stands as high as both
  outlines: outlines(
    'H W D A',
    'M1.6 | ISO 273 fine, head ISO 7045 | 1.7 | 1.6 | 3.2 | 1.3',
    'M2 | ISO 273 fine, head ISO 7045 | 2.2 | 2.0 | 4.0 | 1.6',
    'M2.5 | ISO 273 fine, head ISO 7045 | 2.7 | 2.5 | 5.0 | 2.1',
    'M3 | ISO 273 fine, head ISO 7045 | 3.2 | 3.0 | 5.6 | 2.4',
    'M4 | ISO 273 fine, head ISO 7045 | 4.3 | 4.0 | 8.0 | 3.1',
    'M5 | ISO 273 fine, head ISO 7045 | 5.3 | 5.0 | 9.5 | 3.7',
    'M1.6 with washer | ISO 273 medium, ISO 7089, ISO 7045 | 1.8 | 1.6 | 4.0 | 1.6',
    'M2 with washer | ISO 273 medium, ISO 7089, ISO 7045 | 2.4 | 2.0 | 5.0 | 1.9',
    'M2.5 with washer | ISO 273 medium, ISO 7089, ISO 7045 | 2.9 | 2.5 | 6.0 | 2.6',
    'M3 with washer | ISO 273 medium, ISO 7089, ISO 7045 | 3.4 | 3.0 | 7.0 | 2.9',
    'M4 with washer | ISO 273 medium, ISO 7089, ISO 7045 | 4.5 | 4.0 | 9.0 | 3.9',
    'M5 with washer | ISO 273 medium, ISO 7089, ISO 7045 | 5.5 | 5.0 | 10.0 | 4.7',
    'M1.6 socket head | ISO 273 fine, head ISO 4762 | 1.7 | 1.6 | 3.0 | 1.6',
    'M2 socket head | ISO 273 fine, head ISO 4762 | 2.2 | 2.0 | 3.8 | 2.0',
    'M2.5 socket head | ISO 273 fine, head ISO 4762 | 2.7 | 2.5 | 4.5 | 2.5',
    'M3 socket head | ISO 273 fine, head ISO 4762 | 3.2 | 3.0 | 5.5 | 3.0',
    'M4 socket head | ISO 273 fine, head ISO 4762 | 4.3 | 4.0 | 7.0 | 4.0',
    'M5 socket head | ISO 273 fine, head ISO 4762 | 5.3 | 5.0 | 8.5 | 5.0',
  ),
  terminals: (d, options) => (options['hole'] === 'non-plated' ? [] : [landed(d, options)]),
  bores: (d, options) =>
    options['hole'] === 'non-plated' ? [{ at: { x: 0, y: 0 }, diameter: d.H.nom }] : [],
  keepOuts: (d) => [
    {
      figure: { kind: 'round', diameter: d.D.max + 2 * d.C.nom },
      at: { x: 0, y: 0 },
      rotation: 0,
      why: 'screw head and its clearance',
    },
  ],
  body: (d) => ({
    x: d.D,
    y: d.D,
    standoff: exactly(0),
    height: d.A,
    mount: 'through',
    outline: outlineOf({ kind: 'round', diameter: d.D.nom }),
  }),
  solids: (d): Assembly => ({
    shapes: {
      head: standingCylinder(d.D.nom, 0, d.A.nom),
      shank: standingCylinder(Math.min(d.W.nom, d.H.nom), -4, 0),
    },
    parts: [centred('shank', 'metal'), centred('head', 'metal')],
  }),
  dimensionLines: (d) => [
    line('H', 'plan', 'top', [-d.H.nom / 2, 0], [d.H.nom / 2, 0]),
    line('D', 'plan', 'top', [-d.D.nom / 2, 0], [d.D.nom / 2, 0], 1),
    line('A', 'front', 'right', [d.D.nom / 2, 0], [d.D.nom / 2, d.A.nom]),
    line('W', 'front', 'bottom', [-d.W.nom / 2, -1], [d.W.nom / 2, -1]),
  ],
  name: (d, options) => {
    const plated = options['hole'] !== 'non-plated';
    return [
      plated ? 'MTGP' : 'MTGNP',
      hundredths(plated ? 'D' : 'H', plated ? d.D.nom : d.H.nom),
      'H',
      hundredths('H', d.H.nom),
      ...(options['hole'] === 'vias' ? ['V', counted('v', d.v.nom)] : []),
      WITHOUT_LEVEL,
    ];
  },
  polarised: () => false,
  plausibility: [
    fitsInside<Symbol>(
      'screw-hole',
      { words: 'Screw W', symbols: ['W'], of: (d) => d.W.nom },
      { words: 'the hole', symbol: 'H' },
    ),
    fitsInside<Symbol>(
      'hole-head',
      { words: 'Hole H', symbols: ['H'], of: (d) => d.H.nom + 0.4 },
      { words: 'the screw head with its bearing', symbol: 'D' },
    ),
  ],
});

/** The plated hole with a land as large as the head; vias stand in the middle of the ring. */
function landed(d: Values, options: Options): PinGroup {
  const radius = (d.H.nom + d.D.nom) / 4;
  const vias = Array.from({ length: d.v.nom }, (_, i) => {
    const angle = (2 * Math.PI * i) / d.v.nom;
    return {
      x: radius * Math.cos(angle),
      y: radius * Math.sin(angle),
      hole: d.hv.nom,
      land: d.hv.nom + 0.3,
    };
  });
  return pinsAt([{ x: 0, y: 0 }], roundPin(d.W), {
    title: 'Plated hole',
    stated: { hole: d.H.nom, land: d.D.nom },
    ...(options['hole'] === 'vias' ? { vias } : {}),
  });
}
