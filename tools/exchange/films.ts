import {
  arcOf,
  grown,
  placedOutline,
  pointsOf,
  windowsOf,
  type Corner,
  type Scene,
  type SceneLand,
} from './scenes';
import { fixed, type Hand, type Written } from './written';

// Films as board programs of several decades write them, and the drill files that belong to them.

type Film = { readonly name: string; readonly text: string };
type Layer = 'copper' | 'far' | 'mask' | 'paste';

/** What is flashed or drawn on a layer. */
interface Shown {
  readonly land: SceneLand;
  readonly grow: number;
}

const through = ({ hole }: SceneLand) => hole !== undefined;

function shownOn(scene: Scene, layer: Layer): Shown[] {
  const near = scene.lands.filter((land) => !land.far);
  if (layer === 'copper') return near.map((land) => ({ land, grow: 0 }));
  if (layer === 'far')
    return scene.lands.filter((land) => land.far || through(land)).map((land) => ({ land, grow: 0 }));
  if (layer === 'mask') return near.map((land) => ({ land, grow: scene.margin }));
  return near
    .filter((land) => !through(land))
    .flatMap((land) =>
      (windowsOf(land) ?? [null]).map((window) =>
        window
          ? {
              land: {
                number: '',
                x: window.x,
                y: window.y,
                shape: { kind: 'rect', w: window.w, h: window.h } as const,
              },
              grow: 0,
            }
          : { land, grow: 0 },
      ),
    );
}

/** Numbers of a film: in mm with six digits, or in inches with four, without zeros before or behind. */
interface Numbers {
  readonly unit: 'mm' | 'in';
  readonly digits: number;
  readonly whole: number;
  readonly drop: 'L' | 'T' | null;
}
const MM: Numbers = { unit: 'mm', digits: 6, whole: 4, drop: 'L' };

function number(value: number, { unit, digits, whole, drop }: Numbers): string {
  const scaled = Math.round((unit === 'in' ? value / 25.4 : value) * 10 ** digits);
  const sign = scaled < 0 ? '-' : '';
  const plain = String(Math.abs(scaled)).padStart(whole + digits, '0');
  if (drop === 'L') return sign + (plain.replace(/^0+/, '') || '0');
  if (drop === 'T') return sign + (plain.replace(/0+$/, '') || '0');
  return sign + plain;
}
const size = (value: number, { unit }: Numbers) => fixed(unit === 'in' ? value / 25.4 : value, 8);

function head(numbers: Numbers, more = ''): string {
  const { unit, digits, whole, drop } = numbers;
  return `${more}%FS${drop ?? 'L'}AX${whole}${digits}Y${whole}${digits}*%\n%MO${unit === 'in' ? 'IN' : 'MM'}*%\n`;
}

const FUNCTION: Readonly<Record<Layer, string>> = {
  copper: '%TF.FileFunction,Copper,L1,Top*%\n%TF.FilePolarity,Positive*%\n',
  far: '%TF.FileFunction,Copper,L2,Bot*%\n%TF.FilePolarity,Positive*%\n',
  mask: '%TF.FileFunction,Soldermask,Top*%\n%TF.FilePolarity,Negative*%\n',
  paste: '%TF.FileFunction,Paste,Top*%\n%TF.FilePolarity,Positive*%\n',
};

/** Draws the whole of a film. */
type Draw = (shown: readonly Shown[], numbers: Numbers) => string;

const at = (x: number, y: number, numbers: Numbers) => `X${number(x, numbers)}Y${number(y, numbers)}`;

/** Ends of the middle line of an oblong, about its middle, turned. */
function spine({ w, h }: { w: number; h: number }, turn: number) {
  const half = Math.abs(w - h) / 2;
  const angle = ((turn + (w > h ? 0 : 90)) * Math.PI) / 180;
  return { x: half * Math.cos(angle), y: half * Math.sin(angle) };
}

const isLevel = ({ turn = 0 }: SceneLand) => turn % 90 === 0;

