import { describe, expect, it } from 'vitest';
import { guessFamilies } from '../../../src/core/source/family';
import { gridsOfHtml } from '../../../src/core/source/html';
import { readPattern } from '../../../src/core/source/pattern';
import { readDimensions, tablesOf, type SourceReading } from '../../../src/core/source/reading';
import { kindById } from '../../../src/core/source/kinds';
import { gridsOfText } from '../../../src/core/source/text';

// Tables typed as they stand in data sheets, by hand.

function read(text: string, family: string, more: { size?: string; habit?: Record<string, string> } = {}) {
  const grids = text.includes('<table') ? gridsOfHtml(text) : gridsOfText(text);
  const kind = kindById(family);
  if (!kind) throw new Error(family);
  const reading = readDimensions(tablesOf(grids), { kind, ...more });
  if (!reading) throw new Error('nothing was read');
  return reading;
}
const entries = ({ dimensions }: SourceReading) =>
  Object.fromEntries(dimensions.map(({ symbol, text }) => [symbol, text]));
const flagged = ({ dimensions }: SourceReading) =>
  dimensions.filter(({ standing }) => standing === 'doubtful').map(({ symbol }) => symbol);

const SHUFFLED = `Symbol\tMin\tMax
E\t1.35\t1.75
A\t5.80\t6.20
L\t4.80\t5.00
D\t0.40\t1.27
b\t3.80\t4.00
E1\t0.33\t0.51
A1\t1.27 BSC
e\t0.10\t0.25`;
const MEANT = {
  e: '1.27 BSC',
  E: '5.80..6.20',
  E1: '3.80..4.00',
  D: '4.80..5.00',
  L: '0.40..1.27',
  b: '0.33..0.51',
  A: '1.35..1.75',
  A1: '0.10..0.25',
};

describe('letters', () => {
  it('that are shuffled give way to the geometry, and everything is flagged', () => {
    const reading = read(SHUFFLED, 'gull-wing-dual');
    expect(entries(reading)).toEqual(MEANT);
    expect(flagged(reading)).toHaveLength(8);
  });

  it('that are shuffled give way to names, without a flag', () => {
    const names = [
      'Total height',
      'Lead span',
      'Body length',
      'Foot length',
      'Body width',
      'Lead width',
      'Pitch',
      'Standoff',
    ];
    const named = SHUFFLED.split('\n')
      .map((line, i) => line.replace('\t', i === 0 ? '\tName\t' : `\t${names[i - 1]}\t`))
      .join('\n');
    const reading = read(named, 'gull-wing-dual');
    expect(entries(reading)).toEqual(MEANT);
    expect(flagged(reading)).toEqual([]);
  });

  it('E and HE are body and span, as the older drawings have it', () => {
    const reading = read(
      `Symbol\tMin\tMax\nA\t\t1.75\nA1\t0.10\t0.25\nbp\t0.36\t0.49\nD\t4.8\t5.0\nE\t3.8\t4.0\ne\t1.27\t1.27\nHE\t5.8\t6.2\nLp\t0.4\t1.0`,
      'gull-wing-dual',
    );
    expect(entries(reading)).toMatchObject({ E: '5.8..6.2', E1: '3.8..4.0' });
    expect(flagged(reading)).toEqual([]);
  });

  it('mean what they meant last time', () => {
    const habit = { E: 'A', A: 'E', L: 'D', D: 'L', b: 'E1', E1: 'b', A1: 'e', e: 'A1' };
    const reading = read(SHUFFLED, 'gull-wing-dual', { habit });
    expect(entries(reading)).toEqual(MEANT);
    expect(flagged(reading)).toEqual([]);
    expect(reading.dimensions.find(({ symbol }) => symbol === 'E')?.reasons[0]).toContain('last time');
  });
});

