import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainScope, readEntry, readLength, type EntryScope } from '../../../src/core/units/entry';
import { parseEntry } from '../../../src/core/units/entry-tree';
import { MM_PER, quantise, type LengthUnit } from '../../../src/core/units/length';
import { exactly, printEntry, type Given, type Toleranced } from '../../../src/core/units/toleranced';
import { cases } from '../../data/depth';

const mm = plainScope('mm');

function reading(text: string, scope: EntryScope = mm) {
  const result = readEntry(text, scope);
  if (!result.ok) throw new Error(`${text}: ${result.error.message}`);
  return result.value;
}

const read = (text: string, scope: EntryScope = mm): Toleranced => reading(text, scope).value;
const doubts = (text: string) => reading(text).doubts.map(({ message }) => message);

function hints(text: string) {
  const tree = parseEntry(text);
  return tree.ok ? tree.value.hints : tree.error;
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

type Case = [text: string, given: Given, min: number, nom?: number, max?: number];

const RANGE = [5.8, 6, 6.2] as const;
const SIX = [5.9, 6, 6.2] as const;

describe('what datasheets print', () => {
  it.each<Case>([
    // ranges
    ...[
      '5.8..6.2',
      '5.8...6.2',
      '5.8-6.2',
      '5.8 – 6.2 mm',
      '5.8~6.2',
      '5.8 to 6.2',
      '5.8/6.2',
      '5.8 6.2',
    ].map<Case>((text) => [text, 'range', ...RANGE]),
    ...[
      '5.8 ÷ 6.2',
      '6.2-5.8',
      '6.2..5.8',
      '5.8, 6.2',
      '5.8,6.2',
      '5,8;6,2',
      '5.8mm-6.2mm',
      '５．８～６．２',
    ].map<Case>((text) => [text, 'range', ...RANGE]),
    ['0.45/0.75', 'range', 0.45, 0.6, 0.75],
    ['3.8/4.0', 'range', 3.8, 3.9, 4],
    ['0.30-0.45 TYP', 'range', 0.3, 0.375, 0.45],
    ['5...6', 'range', 5, 5.5, 6],
    ['-0.1..0.1', 'range', -0.1, 0, 0.1],
    // limits by name
    ...[
      'min 5.8 max 6.2',
      '5.8 MIN 6.2 MAX',
      'MIN. 5.8, MAX. 6.2',
      'min 5.8 6.2 max',
      '≥5.8 ≤6.2',
      '6.2 max 5.8 min',
    ].map<Case>((text) => [text, 'range', ...RANGE]),
    ['min 5.8 nom 5.9 max 6.2', 'range', 5.8, 5.9, 6.2],
    ['1.2 NOM, 1.4 MAX', 'asymmetric', 1.2, 1.2, 1.4],
    ...[
      'max 1.75',
      '1.75 max.',
      '1.75 (max)',
      'MAX1.75',
      '<1.75',
      '<= 1.75',
      '≤1.75',
      '⩽1.75',
      '≦1.75',
      '-|-|1.75',
    ].map<Case>((text) => [text, 'max', 1.75]),
    ...['min 0.2', '0.2 (MIN.)', '>0.2', '≥ 0.2', '≧0.2', '0.2|n/a|-'].map<Case>((text) => [
      text,
      'min',
      0.2,
    ]),
    // three values
    ...[
      '0.85 0.90 1.00',
      '0.85/0.90/1.00',
      '0.85 - 0.90 - 1.00',
      '0.85..0.9..1.0',
      '0.85,0.90,1.00',
      '1.00 0.90 0.85',
    ].map<Case>((text) => [text, 'range', 0.85, 0.9, 1]),
    ['0.85\t0.90\t1.00', 'range', 0.85, 0.9, 1],
    ['| 0.85 | 0.90 | 1.00 |', 'range', 0.85, 0.9, 1],
    ['0.85 | - | 1.00', 'range', 0.85, 0.925, 1],
    // tolerances
    ...['6.0±0.2', '6.0 +/- 0.2', '6.0 +- .2', '6.0±0.2 TYP', '(6.0±0.2)', '6,0 ± 0,2 mm'].map<Case>(
      (text) => [text, 'plus-minus', ...RANGE],
    ),
    ['6.0±3%', 'plus-minus', 5.82, 6, 6.18],
    ...[
      '6.0+0.2-0.1',
      '6.0 +0.2/-0.1',
      '6.0 -0.1 +0.2',
      '6.0 (+0.2/-0.1)',
      '6.0 + 0.2 / − 0.1',
      '6.0 (+0.2, -0.1)',
    ].map<Case>((text) => [text, 'asymmetric', ...SIX]),
    ...['6.0 +0.1', '6.0 +0.1 -0', '6.0 +0.1/0', '6.0 -0/+0.1'].map<Case>((text) => [
      text,
      'asymmetric',
      6,
      6,
      6.1,
    ]),
    ...['6.0 -0.1', '6.0-0.1', '6.0 0/-0.1', '6.0 0 -0.1', '6,0 +0 -0,1'].map<Case>((text) => [
      text,
      'asymmetric',
      5.9,
      6,
      6,
    ]),
    ['0.3 -0.1', 'asymmetric', 0.2, 0.3, 0.3],
    // single values
    ...['typ 1.04', '1.04 TYP.', '~1.04', '1.04 nominal', 'ca. 1.04'].map<Case>((text) => [
      text,
      'typical',
      1.04,
    ]),
    ...['1.04 REF', '(1.04)', '1.04 (ref.)'].map<Case>((text) => [text, 'reference', 1.04]),
    ...['0.65 BSC', '0.65 B.S.C.', 'basic 0.65', 'exact 0.65'].map<Case>((text) => [text, 'exact', 0.65]),
    ['.5', 'bare', 0.5],
    ['5.', 'bare', 5],
    // the same in another unit
    ['1.27 [.050]', 'bare', 1.27],
    ['5.80 (0.228)', 'bare', 5.8],
    ['.228 [5.80]', 'bare', 5.8],
    ['50 [1.27]', 'bare', 1.27],
    ['5.80mm/.228in', 'bare', 5.8],
    ['6.0±0.2 (.236±.008)', 'plus-minus', ...RANGE],
    ['1.27 BSC [.050 BSC]', 'exact', 1.27],
    ['6.0 (5.8-6.2)', 'range', ...RANGE],
    // what stands beside
    ...[
      '3X 0.5',
      '8× 0.5',
      '8x0.50',
      '0.5 (8X)',
      '2 PL 0.5',
      '0.5 4 PLCS',
      '4-R0.5',
      'C0.5',
      'R 0.5',
      '□0.5',
      'SQ 0.5',
    ].map<Case>((text) => [text, 'bare', 0.5]),
    ...['⌀0.5', 'Ø 0.5', 'φ0.5', '∅.5', 'L: 0.5', 'L1=0.5', '0.5 DIA'].map<Case>((text) => [
      text,
      'bare',
      0.5,
    ]),
    ['2X 0.30-0.45', 'range', 0.3, 0.375, 0.45],
    ['2.54 x 9 = 22.86', 'bare', 22.86],
    ['2.54×9', 'bare', 22.86],
    // units
    ...['240mil', '240 MIL', '0.24in', '0.240"', "0.24''", '.24 IN.', '.24 inches', '6096 µm'].map<Case>(
      (text) => [text, 'bare', 6.096],
    ),
    ['.228..244"', 'range', 5.7912, 5.9944, 6.1976],
    ['240-260mil', 'range', 6.096, 6.35, 6.604],
    ['0.244±0.008 in', 'plus-minus', 5.9944, 6.1976, 6.4008],
    ...['1/4"', '¼"', '1/4 in'].map<Case>((text) => [text, 'bare', 6.35]),
    ...['1 1/4"', '1-1/4"', '1¼ IN'].map<Case>((text) => [text, 'bare', 31.75]),
    // arithmetic with a bracket, a unit or an asterisk
    ['(17.2)/2', 'bare', 8.6],
    ['240mil/2', 'bare', 3.048],
    ['(6.2-5.8)', 'bare', 0.4],
    ['2*0.3', 'bare', 0.6],
  ])('%s', (text, given, min, nom = min, max = nom) => {
    const value = read(text);
    expect(value.given).toBe(given);
    expect([value.min, value.nom, value.max]).toEqual([min, nom, max].map((v) => expect.closeTo(v, 9)));
  });

  it('reads plain numbers in the unit of the datasheet', () => {
    expect(read('0.228..0.244', plainScope('in')).max).toBeCloseTo(0.244 * 25.4, 9);
    expect(read('50', plainScope('mil')).nom).toBeCloseTo(1.27, 9);
    expect(read('1.27mm', plainScope('mil')).nom).toBe(1.27);
    expect(read('.228 [5.80]', plainScope('in')).nom).toBeCloseTo(5.7912, 9);
    expect(read('5.80 [.228]', plainScope('in')).nom).toBeCloseTo(5.7912, 9);
  });

  it('keeps what stands beside the number', () => {
    expect(hints('8× ⌀0.30')).toEqual({ count: 8, mark: 'diameter' });
    expect(hints('b: 0.30 (8X)')).toEqual({ letter: 'b', count: 8 });
    expect(hints('4-R0.2')).toEqual({ count: 4, mark: 'radius' });
    expect(hints('5.8..6.2')).toEqual({});
  });

  it.each([
    ['0.30..6.2', 'more than ten to one'],
    ['5.80 (0.250)', 'is 0.2283 in, but beside it stands 0.25 in'],
    ['2.54 x 9 = 22.68', 'is 22.86, not 22.68'],
    ['1.00 0.90 0.85', 'greatest first'],
    ['1.2 NOM, 1.4 MAX', 'No minimum is printed'],
  ])('%s is read with a word: %s', (text, words) => {
    expect(doubts(text)).toEqual([expect.stringContaining(words)]);
  });

  it.each(['0..0.05', '0.02-0.15', '1.27 [.050]', '5.8 (.228)', '1.27 x 9 = 11.43', '6.2-5.8'])(
    '%s is read without a word',
    (text) => expect(doubts(text)).toEqual([]),
  );

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
    ['5,8,9', 3, 'one decimal sign'],
    ['2,,5', 2, 'between the two commas'],
    ['1.000,5', 5, 'one decimal sign'],
    ['1 000', 2, 'leading zeros'],
    ['5. 8', 0, 'behind the decimal sign'],
    ['(1+2', 4, 'closing bracket'],
    ['e/0', 1, 'not zero'],
    ['min 6.2 max 5.8', 4, 'minimum below'],
    ['0.85 1.00 0.90', 5, 'between its limits'],
    ['6.0+0.3+0.1', 8, 'one deviation upwards'],
    ['3.0×0.8', 4, 'one length'],
    ['5#', 1, 'a number, a unit'],
    ['2mm*3mm', 3, 'a length'],
    ['max', 3, 'a number'],
    ['1e-3', 1, 'operator'],
    ['6.0±0.2 MAX', 8, 'end of the entry'],
    // two readings are asked back
    ['17.2/2', 0, '17.2..2 for a range or (17.2)/2'],
    ['5/6', 0, '5..6 for a range'],
    ['0.3-0.1', 0, '0.3 +0/-0.1 for a tolerance'],
    ['8 0.30', 0, '0.30..8 for a range'],
    ['.5..2', 0, '0.5..0.2'],
    ['2×3', 0, '2*3 for the product'],
    ['0·65', 1, 'a range with'],
  ])('“%s” is refused at character %i', (text, at, expected) => {
    const error = refusal(text, packageScope);
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

  it.each([
    ['0.2-0.3', 'one length is expected'],
    ['0.25/0.5', 'A division has brackets'],
    ['0.50 [.030]', 'beside it stands'],
    ['0.2x', 'character'],
    ['max 90', 'a greatest value'],
    ['höchstens 90', 'a greatest value'],
    ['≥ 0.3', 'a least value'],
  ])('one length is not %s', (text, words) => {
    const result = readLength(text, 'mm');
    expect(result.ok ? '' : result.error).toContain(words);
  });

  it.each([
    ['1.2 or less', 'max', 1.2],
    ['up to 1.2', 'max', 1.2],
    ['at least 0.3', 'min', 0.3],
    ['bis zu 1.2', 'max', 1.2],
    ['au moins 0.3', 'min', 0.3],
    ['al massimo 1.2', 'max', 1.2],
    ['no mínimo 0.3', 'min', 0.3],
  ])('a limit may be said in several words: %s', (text, given, value) => {
    expect(reading(text).value).toMatchObject({ given, nom: value });
  });

  it.each([
    ['max 5 typ 7', 'the maximum above the nominal value'],
    ['5 MAX 7 NOM', 'the maximum above the nominal value'],
    ['min 9 typ 7', 'the minimum below the nominal value'],
    ['0≤7typ', 'the maximum above the nominal value'],
  ])('a limit on the wrong side of its nominal value is refused: %s', (text, words) => {
    const result = readEntry(text, packageScope);
    expect(result.ok ? '' : result.error.message).toContain(words);
  });

  it('never throws, whatever is typed', () => {
    const piece = fc.constantFrom(
      ...'0123456789.,+-*/()[]±…"µ <≤eEnLx×|~÷%=:⌀¼'.split(''),
      ...['..', 'max ', 'mm', 'min', 'typ', 'in', ' to ', 'R', '\t', 'PL'],
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 24 }), (pieces) => {
        const result = readEntry(pieces.join(''), packageScope);
        if (result.ok) {
          const { min, nom, max } = result.value.value;
          expect(min).toBeLessThanOrEqual(nom);
          expect(nom).toBeLessThanOrEqual(max);
        } else expect(result.error.at).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: cases(500, 20_000) },
    );
  });
});

