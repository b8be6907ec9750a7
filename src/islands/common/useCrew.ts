import { useEffect, useRef, useState } from 'react';
import { byCrew } from './crew';
import type { JobAnswer, JobName, JobRequest } from './job';

/** What came of many things that workers look at beside the page. */
export interface CrewWork<T> {
  /** What came of it, in the order in which it came. */
  readonly results: readonly T[];
  /** How many were looked at, and of how many nothing was answered. */
  readonly done: number;
  readonly lost: number;
  readonly stopped: boolean;
  readonly running: boolean;
  readonly stop: () => void;
}

/**
 * Has workers look at many things, a batch at a time, for as long as a component is shown.
 * @param ids do not change meanwhile
 * @param request makes what a worker is told of a batch
 * @param take makes results of its answer; `null` where the worker fell over
 */
export function useCrew<N extends JobName, T>(
  job: N,
  ids: readonly string[],
  size: number,
  request: (batch: readonly string[]) => Promise<JobRequest<N>>,
  take: (answer: JobAnswer<N> | null, batch: readonly string[]) => readonly T[],
): CrewWork<T> {
  const [results, setResults] = useState<readonly T[]>([]);
  const [done, setDone] = useState(0);
  const [lost, setLost] = useState(0);
  const [stopped, setStopped] = useState(false);
  const control = useRef<AbortController | null>(null);
  useEffect(() => {
    const own = new AbortController();
    control.current = own;
    const batches = Array.from({ length: Math.ceil(ids.length / size) }, (_, i) =>
      ids.slice(i * size, (i + 1) * size),
    );
    void byCrew(
      job,
      batches,
      request,
      (answer, batch) => {
        const more = take(answer, batch);
        setResults((before) => [...before, ...more]);
        if (answer === null) setLost((before) => before + batch.length);
        setDone((before) => before + batch.length);
      },
      own.signal,
    );
    return () => own.abort();
    // what is looked at does not change while it is shown
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const stop = () => {
    control.current?.abort();
    setStopped(true);
  };
  return { results, done, lost, stopped, running: done < ids.length && !stopped, stop };
}
