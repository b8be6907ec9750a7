import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { symbolVerdict } from '../../../src/core/compare/symbol';
import type { PinIntent, TapisDocument } from '../../../src/core/document/document';
import { applyEdits } from '../../../src/core/document/edit';
import { readPinTable, type PinLands, type ReadPin } from '../../../src/core/document/read-pins';
import { nameOf } from '../../../src/core/document/pin-words';
import { compile } from '../../../src/core/footprint/compile';
import { formatById } from '../../../src/core/format';
import { writeFile } from '../../../src/core/format/format';
import { converter } from '../../data/documents';

const eight: PinLands = { numbers: ['1', '2', '3', '4', '5', '6', '7', '8', '9'], pads: ['9'] };

function rows(text: string, lands = eight): readonly ReadPin[] {
  const read = readPinTable(text, lands);
  if (!read.ok) throw new Error(read.error);
  return read.value.pins;
}
const short = (pins: readonly ReadPin[]) =>
  pins.map(({ lands, name, direction = '', low }) =>
    [lands, `${low ? '¬' : ''}${name}`, direction].join('|'),
  );

describe('a pin table', () => {
  const truth = [
    '1|VIN|power',
    '2|¬EN|input',
    '3 4|GND|ground',
    '5|FB|',
    '6|SW|output',
    '7|PG|open-collector',
    '8|NC|not-connected',
    '9|GND|ground',
  ];
  it.each([
    [
      'tabs and a head',
      'Pin No.\tName\tType\tDescription\n1\tVIN\tP\tInput voltage\n2\tE\u0305N\u0305\tI\tEnable\n3, 4\tGND\tG\n5\tFB\t\tFeedback\n6\tSW\tO\n7\tPG\tOD\n8\tNC\tNC\nEP\tGND\tG\tExposed pad',
    ],
    [
      'bars, the name first',
      '| Symbol | Type | Pin |\n|---|---|---|\n| VIN | Power | 1 |\n| /EN | Input | 2 |\n| GND | GND | 3-4 |\n| FB | | 5 |\n| SW | Output | 6 |\n| PG | Open drain | 7 |\n| NC | N/C | 8 |\n| GND | Ground | PAD |',
    ],
    [
      'semicolons without a head',
      'VIN;1;P\n!EN;2;I\nGND;3 and 4;G\nFB;5;\nSW;6;O\nPG;7;OC\nNC;8;NC\nGND;9;G',
    ],
    [
      'columns set with blanks',
      'VIN    1      PWR\nEN#    2      I\nGND    3,4    GND\nFB     5      \nSW     6      O\nPG     7      OD\nNC     8      NC\nGND    9      GND'.replace(
        '5      ',
        '5      –',
      ),
    ],
  ])('with %s is read', (_, text) => {
    expect(short(rows(text))).toEqual(truth);
  });
  it('of names alone goes by the order of the numbers', () => {
    expect(short(rows('VIN\nEN\nGND\nGND\nFB\nSW\nPG\nNC')).slice(0, 3)).toEqual([
      '1|VIN|',
      '2|EN|',
      '3|GND|',
    ]);
    expect(short(rows('A, B, C, D, E, F, G, H, PAD')).at(-1)).toBe('9|PAD|');
    // the exposed pad is told, not guessed
    const read = readPinTable('A B C D E F G H', eight);
    expect(read).toMatchObject({ ok: true, value: { doubts: ['No row names land 9.'] } });
    expect(readPinTable('A\nB\nC', eight)).toMatchObject({
      ok: false,
      error: expect.stringMatching(/^3 names for 9 lands/),
    });
  });
  it('of several sizes side by side takes the column that fits this part', () => {
    const text = 'Name\tNo.\tNo.\tType\nVIN\t12\t1\tP\nEN\t14\t2\tI\nGND\t3\t3\tG\nFB\t15\t4\tI';
    expect(short(rows(text))).toEqual(['1|VIN|power', '2|EN|input', '3|GND|ground', '4|FB|input']);
  });
  it('tells every doubt at its row, and refuses what has no numbers', () => {
    const doubts = rows('Pin\tName\tType\n1\tVIN(1)\tP\n2\tRST*\tI\n12\tGND\tG\nx\tFB\tI\n5\t\tqq').map(
      (pin) => pin.doubts.join(' '),
    );
    expect(doubts).toEqual([
      '“(1)” is taken for a footnote.',
      'Is the “*” a footnote, or does it mean active low?',
      'There is no land 12.',
      'There is no land x.',
      '“qq” is no direction that is known here. It has no name.',
    ]);
    expect(readPinTable('Name\tType\nVIN\tP\nGND\tG', eight)).toMatchObject({
      ok: false,
      error: expect.stringContaining('No column has the numbers'),
    });
  });
  it('keeps what belongs to a name, and reads what means active low', () => {
    expect(
      ['nRST', 'RST_N', '/CS', 'CS#', '¬CS', 'C\u0304S\u0304', 'SDA/GPIO2', '/'].map((printed) => {
        const { name, low } = nameOf(printed);
        return low ? `low ${name}` : name;
      }),
    ).toEqual(['nRST', 'RST_N', 'low CS', 'low CS', 'low CS', 'low CS', 'SDA/GPIO2', '/']);
  });
});

