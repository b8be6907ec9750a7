import { seat, type SeatResult } from '../core/body/seat';
import type { Ground } from '../core/body/ground';
import { piecesOf } from '../core/body/subject';
import type { Mesh } from '../core/geometry/mesh';

/** What the page asks for, and what it is told; ending the worker cancels it. */
export interface SeatRequest {
  readonly meshes: readonly Mesh[];
  readonly ground: Ground;
}
export type SeatAnswer =
  | { readonly done: number }
  | { readonly result: SeatResult | null }
  | { readonly error: string };

const answer = (message: SeatAnswer) => postMessage(message);

addEventListener('message', ({ data: { meshes, ground } }: MessageEvent<SeatRequest>) => {
  try {
    const pieces = piecesOf(meshes);
    if (!pieces) return answer({ result: null });
    const run = seat(pieces, ground);
    for (;;) {
      const step = run.next();
      if (step.done) return answer({ result: step.value });
      answer({ done: step.value });
    }
  } catch (error) {
    answer({ error: error instanceof Error ? error.message : String(error) });
  }
});
