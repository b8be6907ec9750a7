import type { Model } from '../../core/body/model';
import type { Ground } from '../../core/body/ground';
import type { SeatResult } from '../../core/body/seat';
import type { Mesh } from '../../core/geometry/mesh';
import { fail, ok, type Result } from '../../core/units/result';
import { runJob } from '../common/job';
import type { ReadAnswer, ReadRequest } from '../../workers/read-model';
import type { SeatAnswer, SeatRequest } from '../../workers/seat';

/** A file that takes longer than this is given up, ms. */
export const READ_TIME = 90_000;

const newReader = () =>
  new Worker(new URL('../../workers/read-model.ts', import.meta.url), { type: 'module' });

/** A reader that loads its kernel while a file is still being chosen. */
let spare: Worker | null = null;

/** Begins to load what reading a model needs; called where a person reaches for a file. */
export function warmReader(): void {
  if (spare) return;
  spare = newReader();
  spare.postMessage({ warm: true } satisfies ReadRequest);
}

function takeReader(): Worker {
  const reader = spare ?? newReader();
  spare = null;
  return reader;
}

/** Reads a model's file. @param onDoing told in words what is going on */
export function readInWorker(
  bytes: Uint8Array,
  name: string,
  signal: AbortSignal,
  onDoing: (doing: string) => void,
): Promise<Result<Model, string>> {
  return runJob<Model, ReadAnswer>({
    worker: takeReader(),
    request: { bytes, name } satisfies ReadRequest,
    signal,
    time: READ_TIME,
    late: `“${name}” took longer than ${READ_TIME / 1000} s to read and was given up; nothing was changed. Export it without threads, lettering and inner parts.`,
    broken: 'Export the model again, or simpler.',
    take(answer) {
      if ('doing' in answer) onDoing(answer.doing);
      if ('model' in answer) return ok(answer.model);
      return 'error' in answer ? fail(answer.error) : null;
    },
  });
}

/** Seats a model. @param onDone told the share that is done */
export function seatInWorker(
  meshes: readonly Mesh[],
  ground: Ground,
  signal: AbortSignal,
  onDone: (share: number) => void,
): Promise<Result<SeatResult | null, string>> {
  return runJob<SeatResult | null, SeatAnswer>({
    worker: new Worker(new URL('../../workers/seat.ts', import.meta.url), { type: 'module' }),
    request: { meshes, ground } satisfies SeatRequest,
    signal,
    time: READ_TIME,
    late: `No seat was found within ${READ_TIME / 1000} s. Place the model by hand, or import a simpler one.`,
    broken: 'Place the model by hand, or import a simpler one.',
    take(answer) {
      if ('done' in answer) onDone(answer.done);
      if ('result' in answer) return ok(answer.result);
      return 'error' in answer ? fail(answer.error) : null;
    },
  });
}
