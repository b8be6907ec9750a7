import { block, type Assembly, type Shape } from '../../geometry/solid';
import { rectangle, type Figure } from '../../geometry/figure';
import { length } from '../declare';
import { line } from '../lines';
import { HEIGHT } from '../dimensions';
import { defineFamily, type FamilyDefinition } from '../family';
import { outlines } from '../outlines';
import type { Dimensions, OptionDefinition, Options } from '../definitions';
import {
  firstPlace,
  GRID_OPTIONS,
  gridPitch,
  gridPlaces,
  gridSizes,
  LAYOUT_DIMENSIONS,
  MATRIX_DIMENSIONS,
  MATRIX_RULES,
  matrixLines,
  type GridSymbol,
} from '../grid';
import { byX, counted, hundredths } from '../naming';
import { fitsPitch } from '../plausibility/counts';
import { ball, standingCylinder } from '../shapes/round';
import { HOME, type SpotForm, type SpotGroup } from '../terminal';

type Symbol = GridSymbol | 'b' | 'A' | 'A1';
type Values = Dimensions<Symbol>;

/** What tells the three grids from one another. */
interface GridKind {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly keywords: readonly string[];
  readonly prefix: string;
  /** What the terminals are called, and how they are measured. */
  readonly terminal: string;
  readonly help: string;
  readonly options: readonly OptionDefinition[];
  readonly example: Partial<Record<Symbol, string>>;
  readonly outlines: FamilyDefinition<Symbol>['outlines'];
  readonly form: (options: Options) => SpotForm;
  /** Letter after the count in the name. */
  readonly letter: (options: Options) => string;
  readonly shape: (d: Values, options: Options) => Shape;
  readonly standoff: boolean;
}

function defineGrid(kind: GridKind) {
  return defineFamily<Symbol>({
    id: kind.id,
    title: kind.title,
    summary: kind.summary,
    keywords: [...kind.keywords, 'grid', 'array', 'full', 'perimeter', 'staggered'],
    dimensions: [
      ...MATRIX_DIMENSIONS,
      length('b', kind.terminal, kind.help, [0.08, 3]),
      HEIGHT,
      ...(kind.standoff
        ? [length('A1', 'Standoff', 'Height of the terminals below the body', [0.02, 5])]
        : [
            length('A1', 'Standoff', 'Seating plane to underside of body', [0, 1], { derived: 'exact 0.02' }),
          ]),
      ...LAYOUT_DIMENSIONS,
    ],
    options: [...kind.options, ...GRID_OPTIONS],
    example: kind.example,
    ...(kind.outlines ? { outlines: kind.outlines } : {}),
    terminals: (d, options) => [group(kind, d, options)],
    body: (d, options) => ({
      x: d.E,
      y: d.D,
      standoff: d.A1,
      height: d.A,
      ...(kind.form(options) === 'collapsing-ball' ? { collapsing: d.b.nom } : {}),
    }),
    solids: (d, options): Assembly => ({
      shapes: {
        terminal: kind.shape(d, options),
        substrate: block(d.E.nom, d.D.nom, d.A1.nom, split(d)),
        body: block(d.E.nom * 0.94, d.D.nom * 0.94, split(d), Math.max(d.A.nom, split(d) + 0.05)),
      },
      parts: [
        ...gridPlaces(d, options).map(({ number = '', at }) => ({
          name: `terminal ${number}`,
          shape: 'terminal',
          material: 'metal' as const,
          at: { x: at.x, y: at.y, z: 0 },
          rotation: 0 as const,
        })),
        { name: 'substrate', shape: 'substrate', material: 'ceramic', at: { x: 0, y: 0, z: 0 }, rotation: 0 },
        { name: 'body', shape: 'body', material: 'moulding', at: { x: 0, y: 0, z: 0 }, rotation: 0 },
      ],
    }),
    dimensionLines: (d) => {
      const x = d.E.nom / 2;
      const { left } = firstPlace(d);
      return [
        ...matrixLines(d),
        line('b', 'front', 'bottom', [left - d.b.nom / 2, 0], [left + d.b.nom / 2, 0]),
        line('A', 'front', 'right', [x, 0], [x, d.A.nom]),
        line('A1', 'front', 'left', [-x, 0], [-x, d.A1.nom]),
      ];
    },
    name: (d, options) => [
      kind.prefix,
      counted('n', gridPlaces(d, options).length),
      `${kind.letter(options)}`,
      hundredths('e', d.e.nom),
      'P',
      counted('nE', d.nE.nom),
      'X',
      counted('nD', d.nD.nom),
      '_',
      ...byX(['E', d.E.nom], ['D', d.D.nom], ['A', d.A.max]),
    ],
    polarised: () => true,
    plausibility: [
      ...MATRIX_RULES,
      fitsPitch<Symbol>('b', 'e', kind.terminal),
      fitsPitch<Symbol>('b', 'eD', kind.terminal),
    ],
  });
}

/** Height at which substrate and mould compound meet. */
function split(d: Values): number {
  const room = Math.max(d.A.nom - d.A1.nom, 0.1);
  return d.A1.nom + Math.min(room * 0.35, 0.6);
}

