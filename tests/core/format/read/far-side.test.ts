import { expect, it } from 'vitest';
import { applyEdits } from '../../../../src/core/document/edit';
import { check } from '../../../../src/core/check/check';
import { verticesOf } from '../../../../src/core/drawing/drawing';
import { drawElevation } from '../../../../src/core/drawing/elevation';
import { drawPlan } from '../../../../src/core/drawing/plan';
import { waysOf } from '../../../../src/core/opinion/fit';
import { compile } from '../../../../src/core/footprint/compile';
import { isDrawable, type Drawable } from '../../../../src/core/footprint/footprint';
import { atOrigin } from '../../../../src/core/footprint/origin';
import { artworkFiles } from '../../../../src/core/format/artwork/artwork';
import { readBack } from '../../../../src/core/format/artwork/read-back';
import { documentOf, readPatterns } from '../../../../src/core/format/import';
import type { TapisDocument } from '../../../../src/core/document/document';

/** A card edge: five fingers on either side, those of the far side half a step further and cut at one corner. */
const edge: TapisDocument = {
  tapis: 2,
  name: 'Card edge',
  level: 'B',
  process: 'standard',
  package: {
    family: 'composed',
    dimensions: {},
    pieces: [
      {
        id: 'near',
        what: 'land',
        length: '0.9',
        width: '4.2',
        as: 'row',
        n: '5',
        step: '1.27',
        numbers: { from: '1', by: '2' },
      },
      {
        id: 'far',
        what: 'land',
        shape: 'chamfered',
        chamfer: '0.3',
        corners: ['upper-left'],
        length: '0.9',
        width: '4.2',
        as: 'row',
        n: '5',
        step: '1.27',
        x: '0.635',
        side: 'far',
        numbers: { from: '2', by: '2' },
      },
      { id: 'body', what: 'body', length: '8', width: '6', bottom: '0.1', top: '1.6' },
    ],
  },
};
const drawn = (document: TapisDocument): Drawable => {
  const compiled = compile(document);
  if (!isDrawable(compiled)) throw new Error(`${document.name} is not drawn`);
  return compiled;
};
const filesOf = (compiled: Drawable) => {
  const footprint = atOrigin(compiled.footprint);
  return { footprint, files: artworkFiles({ ...compiled, footprint }) };
};

it('has lands on the far side where its pieces say so, as they are seen through the board', () => {
  const { lands, maskOpenings } = drawn(edge).footprint;
  const far = lands.filter((land) => land.far);
  expect(far.map(({ number, at }) => [number, at.x])).toEqual([
    ['2', -1.905],
    ['4', -0.635],
    ['6', 0.635],
    ['8', 1.905],
    ['10', 3.175],
  ]);
  expect(maskOpenings.filter((one) => one.far)).toHaveLength(5);
  // the corner that is upper left from its own side is upper right through the board
  const [outline] = far.map(({ copper }) => copper);
  expect(outline?.figure).toMatchObject({ kind: 'rectangle', chamfer: { size: 0.3 } });
});

it('draws what is on the other side in dashes and beneath the board, and prints beside it freely', () => {
  const { footprint, process } = drawn(edge);
  const rings = (layer: string, strokes = drawPlan(footprint).strokes) =>
    strokes.filter((one) => one.layer === layer).flatMap((one) => one.rings).length;
  expect([rings('copper'), rings('other-side')]).toEqual([5, 5]);
  const front = drawElevation(footprint, process, 'front', { low: -2, cut: null }).strokes.filter(
    ({ layer }) => layer === 'copper',
  );
  const heights = front.flatMap(({ rings: all }) =>
    all.map((ring) => Math.sign(Math.max(...verticesOf(ring).map(({ y }) => y)))),
  );
  expect([heights.filter((sign) => sign > 0).length, heights.filter((sign) => sign <= 0).length]).toEqual([
    5, 5,
  ]);
  // the land gap would be 0 if they were on one side: they lie over one another
  expect(check(drawn(edge)).findings.map(({ message }) => message)).toEqual([]);
});

it('is not the same pattern as one with both rows on one side', () => {
  const flat = drawn(applyEdits(edge, [{ at: '/package/pieces/far/side', value: undefined }])).footprint
    .lands;
  const own = drawn(edge).footprint.lands;
  expect(waysOf(own, own).upright.pairs).toHaveLength(10);
  const { missing, extra } = waysOf(flat, own).upright;
  expect([missing.length, extra.length]).toEqual([5, 5]);
});

it('says of a land on both sides that it lies on one', () => {
  const both = applyEdits(edge, [{ at: '/package/pieces/far/side', value: 'both' }]);
  const { footprint, problems } = compile(both);
  const found = [...problems, ...(footprint?.package.plausibility.findings ?? [])];
  expect(found.map(({ message }) => message).join()).toContain(
    'A land lies on the component or on the far side',
  );
  expect(footprint?.lands.some(({ far }) => far)).toBe(false);
});

it('keeps the far row of a card edge through films, and tells nothing as left out', () => {
  const { footprint, files } = filesOf(drawn(edge));
  const bytes = (text: string) => new TextEncoder().encode(text);
  const read = readPatterns(files.map(({ name, content }) => ({ name, bytes: bytes(String(content)) })));
  if (!read.ok) throw new Error(String(read.error));
  const [pattern, ...others] = read.value.patterns;
  expect(others).toEqual([]);
  if (!pattern) throw new Error('nothing was read');
  expect(pattern.left).toEqual([]);
  expect(pattern.lands.filter(({ far }) => far).map(({ number }) => number)).toEqual([
    '2',
    '4',
    '6',
    '8',
    '10',
  ]);
  const again = filesOf(drawn(documentOf(pattern).document)).files;
  for (const { file, within } of readBack(
    [footprint],
    again.map((one) => ({ ...one })),
    ['copper', 'mask'],
  ))
    expect(within ?? Infinity, file).toBeLessThanOrEqual(0.002);
});