/** A region along an outline, with arcs. */
function region(outline: readonly Corner[], numbers: Numbers): string {
  const [[x0, y0]] = outline as [Corner];
  const ways = outline.map(([x, y, bulge], i) => {
    const [bx, by] = outline[(i + 1) % outline.length] as Corner;
    if (bulge === 0) return `G01*\n${at(bx, by, numbers)}D01*\n`;
    const { cx, cy, sweep } = arcOf([x, y], [bx, by], bulge);
    return `G75*\n${sweep > 0 ? 'G03' : 'G02'}*\n${at(bx, by, numbers)}I${number(cx - x, numbers)}J${number(cy - y, numbers)}D01*\n`;
  });
  return `G36*\n${at(x0, y0, numbers)}D02*\n${ways.join('')}G37*\n`;
}

/** Flashes with plain apertures where there is one, outlines in macros elsewhere. */
const flashes =
  (style: { isolated?: boolean } = {}): Draw =>
  (shown, numbers) => {
    const apertures = new Map<string, number>();
    const macros: string[] = [];
    const body: string[] = [];
    for (const { land, grow } of shown) {
      const shape = grown(land.shape, grow);
      const turn = land.turn ?? 0;
      let said: string;
      if (shape.kind === 'rect' && isLevel(land)) {
        const [w, h] = turn % 180 === 0 ? [shape.w, shape.h] : [shape.h, shape.w];
        said = `R,${size(w, numbers)}X${size(h, numbers)}`;
      } else if (shape.kind === 'oblong' && shape.w === shape.h) said = `C,${size(shape.w, numbers)}`;
      else if (shape.kind === 'oblong' && isLevel(land)) {
        const [w, h] = turn % 180 === 0 ? [shape.w, shape.h] : [shape.h, shape.w];
        said = `O,${size(w, numbers)}X${size(h, numbers)}`;
      } else {
        const name = `M${macros.length + 1}`;
        const points = pointsOf(placedOutline({ number: '', x: 0, y: 0, turn, shape }), 1);
        const list = [...points, points[0] as readonly [number, number]]
          .map(([x, y]) => `${size(x, numbers)},${size(y, numbers)}`)
          .join(',\n');
        macros.push(`%AM${name}*\n4,1,${points.length},\n${list},\n0*%\n`);
        said = name;
      }
      if (!apertures.has(said)) apertures.set(said, 10 + apertures.size);
      const code = apertures.get(said);
      body.push(
        style.isolated
          ? `G54D${code}*\n${at(land.x, land.y, numbers)}D03*\n`
          : `D${code}*\n${at(land.x, land.y, numbers)}D03*\n`,
      );
    }
    const defined = [...apertures].map(([said, code]) => `%ADD${code}${said}*%\n`).join('');
    return `${macros.join('')}${defined}%LPD*%\nG01*\n${body.join('')}M02*\n`;
  };

const regions: Draw = (shown, numbers) =>
  `%ADD10C,${size(0.01, numbers)}*%\n%LPD*%\nD10*\n${shown
    .map(({ land, grow }) => region(placedOutline({ ...land, shape: grown(land.shape, grow) }), numbers))
    .join('')}M02*\n`;

/** Fills each shape with strokes of a small round pen, the edge first. */
const painted =
  (pen: number): Draw =>
  (shown, numbers) => {
    const body = shown.map(({ land, grow }) => {
      const { w, h } = grown(land.shape, grow) as { w: number; h: number };
      const [x, y] = [w / 2 - pen / 2, h / 2 - pen / 2];
      const lines = Math.max(1, Math.ceil((2 * y) / (pen * 0.7)));
      const strokes = Array.from({ length: lines + 1 }, (_, i) => {
        const level = land.y - y + (2 * y * i) / lines;
        return `${at(land.x - x, level, numbers)}D02*\n${at(land.x + x, level, numbers)}D01*\n`;
      });
      // a square pen leaves sharp corners
      return strokes.join('');
    });
    return `%ADD11R,${size(pen, numbers)}X${size(pen, numbers)}*%\n%LPD*%\nD11*\nG01*\n${body.join('')}M02*\n`;
  };

