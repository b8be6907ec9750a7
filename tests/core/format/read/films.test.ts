import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { sortFilms } from '../../../../src/core/format/artwork/film-roles';
import { patternsOfFilms, type FilmsAsked } from '../../../../src/core/format/artwork/read-films';
import { readDrill } from '../../../../src/core/format/artwork/read-drill';
import { readFilm } from '../../../../src/core/format/artwork/read-gerber';
import { evaluate } from '../../../../src/core/format/artwork/read-macro';

const textOf = (name: string) =>
  readFileSync(new URL(`../../../data/given/${name}`, import.meta.url), 'utf8');

function read(names: readonly string[], asked: FilmsAsked = {}) {
  const sorted = sortFilms(
    names.map((name) => ({ name, text: textOf(name) })),
    asked,
  );
  if (!sorted.ok) throw new Error(sorted.error);
  const found = patternsOfFilms(sorted.value, 'lot', asked);
  if (!found.ok) throw new Error(found.error);
  return found.value;
}

test('films of a board give each component that they name, in mm about its middle', () => {
  const { patterns, left } = read(['board-top-copper.gbr', 'board-top-mask.gbr']);
  expect(patterns.map(({ name }) => name)).toEqual(['U2', 'D1']);
  const [u2, d1] = patterns;
  // 0.05 × 0.03 in; the lands reach from 0.975 to 1.205 in, and from 1.935 to 2.015 in
  expect(u2?.lands.map(({ number, copper }) => [number, copper.at.x, copper.at.y, copper.figure])).toEqual([
    ['1', -2.286, 0.635, { kind: 'rectangle', width: 1.27, height: 0.762 }],
    ['2', -2.286, -0.635, { kind: 'rectangle', width: 1.27, height: 0.762 }],
    ['3', 2.286, 0, { kind: 'rectangle', width: 1.27, height: 0.762 }],
  ]);
  expect(u2?.lands[0]?.mask?.[0]?.figure).toMatchObject({ width: 1.3716, height: 0.8636 });
  // a macro of a bar and two circles is an oblong, a region of four corners a rectangle
  const [cathode, anode] = d1?.lands ?? [];
  expect(cathode?.copper.figure.kind).toBe('oblong');
  expect((cathode?.copper.maxY ?? 0) - (cathode?.copper.minY ?? 0)).toBeCloseTo(2.032, 4);
  expect(anode?.copper.figure).toMatchObject({ kind: 'rectangle', width: 1.016, height: 2.032 });
  expect(d1?.lands.map(({ mask }) => mask?.length)).toEqual([1, 0]);
  expect(left.join(' ')).toContain('1 stroke of the copper is left out as a conductor');
  expect(left.join(' ')).toContain('1 via beside the components');
});

test('a box takes what lies in it, and says so where nothing does', () => {
  const { patterns } = read(['board-top-copper.gbr'], { box: { minX: 70, minY: 20, maxX: 85, maxY: 30 } });
  expect(patterns).toHaveLength(1);
  expect(patterns[0]?.lands.map(({ number }) => number)).toEqual(['K', 'A']);
  const sorted = sortFilms([{ name: 'a', text: textOf('board-top-copper.gbr') }]);
  const none =
    sorted.ok && patternsOfFilms(sorted.value, 'a', { box: { minX: 0, minY: 0, maxX: 1, maxY: 1 } });
  expect(none && !none.ok && none.error).toContain('No land lies wholly in the box');
});

test('an older film with trailing zeros left out, joined with a drill file of which one reading meets the copper', () => {
  const { patterns, left } = read(['old-comp.gbr', 'old-drill.drl']);
  const [pattern] = patterns;
  expect(pattern?.lands.map(({ copper }) => copper.at.x)).toEqual([-5.08, 0, 5.08, 10]);
  expect(pattern?.lands[3]?.copper.figure.kind).toBe('contour');
  expect(pattern?.lands.slice(0, 3).map(({ hole }) => hole?.hole.figure)).toEqual(
    Array.from({ length: 3 }, () => ({ kind: 'round', diameter: 0.89916 })),
  );
  expect(pattern?.holes.map(({ figure }) => figure.kind)).toEqual(['round', 'oblong']);
  expect(left.join(' ')).toContain('does not say what it shows');
});

test('poured copper of a film that says nothing is left out, a land of many corners stays', () => {
  const corners = (x: number, y: number, r: number) =>
    Array.from({ length: 17 }, (_, i) => {
      const by = r * (i % 2 === 0 ? 1 : 0.8);
      const angle = (i * Math.PI) / 8;
      return `X${Math.round((x + by * Math.cos(angle)) * 1e6)}Y${Math.round((y + by * Math.sin(angle)) * 1e6)}D0${i === 0 ? 2 : 1}*`;
    }).join('\n');
  const film = [
    '%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1*%\nG01*',
    `G36*\n${corners(0, 0, 20)}\nG37*`,
    `G36*\n${corners(30, 0, 2)}\nG37*`,
    'D10*\nX-5000000Y0D03*\nX0Y0D03*\nX5000000Y0D03*\nM02*',
  ].join('\n');
  const sorted = sortFilms([{ name: 'top copper.gbr', text: film }]);
  const found = sorted.ok && patternsOfFilms(sorted.value, 'x');
  if (!found || !found.ok) throw new Error('not read');
  expect(found.value.patterns[0]?.lands).toHaveLength(4);
  expect(found.value.left.join(' ')).toContain('1 area of copper runs over or round other lands');
});

