import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { readOutlines } from '../../../../src/core/format/dxf/outlines';
import { readDrawing } from '../../../../src/core/format/dxf/read';
import { flatten } from '../../../../src/core/geometry/contour';
import { area } from '../../../../src/core/geometry/polygon';
import { boxOfPoints } from '../../../../src/core/geometry/box';

// Drawings as other programs save them, written out by hand: group codes in pairs.

type Codes = readonly (number | string)[];
const written = (...parts: readonly Codes[]) => `${parts.flat().join('\n')}\n`;
const section = (name: string, ...parts: readonly Codes[]): Codes => [
  0,
  'SECTION',
  2,
  name,
  ...parts.flat(),
  0,
  'ENDSEC',
];
const END: Codes = [0, 'EOF'];
const inMm = section('HEADER', [9, '$INSUNITS', 70, 4]);
const rectangle = (layer: string, x: number, y: number, w: number, h: number, more: Codes = []): Codes => [
  0,
  'LWPOLYLINE',
  8,
  layer,
  90,
  4,
  70,
  1,
  ...more,
  ...[
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ].flatMap(([px = 0, py = 0]) => [10, px, 20, py]),
];
const entities = (...parts: readonly Codes[]) => written(inMm, section('ENTITIES', ...parts), END);

/** Boxes and areas of what was read, from left to right, rounded to a tenth of a micrometre. */
function boxes(text: string, unit?: 'mm' | 'in' | 'mil') {
  const read = readOutlines(text, unit ? { unit } : {});
  if (!read.ok) throw new Error(read.error);
  const round = (value: number) => Math.round(value * 1e4) / 1e4 + 0;
  return {
    left: read.value.left,
    outlines: read.value.outlines
      .map(({ layer, contour }) => {
        const polygon = flatten(contour, 0.0001);
        const { minX, minY, maxX, maxY } = boxOfPoints(polygon)!;
        return { layer, box: [minX, minY, maxX, maxY].map(round), area: round(area(polygon)) };
      })
      .sort((a, b) => a.box[0]! - b.box[0]! || a.box[1]! - b.box[1]!),
  };
}
const boxOnly = (text: string) => boxes(text).outlines.map(({ box }) => box);

