import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pathData } from '../../src/core/drawing/drawing';
import type { View } from '../../src/core/package/lines';
import {
  divide,
  fit,
  placer,
  pointUnder,
  transformOf,
  zoomAbout,
  type Area,
  type Camera,
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
