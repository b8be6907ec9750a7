import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clipLine } from '../../../src/core/source/clip';
import { composedOf } from '../../../src/core/source/drawn/compose';
import { Equations } from '../../../src/core/source/drawn/equations';
import { drawnPage } from '../../../src/core/source/drawn/page';
import { drawnPatterns } from '../../../src/core/source/drawn/pattern';
import { recommendedOf } from '../../../src/core/source/drawn/recommended';
import type { Ink, InkPath } from '../../../src/core/source/ink';
import type { SourcePage, Word } from '../../../src/core/source/page';
import { compile } from '../../../src/core/footprint/compile';

const line = (...points: number[]): InkPath => ({
  lines: [{ points, isClosed: false, isCurved: false }],
  stroke: { width: 0.4, isDashed: false },
});
const land = (x: number, y: number, w: number, h: number): InkPath => ({
  lines: [{ points: [x, y, x + w, y, x + w, y + h, x, y + h], isClosed: true, isCurved: false }],
  fill: 'solid',
});
/** An arrow whose tip is at a point, along x. */
const arrow = (x: number, y: number, way: 1 | -1): InkPath => ({
  lines: [{ points: [x, y, x - way * 6, y - 1.2, x - way * 6, y + 1.2], isClosed: true, isCurved: false }],
  fill: 'solid',
});
const word = (text: string, x: number, y: number): Word => ({
  text,
  area: { x0: x, y0: y - 6, x1: x + 4 * text.length, y1: y },
  sure: 1,
});
/** A dimension across the page from one place to another, under what it measures. */
const across = (x0: number, x1: number, from: number, y: number): InkPath[] => [
  line(x0, from + 1, x0, y + 2),
  line(x1, from + 1, x1, y + 2),
  line(x0, y, x1, y),
  arrow(x0, y, -1),
  arrow(x1, y, 1),
];
const up = (y0: number, y1: number, from: number, x: number): InkPath[] => {
  const turned = (paths: InkPath[]): InkPath[] =>
    paths.map((path) => ({
      ...path,
      lines: path.lines.map((one) => ({
        ...one,
        points: one.points.flatMap((_, i, all) => (i % 2 === 0 ? [all[i + 1] ?? 0, all[i] ?? 0] : [])),
      })),
    }));
  return turned(across(y0, y1, from, x));
};

const page = (words: readonly Word[]): SourcePage => ({
  number: 1,
  width: 600,
  height: 400,
  words,
  isScan: false,
});

/** Two lands of 1 by 2 mm at 40 points for a millimetre, 3 mm apart. */
const LANDS = [land(100, 100, 40, 80), land(220, 100, 40, 80)];
const read = (words: readonly Word[], paths: readonly InkPath[]) => {
  const ink: Ink = { paths: [...LANDS, ...paths] };
  const sheet = page([
    word('Recommended', 100, 40),
    word('land', 150, 40),
    word('pattern,', 170, 40),
    word('mm', 206, 40),
    ...words,
  ]);
  return drawnPatterns(sheet, drawnPage(sheet, ink, { unit: 'mm' }), { name: 'two' });
};
const upright = [...up(100, 180, 260, 300)];

