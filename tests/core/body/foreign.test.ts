import { describe, expect, it } from 'vitest';
import { posed, QUARTERS, type Pose } from '../../../src/core/body/pose';
import { loadedModel } from '../../../src/core/body/loaded';
import { lookUnder } from '../../../src/core/body/underside';
import { check } from '../../../src/core/check/check';
import { compile } from '../../../src/core/footprint/compile';
import { groundOf } from '../../../src/core/footprint/ground';
import { intentOfPose } from '../../../src/core/footprint/imported';
import type { Point3 } from '../../../src/core/geometry/point';
import { DEEP } from '../../data/depth';
import { footprintOf } from '../../data/families';
import { EXPECTED, foreignModel, PARTS } from '../../data/foreign-models';
import { elsewhere, seated } from '../../data/models';

const KEY = 'f'.repeat(64);

/** How near a right pose has to be: feet of other lengths lie somewhat beside, mm. */
const NEAR = 0.1;

/** Numbers from 0 to 1 that are the same in every run. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
}

/** The largest way of four points between where a pose puts them and where they belong, mm. */
function offBy(pose: Pose, by: Point3, at: Point3, drawn: Point3, lift: number, rolls = false): number {
  const home = { scale: 1, at: { x: 0, y: 0, z: 0 } };
  // what rolls has its axis 0.75 above its underside
  const points = rolls
    ? [
        { x: 0, y: 0, z: 0.75 },
        { x: 5, y: 0, z: 0.75 },
      ]
    : [
        { x: 0, y: 0, z: 0 },
        { x: 5, y: 0, z: 0 },
        { x: 0, y: 5, z: 0 },
        { x: 0, y: 0, z: 5 },
      ];
  return Math.max(
    ...points.map((p) => {
      const inFile = posed(p, { ...home, turn: drawn });
      const put = posed(posed(inFile, { scale: 1, turn: by, at }), pose);
      return Math.hypot(put.x - p.x, put.y - p.y, put.z - p.z - lift);
    }),
  );
}

describe('models that another kernel wrote', () => {
  it.each(Object.entries(EXPECTED).map(([name, expected], i) => [name, expected, i] as const))(
    '%s',
    async (name, { part, answer, findings = [], drawn = { x: 0, y: 0, z: 0 }, rolls }, i) => {
      const document = PARTS[part];
      const footprint = footprintOf(document);
      const ground = groundOf(footprint);
      const model = await foreignModel(name);
      const next = numbers(i + 1);
      const lift = footprint.body.extent.mount === 'through' ? 0 : footprint.body.heights.seating;
      // once by whole quarters, once by any angles; in a usual run every other model by the one or the other
      for (const turn of DEEP ? [0, 1] : [i % 2]) {
        const quarter = () => QUARTERS[Math.floor(next() * 4)] as number;
        const offset = () => 80 * next() - 40;
        const by =
          turn === 0
            ? { x: quarter(), y: quarter(), z: quarter() }
            : { x: 360 * next(), y: 180 * next() - 90, z: 360 * next() };
        const at = { x: offset(), y: offset(), z: offset() };
        const meshes = elsewhere(
          model.parts.map(({ mesh }) => mesh),
          by,
          at,
        );
        const { best, equal, sign } = seated(meshes, ground);
        const off = ({ pose }: { pose: Pose }) => offBy(pose, by, at, drawn, lift, rolls);
        const moved = { ...model, parts: model.parts.map((one, k) => ({ ...one, mesh: meshes[k]! })) };
        const loaded = loadedModel(moved)!;
        const { pose } = best;
        const compiled = compile(
          { ...document, body: { model: intentOfPose({ name, key: KEY }, pose) } },
          () => loaded,
        );
        const said = new Set(check(compiled).findings.map(({ rule }) => rule));
        for (const rule of findings) expect(said, rule).toContain(rule);
        // whatever it is, it stands on the board
        expect([...said]).not.toContain('model-underside');
        if (answer === 'other') continue;
        expect(said).not.toContain('model-mirrored');
        if (findings.length === 0) {
          expect(said).not.toContain('model-pin-count');
          expect(said).not.toContain('model-extra');
        }
        if (answer === 'one') expect(equal).toEqual([]);
        if (answer === 'likely') expect(sign).not.toBeNull();
        if (answer === 'one' || answer === 'likely') expect(off(best)).toBeLessThan(NEAR);
        if (answer === 'equal') expect(Math.min(...[best, ...equal].map(off))).toBeLessThan(NEAR);
        if (answer === 'upright') {
          const { box } = lookUnder(loaded.partOn(ground.box, pose.scale), pose.turn, pose.scale, false);
          expect(box.max.z - box.min.z).toBeLessThan(1.2 * (ground.box.max.z - ground.box.min.z));
          expect(box.max.z - box.min.z).toBeGreaterThan(0.8 * (ground.box.max.z - ground.box.min.z));
          expect(Math.abs(box.max.x - box.min.x - ground.box.max.x + ground.box.min.x)).toBeLessThan(0.2);
        }
      }
    },
    60_000,
  );
});
