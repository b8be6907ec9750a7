import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Finding } from '../../src/core/document/finding';
import { merged, pathData, type Stroke } from '../../src/core/drawing/drawing';
import type { Labelled, Rise } from '../../src/core/drawing/dimension-lines';
import { tiled } from '../../src/core/drawing/tiles';
import { cornersOf, type Box } from '../../src/core/geometry/box';
import { segmentsCross } from '../../src/core/geometry/distance';
import { circleAt, contourOf } from '../../src/core/geometry/figure';
import type { Point } from '../../src/core/geometry/point';
import { line, type View } from '../../src/core/package/lines';
import { placeBalloons } from '../../src/islands/sheet/Balloons';
import { glyphsFor } from '../../src/islands/sheet/dimension-glyphs';
import { textPlace, type DimensionGlyph } from '../../src/islands/sheet/Dimension';
import {
  divide,
  fit,
  movedTo,
  placer,
  pointUnder,
  splitFor,
  transformOf,
  zoomAbout,
  type Area,
  type Camera,
  type Split,
} from '../../src/islands/sheet/layout';

const RISE = { low: -0.9, high: 1.3 };
const areas = divide(668, 728, null);
const area = (view: View) => areas[view] as Area;
const views = fc.constantFrom<View>('plan', 'front', 'side');
const mm = fc.double({ min: -20, max: 20, noNaN: true });
const cameras = fc.record({ scale: fc.double({ min: 5, max: 500, noNaN: true }), x: mm, y: mm });
const points = fc.record({ x: mm, y: mm });

describe('dividing the Sheet', () => {
  it('leaves nothing over and overlaps nothing', () => {
    const sum = Object.values(areas).reduce((total, a) => total + (a ? a.width * a.height : 0), 0);
    expect(sum).toBe(668 * 728);
    expect([area('front').width, area('side').height]).toEqual([area('plan').width, area('plan').height]);
  });
  it('gives it to one view', () => {
    expect(divide(668, 728, 'front')).toEqual({
      plan: null,
      side: null,
      turn: null,
      front: { x: 0, y: 0, width: 668, height: 728 },
    });
  });
});

describe('the split of the Sheet', () => {
  const size = { width: 668, height: 728 };
  const side = fc.double({ min: 0.5, max: 60, noNaN: true });
  const extents = fc
    .tuple(side, side)
    .map(([w, h]) => ({ minX: -w / 2, maxX: w / 2, minY: -h / 2, maxY: h / 2 }));
  const rises = side.map((high) => ({ low: -0.5, high: high / 2 }));
  const scaleOf = (extent: Box, rise: Rise, split?: Split) =>
    fit(extent, rise, divide(size.width, size.height, null, split)).scale;

  it('is about the usual one for a part that fills it', () => {
    const body = { minX: -2.4, maxX: 2.4, minY: -2.9, maxY: 2.9 };
    expect(splitFor(size, body, { low: -0.9, high: 1.3 })).toEqual({ width: 0.69, height: 0.62 });
  });
  it('is the usual one for a Sheet that has no size', () => {
    const body = { minX: -2.4, maxX: 2.4, minY: -2.9, maxY: 2.9 };
    for (const none of [
      { width: 900, height: 0 },
      { width: 0, height: 700 },
    ])
      expect(splitFor(none, body, { low: 0, high: 1 })).toEqual({ width: 0.69, height: 0.61 });
  });
  it('gives the elevations of a high header more room, and shows all larger', () => {
    const header = { minX: -6.4, maxX: 6.4, minY: -2.6, maxY: 2.6 };
    const rise = { low: -3.2, high: 8.5 };
    const split = splitFor(size, header, rise);
    expect(split.width).toBeLessThan(0.64);
    expect(scaleOf(header, rise, split)).toBeGreaterThan(1.3 * scaleOf(header, rise));
  });
  it('shows nothing smaller than the usual one does, and keeps room for the title block', () => {
    fc.assert(
      fc.property(extents, rises, (extent, rise) => {
        const split = splitFor(size, extent, rise);
        // shares are in steps of a fiftieth
        expect(scaleOf(extent, rise, split)).toBeGreaterThan(0.9 * scaleOf(extent, rise));
        expect((1 - split.width) * size.width).toBeGreaterThan(190);
        expect((1 - split.height) * size.height).toBeGreaterThan(270);
      }),
    );
  });
});

