import { describe, expect, it } from 'vitest';
import { subjectOf } from '../../../src/core/body/subject';
import { visibleLines, type LookingAlong } from '../../../src/core/drawing/hidden-lines';
import { meshOf } from '../../../src/core/geometry/mesh';
import type { Polyline } from '../../../src/core/geometry/polygon';
import { block } from '../../../src/core/geometry/solid';

const FRONT: LookingAlong = { right: [0, 1], up: [2, 1], away: [1, 1] };

/** A block moved in Y. */
function blockAt(width: number, height: number, y: number) {
  const { positions, indices } = meshOf(block(width, 1, 0, height));
  return { positions: positions.map((v, i) => (i % 3 === 1 ? v + y : v)), indices };
}

const length = (lines: readonly Polyline[]) =>
  lines.reduce((sum, [a, b]) => sum + Math.hypot(a!.x - b!.x, a!.y - b!.y), 0);

describe('lines that are seen', () => {
  it('of a block are its four edges towards the viewer, and those behind that coincide', () => {
    const lines = visibleLines(subjectOf([blockAt(4, 2, 0)])!.mesh, FRONT);
    const places = new Set(lines.flat().map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`));
    expect(places).toEqual(new Set(['-2.0 0.0', '2.0 0.0', '2.0 2.0', '-2.0 2.0']));
  });
  it('are not those behind something, and in part where it covers a part', () => {
    // seen from the front a block of 4 × 2 stands before one of 2 × 3
    const lines = visibleLines(subjectOf([blockAt(4, 2, 0), blockAt(2, 3, 5)])!.mesh, FRONT);
    const inside = lines.filter((line) => line.every(({ x, y }) => Math.abs(x) < 1.5 && y > 0.1 && y < 1.9));
    expect(inside).toEqual([]);
    // of the upright edges at ±1 one of three millimetres is left, within two cells of the map
    const upright = lines.filter((line) => line.every(({ x }) => Math.abs(Math.abs(x) - 1) < 1e-9));
    const seen = upright.filter(([a, b]) => Math.abs(a!.y - b!.y) > 0.1);
    expect(length(seen) / seen.length).toBeCloseTo(1, 1);
  });
});
