import { expect, test } from 'vitest';
import { readPatterns } from '../../../../src/core/format/import';
import { sortFilms, type FilmRole } from '../../../../src/core/format/artwork/film-roles';
import { patternsOfFilms } from '../../../../src/core/format/artwork/read-films';
import { artworkFiles } from '../../../../src/core/format/artwork/artwork';
import { readBack } from '../../../../src/core/format/artwork/read-back';
import { compile } from '../../../../src/core/footprint/compile';
import { isDrawable } from '../../../../src/core/footprint/footprint';
import { atOrigin } from '../../../../src/core/footprint/origin';
import { flatten } from '../../../../src/core/geometry/contour';
import { areaOf, contourOf, sizeOf, type Placed } from '../../../../src/core/geometry/figure';
import { area } from '../../../../src/core/geometry/polygon';
import { takenIn } from '../../../../src/core/given/document';
import type { GivenPattern } from '../../../../src/core/given/pattern';

// Films as they are drawn in the wild: written by hand here, in mm with three decimals.

const HEAD = '%FSLAX43Y43*%\n%MOMM*%\nG01*\n';
const film = (body: string) => `${HEAD}${body}\nM02*\n`;

function read(films: Readonly<Record<string, string>>, roles: Readonly<Record<string, FilmRole>> = {}) {
  const files = Object.entries(films).map(([name, text]) => ({ name, text }));
  const sorted = sortFilms(files, { roles });
  if (!sorted.ok) throw new Error(sorted.error);
  const found = patternsOfFilms(sorted.value, 'lot');
  if (!found.ok) throw new Error(found.error);
  const words = [...found.value.left, ...found.value.patterns.flatMap(({ left }) => left)].join(' ');
  return { ...found.value, words };
}

const sides = (body: string, name = 'top copper.gbr') =>
  read({ [name]: film(body) }).patterns[0]?.lands.map(({ copper: { figure, at } }) => {
    const { width, height } = sizeOf(figure);
    return [figure.kind, ...[width, height, at.x, at.y].map((value) => Math.round(value * 1000) / 1000)];
  });

test('what is taken away is taken away, and what is drawn later is there again', () => {
  // a bar of 4 × 1 cut into two by a clear bar of 1 × 2, and a disc laid back into the gap
  const cut = sides(
    '%ADD10R,4X1*%\n%ADD11R,1X2*%\n%ADD12C,0.5*%\nD10*\nX0Y0D03*\n%LPC*%\nD11*\nX0Y0D03*\n%LPD*%\nD12*\nX0Y0D03*',
  );
  expect(cut).toHaveLength(3);
  expect(cut).toEqual(
    expect.arrayContaining([
      ['rectangle', 1.5, 1, -1.25, 0],
      ['rectangle', 1.5, 1, 1.25, 0],
      ['round', 0.5, 0.5, 0, 0],
    ]),
  );
});

test('a clear stroke trims a land, a clear area elsewhere leaves it as it was', () => {
  expect(
    sides(
      '%ADD10R,2X1*%\n%ADD11C,0.2*%\nD10*\nX0Y0D03*\nX5000Y0D03*\n%LPC*%\nD11*\nX900Y-2000D02*\nX900Y2000D01*',
    ),
  ).toEqual(
    expect.arrayContaining([
      ['rectangle', 1.8, 1, -0.1, 0],
      ['rectangle', 2, 1, 5, 0],
    ]),
  );
});

/** Copper of the lands of a pattern, mm², to a hundredth. */
const areas = (pattern: GivenPattern | undefined) =>
  pattern?.lands.map(({ copper }) => Math.round(100 * area(flatten(contourOf(copper)))) / 100);

