import { describe, expect, it } from 'vitest';
import { compileAndCheck } from '../../../src/core/check/guarded';
import { listWithoutHeads, readPartList, type ListAsked, type ReadList } from '../../../src/core/lists/list';
import { componentSaid, packageSaid } from '../../../src/core/lists/package-words';
import { sameRows, takenFrom } from '../../../src/core/lists/prepare';
import { PASSIVES } from '../../../src/demo/passives';
import { gridsOfText } from '../../../src/core/source/text';
import { limitsOf } from '../../../src/core/source/value';

function read(text: string, asked: Partial<ListAsked> = {}): ReadList {
  const [grid] = gridsOfText(text);
  const list = grid && readPartList(grid, { source: 'list.csv', ...asked });
  if (!list) throw new Error('no list');
  return list;
}
const roles = ({ columns }: ReadList) => columns.map(({ role }) => role).join(' ');
/** Limits of a dimension in a row, mm. */
function limits({ rows, unit }: ReadList, row: number, symbol: string) {
  const entry = rows[row]?.document?.package.dimensions[symbol];
  const text = typeof entry === 'object' && 'text' in entry ? entry.text : '';
  const own = typeof entry === 'object' && 'text' in entry ? (entry.unit ?? unit) : unit;
  const found = limitsOf({ text, unit: own });
  return found && [found.min, found.max].map((v) => Math.round(v * 1e4) / 1e4);
}

/** As a maker of capacitors prints it, and a buyer keeps it: T is the thickness here, and a the terminal. */
const SERIES = `Part No.;Description;L (mm);W (mm);T (mm);a (mm);Packing
HS-C0603-104;MLCC 100nF 16V;1,60 ±0,10;0,80 ±0,10;0,80 ±0,10;0,35 ±0,15;4000
HS-C0603-224;MLCC 220nF 16V;1,60 ±0,10;0,80 ±0,10;0,80 ±0,10;0,35 ±0,15;4000
HS-C0805-105;MLCC 1µF 25V;2,00 ±0,20;1,25 ±0,20;0,85 ±0,15;0,50 ±0,20;3000
HS-C1206-106;MLCC 10µF 16V;3,20 ±0,20;1,60 ±0,20;1,60 ±0,20;0,50 ±0,25;2000`;

