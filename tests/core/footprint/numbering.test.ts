import { describe, expect, it } from 'vitest';
import type { Numbering } from '../../../src/core/document/document';
import { numberTerminals, SCHEMES } from '../../../src/core/footprint/numbering';
import { gridLetters, gridRow, readMissing } from '../../../src/core/package/grid';
import { SOME_VARIANTS, variantsOf, footprintOf } from '../../data/families';
import { familyById } from '../../../src/core/package/families';
import type { FamilyDefinition } from '../../../src/core/package/family';

/** Two rows of three: 1 2 3 down the left, 4 5 6 up the right. */
const DUAL = [
  { id: 'rows/1', order: 1, at: { x: -1, y: 1 } },
  { id: 'rows/2', order: 2, at: { x: -1, y: 0 } },
  { id: 'rows/3', order: 3, at: { x: -1, y: -1 } },
  { id: 'rows/4', order: 4, at: { x: 1, y: -1 } },
  { id: 'rows/5', order: 5, at: { x: 1, y: 0 } },
  { id: 'rows/6', order: 6, at: { x: 1, y: 1 } },
];
const own = new Map(DUAL.map(({ id, order }) => [id, String(order)]));

/** The numbers as they stand, row by row from above. */
function drawn(numbering: Numbering): string {
  const numbers = numberTerminals(DUAL, own, numbering, null);
  const at = (x: number, y: number) => numbers.get(DUAL.find((t) => t.at.x === x && t.at.y === y)?.id ?? '');
  return [1, 0, -1].map((y) => `${at(-1, y)} ${at(1, y)}`).join(' / ');
}

describe('numbering', () => {
  it.each([
    [{}, '1 6 / 2 5 / 3 4'],
    [{ scheme: 'around' }, '1 6 / 2 5 / 3 4'],
    [{ scheme: 'around-reversed' }, '1 2 / 6 3 / 5 4'],
    [{ scheme: 'rows' }, '1 2 / 3 4 / 5 6'],
    [{ scheme: 'columns' }, '1 4 / 2 5 / 3 6'],
    [{ scheme: 'zigzag' }, '1 2 / 4 3 / 5 6'],
    [{ scheme: 'grid' }, 'A1 A2 / B1 B2 / C1 C2'],
    [{ corner: 'lower-right' }, '4 3 / 5 2 / 6 1'],
    [{ scheme: 'around', corner: 'lower-left' }, '5 4 / 6 3 / 1 2'],
    [{ scheme: 'rows', corner: 'lower-right' }, '6 5 / 4 3 / 2 1'],
    [{ scheme: 'columns', corner: 'upper-right' }, '4 1 / 5 2 / 6 3'],
    [{ scheme: 'no such scheme' }, '1 6 / 2 5 / 3 4'],
  ] as const)('%j is %s', (numbering, want) => expect(drawn(numbering)).toBe(want));

  it('gives every terminal one number, in every scheme from every corner', () => {
    for (const { id } of SCHEMES) {
      for (const corner of ['upper-left', 'lower-left', 'lower-right', 'upper-right'] as const) {
        const numbers = [...numberTerminals(DUAL, own, { scheme: id, corner }, null).values()];
        expect(new Set(numbers).size, `${id} ${corner}`).toBe(DUAL.length);
      }
    }
  });
  it('letters a diode and signs a capacitor, and turns round with the corner', () => {
    const ends = [DUAL[1], DUAL[4]] as typeof DUAL;
    const letters = (numbering: Numbering, polarity: 'cathode' | 'plus') =>
      [...numberTerminals(ends, own, numbering, polarity)].map(([p, n]) => `${p}${n}`).sort();
    expect(letters({ scheme: 'polarity' }, 'cathode')).toEqual(['rows/2K', 'rows/5A']);
    expect(letters({ scheme: 'polarity', corner: 'lower-right' }, 'plus')).toEqual(['rows/2−', 'rows/5+']);
  });
  it('leaves the exposed pad its number after the rows, in any scheme', () => {
    const [example] = variantsOf(familyById('no-lead-quad') as FamilyDefinition);
    if (!example) throw new Error('no example');
    const { lands } = footprintOf({ ...example.document, numbering: { scheme: 'rows' }, orientation: 'B' });
    expect(lands.find(({ group }) => group === 'pad')?.number).toBe('33');
    expect(lands.find(({ number }) => number === '1')).toBeDefined();
  });
});