test('apertures with holes and donuts stay open where nothing is drilled, and have their hole where it is', () => {
  const copper = film('%ADD10C,1.5X0.8*%\nD10*\nX0Y0D03*\nX5000Y0D03*');
  const alone = read({ 'top copper.gbr': copper });
  // a disc of 1.5 without one of 0.8: 1.77 − 0.50
  expect(areas(alone.patterns[0])).toEqual([1.26, 1.26]);
  const drill = 'M48\nMETRIC\nT1C0.8\n%\nT1\nX0.0Y0.0\nX5.0Y0.0\nM30\n';
  const drilled = read({ 'top copper.gbr': copper, 'a.drl': drill });
  expect(
    drilled.patterns[0]?.lands.map(({ copper: { figure }, hole }) => [figure, hole?.hole.figure]),
  ).toEqual(
    [0, 1].map(() => [
      { kind: 'round', diameter: 1.5 },
      { kind: 'round', diameter: 0.8 },
    ]),
  );
});

test('a macro of two bars gives two lands', () => {
  const two = '%AMTWO*21,1,1.0,0.5,-1.0,0,0*21,1,1.0,0.5,1.0,0,0*%\n%ADD10TWO*%\nD10*\nX0Y0D03*';
  expect(sides(two)).toEqual(
    expect.arrayContaining([
      ['rectangle', 1, 0.5, -1, 0],
      ['rectangle', 1, 0.5, 1, 0],
    ]),
  );
});

test('the ring round the port of a microphone stays a ring, with its mask, in a document and on its films', () => {
  const ring = (outer: number, inner: number) =>
    film(
      `%AMRING*1,1,${outer},0,0*1,0,${inner},0,0*%\n%ADD10RING*%\n%ADD11R,0.6X0.6*%\nD10*\nX0Y0D03*\nD11*\nX1500Y0D03*`,
    );
  const port = 'M48\n; #@! TF.FileFunction,NonPlated,1,2,NPTH\nMETRIC\nT1C0.5\n%\nT1\nX0.0Y0.0\nM30\n';
  const found = read({
    'top copper.gbr': ring(1.6, 1),
    'top mask.gbr': ring(1.7, 0.9),
    'port.drl': port,
  });
  const [pattern] = found.patterns;
  // π/4 (1.6² − 1²) and 0.6²; the hole lies in no copper
  expect(areas(pattern)).toEqual([1.22, 0.36]);
  expect(pattern?.holes.map(({ figure }) => figure)).toEqual([{ kind: 'round', diameter: 0.5 }]);
  expect(found.words).not.toMatch(/solid|not kept/);
  const compiled = compile(takenIn(pattern as GivenPattern).document);
  if (!isDrawable(compiled)) throw new Error('not drawn');
  const footprint = atOrigin(compiled.footprint);
  // the mask too is a ring, and nothing of it reaches beyond: π/4 (1.7² − 0.9²)
  const [mask] = footprint.lands
    .flatMap((land) => land.mask)
    .sort((a, b) => b.maxX - b.minX - a.maxX + a.minX);
  expect(Math.abs(areaOf((mask as Placed).figure) - 1.634)).toBeLessThan(0.008);
  const reach = flatten(contourOf(mask as Placed)).map((at) =>
    Math.hypot(at.x - (mask as Placed).at.x, at.y - (mask as Placed).at.y),
  );
  expect(Math.max(...reach)).toBeLessThan(0.8502);
  // a stencil cannot hold what lies in the ring: its paste is in two halves
  const paste = footprint.lands.flatMap((land) => land.paste);
  expect(paste).toHaveLength(3);
  const back = readBack([footprint], artworkFiles({ ...compiled, footprint }));
  expect(back.find(({ file }) => /top-copper/.test(file))).toMatchObject({ things: 2, within: 0.0002 });
  expect(back.every(({ within }) => within !== null)).toBe(true);
});

