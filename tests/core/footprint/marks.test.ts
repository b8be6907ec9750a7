import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { LEVELS, type TapisDocument } from '../../../src/core/document/document';
import { compile } from '../../../src/core/footprint/compile';
import { LEGEND_STYLES } from '../../../src/core/footprint/legend-styles';
import { atOrigin } from '../../../src/core/footprint/origin';
import { PIN_1_SHAPES } from '../../../src/core/footprint/pin1-shapes';
import { readNumberList } from '../../../src/core/document/land-numbers';
import { landTowards, numberPath } from '../../../src/core/footprint/renumber';
import { strokeText } from '../../../src/core/footprint/stroke-font';
import { boxAt, boxOfPoints, cornersOf, grow } from '../../../src/core/geometry/box';
import { area, intersect, subtract } from '../../../src/core/geometry/polygon';
import { PROCESSES } from '../../../src/core/process';
import { converter } from '../../data/documents';
import { footprintOf, STRATA, VARIANTS } from '../../data/families';

/** Legend findings of a document that it must never have. */
function clashes(document: TapisDocument) {
  return check(compile(document)).findings.filter(({ rule }) => rule === 'legend-over-land');
}

describe('legend styles', () => {
  // every family's first variant and every fifth of the others, in every style, level and process
  const some = STRATA;
  it.each(some.map(({ name, document }) => [name, document] as const))(
    '%s keeps clear of openings',
    (_, document) => {
      for (const { id: style } of LEGEND_STYLES) {
        for (const { id: process } of PROCESSES) {
          for (const level of LEVELS) {
            const found = clashes({ ...document, level, process, marks: { style } });
            expect(found, `${style}, ${process}, ${level}: ${found[0]?.message}`).toEqual([]);
          }
        }
      }
    },
  );
  const linesOf = (style: (typeof LEGEND_STYLES)[number]['id'], document = converter()) =>
    footprintOf({ ...document, marks: { style } }).legend.lines;
  it('frames go round everything', () => {
    const [frame, ...others] = linesOf('around');
    expect(others).toEqual([]);
    const box = boxOfPoints(frame ?? []);
    // 7.35/2 + 0.05 + 0.15 + 0.06
    expect(box?.maxX).toBeCloseTo(3.935, 2);
  });
  it('brackets are eight legs at the corners, clipped', () => {
    for (const line of linesOf('corners')) {
      for (const { x, y } of line) expect(Math.abs(x) > 2.2 - 1.2 || Math.abs(y) > 2.5 - 1.2).toBe(true);
    }
  });
  it('dashes lie between the lands of a row where the body is beside them', () => {
    // lands 0.40 wide at 0.65: openings of 0.50 with 0.21 on each side leave nothing between
    expect(linesOf('dashes')).toHaveLength(2);
    expect(linesOf('dashes').every((line) => new Set(line.map(({ y }) => Math.abs(y))).has(2.61))).toBe(true);
    const wide = converter({ n: '8', e: '2', b: '0.31..0.51', D: '7.9..8.1' });
    const upright = linesOf('dashes', wide).filter(([a, b]) => a && b && a.x === b.x);
    expect(upright.length).toBeGreaterThanOrEqual(6);
  });
  it('every shape of the pin-1 mark finds its place beside land 1', () => {
    for (const { id } of PIN_1_SHAPES) {
      const { legend } = footprintOf(converter({}, { marks: { pin1Shape: id } }));
      const box = boxOfPoints(legend.pin1 ?? []);
      expect(box && box.minY, id).toBeGreaterThan(2.275);
      expect(box && box.maxX, id).toBeLessThan(-2.2);
    }
  });
});

describe('stroked text', () => {
  it('is as high as its capitals and centred', () => {
    const { lines, width, height } = strokeText('H8', 1.2);
    const box = boxOfPoints(lines.flat());
    expect(height).toBe(1.2);
    expect(box).toMatchObject({ minY: expect.closeTo(-0.6, 6), maxY: expect.closeTo(0.6, 6) });
    // two letters of 8 units and a gap of 4, at a tenth of a millimetre
    expect(width).toBeCloseTo(2.0, 6);
    expect([box?.minX, box?.maxX]).toEqual([expect.closeTo(-1, 6), expect.closeTo(1, 6)]);
  });
  it('tells every letter, digit and sign from every other', () => {
    const letters = [
      ...'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,-+_/()[]:;=#*%&\'"<>?!µΩ°±×⌀',
    ];
    const drawn = new Map(letters.map((letter) => [JSON.stringify(strokeText(letter, 12).lines), letter]));
    expect(drawn.size).toBe(letters.length);
  });
  it('draws accented letters without their accents, and a box for what it does not know', () => {
    expect(strokeText('É', 1)).toEqual(strokeText('E', 1));
    expect(strokeText('漢', 1).lines[0]).toHaveLength(5);
  });
});