describe('a list of parts', () => {
  it('is understood by its heads and sizes', () => {
    const list = read(SERIES);
    expect(roles(list)).toBe('part value L W A T left');
    expect(list.families).toEqual([['rectangular-chip', 4]]);
    expect(limits(list, 2, 'A')).toEqual([0.7, 1]);
    expect(limits(list, 2, 'T')).toEqual([0.3, 0.7]);
    expect(list.rows.map(({ document }) => document?.package.options?.['component'])).toEqual(
      Array.from({ length: 4 }, () => 'capacitor'),
    );
    const names = list.rows.map(
      ({ document }) => document && compileAndCheck(document).compiled.footprint?.standardName,
    );
    expect(names).toEqual(['CAPC1608X90N', 'CAPC1608X90N', 'CAPC2012X100N', 'CAPC3216X180N']);
  });
  it('reads the demo’s 60 passives as 16 footprints without a doubt, and nothing is found in them but paste', () => {
    const { rows, doubts } = read(PASSIVES);
    expect(rows).toHaveLength(60);
    expect(rows.flatMap((row) => row.doubts)).toEqual([]);
    expect(doubts).toEqual([expect.stringContaining('Rectangular chip is taken')]);
    const taken = takenFrom(rows);
    const made = taken.map(({ document }) => compileAndCheck(document));
    expect(made.map(({ compiled }) => compiled.footprint?.standardName.slice(0, 8)).sort()).toEqual([
      'BEADC160',
      'BEADC201',
      'CAPC1005',
      'CAPC1608',
      'CAPC2012',
      'CAPC2012',
      'CAPC3216',
      'CAPC3225',
      'INDC1608',
      'INDC2012',
      'INDC3225',
      'RESC1005',
      'RESC1608',
      'RESC2012',
      'RESC3115',
      'RESC6331',
    ]);
    expect(new Set(made.map(({ report }) => report.verdict))).toEqual(new Set(['clear', 'note']));
  });
  it('keeps where each number comes from', () => {
    const [first] = read(SERIES).rows;
    expect(first?.document?.package.dimensions['A']).toMatchObject({ label: 'T', where: 'list.csv, row 1' });
  });
  it('joins rows that are one footprint, and keeps their part numbers', () => {
    const { rows } = read(SERIES);
    expect(sameRows(rows)).toEqual([null, 1, null, null]);
    const taken = takenFrom(rows, ({ number }) => number !== 4);
    expect(taken.map(({ number }) => number)).toEqual([1, 3]);
    expect(taken[0]?.document.notes).toBe('Used by HS-C0603-224');
  });
  it('takes what a person says of a column', () => {
    const list = read(SERIES, { roles: { 'T (mm)': 'left', Packing: 'left', 'a (mm)': 'T' } });
    expect(roles(list)).toBe('part value L W left T left');
    expect(list.rows[0]?.document?.package.dimensions).not.toHaveProperty('A');
  });
  it('reads tolerances and limits in heads, in other languages, and says what is missing', () => {
    const list = read(
      'Typ\tBaugröße\tLänge ±0,1\tBreite ±0,1\tDicke\tKontaktlänge\nR-1001\t0603\t1,6\t0,8\tmax 0,55\t0,3 ±0,2\nR-1002\t0805\t2,0\t-\tmax 0,6\t0,4 ±0,2',
    );
    expect(roles(list)).toBe('name package L W A T');
    expect(limits(list, 0, 'L')).toEqual([1.5, 1.7]);
    expect(limits(list, 0, 'T')).toEqual([0.1, 0.5]);
    expect(limits(list, 1, 'W')).toBeNull();
    const second = list.rows[1]?.document;
    expect(second && compileAndCheck(second).report.findings[0]?.title).toContain('Width W');
  });
  it.each([
    // a tolerance behind each letter, heads with a word for dimension, columns that are no lengths
    [
      'P/N,Desc,L,L Tol.,W,W Tol.,T,T Tol.,a,a Tol.\nHS-1,Chip capacitor,1.60,0.10,0.80,0.10,0.80,0.10,0.35,0.15\nHS-2,Chip capacitor,2.00,0.20,1.25,0.20,0.85,0.15,0.50,0.20',
      'part value L L W W A A T T',
      'CAPC1608X90N',
    ],
    [
      '品番\t品名\tL寸法\tW寸法\tT寸法\te寸法\nHS-J1\tチップ抵抗 10kΩ\t1.0±0.05\t0.5±0.05\t0.35±0.05\t0.2±0.1\nHS-J2\tチップ抵抗 22kΩ\t1.6±0.1\t0.8±0.1\t0.45±0.1\t0.3±0.2',
      'part left L W A T',
      'RESC1005X40N',
    ],
    [
      'Part,Description,[uH] L,DCR (mΩ),L (mm),W (mm),T (mm),a (mm)\nHS-L1,Inductor,2.2,35,1.6 ±0.1,0.8 ±0.1,0.8 ±0.1,0.3 ±0.2\nHS-L2,Inductor,4.7,70,2.0 ±0.2,1.25 ±0.2,1.0 ±0.2,0.4 ±0.2',
      'part value left left L W A T',
      'INDC1608X90N',
    ],
    [
      'Part,Description,L mm,L inch,W mm,W inch,T mm,T inch,a mm,a inch\nHS-A,Capacitor,1.60 ±0.10,.063 ±.004,0.80 ±0.10,.031 ±.004,0.80 ±0.10,.031 ±.004,0.35 ±0.15,.014 ±.006\nHS-B,Capacitor,2.00 ±0.20,.079 ±.008,1.25 ±0.20,.049 ±.008,0.85 ±0.15,.033 ±.006,0.50 ±0.20,.020 ±.008',
      'part value L L W W A A T T',
      'CAPC1608X90N',
    ],
  ])('%s', (text, expected, name) => {
    const list = read(text);
    expect(roles(list)).toBe(expected);
    const document = list.rows[0]?.document;
    expect(document && compileAndCheck(document).compiled.footprint?.standardName).toBe(name);
  });
  it('names a cell that is no number; a dash is none', () => {
    const list = read(
      'Part;Description;L (in);W (in);H max (in);T (in)\nX-1;Resistor;,063 ±,004;,031 ±,004;,022;,012 ±,008\nX-2;Resistor;abc;,049 ±,004;-;,016 ±,008\nX-3;Resistor;,126 ±,008;,063 ±,006;,026;,020 ±,010',
    );
    expect(list.rows.map(({ doubts }) => doubts)).toEqual([
      [],
      ['L: “abc” cannot be read; it is left out.'],
      [],
    ]);
  });
  it('waits for a person where no head is known, and is no list without numbers', () => {
    const heads =
      'Onderdeel;Hoeveel;Lengte;Breedte\nHS-1;vier;1,6 ±0,1;0,8 ±0,1\nHS-2;acht;2,0 ±0,1;1,25 ±0,1';
    const [grid] = gridsOfText(heads);
    expect(grid && readPartList(grid, { source: 'x' })).toBeNull();
    const list = grid && listWithoutHeads(grid);
    expect(list?.rows.map(({ name, document }) => [name, document])).toEqual([
      ['HS-1', null],
      ['HS-2', null],
    ]);
    expect(roles(read(heads, { roles: { Lengte: 'L' } }))).toBe('name left L left');
    const [prose] = gridsOfText('Name;Town\nAnn;Oslo\nBen;Bergen');
    expect(prose && listWithoutHeads(prose)).toBeNull();
  });
  it('tells families apart row by row', () => {
    const list = read(
      [
        'Name,Package,Pins,E min,E max,E1 min,E1 max,D min,D max,e,L min,L max,b min,b max,A max',
        'HS-DRV8,SOIC-8,,5.8,6.2,3.8,4.0,4.8,5.0,1.27,0.40,1.27,0.31,0.51,1.75',
        'HS-MCU20,TSSOP,20,6.2,6.6,4.3,4.5,6.4,6.6,0.65,0.45,0.75,0.19,0.30,1.2',
        'HS-SW5,SOT-23-5,,2.6,3.0,1.5,1.7,2.8,3.0,0.95,0.3,0.6,0.3,0.5,1.45',
      ].join('\n'),
    );
    expect(list.rows.map(({ document }) => document?.package.family)).toEqual([
      'gull-wing-dual',
      'gull-wing-dual',
      'small-transistor',
    ]);
    expect(list.rows.map(({ document }) => document?.package.dimensions['n'])).toMatchObject([
      { text: '8' },
      { text: '20' },
      { text: '5' },
    ]);
    expect(limits(list, 2, 'E')).toEqual([2.6, 3]);
  });
  it('harms no row by another, and drops no line without a word', () => {
    const list = read(`${SERIES}\nHS-BAD;MLCC;1,60 ±0,10;900;0,80;0,3;1\nTotal: 5 parts;;;;;;`);
    expect(list.rows).toHaveLength(5);
    expect(list.rows[4]?.doubts.join(' ')).toContain('W');
    expect(list.rows[4]?.document?.package.dimensions).not.toHaveProperty('W');
    expect(list.rows[0]?.doubts).toEqual([]);
    expect(list.doubts.join(' ')).toContain('Total: 5 parts');
  });
  it('says once more than it guesses: a chip of no known kind', () => {
    const text = 'Name;L;W;H;e\nX1;1,6±0,1;0,8±0,1;0,45±0,1;0,3±0,1\nX2;2,0±0,1;1,25±0,1;0,5±0,1;0,4±0,1';
    const [row] = read(text, { family: 'rectangular-chip' }).rows;
    expect(row?.doubts.join(' ')).toContain('which component');
    const [said] = read(text, { family: 'rectangular-chip', component: 'inductor' }).rows;
    expect(said?.document?.package.options).toMatchObject({ component: 'inductor' });
    expect(said?.doubts.join(' ')).not.toContain('which component');
  });
});

