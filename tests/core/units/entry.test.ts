import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainScope, readEntry, type EntryScope } from '../../../src/core/units/entry';
import { MM_PER, quantise, type LengthUnit } from '../../../src/core/units/length';
import { exactly, printEntry, type Given, type Toleranced } from '../../../src/core/units/toleranced';
import { cases } from '../../data/depth';

const mm = plainScope('mm');

function read(text: string, scope: EntryScope = mm): Toleranced {
  const result = readEntry(text, scope);
  if (!result.ok) throw new Error(`${text}: ${result.error.message}`);
  return result.value;
}

function refusal(text: string, scope: EntryScope = mm) {
  const result = readEntry(text, scope);
  if (result.ok) throw new Error(`${text} was read as ${JSON.stringify(result.value)}`);
  return result.error;
}

const packageScope: EntryScope = {
  kind: 'length',
  unit: 'mm',
  symbols: new Map([
    ['n', { kind: 'count', value: exactly(16) }],
    ['e', { kind: 'length', value: exactly(0.65) }],
    ['E', { kind: 'length', value: { min: 6.2, nom: 6.4, max: 6.6, given: 'range' } }],
    ['L', { kind: 'length', value: { min: 0.45, nom: 0.6, max: 0.75, given: 'range' } }],
  ]),
};

describe('forms of an entry', () => {
  it.each<[string, Given, number, number, number]>([
    ['5.8..6.2', 'range', 5.8, 6, 6.2],
    ['5.8...6.2', 'range', 5.8, 6, 6.2],
    ['5.8-6.2', 'range', 5.8, 6, 6.2],
    ['5.8 – 6.2 mm', 'range', 5.8, 6, 6.2],
    ['5.8..5.9..6.2', 'range', 5.8, 5.9, 6.2],
    ['6.0±0.2', 'plus-minus', 5.8, 6, 6.2],
    ['6.0 +/- 0.2', 'plus-minus', 5.8, 6, 6.2],
    ['6.0+0.2-0.1', 'asymmetric', 5.9, 6, 6.2],
    ['6.0 +0.2/-0.1', 'asymmetric', 5.9, 6, 6.2],
    ['6.0 -0.1 +0.2', 'asymmetric', 5.9, 6, 6.2],
    ['6,0 +0 -0,2', 'asymmetric', 5.8, 6, 6],
    ['max 1.75', 'max', 1.75, 1.75, 1.75],
    ['1.75 max.', 'max', 1.75, 1.75, 1.75],
    ['<= 1.75', 'max', 1.75, 1.75, 1.75],
    ['min 0.2', 'min', 0.2, 0.2, 0.2],
    ['typ 1.04', 'typical', 1.04, 1.04, 1.04],
    ['1.04 REF', 'reference', 1.04, 1.04, 1.04],
    ['0.65 BSC', 'exact', 0.65, 0.65, 0.65],
    ['1.27', 'bare', 1.27, 1.27, 1.27],
    ['.5', 'bare', 0.5, 0.5, 0.5],
    ['5.', 'bare', 5, 5, 5],
    ['5...6', 'range', 5, 5.5, 6],
    ['2.54/2', 'bare', 1.27, 1.27, 1.27],
    ['240mil', 'bare', 6.096, 6.096, 6.096],
    ['0.24in', 'bare', 6.096, 6.096, 6.096],
    ['0.24"', 'bare', 6.096, 6.096, 6.096],
    ['1/4"', 'bare', 6.35, 6.35, 6.35],
    ['850um', 'bare', 0.85, 0.85, 0.85],
    ['240-260mil', 'range', 6.096, 6.35, 6.604],
    ['0.244±0.008 in', 'plus-minus', 5.9944, 6.1976, 6.4008],
    ['(6.2-5.8)', 'bare', 0.4, 0.4, 0.4],
    ['-0.1..0.1', 'range', -0.1, 0, 0.1],
  ])('%s is %s', (text, given, min, nom, max) => {
    const value = read(text);
    expect(value.given).toBe(given);
    expect([value.min, value.nom, value.max]).toEqual([min, nom, max].map((v) => expect.closeTo(v, 9)));
  });

  it('reads plain numbers in the unit of the datasheet', () => {
    expect(read('0.228..0.244', plainScope('in')).max).toBeCloseTo(0.244 * 25.4, 9);
    expect(read('50', plainScope('mil')).nom).toBeCloseTo(1.27, 9);
    expect(read('1.27mm', plainScope('mil')).nom).toBe(1.27);
  });

  it('computes with the other dimensions, limits by interval', () => {
    expect(read('e*(n/2-1)', packageScope)).toMatchObject({ nom: 4.55, given: 'computed' });
    const inside = read('E-2*L', packageScope);
    expect([inside.min, inside.nom, inside.max]).toEqual([4.7, 5.2, 5.7]);
    expect(read('L+0.2', packageScope).max).toBeCloseTo(0.95, 9);
  });
});