test('flashes are mirrored, turned and scaled', () => {
  const corner = '%AMEL*4,1,6,0,0,2,0,2,1,1,1,1,2,0,2,0,0,0*%\n%ADD10EL*%\nD10*\n';
  const boxOf = (state: string) => {
    const copper = read({ 'top copper.gbr': film(`${corner}${state}\nX0Y0D03*`) }, {}).copper[0];
    return [copper?.minX, copper?.maxX, copper?.minY, copper?.maxY];
  };
  expect(boxOf('')).toEqual([0, 2, 0, 2]);
  expect(boxOf('%LMX*%')).toEqual([-2, 0, 0, 2]);
  expect(boxOf('%LMY*%')).toEqual([0, 2, -2, 0]);
  expect(boxOf('%LMXY*%')).toEqual([-2, 0, -2, 0]);
  expect(boxOf('%LS1.5*%')).toEqual([0, 3, 0, 3]);
  expect(boxOf('%LMX*%\n%LR90*%\n%LS2.0*%')).toEqual([-4, 0, -4, 0]);
});

test('lands that are painted stroke by stroke are lands, conductors are not', () => {
  const strokes = Array.from(
    { length: 5 },
    (_, i) => `X-900Y${-400 + i * 200}D02*\nX900Y${-400 + i * 200}D01*`,
  );
  const painted = read({
    'top copper.gbr': film(
      `%ADD10C,0.25*%\nD10*\n${strokes.join('\n')}\nX5000Y0D02*\nX9000Y0D01*\nX9000Y4000D01*`,
    ),
  });
  const [land, ...others] = painted.patterns[0]?.lands ?? [];
  expect(others).toEqual([]);
  expect(land?.copper.figure.kind).toBe('rectangle');
  expect((land?.copper.maxX ?? 0) * 2).toBeCloseTo(2.05, 3);
  expect((land?.copper.maxY ?? 0) * 2).toBeCloseTo(1.05, 3);
  expect(painted.words).toMatch(/1 land is painted with strokes.*at 0, 0 mm/);
  expect(painted.words).toContain('1 stroke of the copper is left out as a conductor');
});

test('a painted land with a conductor of the same pen is what is wider than the conductor', () => {
  const strokes = Array.from(
    { length: 9 },
    (_, i) => `X-900Y${-800 + i * 200}D02*\nX900Y${-800 + i * 200}D01*`,
  );
  const painted = read({
    'top copper.gbr': film(`%ADD10C,0.25*%\nD10*\n${strokes.join('\n')}\nX900Y0D02*\nX30000Y0D01*`),
  });
  const [land, ...others] = painted.patterns[0]?.lands ?? [];
  expect(others).toEqual([]);
  expect((land?.copper.maxX ?? 0) - (land?.copper.minX ?? 0)).toBeCloseTo(2.05, 1);
  expect((land?.copper.maxY ?? 0) - (land?.copper.minY ?? 0)).toBeCloseTo(1.85, 1);
});

test('a ring that is drawn by one stroke is a conductor, and hides no land that lies in it', () => {
  // a guard ring of 4 × 3 round a land of 1 × 1
  const ring = 'D10*\nX0Y0D02*\nX4000Y0D01*\nX4000Y3000D01*\nX0Y3000D01*\nX0Y0D01*';
  const found = read({
    'top copper.gbr': film(`%ADD10C,0.2*%\n%ADD11R,1X1*%\n${ring}\nD11*\nX2000Y1500D03*`),
  });
  expect(found.patterns[0]?.lands.map(({ copper: { at } }) => [at.x, at.y])).toHaveLength(1);
  expect(found.words).toContain('1 stroke of the copper is left out as a conductor');
});

