/** Workers that share a long work; one less than there are processors, so that the page stays live. */
const hands = (): number => Math.max(1, Math.min(4, (navigator.hardwareConcurrency || 2) - 1));

/**
 * Has batches done by workers, each as soon as one is free.
 * @param request makes what a worker is told of a batch
 * @param take gets a worker's answer and the batch that it is about; `null` where the worker fell over
 */
export async function byCrew<Item, Request, Answer>(
  batches: readonly (readonly Item[])[],
  make: () => Worker,
  request: (batch: readonly Item[]) => Promise<Request>,
  take: (answer: Answer | null, batch: readonly Item[]) => void,
  signal: AbortSignal,
): Promise<void> {
  let next = 0;
  const work = async () => {
    let worker = make();
    try {
      for (let batch = batches[next]; batch && !signal.aborted; batch = batches[next]) {
        next += 1;
        const asked = await request(batch);
        const answer = await new Promise<Answer | null>((resolve) => {
          worker.onmessage = ({ data }: MessageEvent<Answer>) => resolve(data);
          worker.onerror = () => resolve(null);
          signal.addEventListener('abort', () => resolve(null), { once: true });
          worker.postMessage(asked);
        });
        if (signal.aborted) return;
        if (answer === null) {
          worker.terminate();
          worker = make();
        }
        take(answer, batch);
      }
    } finally {
      worker.terminate();
    }
  };
  await Promise.all(Array.from({ length: Math.min(hands(), batches.length) }, work));
}