/** Center and vector lines of macros, turned about the origin. */
const turnedMacros: Draw = (shown, numbers) => {
  const body = shown.map(({ land, grow }, i) => {
    const shape = grown(land.shape, grow) as { kind: string; w: number; h: number };
    const turn = land.turn ?? 0;
    const code = 20 + i;
    const macro =
      shape.kind === 'rect'
        ? `21,1,$1,$2,0,0,${fixed(turn, 3)}*`
        : (() => {
            const { x, y } = spine(shape, 0);
            const width = Math.min(shape.w, shape.h);
            return [
              ...(x === 0 && y === 0
                ? []
                : [
                    `20,1,${size(width, numbers)},${size(-x, numbers)},${size(-y, numbers)},${size(x, numbers)},${size(y, numbers)},${fixed(turn, 3)}*`,
                  ]),
              `1,1,${size(width, numbers)},${size(x, numbers)},${size(y, numbers)},${fixed(turn, 3)}*`,
              ...(x === 0 && y === 0
                ? []
                : [
                    `1,1,${size(width, numbers)},${size(-x, numbers)},${size(-y, numbers)},${fixed(turn, 3)}*`,
                  ]),
            ].join('\n');
          })();
    return {
      define: `%AMT${i}*\n0 a land*\n${macro}%\n%ADD${code}T${i},${size(shape.w, numbers)}X${size(shape.h, numbers)}*%\n`,
      use: `D${code}*\n${at(land.x, land.y, numbers)}D03*\n`,
    };
  });
  return `${body.map(({ define }) => define).join('')}%LPD*%\n${body.map(({ use }) => use).join('')}M02*\n`;
};

/** One rectangle of one aperture, turned and scaled by the graphics state. */
const loaded: Draw = (shown, numbers) => {
  const body = shown.map(({ land, grow }) => {
    const shape = grown(land.shape, grow) as { kind: string; w: number; h: number };
    return {
      land,
      shape,
      said:
        shape.kind === 'rect'
          ? `R,${size(shape.w * 2, numbers)}X${size(shape.h * 2, numbers)}`
          : `O,${size(shape.w * 2, numbers)}X${size(shape.h * 2, numbers)}`,
    };
  });
  const said = [...new Set(body.map((one) => one.said))];
  return [
    ...said.map((one, i) => `%ADD${10 + i}${one}*%\n`),
    '%LPD*%\n%LS0.5*%\n',
    ...body.map(
      ({ land, said: own }) =>
        `%LR${fixed(land.turn ?? 0, 2)}*%\nD${10 + said.indexOf(own)}*\n${at(land.x, land.y, numbers)}D03*\n`,
    ),
    'M02*\n',
  ].join('');
};

/** A block of apertures for each land, flashed once. */
const blocks: Draw = (shown, numbers) => {
  const code = (i: number) => 100 + i;
  return [
    '%ADD10C,0.01*%\n',
    ...shown.map(
      ({ land, grow }, i) =>
        `%ABD${code(i)}*%\n${region(placedOutline({ ...land, x: 0, y: 0, shape: grown(land.shape, grow) }), numbers)}%AB*%\n`,
    ),
    '%LPD*%\n',
    ...shown.map(({ land }, i) => `D${code(i)}*\n${at(land.x, land.y, numbers)}D03*\n`),
    'M02*\n',
  ].join('');
};

/** Too much copper, from which what is between the lands is taken away. */
const takenAway: Draw = (shown, numbers) =>
  [
    `%ADD10C,${size(0.01, numbers)}*%\n%LPD*%\nD10*\n`,
    ...shown.map(({ land, grow }) => {
      const shape = grown(land.shape, grow) as { w: number; h: number };
      const [w, h] = [shape.w / 2, shape.h / 2];
      const box = (x0: number, y0: number, x1: number, y1: number): Corner[] => [
        [x0, y0, 0],
        [x1, y0, 0],
        [x1, y1, 0],
        [x0, y1, 0],
      ];
      const { x, y } = land;
      return [
        region(box(x - w - 0.1, y - h, x + w + 0.1, y + h), numbers),
        '%LPC*%\n',
        region(box(x - w - 0.11, y - h - 0.01, x - w, y + h + 0.01), numbers),
        region(box(x + w, y - h - 0.01, x + w + 0.11, y + h + 0.01), numbers),
        '%LPD*%\n',
      ].join('');
    }),
    'M02*\n',
  ].join('');

const ENDINGS: Readonly<Record<Layer, string>> = { copper: 'gtl', far: 'gbl', mask: 'gts', paste: 'gtp' };
const layersOf = (scene: Scene): Layer[] => [
  'copper',
  ...(shownOn(scene, 'far').length > 0 ? (['far'] as const) : []),
  'mask',
  ...(shownOn(scene, 'paste').length > 0 ? (['paste'] as const) : []),
];