test('routes and slots are slots, holes are holes', () => {
  const found = readDrill(textOf('routed.xnc'));
  if (!found.ok) throw new Error(found.error);
  expect(found.value.plated).toBe(false);
  expect(found.value.holes.map(({ hole: { at, figure } }) => [at.x, at.y, figure])).toEqual([
    [10, 5, { kind: 'round', diameter: 2 }],
    [2, 2, { kind: 'oblong', width: 2.8, height: 0.8 }],
    [0, 0, { kind: 'round', diameter: 0.8 }],
  ]);
});

test('numbers without points are read by the zeros that they keep', () => {
  const of = (head: string, x: string) => {
    const read = readDrill(`M48\n${head}\nT1C1.0\n%\nT1\nX${x}Y0\nM30\n`);
    return read.ok ? read.value.holes[0]?.hole.at.x : read.error;
  };
  expect(of('METRIC,TZ', '12500')).toBe(12.5);
  expect(of('METRIC,LZ', '0125')).toBe(12.5);
  expect(of('METRIC,TZ,0000.00', '1250')).toBe(12.5);
  expect(of('INCH,TZ', '5000')).toBe(12.7);
  expect(of('INCH,LZ', '005')).toBe(12.7);
  expect(of('METRIC', '12.5')).toBe(12.5);
});

test('whole circles, arcs of one quadrant and mirrored flashes', () => {
  const film = (body: string) => {
    const read = readFilm(`%FSLAX36Y36*%\n%MOMM*%\n%ADD10C,0.2*%\n%ADD11R,2X1*%\n${body}M02*\n`);
    if (!read.ok) throw new Error(read.error);
    return read.value;
  };
  const circle = film('G75*\nG36*\nX1000000Y0D02*\nG03*\nX1000000Y0I-1000000J0D01*\nG37*\n').objects[0]
    ?.placed;
  expect(circle?.figure).toEqual({ kind: 'round', diameter: 2 });
  const quarter = film(
    'G74*\nG36*\nX0Y0D02*\nG01*\nX1000000D01*\nG03*\nX0Y1000000I1000000J0D01*\nG01*\nX0Y0D01*\nG37*\n',
  );
  expect(quarter.objects[0]?.placed?.maxY).toBeCloseTo(1, 6);
  const turned = film('%LR90*%\nD11*\nX5000000Y0D03*\n').objects[0]?.placed;
  expect(turned?.maxY).toBeCloseTo(1, 6);
  const many = film('%SRX3Y2I5J4*%\nD11*\nX0Y0D03*\n%SR*%\nX0Y0D03*\n');
  expect(many.objects.map(({ placed }) => [placed?.at.x, placed?.at.y])).toEqual([
    [0, 0],
    [0, 4],
    [5, 0],
    [5, 4],
    [10, 0],
    [10, 4],
    [0, 0],
  ]);
});

test.each([
  ['%FSLAX36Y36*%\n%ADD10C,1*%\nM02*', 'before the unit'],
  ['%MOMM*%\nX0Y0D03*\nM02*', 'before their format'],
  ['%FSLAX36Y36*%\n%MOMM*%\n%IPNEG*%\nM02*', 'negative'],
  ['%FSLAX36Y36*%\n%MOMM*%\n%SFA0B1*%\nM02*', 'no way that a film can be scaled'],
  ['%FSLAX36Y36*%\n%MOMM', 'does not end'],
])('a film that cannot be read says why: %s', (text, why) => {
  const found = readFilm(text);
  expect(!found.ok && found.error).toContain(why);
});

test('what a film does not define is told, and leaves the rest', () => {
  const found = readFilm('%FSLAX36Y36*%\n%MOMM*%\n%ADD10C,1*%\nD99*\nX0Y0D03*\nD10*\nX1000000Y0D03*\nM02*');
  expect(found.ok && found.value.objects).toHaveLength(1);
  expect(found.ok && found.value.left.join(' ')).toContain('D99');
});

test('arithmetic of macros', () => {
  const of = (text: string) =>
    evaluate(
      text,
      new Map([
        [1, 3],
        [2, 0.5],
      ]),
    );
  expect(of('$1-$2x2')).toBe(2);
  expect(of('-($1+1)/2')).toBe(-2);
  expect(of('$9')).toBe(0);
  expect(of('1/0')).toBeNull();
  expect(of('1+')).toBeNull();
});