test('single strokes: oblong lands where the mask frees them, or where they are short and touch nothing', () => {
  const copper = film(
    '%ADD10C,0.6*%\nD10*\nX0Y0D02*\nX1000Y0D01*\nX5000Y0D02*\nX6000Y0D01*\nX0Y5000D02*\nX9000Y5000D01*',
  );
  expect(read({ 'top copper.gbr': copper }).patterns[0]?.lands.map(({ copper: { at } }) => at.x)).toEqual([
    0.5, 5.5,
  ]);
  const mask = film('%ADD10C,0.7*%\nD10*\nX0Y0D02*\nX1000Y0D01*');
  const freed = read({ 'top copper.gbr': copper, 'top mask.gbr': mask });
  expect(freed.patterns[0]?.lands.map(({ copper: { at, figure } }) => [at.x, figure])).toEqual([
    [0.5, { kind: 'oblong', width: 1.6, height: 0.6 }],
  ]);
  expect(freed.patterns[0]?.lands[0]?.mask).toHaveLength(1);
  expect(freed.words).toContain('2 strokes of the copper are left out as conductors');
});

test('strokes with a square pen cover what the pen covers', () => {
  const square = film('%ADD10R,0.5X0.5*%\nD10*\nX0Y0D02*\nX1000Y0D01*');
  expect(read({ 'top copper.gbr': square }).patterns[0]?.lands[0]?.copper.figure).toEqual({
    kind: 'rectangle',
    width: 1.5,
    height: 0.5,
  });
});

test('a whole film that is moved, scaled or mirrored by its own commands is, and says so', () => {
  const moved = read({
    'top copper.gbr': film('%OFA1.0B-2.0*%\n%SFA2.0B2.0*%\n%ADD10R,2X1*%\nD10*\nX1000Y0D03*'),
  });
  const [land] = moved.copper;
  expect([land?.at.x, land?.at.y, land && land.maxX - land.minX]).toEqual([3, -2, 4]);
  expect(moved.words).toContain('moved, turned, mirrored or scaled by its own commands');
  const swapped = read({ 'top copper.gbr': film('%ASAYBX*%\n%ADD10R,2X1*%\nD10*\nX1000Y3000D03*') });
  expect([
    swapped.copper[0]?.at,
    swapped.copper[0] && swapped.copper[0].maxX - swapped.copper[0].minX,
  ]).toEqual([{ x: 3, y: 1 }, 1]);
});

const PIN = (component: string, number: string, at: string) =>
  `%TO.P,${component},${number}*%\n${at}\n%TD*%\n`;

test('a board gives the components of both sides, those below as seen from their own side', () => {
  const board = read({
    'a.gbr': film(
      `%TF.FileFunction,Copper,L1,Top*%\n%ADD10R,1X2*%\nD10*\n${PIN('R1', '1', 'X10000Y0D03*')}${PIN('R1', '2', 'X12000Y0D03*')}X50000Y50000D03*`,
    ),
    'b.gbr': film(
      `%TF.FileFunction,Copper,L2,Bot*%\n%ADD10R,1X2*%\nD10*\n${PIN('C7', '1', 'X20000Y0D03*')}${PIN('C7', '2', 'X24000Y1000D03*')}`,
    ),
    'm.gbr': film(
      '%TF.FileFunction,Soldermask,Bot*%\n%ADD10R,1.1X2.1*%\nD10*\nX20000Y0D03*\nX70000Y7000D03*',
    ),
  });
  expect(board.patterns.map(({ name }) => name)).toEqual(['R1', 'C7']);
  const c7 = board.patterns[1];
  // from below the second land is left of the first
  expect(c7?.lands.map(({ number, copper }) => [number, copper.at.x, copper.at.y])).toEqual([
    ['1', 2, -0.5],
    ['2', -2, 0.5],
  ]);
  expect(c7?.lands.map(({ mask }) => mask?.length)).toEqual([1, 0]);
  expect(c7?.left[0]).toContain('far side of the films');
  expect(board.words).toContain('1 piece of copper that belongs to no component is left out: at 50, 50 mm');
  expect(board.words).toContain('1 opening of the mask over no land of a component is left out: at 70, 7 mm');
});