/** Holes of a scene with the tool that makes them. */
const bores = ({ lands, pegs }: Scene) => [
  ...lands.flatMap(({ x, y, hole, slot }) =>
    hole === undefined ? [] : [{ x, y, d: hole, slot: slot ?? hole, plated: true }],
  ),
  ...pegs.map(({ x, y, d }) => ({ x, y, d, slot: d, plated: false })),
];

/** A drill file with decimal points. @param slots by G85, or milled */
function xnc(scene: Scene, plated: boolean, slots: 'G85' | 'mill'): string {
  const all = bores(scene).filter((one) => one.plated === plated);
  const tools = [...new Set(all.map(({ d }) => d))];
  const lines = tools.flatMap((d, i) => [
    `T${String(i + 1).padStart(2, '0')}`,
    ...all
      .filter((one) => one.d === d)
      .map(({ x, y, slot }) => {
        const [a, b] = [x - (slot - d) / 2, x + (slot - d) / 2];
        if (slot === d) return `X${fixed(x, 3)}Y${fixed(y, 3)}`;
        return slots === 'G85'
          ? `X${fixed(a, 3)}Y${fixed(y, 3)}G85X${fixed(b, 3)}Y${fixed(y, 3)}`
          : `G00X${fixed(a, 3)}Y${fixed(y, 3)}\nM15\nG01X${fixed(b, 3)}Y${fixed(y, 3)}\nM16\nG05`;
      }),
  ]);
  return [
    'M48',
    `; #@! TF.FileFunction,${plated ? 'Plated,1,2,PTH' : 'NonPlated,1,2,NPTH'}`,
    'FMAT,2',
    'METRIC',
    ...tools.map((d, i) => `T${String(i + 1).padStart(2, '0')}C${fixed(d, 3)}`),
    '%',
    'G90',
    'G05',
    ...lines,
    'T0',
    'M30',
    '',
  ].join('\n');
}

/** A drill file in whole numbers. */
function numbered(scene: Scene, head_: 'INCH,LZ' | 'INCH,TZ' | 'METRIC,TZ' | 'METRIC,LZ,000.000'): string {
  const isInch = head_.startsWith('INCH');
  const digits = isInch ? 4 : 3;
  const whole = isInch ? 2 : 3;
  const keepsLeading = head_.includes('LZ');
  const write = (value: number) => {
    const scaled = Math.round((isInch ? value / 25.4 : value) * 10 ** digits);
    const plain = String(Math.abs(scaled)).padStart(whole + digits, '0');
    const short = keepsLeading ? plain.replace(/0+$/, '') || '0' : plain.replace(/^0+/, '') || '0';
    return `${scaled < 0 ? '-' : ''}${short}`;
  };
  const all = bores(scene);
  const tools = [...new Set(all.map(({ d }) => d))];
  return [
    'M48',
    head_,
    ...tools.map((d, i) => `T${i + 1}F00S00C${fixed(isInch ? d / 25.4 : d, 5)}`),
    '%',
    ...tools.flatMap((d, i) => [
      `T${i + 1}`,
      ...all
        .filter((one) => one.d === d)
        .map(({ x, y, slot }) => {
          const half = (slot - d) / 2;
          return half === 0
            ? `X${write(x)}Y${write(y)}`
            : `X${write(x - half)}Y${write(y)}G85X${write(x + half)}Y${write(y)}`;
        }),
    ]),
    'M30',
    '',
  ].join('\n');
}

interface Lot {
  readonly draw: Draw;
  readonly numbers?: Numbers;
  readonly attributes?: boolean;
  readonly named?: (layer: Layer) => string;
  readonly drills?: (scene: Scene) => readonly Film[];
  readonly put?: (text: string) => string;
}

const twoDrills =
  (slots: 'G85' | 'mill') =>
  (scene: Scene): Film[] => {
    const all = bores(scene);
    return [true, false].flatMap((plated) =>
      all.some((one) => one.plated === plated)
        ? [{ name: plated ? 'board-plated.drl' : 'board-nonplated.drl', text: xnc(scene, plated, slots) }]
        : [],
    );
  };
const oneDrill =
  (kind: Parameters<typeof numbered>[1]) =>
  (scene: Scene): Film[] =>
    bores(scene).length === 0 ? [] : [{ name: 'board.drl', text: numbered(scene, kind) }];