describe('every notation in every dress', () => {
  type Values = readonly [min: string, nom: string, max: string, step: string, low: string];
  // values as they are printed: least, nominal, most, and the distances between them
  const NOTATIONS: readonly (readonly [
    (v: Values) => string,
    limits: 'range' | 'up' | 'down' | 'nom' | 'max' | 'min',
  ])[] = [
    [([a, , c]) => `${a}-${c}`, 'range'],
    [([a, , c]) => `${c} - ${a}`, 'range'],
    [([a, , c]) => `${a} ~ ${c}`, 'range'],
    [([a, , c]) => `${a}/${c}`, 'range'],
    [([a, , c]) => `${a} ${c}`, 'range'],
    [([a, , c]) => `${a} TO ${c}`, 'range'],
    [([a, , c]) => `${a} MIN ${c} MAX`, 'range'],
    [([a, b, c]) => `${a} - ${b} - ${c}`, 'range'],
    [([a, b, c]) => `${a}/${b}/${c}`, 'range'],
    [([a, b, c]) => `min ${a} nom ${b} max ${c}`, 'range'],
    [([, b, , s]) => `${b}±${s}`, 'range'],
    [([, b, , s]) => `${b} +${s}/-${s}`, 'range'],
    [([, b, , s]) => `${b} +${s}`, 'up'],
    [([, b, , s]) => `${b} 0/-${s}`, 'down'],
    [([, b]) => `${b} TYP`, 'nom'],
    [([, b]) => `(${b})`, 'nom'],
    [([, b]) => `4X ⌀${b}`, 'nom'],
    [([, , c]) => `${c} MAX.`, 'max'],
    [([a]) => `≥${a}`, 'min'],
  ];
  const DRESS: readonly ((text: string) => string)[] = [
    (text) => text,
    (text) => text.replaceAll('-', '–').replaceAll(' ', '\u2009'),
    (text) => text.replaceAll('-', '−').replaceAll(' ', '\u00a0'),
    (text) => text.toLowerCase(),
    (text) => text.replace(/[!-}]/g, (c) => String.fromCharCode(c.charCodeAt(0) + 0xfee0)),
    (text) => ` ${text.replaceAll('±', '+/-')} `,
  ];
  const UNIT: readonly (readonly [suffix: string, unit: LengthUnit])[] = [
    ['', 'mm'],
    [' mm', 'mm'],
    ['MM', 'mm'],
    [' mil', 'mil'],
    ['"', 'in'],
    [' in', 'in'],
  ];

  it('what is printed is what is read', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NOTATIONS),
        fc.constantFrom(...DRESS),
        fc.constantFrom(...UNIT),
        fc.boolean(),
        fc.integer({ min: 120, max: 2000 }),
        fc.integer({ min: 1, max: 10 }),
        ([print, limits], dress, [suffix, unit], comma, hundredths, tolerance) => {
          const [a, b, c] = [hundredths - tolerance, hundredths, hundredths + tolerance].map(
            (v) => v / 100,
          ) as [number, number, number];
          const [s] = [tolerance / 100];
          const printed = [a, b, c, s, s].map((v) => v.toFixed(2)) as unknown as Values;
          // a unit behind a word or a bracket is printed before it
          const bare = print(printed);
          const text = /[\d]$/.test(bare)
            ? `${bare}${suffix}`
            : bare.replace(/(\d)(?=[^\d]*$)/, `$1${suffix}`);
          const value = read(
            dress(
              comma
                ? text.replaceAll('.', (dot, i: number) => (/\d/.test(text[i + 1] ?? '') ? ',' : dot))
                : text,
            ),
          );
          const factor = MM_PER[unit];
          const expected = {
            range: [a, c],
            up: [b, c],
            down: [a, b],
            nom: [b, b],
            max: [c, c],
            min: [a, a],
          }[limits];
          expect([value.min, value.max]).toEqual(expected.map((v) => expect.closeTo(v * factor, 5)));
        },
      ),
      { numRuns: cases(1500, 40_000) },
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