describe('blocks', () => {
  const block = (name: string, ...parts: readonly Codes[]): Codes => [
    0,
    'BLOCK',
    2,
    name,
    10,
    0,
    20,
    0,
    ...parts.flat(),
    0,
    'ENDBLK',
  ];
  const insert = (name: string, x: number, y: number, ...more: Codes): Codes => [
    0,
    'INSERT',
    8,
    'lands',
    2,
    name,
    10,
    x,
    20,
    y,
    ...more,
  ];
  const drawing = (blocks: readonly Codes[], ...parts: readonly Codes[]) =>
    written(inMm, section('BLOCKS', ...blocks), section('ENTITIES', ...parts), END);
  const pad = block('PAD', rectangle('0', 0, 0, 2, 1));

  it('are put where they are inserted, turned, scaled and mirrored, on the layer of the insert', () => {
    expect(boxes(drawing([pad], insert('PAD', 10, 5))).outlines).toEqual([
      { layer: 'lands', box: [10, 5, 12, 6], area: 2 },
    ]);
    expect(boxOnly(drawing([pad], insert('PAD', 10, 5, 50, 90)))).toEqual([[9, 5, 10, 7]]);
    expect(boxOnly(drawing([pad], insert('PAD', 10, 5, 41, 2, 42, 3)))).toEqual([[10, 5, 14, 8]]);
    expect(boxOnly(drawing([pad], insert('PAD', 10, 5, 41, -1)))).toEqual([[8, 5, 10, 6]]);
  });
  it('stand in rows and columns, also turned', () => {
    const array: Codes = [70, 2, 71, 3, 44, 5, 45, 2];
    expect(boxOnly(drawing([pad], insert('PAD', 0, 0, ...array)))).toHaveLength(6);
    expect(boxOnly(drawing([pad], insert('PAD', 0, 0, 50, 90, ...array)))).toContainEqual([-5, 5, -4, 7]);
  });
  it('lie in each other', () => {
    const row = block('ROW', insert('PAD', 0, 0), insert('PAD', 3, 0));
    expect(boxOnly(drawing([pad, row], insert('ROW', 100, 0, 41, 2, 42, 2)))).toEqual([
      [100, 0, 104, 2],
      [106, 0, 110, 2],
    ]);
  });
  it('keep their arcs where they are scaled alike, and their area where they are not', () => {
    const round = block('DOT', [0, 'CIRCLE', 8, '0', 10, 0, 20, 0, 40, 1]);
    const read = readOutlines(drawing([round], insert('DOT', 0, 0, 41, 2, 42, 2)));
    expect(read.ok && read.value.outlines[0]?.contour.every(({ bulge }) => bulge)).toBe(true);
    expect(boxes(drawing([round], insert('DOT', 0, 0, 41, 2, 42, 1))).outlines[0]?.area).toBeCloseTo(
      2 * Math.PI,
      2,
    );
  });
  it('that hold themselves, or come too often, are refused in words', () => {
    const self = block('SELF', insert('SELF', 1, 0));
    const twice = (name: string, of: string) =>
      block(name, ...Array.from({ length: 10 }, () => insert(of, 1, 0)));
    const many = ['A', 'B', 'C', 'D', 'E', 'F'].map((name, i, all) =>
      twice(name, i === 0 ? 'PAD' : all[i - 1]!),
    );
    for (const [text, words] of [
      [drawing([self], insert('SELF', 0, 0)), 'holds itself'],
      [drawing([pad, ...many], insert('F', 0, 0)), 'more than 100000 entities'],
      [drawing([pad], insert('PAD', 0, 0, 70, 30000, 71, 30000)), '30000 × 30000 times'],
    ] as const) {
      const read = readOutlines(text);
      expect(read.ok ? '' : read.error).toContain(words);
    }
  });
  it('that are not in the file are told', () => {
    const { left } = boxes(drawing([pad], insert('PAD', 0, 0), insert('LOST', 0, 0)));
    expect(left.join()).toContain('1 inserts of “LOST”, which is not in the file');
  });
});