const lot =
  ({
    draw,
    numbers = MM,
    attributes = true,
    named = (layer) => `board.${ENDINGS[layer]}`,
    drills = twoDrills('G85'),
    put = (text) => text,
  }: Lot) =>
  (scene: Scene): Written => ({
    files: [
      ...layersOf(scene).map((layer) => ({
        name: named(layer),
        text: put(head(numbers, attributes ? FUNCTION[layer] : '') + draw(shownOn(scene, layer), numbers)),
      })),
      ...drills(scene),
    ],
    says: ['holes', 'pegs', 'mask', ...(layersOf(scene).includes('paste') ? (['paste'] as const) : [])],
  });

const isPlain = (scene: Scene) =>
  scene.lands.every(({ shape }) => shape.kind !== 'polygon' && shape.kind !== 'corners');
const isRect = (scene: Scene) => scene.lands.every(({ shape, turn }) => shape.kind === 'rect' && !turn);
const INCH: Numbers = { unit: 'in', digits: 6, whole: 2, drop: 'L' };
const WORDS: Readonly<Record<Layer, string>> = {
  copper: 'top copper',
  far: 'bottom copper',
  mask: 'top mask',
  paste: 'top paste',
};
const GERMAN: Readonly<Record<Layer, string>> = {
  copper: 'Kupfer_oben',
  far: 'Kupfer_unten',
  mask: 'Lötstopp_oben',
  paste: 'Paste_oben',
};

