import { arcOf, placedOutline, pointsOf, type Corner, type Scene, type SceneLand } from './scenes';
import { fixed, type Hand, type Written } from './written';

// Drawings as programs of mechanics and of plotting save them, each land by another kind of entity.

type Codes = readonly (string | number)[];

const real = (value: number) => fixed(value, 9);
const file = (...codes: Codes) => `${codes.join('\n')}\n`;
const section = (name: string, codes: Codes): Codes => [0, 'SECTION', 2, name, ...codes, 0, 'ENDSEC'];
const UNITS = { mm: 4, in: 1, cm: 5, um: 13, none: 0 } as const;
type Unit = keyof typeof UNITS;

interface Sheet {
  readonly unit?: Unit;
  readonly version?: string;
  readonly tables?: Codes;
  readonly blocks?: Codes;
}

function drawing(
  entities: Codes,
  { unit = 'mm', version = 'AC1015', tables = [], blocks = [] }: Sheet = {},
): string {
  const header: Codes = [
    9,
    '$ACADVER',
    1,
    version,
    ...(unit === 'none' ? [] : [9, '$INSUNITS', 70, UNITS[unit]]),
  ];
  return file(
    ...section('HEADER', header),
    ...(tables.length > 0 ? section('TABLES', tables) : []),
    ...(blocks.length > 0 ? section('BLOCKS', blocks) : []),
    ...section('ENTITIES', entities),
    0,
    'EOF',
  );
}

const scaled = (outline: readonly Corner[], by: number): Corner[] =>
  outline.map(([x, y, bulge]) => [x * by, y * by, bulge]);

function light(layer: string, outline: readonly Corner[], more: Codes = []): Codes {
  const corners = outline.flatMap(([x, y, bulge]) => [
    10,
    real(x),
    20,
    real(y),
    ...(bulge === 0 ? [] : [42, real(bulge)]),
  ]);
  return [
    0,
    'LWPOLYLINE',
    100,
    'AcDbEntity',
    8,
    layer,
    100,
    'AcDbPolyline',
    90,
    outline.length,
    70,
    1,
    ...more,
    ...corners,
  ];
}

function old(layer: string, outline: readonly Corner[]): Codes {
  return [
    0,
    'POLYLINE',
    8,
    layer,
    66,
    1,
    70,
    1,
    ...outline.flatMap(([x, y, bulge]) => [
      0,
      'VERTEX',
      8,
      layer,
      10,
      real(x),
      20,
      real(y),
      ...(bulge === 0 ? [] : [42, real(bulge)]),
    ]),
    0,
    'SEQEND',
  ];
}

const circle = (layer: string, x: number, y: number, d: number): Codes => [
  0,
  'CIRCLE',
  8,
  layer,
  10,
  real(x),
  20,
  real(y),
  40,
  real(d / 2),
];

/** Lines and arcs, in no order and from either end. */
function loose(layer: string, outline: readonly Corner[], gap = 0): Codes {
  const parts = outline.map(([x, y, bulge], i): Codes => {
    const [bx, by] = outline[(i + 1) % outline.length] as Corner;
    if (bulge === 0)
      return i % 2 === 0
        ? [0, 'LINE', 8, layer, 10, real(x + gap), 20, real(y), 11, real(bx), 21, real(by)]
        : [0, 'LINE', 8, layer, 10, real(bx), 20, real(by), 11, real(x + gap), 21, real(y)];
    const { cx, cy, r, from, sweep } = arcOf([x, y], [bx, by], bulge);
    const degrees = (angle: number) => real((((angle * 180) / Math.PI) % 360) + (angle < 0 ? 360 : 0));
    const [start, end] = sweep > 0 ? [from, from + sweep] : [from + sweep, from];
    return [
      0,
      'ARC',
      8,
      layer,
      10,
      real(cx),
      20,
      real(cy),
      40,
      real(r),
      50,
      degrees(start),
      51,
      degrees(end),
    ];
  });
  return [...parts.filter((_, i) => i % 2 === 1), ...parts.filter((_, i) => i % 2 === 0)].flat();
}

const text = (layer: string, x: number, y: number, words: string): Codes => [
  0,
  'TEXT',
  8,
  layer,
  10,
  real(x),
  20,
  real(y),
  40,
  0.2,
  1,
  words,
];