describe('shapes', () => {
  it('seen from below lie mirrored, with their arcs', () => {
    expect(boxOnly(entities(rectangle('lands', 1, 2, 3, 1, [230, -1])))).toEqual([[-4, 2, -1, 3]]);
    expect(boxOnly(entities([0, 'CIRCLE', 8, 'l', 10, 5, 20, 1, 40, 1, 210, 0, 220, 0, 230, -1]))).toEqual([
      [-6, 0, -4, 2],
    ]);
    // half a disc that bulges to the right bulges to the left
    const half: Codes = [0, 'LWPOLYLINE', 8, 'l', 90, 2, 70, 1, 230, -1, 10, 0, 20, -1, 42, 1, 10, 0, 20, 1];
    const [only] = boxes(entities(half)).outlines;
    expect(only?.box).toEqual([-1, -1, 0, 1]);
    expect(only?.area).toBeCloseTo(Math.PI / 2, 3);
  });
  it('in a tilted plane are told', () => {
    const { left, outlines } = boxes(
      entities(rectangle('l', 0, 0, 1, 1), rectangle('l', 5, 0, 1, 1, [210, 1, 220, 0, 230, 0])),
    );
    expect([outlines.length, left.join()]).toEqual([1, expect.stringContaining('tilted plane')]);
  });
  it('are ellipses, splines, solids and hatches too', () => {
    const ellipse: Codes = [
      0,
      'ELLIPSE',
      8,
      'l',
      10,
      1,
      20,
      2,
      11,
      3,
      21,
      0,
      40,
      0.5,
      41,
      0,
      42,
      2 * Math.PI,
    ];
    const [round] = boxes(entities(ellipse)).outlines;
    expect(round?.box[2]).toBeCloseTo(4, 3);
    expect(round?.area).toBeCloseTo(Math.PI * 3 * 1.5, 2);
    const solid: Codes = [0, 'SOLID', 8, 'l', 10, 0, 20, 0, 11, 2, 21, 0, 12, 0, 22, 1, 13, 2, 23, 1];
    expect(boxes(entities(solid)).outlines).toEqual([{ layer: 'l', box: [0, 0, 2, 1], area: 2 }]);
    const hatch: Codes = [0, 'HATCH', 8, 'l', 2, 'SOLID', 70, 1, 91, 1, 92, 3, 72, 0, 73, 1, 93, 4];
    const corners: Codes = [10, 0, 20, 0, 10, 3, 20, 0, 10, 3, 20, 2, 10, 0, 20, 2, 75, 0];
    expect(boxes(entities([...hatch, ...corners])).outlines[0]).toMatchObject({ box: [0, 0, 3, 2], area: 6 });
    // a frame: what is free within the hatching stays free
    const inner: Codes = [
      92, 2, 72, 0, 73, 1, 93, 4, 10, 1, 20, 0.5, 10, 2, 20, 0.5, 10, 2, 20, 1.5, 10, 1, 20, 1.5,
    ];
    const frame: Codes = [
      ...hatch.map((code, i) => (hatch[i - 1] === 91 ? 2 : code)),
      ...corners.slice(0, -2),
      ...inner,
    ];
    expect(boxes(entities([...frame, 75, 0])).outlines).toMatchObject([{ box: [0, 0, 3, 2], area: 5 }]);
    // a disc: an arc of a whole turn
    const disc: Codes = [
      0,
      'HATCH',
      8,
      'l',
      91,
      1,
      92,
      1,
      93,
      1,
      72,
      2,
      10,
      5,
      20,
      5,
      40,
      1,
      50,
      0,
      51,
      360,
      73,
      1,
    ];
    expect(boxes(entities(disc)).outlines[0]?.area).toBeCloseTo(Math.PI, 3);
    // a square of straight pieces as a spline of the first degree
    const spline: Codes = [0, 'SPLINE', 8, 'l', 70, 1, 71, 1, 72, 7, 73, 5];
    const knots = [0, 0, 1, 2, 3, 4, 4].flatMap((knot) => [40, knot]);
    const points = [0, 0, 2, 0, 2, 2, 0, 2, 0, 0].flatMap((value, i) => [i % 2 === 0 ? 10 : 20, value]);
    expect(boxes(entities([...spline, ...knots, ...points])).outlines[0]?.area).toBeCloseTo(4, 6);
  });
  it('with a width are what they paint', () => {
    const bar: Codes = [0, 'LWPOLYLINE', 8, 'l', 90, 2, 70, 0, 43, 0.5, 10, 0, 20, 0, 10, 2, 20, 0];
    expect(boxes(entities(bar)).outlines).toEqual([{ layer: 'l', box: [0, -0.25, 2, 0.25], area: 1 }]);
    const donut: Codes = [
      0,
      'LWPOLYLINE',
      8,
      'l',
      90,
      2,
      70,
      1,
      43,
      1,
      10,
      -0.5,
      20,
      0,
      42,
      1,
      10,
      0.5,
      20,
      0,
      42,
      1,
    ];
    expect(boxes(entities(donut)).outlines[0]?.area).toBeCloseTo(Math.PI, 3);
  });
  it('that are not shown are not taken, and that is told', () => {
    const layer = (name: string, ...more: Codes): Codes => [0, 'LAYER', 2, name, ...more];
    const tables = section('TABLES', layer('off', 62, -7), layer('ice', 70, 1), layer('ghost', 290, 0));
    const shapes = ['off', 'ice', 'ghost', 'seen'].map((name, i) => rectangle(name, 5 * i, 0, 1, 1));
    const paper = rectangle('seen', 50, 0, 1, 1, [67, 1]);
    const { outlines, left } = boxes(written(inMm, tables, section('ENTITIES', ...shapes, paper), END));
    expect(outlines.map(({ layer: one }) => one)).toEqual(['seen']);
    for (const words of [
      '“off”, which is switched off',
      '“ice”, which is frozen',
      '“ghost”, which is not plotted',
      'paper space',
    ])
      expect(left.join()).toContain(words);
  });
});