describe('an entry that cannot be read', () => {
  it.each([
    ['', 0, 'a value'],
    ['5.8..', 5, 'a number'],
    ['5,8,9', 3, 'operator'],
    ['6 mm 2', 5, 'operator'],
    ['(1+2', 4, 'closing bracket'],
    ['1/0', 1, 'not zero'],
    ['6.2..5.8', 0, 'smaller value first'],
    ['6.2-5.8', 0, 'smaller value first'],
    ['5#', 1, 'a number, a unit'],
    ['2mm*3mm', 3, 'a length'],
    ['max', 3, 'a number'],
  ])('“%s” is refused at character %i', (text, at, expected) => {
    const error = refusal(text);
    expect(error.at).toBe(at);
    expect(error.expected).toContain(expected);
    expect(error.message).toContain(`character ${at + 1}`);
  });

  it('names the dimensions that there are', () => {
    expect(refusal('2*H', packageScope)).toMatchObject({ at: 2, found: 'H', expected: 'one of n, e, E, L' });
  });

  it('refuses a length where a count is asked', () => {
    expect(refusal('16mm', plainScope('mm', 'count')).expected).toBe('a plain number');
  });

  it('never throws, whatever is typed', () => {
    const piece = fc.constantFrom(
      ...'0123456789.,+-*/()±…"µ <≤eEnLmax typinmil'.split(''),
      '..',
      'max ',
      'mm',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 24 }), (pieces) => {
        const result = readEntry(pieces.join(''), packageScope);
        if (result.ok) expect(result.value.min).toBeLessThanOrEqual(result.value.max);
        else expect(result.error.at).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: cases(500, 20_000) },
    );
  });
});

describe('laws', () => {
  const nanometres = fc.integer({ min: 0, max: 90_000_000 });
  const values = fc
    .tuple(nanometres, nanometres, nanometres)
    .map(([a, b, c]) => [a, b, c].sort((x, y) => x - y));
  const units = fc.constantFrom<LengthUnit>('mm', 'um', 'mil', 'in');

  it('what is printed reads back to the same value in every unit', () => {
    const given = fc.constantFrom<Given>(
      'range',
      'max',
      'min',
      'typical',
      'reference',
      'exact',
      'bare',
      'asymmetric',
    );
    fc.assert(
      fc.property(values, units, given, ([a, b, c], unit, how) => {
        const [min, nom, max] = [a, b, c].map((v) => (v as number) / 1e6) as [number, number, number];
        const limited = how === 'range' || how === 'asymmetric';
        const value: Toleranced = limited
          ? { min, nom, max, given: how }
          : { min: nom, nom, max: nom, given: how };
        const back = read(printEntry(value, unit));
        expect(back.given).toBe(how);
        for (const key of ['min', 'nom', 'max'] as const) expect(back[key]).toBeCloseTo(value[key], 6);
      }),
    );
  });

  it('mm, mil and inch agree', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40_000 }), (tenthMils) => {
        const inMil = read(`${tenthMils / 10}mil`).nom;
        const inInch = read(`${tenthMils / 10_000}in`).nom;
        const inMm = read(`${quantise((tenthMils / 10) * MM_PER.mil)}mm`).nom;
        expect(inInch).toBeCloseTo(inMil, 6);
        expect(inMm).toBeCloseTo(inMil, 6);
      }),
    );
  });
});
