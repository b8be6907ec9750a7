import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rgbOf, USUAL_COLOURS } from '../../../../src/core/body/colours';
import { quoted, real } from '../../../../src/core/format/step/exchange';
import { writeStep } from '../../../../src/core/format/step/step';
import { boxOfPoints } from '../../../../src/core/geometry/box';
import { facesOf, placeFace } from '../../../../src/core/geometry/faces';
import type { Assembly, Part, Shape } from '../../../../src/core/geometry/solid';
import { brepOf } from '../../../../src/core/geometry/solid-brep';
import { gullWingLead } from '../../../../src/core/package/shapes/leads';
import { mouldedBody, mouldHeights } from '../../../../src/core/package/shapes/moulding';
import { ball } from '../../../../src/core/package/shapes/round';
import { footprintOf, STRATA, USUAL_VARIANTS, VARIANTS } from '../../../data/families';
import { measureMesh, readStep } from '../../../data/occt';
import { cases, DEEP } from '../../../data/depth';
import { volumeOf } from '../../../data/volume';

/** The box round an assembly by the facets that drawings use, their chords at most 2 µm inside. */
function boxOf({ shapes, parts }: Assembly): number[][] {
  const corners = parts.flatMap((part) =>
    facesOf(shapes[part.shape] as Shape).flatMap((face) => placeFace(face, part).corners),
  );
  const flat = boxOfPoints(corners);
  const upright = boxOfPoints(corners.map(({ x, z }) => ({ x, y: z })));
  if (!flat || !upright) throw new Error('nothing in it');
  return [
    [flat.minX, flat.maxX],
    [flat.minY, flat.maxY],
    [upright.minY, upright.maxY],
  ];
}

/** Edges of a boundary that are not used exactly once each way. */
function openEdges(shape: Shape): number {
  const { faces, edges } = brepOf(shape);
  const uses = edges.map(() => [0, 0]);
  for (const { edge, reversed } of faces.flatMap(({ loops }) => loops.flat()))
    uses[edge]![reversed ? 1 : 0]! += 1;
  return uses.filter(([forth, back]) => forth !== 1 || back !== 1).length;
}

/** Every shape that any variant of a family has, once; one that only its size tells apart stands for all in a usual run. */
function distinctShapes(family: string): Assembly {
  const found = new Map<string, { shape: Shape; part: Part }>();
  for (const { document } of VARIANTS.filter(({ family: { id } }) => id === family)) {
    const { shapes, parts } = footprintOf(document).body.assembly;
    for (const part of parts) {
      const shape = shapes[part.shape] as Shape;
      const key = DEEP ? JSON.stringify(shape) : `${part.shape} ${shape.kind} ${complexity(shape)}`;
      if (!found.has(key)) found.set(key, { shape, part });
    }
  }
  const all = [...found.values()].map(({ shape, part }, i) => ({ shape, part, name: `${part.shape} ${i}` }));
  return {
    shapes: Object.fromEntries(all.map(({ name, shape }) => [name, shape])),
    parts: all.map(({ name, part }) => ({ ...part, name, shape: name })),
  };
}

/** Faces of a shape's boundary: what tells shapes apart that differ in more than their size. */
function complexity(shape: Shape): number {
  return brepOf(shape).faces.length;
}

const linear = (value: number) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4);

