import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sectionsAt, undersides } from '../../../src/core/body/contacts';
import { FACES_DOWN, posed, QUARTERS, rotationOf, type Pose } from '../../../src/core/body/pose';
import { likelyScale, SCALES } from '../../../src/core/body/seat';
import { groundOf } from '../../../src/core/footprint/ground';
import { meshOf, meshOfFaces, welded } from '../../../src/core/geometry/mesh';
import type { Point3 } from '../../../src/core/geometry/point';
import { block } from '../../../src/core/geometry/solid';
import { ball, lyingCylinder } from '../../../src/core/package/shapes/round';
import { converter } from '../../data/documents';
import { footprintOf, STRATA, VARIANTS } from '../../data/families';
import { elsewhere, seated, throughStep } from '../../data/models';
import { cases } from '../../data/depth';

const variant = (name: string) => footprintOf(VARIANTS.find((v) => v.name === name)!.document);
const meshed = (shape: Parameters<typeof meshOf>[0]) => welded([meshOf(shape)], 1e-6).mesh;

/** How far a pose is from undoing a turn and a shift: the largest way of four points, mm. */
function offBy(pose: Pose, turn: Point3, at: Point3, scale = 1): number {
  const corners = [
    { x: 0, y: 0, z: 0 },
    { x: 10, y: 0, z: 0 },
    { x: 0, y: 10, z: 0 },
    { x: 0, y: 0, z: 10 },
  ];
  return Math.max(
    ...corners.map((p) => {
      const back = posed(posed(p, { scale, turn, at }), pose);
      return Math.hypot(back.x - p.x, back.y - p.y, back.z - p.z);
    }),
  );
}

describe('what looks down', () => {
  it('of a block is its whole underside', () => {
    expect(undersides(meshed(block(4, 2, 0.5, 3)))).toMatchObject([
      { x: 0, y: 0, z: 0.5, width: 4, height: 2, area: 8 },
    ]);
  });
  it('of a lying cylinder is a strip, of a ball a spot, of a pressed ball its flat', () => {
    const [strip, ...more] = undersides(meshed(lyingCylinder(2, 5)));
    expect(strip).toMatchObject({ x: expect.closeTo(0, 9), z: expect.closeTo(0, 9), height: 5, area: 0 });
    // facets up to 25° off the horizontal: 2·sin 25° = 0.85 and a facet's width
    expect(strip!.width).toBeGreaterThan(0.7);
    expect(strip!.width).toBeLessThan(1.1);
    expect(more).toEqual([]);
    const [spot] = undersides(meshed(ball(0.5, 0.5)));
    expect(spot).toMatchObject({ x: expect.closeTo(0, 9), y: expect.closeTo(0, 9), z: 0 });
    expect(spot!.width).toBeLessThan(0.3);
    // a ball of 0.5 pressed to 0.4 has a flat of 2·√(0.25² − 0.2²) = 0.3 across
    expect(undersides(meshed(ball(0.5, 0.4)))[0]?.width).toBeCloseTo(0.3, 9);
  });
  it('of a foot that rises towards its toe is all of its sole, as high as its heel', () => {
    const rise = (degrees: number) => Math.tan((degrees * Math.PI) / 180);
    // a wedge of 0.6 × 0.3 that rises along X
    const foot = (degrees: number) => {
      const at = (x: number, y: number, z: number) => ({ x, y, z });
      const [h, t] = [0.6 * rise(degrees), 0.3];
      const [a, b, c, d] = [at(0, 0, 0), at(0.6, 0, h), at(0.6, t, h), at(0, t, 0)];
      const [e, f, g, i] = [at(0, 0, 1), at(0.6, 0, 1), at(0.6, t, 1), at(0, t, 1)];
      const faces = [
        [a, d, c, b],
        [e, f, g, i],
        [a, b, f, e],
        [b, c, g, f],
        [c, d, i, g],
        [d, a, e, i],
      ];
      return welded([meshOfFaces(faces)], 1e-6).mesh;
    };
    for (const degrees of [-8, -4, 2, 8, 20])
      expect(undersides(foot(degrees))).toMatchObject([
        {
          x: expect.closeTo(0.3, 9),
          z: expect.closeTo(Math.min(0, 0.6 * rise(degrees)), 9),
          width: expect.closeTo(0.6, 9),
          height: expect.closeTo(0.3, 9),
        },
      ]);
    // steeper than that its heel is all that it stands on
    expect(undersides(foot(40))).toMatchObject([{ x: expect.closeTo(0, 9), width: expect.closeTo(0, 9) }]);
  });
  it('is cut by the board where it goes through', () => {
    const [pin] = sectionsAt(meshed(block(0.6, 0.4, -3, 1)), -0.1);
    expect(pin).toMatchObject({
      x: expect.closeTo(0, 9),
      width: expect.closeTo(0.6, 9),
      height: expect.closeTo(0.4, 9),
      area: expect.closeTo(0.24, 9),
    });
    expect(sectionsAt(meshed(block(0.6, 0.4, 0, 1)), -0.1)).toEqual([]);
  });
});