test('a box takes of a board what lies in it, and tells nothing of what lies elsewhere', () => {
  const files = [
    {
      name: 'a.gbr',
      text: film(
        `%TF.FileFunction,Copper,L1,Top*%\n%ADD10R,1X2*%\nD10*\n${['R1', 'R2', 'R3'].map((name, i) => PIN(name, '1', `X${i * 10}000Y0D03*`) + PIN(name, '2', `X${i * 10 + 2}000Y0D03*`)).join('')}X11000Y9000D03*`,
      ),
    },
  ];
  const sorted = sortFilms(files);
  const found =
    sorted.ok && patternsOfFilms(sorted.value, 'lot', { box: { minX: -2, minY: -2, maxX: 14, maxY: 12 } });
  if (!found || !found.ok) throw new Error('not read');
  expect(found.value.patterns.map(({ name }) => name)).toEqual(['R1', 'R2']);
  expect(found.value.left).toEqual([
    '1 piece of copper that belongs to no component is left out: at 11, 9 mm.',
  ]);
});

test('a board that names nothing and has more lands than a pattern gives its copper to be boxed', () => {
  const lands = Array.from(
    { length: 6000 },
    (_, i) => `X${(i % 100) * 2000}Y${Math.floor(i / 100) * 2000}D03*`,
  );
  const many = read({ 'top copper.gbr': film(`%ADD10C,1*%\nD10*\n${lands.join('\n')}`) });
  expect(many.patterns).toEqual([]);
  expect(many.copper).toHaveLength(6000);
  expect(many.words).toContain('Take a part of them by a box');
});

test('a pattern that is on the far side alone is taken from there, a card edge keeps its far row', () => {
  const below = read({ 'bottom copper.gbr': film('%ADD10R,1X2*%\nD10*\nX-1000Y0D03*\nX3000Y0D03*') });
  expect(below.patterns[0]?.lands.map(({ copper }) => copper.at.x)).toEqual([1, -3]);
  expect(below.words).toContain('left and right are exchanged');
  const edge = read({
    'a.gbr': film(
      `%TF.FileFunction,Copper,L1,Top*%\n%ADD10R,1X2*%\nD10*\n${PIN('J1', 'A1', 'X0Y0D03*')}${PIN('J2', '1', 'X9000Y0D03*')}`,
    ),
    'b.gbr': film(`%TF.FileFunction,Copper,L2,Bot*%\n%ADD10R,1X2*%\nD10*\n${PIN('J1', 'B1', 'X0Y0D03*')}`),
  });
  const lands = edge.patterns.find(({ name }) => name.includes('J1'))?.lands ?? edge.patterns[0]?.lands;
  expect(lands?.map(({ number, far = false }) => [number, far])).toEqual([
    ['A1', false],
    ['B1', true],
  ]);
});

test.each([
  ['board.GTL', 'copper'],
  ['board.gbs', 'far-mask'],
  ['Kupfer unten.gbr', 'far-copper'],
  ['masque dessus.gbr', 'mask'],
  ['pasta inferior.gbr', 'far-paste'],
  ['serigrafía superior.gbr', 'legend'],
  ['rame_retro.gbr', 'far-copper'],
  ['component side.gbr', 'copper'],
  ['inner2 copper.gbr', 'leave'],
  ['маска.gbr', 'mask'],
  // without their accents, as names of files are written
  ['vernis_dessus.ger', 'mask'],
  ['pate_dessus.ger', 'paste'],
  ['loetstopp_oben.gbr', 'mask'],
  ['dessus.gbr', 'copper'],
])('%s is taken for %s', (name, role) => {
  const plain = film('%ADD10C,1*%\nD10*\nX0Y0D03*');
  const sorted = sortFilms([
    { name, text: plain },
    { name: 'x.gbr', text: plain },
  ]);
  expect(sorted.ok && sorted.value[0]?.role).toBe(role);
});

