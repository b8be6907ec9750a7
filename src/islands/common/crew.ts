import { askWorker, newWorker, type JobAnswer, type JobName, type JobRequest } from './job';

/** Workers that share a long work; one less than there are processors, so that the page stays live. */
const hands = (): number => Math.max(1, Math.min(4, (navigator.hardwareConcurrency || 2) - 1));

/**
 * Has batches done by workers, each as soon as one is free.
 * @param request makes what a worker is told of a batch
 * @param take gets a worker's answer and the batch that it is about; `null` where the worker fell over
 */
export async function byCrew<Item, N extends JobName>(
  job: N,
  batches: readonly (readonly Item[])[],
  request: (batch: readonly Item[]) => Promise<JobRequest<N>>,
  take: (answer: JobAnswer<N> | null, batch: readonly Item[]) => void,
  signal: AbortSignal,
): Promise<void> {
  let next = 0;
  const work = async () => {
    let worker = newWorker();
    try {
      for (let batch = batches[next]; batch && !signal.aborted; batch = batches[next]) {
        next += 1;
        const asked = await request(batch);
        const stopped = new Promise<null>((resolve) => {
          signal.addEventListener('abort', () => resolve(null), { once: true });
        });
        const answer = await Promise.race([askWorker(worker, job, asked), stopped]);
        if (signal.aborted) return;
        if (answer === null) {
          worker.terminate();
          worker = newWorker();
        }
        take(answer, batch);
      }
    } finally {
      worker.terminate();
    }
  };
  await Promise.all(Array.from({ length: Math.min(hands(), batches.length) }, work));
}