const holesOf = (scene: Scene, layer: string, by = 1): Codes => [
  ...scene.lands.flatMap(({ x, y, hole, slot }) =>
    hole === undefined
      ? []
      : slot === undefined
        ? circle(layer, x * by, y * by, hole * by)
        : light(
            layer,
            scaled(placedOutline({ number: '', x, y, shape: { kind: 'oblong', w: slot, h: hole } }), by),
          ),
  ),
  ...scene.pegs.flatMap(({ x, y, d }) => circle(layer, x * by, y * by, d * by)),
];
const numbersOf = ({ lands }: Scene, layer: string, by = 1): Codes =>
  lands.flatMap(({ number, x, y }) => (number === '' ? [] : text(layer, x * by, y * by, number)));

const flat = (scene: Scene) => scene.lands.every(({ far }) => !far);
const all = ['numbers', 'holes', 'pegs'] as const;
const made = (
  name: string,
  content: string,
  says: Written['says'] = all,
  more: Partial<Written> = {},
): Written => ({
  files: [{ name, text: content }],
  says,
  ...more,
});
const eachLand = ({ lands }: Scene, draw: (land: SceneLand) => Codes): Codes => lands.flatMap(draw);

/** A name for each shape, so that equal lands share a block. */
const shapeKey = ({ shape, turn = 0 }: SceneLand) =>
  `P${JSON.stringify([shape, turn]).replace(/[^0-9a-z]+/gi, '_')}`;

function blocksOf(scene: Scene, layer: string, by: number): Codes {
  const known = new Map<string, Codes>();
  for (const land of scene.lands)
    known.set(shapeKey(land), light(layer, scaled(placedOutline({ ...land, x: 0, y: 0 }), by)));
  return [...known].flatMap(([name, content]) => [
    0,
    'BLOCK',
    8,
    '0',
    2,
    name,
    70,
    0,
    10,
    0,
    20,
    0,
    ...content,
    0,
    'ENDBLK',
  ]);
}
const insert = (name: string, layer: string, x: number, y: number, more: Codes = []): Codes => [
  0,
  'INSERT',
  8,
  layer,
  2,
  name,
  10,
  real(x),
  20,
  real(y),
  ...more,
];
const layerEntry = (name: string, flags: number, colour: number): Codes => [
  0,
  'LAYER',
  2,
  name,
  70,
  flags,
  62,
  colour,
  6,
  'CONTINUOUS',
];
const isConvexQuad = (scene: Scene) => flat(scene) && scene.lands.every(({ shape }) => shape.kind === 'rect');

