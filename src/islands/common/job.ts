import { fail, ok, type Result } from '../../core/units/result';
import coreWorker from '../../workers/core?worker&url';
import modelWorker from '../../workers/read-model?worker&url';
import type { CoreJobs } from '../../workers/core';
import type { ModelJobs } from '../../workers/read-model';
import type { AnswerOf, Asked, ProgressOf, RequestOf, Said } from '../../workers/serve-jobs';

/** Names the build: every change of what workers do gives their script another name. */
export const BUILD = coreWorker;

type Jobs = CoreJobs & ModelJobs;
export type JobName = keyof Jobs;
export type JobRequest<N extends JobName> = RequestOf<Jobs[N]>;
export type JobAnswer<N extends JobName> = AnswerOf<Jobs[N]>;

/** A worker that does the jobs of the core. */
export const newWorker = (): Worker => new Worker(coreWorker, { type: 'module' });
/** A worker that reads models. */
export const newModelWorker = (): Worker => new Worker(modelWorker, { type: 'module' });

let given = 0;

/** Gives a worker a job. @returns its number, which everything that is said of it bears */
export function giveJob<N extends JobName>(
  worker: Worker,
  job: N,
  request: JobRequest<N>,
  transfer: Transferable[] = [],
): number {
  given += 1;
  worker.postMessage({ number: given, job, request } satisfies Asked, transfer);
  return given;
}

interface Plan<N extends JobName> {
  readonly job: N;
  readonly request: JobRequest<N>;
  readonly transfer?: Transferable[];
  /** The worker that does it, and is thrown away after; a new one of the core where it is missing. */
  readonly worker?: Worker;
  readonly signal: AbortSignal;
  /** How long it may take, ms, and what is said where it takes longer. */
  readonly time: number;
  readonly late: string;
  /** What helps where the worker itself breaks off. */
  readonly broken: string;
  readonly onProgress?: (progress: ProgressOf<Jobs[N]>) => void;
}

/** Runs one job in a worker of its own. */
export function runJob<N extends JobName>(plan: Plan<N>): Promise<Result<JobAnswer<N>, string>> {
  const { job, request, transfer, worker = newWorker(), signal, time, late, broken, onProgress } = plan;
  return new Promise((resolve) => {
    const stopped = () => end(fail('Stopped; nothing was changed.'));
    const end = (result: Result<JobAnswer<N>, string>) => {
      clearTimeout(clock);
      signal.removeEventListener('abort', stopped);
      worker.terminate();
      resolve(result);
    };
    const clock = setTimeout(() => end(fail(late)), time);
    signal.addEventListener('abort', stopped);
    const number = giveJob(worker, job, request, transfer);
    worker.onmessage = ({ data }: MessageEvent<Said>) => {
      if (data.number !== number) return;
      if ('progress' in data) onProgress?.(data.progress as ProgressOf<Jobs[N]>);
      else end('answer' in data ? ok(data.answer as JobAnswer<N>) : fail(data.broken));
    };
    worker.onerror = ({ message }) =>
      end(fail(`The work broke off${message ? ` (${message})` : ''}; nothing was changed. ${broken}`));
  });
}

/** Asks a worker that goes on; `null` where it broke off and is good for nothing any more. */
export function askWorker<N extends JobName>(
  worker: Worker,
  job: N,
  request: JobRequest<N>,
): Promise<JobAnswer<N> | null> {
  return new Promise((resolve) => {
    const number = giveJob(worker, job, request);
    worker.onmessage = ({ data }: MessageEvent<Said>) => {
      if (data.number === number && !('progress' in data))
        resolve('answer' in data ? (data.answer as JobAnswer<N>) : null);
    };
    worker.onerror = () => resolve(null);
  });
}