test('arcs of a film that does not say how their middles are meant are read by their ends, and told', () => {
  // a disc of 2 mm in quarters, offsets without signs
  const quarters = (mode: string) =>
    read({
      'top copper.gbr': film(
        `${mode}G36*\nX1000Y0D02*\nG03*\nX0Y1000I1000J0D01*\nX-1000Y0I0J1000D01*\nX0Y-1000I1000J0D01*\nX1000Y0I0J1000D01*\nG37*`,
      ),
    });
  for (const mode of ['G74*\n', '']) {
    const { patterns, words } = quarters(mode);
    expect(patterns[0]?.lands.map(({ copper }) => copper.figure)).toEqual([{ kind: 'round', diameter: 2 }]);
    expect(/middles of its arcs are meant/.test(words)).toBe(mode === '');
  }
  // where it says so and the ends do not lie on one circle, the arc is no arc
  expect(quarters('G75*\n').words).toContain('an arc whose ends lie at different distances from its middle');
});

test('copper within copper is no land, and copper that is said to be negative is told', () => {
  const square = (from: number, to: number) =>
    `X${from}Y${from}D02*\nX${to}Y${from}D01*\nX${to}Y${to}D01*\nX${from}Y${to}D01*\nX${from}Y${from}D01*\n`;
  const { patterns, words } = read({
    'top copper.gbr': `%TF.FileFunction,Copper,L1,Top*%\n%TF.FilePolarity,Negative*%\n${film(`G36*\n${square(0, 4000)}${square(1000, 3000)}G37*`)}`,
  });
  expect(areas(patterns[0])).toEqual([16]);
  expect(words).toContain('1 area of copper lies wholly within another and is left out: at 2, 2 mm.');
  expect(words).toContain('top copper.gbr says that it is negative');
});

test('areas that overlap are one land, what a pen leaves in the middle of what it paints is part of it', () => {
  const box = (x: number, y: number, w: number, h: number) =>
    `G36*\nX${x}Y${y}D02*\nX${x + w}Y${y}D01*\nX${x + w}Y${y + h}D01*\nX${x}Y${y + h}D01*\nX${x}Y${y}D01*\nG37*\n`;
  const tab = read({ 'top copper.gbr': film(box(0, 0, 4000, 2000) + box(1000, 1500, 2000, 1500)) });
  expect(areas(tab.patterns[0])).toEqual([4 * 2 + 2 * 1]);
  expect(tab.words).toContain('1 land is drawn as areas that overlap');
  // two rings of the pen, and a dab that fills their middle
  const ring = (r: number) => `X${r}Y0D02*\nG03*\nX${r}Y0I-${r}J0D01*\nG01*\n`;
  const spot = read({
    'top copper.gbr': film(`G75*\n%ADD10C,0.1*%\nD10*\n${ring(160)}${ring(80)}X0Y0D02*\nX0Y0D01*`),
  });
  expect(spot.patterns[0]?.lands).toHaveLength(1);
  expect(spot.patterns[0]?.lands[0]?.copper.figure).toMatchObject({
    kind: 'round',
    diameter: expect.closeTo(0.42, 3) as number,
  });
  // flashes that touch stay as they are, and are told
  const two = read({ 'top copper.gbr': film('%ADD10R,2X1*%\nD10*\nX0Y0D03*\nX1500Y0D03*') });
  expect(two.patterns[0]?.lands).toHaveLength(2);
  expect(two.words).toContain('1 land overlaps another and is kept as drawn: at 0, 0 mm');
});

test('films that say no more than their side are none of them taken for copper where there are several', () => {
  const flash = film('%ADD10C,1*%\nD10*\nX0Y0D03*');
  const none = readPatterns(
    ['top.gbr', 'top 2.gbr'].map((name) => ({ name, bytes: new TextEncoder().encode(flash) })),
  );
  expect(none.ok && none.value.patterns).toEqual([]);
  expect(none.ok && none.value.left.join(' ')).toContain('None of the films shows copper');
  const { patterns, words } = read({ 'dessus.gbr': flash, 'cuivre dessus.gbr': flash });
  expect(patterns[0]?.lands).toHaveLength(1);
  expect(words).toContain('dessus.gbr says no more than its side');
});