describe('a drawn pattern', () => {
  it('is said in its printed numbers, each tied to its place', () => {
    const [two] = read(
      [word('1.00', 112, 208), word('3.00', 172, 228), word('2.00', 304, 143)],
      [...across(100, 140, 180, 210), ...across(120, 240, 180, 230), ...upright],
    );
    expect(two?.open).toEqual([]);
    expect(two && recommendedOf(two)).toMatchObject({ Y: '1', X: '2', distance: '3', given: 'centre' });
    const document = composedOf(two!, 'two', { source: { name: 'a.pdf', key: 'k' }, page: 4, isScan: false });
    expect(document.package.pieces).toMatchObject([
      { as: 'row', n: '2', length: 'X', width: 'Y', step: 'e' },
    ]);
    expect(document.package.dimensions['e']).toMatchObject({ text: '3.00', from: { page: 4, text: '3.00' } });
    const lands = compile(document).footprint?.lands ?? [];
    expect(
      lands.map(({ copper }) => [copper.at.x, copper.maxX - copper.minX, copper.maxY - copper.minY]),
    ).toEqual([
      [-1.5, 1, 2],
      [1.5, 1, 2],
    ]);
  });

  it('measures nothing without saying so', () => {
    const [two] = read(
      [word('1.00', 112, 208), word('2.00', 304, 143)],
      [...across(100, 140, 180, 210), ...upright],
    );
    expect(two?.open.map(({ what }) => what)).toEqual(['place of unnumbered land 1 across']);
  });

  it('tells both sums of a chain that does not add up', () => {
    const [two] = read(
      [word('1.00', 112, 208), word('2.00', 172, 208), word('4.40', 172, 238), word('2.00', 304, 143)],
      [
        ...across(100, 140, 180, 210),
        ...across(140, 220, 180, 210),
        ...across(100, 260, 180, 240),
        ...upright,
      ],
    );
    expect(two?.doubts.join(' ')).toMatch(
      /4\.40 does not go with .*by them it is 4 mm, and 4\.4 mm is printed/,
    );
  });

  it('tells a number that does not fit the scale of its view', () => {
    const [two] = read(
      [word('1.00', 112, 208), word('3.60', 172, 228), word('2.00', 304, 143)],
      [...across(100, 140, 180, 210), ...across(120, 240, 180, 230), ...upright],
    );
    expect(two?.doubts).toContain('Drawn 3 mm, says 3.6 mm.');
  });
});

describe('what is drawn alike and printed otherwise', () => {
  it('is told, though the view may not be to scale', () => {
    // four lands in equal steps; the whole row says another step than the first two
    const row = [0, 60, 120, 180].map((x) => land(100 + x, 100, 20, 40));
    const ink: Ink = {
      paths: [
        ...row,
        ...across(110, 170, 140, 170),
        ...across(110, 290, 140, 195),
        ...across(100, 120, 140, 220),
        ...up(100, 140, 300, 330),
      ],
    };
    const words = [
      word('land', 100, 40),
      word('pattern,', 120, 40),
      word('mm', 156, 40),
      word('1.00', 132, 168),
      word('4.50', 192, 193),
      word('0.50', 102, 218),
      word('1.00', 334, 123),
    ];
    const sheet = page(words);
    const [found] = drawnPatterns(sheet, drawnPage(sheet, ink, { unit: 'mm' }), { name: 'row' });
    expect(found?.doubts.join(' ')).toMatch(/drawn (equal|alike).*they differ by/);
  });
});

describe('equations', () => {
  it('keep what is said first exactly, and what follows is the sum of what was said', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 900 }), { minLength: 2, maxLength: 8 }), (steps) => {
        const system = new Equations<number>();
        // places one after the other, each step said once, then the whole of them a second time
        steps.forEach((step, i) =>
          system.add(
            new Map([
              [i + 1, 1],
              [i, -1],
            ]),
            step,
            i,
            1e-6,
          ),
        );
        const whole = new Map([
          [steps.length, 1],
          [0, -1],
        ]);
        const sum = steps.reduce((a, b) => a + b, 0);
        const known = system.valueOf(whole);
        expect(known?.value).toBeCloseTo(sum, 6);
        expect(
          [...(known?.form ?? [])].reduce((all, [i, share]) => all + share * (steps[i] ?? 0), 0),
        ).toBeCloseTo(sum, 6);
        expect(system.add(whole, sum, -1, 1e-6)).toBeNull();
        expect(system.add(whole, sum + 5, -1, 1e-6)?.by).toBeCloseTo(sum, 6);
        // a place that nothing says is not known
        expect(system.valueOf(new Map([[steps.length + 3, 1]]))).toBeNull();
      }),
    );
  });
});

it('shows of a line what lies in a box, and all of what does', () => {
  const box = { x0: 0, y0: 0, x1: 10, y1: 10 };
  const cut = clipLine({ points: [-5, 5, 15, 5], isClosed: false, isCurved: false }, box);
  expect(cut.map(({ points }) => points)).toEqual([[0, 5, 10, 5]]);
  const inner = { points: [1, 1, 9, 9], isClosed: false, isCurved: false };
  expect(clipLine(inner, box)).toEqual([inner]);
  expect(clipLine({ points: [11, 0, 11, 9], isClosed: false, isCurved: false }, box)).toEqual([]);
});
