import { USUAL_COLOURS } from '../../src/core/body/colours';
import type { Model } from '../../src/core/body/model';
import { turnPositions } from '../../src/core/body/pose';
import { seat, type SeatResult } from '../../src/core/body/seat';
import type { Ground } from '../../src/core/body/ground';
import { piecesOf } from '../../src/core/body/subject';
import { writeStep } from '../../src/core/format/step/step';
import type { Footprint } from '../../src/core/footprint/footprint';
import type { Mesh } from '../../src/core/geometry/mesh';
import type { Point3 } from '../../src/core/geometry/point';
import type { Assembly } from '../../src/core/geometry/solid';
import { readStep } from './occt';

/** Meshes of solids after a trip through a STEP file and another kernel. */
export function throughStep(assembly: Assembly): Mesh[] {
  const { meshes } = readStep(writeStep(assembly, 'part', USUAL_COLOURS), 0.002, 0.35);
  return meshes.map(({ attributes, index }) => ({
    positions: Float64Array.from(attributes.position.array),
    indices: Uint32Array.from(index.array),
  }));
}

/** Meshes put elsewhere: made larger, turned about X, Y, Z, and moved. */
export function elsewhere(meshes: readonly Mesh[], turn: Point3, at: Point3, scale = 1): Mesh[] {
  return meshes.map(({ positions, indices }) => {
    const moved = turnPositions(positions, turn, scale);
    for (let i = 0; i < moved.length; i += 3) {
      moved[i]! += at.x;
      moved[i + 1]! += at.y;
      moved[i + 2]! += at.z;
    }
    return { positions: moved, indices };
  });
}

/** Seats meshes to the end. */
export function seated(meshes: readonly Mesh[], ground: Ground): SeatResult {
  const pieces = piecesOf(meshes);
  if (!pieces) throw new Error('no triangles');
  const run = seat(pieces, ground);
  for (;;) {
    const step = run.next();
    if (step.done) {
      if (!step.value) throw new Error('nothing touches');
      return step.value;
    }
  }
}

/** A footprint's own body as an imported model, some of its parts left out or changed. */
export function ownModel(
  { body }: Footprint,
  change: (parts: Assembly['parts']) => Assembly['parts'] = (p) => p,
): Model {
  const assembly = { shapes: body.assembly.shapes, parts: change(body.assembly.parts) };
  return {
    parts: throughStep(assembly).map((mesh, i) => ({ name: assembly.parts[i]!.name, colour: null, mesh })),
    declared: assembly.parts.length,
  };
}