function group(kind: GridKind, d: Values, options: Options): SpotGroup {
  const square = options['land'] === 'square';
  const at = (limit: 'min' | 'nom' | 'max'): Figure =>
    square ? rectangle(d.b[limit], d.b[limit]) : { kind: 'round', diameter: d.b[limit] };
  const sizes = gridSizes(d);
  return {
    kind: 'spot',
    id: 'grid',
    title: 'Grid',
    frame: HOME,
    form: kind.form(options),
    contact: { min: at('min'), nom: at('nom'), max: at('max') },
    pitch: gridPitch(sizes, options),
    places: gridPlaces(d, options),
  };
}

const collapsing = (options: Options) => options['ball'] !== 'keeps';

export const ballGrid = defineGrid({
  id: 'ball-grid',
  title: 'Ball grid',
  summary:
    'Moulded package on a substrate with solder balls under it (BGA): full, perimeter, hollow or staggered.',
  keywords: ['BGA', 'FBGA', 'CSP', 'ball', 'solder ball', 'collapsing'],
  prefix: 'BGA',
  terminal: 'Ball diameter',
  help: 'Diameter of one ball before soldering',
  options: [
    {
      id: 'ball',
      name: 'Balls',
      choices: [
        { id: 'collapses', name: 'collapse when soldered' },
        { id: 'keeps', name: 'keep their shape' },
      ],
    },
  ],
  example: { nE: '12', e: '0.8', E: '9.9..10.1', b: '0.45..0.55', A: 'max 1.4', A1: '0.35..0.45' },
  outlines: outlines(
    'nE e E b A A1',
    '64 balls, 8 × 8, pitch 0.8 | - | 8 | 0.8 | 7.9..8.1 | 0.40..0.50 | max 1.2 | 0.27..0.37',
    '100 balls, 10 × 10, pitch 0.8 | - | 10 | 0.8 | 8.9..9.1 | 0.40..0.50 | max 1.2 | 0.27..0.37',
    '144 balls, 12 × 12, pitch 1.0 | - | 12 | 1.0 | 12.9..13.1 | 0.50..0.70 | max 1.7 | 0.35..0.50',
    '256 balls, 16 × 16, pitch 1.0 | - | 16 | 1.0 | 16.9..17.1 | 0.50..0.70 | max 1.9 | 0.35..0.50',
    '484 balls, 22 × 22, pitch 1.0 | - | 22 | 1.0 | 22.8..23.2 | 0.50..0.70 | max 2.4 | 0.35..0.60',
  ),
  form: (options) => (collapsing(options) ? 'collapsing-ball' : 'non-collapsing-ball'),
  letter: (options) => (collapsing(options) ? 'C' : 'N'),
  shape: (d) => ball(d.b.nom, Math.min(d.A1.nom, d.b.nom)),
  standoff: true,
});

export const columnGrid = defineGrid({
  id: 'column-grid',
  title: 'Column grid',
  summary: 'Ceramic package with solder columns under it (CGA).',
  keywords: ['CGA', 'CCGA', 'column', 'solder column', 'ceramic'],
  prefix: 'CGA',
  terminal: 'Column diameter',
  help: 'Diameter of one column',
  options: [],
  example: { nE: '10', e: '1.27', E: '13.8..14.2', b: '0.46..0.56', A: 'max 5.2', A1: '2.1..2.3' },
  outlines: outlines(
    'nE e E b A A1',
    '361 columns, 19 × 19, pitch 1.27 | - | 19 | 1.27 | 24.8..25.2 | 0.46..0.56 | max 5.5 | 2.1..2.3',
  ),
  form: () => 'column',
  letter: () => 'C',
  shape: (d) => standingCylinder(d.b.nom, 0, d.A1.nom),
  standoff: true,
});

export const landGrid = defineGrid({
  id: 'land-grid',
  title: 'Land grid',
  summary: 'Package with flat lands under it and no balls (LGA).',
  keywords: ['LGA', 'land', 'flat', 'no-lead', 'module'],
  prefix: 'LGA',
  terminal: 'Land size',
  help: 'Diameter or side of one land of the package',
  options: [
    {
      id: 'land',
      name: 'Lands',
      choices: [
        { id: 'round', name: 'round' },
        { id: 'square', name: 'square' },
      ],
    },
  ],
  example: { nE: '8', nD: '6', e: '0.65', E: '5.9..6.1', D: '4.4..4.6', b: '0.30..0.40', A: 'max 0.9' },
  outlines: outlines(
    'nE e E b A',
    '16 lands, 4 × 4, pitch 0.65 | - | 4 | 0.65 | 2.9..3.1 | 0.30..0.40 | max 1.0',
    '64 lands, 8 × 8, pitch 0.65 | - | 8 | 0.65 | 5.9..6.1 | 0.30..0.40 | max 1.0',
  ),
  form: () => 'land-grid',
  letter: () => 'R',
  shape: (d, options) =>
    options['land'] === 'square'
      ? block(d.b.nom, d.b.nom, 0, Math.max(d.A1.nom, 0.01))
      : standingCylinder(d.b.nom, 0, Math.max(d.A1.nom, 0.01)),
  standoff: false,
});
