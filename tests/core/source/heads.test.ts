import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gridsOfHtml } from '../../../src/core/source/html';
import { kindById } from '../../../src/core/source/kinds';
import { readDimensions, tablesOf } from '../../../src/core/source/reading';
import { gridsOfText } from '../../../src/core/source/text';
import { limitsOf } from '../../../src/core/source/value';
import { headSays } from '../../../src/core/source/words';
import { LANGUAGES, LIMIT_WORDS, UNIT_WORDS, plainWord } from '../../../src/core/words';
import { HEAD_WORDS } from '../../../src/core/words/tables';
import { cases } from '../../data/depth';

/** Letter, least, nominal, most. mm */
const PART: readonly (readonly [string, string, string, string])[] = [
  ['A', '0.80', '0.90', '1.00'],
  ['A1', '0.00', '0.02', '0.05'],
  ['D', '3.85', '4.00', '4.15'],
  ['E', '2.90', '3.00', '3.10'],
  ['b', '0.18', '0.25', '0.30'],
  ['L', '0.30', '0.40', '0.50'],
  ['D2', '2.40', '2.50', '2.60'],
  ['E2', '1.50', '1.60', '1.70'],
];
const TRUTH = new Map(PART.map(([letter, min, , max]) => [letter, [Number(min), Number(max)] as const]));

type Cells = readonly (readonly string[])[];
const asText = (rows: Cells) => gridsOfText(rows.map((row) => row.join('\t')).join('\n'));
const asHtml = (rows: Cells) =>
  gridsOfHtml(
    `<table>${rows.map((row) => `<tr>${row.map((cell) => `<td>${cell}</td>`).join('')}</tr>`).join('')}</table>`,
  );

/** What was read wrong without a word, and how many values were read right. */
function heldAgainst(rows: Cells, grids: typeof asText) {
  const reading = readDimensions(tablesOf(grids(rows)), { kind: kindById('no-lead-quad')! });
  const silent: string[] = [];
  let right = 0;
  for (const { symbol, text, unit, doubts } of reading?.dimensions ?? []) {
    const want = TRUTH.get(symbol);
    const got = limitsOf({ text, unit: unit ?? 'mm' });
    if (!want) continue;
    const isRight = got !== null && Math.abs(got.min - want[0]) < 1e-9 && Math.abs(got.max - want[1]) < 1e-9;
    if (isRight) right += 1;
    else if (doubts.length === 0) silent.push(`${symbol}: ${text} for ${want.join('..')}`);
  }
  return { silent, right, doubts: reading?.dimensions.flatMap((one) => one.doubts) ?? [] };
}

const table = (head: readonly string[]) => [head, ...PART];

describe('the dictionaries', () => {
  it('have no word of two meanings beside a number', () => {
    expect([...LIMIT_WORDS].filter(([, meanings]) => meanings.length > 1)).toEqual([]);
    expect([...UNIT_WORDS].filter(([, meanings]) => meanings.length > 1)).toEqual([]);
  });
  it('have their words as they are looked up: composed, in lower case, without a stop at the end', () => {
    for (const { id, limits, units, range } of LANGUAGES)
      for (const words of [limits, units, range].flatMap((part) => Object.values(part)))
        for (const word of words as readonly string[]) expect(plainWord(word), id).toBe(word);
    for (const word of HEAD_WORDS.keys()) expect(plainWord(word)).toBe(word);
  });
  it('tell a unit from the word before it', () => {
    expect(headSays('DIMENSION IN MM').unit).toBe('mm');
    expect(headSays('Dimensions in inch').unit).toBe('in');
    expect(headSays('IN').unit).toBe('in');
  });
  it('take no limit from a word of a name', () => {
    for (const name of ['Lead tip to tip', 'Standard height', 'Tip radius'])
      expect(headSays(name).limit, name).toBeNull();
  });
});

