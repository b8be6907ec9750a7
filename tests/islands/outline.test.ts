import { expect, it } from 'vitest';
import { compileTrial } from '../../src/core/trial/compile';
import { outlineOfFile } from '../../src/islands/trials/outline';
import { trialOf } from '../data/trials';

/** An ASCII drawing of entities, each as its group codes. */
const drawing = (...entities: readonly (readonly (readonly [number, string | number])[])[]) =>
  new File(
    [
      [[0, 'SECTION'], [2, 'ENTITIES'], ...entities.flat(), [0, 'ENDSEC'], [0, 'EOF']]
        .map(([code, value]) => `${code}\n${value}\n`)
        .join(''),
    ],
    'edge.dxf',
  );

/** 60 by 40 from (10, 5), its right end half a circle of radius 20. */
const EDGE = [
  [0, 'LWPOLYLINE'],
  [8, 'EDGE'],
  [90, 4],
  [70, 1],
  ...[
    [10, 5, 0],
    [50, 5, 1],
    [50, 45, 0],
    [10, 45, 0],
  ].flatMap(
    ([x, y, bulge]) =>
      [
        [10, x],
        [20, y],
        [42, bulge],
      ] as [number, number][],
  ),
] as const;
const CIRCLE = [
  [0, 'CIRCLE'],
  [8, 'EDGE'],
  [10, 30],
  [20, 25],
  [40, 2],
] as const;

it('takes the largest closed outline of a DXF file as the board, arcs and all, and says what it left', async () => {
  const { text, left } = await outlineOfFile(drawing(CIRCLE, EDGE));
  expect(text).toBe('0,0 40,0,1 40,40 0,40 mm');
  expect(left).toEqual(['1 smaller outline', 'The drawing does not say its unit; it is read in mm.']);
  const { board, problems } = compileTrial(trialOf([], { unit: 'mil', board: { outline: text } }));
  expect(problems).toEqual([]);
  expect([board.box.maxX, board.box.maxY].map((mm) => Math.round(mm * 100) / 100)).toEqual([60, 40]);
});

it('says of a file without one what to draw', async () => {
  await expect(outlineOfFile(drawing())).rejects.toThrow('no closed outline');
  await expect(outlineOfFile(new File(['none'], 'none.dxf'))).rejects.toThrow('none.dxf');
});
