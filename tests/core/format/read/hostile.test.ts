import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { documentOf, readPatterns, type ImportAsked } from '../../../../src/core/format/import';
import { cases } from '../../../data/depth';
import { compile } from '../../../../src/core/footprint/compile';

// Files that mean ill, or were damaged: each ends in a pattern whose numbers are numbers, or in a sentence.

const bytes = (text: string) => new TextEncoder().encode(text);
const given = (name: string) => readFileSync(new URL(`../../../data/given/${name}`, import.meta.url), 'utf8');

/** What comes of files; never an exception. */
function endOf(files: Readonly<Record<string, string>>, asked: ImportAsked = {}): string {
  const read = readPatterns(
    Object.entries(files).map(([name, text]) => ({ name, bytes: bytes(text) })),
    asked,
  );
  if (!read.ok) return read.error;
  for (const pattern of read.value.patterns) {
    for (const { copper, mask = [], paste = [], hole } of pattern.lands)
      for (const { minX, minY, maxX, maxY } of [copper, ...mask, ...paste, ...(hole ? [hole.hole] : [])])
        expect([minX, minY, maxX, maxY].every(Number.isFinite)).toBe(true);
  }
  return read.value.left.join('\n');
}

const GERBER = '%FSLAX46Y46*%\n%MOMM*%\n%ADD10C,1*%\nD10*\n';
const many = (count: number, line: (i: number) => string) =>
  Array.from({ length: count }, (_, i) => line(i)).join('');
const dxf = (entities: string, before = '') =>
  `${before}0\nSECTION\n2\nENTITIES\n${entities}0\nENDSEC\n0\nEOF\n`;
const ipc = (body: string) =>
  `<IPC-2581 revision="C"><Content/><Ecad><CadHeader units="MILLIMETER"/><CadData><Step name="s">${body}</Step></CadData></Ecad></IPC-2581>`;

const HOSTILE: readonly (readonly [string, string, string, RegExp])[] = [
  [
    'a repeat without end',
    'a.gbr',
    `${GERBER}%SRX1000000000Y1000000000I1J1*%\nX0Y0D03*\n%SR*%\nM02*`,
    /repeats into more/,
  ],
  [
    'a repeat of nothing',
    'a.gbr',
    `${GERBER}%SRX1000000000Y1000000000I1J1*%\n%SR*%\nX0Y0D03*\nM02*`,
    /taken for copper/,
  ],
  [
    'blocks that double',
    'a.gbr',
    `${GERBER}%ABD20*%\nX0Y0D03*\nX1Y1D03*\n%AB*%\n${many(30, (i) => `D${20 + i}*\n%ABD${21 + i}*%\nD${20 + i}*\nX0Y0D03*\nX1000Y0D03*\n%AB*%\n`)}D50*\nX0Y0D03*\nM02*`,
    /more than 400000 objects/,
  ],
  [
    'one place thousands of times',
    'a.gbr',
    `${GERBER}${'X0Y0D03*\n'.repeat(30_000)}M02*`,
    /taken for copper/,
  ],
  [
    'arcs as large as a town',
    'a.gbr',
    `${GERBER}G75*\nX0Y0D02*\nG03*\nX1000000Y0I0J99999999999D01*\nM02*`,
    /more than 5 m out/,
  ],
  [
    'a macro of thousands',
    'a.gbr',
    `${GERBER}%AMM*${many(2000, () => '1,1,1,0,0*')}%\n%ADD11M*%\nD11*\nX0Y0D03*\nM02*`,
    /no land/,
  ],
  [
    'dark and clear without end',
    'a.gbr',
    `${GERBER}${many(2000, (i) => `%LP${i % 2 ? 'D' : 'C'}*%\nX${(i * 7919) % 1000}Y${(i * 104729) % 1000}D03*\n`)}M02*`,
    /crossings/,
  ],
  [
    'drill repeats',
    'a.drl',
    `M48\nMETRIC\nT1C0.5\n%\nT1\nX0Y0\n${'R199999X0.1\n'.repeat(9)}M30\n`,
    /more than/,
  ],
  [
    'more holes than a pattern has',
    'a.drl',
    `M48\nMETRIC\nT1C0.5\n%\nT1\n${many(9000, (i) => `X${i % 90}.0Y${Math.floor(i / 90)}.0\n`)}M30\n`,
    /at most 5,?000/,
  ],
  [
    'an outline of too many corners',
    'a.dxf',
    dxf(
      `0\nLWPOLYLINE\n8\nPads\n90\n30000\n70\n1\n${many(30_000, (i) => `10\n${i % 100}\n20\n${(i * 7) % 100}\n`)}`,
    ),
    /no closed outline/,
  ],
  [
    'a block that holds itself',
    'a.dxf',
    dxf(
      '0\nINSERT\n8\n0\n2\nB\n10\n0\n20\n0\n',
      '0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n8\n0\n2\nB\n10\n0\n20\n0\n0\nINSERT\n8\n0\n2\nB\n10\n0\n20\n0\n0\nENDBLK\n0\nENDSEC\n',
    ),
    /deep in each other, or/,
  ],
  [
    'bulges of a thousand million',
    'a.dxf',
    dxf(
      `0\nLWPOLYLINE\n8\nPads\n90\n3\n70\n1\n${many(3, (i) => `10\n${i}\n20\n${i * i}\n42\n1000000000\n`)}`,
    ),
    /^/,
  ],
  [
    'a table as wide as a street',
    'a.csv',
    `pad,x,y,length,width${',c'.repeat(1000)}\n1,0,0,1,1\n`,
    /columns; at most/,
  ],
  [
    'a number without end',
    'a.csv',
    `pad,x,y,length,width\n1,0,0,${'9'.repeat(5000)},1\n`,
    /a length is expected/,
  ],
  ['elements in each other', 'a.xml', `<IPC-2581 revision="C">${'<a>'.repeat(5000)}`, /deep in each other/],
  [
    'entities of its own',
    'a.xml',
    '<!DOCTYPE a [<!ENTITY x "aa">]><IPC-2581 revision="C">&x;</IPC-2581>',
    /entities of its own/,
  ],
  ['packages by the thousand', 'a.xml', ipc(many(6000, (i) => `<Package name="P${i}"/>`)), /at most 5000/],
];

