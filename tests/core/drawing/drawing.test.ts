import { describe, expect, it } from 'vitest';
import { drawElevation } from '../../../src/core/drawing/elevation';
import { pathData, verticesOf, type Drawing, type Layer } from '../../../src/core/drawing/drawing';
import { landDimensions } from '../../../src/core/drawing/land-dimensions';
import { drawPlan, numberPlaces } from '../../../src/core/drawing/plan';
import { sectionOf } from '../../../src/core/drawing/section';
import { compile } from '../../../src/core/footprint/compile';
import { boxOfPoints } from '../../../src/core/geometry/box';
import { facesOf } from '../../../src/core/geometry/faces';
import { turn, type Point } from '../../../src/core/geometry/point';
import { area } from '../../../src/core/geometry/polygon';
import { block } from '../../../src/core/geometry/solid';
import { familyById } from '../../../src/core/package/families';
import type { FamilyDefinition } from '../../../src/core/package/family';
import { chip, converter } from '../../data/documents';
import { VARIANTS, variantsOf } from '../../data/families';

function compiled(document = converter()) {
  const { footprint, process } = compile(document);
  if (!footprint) throw new Error('no footprint');
  return { footprint, process };
}

/** The box round everything drawn in some layers. */
function extentOf({ strokes }: Drawing, ...layers: Layer[]) {
  const kept = strokes.filter(({ layer }) => layers.includes(layer));
  return boxOfPoints(kept.flatMap(({ rings }) => rings.flatMap(verticesOf)));
}

describe('elevations line up with the plan', () => {
  const { footprint, process } = compiled();
  const uncut = { low: -1.6, cut: null };
  const front = drawElevation(footprint, process, 'front', uncut);
  const side = drawElevation(footprint, process, 'side', uncut);

  it('front: the leads span E, the body E1, from seating plane to top', () => {
    expect(extentOf(front, 'metal')).toMatchObject({
      minX: expect.closeTo(-3.2, 6),
      maxX: expect.closeTo(3.2, 6),
      minY: expect.closeTo(0.085, 6),
    });
    expect(extentOf(front, 'body')).toMatchObject({
      minX: expect.closeTo(-2.2, 6),
      maxX: expect.closeTo(2.2, 6),
      minY: expect.closeTo(0.185, 6),
      maxY: expect.closeTo(1.285, 6),
    });
  });
  it('side: the body spans D, the leads the row', () => {
    expect(extentOf(side, 'body')).toMatchObject({
      minX: expect.closeTo(-2.5, 6),
      maxX: expect.closeTo(2.5, 6),
    });
    // 3.5 pitches and half a lead: 2.275 + 0.1225
    expect(extentOf(side, 'metal')).toMatchObject({
      minX: expect.closeTo(-2.3975, 6),
      maxX: expect.closeTo(2.3975, 6),
    });
  });
  it('lands stand on the laminate, as wide as in the plan', () => {
    const [solution] = footprint.groups;
    const Z = solution?.kind === 'span' ? solution.land.Z : 0;
    expect(extentOf(front, 'copper')).toEqual({ minX: -Z / 2, maxX: Z / 2, minY: 0, maxY: 0.035 });
    expect(extentOf(front, 'laminate')).toMatchObject({ minY: -1.6, maxY: 0 });
  });
  it('of leads exactly behind one another only the nearest is drawn, behind the body the other row', () => {
    expect(front.strokes.filter(({ layer, closed }) => layer === 'metal' && closed)).toHaveLength(2);
    expect(side.strokes.filter(({ layer, closed }) => layer === 'metal' && closed)).toHaveLength(16);
    const order = side.strokes.filter(({ closed }) => closed).map(({ layer }) => layer);
    expect(order.lastIndexOf('metal') - order.lastIndexOf('body')).toBe(8);
  });
});

describe('sections', () => {
  it('of a block are its rectangles, also where the plane runs along a face', () => {
    const faces = facesOf(block(2, 4, 0, 1));
    expect(sectionOf(faces, { axis: 'y', value: 0 }).map((ring) => Math.abs(area(ring)))).toEqual([
      expect.closeTo(2, 5),
    ]);
    expect(sectionOf(faces, { axis: 'x', value: 0.5 }).map((ring) => Math.abs(area(ring)))).toEqual([
      expect.closeTo(4, 5),
    ]);
    expect(sectionOf(faces, { axis: 'x', value: 1.1 })).toEqual([]);
    expect(sectionOf(faces, { axis: 'x', value: -1 })).toHaveLength(1);
  });
  it('through a land show its two leads, their fillets and no leads of other rows', () => {
    const { footprint, process } = compiled();
    const cut = drawElevation(footprint, process, 'front', { low: -0.5, cut: 2 });
    expect(cut.strokes.filter(({ layer }) => layer === 'metal')).toHaveLength(2);
    expect(cut.strokes.filter(({ layer }) => layer === 'fillet').flatMap(({ rings }) => rings)).toHaveLength(
      4,
    );
    const between = {
      ...footprint,
      lands: footprint.lands.map((land) => ({ ...land, at: { ...land.at, y: land.at.y + 0.3 } })),
    };
    expect(
      drawElevation(between, process, 'front', { low: -0.5, cut: 2 }).strokes.some(
        ({ layer }) => layer === 'metal',
      ),
    ).toBe(false);
  });
  it('draw no fillet where the terminal hangs over the land', () => {
    const { footprint, process } = compiled(converter({}, { overrides: { land: { Y: '0.6', C: '5.2' } } }));
    // the land ends at (5.2 + 0.6)/2 = 2.9, the lead at 3.2
    const cut = drawElevation(footprint, process, 'front', { low: -0.5, cut: 0 });
    expect(extentOf(cut, 'fillet')?.maxX).toBeLessThanOrEqual(2.9);
  });
});

