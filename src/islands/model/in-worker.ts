import type { Model } from '../../core/body/model';
import type { Ground } from '../../core/body/fit';
import type { SeatResult } from '../../core/body/seat';
import type { Mesh } from '../../core/geometry/mesh';
import { fail, ok, type Result } from '../../core/units/result';
import type { ReadAnswer, ReadRequest } from '../../workers/read-model';
import type { SeatAnswer, SeatRequest } from '../../workers/seat';

/** A file that takes longer than this is given up, ms. */
export const READ_TIME = 90_000;

/** What a job in a worker may be stopped by; the worker is thrown away in any case. */
interface Job<A> {
  readonly worker: Worker;
  readonly request: unknown;
  readonly signal: AbortSignal;
  readonly time: number;
  readonly late: string;
  /** The result that an answer brings; `null` while it only tells how far it is. */
  readonly take: (answer: A) => Result<unknown, string> | null;
}

/** Runs one job in a worker of its own. */
function runJob<T, A>({ worker, request, signal, time, late, take }: Job<A>): Promise<Result<T, string>> {
  return new Promise((resolve) => {
    const stopped = () => end(fail('Stopped; nothing was changed.'));
    const end = (result: Result<unknown, string>) => {
      clearTimeout(clock);
      signal.removeEventListener('abort', stopped);
      worker.terminate();
      resolve(result as Result<T, string>);
    };
    const clock = setTimeout(() => end(fail(late)), time);
    signal.addEventListener('abort', stopped);
    worker.onmessage = ({ data }: MessageEvent<A>) => {
      const result = take(data);
      if (result) end(result);
    };
    worker.onerror = ({ message }) =>
      end(
        fail(
          `The reader broke off${message ? ` (${message})` : ''}; nothing was changed. Export the model again, or simpler.`,
        ),
      );
    worker.postMessage(request);
  });
}

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
    take(answer) {
      if ('done' in answer) onDone(answer.done);
      if ('result' in answer) return ok(answer.result);
      return 'error' in answer ? fail(answer.error) : null;
    },
  });
}
