import { Clipper, FillRule, type Paths64 } from 'clipper2-ts';
import DxfParser from 'dxf-parser';
import fc from 'fast-check';
import { unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import type { TapisDocument } from '../../../src/core/document/document';
import { compile } from '../../../src/core/footprint/compile';
import type { Footprint } from '../../../src/core/footprint/footprint';
import { moved } from '../../../src/core/footprint/move';
import { formatById } from '../../../src/core/format';
import { artworkFiles } from '../../../src/core/format/artwork/artwork';
import { ofFootprint, writeGerber } from '../../../src/core/format/artwork/gerber';
import { artworkOf, ofLand } from '../../../src/core/format/artwork/layers';
import { newTrial } from '../../../src/core/document/trial';
import { compileTrial } from '../../../src/core/trial/compile';
import { writeFile, type Writable } from '../../../src/core/format/format';
import { flatten } from '../../../src/core/geometry/contour';
import {
  areaOf,
  circleAt,
  contourOf,
  freeContour,
  place,
  type Figure,
  type Placed,
} from '../../../src/core/geometry/figure';
import { chip, converter } from '../../data/documents';
import { SOME_VARIANTS, STRATA } from '../../data/families';
import { readDrill, readFilm } from '../../data/gerber';

const ABOUT = ofFootprint('X', 'U1');
const nm = (placed: Placed) =>
  flatten(contourOf(placed), 1e-4).map(({ x, y }) => ({ x: Math.round(x * 1e6), y: Math.round(y * 1e6) }));
const joined = (paths: Paths64) => Clipper.union(paths, FillRule.NonZero);
const areaOfAll = (paths: Paths64) => paths.reduce((sum, one) => sum + Clipper.area(one), 0);
const around = (paths: Paths64) =>
  paths.reduce(
    (sum, one) =>
      sum +
      one.reduce(
        (all, p, i) =>
          all + Math.hypot(p.x - one[(i + 1) % one.length]!.x, p.y - one[(i + 1) % one.length]!.y),
        0,
      ),
    0,
  );

/** How far the edges of what is dark are from those of figures on average, mm. */
function apart(dark: Paths64, figures: readonly Placed[]): number {
  const truth = joined(figures.map(nm));
  const off = Clipper.xor(dark, truth, FillRule.NonZero);
  return Math.abs(areaOfAll(off)) / Math.max(1, around(truth)) / 1e6;
}

function writable(
  document: TapisDocument,
  put: (footprint: Footprint) => Footprint = (same) => same,
): Writable {
  const compiled = compile(document);
  if (!compiled.footprint) throw new Error(compiled.problems.map(({ message }) => message).join('; '));
  return { ...compiled, footprint: put(compiled.footprint) };
}
function filmsOf(compiled: Writable) {
  return new Map(
    artworkFiles(compiled).map(({ name, content }) => [
      name.slice(compiled.footprint.standardName.length + 1),
      String(content),
    ]),
  );
}

describe('a film', () => {
  const side = fc.integer({ min: 50, max: 5000 }).map((n) => n / 1000);
  const figure: fc.Arbitrary<Figure> = fc.oneof(
    side.map((diameter): Figure => ({ kind: 'round', diameter })),
    fc
      .tuple(side, side, fc.double({ min: 0, max: 0.5, noNaN: true }))
      .map(([width, height, share]): Figure => ({
        kind: 'rectangle',
        width,
        height,
        radius: Math.round(share * Math.min(width, height) * 1000) / 1000,
      })),
    fc.tuple(side, side).map(([width, height]): Figure => ({
      kind: 'rectangle',
      width,
      height,
      chamfer: { size: Math.min(width, height) / 4, corners: ['upper-left', 'lower-right'] },
    })),
    fc
      .tuple(fc.constantFrom('oblong' as const, 'd-shape' as const), side, side)
      .map(([kind, width, height]): Figure => ({ kind, width, height })),
    fc.tuple(side, fc.integer({ min: 3, max: 9 })).map(([diameter, count]) =>
      freeContour(
        Array.from({ length: count }, (_, i) => ({
          x: (diameter / 2) * Math.cos((2 * Math.PI * i) / count),
          y: (diameter / 2) * Math.sin((2 * Math.PI * i) / count),
        })),
      ),
    ),
  );
  it('is dark where a figure is, however it is turned', () => {
    const place3 = fc.tuple(
      fc.integer({ min: -9e6, max: 9e6 }),
      fc.integer({ min: -9e6, max: 9e6 }),
      fc.constantFrom(0, 90, 180, 270, 45, 37.5, 211),
    );
    fc.assert(
      fc.property(figure, place3, (shape, [x, y, rotation]) => {
        const placed = place(shape, { x: x / 1e6, y: y / 1e6 }, rotation);
        const film = readFilm(
          writeGerber(
            { id: 'top-copper', title: '', objects: [{ kind: 'flash', placed, use: 'smd' }] },
            ABOUT,
            false,
          ),
        );
        expect(apart(film.dark, [placed])).toBeLessThan(0.0005);
        expect(film.objects[0]?.use).toBe('SMDPad,CuDef');
      }),
      { numRuns: 150 },
    );
  });
  it('takes the standard apertures where they can draw it', () => {
    const shapeOf = (shape: Figure, rotation = 0) =>
      readFilm(
        writeGerber(
          {
            id: 'top-paste',
            title: '',
            objects: [{ kind: 'flash', placed: place(shape, { x: 1, y: 2 }, rotation) }],
          },
          ABOUT,
          false,
        ),
      ).objects[0]?.shape;
    expect(shapeOf({ kind: 'rectangle', width: 1.5, height: 0.4 }, 90)).toBe('R,0.4X1.5');
    expect(shapeOf({ kind: 'oblong', width: 1.5, height: 0.4 })).toBe('O,1.5X0.4');
    expect(shapeOf({ kind: 'round', diameter: 0.3 })).toBe('C,0.3');
    const hexagon = Array.from({ length: 6 }, (_, i) => ({
      x: Math.cos((i * Math.PI) / 3),
      y: Math.sin((i * Math.PI) / 3),
    }));
    expect(shapeOf(freeContour(hexagon))).toBe('P,2.0X6X0.0');
    expect(shapeOf({ kind: 'd-shape', width: 1.5, height: 1 })).toBe('region');
  });
});

describe.each(STRATA.map(({ name, document }) => [name, document] as const))(
  'the artwork of %s',
  (_, document) => {
    it.each([
      ['as it is', (footprint: Footprint) => footprint],
      [
        'turned on the far side',
        (footprint: Footprint) => moved(footprint, { at: { x: 3, y: -2 }, angle: 37, far: true }),
      ],
    ] as const)('%s equals the footprint to a micrometre', (_, put) => {
      const compiled = writable(document, put);
      const { footprint } = compiled;
      const films = filmsOf(compiled);
      const { lands, bores, maskOpenings } = footprint;
      const bottomward = footprint.far;
      for (const bottom of [false, true]) {
        const end = bottom ? 'bottom' : 'top';
        const own = lands.filter(({ far }) => far === bottom);
        const vias = lands.flatMap((land) => land.vias.map(({ x, y, land: d }) => circleAt({ x, y }, d)));
        const copper = films.get(`${end}-copper.gbr`);
        // what a hole brings to the other side is round about its hole here; its size is the padstack's
        const through = lands.filter(({ far, hole, padstack }) => far !== bottom && hole && padstack.other);
        const expected = [
          ...own.map((land) => land.copper).filter(({ minX, maxX }) => maxX > minX),
          ...through.map((land) =>
            ofLand(land, { figure: land.padstack.other!, at: land.padstack.offset, rotation: 0 }),
          ),
          ...vias,
        ];
        expect(copper === undefined).toBe(expected.length === 0);
        if (copper !== undefined) {
          const film = readFilm(copper);
          expect(apart(film.dark, expected)).toBeLessThan(0.001);
          expect(film.attributes.get('.FileFunction')).toBe(bottom ? 'Copper,L2,Bot' : 'Copper,L1,Top');
          const numbers = new Set(
            film.objects.flatMap(({ pin }) => (pin === null ? [] : [pin.split(',')[1]])),
          );
          expect(numbers.size).toBe(
            new Set(
              [...own, ...through, ...lands.filter((l) => l.vias.length > 0)]
                .map(({ number }) => number)
                .filter((n) => n !== ''),
            ).size,
          );
        }
        const paste = films.get(`${end}-paste.gbr`);
        const windows = own.flatMap((land) => land.paste);
        expect(paste === undefined).toBe(windows.length === 0);
        if (paste !== undefined) expect(apart(readFilm(paste).dark, windows)).toBeLessThan(0.001);
        const mask = films.get(`${end}-mask.gbr`);
        if (mask !== undefined && bottom === bottomward) {
          const film = readFilm(mask);
          expect(film.attributes.get('.FilePolarity')).toBe('Negative');
          const open = maskOpenings.filter(({ far }) => far === bottom);
          if (
            open.every(({ islands }) => islands.length === 0) &&
            lands.every(({ far, padstack }) => far === bottom || padstack.maskOther.length === 0)
          )
            expect(
              apart(film.dark, [
                ...open.map(({ opening }) => opening),
                ...bores.map(({ opening }) => opening),
              ]),
            ).toBeLessThan(0.001);
        }
      }
      for (const plated of [true, false]) {
        const text = films.get(`${plated ? 'plated' : 'non-plated'}.xnc`);
        const holes = [
          ...lands.flatMap(({ hole, plated: own }) => (hole && own === plated ? [hole] : [])),
          ...(plated
            ? lands.flatMap(({ vias }) => vias.map(({ x, y, hole }) => circleAt({ x, y }, hole)))
            : []),
          ...(plated
            ? []
            : bores
                .map(({ hole }) => hole)
                .filter(({ figure: { kind } }) => kind === 'round' || kind === 'oblong')),
        ];
        expect(text === undefined).toBe(holes.length === 0);
        if (text === undefined) continue;
        const { fileFunction, hits } = readDrill(text);
        expect(fileFunction).toBe(plated ? 'Plated,1,2,PTH' : 'NonPlated,1,2,NPTH');
        const key = (middle: readonly number[], tool: number, length: number) =>
          [...middle, tool, length].map((n) => (Math.round(n * 1e4) / 1e4 + 0).toFixed(3)).join(' ');
        const expected = holes.map(({ at, figure }) => {
          const { width, height } =
            figure.kind === 'round' ? { width: figure.diameter, height: figure.diameter } : figure;
          return key([at.x, at.y], Math.min(width, height), Math.abs(width - height));
        });
        const found = hits.map(({ tool, from, to }) =>
          key(
            [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2],
            tool,
            Math.hypot(to[0] - from[0], to[1] - from[1]),
          ),
        );
        expect(found.sort()).toEqual(expected.sort());
      }
    });
  },
);

describe('artwork', () => {
  it('names what is on its films, and whose land a flash is', () => {
    const films = filmsOf(
      writable({ ...converter(), pins: [{ id: 'a', lands: '3', name: 'A,B*' }], marks: { reference: 'U4' } }),
    );
    expect([...films.keys()]).toEqual([
      'top-copper.gbr',
      'top-mask.gbr',
      'top-paste.gbr',
      'top-legend.gbr',
      'courtyard.gbr',
      'assembly.gbr',
    ]);
    const { objects, attributes } = readFilm(films.get('top-copper.gbr')!);
    expect(objects.map(({ pin }) => pin).slice(0, 4)).toEqual([
      'U4,1',
      'U4,2',
      'U4,3,A\\u002CB\\u002A',
      'U4,4',
    ]);
    expect(attributes.get('.Part')).toBe('Other,SOP65P640X120-16N');
    // sixteen lands of 1.55 × 0.40, worked by hand in the solver's test
    expect(areaOfAll(readFilm(films.get('top-copper.gbr')!).dark) / 1e12).toBeCloseTo(16 * 1.55 * 0.4, 9);
  });
  it('prints the texts that were given, and none that only show their place', () => {
    const strokes = (marks: TapisDocument['marks']) => {
      const { footprint } = compile({ ...converter(), ...(marks ? { marks } : {}) });
      const legend = artworkOf(footprint!).layers.find(({ id }) => id === 'top-legend')!;
      return legend.objects.filter(({ kind }) => kind === 'line').length;
    };
    const bare = strokes({ texts: { reference: { shown: false }, value: { shown: false } } });
    expect(strokes(undefined)).toBe(bare);
    expect(strokes({ reference: 'U4' })).toBeGreaterThan(bare);
    expect(strokes({ reference: 'U4', value: 'HS-ADC' })).toBeGreaterThan(strokes({ reference: 'U4' }));
    // parts of a board bear their own, where they have one
    const board = (reference: string) => {
      const trial = {
        ...newTrial('Board'),
        footprints: { u: { document: converter() } },
        parts: [{ id: '1', reference, footprint: 'u', x: '20', y: '20' }],
      };
      const [part] = compileTrial(trial).parts;
      return part!.footprint.texts.map(({ isPlaceholder }) => isPlaceholder);
    };
    expect([board('U7'), board('')]).toEqual([
      [false, true],
      [true, true],
    ]);
  });
  it('is packed the same, byte for byte', async () => {
    const [one, two] = await Promise.all(
      [0, 1].map(() => writeFile(formatById('artwork')!, writable(converter()))),
    );
    expect(one?.content).toEqual(two?.content);
    expect(Object.keys(unzipSync(one!.content as Uint8Array))).toContain('SOP65P640X120-16N-top-copper.gbr');
  });
  it('places far lands as the footprint does', () => {
    const compiled = writable(converter(), (footprint) =>
      moved(footprint, { at: { x: 1, y: 2 }, angle: 20, far: true }),
    );
    for (const land of compiled.footprint.lands) {
      const { copper, offset } = land.padstack;
      const again = ofLand(land, { figure: copper, at: offset, rotation: 0 });
      expect([again.minX, again.maxY]).toEqual([
        expect.closeTo(land.copper.minX, 5),
        expect.closeTo(land.copper.maxY, 5),
      ]);
    }
  });
});

describe('a DXF drawing', () => {
  interface Entity {
    readonly type: string;
    readonly layer: string;
    readonly shape?: boolean;
    readonly vertices?: readonly { readonly x: number; readonly y: number; readonly bulge?: number }[];
    readonly radius?: number;
  }
  const areaOfEntity = ({ vertices = [], radius }: Entity): number => {
    if (radius !== undefined) return Math.PI * radius * radius;
    return vertices.reduce((sum, a, i) => {
      const b = vertices[(i + 1) % vertices.length]!;
      const angle = 4 * Math.atan(a.bulge ?? 0);
      const chord = Math.hypot(b.x - a.x, b.y - a.y);
      const bow =
        angle === 0 ? 0 : ((angle - Math.sin(angle)) * (chord / (2 * Math.sin(angle / 2))) ** 2) / 2;
      return sum + (a.x * b.y - b.x * a.y) / 2 + bow;
    }, 0);
  };
  it.each(SOME_VARIANTS.map(({ name, document }) => [name, document] as const))(
    'of %s has its lands as closed outlines',
    async (_, document) => {
      const compiled = writable(document);
      const { content } = await writeFile(formatById('dxf')!, compiled);
      const { entities } = new DxfParser().parseSync(String(content)) as unknown as { entities: Entity[] };
      const copper = entities.filter(({ layer }) => layer === 'TOP_COPPER');
      const own = compiled.footprint.lands
        .filter(({ far }) => !far)
        .map((land) => land.copper)
        .filter(({ minX, maxX }) => maxX > minX);
      const vias = compiled.footprint.lands.flatMap((land) => land.vias);
      expect(copper.length).toBe(own.length + vias.length);
      expect(copper.every(({ type, shape }) => type === 'CIRCLE' || shape)).toBe(true);
      const total =
        own.reduce((sum, { figure }) => sum + areaOf(figure), 0) +
        vias.reduce((sum, { land }) => sum + (Math.PI * land ** 2) / 4, 0);
      expect(copper.reduce((sum, entity) => sum + areaOfEntity(entity), 0)).toBeCloseTo(total, 4);
    },
  );
});

describe('an IDF outline', () => {
  it('is the largest body, counter-clockwise, with its height', async () => {
    const { content } = await writeFile(
      formatById('idf')!,
      writable(chip({}, { marks: { value: '10 "k"' } })),
    );
    const lines = String(content).split('\n');
    expect(lines.slice(0, 5)).toEqual([
      '.HEADER',
      'LIBRARY_FILE 3.0 "Tapis" 1970/01/01.00:00:00 1',
      '.END_HEADER',
      '.ELECTRICAL',
      expect.stringMatching(/^"RESC1608X55N" "10 'k'" MM 0\.\d+$/),
    ]);
    const points = lines.slice(5, -2).map((line) => line.split(' ').map(Number));
    expect(points).toEqual([
      [0, -0.85, -0.45, 0],
      [0, 0.85, -0.45, 0],
      [0, 0.85, 0.45, 0],
      [0, -0.85, 0.45, 0],
      [0, -0.85, -0.45, 0],
    ]);
  });
});