describe('turns', () => {
  it('are about X first, then Y, then Z, counter-clockwise', () => {
    const turn = (p: Point3, by: Point3) => posed(p, { scale: 1, turn: by, at: { x: 0, y: 0, z: 0 } });
    expect(turn({ x: 0, y: 1, z: 0 }, { x: 90, y: 0, z: 0 })).toMatchObject({ x: 0, y: 0, z: 1 });
    expect(turn({ x: 0, y: 0, z: 1 }, { x: 0, y: 90, z: 0 })).toMatchObject({ x: 1, y: 0, z: 0 });
    expect(turn({ x: 1, y: 0, z: 0 }, { x: 0, y: 0, z: 90 })).toMatchObject({ x: 0, y: 1, z: 0 });
    // Y goes up to Z about X, and from there to X about Y
    expect(turn({ x: 0, y: 1, z: 0 }, { x: 90, y: 90, z: 0 })).toMatchObject({ x: 1, y: 0, z: 0 });
  });
  it('that are tried are all 24 of a cube', () => {
    const all = FACES_DOWN.flatMap((face) =>
      QUARTERS.map((z) =>
        rotationOf({ ...face, z })
          .map((v) => v + 0)
          .join(' '),
      ),
    );
    expect(new Set(all).size).toBe(24);
  });
});