export const DRAWINGS: readonly Hand[] = [
  {
    name: 'dxf light polylines',
    can: flat,
    write: (scene) =>
      made(
        'pattern.dxf',
        drawing([
          ...eachLand(scene, (land) => light('Lands', placedOutline(land))),
          ...numbersOf(scene, 'Numbers'),
          ...holesOf(scene, 'Holes'),
        ]),
      ),
  },
  {
    name: 'dxf old polylines in inches, German layers',
    can: flat,
    write: (scene) =>
      made(
        'muster.dxf',
        drawing(
          [
            ...eachLand(scene, (land) => old('KUPFER', scaled(placedOutline(land), 1 / 25.4))),
            ...holesOf(scene, 'BOHRUNGEN', 1 / 25.4),
            ...numbersOf(scene, 'TEXT', 1 / 25.4),
          ],
          { unit: 'in', version: 'AC1009' },
        ),
      ),
  },
  {
    name: 'dxf loose lines and arcs',
    can: flat,
    write: (scene) =>
      made(
        'loose.dxf',
        drawing([
          ...eachLand(scene, (land) => loose('pads', placedOutline(land))),
          ...holesOf(scene, 'drill'),
          ...numbersOf(scene, 'pin numbers'),
        ]),
      ),
  },
  {
    name: 'dxf blocks',
    can: flat,
    write: (scene) =>
      made(
        'blocks.dxf',
        drawing(
          [
            ...eachLand(scene, (land) => insert(shapeKey(land), 'PADS', land.x, land.y)),
            ...holesOf(scene, 'HOLES'),
            ...numbersOf(scene, 'NUMBERS'),
          ],
          { blocks: blocksOf(scene, 'PADS', 1) },
        ),
      ),
  },
  {
    name: 'dxf block of all, mirrored and turned',
    can: flat,
    write: (scene) => {
      // drawn mirrored and a quarter turned, and put back by how it is inserted
      const back = ([x, y, bulge]: Corner): Corner => [-y, -x, -bulge];
      const content: Codes = [
        ...eachLand(scene, (land) => light('lands', placedOutline(land).map(back))),
        ...scene.pegs.flatMap(({ x, y, d }) => circle('holes', -y, -x, d)),
      ];
      return made(
        'mirrored.dxf',
        drawing(insert('ALL', 'lands', 0, 0, [41, -1, 42, 1, 50, 90]), {
          blocks: [0, 'BLOCK', 8, '0', 2, 'ALL', 70, 0, 10, 0, 20, 0, ...content, 0, 'ENDBLK'],
        }),
        ['pegs'],
      );
    },
  },
  {
    name: 'dxf solids',
    can: isConvexQuad,
    write: (scene) =>
      made(
        'solids.dxf',
        drawing([
          ...eachLand(scene, (land) => {
            const [a, b, c, d] = placedOutline(land) as [Corner, Corner, Corner, Corner];
            return [
              0,
              'SOLID',
              8,
              'CUIVRE',
              10,
              real(a[0]),
              20,
              real(a[1]),
              11,
              real(b[0]),
              21,
              real(b[1]),
              12,
              real(d[0]),
              22,
              real(d[1]),
              13,
              real(c[0]),
              23,
              real(c[1]),
            ];
          }),
          ...numbersOf(scene, 'TEXTE'),
          ...holesOf(scene, 'TROUS'),
        ]),
      ),
  },
  {
    name: 'dxf hatches by polylines',
    can: flat,
    write: (scene) =>
      made(
        'hatched.dxf',
        drawing([
          ...eachLand(scene, (land) => {
            const outline = placedOutline(land);
            return [
              0,
              'HATCH',
              8,
              'COBRE',
              10,
              0,
              20,
              0,
              30,
              0,
              2,
              'SOLID',
              70,
              1,
              71,
              0,
              91,
              1,
              92,
              7,
              72,
              outline.some(([, , bulge]) => bulge !== 0) ? 1 : 0,
              73,
              1,
              93,
              outline.length,
              ...outline.flatMap(([x, y, bulge]) => [
                10,
                real(x),
                20,
                real(y),
                ...(outline.some(([, , one]) => one !== 0) ? [42, real(bulge)] : []),
              ]),
              97,
              0,
              75,
              0,
              76,
              1,
              98,
              0,
            ];
          }),
          ...numbersOf(scene, 'TEXTO'),
          ...holesOf(scene, 'TALADROS'),
        ]),
      ),
  },
  {
    name: 'dxf wide lines',
    can: (scene) =>
      flat(scene) && scene.lands.every(({ shape, turn, hole }) => shape.kind === 'rect' && !turn && !hole),
    write: (scene) =>
      made(
        'wide.dxf',
        drawing([
          ...eachLand(scene, ({ x, y, shape }) => {
            const { w, h } = shape as { w: number; h: number };
            return [
              0,
              'LWPOLYLINE',
              8,
              'copper',
              90,
              2,
              70,
              0,
              43,
              real(h),
              10,
              real(x - w / 2),
              20,
              real(y),
              10,
              real(x + w / 2),
              20,
              real(y),
            ];
          }),
          ...numbersOf(scene, 'numbers'),
          ...holesOf(scene, 'holes'),
        ]),
      ),
  },
  {
    name: 'dxf drawn from below by its extrusion',
    can: flat,
    write: (scene) =>
      made(
        'below.dxf',
        drawing([
          ...eachLand(scene, (land) =>
            light(
              'Lands',
              placedOutline(land).map(([x, y, b]): Corner => [-x, y, -b]),
              [210, 0, 220, 0, 230, -1],
            ),
          ),
          ...scene.pegs.flatMap(({ x, y, d }) => [...circle('Holes', -x, y, d), 210, 0, 220, 0, 230, -1]),
        ]),
        ['pegs'],
      ),
  },
  {
    name: 'dxf with paper space, layers off and frozen',
    can: flat,
    write: (scene) =>
      made(
        'layers.dxf',
        drawing(
          [
            ...eachLand(scene, (land) => light('pads', placedOutline(land))),
            ...eachLand(scene, (land) => light('old pads', placedOutline({ ...land, x: land.x + 9 }))),
            ...eachLand(scene, (land) => light('spare pads', placedOutline({ ...land, y: land.y + 9 }))),
            ...light(
              'pads',
              placedOutline({ number: '', x: 30, y: 30, shape: { kind: 'rect', w: 50, h: 40 } }),
              [67, 1],
            ),
            ...numbersOf(scene, 'numbers'),
            ...holesOf(scene, 'holes'),
          ],
          {
            tables: [
              0,
              'TABLE',
              2,
              'LAYER',
              70,
              4,
              ...layerEntry('pads', 0, 1),
              ...layerEntry('old pads', 1, 2),
              ...layerEntry('spare pads', 0, -3),
              ...layerEntry('numbers', 0, 7),
              0,
              'ENDTAB',
            ],
          },
        ),
      ),
  },
  {
    name: 'dxf without a unit, said to be inches',
    can: flat,
    write: (scene) =>
      made(
        'plain.dxf',
        drawing(
          [
            ...eachLand(scene, (land) => light('pads', scaled(placedOutline(land), 1 / 25.4))),
            ...holesOf(scene, 'holes', 1 / 25.4),
            ...numbersOf(scene, 'numbers', 1 / 25.4),
          ],
          { unit: 'none' },
        ),
        all,
        { asked: { unit: 'in' } },
      ),
  },
  // from here on kept apart
  {
    name: 'dxf rows of blocks',
    isApart: true,
    can: (scene) => scene.name === 'grid',
    write: (scene) => {
      const [land] = scene.lands as [SceneLand];
      const first = scene.lands.at(-4) as SceneLand;
      return made(
        'rows.dxf',
        drawing(insert('BALL', '0', first.x, first.y, [70, 4, 71, 4, 44, 0.5, 45, 0.5]), {
          blocks: [
            0,
            'BLOCK',
            8,
            '0',
            2,
            'BALL',
            70,
            0,
            10,
            0,
            20,
            0,
            ...insert('DOT', 'lands', 0, 0, [41, 0.5, 42, 0.5]),
            0,
            'ENDBLK',
            0,
            'BLOCK',
            8,
            '0',
            2,
            'DOT',
            70,
            0,
            10,
            0,
            20,
            0,
            ...circle('lands', 0, 0, 2 * (land.shape as { w: number }).w),
            0,
            'ENDBLK',
          ],
        }),
        [],
      );
    },
  },
  {
    name: 'dxf ellipses and splines in centimetres',
    isApart: true,
    can: (scene) => ['grid', 'through'].includes(scene.name),
    write: (scene) =>
      made(
        'ellipses.dxf',
        drawing(
          [
            ...eachLand(scene, (land) =>
              land.shape.kind === 'oblong'
                ? [
                    0,
                    'ELLIPSE',
                    8,
                    'Cu',
                    10,
                    real(land.x * 0.1),
                    20,
                    real(land.y * 0.1),
                    30,
                    0,
                    11,
                    real(land.shape.w * 0.05),
                    21,
                    0,
                    31,
                    0,
                    40,
                    1,
                    41,
                    0,
                    42,
                    real(2 * Math.PI),
                  ]
                : light('Cu', scaled(placedOutline(land), 0.1)),
            ),
            ...holesOf(scene, 'Drill', 0.1),
            ...numbersOf(scene, 'Pin numbers', 0.1),
          ],
          { unit: 'cm' },
        ),
        all,
        { asked: { layers: { Cu: 'lands' } } as never },
      ),
  },
  {
    name: 'dxf hatches by edges',
    isApart: true,
    can: flat,
    write: (scene) =>
      made(
        'edges.dxf',
        drawing([
          ...eachLand(scene, (land) => {
            const outline = placedOutline(land);
            return [
              0,
              'HATCH',
              8,
              'rame',
              10,
              0,
              20,
              0,
              30,
              0,
              2,
              'SOLID',
              70,
              1,
              71,
              0,
              91,
              1,
              92,
              1,
              93,
              outline.length,
              ...outline.flatMap(([x, y, bulge], i): Codes => {
                const [bx, by] = outline[(i + 1) % outline.length] as Corner;
                if (bulge === 0) return [72, 1, 10, real(x), 20, real(y), 11, real(bx), 21, real(by)];
                const { cx, cy, r, from, sweep } = arcOf([x, y], [bx, by], bulge);
                const degrees = (angle: number) => real((angle * 180) / Math.PI);
                return [
                  72,
                  2,
                  10,
                  real(cx),
                  20,
                  real(cy),
                  40,
                  real(r),
                  50,
                  degrees(from),
                  51,
                  degrees(from + sweep),
                  73,
                  1,
                ];
              }),
              97,
              0,
              75,
              0,
              76,
              1,
              98,
              0,
            ];
          }),
          ...numbersOf(scene, 'testo'),
          ...holesOf(scene, 'fori'),
        ]),
      ),
  },
  {
    name: 'dxf loose lines that miss each other by a little',
    isApart: true,
    can: flat,
    write: (scene) =>
      made(
        'gaps.dxf',
        drawing([
          ...eachLand(scene, (land) => loose('Lands', placedOutline(land), 2e-5)),
          ...numbersOf(scene, 'Numbers'),
          ...holesOf(scene, 'Holes'),
        ]),
      ),
  },
  {
    name: 'dxf polylines whose first corner comes again, numbers as MTEXT',
    isApart: true,
    can: flat,
    write: (scene) =>
      made(
        'again.dxf',
        drawing([
          ...eachLand(scene, (land) => {
            const points = pointsOf(placedOutline(land), 1).map(([x, y]): Corner => [x, y, 0]);
            const [first] = points as [Corner];
            const corners = [...points, first].flatMap(([x, y]) => [10, real(x), 20, real(y)]);
            return [0, 'LWPOLYLINE', 8, 'pads', 90, points.length + 1, 70, 0, ...corners];
          }),
          ...scene.lands.flatMap(({ number, x, y }) =>
            number === ''
              ? []
              : [
                  0,
                  'MTEXT',
                  8,
                  'numbers',
                  10,
                  real(x),
                  20,
                  real(y),
                  40,
                  0.2,
                  71,
                  5,
                  1,
                  `{\\fArial|b0;${number}}`,
                ],
          ),
          ...holesOf(scene, 'holes'),
        ]),
      ),
  },
  {
    name: 'dxf lands as regions of a solid modeller',
    isApart: true,
    can: flat,
    write: (scene) =>
      made(
        'regions.dxf',
        drawing([
          ...eachLand(scene, () => [0, 'REGION', 8, 'Lands', 70, 1, 1, 'mnmoo o g o']),
          ...numbersOf(scene, 'Numbers'),
          ...holesOf(scene, 'Holes'),
        ]),
        all,
        { owed: true },
      ),
  },
  {
    name: 'dxf all on layer 0, the body among the lands',
    isApart: true,
    can: (scene) => ['dual', 'grid', 'repeated'].includes(scene.name),
    write: (scene) =>
      made(
        'zero.dxf',
        drawing([
          ...light('0', placedOutline({ number: '', x: 0, y: 0, shape: { kind: 'rect', w: 3.9, h: 4.9 } })),
          ...eachLand(scene, (land) => light('0', placedOutline(land))),
          ...numbersOf(scene, '0'),
        ]),
        ['numbers'],
        { owed: true },
      ),
  },
  {
    name: 'dxf each land drawn twice, hatched and outlined',
    isApart: true,
    can: flat,
    write: (scene) =>
      made(
        'twice.dxf',
        drawing([
          ...eachLand(scene, (land) => light('copper', placedOutline(land))),
          ...eachLand(scene, (land) => {
            const points = pointsOf(placedOutline(land), 3);
            return [
              0,
              'HATCH',
              8,
              'copper',
              10,
              0,
              20,
              0,
              30,
              0,
              2,
              'ANSI31',
              70,
              0,
              71,
              0,
              91,
              1,
              92,
              3,
              72,
              0,
              73,
              1,
              93,
              points.length,
              ...points.flatMap(([x, y]) => [10, real(x), 20, real(y)]),
              97,
              0,
              75,
              1,
              76,
              1,
              52,
              0,
              41,
              1,
              77,
              0,
              78,
              0,
              98,
              0,
            ];
          }),
          ...numbersOf(scene, 'numbers'),
          ...holesOf(scene, 'holes'),
        ]),
      ),
  },
  {
    name: 'dxf numbers beside the lands, in micrometres',
    isApart: true,
    can: (scene) => ['dual', 'through', 'turned'].includes(scene.name),
    write: (scene) =>
      made(
        'beside.dxf',
        drawing(
          [
            ...eachLand(scene, (land) => light('lands', scaled(placedOutline(land), 1000))),
            ...scene.lands.flatMap(({ number, x, y }) =>
              text('numbers', (x + Math.sign(x || 1) * 1.3) * 1000, y * 1000, number),
            ),
            ...holesOf(scene, 'holes', 1000),
          ],
          { unit: 'um' },
        ),
      ),
  },
  {
    name: 'dxf both sides, numbers on a layer for each',
    isApart: true,
    can: (scene) => scene.name === 'edge',
    write: (scene) =>
      made(
        'sides.dxf',
        drawing([
          ...scene.lands.flatMap((land) =>
            light(land.far ? 'Lands bottom' : 'Lands top', placedOutline(land)),
          ),
          ...scene.lands.flatMap(({ number, x, y, far }) =>
            text(far ? 'Numbers bottom' : 'Numbers top', x, y, number),
          ),
        ]),
        ['numbers'],
      ),
  },
];