it('no two lands of any family share a number, in any scheme from any corner', () => {
  const corners = [undefined, 'lower-left', 'lower-right', 'upper-right'] as const;
  for (const { name, document } of SOME_VARIANTS) {
    if (footprintOf(document).lands.length > 150) continue;
    for (const { id } of SCHEMES) {
      for (const corner of corners) {
        const { lands } = footprintOf({
          ...document,
          numbering: { scheme: id, ...(corner ? { corner } : {}) },
        });
        const numbers = lands.map(({ number }) => number);
        expect(new Set(numbers).size, `${name} ${id} ${corner}`).toBe(numbers.length);
      }
    }
  }
}, 60_000);

describe('grid letters', () => {
  it('leave out I, O, Q, S, X and Z', () => {
    const rows = Array.from({ length: 24 }, (_, row) => gridLetters(row));
    expect(rows.slice(0, 20).join('')).toBe('ABCDEFGHJKLMNPRTUVWY');
    expect(rows.slice(20)).toEqual(['AA', 'AB', 'AC', 'AD']);
    rows.forEach((letters, row) => expect(gridRow(letters)).toBe(row));
    expect(gridRow('I')).toBeNull();
  });
  it('name the places that are missing', () => {
    expect(readMissing('A1, b2..C3 d10')).toEqual({
      places: new Set(['0 0', '1 1', '1 2', '2 1', '2 2', '3 9']),
      error: null,
    });
    expect(readMissing('A1, I4, B2')).toMatchObject({
      places: new Set(['0 0', '1 1']),
      error: expect.stringContaining('I4'),
    });
    expect(readMissing('A1..YYY999').error).toContain('more places');
  });
});

describe('grids', () => {
  const grid = (options: Record<string, string>, dimensions: Record<string, string> = {}) => {
    const family = familyById('ball-grid') as FamilyDefinition;
    const [example] = variantsOf(family);
    if (!example) throw new Error('no example');
    const { package: intent } = example.document;
    return footprintOf({
      ...example.document,
      package: {
        ...intent,
        options,
        dimensions: { ...intent.dimensions, nE: '6', E: '5.9..6.1', ...dimensions },
      },
    });
  };
  it.each([
    [{}, {}, 36],
    [{ layout: 'perimeter' }, { k: '2' }, 32],
    [{ layout: 'hollow' }, { m: '2' }, 32],
    [{ layout: 'hollow' }, { m: '4' }, 20],
    [{ layout: 'staggered' }, {}, 18],
    [{ missing: 'A1, C3..D4' }, {}, 31],
    [{}, { nD: '4', D: '4.4..4.6' }, 24],
  ])('%j %j has %d balls', (options, dimensions, count) => {
    expect(grid(options as Record<string, string>, dimensions as Record<string, string>).lands).toHaveLength(
      count,
    );
  });
  it('keep their letters where balls are missing', () => {
    const { lands } = grid({ missing: 'A2..A5' });
    expect(lands.map(({ number }) => number).slice(0, 3)).toEqual(['A1', 'A6', 'B1']);
    // pitch 0.8: column 6 is 2.5 pitches from the middle
    expect(lands[1]?.at).toEqual({ x: 2, y: 2 });
  });
  it('take different pitches across and upright', () => {
    const { lands } = grid({}, { eD: '0.9', D: '5.9..6.1' });
    expect(lands[0]?.at).toEqual({ x: -2, y: 2.25 });
  });
});
