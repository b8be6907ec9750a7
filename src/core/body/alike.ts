import type { Mesh } from '../geometry/mesh';
import { placedPositions, type Pose } from './pose';

/** Vertices nearer than this are one place, mm. */
const SAME = 0.02;
/** Vertices that are looked at, spread over all. */
const LOOKED_AT = 2000;

/** Whether a model looks the same in two poses: whatever stands somewhere in one does so in the other. */
export function isAlike({ positions }: Mesh, a: Pose, b: Pose): boolean {
  const [first, second] = [placedPositions(positions, a), placedPositions(positions, b)];
  const cell = (v: number) => Math.round(v / SAME);
  const key = (x: number, y: number, z: number) => `${x} ${y} ${z}`;
  const places = new Set<string>();
  for (let i = 0; i < first.length; i += 3)
    places.add(key(cell(first[i] as number), cell(first[i + 1] as number), cell(first[i + 2] as number)));
  const count = second.length / 3;
  const every = Math.max(1, Math.floor(count / LOOKED_AT));
  for (let v = 0; v < count; v += every) {
    const [x, y, z] = [0, 1, 2].map((k) => cell(second[3 * v + k] as number)) as [number, number, number];
    let found = false;
    for (let k = 0; k < 27 && !found; k += 1)
      found = places.has(key(x - 1 + (k % 3), y - 1 + (Math.floor(k / 3) % 3), z - 1 + Math.floor(k / 9)));
    if (!found) return false;
  }
  return true;
}