describe('balloons', () => {
  const finding: Finding = {
    rule: 'r',
    severity: 'note',
    title: '',
    message: '',
    source: '',
    stage: 'land',
    place: {},
    remedies: [],
  };
  it('have leaders that do not cross, wherever their targets are, and keep their numbers', () => {
    const at = fc.record({ x: fc.integer({ min: 30, max: 430 }), y: fc.integer({ min: 20, max: 700 }) });
    fc.assert(
      fc.property(fc.array(at, { maxLength: 14 }), (targets) => {
        const findings = targets.map(() => ({ ...finding }));
        const area = { x: 0, y: 0, width: 460, height: 728 };
        const balloons = placeBalloons(findings, (one) => targets[findings.indexOf(one)] ?? null, area);
        expect(balloons.map(({ index }) => index).sort((a, b) => a - b)).toEqual([...targets.keys()]);
        balloons.forEach((a, i) => {
          expect(a.target).toEqual(targets[a.index]);
          for (const b of balloons.slice(i + 1))
            expect(segmentsCross(a.target, a.at, b.target, b.at)).toBe(false);
        });
      }),
    );
  });
});

describe('a value that does not fit between its arrows', () => {
  const glyph: DimensionGlyph = {
    symbol: 'b',
    from: { x: 100, y: 50 },
    to: { x: 110, y: 50 },
    direction: 'horizontal',
    at: 20,
    room: 0,
    tail: 'down',
    text: 'b 0.19–0.30',
  };
  it('stands on its line beside an arrow, and the line runs on to it', () => {
    const beside = textPlace(glyph);
    expect(beside.y).toBe(20);
    expect(110 + beside.run[1]).toBeCloseTo(beside.x - beside.width / 2, 9);
    const left = textPlace({ ...glyph, leftward: true });
    expect(100 - left.run[0]).toBeCloseTo(left.x + left.width / 2, 9);
    const upright = { ...glyph, direction: 'vertical', at: 60, to: { x: 100, y: 62 } } as const;
    const below = textPlace(upright);
    expect([below.x, 62 + below.run[1]]).toEqual([60, below.y - 8]);
    expect(textPlace({ ...glyph, to: { x: 300, y: 50 } }).run).toEqual([0, 0]);
  });
});

describe('values on one dimension line', () => {
  const dimension = (symbol: string, from: number, to: number): Labelled => ({
    line: line(symbol, 'plan', 'bottom', [from, 0], [to, 0]),
    text: `${symbol} 2.85`,
  });
  const placed = (...labelled: Labelled[]) =>
    new Map(
      glyphsFor(labelled, 'plan', ({ x, y }) => ({ x: 10 * x, y: -10 * y }), {
        x: 0,
        y: 0,
        width: 300,
        height: 9,
      }).map((glyph) => [glyph.symbol, textPlace(glyph)]),
    );
  it('stand on the side where the next dimension is not', () => {
    expect(placed(dimension('X', 10, 13)).get('X')?.x).toBeGreaterThan(130);
    expect(placed(dimension('X', 10, 13), dimension('Y', 14, 28)).get('X')?.x).toBeLessThan(100);
    // between two others it stays where it would be
    expect(
      placed(dimension('W', 1, 9), dimension('X', 10, 13), dimension('Y', 14, 28)).get('X')?.x,
    ).toBeGreaterThan(130);
  });
});

describe('solids', () => {
  const solid = (x: number, closed = true): Stroke => ({
    layer: 'metal',
    rings: [cornersOf({ minX: x, minY: 0, maxX: x + 1, maxY: 1 })],
    closed,
  });
  it('that stand side by side become one path, silhouettes before the edges on them', () => {
    const made = merged([solid(0), solid(0, false), solid(2), solid(2, false)]);
    expect(made.map(({ closed, rings }) => [closed, rings.length])).toEqual([
      [true, 2],
      [false, 2],
    ]);
  });
  it('that hide one another stay apart, in their order', () => {
    const made = merged([solid(0), solid(0, false), solid(0.5), solid(0.5, false)]);
    expect(made.map(({ closed }) => closed)).toEqual([true, false, true, false]);
  });
});

describe('strokes in tiles', () => {
  const ring = (x: number, y: number, r: number) => contourOf(circleAt({ x, y }, 2 * r));
  it('keep every ring once, a hole with what it is in, and neighbours together', () => {
    const rings = Array.from({ length: 900 }, (_, i) => [
      ring(i % 30, Math.floor(i / 30), 0.3),
      ring(i % 30, Math.floor(i / 30), 0.2),
    ]).flat();
    const tiles = tiled({ layer: 'mask', rings, closed: true });
    expect(tiles.length).toBeGreaterThan(8);
    expect(new Set(tiles.flatMap(({ stroke }) => stroke.rings))).toEqual(new Set(rings));
    for (const { stroke, box } of tiles) {
      expect(stroke.rings.length % 2).toBe(0);
      expect(box.maxX - box.minX).toBeLessThan(12);
    }
  });
});

