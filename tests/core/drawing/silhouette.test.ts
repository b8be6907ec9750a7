import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pathData, verticesOf, type Ring } from '../../../src/core/drawing/drawing';
import { drawPlan } from '../../../src/core/drawing/plan';
import { ofFaces, silhouetteOf, type Silhouette, type SolidView } from '../../../src/core/drawing/silhouette';
import { compile } from '../../../src/core/footprint/compile';
import type { Footprint } from '../../../src/core/footprint/footprint';
import { outlineOf } from '../../../src/core/geometry/figure';
import { area } from '../../../src/core/geometry/polygon';
import type { Part, Shape } from '../../../src/core/geometry/solid';
import { VARIANTS, SOME_VARIANTS } from '../../data/families';

const SIDES: readonly SolidView[] = ['front', 'side', 'plan', 'underside'];
const HERE = { x: 0, y: 0, z: 0 };

/** Heights and places of lines within an outline, as a set: a line may be drawn in pieces. */
function levelsOf({ edges, bounds: { minX, minY, maxX, maxY } }: Silhouette): string[] {
  const within = (v: number, low: number, high: number) => v > low + 1e-3 && v < high - 1e-3;
  const seen = edges.flatMap(([a = HERE, b = HERE]) => {
    if (Math.abs(a.y - b.y) < 1e-6) return within(a.y, minY, maxY) ? [`y ${a.y.toFixed(3)}`] : [];
    return within(a.x, minX, maxX) ? [`x ${a.x.toFixed(3)}`] : [];
  });
  return [...new Set(seen)].sort();
}

describe('the silhouette of a solid that stands square', () => {
  const shapes = new Map<string, Shape>();
  for (const { document } of VARIANTS) {
    const { footprint } = compile(document);
    for (const shape of Object.values(footprint?.body.assembly.shapes ?? {}))
      if (shape.kind === 'extrusion' || shape.kind === 'revolution') shapes.set(JSON.stringify(shape), shape);
  }
  it.each([0, 90, 180, 270])('turned by %i° shows what its faces show', (rotation) => {
    expect(shapes.size).toBeGreaterThan(40);
    for (const shape of shapes.values())
      for (const view of SIDES)
        for (const flipped of [false, true]) {
          const part: Part = {
            name: 'part',
            shape: 'shape',
            material: 'metal',
            at: HERE,
            rotation,
            ...(flipped ? { flipped } : {}),
          };
          // a copy, as what was drawn is known by its shape
          const drawn = silhouetteOf({ ...shape }, part, view);
          const faces = ofFaces(shape, part, view);
          const size = (rings: typeof drawn.outline) => rings.reduce((sum, ring) => sum + area(ring), 0);
          const about = `${shape.kind} from ${view} ${JSON.stringify(shape).slice(0, 200)}`;
          expect(size(drawn.outline), about).toBeGreaterThan(0);
          expect(size(drawn.outline), about).toBeCloseTo(size(faces.outline), 3);
          for (const side of ['minX', 'minY', 'maxX', 'maxY'] as const)
            expect(drawn.bounds[side], about).toBeCloseTo(faces.bounds[side], 3);
          expect(drawn.near, about).toBeCloseTo(faces.near, 3);
          // seen along its depth an extrusion has no edges but its outline
          const along = view === 'front' ? 0 : view === 'side' ? 90 : NaN;
          if (shape.kind === 'revolution' || rotation % 180 !== along)
            expect(levelsOf(drawn), about).toEqual(levelsOf(faces));
        }
  });
});

/** Where the path of a ring goes, read from its path data: absolute or relative lines and arcs. */
function pointsOf(path: string): { x: number; y: number }[] {
  let at = { x: 0, y: 0 };
  return [...path.matchAll(/([MLAla])([-\d. ]+)/g)].map(([, command = '', numbers = '']) => {
    const [x = NaN, y = NaN] = numbers.trim().split(/[ ,]+/).map(Number).slice(-2);
    const isRelative = command === command.toLowerCase();
    at = isRelative ? { x: at.x + x, y: at.y + y } : { x, y };
    return { x: at.x, y: -at.y };
  });
}

describe('path data of shapes that are drawn again and again', () => {
  it('goes where their vertices are, to a tenth of a micrometre', () => {
    const length = fc.double({ min: 0.05, max: 40, noNaN: true });
    const place = fc.double({ min: -60, max: 60, noNaN: true });
    fc.assert(
      fc.property(length, length, fc.nat(4), place, place, (width, height, kind, x, y) => {
        const figures = [
          { kind: 'rectangle', width, height } as const,
          { kind: 'rectangle', width, height, radius: Math.min(width, height) / 5 } as const,
          { kind: 'oblong', width, height } as const,
          { kind: 'd-shape', width, height } as const,
          { kind: 'round', diameter: width } as const,
        ];
        const ring: Ring = { of: outlineOf(figures[kind] as (typeof figures)[number]), at: { x, y } };
        const vertices = verticesOf(ring);
        const points = pointsOf(pathData({ rings: [ring], closed: true }));
        vertices.forEach((vertex, i) => {
          expect(Math.abs((points[i]?.x ?? NaN) - vertex.x)).toBeLessThan(1.01e-4);
          expect(Math.abs((points[i]?.y ?? NaN) - vertex.y)).toBeLessThan(1.01e-4);
        });
        // an arc back to the start is drawn, a line is what Z draws
        expect(points.length).toBe(vertices.length + (vertices.at(-1)?.bulge ? 1 : 0));
      }),
    );
  });
  it.each(SOME_VARIANTS)('of the plan of $name draws each of its lands', ({ document }) => {
    const { footprint } = compile(document) as { footprint: Footprint | null };
    const copper = footprint && drawPlan(footprint).strokes.find(({ layer }) => layer === 'copper');
    if (!copper) return expect(footprint?.lands ?? []).toEqual([]);
    expect(pathData(copper).match(/M/g)).toHaveLength(footprint.lands.length);
  });
});
