import { fail, type Result } from '../../core/units/result';

/** What a job in a worker may be stopped by; the worker is thrown away in any case. */
interface Job<A> {
  readonly worker: Worker;
  readonly request: unknown;
  readonly signal: AbortSignal;
  readonly time: number;
  readonly late: string;
  /** What helps where the worker itself breaks off. */
  readonly broken: string;
  /** The result that an answer brings; `null` while it only tells how far it is. */
  readonly take: (answer: A) => Result<unknown, string> | null;
}

/** Runs one job in a worker of its own. */
export function runJob<T, A>({
  worker,
  request,
  signal,
  time,
  late,
  broken,
  take,
}: Job<A>): Promise<Result<T, string>> {
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
      end(fail(`The work broke off${message ? ` (${message})` : ''}; nothing was changed. ${broken}`));
    worker.postMessage(request);
  });
}
