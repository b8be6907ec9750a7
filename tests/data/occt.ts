import occt, { type OcctResult } from 'occt-import-js';

const kernel = await occt();

/** The kernel that models are read with. */
export const loadKernel = () => Promise.resolve(kernel);

/**
 * Reads a STEP file with the independent kernel.
 * @param chord how far chords may lie off arcs, mm
 * @param angle between neighbouring chords, radians
 */
export function readStep(text: string, chord: number, angle = 0.2): OcctResult {
  return kernel.ReadStepFile(new TextEncoder().encode(text), {
    linearUnit: 'millimeter',
    linearDeflectionType: 'absolute_value',
    linearDeflection: chord,
    angularDeflection: angle,
  });
}

/** Volume and box of a mesh, mm. */
export function measureMesh(positions: readonly number[], indices: readonly number[]) {
  const at = (i: number) => ({ x: positions[3 * i]!, y: positions[3 * i + 1]!, z: positions[3 * i + 2]! });
  let volume = 0;
  for (let i = 0; i < indices.length; i += 3) {
    const [a, b, c] = [at(indices[i]!), at(indices[i + 1]!), at(indices[i + 2]!)];
    volume +=
      (a.x * (b.y * c.z - b.z * c.y) - a.y * (b.x * c.z - b.z * c.x) + a.z * (b.x * c.y - b.y * c.x)) / 6;
  }
  const axis = (k: number) => positions.filter((_, i) => i % 3 === k);
  const box = [0, 1, 2].map((k) => [
    axis(k).reduce((a, b) => Math.min(a, b)),
    axis(k).reduce((a, b) => Math.max(a, b)),
  ]);
  return { volume, box };
}