describe('plan', () => {
  it('draws one land, opening, paste and contact for each terminal', () => {
    const { footprint } = compiled();
    const count = (layer: Layer) =>
      drawPlan(footprint)
        .strokes.filter((s) => s.layer === layer)
        .reduce((sum, { rings }) => sum + rings.length, 0);
    expect(['copper', 'mask', 'paste', 'contact'].map((layer) => count(layer as Layer))).toEqual([
      // a mask opening and the land that it leaves free
      16, 32, 16, 16,
    ]);
    expect(count('legend-fill')).toBe(1);
  });
  it('keeps numbers out of the courtyard', () => {
    const { footprint } = compiled();
    for (const { x } of numberPlaces(footprint, 0.2)) expect(Math.abs(x)).toBeCloseTo(4.2, 9);
  });
  it('dimensions what the solver found', () => {
    const { footprint } = compiled(chip());
    const dimensions = landDimensions(footprint);
    expect(dimensions.map(({ size }) => size)).toEqual(['G', 'Z', 'Y', 'C', 'X']);
    for (const { size, value, from, to } of dimensions) {
      expect(size === 'X' ? to.y - from.y : to.x - from.x, size).toBeCloseTo(value, 9);
    }
  });
  it('writes path data with y downwards and without noise', () => {
    const ring = [
      { x: 0.1 + 0.2, y: 1 },
      { x: -0, y: -2 },
    ];
    expect(pathData({ rings: [ring], closed: true })).toBe('M0.3 -1L0 2Z');
  });
});

it('a turned footprint has the same land dimensions, turned with it', () => {
  for (const { name, document } of VARIANTS) {
    const lines = (orientation: 'A' | 'B') =>
      landDimensions(compiled({ ...document, orientation }).footprint);
    const [a, b] = [lines('A'), lines('B')];
    const round = ({ x, y }: Point) => [Math.round(x * 1e6) + 0, Math.round(y * 1e6) + 0];
    expect(
      b.map(({ size, value, from }) => [size, value.toFixed(6), round(from)]),
      name,
    ).toEqual(a.map(({ size, value, from }) => [size, value.toFixed(6), round(turn(from, 90))]));
  }
});

describe('a header through the board', () => {
  const [example] = variantsOf(familyById('pin-header') as FamilyDefinition);
  const { footprint, process } = compiled(example?.document);
  it('shows its holes in the plan, and arcs as arcs', () => {
    const { strokes } = drawPlan(footprint);
    const holes = strokes.find(({ layer }) => layer === 'plated-hole');
    expect(holes?.rings).toHaveLength(10);
    // a circle of 1.2: two half turns of radius 0.6
    expect(pathData({ rings: holes?.rings.slice(0, 1) ?? [], closed: true })).toMatch(
      /^M\S+ \S+(a0\.6 0\.6 0 0 0 \S+ \S+){2}Z$/,
    );
  });
  it('hides the pins inside the laminate until it is cut', () => {
    const layers = (cut: number | null) =>
      drawElevation(footprint, process, 'front', { low: -3.2, cut }).strokes.map(({ layer }) => layer);
    const whole = layers(null);
    expect(whole.lastIndexOf('metal')).toBeLessThan(whole.indexOf('laminate'));
    expect(whole).not.toContain('hole-cut');
    const cut = layers(0);
    expect(cut.filter((layer) => layer === 'hole-cut')).toHaveLength(5);
    expect(cut.lastIndexOf('metal')).toBeGreaterThan(cut.indexOf('laminate'));
    expect(cut).toContain('fillet');
  });
  it('cuts copper at the walls of the holes', () => {
    const { strokes } = drawElevation(footprint, process, 'front', { low: -3.2, cut: 0 });
    const first = footprint.lands[0]?.at.x ?? NaN;
    const bars = strokes
      .filter(({ layer }) => layer === 'copper')
      .flatMap(({ rings }) => rings.map(verticesOf));
    const inHole = bars.filter((ring) => ring.some(({ x }) => Math.abs(x - first) < 0.59));
    expect(inHole).toEqual([]);
  });
  it('numbers its lands on the lands', () => {
    const places = numberPlaces(footprint, 0.2);
    expect(places[0]).toMatchObject({ text: '1', inside: true, ...footprint.lands[0]?.at });
  });
  it('dimensions hole, land and row', () => {
    const lines = landDimensions(footprint).map(({ size, value }) => [size, Number(value.toFixed(3))]);
    expect(lines).toEqual([
      // land 1 is square; the others' diameter is what can be set
      ['D', 1.8],
      ['H', 1.2],
      ['span', 10.16],
    ]);
  });
});

it('a grid is lettered down its side and numbered along its top', () => {
  const [example] = variantsOf(familyById('ball-grid') as FamilyDefinition);
  const { footprint } = compiled(example?.document);
  const places = numberPlaces(footprint, 0.2);
  expect(places.map(({ text }) => text).sort()).toEqual(
    [...'ABCDEFGHJKLM', ...Array.from({ length: 12 }, (_, i) => String(i + 1))].sort(),
  );
  const { box } = footprint.courtyard;
  for (const { text, x, y } of places)
    expect(/[A-Z]/.test(text) ? x < box.minX : y > box.maxY, text).toBe(true);
});