test.each(HOSTILE)('%s', (_, name, text, words) => {
  const end = endOf({ [name]: text });
  expect(end).toMatch(words);
  for (const line of end.split('\n')) expect(line.length).toBeLessThan(400);
});

const RUNS = { numRuns: cases(200, 5000) };

/** Damages a text: lines and fields are repeated, lost, exchanged, and numbers become what no number should be. */
const damage = (text: string) =>
  fc
    .array(
      fc.record({
        what: fc.constantFrom('lose', 'repeat', 'exchange', 'number', 'cut', 'letter'),
        at: fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true }),
        to: fc.double({ min: 0, max: 1, noNaN: true, maxExcluded: true }),
        value: fc.constantFrom(
          '0',
          '-1',
          '1e9',
          '999999999999',
          'NaN',
          '',
          '0.0000001',
          '-0',
          'Infinity',
          '٣',
          '1e-400',
        ),
      }),
      { minLength: 1, maxLength: 6 },
    )
    .map((acts) => {
      const lines = text.split('\n');
      for (const { what, at, to, value } of acts) {
        const [i, j] = [Math.floor(at * lines.length), Math.floor(to * lines.length)];
        const line = lines[i] ?? '';
        if (what === 'lose') lines.splice(i, 1);
        else if (what === 'repeat') lines.splice(j, 0, ...lines.slice(i, i + 3));
        else if (what === 'exchange') [lines[i], lines[j]] = [lines[j] ?? '', line];
        else if (what === 'number') lines[i] = line.replace(/[-+]?\d+(\.\d+)?/, value);
        else if (what === 'cut') lines[i] = line.slice(0, Math.floor(to * line.length));
        else lines[i] = line.replace(/[A-Za-z]/, 'Q');
      }
      return lines.join('\n');
    });

test.each([
  ['board-top-copper.gbr'],
  ['old-comp.gbr'],
  ['old-drill.drl'],
  ['routed.xnc'],
  ['board-far.xml'],
  ['one-package-b.xml'],
  ['two-packages-inch-c.xml'],
])('damaged, %s ends in numbers or in a sentence', (name) => {
  fc.assert(
    fc.property(damage(given(name)), (text) => {
      endOf({ [name]: text });
    }),
    RUNS,
  );
});

test('damaged tables and drawings end in numbers or in a sentence, and compile', () => {
  const table =
    'pad,x,y,length,width,hole,mask length\n1,-1.3,0.95,1.1,0.6,,1.2\nTAB,1.6,0,2.4,1.8,0.9,2.5\n';
  const drawing = dxf(
    '0\nCIRCLE\n8\nPads\n10\n1\n20\n2\n40\n0.5\n0\nLWPOLYLINE\n8\nPads\n90\n4\n70\n1\n10\n0\n20\n0\n10\n1\n20\n0\n42\n0.5\n10\n1\n20\n1\n10\n0\n20\n1\n0\nELLIPSE\n8\nPads\n10\n5\n20\n5\n11\n1\n21\n0\n40\n0.5\n41\n0\n42\n6.2831853\n',
  );
  const either = fc.oneof(
    damage(table).map((text) => ['a.csv', text] as const),
    damage(drawing).map((text) => ['a.dxf', text] as const),
  );
  fc.assert(
    fc.property(either, ([name, text]) => {
      const read = readPatterns([{ name, bytes: bytes(text) }]);
      const [pattern] = read.ok ? read.value.patterns : [];
      if (pattern) compile(documentOf(pattern).document);
    }),
    RUNS,
  );
});
