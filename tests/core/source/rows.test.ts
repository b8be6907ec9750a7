import { describe, expect, it } from 'vitest';
import { kindById } from '../../../src/core/source/kinds';
import { readDimensions, tablesOf } from '../../../src/core/source/reading';
import { gridsOfText } from '../../../src/core/source/text';

/** The dimensions of a table as text: their entries, and a sign behind those that are to be looked at. */
function read(text: string, family: string, size = ''): Readonly<Record<string, string>> {
  const kind = kindById(family);
  const reading = kind && readDimensions(tablesOf(gridsOfText(text)), { kind, size });
  return Object.fromEntries(
    (reading?.dimensions ?? []).map(({ symbol, text: entry, standing }) => [
      symbol,
      `${entry.replaceAll(' ', '')}${standing === 'doubtful' ? '?' : ''}`,
    ]),
  );
}
const rows = (...lines: readonly string[]) => lines.map((line) => line.replaceAll('|', '\t')).join('\n');

describe('a size a row', () => {
  it('has tolerances in columns of their own', () => {
    const table = rows(
      'Size|L|Tol.|W|Tol.|H|Tol.',
      '1608|1.60|0.10|0.80|0.10|0.45|0.10',
      '2012|2.00|0.15|1.25|0.15|0.50|0.10',
    );
    expect(read(table, 'rectangular-chip', '2012')).toMatchObject({ L: '2.00±0.15', W: '1.25±0.15' });
  });
  it('has limits in words that are not known: taken by their numbers, and flagged', () => {
    const table = rows(
      'Storlek|L minst|L högst|W minst|W högst',
      '1608|1.50|1.70|0.70|0.90',
      '2012|1.85|2.15|1.10|1.40',
    );
    expect(read(table, 'rectangular-chip', '1608')).toMatchObject({ L: '1.50..1.70?', W: '0.70..0.90?' });
  });
  it('has a number without a head: never dropped without a word', () => {
    const table = rows('Size|L||W|', '1608|1.50|1.70|0.70|0.90', '2012|1.85|2.15|1.10|1.40');
    expect(read(table, 'rectangular-chip', '1608')).toMatchObject({ L: '1.50..1.70?', W: '0.70..0.90?' });
  });
  it('has a number without a head behind a limit that is said: flagged', () => {
    const table = rows('Size|L min||W', '1608|1.50|1.70|0.70..0.90', '2012|1.85|2.15|1.10..1.40');
    expect(read(table, 'rectangular-chip', '1608')).toMatchObject({ L: expect.stringMatching(/\?$/) });
  });
  it('has rows of an unknown name that may be limits', () => {
    const table = rows('|L|W|H', 'vähintään|1.50|0.70|0.40', 'enintään|1.70|0.90|0.50');
    for (const entry of Object.values(read(table, 'rectangular-chip'))) expect(entry).toMatch(/\?$/);
  });
});

describe('letters that stand with names', () => {
  const body = [
    'A1|Standoff (K)|0.10|0.25',
    'b|Lead width (W)|0.33|0.51',
    'D|Body length|4.80|5.00',
    'E|Lead span|5.80|6.20',
    'E1|Body width|3.80|4.00',
    'e|Lead pitch|1.27|1.27',
    'L|Foot length|0.40|0.80',
  ];
  it('are no letters of their own beside a column of letters', () => {
    const table = rows('Symbol|Parameter|Min|Max', ...body);
    expect(read(table, 'gull-wing-dual')).toMatchObject({
      A1: '0.10..0.25',
      b: '0.33..0.51',
      L: '0.40..0.80',
    });
  });
  it('are the letters where there is no such column', () => {
    const alone = body.map((row) => row.replace(/^(\w+)\|([^(|]+?)( \(\w\))?\|/, '$2, $1|'));
    const table = rows('Dimension, mm|Min|Max', ...alone);
    expect(read(table, 'gull-wing-dual')).toMatchObject({
      A1: '0.10..0.25',
      b: '0.33..0.51',
      L: '0.40..0.80',
    });
  });
  it('take values in words of other languages', () => {
    const said = [
      'Altura (A): 1,75 máximo',
      'Longitud del cuerpo (D): de 4,80 a 5,00',
      'Paso (e): 1,27',
      'Separación (A1): 0,10 mínimo',
    ];
    expect(read(['Dimensiones en mm', ...said].join('\n'), 'gull-wing-dual')).toMatchObject({
      A: expect.stringMatching(/^1\.75máximo/),
      A1: expect.stringMatching(/^0\.10mínimo/),
      D: expect.stringMatching(/^de4\.80a5\.00/),
    });
  });
});

const GULL = [
  'A|1.35|1.75',
  'A1|0.10|0.25',
  'D|4.80|5.00',
  'E|5.80|6.20',
  'E1|3.80|4.00',
  'b|0.33|0.51',
  'L|0.40|1.27',
];
const WIDE = [
  'A|1.45|1.85',
  'A1|0.12|0.27',
  'D|8.55|8.75',
  'E|5.90|6.30',
  'E1|3.85|4.05',
  'b|0.35|0.53',
  'L|0.45|1.25',
];

describe('several parts on one page', () => {
  it('are told apart by the lines over their tables', () => {
    const page = rows(
      'Package MA08',
      '',
      'Symbol|Min|Max',
      ...GULL,
      '',
      'Package MA14',
      '',
      'Symbol|Min|Max',
      ...WIDE,
    );
    expect(read(page, 'gull-wing-dual', 'MA14')).toMatchObject({
      A: '1.45..1.85',
      D: '8.55..8.75',
      L: '0.45..1.25',
    });
    expect(read(page, 'gull-wing-dual', 'MA08')).toMatchObject({
      A: '1.35..1.75',
      D: '4.80..5.00',
      L: '0.40..1.27',
    });
  });
  it('in columns that come twice without a word are flagged', () => {
    const table = rows(
      'Symbol|Min|Max|Min|Max',
      ...GULL.map((line, i) => `${line}|${(WIDE[i] ?? '').split('|').slice(1).join('|')}`),
    );
    for (const entry of Object.values(read(table, 'gull-wing-dual'))) expect(entry).toMatch(/\?$/);
  });
});

it('rows that are counted have a letter and a value all the same', () => {
  const table = rows('No.|Symbol|Min|Max', ...GULL.map((line, i) => `${i + 1}|${line}`));
  expect(read(table, 'gull-wing-dual')).toMatchObject({ A: '1.35..1.75', D: '4.80..5.00', L: '0.40..1.27' });
});
