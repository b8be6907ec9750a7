import { seat, type SeatResult } from '../../core/body/seat';
import type { Ground } from '../../core/body/ground';
import { piecesOf } from '../../core/body/subject';
import type { Mesh } from '../../core/geometry/mesh';

/** What the page asks for, and what it is told; ending the worker cancels it. */
export interface SeatRequest {
  readonly meshes: readonly Mesh[];
  readonly ground: Ground;
}
/** Seats a model. @returns `null` where it has no triangles */
export function seatModel({ meshes, ground }: SeatRequest, tell: (share: number) => void): SeatResult | null {
  const pieces = piecesOf(meshes);
  if (!pieces) return null;
  const run = seat(pieces, ground);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
    tell(step.value);
  }
}