describe('bodies as STEP', () => {
  it.each(STRATA.map(({ family }) => family))(
    'of $id have the volume, name and colour of each shape',
    ({ id }) => {
      const { shapes, parts } = distinctShapes(id);
      // a ball loses twice as much between its chords as a wire
      const round = Object.values(shapes).some(({ kind }) => kind === 'revolution');
      const { meshes } = readStep(
        writeStep({ shapes, parts }, id, USUAL_COLOURS),
        0.0002,
        round ? 0.05 : 0.1,
      );
      expect(meshes.map(({ name }) => name)).toEqual(parts.map(({ shape }) => shape));
      meshes.forEach(({ attributes, index, color }, i) => {
        const { shape, material } = parts[i]!;
        const volume = volumeOf(shapes[shape] as Shape);
        const read = measureMesh(attributes.position.array, index.array).volume;
        expect(Math.abs(read - volume) / volume, `volume of ${shape}`).toBeLessThan(0.001);
        const meant = rgbOf(USUAL_COLOURS[material]).map(linear);
        expect(color?.map((value, k) => Math.abs(value - meant[k]!) < 1e-4)).toEqual([true, true, true]);
      });
    },
    60_000,
  );

  it.each(STRATA)('of $name stand as one assembly in the same box', ({ name, document }) => {
    const { assembly } = footprintOf(document).body;
    const { root, meshes } = readStep(writeStep(assembly, name, USUAL_COLOURS), 0.002);
    expect(root.children[0]?.name).toBe(name);
    expect(meshes).toHaveLength(assembly.parts.length);
    const boxes = meshes.map(
      ({ attributes, index }) => measureMesh(attributes.position.array, index.array).box,
    );
    boxOf(assembly).forEach(([from, to], axis) => {
      // chords of either side lie up to 2 µm inside of arcs
      expect(Math.abs(Math.min(...boxes.map((box) => box[axis]![0]!)) - from!)).toBeLessThan(0.004);
      expect(Math.abs(Math.max(...boxes.map((box) => box[axis]![1]!)) - to!)).toBeLessThan(0.004);
    });
  });

  it.each(USUAL_VARIANTS)('of $name are closed: every edge is used once each way', ({ document }) => {
    for (const shape of Object.values(footprintOf(document).body.assembly.shapes)) {
      expect(openEdges(shape as Shape)).toBe(0);
    }
  });

  it('are closed whatever the sizes of a lead and its body', () => {
    const size = (min: number, max: number) =>
      fc.integer({ min: min * 1e6, max: max * 1e6 }).map((nanometres) => nanometres / 1e6);
    fc.assert(
      fc.property(
        size(0.5, 5),
        size(0.3, 2),
        size(0.1, 1),
        size(0.05, 0.3),
        size(0.2, 2),
        (body, out, foot, thickness, exit) => {
          const lead = gullWingLead({
            body,
            tip: body + out,
            foot: foot * out * 0.6,
            width: 0.3,
            thickness,
            exit,
          });
          const mould = mouldedBody(2 * body, foot, mouldHeights(thickness, exit));
          for (const shape of [lead, mould, ball(body, body * 0.8)]) expect(openEdges(shape)).toBe(0);
        },
      ),
      { numRuns: cases(60, 1000) },
    );
  });

  it('write a shape once however many parts share it, and the same text each time', () => {
    const dual = VARIANTS.find(({ name }) => name === 'gull-wing-dual')!;
    const { assembly } = footprintOf(dual.document).body;
    const text = writeStep(assembly, 'dual', USUAL_COLOURS);
    expect(text.match(/MANIFOLD_SOLID_BREP/g)).toHaveLength(2);
    expect(text.match(/NEXT_ASSEMBLY_USAGE_OCCURRENCE/g)).toHaveLength(assembly.parts.length);
    expect(text.length).toBeLessThan(60_000);
    expect(writeStep(assembly, 'dual', USUAL_COLOURS)).toBe(text);
  });

  it('carry any name as plain ASCII', () => {
    expect(quoted("Ø3 'wide' \\ µ 🛟")).toBe(
      "'\\X2\\00D8\\X0\\3 ''wide'' \\\\ \\X2\\00B5\\X0\\ \\X4\\0001F6DF\\X0\\'",
    );
    const { assembly } = footprintOf(VARIANTS[0]!.document).body;
    const text = writeStep(assembly, "Wächter 'Nord'", USUAL_COLOURS);
    expect(text).toMatch(/^[\x20-\x7e\n]*$/);
    expect(readStep(text, 0.01).root.children[0]?.name).toBe("Wächter 'Nord'");
  });

  it('write numbers as reals', () => {
    expect([0, -0, 1, 0.1 + 0.2, 1e-7, 250].map(real)).toEqual(['0.', '0.', '1.', '0.3', '1.E-7', '250.']);
  });
});