describe('self-seating', () => {
  const turn = fc.record({
    x: fc.constantFrom(...QUARTERS),
    y: fc.constantFrom(...QUARTERS),
    z: fc.constantFrom(...QUARTERS),
  });
  const shift = fc.double({ min: -40, max: 40, noNaN: true });
  const place = fc.record({ x: shift, y: shift, z: shift });

  it.each(STRATA.map(({ name, document }) => [name, document] as const))(
    'puts the exported body of %s back to a micrometre, up to its symmetry, from any turn and place',
    (_, document) => {
      const footprint = footprintOf(document);
      const ground = groundOf(footprint);
      const meshes = throughStep(footprint.body.assembly);
      fc.assert(
        fc.property(turn, place, (by, at) => {
          const { best, equal } = seated(elsewhere(meshes, by, at), ground);
          expect(Math.min(...[best, ...equal].map(({ pose }) => offBy(pose, by, at)))).toBeLessThan(0.001);
          expect(best.fit.missing).toEqual([]);
          expect(best.fit.worst).toBeLessThan(0.001);
        }),
        { numRuns: cases(1, 6) },
      );
    },
    60_000,
  );

  it('says that a part of two equal rows could as well be turned by half', () => {
    const footprint = footprintOf(converter());
    const { best, equal } = seated(throughStep(footprint.body.assembly), groundOf(footprint));
    expect(best.pose.turn).toEqual({ x: 0, y: 0, z: 0 });
    expect(equal.map(({ pose }) => pose.turn)).toEqual([{ x: 0, y: 0, z: 180 }]);
  });
  it('is sure of a part with an odd terminal, and says what comes next', () => {
    const footprint = variant('small-transistor');
    const { equal, second, best } = seated(throughStep(footprint.body.assembly), groundOf(footprint));
    expect(equal).toEqual([]);
    expect(second!.fit.cost).toBeGreaterThan(best.fit.cost + 0.05);
  });
  it.each(SCALES.filter((scale) => scale !== 1))('sees that a model has to be made larger by %d', (scale) => {
    const footprint = variant('small-transistor');
    const by = { x: 90, y: 0, z: 90 };
    const at = { x: 1, y: 2, z: 3 };
    const meshes = elsewhere(throughStep(footprint.body.assembly), by, at, 1 / scale);
    const { best, equal } = seated(meshes, groundOf(footprint));
    expect(best.pose.scale).toBe(scale);
    expect(Math.min(...[best, ...equal].map(({ pose }) => offBy(pose, by, at, 1 / scale)))).toBeLessThan(
      0.001,
    );
  });
  it('keeps the scale of a model that is only somewhat smaller', () => {
    const own = { min: { x: 0, y: 0, z: 0 }, max: { x: 6, y: 5, z: 1 } };
    expect(likelyScale({ min: own.min, max: { x: 4, y: 3.5, z: 0.8 } }, own)).toBe(1);
  });
  it('stands on its leads though pegs and feet are lower', () => {
    const footprint = footprintOf({
      ...VARIANTS.find(({ name }) => name === 'surface-header')!.document,
      package: {
        family: 'surface-header',
        options: { rows: 'two', pegs: 'two' },
        dimensions: {
          n: '10',
          e: '1.27',
          E: '5.3..5.7',
          E1: '3.3..3.5',
          L: '0.6..0.8',
          b: '0.35..0.45',
          A: '2.4..2.6',
          A1: '0..0.1',
          p: '1',
          P: '8',
        },
      },
    });
    const by = { x: -90, y: 0, z: 90 };
    const at = { x: 5, y: -3, z: 12 };
    const { best, equal } = seated(
      elsewhere(throughStep(footprint.body.assembly), by, at),
      groundOf(footprint),
    );
    expect(Math.min(...[best, ...equal].map(({ pose }) => offBy(pose, by, at)))).toBeLessThan(0.001);
    expect(best.fit.matches).toHaveLength(12);
  });
  it('stands on its leads though plastic feet are lower', () => {
    const footprint = footprintOf(converter());
    const { shapes, parts } = footprint.body.assembly;
    const foot = { name: 'foot', shape: 'foot', material: 'moulding', rotation: 0 } as const;
    const assembly = {
      shapes: { ...shapes, foot: block(0.6, 0.6, 0.03, 0.3) },
      parts: [
        ...parts,
        { ...foot, at: { x: 1.2, y: 1.5, z: 0 } },
        { ...foot, at: { x: -1.2, y: -1.5, z: 0 } },
      ],
    };
    const by = { x: 180, y: 0, z: 90 };
    const at = { x: 7, y: 1, z: -2 };
    const { best, equal } = seated(elsewhere(throughStep(assembly), by, at), groundOf(footprint));
    expect(Math.min(...[best, ...equal].map(({ pose }) => offBy(pose, by, at)))).toBeLessThan(0.001);
  });
  it('seats what has fewer leads, and names the lands that are left', () => {
    const footprint = footprintOf(converter());
    const parts = footprint.body.assembly.parts.filter(({ name }) => name !== 'lead 3' && name !== 'lead 12');
    const { best } = seated(throughStep({ ...footprint.body.assembly, parts }), groundOf(footprint));
    const missing = best.fit.missing.map((i) => footprint.lands[i]!.number).sort();
    expect([
      ['12', '3'],
      ['11', '4'],
    ]).toContainEqual(missing);
    expect(best.fit.worst).toBeLessThan(0.001);
  });
  it('says by how much a bent lead is off', () => {
    const footprint = footprintOf(converter());
    const parts = footprint.body.assembly.parts.map((part) =>
      part.name === 'lead 5' ? { ...part, at: { ...part.at, y: part.at.y + 0.08 } } : part,
    );
    const { best, equal } = seated(throughStep({ ...footprint.body.assembly, parts }), groundOf(footprint));
    const here = [best, ...equal].find(({ pose }) => pose.turn.z === 0)!;
    // the mean of sixteen leads moves by 5 µm, the bent one keeps the rest of its 80
    const off = here.fit.matches.find(({ target }) => footprint.lands[target]?.number === '5')!.off;
    expect(off.y).toBeCloseTo(0.075, 6);
    expect(here.fit.worst).toBeCloseTo(0.075, 6);
  });
});