describe('a unit', () => {
  const none = written(section('ENTITIES', rectangle('l', 0, 0, 1, 2)), END);
  it('that a person says goes before the one in the file, and that is told', () => {
    expect(boxes(none, 'in').outlines[0]?.box).toEqual([0, 0, 25.4, 50.8]);
    expect(boxes(none).left.join()).toContain('does not say its unit');
    const said = boxes(entities(rectangle('l', 0, 0, 1, 2)), 'mil');
    expect(said.outlines[0]?.box).toEqual([0, 0, 0.0254, 0.0508]);
    expect(said.left.join()).toContain('read in mil, as was said');
  });
});

describe('layers', () => {
  it.each([
    ['KUPFER_OBEN', 1],
    ['Cuivre dessus', 1],
    ['COBRE', 1],
    ['Piazzole', 1],
    ['Медь', 1],
    ['Lötstoppmaske', 0],
    ['Cuivre dessous', 0],
  ])('called %s hold %i lands', (name, lands) => {
    const text = entities(rectangle('LANDS', 0, 0, 1, 1), rectangle(name, 5, 0, 1, 1));
    const read = readDrawing(text, 'x.dxf');
    expect(read.ok && read.value.layers.find((layer) => layer.name === name)?.role === 'lands').toBe(
      lands === 1,
    );
  });
  it('have texts with numbers of lands, set as they may be', () => {
    const number: Codes = [0, 'MTEXT', 8, 'l', 10, 0.5, 20, 0.5, 1, '{\\fArial|b0;\\H0.5x;7}'];
    const read = readDrawing(entities(rectangle('LANDS', 0, 0, 1, 1), number), 'x.dxf');
    expect(read.ok && read.value.patterns[0]?.lands[0]?.number).toBe('7');
  });
});

it('whatever the codes say, reading ends in words or with shapes whose numbers are numbers', () => {
  const value = fc.oneof(
    fc.integer({ min: -3, max: 400 }).map(String),
    fc.double({ noDefaultInfinity: false }).map(String),
    fc.constantFrom(
      'LWPOLYLINE',
      'INSERT',
      'HATCH',
      'SPLINE',
      'A',
      'BLOCK',
      'ENDBLK',
      'ENDSEC',
      'ENTITIES',
      '1e400',
      '',
    ),
  );
  const code = fc.constantFrom(
    0,
    2,
    8,
    10,
    11,
    20,
    21,
    40,
    41,
    42,
    43,
    50,
    70,
    71,
    72,
    73,
    91,
    92,
    93,
    210,
    230,
  );
  fc.assert(
    fc.property(fc.array(fc.tuple(code, value), { maxLength: 60 }), (pairs) => {
      // a coordinate that is no number is refused at once: most of them are
      const sound = pairs.flatMap(([own, said]) => [
        own,
        own >= 10 && own < 60 && !(said !== '' && Number.isFinite(Number(said))) ? -1 : said,
      ]);
      const read = readOutlines(entities(rectangle('l', 0, 0, 1, 1), sound));
      if (!read.ok) {
        expect(read.error.length).toBeLessThan(300);
        return;
      }
      for (const { contour } of read.value.outlines)
        for (const { x, y, bulge = 0 } of contour) expect([x, y, bulge].every(Number.isFinite)).toBe(true);
    }),
    { numRuns: 400 },
  );
});

