import { block, type Assembly } from '../../geometry/solid';
import { exactly } from '../../units/toleranced';
import { length } from '../declare';
import { line } from '../lines';
import { HEIGHT, leads, PITCH } from '../dimensions';
import { defineFamily } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, Options } from '../definitions';
import { byX, counted, hundredths } from '../naming';
import { fitsPitch } from '../plausibility/counts';
import { rowAgainstBody } from '../plausibility/row';
import { dualGroup, evenRow } from '../rows';
import { bodyPart } from '../shapes/leads';
import { notched, padParts, prism } from '../shapes/terminals';
import type { SpanGroup } from '../terminal';
import { chosenComponent, componentOption, type Component } from '../two-terminal';

type Symbol = 'n' | 'e' | 'E' | 'D' | 'L' | 'b' | 'A';
type Values = Dimensions<Symbol>;

const COMPONENTS: readonly Component[] = [
  { id: 'resistor', name: 'Resistors', prefix: 'RESCA', polarised: false },
  { id: 'capacitor', name: 'Capacitors', prefix: 'CAPCA', polarised: false },
  { id: 'inductor', name: 'Inductors', prefix: 'INDCA', polarised: false },
];

/** Letter of the terminal shape in the name. */
const SHAPES = [
  { id: 'concave', name: 'concave, notches between' },
  { id: 'convex', name: 'convex: terminals stand out of the side' },
  { id: 'flat', name: 'flat: terminals flush with the side' },
] as const;
const LETTERS: Readonly<Record<string, string>> = { concave: 'V', convex: 'X', flat: 'F' };

/** Metallisation thickness, mm. */
const METAL = 0.02;

export const chipArray = defineFamily<Symbol>({
  id: 'chip-array',
  type: 'NETWORK',
  title: 'Chip array',
  summary: 'Several chip elements in one ceramic body: concave, convex or flat terminals.',
  keywords: ['array', 'network', 'chip', 'resistors', 'capacitors', 'concave', 'convex', 'flat', 'two rows'],
  dimensions: [
    { ...leads(4, 32), name: 'Terminals' },
    PITCH,
    length('E', 'Width', 'Over the terminals, from one row to the other', [0.4, 12]),
    length('D', 'Length', 'Over the body, along the rows', [0.5, 30]),
    length('L', 'Terminal length', 'Under the body, from the edge inwards', [0.05, 3]),
    length('b', 'Terminal width', 'Width of one terminal', [0.05, 4]),
    HEIGHT,
  ],
  options: [
    componentOption(COMPONENTS),
    { id: 'shape', name: 'Terminals', choices: SHAPES.map(({ id, name }) => ({ id, name })) },
  ],
  example: { n: '8', e: '0.8', E: '1.5..1.7', D: '3.0..3.4', L: '0.2..0.4', b: '0.4..0.6', A: 'max 0.6' },
  outlines: outlines(
    'n e E D L b A',
    '4 elements, 3.2 × 1.6 | - | 8 | 0.8 | 1.5..1.7 | 3.0..3.4 | 0.2..0.4 | 0.4..0.6 | max 0.6',
    '4 elements, 2.0 × 1.0 | - | 8 | 0.5 | 0.9..1.1 | 1.9..2.1 | 0.15..0.35 | 0.2..0.4 | max 0.5',
    '2 elements, 1.6 × 1.6 | - | 4 | 0.8 | 1.5..1.7 | 1.5..1.7 | 0.2..0.4 | 0.4..0.6 | max 0.6',
  ),
  terminals: rows,
  body: (d) => ({ x: d.E, y: d.D, standoff: exactly(0), height: d.A }),
  solids,
  dimensionLines: (d) => {
    const [x, y] = [d.E.nom / 2, d.D.nom / 2];
    const first = ((d.n.nom / 2 - 1) / 2) * d.e.nom;
    return [
      line('E', 'plan', 'top', [-x, y], [x, y]),
      line('D', 'plan', 'right', [x, -y], [x, y]),
      line('e', 'plan', 'left', [-x, first - d.e.nom], [-x, first]),
      line('b', 'plan', 'left', [-x, -first - d.b.nom / 2], [-x, -first + d.b.nom / 2]),
      line('L', 'front', 'bottom', [x - d.L.nom, 0], [x, 0]),
      line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
    ];
  },
  name: (d, options) => [
    `${chosenComponent(COMPONENTS, options).prefix}${LETTERS[options['shape'] ?? 'concave'] ?? 'V'}`,
    hundredths('e', d.e.nom),
    'P',
    ...byX(['D', d.D.nom], ['E', d.E.nom], ['A', d.A.max]),
    '-',
    counted('n', d.n.nom),
  ],
  polarised: () => true,
  plausibility: [
    rowAgainstBody<Symbol>('D', (d) => ({ places: d.n.nom / 2, pitch: d.e.nom, width: d.b.nom })),
    fitsPitch<Symbol>('b', 'e', 'Terminal width'),
  ],
});

function rows(d: Values): SpanGroup[] {
  return [dualGroup(d.n.nom, d.e.nom, { form: 'chip-array', span: d.E, length: d.L, width: d.b })];
}

/** Concave bodies have notches between the terminals; convex ones end before their terminals do. */
function solids(d: Values, options: Options): Assembly {
  const [group] = rows(d) as [SpanGroup];
  const top = Math.max(d.A.nom, 4 * METAL);
  const shape = options['shape'];
  const out = shape === 'convex' ? Math.min(0.1, d.L.nom / 2) : 0;
  const width = d.E.nom - 2 * (METAL + out);
  const gap = Math.max(0, d.e.nom - d.b.nom);
  const between = evenRow(d.n.nom / 2 - 1, d.e.nom);
  const notches =
    shape === 'concave'
      ? (['left', 'right'] as const).flatMap((side) =>
          between.map((along) => ({ side, along, radius: Math.min(gap * 0.45, d.L.nom * 0.6) })),
        )
      : [];
  return {
    shapes: {
      body: prism(
        notched(
          Math.max(width, 0.1),
          d.D.nom,
          notches.filter(({ radius }) => radius > 0.01),
        ),
        METAL,
        top - METAL,
      ),
      terminal: block(d.L.nom, d.b.nom, 0, METAL),
      cap: block(d.L.nom, d.b.nom, top - METAL, top),
      side: block(METAL + out, d.b.nom, METAL, top - METAL),
    },
    parts: [
      ...padParts(group, 'terminal', (d.E.nom - d.L.nom) / 2),
      ...padParts(group, 'cap', (d.E.nom - d.L.nom) / 2).map((part) => ({
        ...part,
        name: `${part.name} top`,
      })),
      ...padParts(group, 'side', (d.E.nom - METAL - out) / 2).map((part) => ({
        ...part,
        name: `${part.name} side`,
      })),
      bodyPart('ceramic'),
    ],
  };
}