const pin = (lands: string, name: string, direction?: PinIntent['direction']): PinIntent => ({
  id: `p${lands.replace(/\W/g, '')}`,
  lands,
  name,
  ...(direction ? { direction } : {}),
});
const sixteen: readonly PinIntent[] = [
  pin('1', 'VIN', 'power'),
  pin('2 16', 'GND', 'ground'),
  pin('3-15', 'DATA', 'both'),
];
const withPins = (pins: readonly PinIntent[]): TapisDocument => ({ ...converter(), pins });
function found(rule: string, document: TapisDocument) {
  return check(compile(document)).findings.filter((finding) => finding.rule === rule);
}
const RULES = ['pin-lands', 'land-without-pin', 'pin-names', 'pin-grounds'];

describe('pins of a footprint', () => {
  it('that name every land once hold', () => {
    for (const rule of RULES) expect([rule, found(rule, withPins(sixteen))]).toEqual([rule, []]);
    const { pins } = compile(withPins(sixteen)).footprint!;
    expect(pins[1]).toMatchObject({ name: 'GND', numbers: ['2', '16'], lands: ['rows/2', 'rows/16'] });
  });
  it('stop where a land is not there or is on two pins, and are mended', () => {
    const wrong = withPins([...sixteen, pin('17', 'AUX'), pin('3 4', 'CLK')]);
    const messages = found('pin-lands', wrong).map(({ message }) => message);
    expect(messages).toEqual([
      'Pin AUX names number 17, which no land has.',
      'Land 3 is on two pins, DATA and CLK.',
      'Land 4 is on two pins, DATA and CLK.',
    ]);
    let mended = wrong;
    for (let [next] = found('pin-lands', mended); next; [next] = found('pin-lands', mended))
      mended = applyEdits(mended, next.remedies[0]!.edits);
    expect(mended.pins?.map(({ lands }) => lands)).toEqual(['1', '2 16', '3-15']);
  });
  it('tell lands that none names, doubled names, and ground that is scattered', () => {
    const [left] = found('land-without-pin', withPins(sixteen.slice(0, 2)));
    expect(left?.message).toBe(
      'Lands 3, 4, 5, 6, 7, 8, 9, 10 and 5 more have no pin: the table names 3 of 16 terminals.',
    );
    const doubled = withPins([
      pin('1', 'VIN'),
      pin('2', 'GND', 'ground'),
      pin('16', 'GND', 'ground'),
      pin('3-15', 'D'),
    ]);
    const [twice] = found('pin-names', doubled);
    expect(twice?.message).toContain('2 pins are called GND, at lands 2, 16.');
    const joined = applyEdits(doubled, twice!.remedies[0]!.edits);
    expect(joined.pins).toHaveLength(3);
    expect(joined.pins?.[1]).toMatchObject({ name: 'GND', lands: '2 16', direction: 'ground' });
    const apart = withPins([
      pin('1', 'VIN'),
      pin('2', 'AGND', 'ground'),
      pin('16', 'PGND', 'ground'),
      pin('3-15', 'D'),
    ]);
    expect(found('pin-grounds', apart)[0]?.message).toContain('Ground comes out at 2 pins: AGND, PGND.');
  });
  it('tell an exposed pad that is no ground', () => {
    const padded = converter({ E2: '2.9..3.1', D2: '2.9..3.1' });
    const document: TapisDocument = {
      ...padded,
      package: { ...padded.package, options: { pad: 'rectangle' } },
      pins: [pin('1-16', 'D'), pin('17', 'VEE', 'power')],
    };
    const [finding] = found('pin-grounds', document);
    expect(finding?.message).toContain('land 17, is on pin VEE, which is no ground pin (power)');
    expect(found('pin-grounds', applyEdits(document, finding!.remedies[0]!.edits))).toEqual([]);
  });
  it('ask where typed numbers go an uncommon way', () => {
    const scheme = (numbers: readonly number[]): TapisDocument => ({
      ...converter(),
      overrides: {
        numbers: Object.fromEntries(numbers.map((number, i) => [`rows/${i + 1}`, String(number)])),
      },
    });
    const up = Array.from({ length: 16 }, (_, i) => i + 1);
    expect(found('number-way', scheme(up))).toEqual([]);
    // down the left side and down the right one: each land beside its odd or even neighbour
    const zigzag = up.map((place) => (place <= 8 ? 2 * place - 1 : 2 * (17 - place)));
    expect(found('number-way', scheme(zigzag))).toEqual([]);
    expect(found('number-way', scheme([...up].reverse()))[0]?.message).toContain('clockwise');
    const odd = up.map((place) => (place === 5 ? 6 : place === 6 ? 5 : place));
    expect(found('number-way', scheme(odd))[0]?.message).toContain('land 5 follows 4');
  });
  it('are in the files, and say whether two footprints fit one symbol', async () => {
    const compiled = compile(withPins(sixteen));
    const write = async (id: string) => {
      const { content } = await writeFile(formatById(id)!, { ...compiled, footprint: compiled.footprint! });
      return String(content);
    };
    expect((await write('pins-csv')).split('\r\n').slice(0, 3)).toEqual([
      'number,pin,active_low,direction,group,voltage,note',
      '1,VIN,,power,,,',
      '2,GND,,ground,,,',
    ]);
    expect(await write('csv')).toMatch(/^16,.*,land,GND,ground\r$/m);
    const json = JSON.parse(await write('pins-json')) as {
      pins: object[];
      lands: { number: string; pin: string }[];
    };
    expect(json.pins[1]).toEqual({ name: 'GND', direction: 'ground', numbers: ['2', '16'] });
    expect(json.lands.find(({ number }) => number === '16')?.pin).toBe('GND');
    const xml = await write('ipc2581');
    expect(xml).toMatch(/<Pin number="1" name="VIN" type="SURFACE" electricalType="ELECTRICAL">/);
    expect(xml).toMatch(/<Component refDes="REF" packageRef="SOP65P640X120-16N"/);

    const plain = compile(converter()).footprint!;
    expect(symbolVerdict(compiled.footprint!, plain)).toEqual({
      fits: true,
      words: 'Both fit the same symbol.',
    });
    const other = compile(withPins([pin('1', 'GND'), pin('2-16', 'DATA')])).footprint!;
    expect(symbolVerdict(compiled.footprint!, other)).toMatchObject({
      fits: false,
      words: expect.stringContaining('land 1 is GND here and VIN there'),
    });
  });
});
