import Papa from 'papaparse';
import { unzipSync, strFromU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { flatten } from '../../../../src/core/geometry/contour';
import { contourOf, narrowOf } from '../../../../src/core/geometry/figure';
import { inflate, subtract, unite } from '../../../../src/core/geometry/polygon';
import { boardArtwork, boardFilms, boardReadBack } from '../../../../src/core/format/board/artwork';
import { BOARD_FORMATS } from '../../../../src/core/format/board';
import { writeBoard } from '../../../../src/core/format/board/board-format';
import { boardPages } from '../../../../src/core/format/board/drawing';
import { idfBoard } from '../../../../src/core/format/board/idf';
import { boardIpc2581 } from '../../../../src/core/format/board/ipc2581';
import { placementList } from '../../../../src/core/format/board/placement-list';
import { boardStep } from '../../../../src/core/format/board/step';
import { shapeReader } from '../../../../src/core/format/ipc2581/read-shapes';
import { everywhere, readXml } from '../../../../src/core/format/xml-tree';
import { readPatterns } from '../../../../src/core/format/import';
import { compileTrial } from '../../../../src/core/trial/compile';
import { faults, readElements } from '../../../data/ipc2581-structure';
import { readFilm } from '../../../data/gerber';
import { measureMesh, readStep } from '../../../data/occt';
import { part, trialOf } from '../../../data/trials';

const trial = compileTrial(
  trialOf(
    [
      part('H1', 'hole', 4, 4, { corners: true }),
      part('U1', 'U', 20, 15, { angle: '90' }),
      part('R1', 'named', 30, 10, { angle: '30', side: 'bottom' }),
      part('J1', 'header', 15, 24),
    ],
    {
      name: 'Try out, 1',
      board: { width: '40', height: '30', radius: '2' },
      keepOuts: [{ id: '1', x: '1', y: '12', width: '3', height: '4', what: 'everything', side: 'top' }],
      covers: [{ id: '1', under: '9' }],
    },
  ),
);
/** What is hard to say on layers: vias under mask in windows, rows in one opening, a slot, lands beside their holes. */
const crowded = compileTrial(
  trialOf([
    part('U2', 'vias', 15, 15, { angle: '45' }),
    part('U3', 'vias', 35, 15, { angle: '45', side: 'bottom' }),
    part('J2', 'slotted', 15, 35, { side: 'bottom' }),
  ]),
);
const FILMS = [
  ['top-copper', 'TOP'],
  ['bottom-copper', 'BOTTOM'],
  ['top-mask', 'TOP_MASK'],
  ['bottom-mask', 'BOTTOM_MASK'],
  ['top-paste', 'TOP_PASTE'],
  ['bottom-paste', 'BOTTOM_PASTE'],
] as const;
const bytes = (text: string) => new TextEncoder().encode(text);

describe('films of a board', () => {
  const films = new Map(boardFilms(trial).map(({ name, content }) => [name, String(content)]));
  it('are named after it, and say whose pins things are', () => {
    expect([...films.keys()]).toEqual(
      [
        'top-copper.gbr',
        'bottom-copper.gbr',
        'top-mask.gbr',
        'bottom-mask.gbr',
        'top-paste.gbr',
        'bottom-paste.gbr',
        'top-legend.gbr',
        'bottom-legend.gbr',
        'courtyard.gbr',
        'assembly.gbr',
        'bottom-assembly.gbr',
        'profile.gbr',
        'plated.xnc',
        'non-plated.xnc',
      ].map((name) => `Try-out-1-${name}`),
    );
    const top = films.get('Try-out-1-top-copper.gbr') ?? '';
    expect(top).toContain('%TF.Part,Single*%');
    expect(top).toContain('%TF.SameCoordinates,Board*%');
    expect(top).toContain('%TO.P,U1,16*%');
    expect(films.get('Try-out-1-bottom-copper.gbr')).toContain('%TO.P,R1,2*%');
  });
  it('have the profile at the edge and the holes where the parts have them', () => {
    const profile = films.get('Try-out-1-profile.gbr') ?? '';
    expect(profile).toContain('%TF.FileFunction,Profile,NP*%');
    expect(profile).toContain('X40000000Y2000000');
    const bare = films.get('Try-out-1-non-plated.xnc') ?? '';
    for (const hit of ['X4.0Y4.0', 'X36.0Y4.0', 'X36.0Y26.0', 'X4.0Y26.0']) expect(bare).toContain(hit);
    expect(readFilm(films.get('Try-out-1-top-copper.gbr') ?? '').objects).toHaveLength(16 + 10);
  });
});

describe('films of a board, read again', () => {
  it.each([
    ['the parts of both sides', trial],
    ['tented vias, joint openings, lands beside their holes', crowded],
  ])('show what its parts have: %s', (_, board) => {
    const found = boardReadBack(board, boardFilms(board));
    expect(found.length).toBeGreaterThan(7);
    for (const { file, within } of found) expect(within ?? Infinity, file).toBeLessThanOrEqual(0.0005);
  });
  it('tell a part that is not on them', () => {
    const { parts } = trial;
    const found = boardReadBack(trial, boardFilms({ ...trial, parts: parts.slice(0, -1) }));
    expect(found.filter(({ within }) => within === null).map(({ file }) => file)).toEqual(
      expect.arrayContaining(['Try-out-1-top-copper.gbr', 'Try-out-1-top-mask.gbr']),
    );
  });
});

describe('the placement list', () => {
  it('has each part’s place, its pick-up place, angle and side', () => {
    const { data } = Papa.parse<Record<string, string>>(String(placementList.write(trial)).trim(), {
      header: true,
    });
    expect(data.map(({ reference }) => reference)).toEqual(['H1', 'H2', 'H3', 'H4', 'U1', 'R1', 'J1']);
    expect(data[5]).toMatchObject({
      side: 'bottom',
      x_mm: '30.000',
      y_mm: '10.000',
      angle_deg: '30',
      mount: 'surface',
    });
    expect(data[6]).toMatchObject({ mount: 'through-hole', pick_x_mm: '15.000' });
    expect(data[0]).toMatchObject({ value: 'M2.5', mount: 'mechanical' });
  });
});

describe('IPC-2581 of a board', () => {
  const text = boardIpc2581(trial);
  it('has one package for equal footprints, and a component for each part', () => {
    expect(text.match(/<Package /g)).toHaveLength(4);
    expect(text.match(/<Component /g)).toHaveLength(7);
    expect(text).toMatch(/refDes="R1"[^>]*layerRef="BOTTOM"/);
    expect(text).toContain('<Xform rotation="30" mirror="true"/>');
  });
  it('has its round corners as arcs, and the courtyards of both sides', () => {
    const profile = /<Profile>.*?<\/Profile>/s.exec(text)?.[0] ?? '';
    // four corners of 2 mm radius about their middles
    const curves = [...profile.matchAll(/<PolyStepCurve [^>]*centerX="([\d.]+)" centerY="([\d.]+)"/g)];
    expect(new Set(curves.map(([, x, y]) => `${x} ${y}`))).toEqual(new Set(['2 2', '38 2', '38 28', '2 28']));
    const lines = (layer: string) =>
      (new RegExp(`layerRef="${layer}".*?</LayerFeature>`, 's').exec(text)?.[0] ?? '').match(/<Polyline/g) ??
      [];
    expect(lines('TOP_COURTYARD')).toHaveLength(6);
    expect(lines('BOTTOM_COURTYARD')).toHaveLength(1);
    expect(text).toContain('name="BOTTOM_COURTYARD"');
  });
  it('keeps the published structure, with vias under mask and joint openings too', () => {
    expect(faults(readElements(text))).toEqual([]);
    expect(faults(readElements(boardIpc2581(crowded)))).toEqual([]);
  });
  it.each([
    ['the parts of both sides', trial],
    ['tented vias, joint openings, lands beside their holes', crowded],
  ])('has on each layer what its film has, and the same holes: %s', (_, board) => {
    const root = readXml(boardIpc2581(board), () => true);
    if (!root.ok) throw new Error(root.error);
    const shapes = shapeReader(root.value, 1);
    const features = [...everywhere(root.value, 'LayerFeature')];
    const onLayer = (name: string) =>
      features
        .filter(({ attributes }) => attributes['layerRef'] === name)
        .flatMap(({ children }) => children);
    const { layers, holes } = boardArtwork(board);
    for (const [id, name] of FILMS) {
      const own = layers.find((layer) => layer.id === id)?.objects ?? [];
      const flashes = (clear: boolean) =>
        own.flatMap((one) =>
          one.kind === 'flash' && (one.clear ?? false) === clear ? [flatten(contourOf(one.placed))] : [],
        );
      const film = subtract(unite(flashes(false)), flashes(true));
      const file = unite(
        onLayer(name).flatMap((set) =>
          set.children.flatMap((one) => shapes.figures(one).map((figure) => flatten(contourOf(figure)))),
        ),
      );
      const apart = inflate([...subtract(film, file), ...subtract(file, film)], -0.002);
      expect(apart, name).toEqual([]);
      expect(film.length > 0, name).toBe(onLayer(name).length > 0);
    }
    const drilled = onLayer('DRILL')
      .flatMap(({ children }) => children)
      .filter(({ name }) => name === 'Hole')
      .map(({ attributes: { x, y, diameter } }) => `${Number(x)} ${Number(y)} ${Number(diameter)}`);
    const round = holes.filter(({ hole }) => hole.figure.kind === 'round');
    expect(drilled.sort()).toEqual(
      round.map(({ hole: { at, figure } }) => `${at.x} ${at.y} ${narrowOf(figure)}`).sort(),
    );
    expect(onLayer('TOP_LEGEND').flatMap(({ children }) => children)).toHaveLength(
      layers.find(({ id }) => id === 'top-legend')?.objects.length ?? 0,
    );
  });
  it('is read again with each hole once, none of them told as lost', () => {
    const read = readPatterns([{ name: 'board.xml', bytes: bytes(text) }]);
    if (!read.ok) throw new Error(read.error);
    expect(read.value.left.join(' ')).not.toMatch(/no component|take away|holes of the board/);
    expect(read.value.patterns.map(({ holes }) => holes.length)).toEqual([1, 0, 0, 0]);
  });
  it('is read again with the lands that it was written from', () => {
    const read = readPatterns([{ name: 'board.xml', bytes: bytes(text) }]);
    if (!read.ok) throw new Error(read.error);
    const [, converter] = read.value.patterns;
    const lands = converter?.lands ?? [];
    expect(lands).toHaveLength(16);
    const own = trial.parts[4]?.compiled.footprint?.lands ?? [];
    for (const [i, land] of lands.entries()) {
      expect(land.copper.at.x).toBeCloseTo(own[i]?.copper.at.x ?? NaN, 5);
      expect(land.copper.at.y).toBeCloseTo(own[i]?.copper.at.y ?? NaN, 5);
    }
  });
});

describe('IDF of a board', () => {
  const lines = idfBoard(trial).split('\n');
  const section = (name: string) => lines.slice(lines.indexOf(`.${name}`) + 1, lines.indexOf(`.END_${name}`));
  it('has the outline with its arcs, holes, areas and places', () => {
    const outline = lines.slice(
      lines.indexOf('.BOARD_OUTLINE UNOWNED') + 1,
      lines.indexOf('.END_BOARD_OUTLINE'),
    );
    expect(outline[0]).toBe('1.6');
    expect(outline).toContain('0 40.0 2.0 90.0');
    expect(section('DRILLED_HOLES').filter((line) => line.includes('NPTH'))).toHaveLength(4);
    expect(section('DRILLED_HOLES').filter((line) => line.includes('"J1" PIN'))).toHaveLength(10);
    expect(lines).toContain('.PLACE_KEEPOUT UNOWNED');
    expect(lines).toContain('TOP 9.0');
    const places = section('PLACEMENT');
    expect(places[places.findIndex((line) => line.endsWith('"R1"')) + 1]).toBe(
      '30.0 10.0 0.0 30.0 BOTTOM PLACED',
    );
  });
  it('comes with a library in which each part that is placed is found once', async () => {
    const idf = BOARD_FORMATS.find(({ id }) => id === 'idf');
    const files = unzipSync((await idf?.write(trial)) as Uint8Array);
    const library = strFromU8(files['Try-out-1.emp'] as Uint8Array);
    for (const line of section('PLACEMENT').filter((one) => one.startsWith('"'))) {
      const key = line.split('" "').slice(0, 2).join('" "');
      expect(library.split('\n').filter((one) => one.startsWith(key))).toHaveLength(1);
    }
  });
});

describe('STEP of a board', () => {
  it('has the board with its holes, and the parts at their heights', () => {
    const { meshes } = readStep(boardStep(trial), 0.01);
    const solid = (name: string) => meshes.filter((mesh) => mesh.name === name);
    const measured = (mesh: (typeof meshes)[number]) =>
      measureMesh([...mesh.attributes.position.array], [...(mesh.index?.array ?? [])]);
    const board = measured(solid('Board')[0] as never);
    const plain = 40 * 30 - (4 - Math.PI) * 4;
    const header = trial.parts.find(({ reference }) => reference === 'J1');
    const pins = (header?.footprint.lands ?? []).reduce(
      (sum, { hole }) =>
        sum + (hole?.figure.kind === 'round' ? (Math.PI * hole.figure.diameter ** 2) / 4 : 0),
      0,
    );
    expect(board.volume).toBeCloseTo(1.6 * (plain - 4 * Math.PI * 1.35 ** 2 - pins), 0);
    expect(board.box[2]).toEqual([-1.6, 0]);
    // the chip of the bottom hangs below the laminate
    const lowest = Math.min(...meshes.map((mesh) => measured(mesh).box[2]?.[0] ?? 0));
    const chip = trial.parts.find(({ reference }) => reference === 'R1');
    const model = meshes.filter((mesh) => (measured(mesh).box[2]?.[1] ?? 0) <= -1.6 + 1e-6);
    expect(model.length).toBeGreaterThan(0);
    expect(Math.min(...model.map((mesh) => measured(mesh).box[2]?.[0] ?? 0))).toBeCloseTo(
      -1.6 - (chip?.footprint.body.heights.top.nom ?? NaN),
      2,
    );
    expect(lowest).toBeLessThan(-1.6);
  });
});

describe('the drawing of a board', () => {
  it('has both sides and the list of its parts on sheets that nothing leaves', () => {
    const pages = boardPages(trial);
    expect(pages).toHaveLength(3);
    const words = pages.map(({ items }) =>
      items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])),
    );
    expect(words[0]).toContain('From above');
    expect(words[0]).toContain('U1');
    expect(words[1]).toContain('R1');
    expect(words[2]).toEqual(expect.arrayContaining(['H4', '26.00', 'bottom']));
    for (const { width, height, items } of pages)
      for (const item of items) {
        if (item.kind !== 'path') continue;
        for (const step of item.steps) {
          const numbers = step.slice(1) as number[];
          for (let i = 0; i < numbers.length; i += 2) {
            expect(numbers[i]).toBeGreaterThanOrEqual(0);
            expect(numbers[i]).toBeLessThanOrEqual(width);
            expect(numbers[i + 1]).toBeLessThanOrEqual(height);
          }
        }
      }
  });
});

it('every format writes an empty board too, under the board’s name', async () => {
  const empty = compileTrial(trialOf([], { name: '../Empty' }));
  for (const format of BOARD_FORMATS) {
    const { name, content } = await writeBoard(format, empty);
    expect(name).toBe(`Empty${format.extension}`);
    expect(content.length).toBeGreaterThan(20);
  }
});
