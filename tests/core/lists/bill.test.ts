import { describe, expect, it } from 'vitest';
import { compileAndCheck } from '../../../src/core/check/guarded';
import { newDocument, type TapisDocument } from '../../../src/core/document/document';
import { keptOf } from '../../../src/core/library/facts';
import { billOf, readBill } from '../../../src/core/lists/bill';
import { matchLine, type BillMatch, type KnownFootprint } from '../../../src/core/lists/bill-match';
import { gridsOfText } from '../../../src/core/source/text';

function bill(text: string) {
  const read = billOf(gridsOfText(text), text);
  if (!read) throw new Error('no bill');
  return read.bill;
}
const known = (document: TapisDocument, id = document.name): KnownFootprint => ({
  id,
  document,
  facts: keptOf(document).facts,
});
const chip = (
  name: string,
  component: string,
  dimensions: TapisDocument['package']['dimensions'],
): TapisDocument => {
  const document = newDocument(name, 'rectangular-chip', dimensions);
  return { ...document, package: { ...document.package, options: { component } } };
};
const R0603 = known(
  chip('HS-R1608', 'resistor', { L: '1.5..1.7', W: '0.7..0.9', T: '0.1..0.5', A: 'max 0.55' }),
);
const C0603 = known({
  ...chip('HS-C1608', 'capacitor', { L: '1.5..1.7', W: '0.7..0.9', T: '0.2..0.5', A: 'max 0.9' }),
  notes: 'Used by HS-C-104, HS-C-224',
});
const C0805 = known(
  chip('HS-C2012', 'capacitor', { L: '1.8..2.2', W: '1.05..1.45', T: '0.3..0.7', A: 'max 1.0' }),
);
const SO8 = known(
  newDocument('HS driver', 'gull-wing-dual', {
    ...{
      n: '8',
      e: '1.27',
      E: '5.8..6.2',
      E1: '3.8..4.0',
      D: '4.8..5.0',
      L: '0.4..1.27',
      b: '0.31..0.51',
      A: 'max 1.75',
    },
  }),
);
const QFN32 = known(
  newDocument('HS radio', 'no-lead-quad', {
    ...{ n: '32', e: '0.5', E: '4.9..5.1', D: '4.9..5.1', L: '0.3..0.5', b: '0.18..0.3', A: 'max 1.0' },
  }),
);
const SHELF = [R0603, C0603, C0805, SO8, QFN32];
const said = (match: BillMatch) =>
  match.is === 'there'
    ? `there ${match.name}`
    : match.is === 'typical'
      ? `typical ${match.document.package.family}`
      : match.is;
const matched = (text: string) => bill(text).lines.map((line) => said(matchLine(line, SHELF)));

describe('a bill of materials', () => {
  it('finds what the Shelf has, what a typical size stands for, and what is missing', () => {
    const text = [
      'Ref;Qty;Value;Footprint;MPN',
      'R1, R2;2;10k;0603;',
      'C1-C4;4;100nF;0603;HS-C-104',
      'C5;1;10uF 10V;0805;',
      'U1;1;;SOIC-8;HS driver',
      'U2;1;;QFN-32 5x5 0.5;HS-RF-7',
      'Q1;1;;SOT-23-5;HS-SW5',
      'L1;1;4.7uH;1210;HS-L-47',
      'J1;1;;buoy connector, sealed;HS-J-4',
      'U3;1;;QFN-52 8x8 0.5;HS-MCU',
    ].join('\n');
    expect(matched(text)).toEqual([
      'there HS-R1608',
      'there HS-C1608',
      'there HS-C2012',
      'there HS driver',
      'there HS radio',
      'typical small-transistor',
      'typical rectangular-chip',
      'missing',
      'missing',
    ]);
    const { lines } = bill(text);
    expect(lines[0]).toMatchObject({ quantity: 2, references: 'R1, R2', value: '10k' });
    const [radio, switches, coil, connector] = [4, 5, 6, 7].map((i) => matchLine(lines[i]!, SHELF));
    expect(radio).toMatchObject({ doubt: expect.stringContaining('exposed pad') });
    if (switches?.is !== 'typical' || coil?.is !== 'typical') throw new Error('not typical');
    expect(Object.values(switches.document.package.dimensions)[0]).toMatchObject({
      where: expect.stringContaining('typical size'),
    });
    expect(switches.document.package.dimensions['n']).toMatchObject({ text: '5' });
    expect(compileAndCheck(coil.document).compiled.footprint?.standardName).toMatch(/^INDC3225/);
    expect(connector).toMatchObject({ why: expect.stringContaining('buoy connector, sealed') });
  });
  it.each([
    // other languages and orders, packages in descriptions, inches against millimetres
    [
      'Stückliste\nPos\tMenge\tBezeichnung\tBauform\tArtikelnummer\n1\t12\tKondensator 100nF\t0603\tX7R-1',
      ['there HS-C1608'],
    ],
    ['Repère,Qté,Description,Boîtier\n"R7,R8",2,résistance 1k,1608 metric', ['there HS-R1608']],
    ['位号\t数量\t描述\t封装\nC9\t1\t1uF 电容 capacitor\t0805', ['there HS-C2012']],
    [
      'Part,Description\nHS-1,CAP CER 0.1UF 16V X7R 0603\nHS-2,RES 10K 1% 0603',
      ['there HS-C1608', 'there HS-R1608'],
    ],
    // what is nearly the same is not the same: other counts, bodies, components
    [
      'Ref;Package\nU9;SOIC-8 wide 7.5mm\nU8;TSSOP-8\nR3;0402\nFB1;0603',
      ['missing', 'typical gull-wing-dual', 'typical rectangular-chip', 'typical rectangular-chip'],
    ],
    ['Ref;Package\nU1;QFN-28 6x3 0.5\nU2;QFN-32 9x9 0.5\nQ2;SOT-23-8', ['missing', 'missing', 'missing']],
  ])('%s', (text, expected) => {
    expect(matched(text)).toEqual(expected);
  });
  it('tells where a word says less than the footprint needs', () => {
    const doubt = (text: string) => {
      const match = matchLine(bill(`Ref;Package\nU1;${text}`).lines[0]!, SHELF);
      return match.is === 'there' ? match.doubt : match.is;
    };
    expect(doubt('SOIC-8_3.9x4.9mm_P1.27mm')).toMatch(/exposed pad/);
    expect(doubt('SO8')).toMatch(/exposed pad|how many leads/);
    expect(doubt('SOP-8')).toMatch(/neither pitch nor body/);
    expect(doubt('QFN')).toMatch(/says no size/);
    expect(doubt('QFN-32 5x5 0.5 wettable')).toMatch(/exposed pad/);
  });
  it('is no bill without words of packages, and says which lines it leaves out', () => {
    for (const text of ['Name;Town\nAnn;Oslo', 'A;B\n1;2', 'Ref;Qty\nR1;2']) {
      const [grid] = gridsOfText(text);
      expect(grid ? readBill(grid) : null).toBeNull();
    }
    expect(bill('Ref;Qty;Package\nR1;1;0603\nFID1;1;\nR2;1;0805').doubts).toEqual([
      'Lines without a part, value and package are left out: 2.',
    ]);
  });
});
