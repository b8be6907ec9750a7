import { describe, expect, it } from 'vitest';
import { visibleOf, type LookingAlong } from '../../../src/core/geometry/hidden-lines';
import { meshOf, welded, type Mesh } from '../../../src/core/geometry/mesh';
import { beyondPlane } from '../../../src/core/geometry/mesh-section';
import { area, type Polygon, type Polyline } from '../../../src/core/geometry/polygon';
import { block } from '../../../src/core/geometry/solid';

const FRONT: LookingAlong = { right: [0, 1], up: [2, 1], away: [1, 1] };

/** A block moved in Y. */
function blockAt(width: number, height: number, y: number) {
  const { positions, indices } = meshOf(block(width, 1, 0, height));
  return { positions: positions.map((v, i) => (i % 3 === 1 ? v + y : v)), indices };
}

const joined = (...blocks: Mesh[]) => welded(blocks, 1e-6).mesh;
const linesOf = (...blocks: Mesh[]) => visibleOf(joined(...blocks), FRONT, () => 0).lines;

const length = (lines: readonly Polyline[]) =>
  lines.reduce((sum, [a, b]) => sum + Math.hypot(a!.x - b!.x, a!.y - b!.y), 0);

describe('areas that are seen', () => {
  const sizeOf = (polygons: readonly Polygon[] = []) => polygons.reduce((sum, one) => sum + area(one), 0);

  it('are those of what stands before, each in its tone, and leave holes open', () => {
    const mesh = joined(blockAt(4, 2, 0), blockAt(2, 3, 5));
    // each block has twelve triangles
    const { areas } = visibleOf(mesh, FRONT, (triangle) => (triangle < 12 ? 0 : 1));
    expect(sizeOf(areas.get(0))).toBeCloseTo(8, 0);
    expect(sizeOf(areas.get(1))).toBeCloseTo(2, 0);
    const beams = [blockAt(4, 1, 0), blockAt(4, 1, 0), blockAt(1, 3, 0), blockAt(1, 3, 0)].map(
      ({ positions, indices }, i) => ({
        indices,
        positions: positions.map(
          (v, k) => v + (k % 3 === 2 && i === 1 ? 2 : k % 3 === 0 && i > 1 ? 2 * i - 5 : 0),
        ),
      }),
    );
    // two bars of 4 × 1 and two posts of 1 × 3: 12 less where they cross, 4 × 1, and the window stays open
    const frame = visibleOf(joined(...beams), FRONT, () => 0).areas.get(0);
    expect(sizeOf(frame)).toBeCloseTo(10, 0);
    expect(frame).toHaveLength(2);
  });
  it('beyond a plane are those of what is cut off', () => {
    const mesh = joined(blockAt(4, 2, 0));
    const half = beyondPlane(mesh, 'x', 1, 1);
    expect(sizeOf(visibleOf(half, FRONT, () => 0).areas.get(0))).toBeCloseTo(2, 0);
    expect(beyondPlane(mesh, 'y', 3, 1).indices).toHaveLength(0);
    expect(beyondPlane(mesh, 'y', 3, -1).indices).toHaveLength(mesh.indices.length);
  });
});

describe('lines that are seen', () => {
  it('of a block are its four edges towards the viewer, and those behind that coincide', () => {
    const lines = linesOf(blockAt(4, 2, 0));
    const places = new Set(lines.flat().map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`));
    expect(places).toEqual(new Set(['-2.0 0.0', '2.0 0.0', '2.0 2.0', '-2.0 2.0']));
  });
  it('are not those behind something, and in part where it covers a part', () => {
    // seen from the front a block of 4 × 2 stands before one of 2 × 3
    const lines = linesOf(blockAt(4, 2, 0), blockAt(2, 3, 5));
    const inside = lines.filter((line) => line.every(({ x, y }) => Math.abs(x) < 1.5 && y > 0.1 && y < 1.9));
    expect(inside).toEqual([]);
    // of the upright edges at ±1 one of three millimetres is left, within two cells of the map
    const upright = lines.filter((line) => line.every(({ x }) => Math.abs(Math.abs(x) - 1) < 1e-9));
    const seen = upright.filter(([a, b]) => Math.abs(a!.y - b!.y) > 0.1);
    expect(length(seen) / seen.length).toBeCloseTo(1, 1);
  });
});