describe('values', () => {
  const table = (row: string, head = 'Symbol\tMin\tNom\tMax') =>
    read(
      `${head}\nA\t1.35\t1.55\t1.75\nb\t0.31\t0.41\t0.51\nD\t4.80\t4.90\t5.00\nE1\t3.80\t3.90\t4.00\nL\t0.40\t0.80\t1.20\n${row}`,
      'gull-wing-dual',
    );
  it.each([
    ['E\t5.80\t6.00\t6.20', 'E', '5.80..6.20'],
    ['E\t5.80\t5.95\t6.20', 'E', '5.80..5.95..6.20'],
    ['E\t5,80\t–\t6,20', 'E', '5.80..6.20'],
    ['E\t5.80 (1)\t-\t6.20', 'E', '5.80..6.20'],
    ['E\t\t6.00 BSC\t', 'E', '6.00 BSC'],
    ['E\t–\t6.00\t6.20', 'E', 'nom 6.00 max 6.20'],
    ['A1\t–\t–\t0.25', 'A1', 'max 0.25'],
    ['A1\t.10\t–\t.25', 'A1', '0.10..0.25'],
    ['A1 max\t0.25\t\t', 'A1', 'max 0.25'],
  ])('%s', (row, symbol, text) => {
    expect(entries(table(row))[symbol]).toBe(text);
  });

  it('out of order are shown and not taken by themselves', () => {
    const one = table('E\t6.20\t6.00\t5.80').dimensions.find(({ symbol }) => symbol === 'E');
    expect(one).toMatchObject({ isBroken: true, standing: 'doubtful' });
    expect(one?.doubts.join()).toContain('not in the order');
  });

  it('that disagree with the inches beside them are flagged, with both readings', () => {
    const reading = read(
      `Dim\tMillimeters\t\tInches\t\n\tMin\tMax\tMin\tMax\nA\t1.35\t1.75\t0.053\t0.069\nE\t5.80\t6.30\t0.228\t0.244\nE1\t3.80\t4.00\t0.150\t0.157\nD\t4.80\t5.00\t0.189\t0.197\nb\t0.33\t0.51\t0.013\t0.020\nL\t0.40\t1.27\t0.016\t0.050`,
      'gull-wing-dual',
    );
    expect(flagged(reading)).toEqual(['E']);
    const span = reading.dimensions.find(({ symbol }) => symbol === 'E');
    expect(span?.doubts[0]).toContain('beside it stands 0.228..0.244 in');
    expect(span?.alternatives[0]).toMatchObject({ text: '0.228..0.244', unit: 'in' });
  });

  it('of the whole lead, taken for the foot, are flagged', () => {
    const reading = table('E\t5.80\t6.00\t6.20\nL\t1.00\t1.05\t1.10');
    const whole = read(
      `Symbol\tMin\tMax\nA\t1.35\t1.75\nb\t0.31\t0.51\nD\t4.80\t5.00\nE\t5.80\t6.20\nE1\t3.80\t4.00\ne\t1.27\t1.27\nL\t1.00\t1.10`,
      'gull-wing-dual',
    );
    expect(entries(reading)['L']).toBe('0.40..1.20');
    expect(flagged(whole)).toContain('L');
  });
});

