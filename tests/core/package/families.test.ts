import { describe, expect, it } from 'vitest';
import { check } from '../../../src/core/check/check';
import { LEVELS, type TapisDocument } from '../../../src/core/document/document';
import { compile } from '../../../src/core/footprint/compile';
import type { Footprint } from '../../../src/core/footprint/footprint';
import { gapBetween, type Box } from '../../../src/core/geometry/box';
import { facesOf, placeFace } from '../../../src/core/geometry/faces';
import type { Point3 } from '../../../src/core/geometry/point';
import { FAMILIES } from '../../../src/core/package/families';
import type { FamilyDefinition } from '../../../src/core/package/family';
import { PROCESSES } from '../../../src/core/process';
import type { LandSize } from '../../../src/core/land/solver';

function exampleOf(family: FamilyDefinition, rest: Partial<TapisDocument> = {}): TapisDocument {
  const dimensions = family.example as Record<string, string>;
  return {
    tapis: 1,
    name: family.id,
    package: { family: family.id, dimensions },
    level: 'B',
    process: 'standard',
    ...rest,
  };
}

function footprintOf(document: TapisDocument): Footprint {
  const { footprint } = compile(document);
  if (!footprint) throw new Error(`${document.name} does not compile`);
  return footprint;
}

/** Every corner of every solid, where it stands. */
function cornersOf({ body }: Footprint): Point3[] {
  const { shapes, parts } = body.assembly;
  return parts.flatMap((part) => {
    const shape = shapes[part.shape];
    if (!shape) throw new Error(`no shape ${part.shape}`);
    return facesOf(shape).flatMap((face) => placeFace(face, part.rotation, part.at).corners);
  });
}

/** Six times the volume of a shape; positive only where its faces are closed and face outwards. */
function sixfoldVolume(family: FamilyDefinition, name: string): number {
  const shape = footprintOf(exampleOf(family)).body.assembly.shapes[name];
  if (!shape) throw new Error(`no shape ${name}`);
  let sum = 0;
  for (const { corners } of facesOf(shape)) {
    const [a] = corners as [Point3];
    for (let i = 1; i + 1 < corners.length; i += 1) {
      const [b, c] = [corners[i] as Point3, corners[i + 1] as Point3];
      sum += a.x * (b.y * c.z - b.z * c.y) - a.y * (b.x * c.z - b.z * c.x) + a.z * (b.x * c.y - b.y * c.x);
    }
  }
  return sum;
}

const families = FAMILIES.map((family) => [family.id, family] as const);

describe.each(families)('%s', (_, family) => {
  it('keeps legend, courtyard, gaps and numbers at every level in every process', () => {
    for (const process of PROCESSES) {
      for (const level of LEVELS) {
        const compiled = compile(exampleOf(family, { level, process: process.id }));
        const { findings } = check(compiled);
        const rules = new Set(findings.map(({ rule }) => rule));
        for (const rule of ['legend-over-land', 'courtyard', 'number-sequence', 'name-geometry', 'entry']) {
          expect(rules, `${process.id} ${level}`).not.toContain(rule);
        }
        // a mark that points at the wrong land is worse than none
        const { legend, lands, maskOpenings } = compiled.footprint as Footprint;
        const [apex] = legend.pin1 ?? [];
        if (!apex) continue;
        const distance = (box: Box) =>
          gapBetween({ minX: apex.x, maxX: apex.x, minY: apex.y, maxY: apex.y }, box);
        const nearest = maskOpenings.map(({ box }) => distance(box));
        expect(nearest.indexOf(Math.min(...nearest)), `${process.id} ${level}`).toBe(0);
        expect(lands[0]?.number).toBe('1');
      }
    }
  });

  it('asks for no less at A than at B, and at B than at C', () => {
    const { levels } = compile(exampleOf(family));
    if (!levels) throw new Error('no levels');
    levels.B.forEach((_solution, group) => {
      const size = (level: 'A' | 'B' | 'C', symbol: keyof LandSize) =>
        levels[level][group]?.computed[symbol] ?? NaN;
      for (const symbol of ['Z', 'X', 'Y'] as const) {
        expect(size('A', symbol)).toBeGreaterThanOrEqual(size('B', symbol));
        expect(size('B', symbol)).toBeGreaterThanOrEqual(size('C', symbol));
      }
    });
  });

  it('has closed solids that stand on their lands and end at the stated height', () => {
    const footprint = footprintOf(exampleOf(family));
    const { assembly, heights } = footprint.body;
    for (const name of Object.keys(assembly.shapes))
      expect(sixfoldVolume(family, name), name).toBeGreaterThan(0);
    const z = cornersOf(footprint).map((corner) => corner.z);
    expect(Math.min(...z)).toBeCloseTo(heights.seating, 3);
    expect(Math.max(...z)).toBeCloseTo(heights.top.nom, 3);
  });

  it('has solids as wide as its drawing says, and terminals inside its lands', () => {
    const footprint = footprintOf(exampleOf(family));
    const [group] = footprint.groups;
    const x = cornersOf(footprint).map((corner) => corner.x);
    expect(Math.max(...x)).toBeCloseTo(Math.max(group?.span.nom ?? 0, footprint.body.extent.x.nom) / 2, 3);
    for (const { contact, copper } of footprint.lands) {
      const { minX, maxX, minY, maxY } = contact.nom;
      expect(minX >= copper.minX - 1e-9 && maxX <= copper.maxX + 1e-9).toBe(true);
      expect(minY >= copper.minY - 1e-9 && maxY <= copper.maxY + 1e-9).toBe(true);
    }
  });

  it('finds nothing implausible in its own example', () => {
    const { findings } = check(compile(exampleOf(family)));
    const own = new Set(family.plausibility.map(({ id }) => id));
    expect(findings.filter(({ rule }) => own.has(rule))).toEqual([]);
  });
});