describe('texts', () => {
  const reference = (texts: NonNullable<TapisDocument['marks']>['texts']) =>
    footprintOf(converter({}, { marks: { reference: 'U4', ...(texts ? { texts } : {}) } })).texts.find(
      ({ role }) => role === 'reference',
    );
  it('stand half their height above the courtyard', () => {
    // courtyard up to 2.8, height 1.0
    expect(reference({})?.at).toEqual({ x: 0, y: 2.8 + 0.5 + 0.5 });
  });
  it('turn, move and grow as they are told', () => {
    const turned = reference({ reference: { place: 'point', x: '1', y: '-2', height: '2', rotation: 90 } });
    expect(turned).toMatchObject({ at: { x: 1, y: -2 }, height: 2, rotation: 90 });
    const box = turned?.box;
    expect(box && box.maxX - box.minX).toBeCloseTo(2, 6);
  });
  it('can be left out', () => expect(reference({ reference: { shown: false } })).toBeUndefined());
});

describe('a courtyard as a contour', () => {
  it.each(VARIANTS.filter((_, i) => i % 6 === 0).map(({ name, document }) => [name, document] as const))(
    'of %s encloses lands and body by the excess and is no larger than the box',
    (_, document) => {
      const footprint = footprintOf({ ...document, marks: { courtyard: 'contour' } });
      const { contour, box, excess } = footprint.courtyard;
      if (!contour) return;
      const { x, y, centre = { x: 0, y: 0 } } = footprint.body.extent;
      const inner = [boxAt(centre, x.max, y.max), ...footprint.lands.map(({ copper }) => copper)];
      for (const item of inner) {
        const grown = cornersOf(grow(item, excess - 1e-6));
        expect(subtract([grown], [contour]).reduce((sum, p) => sum + Math.abs(area(p)), 0)).toBeLessThan(
          1e-6,
        );
      }
      const outside = subtract([contour], [cornersOf(grow(box, 1e-6))]);
      expect(outside).toEqual([]);
      expect(intersect([contour], [cornersOf(box)])).toHaveLength(1);
    },
  );
});

describe('the origin', () => {
  const at = (origin: TapisDocument['origin']) => footprintOf(converter({}, origin ? { origin } : {}));
  it.each([
    [undefined, { x: 0, y: 0 }],
    [{ at: 'pin-1' as const }, { x: -2.9, y: 2.275 }],
    [{ at: 'lands' as const }, { x: 0, y: 0 }],
    [
      { at: 'point' as const, x: '1', y: '10mil' },
      { x: 1, y: 0.254 },
    ],
  ])('of %j is %j', (intent, expected) => expect(at(intent).origin).toEqual(expected));
  it('moves everything that is handed over, and nothing against anything else', () => {
    const [still, moved] = [at(undefined), atOrigin(at({ at: 'pin-1' }))];
    expect(moved.lands[0]?.at).toEqual({ x: 0, y: 0 });
    const back = (p: { x: number; y: number }) => ({
      x: expect.closeTo(p.x + 2.9, 6),
      y: expect.closeTo(p.y - 2.275, 6),
    });
    still.lands.forEach((land, i) => {
      expect(moved.lands[i]?.copper.at).toEqual(back(land.copper.at));
      expect(moved.lands[i]?.mask[0]?.at).toEqual(back(land.mask[0]?.at ?? { x: NaN, y: NaN }));
      expect(moved.lands[i]?.contact.nom.at).toEqual(back(land.contact.nom.at));
    });
    expect(moved.courtyard.box.minX).toBeCloseTo(still.courtyard.box.minX + 2.9, 6);
    expect(moved.legend.lines[0]?.[0]).toEqual(back(still.legend.lines[0]?.[0] ?? { x: NaN, y: NaN }));
    expect(moved.texts[0]?.at).toEqual(back(still.texts[0]?.at ?? { x: NaN, y: NaN }));
    expect(moved.body.extent.centre).toEqual({ x: 2.9, y: -2.275 });
  });
});

describe('numbers given by hand', () => {
  it.each([
    ['1, 2 3', ['1', '2', '3']],
    ['1-4', ['1', '2', '3', '4']],
    ['8..6 A1', ['8', '7', '6', 'A1']],
  ])('%s are %j', (text, numbers) => expect(readNumberList(text)).toEqual({ ok: true, value: numbers }));
  it.each([
    ['a-very-long-number', 'longer'],
    ['1-999999', '999999 numbers'],
    ['1,,3', 'After “1,” a number is missing'],
    ['1, 2, ; 3', 'After “2,” a number is missing'],
    [', 2', 'After “,” a number is missing'],
  ])('%s is refused', (text, why) => {
    const read = readNumberList(text);
    expect(read.ok ? '' : read.error).toContain(why);
  });
  const { lands } = footprintOf(converter());
  it('step to the nearest land of a direction', () => {
    const to = (from: number, direction: 'left' | 'right' | 'up' | 'down') =>
      lands[landTowards(lands, from, direction)]?.number;
    expect([to(0, 'down'), to(0, 'right'), to(0, 'up'), to(0, 'left'), to(15, 'down')]).toEqual([
      '2',
      '16',
      '1',
      '1',
      '15',
    ]);
  });
  it('show as a path from number to number', () => {
    const path = numberPath(footprintOf(converter({}, { overrides: { numbers: { 'rows/1': '99' } } })).lands);
    expect(path[0]).toEqual({ x: -2.9, y: 1.625 });
    expect(path.at(-1)).toEqual({ x: -2.9, y: 2.275 });
  });
});