describe('the form of a table', () => {
  it.each([
    [
      'single blanks, two units',
      'Symbol Min Max Min Max\nA 1.35 1.75 0.053 0.069\nb 0.33 0.51 0.013 0.020\nD 4.80 5.00 0.189 0.197\nE 5.80 6.20 0.228 0.244\nE1 3.80 4.00 0.150 0.157\ne 1.27 BSC 0.050 BSC\nL 0.40 1.27 0.016 0.050',
    ],
    [
      'both units in a cell',
      'Symbol|Min|Max\nA|1.35 (.053)|1.75 (.069)\nb|0.33 (.013)|0.51 (.020)\nD|4.80 (.189)|5.00 (.197)\nE|5.80 (.228)|6.20 (.244)\nE1|3.80 (.150)|4.00 (.157)\ne|1.27 (.050) BSC|\nL|0.40 (.016)|1.27 (.050)',
    ],
    [
      'lying on its side',
      'Unit\tA\tb\tD\tE1\te\tE\tL\nmm\t1.75 1.35\t0.51 0.33\t5.0 4.8\t4.0 3.8\t1.27\t6.2 5.8\t1.27 0.40',
    ],
    [
      'decimal commas between semicolons',
      'Symbol;Min;Max\nA;1,35;1,75\nb;0,33;0,51\nD;4,80;5,00\nE;5,80;6,20\nE1;3,80;4,00\ne;1,27;1,27\nL;0,40;1,27',
    ],
  ])('%s', (_, text) => {
    const kind = kindById('gull-wing-dual');
    const values = read(text, 'gull-wing-dual').dimensions;
    expect(kind).not.toBeNull();
    expect(values.map(({ symbol }) => symbol).sort()).toEqual(['A', 'D', 'E', 'E1', 'L', 'b', 'e']);
    expect(values.find(({ symbol }) => symbol === 'E')?.text).toMatch(/^5\.80?\.\.6\.20?$/);
  });

  it('without heads is read as least and most, and says so at every value', () => {
    const reading = read(
      'A 1.35 1.75\nb 0.33 0.51\nD 4.80 5.00\nE 5.80 6.20\nE1 3.80 4.00\ne 1.27 BSC\nL 0.40 1.27',
      'gull-wing-dual',
    );
    expect(entries(reading)['E']).toBe('5.80..6.20');
    expect(flagged(reading)).toHaveLength(7);
  });

  it('with too few numbers for its columns says so', () => {
    const reading = read(
      'Symbol Min Typ Max\nA 1.35 1.75\nb 0.33 0.51\nD 4.80 5.00\nE 5.80 6.20\nE1 3.80 4.00\ne 1.27\nL 0.40 1.27',
      'gull-wing-dual',
    );
    expect(entries(reading)['E']).toBe('5.80..6.20');
    expect(flagged(reading)).toHaveLength(7);
  });

  it('without a unit is in the unit in which its sizes make sense', () => {
    const reading = read(
      'Symbol\tMin\tMax\nA\t53\t69\nb\t13\t20\nD\t189\t197\nE\t228\t244\nE1\t150\t157\ne\t50\t50\nL\t16\t50',
      'gull-wing-dual',
    );
    expect(reading.unit).toBe('mil');
  });

  it('of several sizes is read for the one that is meant, and the number of leads is its name', () => {
    const text =
      'Package\tSO8\tSO14\tSO16\nA max\t1.75\t1.75\t1.75\nD\t4.8-5.0\t8.55-8.75\t9.8-10.0\nE\t3.8-4.0\t3.8-4.0\t3.8-4.0\nHE\t5.8-6.2\t5.8-6.2\t5.8-6.2\ne\t1.27\t1.27\t1.27\nbp\t0.36-0.49\t0.36-0.49\t0.36-0.49\nLp\t0.4-1.0\t0.4-1.0\t0.4-1.0';
    const reading = read(text, 'gull-wing-dual', { size: '14' });
    expect(reading.sizes).toEqual(['SO8', 'SO14', 'SO16']);
    expect(entries(reading)).toMatchObject({ n: '14', D: '8.55-8.75', A: 'max 1.75' });
  });

  it('of sizes below each other under one letter', () => {
    const text = `<table><tr><th>Sym<th>Description<th>Min<th>Max</tr><tr><td rowspan=2>D<td>body length, 8 leads<td>4.8<td>5.0</tr><tr><td>body length, 14 leads<td>8.55<td>8.75</tr><tr><td>E<td>lead span<td>5.8<td>6.2</tr><tr><td>E<sub>1</sub><td>body width<td>3.8<td>4.0</tr><tr><td>b<td>lead width<td>0.3<sup>2</sup><td>0.5</tr><tr><td>L<td>foot length<td>0.4<td>1.0</tr></table>`;
    const reading = read(text, 'gull-wing-dual', { size: '14 leads' });
    expect(entries(reading)).toMatchObject({ n: '14', D: '8.55..8.75', E1: '3.8..4.0', b: '0.3..0.5' });
  });

  it('that is none gives nothing', () => {
    expect(() =>
      read('The quick brown fox\njumps over the lazy dog 3 times\nand then 2 more', 'gull-wing-dual'),
    ).toThrow('nothing');
  });
});