describe('words of packages', () => {
  it.each([
    ['0603', 'rectangular-chip', {}],
    ['TSSOP-16', 'gull-wing-dual', { n: '16' }],
    ['LQFP48', 'gull-wing-quad', { n: '48' }],
    ['SOT-23', 'small-transistor', { n: '3' }],
    ['SOT-363', 'small-transistor', { n: '6' }],
    ['QFN-32 5x5 0.5', 'no-lead-quad', { n: '32', E: '5', D: '5', e: '0.5' }],
    ['VQFN20 3.5 x 4.5 mm, 0.5 mm', 'no-lead-quad', { n: '20', E: '3.5', D: '4.5', e: '0.5' }],
    ['DPAK', 'tab-package', {}],
    ['PLCC-44', 'j-lead-quad', { n: '44' }],
    ['DIP8', 'dip', { n: '8' }],
  ])('%s', (text, family, dimensions) => {
    expect(packageSaid(text)).toMatchObject({ family, dimensions });
  });
  it.each(['16', 'HS-12345', 'red', '100 V', '2N3904'])('“%s” says nothing', (text) => {
    expect(packageSaid(text)).toBeNull();
  });
  it('tell inches from millimetres, and what only exists in one', () => {
    expect(packageSaid('0603')?.typical).toBe('1608 metric');
    expect(packageSaid('0603M')?.typical).toBe('0603 metric');
    expect(packageSaid('1608')?.typical).toBe('1608 metric');
  });
  it.each([
    ['MLCC 100nF 16V', 'capacitor'],
    ['Ferrite bead 600R', 'ferrite'],
    ['Dickschichtwiderstand 10k', 'resistor'],
    ['LED green', 'led'],
    ['Inductor 2.2uH', 'inductor'],
    ['something', null],
  ])('of components: %s', (text, component) => {
    expect(componentSaid(text)).toBe(component);
  });
});