describe('projection', () => {
  it('plan and front share x, plan and side share y, at one scale', () => {
    fc.assert(
      fc.property(cameras, points, mm, (camera, { x, y }, z) => {
        const plan = placer('plan', area('plan'), camera, RISE)({ x, y });
        expect(placer('front', area('front'), camera, RISE)({ x, y: z }).x).toBeCloseTo(plan.x, 6);
        expect(placer('side', area('side'), camera, RISE)({ x: y, y: z }).y).toBeCloseTo(plan.y, 6);
      }),
    );
  });
  it('turns height up in the front view and towards the plan in the side view', () => {
    const camera: Camera = { scale: 40, x: 0, y: 0 };
    const front = placer('front', area('front'), camera, RISE);
    const side = placer('side', area('side'), camera, RISE);
    expect(front({ x: 0, y: 1 }).y).toBe(front({ x: 0, y: 0 }).y - 40);
    expect(side({ x: 0, y: 1 }).x).toBe(side({ x: 0, y: 0 }).x - 40);
  });
  it('tells the point under a pixel, the reverse of placing it', () => {
    fc.assert(
      fc.property(views, cameras, points, (view, camera, p) => {
        const back = pointUnder(view, area(view), camera, RISE, placer(view, area(view), camera, RISE)(p));
        expect([back.x, back.y]).toEqual([expect.closeTo(p.x, 6), expect.closeTo(p.y, 6)]);
      }),
    );
  });
  it('places path data where it places points', () => {
    const camera: Camera = { scale: 37, x: 0.4, y: -0.7 };
    const p = { x: 1.25, y: -0.5 };
    for (const view of ['plan', 'front', 'side'] as const) {
      const transform = transformOf(view, area(view), camera, RISE);
      const [, tx, ty] = /translate\((\S+) (\S+)\)/.exec(transform) ?? [];
      const [, px, py] = /M(\S+) (\S+)/.exec(pathData({ rings: [[p]], closed: false })) ?? [];
      // rotate(−90) takes (x, y) to (y, −x)
      const [x, y] = transform.includes('rotate(-90)') ? [Number(py), -Number(px)] : [Number(px), Number(py)];
      const want = placer(view, area(view), camera, RISE)(p);
      expect(Number(tx) + 37 * x).toBeCloseTo(want.x, 6);
      expect(Number(ty) + 37 * y).toBeCloseTo(want.y, 6);
    }
  });
});

describe('the camera', () => {
  it('fits everything into every view, with room for dimension lines', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        fc.double({ min: 0.5, max: 40, noNaN: true }),
        (w, h) => {
          const extent = { minX: -w / 2, maxX: w / 2, minY: -h / 2, maxY: h / 2 };
          const camera = fit(extent, RISE, areas);
          expect(w * camera.scale).toBeLessThanOrEqual(area('plan').width - 120);
          expect(h * camera.scale).toBeLessThanOrEqual(area('plan').height - 100);
          expect((RISE.high - RISE.low) * camera.scale).toBeLessThanOrEqual(area('side').width);
        },
      ),
    );
  });
  it('zooms about a pixel: what lies under it stays there, along the axes that the view shows', () => {
    fc.assert(
      fc.property(cameras, fc.double({ min: 0.5, max: 2, noNaN: true }), (camera, factor) => {
        const pixel = { x: 120, y: 200 };
        const before = pointUnder('plan', area('plan'), camera, RISE, pixel);
        const after = pointUnder(
          'plan',
          area('plan'),
          zoomAbout(camera, 'plan', area('plan'), pixel, factor),
          RISE,
          pixel,
        );
        expect([after.x, after.y]).toEqual([expect.closeTo(before.x, 6), expect.closeTo(before.y, 6)]);
      }),
    );
    const camera: Camera = { scale: 40, x: 1, y: 2 };
    expect(zoomAbout(camera, 'front', area('front'), { x: 10, y: 500 }, 2).y).toBe(2);
    expect(zoomAbout(camera, 'side', area('side'), { x: 600, y: 10 }, 2).x).toBe(1);
  });
});

describe('shapes that were drawn for one camera', () => {
  it('are moved to where another camera has them', () => {
    fc.assert(
      fc.property(cameras, cameras, points, views, fc.nat(300), (drawn, camera, p, view, beyond) => {
        const moved = movedTo(view, area(view), RISE, { drawn, camera, beyond }) ?? '';
        const [x = NaN, y = NaN, by = NaN] = [...moved.matchAll(/-?[\d.]+(e[-+]?\d+)?/g)].map(([v]) =>
          Number(v),
        );
        const [from, to] = [drawn, camera].map((each) => placer(view, area(view), each, RISE)(p)) as [
          Point,
          Point,
        ];
        // a transform is about the corner of what is drawn
        const [left, top] = [area(view).x - beyond, area(view).y - beyond];
        expect(left + x + by * (from.x - left)).toBeCloseTo(to.x, 4);
        expect(top + y + by * (from.y - top)).toBeCloseTo(to.y, 4);
      }),
    );
    const camera = { scale: 40, x: 1, y: 2 };
    expect(movedTo('plan', area('plan'), RISE, { drawn: camera, camera, beyond: 0 })).toBeUndefined();
  });
});