describe('families', () => {
  const guess = (text: string) => guessFamilies(tablesOf(gridsOfText(text))).map(({ kind }) => kind.id);
  it.each([
    [
      'no-lead-quad',
      'Symbol\tMin\tMax\nA\t0.80\t0.90\nA1\t0\t0.05\nb\t0.20\t0.30\nD\t4.90\t5.10\nE\t4.90\t5.10\nD2\t3.05\t3.25\nE2\t3.05\t3.25\ne\t0.50\t0.50\nL\t0.30\t0.50\nN\t32\t',
    ],
    [
      'gull-wing-dual',
      'Symbol\tMin\tMax\nA\t1.35\t1.75\nA1\t0.10\t0.25\nb\t0.31\t0.51\nD\t4.80\t5.00\nE\t5.80\t6.20\nE1\t3.80\t4.00\ne\t1.27\t1.27\nL\t0.40\t1.27',
    ],
    [
      'ball-grid',
      'Symbol\tMin\tMax\nA\t1.20\t1.40\nA1\t0.35\t0.45\nb\t0.45\t0.55\nD\t11.90\t12.10\nE\t11.90\t12.10\ne\t0.80\t0.80\nMD\t12\t\nME\t12\t',
    ],
    [
      'rectangular-chip',
      'Symbol\tDimension\nLength L\t3.20 ± 0.20\nWidth W\t1.60 ± 0.15\nHeight H\t0.60 ± 0.10\nTermination length T\t0.45 ± 0.20',
    ],
  ])('%s is the first of a short list with reasons', (family, text) => {
    expect(guess(text)[0]).toBe(family);
  });
});

it('reads a recommended land pattern in the way it is given, and no dimensions for it', () => {
  const lands = 'Recommended land pattern (mm)\nSymbol\tNom\nC\t5.40\nX\t0.60\nY\t1.55';
  expect(readPattern(tablesOf(gridsOfText(lands)))).toMatchObject({
    Y: '1.55',
    X: '0.60',
    distance: '5.40',
    given: 'centre',
  });
  const named = 'Description\tmm\nPad length\t1.55\nPad width\t0.60\nGap between pads\t3.85';
  expect(readPattern(tablesOf(gridsOfText(named)))).toMatchObject({
    Y: '1.55',
    X: '0.60',
    distance: '3.85',
    given: 'gap',
  });
  expect(readPattern(tablesOf(gridsOfText(SHUFFLED)))).toBeNull();
});

describe('points that a picture has lost', () => {
  /** As {@link read}, of words that a reader of letters was not sure of. */
  function scanned(text: string, family: string) {
    const grids = gridsOfText(text).map((grid) => ({
      ...grid,
      rows: grid.rows.map((row) => row.map((cell) => ({ ...cell, sure: 0.9 }))),
    }));
    const kind = kindById(family);
    const reading = kind && readDimensions(tablesOf(grids, true), { kind, isScan: true });
    if (!reading) throw new Error('nothing was read');
    return reading;
  }
  const rows = 'b\t0.31\t0.51\nD\t4.80\t5.00\nE1\t3.80\t4.00\ne\t1.27\t1.27\nL\t0.40\t1.27';

  it('are put back as the column is printed, from the order, and from the inches beside them', () => {
    const column = scanned(`Symbol\tMin\tMax\nA\t135\t175\nE\t580\t6.20\n${rows}`, 'gull-wing-dual');
    expect(entries(column)).toMatchObject({ A: '1.35..1.75', E: '5.80..6.20' });
    const order = scanned(`Symbol\tMin\tMax\nA\t13.5\t1.75\nE\t5.80\t6.20\n${rows}`, 'gull-wing-dual');
    expect(entries(order)['A']).toBe('1.35..1.75');
    const inches = scanned(
      'Dim\tMillimeters\t\tInches\t\n\tMin\tMax\tMin\tMax\nA\t13.5\t17.5\t0.053\t0.069\nE\t5.80\t6.20\t0.228\t0.244\nE1\t3.80\t4.00\t0.150\t0.157\nD\t4.80\t5.00\t0.189\t0.197\nb\t0.33\t0.51\t0.013\t0.020\nL\t0.40\t1.27\t0.016\t0.050',
      'gull-wing-dual',
    );
    expect(entries(inches)['A']).toBe('1.35..1.75');
    for (const reading of [column, order, inches]) expect(flagged(reading)).toContain('A');
  });

  it('of a whole table are put where its sizes make a package', () => {
    const reading = scanned(
      'Symbol\tMin\tMax\nA\t135\t175\nE\t580\t620\nb\t31\t51\nD\t480\t500\nE1\t380\t400\ne\t127\t127\nL\t40\t127',
      'gull-wing-dual',
    );
    expect(entries(reading)).toMatchObject({ A: '1.35..1.75', E: '5.80..6.20', b: '0.31..0.51', e: '1.27' });
    expect(flagged(reading)).toHaveLength(7);
  });
});