export const FILMS: readonly Hand[] = [
  { name: 'films with attributes', write: lot({ draw: flashes() }) },
  {
    name: 'films by their endings, in inches',
    write: lot({
      draw: flashes({ isolated: true }),
      numbers: INCH,
      attributes: false,
      drills: oneDrill('INCH,TZ'),
    }),
  },
  { name: 'films of regions', write: lot({ draw: regions, drills: twoDrills('mill') }) },
  { name: 'films painted by a square pen', can: isRect, write: lot({ draw: painted(0.12) }) },
  { name: 'films of macros that are turned', can: isPlain, write: lot({ draw: turnedMacros }) },
  { name: 'films scaled and turned by their state', can: isPlain, write: lot({ draw: loaded }) },
  {
    name: 'films of blocks',
    write: lot({ draw: blocks, named: (layer) => `${WORDS[layer]}.gbr`, attributes: false }),
  },
  {
    name: 'films with copper taken away',
    can: (scene) => isRect(scene) && scene.name !== 'edge',
    write: lot({ draw: takenAway }),
  },
  {
    name: 'films with German names, zeros left out behind',
    write: lot({
      draw: flashes(),
      numbers: { unit: 'mm', digits: 4, whole: 4, drop: 'T' },
      attributes: false,
      named: (layer) => `${GERMAN[layer]}.ger`,
      drills: oneDrill('METRIC,TZ'),
    }),
  },
  // from here on kept apart
  {
    name: 'films in one line, codes left out where they go on',
    isApart: true,
    write: lot({
      draw: regions,
      put: (text) =>
        text
          .replace(/D01\*\n(X-?\d+Y-?\d+)D01/g, 'D01*\n$1')
          .replace(/\n/g, '\r\n')
          .replace(/G01\*\r\n/g, 'G01'),
    }),
  },
  {
    name: 'films of steps and repeats',
    isApart: true,
    can: (scene) => scene.name === 'grid',
    write: (scene) => {
      const first = scene.lands.at(-4) as SceneLand;
      const { w } = first.shape as { w: number };
      const film = (layer: Layer, d: number) =>
        `${head(MM, FUNCTION[layer])}%ADD10C,${fixed(d, 4)}*%\n%LPD*%\n%SRX4Y4I0.5J0.5*%\nD10*\n${at(first.x, first.y, MM)}D03*\n%SR*%\nM02*\n`;
      return {
        files: [
          { name: 'a.gbr', text: film('copper', w) },
          { name: 'b.gbr', text: film('mask', w + 2 * scene.margin) },
          { name: 'c.gbr', text: film('paste', w) },
        ],
        says: ['mask', 'paste'],
      };
    },
  },
  {
    name: 'films with arithmetic in macros',
    isApart: true,
    can: isRect,
    write: lot({
      draw: (shown, numbers) => {
        const said = [
          ...new Set(
            shown.map(({ land, grow }) => {
              const { w, h } = grown(land.shape, grow) as { w: number; h: number };
              return `${size(w / 2, numbers)}X${size(h, numbers)}`;
            }),
          ),
        ];
        const codeOf = ({ land, grow }: Shown) => {
          const { w, h } = grown(land.shape, grow) as { w: number; h: number };
          return 30 + said.indexOf(`${size(w / 2, numbers)}X${size(h, numbers)}`);
        };
        return [
          '%AMBOX*\n0 half the width, the height*\n$3=$1x2*\n$4=0-$2/2*\n$5=$2/2*\n20,1,$2-0.0,0-$1,0,$1,$4+$5,0*%\n',
          ...said.map((one, i) => `%ADD${30 + i}BOX,${one}*%\n`),
          '%LPD*%\n',
          ...shown.map((one) => `D${codeOf(one)}*\n${at(one.land.x, one.land.y, numbers)}D03*\n`),
          'M02*\n',
        ].join('');
      },
    }),
  },
  {
    name: 'films whose lands have a hole in them',
    isApart: true,
    can: (scene) => scene.name === 'through',
    write: lot({
      draw: (shown, numbers) => {
        const code = ({ land, grow }: Shown) => {
          const { kind, w, h } = grown(land.shape, grow) as { kind: string; w: number; h: number };
          return kind === 'rect'
            ? `R,${size(w, numbers)}X${size(h, numbers)}X${size(0.6, numbers)}`
            : `C,${size(w, numbers)}X${size(0.6, numbers)}`;
        };
        const said = [...new Set(shown.map(code))];
        return [
          ...said.map((one, i) => `%ADD${10 + i}${one}*%\n`),
          '%LPD*%\n',
          ...shown.map(
            (one) => `D${10 + said.indexOf(code(one))}*\n${at(one.land.x, one.land.y, numbers)}D03*\n`,
          ),
          'M02*\n',
        ].join('');
      },
    }),
  },
  {
    name: 'films by their endings, drilled in millimetres without zeros before',
    isApart: true,
    write: lot({ draw: flashes(), attributes: false, drills: oneDrill('METRIC,LZ,000.000') }),
  },
  {
    name: 'films in inches of four digits',
    isApart: true,
    can: (scene) => isRect(scene) || scene.name === 'grid',
    write: (scene) => ({
      ...lot({
        draw: flashes(),
        numbers: { unit: 'in', digits: 4, whole: 2, drop: null },
        drills: oneDrill('INCH,LZ'),
      })(scene),
      owed: false,
    }),
  },
  {
    name: 'films with conductors away from the lands',
    isApart: true,
    can: (scene) => isRect(scene) && scene.name !== 'edge',
    write: lot({
      draw: (shown, numbers) => {
        const lands = flashes()(shown, numbers).replace('M02*\n', '');
        // masks and stencils have none
        if (shown.some(({ grow }) => grow > 0) || shown.length === 0) return `${lands}M02*\n`;
        const ways = shown.map(({ land: { x, y } }) => {
          const [bx, by] = [x + Math.sign(x || 1) * 3, y + Math.sign(y || 1) * 1.5];
          return `${at(x, y, numbers)}D02*\n${at(bx, y, numbers)}D01*\n${at(bx, by, numbers)}D01*\n`;
        });
        return `${lands.replace('%LPD*%', `%ADD90C,${size(0.15, numbers)}*%\n%LPD*%`)}D90*\nG01*\n${ways.join('')}M02*\n`;
      },
    }),
  },
  {
    name: 'films with a frame and a text in the copper',
    isApart: true,
    can: (scene) => scene.name === 'dual' || scene.name === 'no-lead',
    write: (scene) => {
      const made = lot({ draw: flashes() })(scene);
      const frame = `%ADD91C,0.200000*%\nD91*\nG01*\n${[
        [-12, -9],
        [12, -9],
        [12, 9],
        [-12, 9],
        [-12, -9],
      ]
        .map(([x = 0, y = 0], i) => `${at(x, y, MM)}D0${i === 0 ? 2 : 1}*\n`)
        .join('')}${at(-10, 7, MM)}D02*\n${at(-9.6, 7.8, MM)}D01*\n${at(-9.2, 7, MM)}D01*\nM02*\n`;
      return {
        ...made,
        files: made.files.map((file) =>
          file.name.endsWith('gtl') ? { ...file, text: file.text.replace('M02*\n', frame) } : file,
        ),
      };
    },
  },
];
