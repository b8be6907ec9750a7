import { describe, expect, it } from 'vitest';
import { flatten } from '../../../src/core/geometry/contour';
import { area } from '../../../src/core/geometry/polygon';
import { cornersText, readOutlines } from '../../../src/core/format/dxf/outlines';

/** A drawing written out by hand: entities as lists of group codes. */
const drawing = (
  entities: readonly (readonly (string | number)[])[],
  header: readonly (string | number)[] = [],
) =>
  [
    ...(header.length > 0 ? [0, 'SECTION', 2, 'HEADER', ...header, 0, 'ENDSEC'] : []),
    ...[0, 'SECTION', 2, 'ENTITIES', ...entities.flat(), 0, 'ENDSEC', 0, 'EOF'],
  ].join('\r\n');
const line = (x0: number, y0: number, x1: number, y1: number, layer = 'BODY') =>
  [0, 'LINE', 8, layer, 10, x0, 20, y0, 30, 0, 11, x1, 21, y1, 31, 0] as const;

const outlinesOf = (text: string) => {
  const read = readOutlines(text);
  if (!read.ok) throw new Error(read.error);
  return read.value;
};
const areas = (text: string) =>
  outlinesOf(text).outlines.map(({ contour }) => Number(area(flatten(contour, 1e-5)).toFixed(3)));

describe('outlines of a drawing', () => {
  it('joins lines in any order and either way', () => {
    const text = drawing([line(0, 0, 4, 0), line(0, 3, 0, 0), line(4, 3, 4, 0), line(4, 3, 0, 3)]);
    expect(areas(text)).toEqual([12]);
    expect(outlinesOf(text).left).toEqual(['The drawing does not say its unit; it is read in mm.']);
  });

  it('takes lines with arcs between them: a slot of 6 by 2', () => {
    const arc = (x: number, from: number, to: number) =>
      [0, 'ARC', 8, 'BODY', 10, x, 20, 1, 40, 1, 50, from, 51, to] as const;
    const text = drawing([line(1, 0, 5, 0), line(5, 2, 1, 2), arc(5, 270, 90), arc(1, 90, 270)]);
    expect(areas(text)).toEqual([Number((4 * 2 + Math.PI).toFixed(3))]);
  });

  it('takes circles, and polylines of both kinds with their bulges, largest first', () => {
    const old = [
      [0, 'POLYLINE', 8, 'OLD', 66, 1, 70, 1, 10, 0, 20, 0],
      [0, 'VERTEX', 8, 'OLD', 10, 0, 20, 0, 42, 1],
      [0, 'VERTEX', 8, 'OLD', 10, 2, 20, 0],
      [0, 'SEQEND'],
    ] as const;
    const light = [
      0,
      'LWPOLYLINE',
      8,
      'NEW',
      90,
      4,
      70,
      1,
      10,
      0,
      20,
      0,
      10,
      0,
      20,
      5,
      10,
      5,
      20,
      5,
      10,
      5,
      20,
      0,
    ];
    const circle = [0, 'CIRCLE', 8, 'PEG', 10, 3, 20, 3, 40, 2];
    const { outlines } = outlinesOf(drawing([...old, light, circle]));
    expect(outlines.map(({ layer }) => layer)).toEqual(['NEW', 'PEG', 'OLD']);
    // a clockwise square, a circle, half a circle
    expect(areas(drawing([...old, light, circle]))).toEqual([
      25,
      Number((4 * Math.PI).toFixed(3)),
      Number((Math.PI / 2).toFixed(3)),
    ]);
  });

  it('reads inches where the drawing says so', () => {
    const square = [line(0, 0, 1, 0), line(1, 0, 1, 1), line(1, 1, 0, 1), line(0, 1, 0, 0)];
    expect(areas(drawing(square, [9, '$INSUNITS', 70, 1]))).toEqual([645.16]);
    expect(outlinesOf(drawing(square, [9, '$INSUNITS', 70, 4])).left).toEqual([]);
  });

  it('tells what it does not understand and what does not close', () => {
    const text = drawing([
      line(0, 0, 4, 0),
      line(4, 0, 4, 3),
      [0, 'TEXT', 8, '0', 1, 'BODY'],
      [0, 'SPLINE', 8, '0'],
    ]);
    expect(outlinesOf(text)).toMatchObject({
      outlines: [],
      texts: [{ layer: '0', text: 'BODY' }],
      lines: [{ layer: 'BODY' }],
      left: ['Not taken: 1 entities of kind SPLINE.', '2 lines and arcs do not close.', expect.any(String)],
    });
  });

  it.each([
    ['', 'The file is empty.'],
    ['hello\nworld', 'Line 1 is “hello”'],
    ['0\nEOF\n', 'no section ENTITIES'],
    ['\u0000\u0001', 'binary drawing'],
    [drawing([], [9, '$INSUNITS', 70, 17]), '$INSUNITS 17'],
  ])('%j is refused in words', (text, words) => {
    const read = readOutlines(text);
    expect(read.ok ? 'read' : read.error).toContain(words);
  });

  it('gives corners about the middle of their box', () => {
    const text = drawing([
      line(10, 10, 14, 10),
      line(14, 10, 14, 13),
      line(14, 13, 10, 13),
      line(10, 13, 10, 10),
    ]);
    const [outline] = outlinesOf(text).outlines;
    expect(cornersText(outline as NonNullable<typeof outline>)).toBe('-2,-1.5 2,-1.5 2,1.5 -2,1.5 mm');
  });
});