test('answers that blocks ask for number their lands, by the question that is for it', () => {
  const insert = (x: number, number: string, net: string): Codes => [
    ...[0, 'INSERT', 8, 'LANDS', 2, 'ONE', 10, x, 20, 0, 66, 1],
    ...[0, 'ATTRIB', 8, 'LANDS', 10, x, 20, 0.1, 1, net, 2, 'NET'],
    ...[0, 'ATTRIB', 8, 'LANDS', 10, 0, 20, 0, 11, x, 21, 0, 72, 1, 74, 2, 1, number, 2, 'PIN'],
    ...[0, 'SEQEND'],
  ];
  const asked: Codes = [0, 'ATTDEF', 8, '0', 10, 0, 20, 0, 1, 'x', 2, 'PIN'];
  const block = section(
    'BLOCKS',
    [0, 'BLOCK', 2, 'ONE', 10, 0, 20, 0],
    rectangle('0', -0.5, -0.5, 1, 1),
    asked,
    [0, 'ENDBLK'],
  );
  const read = readDrawing(
    written(inMm, block, section('ENTITIES', insert(0, '7', 'A1'), insert(3, '8', 'A2')), END),
    'x.dxf',
  );
  if (!read.ok) throw new Error(read.error);
  expect(read.value.patterns[0]?.lands.map(({ number }) => number).sort()).toEqual(['7', '8']);
  expect(read.value.patterns[0]?.left.join(' ')).toContain('2 texts are left out');
});

test('level faces of four corners are outlines, others are told; units of the header down to a nanometre', () => {
  const at = (...corners: readonly (readonly [number, number, number])[]): Codes => [
    ...[0, '3DFACE', 8, 'lands'],
    ...corners.flatMap(([x, y, z], k) => [10 + k, x, 20 + k, y, 30 + k, z]),
  ];
  const level = at([0, 0, 1], [2, 0, 1], [2, 1, 1], [0, 1, 1]);
  const tilted = at([5, 0, 0], [7, 0, 0], [7, 1, 1], [5, 1, 1]);
  const third = at([9, 0, 0], [11, 0, 0], [11, 1, 0], [11, 1, 0]);
  const { outlines, left } = boxes(entities(level, tilted, third));
  expect(outlines.map(({ box }) => box)).toEqual([[0, 0, 2, 1]]);
  expect(left.join(' ')).toContain('2 entities of kind 3DFACE');
  for (const [unit, size] of [
    [9, 1000],
    [8, 1e6],
    [12, 25.4e6],
  ] as const) {
    const head = section('HEADER', [9, '$INSUNITS', 70, unit]);
    const text = written(head, section('ENTITIES', rectangle('lands', 0, 0, size, size)), END);
    expect(boxOnly(text)).toEqual([[0, 0, 25.4, 25.4]]);
  }
});

test('layers that say no more than their side are its lands, where none is called the copper', () => {
  const read = readDrawing(entities(rectangle('Top', 0, 0, 1, 2), rectangle('Bottom', 0, 5, 1, 2)), 'x.dxf');
  if (!read.ok) throw new Error(read.error);
  expect(read.value.patterns[0]?.lands.map(({ far }) => far ?? false)).toEqual([false, true]);
  expect(read.value.patterns[0]?.left.join(' ')).toContain('“Top” says its side only');
});

test('an outline within another of the lands is told with its place', () => {
  const both = [rectangle('Lands', 0, 0, 4, 4), rectangle('Lands', 1, 1, 2, 2)];
  const read = readDrawing(entities(...both, rectangle('Lands', 6, 0, 1, 1)), 'x.dxf');
  if (!read.ok) throw new Error(read.error);
  expect(read.value.patterns[0]?.lands).toHaveLength(3);
  expect(read.value.patterns[0]?.left.join(' ')).toMatch(
    /1 outline lies within another .* it may be an opening or a hole: at 2, 2 mm/,
  );
});

test.each(['3,5', '1.5x', 'NaN', '--1', ''])('a coordinate of “%s” is refused with its line', (said) => {
  const read = readOutlines(entities([...rectangle('lands', 0, 0, 1, 1), 10, said]));
  expect(!read.ok && read.error).toMatch(new RegExp(`^Line \\d+ is “${said}”, and a number is expected`));
});
