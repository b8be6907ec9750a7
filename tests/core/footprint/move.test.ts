import { verticesOf } from '../../../src/core/drawing/drawing';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawPlan, textStrokes } from '../../../src/core/drawing/plan';
import type { Vertex } from '../../../src/core/geometry/contour';
import { contourOf } from '../../../src/core/geometry/figure';
import { facesOf, placeFace } from '../../../src/core/geometry/faces';
import {
  HOME,
  putContour,
  putPoint,
  putPoint3,
  turned,
  undone,
  within,
  type Placement,
} from '../../../src/core/geometry/placement';
import type { Shape } from '../../../src/core/geometry/solid';
import type { Footprint } from '../../../src/core/footprint/footprint';
import { moved } from '../../../src/core/footprint/move';
import { jointModel, marginFigures } from '../../../src/core/joint/model';
import { standardProcess } from '../../../src/core/process';
import { cases } from '../../data/depth';
import { footprintOf, SOME_VARIANTS, VARIANTS } from '../../data/families';

const placements = fc.record({
  at: fc.record({
    x: fc.integer({ min: -9000, max: 9000 }).map((v) => v / 1000),
    y: fc.integer({ min: -9000, max: 9000 }).map((v) => v / 1000),
  }),
  angle: fc.oneof(fc.constantFrom(0, 90, 180, 270), fc.integer({ min: 0, max: 359 })),
  far: fc.boolean(),
});
const some = fc
  .constantFrom(...SOME_VARIANTS.map(({ name }) => name).filter((name) => !/grid/.test(name)))
  .map((name) => VARIANTS.find((variant) => variant.name === name)!);

/** A point with what it belongs to. */
type Spot = readonly [of: string, at: { readonly x: number; readonly y: number }];

const CELL = 0.01;

/** Fails unless every point has a fellow within a hundredth of a micrometre, and the other way round. */
function expectSame(a: readonly Spot[], b: readonly Spot[]): void {
  expect(a.length).toBe(b.length);
  for (const [from, to] of [
    [a, b],
    [b, a],
  ] as const) {
    const cells = new Map<string, Spot[]>();
    const cell = (of: string, x: number, y: number) =>
      `${of} ${Math.floor(x / CELL)} ${Math.floor(y / CELL)}`;
    for (const spot of to) {
      const name = cell(spot[0], spot[1].x, spot[1].y);
      cells.set(name, [...(cells.get(name) ?? []), spot]);
    }
    const alone = from.filter(([of, { x, y }]) => {
      const around = [-1e-5, 1e-5].flatMap((dx) =>
        [-1e-5, 1e-5].flatMap((dy) => cells.get(cell(of, x + dx, y + dy)) ?? []),
      );
      return !around.some(([, p]) => Math.hypot(p.x - x, p.y - y) < 1e-5);
    });
    expect(alone).toEqual([]);
  }
}

/** The corners of a ring; of a circle, which begins anywhere, its middle and size. */
function spotsOf(of: string, ring: readonly Vertex[], by: Placement): Spot[] {
  const put = putContour(by, ring);
  const [a, b] = put;
  if (put.length !== 2 || !a || !b || Math.abs(a.bulge ?? 0) !== 1)
    return put.map((point): Spot => [of, point]);
  const radius = Math.hypot(a.x - b.x, a.y - b.y) / 2;
  return [[`${of} circle ${(radius + 1e-6).toFixed(2)}`, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }]];
}

/** Every point of a plan by its layer, wherever its rings begin and whichever way they run. */
function pointsOf(footprint: Footprint, placement: Placement): Spot[] {
  return [...drawPlan(footprint).strokes, ...textStrokes(footprint)].flatMap(({ layer, rings }) =>
    rings.flatMap((ring) => spotsOf(layer, verticesOf(ring), placement)),
  );
}

describe('moving a footprint', () => {
  it('and drawing it is drawing it and moving that', () => {
    fc.assert(
      fc.property(some, placements, ({ document }, { at, angle }) => {
        const footprint = footprintOf({ ...document, marks: { courtyard: 'contour', reference: 'U1' } });
        const placement = { at, angle, far: false };
        expectSame(pointsOf(moved(footprint, placement), HOME), pointsOf(footprint, placement));
      }),
    );
  });
  it('takes copper, openings, paste and contacts along at any angle and onto the far side', () => {
    fc.assert(
      fc.property(some, placements, ({ document }, placement) => {
        const footprint = footprintOf(document);
        const after = moved(footprint, placement);
        const outlines = ({ lands, bores, keepOuts }: Footprint, by: Placement) =>
          [
            ...lands.flatMap(({ id, copper, mask, paste, contact, hole }) =>
              [copper, ...mask, ...paste, contact.nom, ...(hole ? [hole] : [])].map(
                (placed) => [id, placed] as const,
              ),
            ),
            ...bores.map(({ opening }) => ['bore', opening] as const),
            ...keepOuts.map(({ area }) => ['keep-out', area] as const),
          ].flatMap(([of, placed]) => spotsOf(of, contourOf(placed), by));
        expectSame(outlines(after, HOME), outlines(footprint, placement));
        expect(after.lands.every(({ far }) => far === placement.far)).toBe(true);
        // origin and body keep their places in it
        expectSame([['', after.origin]], [['', putPoint(placement, footprint.origin)]]);
      }),
    );
  });
  it('moves its solids through space, turned over with the board', () => {
    fc.assert(
      fc.property(some, placements, ({ document }, placement) => {
        const footprint = footprintOf(document);
        const board = -footprint.body.heights.boardBottom;
        const corners = ({ body: { assembly } }: Footprint, by: Placement) =>
          assembly.parts.flatMap((part) =>
            facesOf(assembly.shapes[part.shape] as Shape)
              .flatMap((face) => placeFace(face, part).corners)
              .map((corner) => putPoint3(by, corner, by.far ? board : 0))
              .flatMap((corner): Spot[] => [
                [part.name, corner],
                [`${part.name} upright`, { x: corner.x, y: corner.z }],
              ]),
          );
        expectSame(corners(moved(footprint, placement), HOME), corners(footprint, placement));
      }),
      { numRuns: cases(10, 100) },
    );
  });
  it('leaves joints as they are, by the frames of the groups', () => {
    fc.assert(
      fc.property(some, placements, ({ document }, placement) => {
        const footprint = footprintOf(document);
        const after = moved(footprint, placement);
        const means = (f: Footprint) =>
          f.lands.flatMap((land) => {
            const model = jointModel(f, land, standardProcess);
            return (model?.margins ?? []).map((margin) => marginFigures(model!, margin).mean);
          });
        expect(means(after)).toEqual(means(footprint).map((mean) => expect.closeTo(mean, 4)));
      }),
    );
  });
  it('there and back changes nothing', () => {
    const footprint = footprintOf(VARIANTS.find(({ name }) => name === 'no-lead-quad')!.document);
    const there: Placement = { at: { x: 3, y: -1 }, angle: 33, far: true };
    expect(within(there, undone(there))).toMatchObject({ far: false });
    const back = moved(moved(footprint, there), undone(there));
    expectSame(pointsOf(back, HOME), pointsOf(footprint, HOME));
    expect(moved(footprint, turned(0))).toBe(footprint);
  });
});