describe('heads of columns', () => {
  it.each([
    ['Symbol', 'Min.', 'Avg.', 'Max.'],
    ['Sym', 'Min', 'Mean', 'Max'],
    ['Dim', 'MIN', 'STD', 'MAX'],
    ['Símbolo', 'mín', 'nom', 'máx'],
    ['Símbolo', 'Mínimo', 'Típico', 'Máximo'],
    ['Simbolo', 'minimo', 'tipico', 'massimo'],
    ['Symbole', 'mini', 'nominale', 'maxi'],
    ['Kurzzeichen', 'kleinst', 'Nennmaß', 'größt'],
    ['記号', '最小', '標準', '最大'],
    ['符号', '最小值', '标称值', '最大值'],
    ['代號', '最小值', '標稱值', '最大值'],
    ['기호', '최소', '공칭', '최대'],
    ['Обозн.', 'мин.', 'ном.', 'макс.'],
    ['Code', 'from', 'nominal', 'to'],
    ['Zeichen', 'von', 'Nennmaß', 'bis'],
  ])('are known in other words and languages: %s %s %s %s', (...head) => {
    for (const grids of [asText, asHtml])
      expect(heldAgainst(table(head), grids)).toEqual({ silent: [], right: PART.length, doubts: [] });
  });

  it.each([
    ['Symbol', 'Min.', 'Keskiarvo', 'Max.'],
    ['Symboli', 'Pienin', 'Nimellinen', 'Suurin'],
    ['Σύμβολο', 'ελάχ', 'ονομ', 'μέγ'],
  ])('that no dictionary has are told by the numbers, and that is said: %s %s %s %s', (...head) => {
    const { silent, right, doubts } = heldAgainst(table(head), asText);
    expect([silent, right]).toEqual([[], PART.length]);
    expect(new Set(doubts)).toEqual(new Set([expect.stringContaining('No head that is known')]));
  });

  it.each(['[µm]', '(um)', 'microns', 'мкм'])('may be in micrometres: %s', (unit) => {
    const small = (mm: string) => String(Math.round(1000 * Number(mm)));
    const rows = PART.map(([letter, ...limits]) => [letter, ...limits.map(small)]);
    const head = ['Symbol', ...['Min.', 'Nom.', 'Max.'].map((word) => `${word} ${unit}`)];
    for (const grids of [asText, asHtml])
      expect(heldAgainst([head, ...rows], grids)).toEqual({ silent: [], right: PART.length, doubts: [] });
  });

  it.each([
    [true, 'Upper dev.', 'Lower dev.'],
    [false, 'Abmaß u.', 'Abmaß o.'],
    [true, '', ''],
    [false, 'qux', 'quux'],
  ])('are deviations by the signs of what stands below them: %s %s %s', (isMoreFirst, one, other) => {
    const rows = PART.map(([letter, min, nom, max]) => {
      const more = `+${(Number(max) - Number(nom)).toFixed(2)}`;
      const less = `−${(Number(nom) - Number(min)).toFixed(2)}`;
      return [letter, nom, ...(isMoreFirst ? [more, less] : [less, more])];
    });
    for (const grids of [asText, asHtml]) {
      const { silent, right } = heldAgainst([['Symbol', 'Nominal', one, other], ...rows], grids);
      expect([silent, right]).toEqual([[], PART.length]);
    }
  });

  it.each(['see note', '–', '', 'max'])('tell a row that has one deviation alone, beside “%s”', (word) => {
    const rows = PART.map(([letter, , nom], i) => [letter, nom, i % 3 === 0 ? word : '+0.10', '−0.05']);
    const { silent } = heldAgainst([['Symbol', 'Nominal', 'Upper', 'Lower'], ...rows], asText);
    const wrong = silent.filter((one) => /^(A|E|D2):/.test(one));
    expect(wrong).toEqual([]);
  });

  it('are in mm where a sentence over them only speaks of micrometres', () => {
    const rows = [['Plating thickness in microns, see below'], ['Symbol', 'Min', 'Nom', 'Max'], ...PART];
    for (const grids of [asText, asHtml])
      expect(heldAgainst(rows, grids)).toMatchObject({ silent: [], right: PART.length });
  });

  it('stand over letters in one row that are no torn ranges', () => {
    const pairs = Array.from({ length: 4 }, (_, i) => [PART[2 * i]!, PART[2 * i + 1]!]);
    const rows = pairs.map((both) => both.flatMap(([letter, min, , max]) => [letter, `${min}-${max}`]));
    expect(heldAgainst([['Sym', 'mm', 'Sym', 'mm'], ...rows], asText).silent).toEqual([]);
  });

  it.each([
    ['=', ['Maß', 'Toleranz']],
    [':', ['Dimension', '']],
    [' = ', []],
  ])('may stand over letters and sizes in one cell, parted by “%s”', (sign, head) => {
    const rows = PART.flatMap(([letter, min, , max]) => {
      const [nominal, spread] = [(Number(min) + Number(max)) / 2, (Number(max) - Number(min)) / 2];
      return [[`${letter}${sign}${nominal.toFixed(3)}`, `± ${spread.toFixed(3)}`]];
    });
    const { silent, right } = heldAgainst(head.length > 0 ? [head, ...rows] : rows, asText);
    expect([silent, right]).toEqual([[], PART.length]);
  });

  it.each([
    ['between', 'and'],
    ['qux', 'og'],
  ])('stand over no half of a range that was torn into cells: %s … %s', (from, and) => {
    const rows = PART.map(([letter, min, , max]) => [letter, from, min, `${and} ${max}`, 'mm']);
    expect(heldAgainst(rows, asText)).toMatchObject({ silent: [], right: 0 });
  });

  it('that fit nowhere are left out, and that is said', () => {
    const rows = [['Symbol', 'Min', 'Max', 'Gewicht'], ...PART.map(([a, b, , d]) => [a, b, d, '7.2'])];
    const { silent, right, doubts } = heldAgainst(rows, asText);
    expect([silent, right]).toEqual([[], PART.length]);
    expect(doubts).toContain('The column “Gewicht” is not understood and was left out.');
  });

  it('that stand apart from the others are left out, and that is said', () => {
    const rows = [
      ['Symbol', 'Min', 'Max', 'Unit', 'Keskiarvo'],
      ...PART.map(([a, b, c, d]) => [a, b, d, 'mm', c]),
    ];
    const { silent, right, doubts } = heldAgainst(rows, asText);
    expect([silent, right]).toEqual([[], PART.length]);
    expect(doubts).toContain('The column “Keskiarvo” is not understood and was left out.');
  });

  it.each([
    ['Standard', 'MO-220'],
    ['Average', 'see note'],
    ['JEDEC', 'MO-220'],
  ])('say no limit where no number stands below them: %s over %s', (head, cell) => {
    const rows = [['Symbol', 'Min', 'Max', head], ...PART.map(([a, b, , d]) => [a, b, d, cell])];
    for (const grids of [asText, asHtml])
      expect(heldAgainst(rows, grids)).toMatchObject({ silent: [], right: PART.length });
  });

  it('are no sizes where a line of text over them was cut into cells', () => {
    const rows = [
      ['', 'All values unless', 'otherwise noted'],
      ['Symbol', 'Min', 'Max'],
      ...PART.map(([a, b, , d]) => [a, b, d]),
    ];
    expect(heldAgainst(rows, asText)).toMatchObject({ silent: [], right: PART.length });
  });

  it('whatever they say, in whatever order, no value is wrong without a word', () => {
    type Said = 'min' | 'nom' | 'typical' | 'max';
    const known = (...limits: readonly Said[]) =>
      fc.constantFrom(...LANGUAGES.flatMap((one) => limits.flatMap((limit) => one.limits[limit] ?? [])));
    const strange = fc
      .array(fc.constantFrom(...'bdfghklprstvwxyzаеиоутἀβγдлаεκ'), { minLength: 3, maxLength: 9 })
      .map((letters) => letters.join(''))
      .filter((word) => !LIMIT_WORDS.has(word));
    const head = (...limits: readonly Said[]) =>
      fc.oneof({ weight: 3, arbitrary: known(...limits) }, { weight: 1, arbitrary: strange });
    const columns = fc.oneof(
      fc.tuple(head('min'), head('nom', 'typical'), head('max')).map((words) => ({ words, of: [1, 2, 3] })),
      fc.tuple(head('min'), head('max')).map((words) => ({ words, of: [1, 3] })),
      fc.tuple(head('min'), head('nom'), head('max'), strange).map((words) => ({ words, of: [1, 2, 3, 4] })),
      fc.tuple(head('max'), head('min')).map((words) => ({ words, of: [3, 1] })),
    );
    fc.assert(
      fc.property(columns, fc.boolean(), ({ words, of }, isHtml) => {
        const rows = [
          ['Symbol', ...words],
          ...PART.map((row) => [row[0], ...of.map((i) => (row as readonly string[])[i] ?? '12.5')]),
        ];
        expect(heldAgainst(rows, isHtml ? asHtml : asText).silent).toEqual([]);
      }),
      { numRuns: cases(170, 5000) },
    );
  });
});
