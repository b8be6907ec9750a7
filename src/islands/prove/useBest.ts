import { useEffect, useRef, useState } from 'react';
import type { BestAnswer } from '../../core/best/answer';
import type { BestAsk } from '../../core/best/best';
import type { TapisDocument } from '../../core/document/document';
import { runJob } from '../common/job';

export type BestState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly done: number }
  | { readonly kind: 'done'; readonly answer: BestAnswer; readonly of: TapisDocument }
  | { readonly kind: 'failed'; readonly reason: string };

/** A search that takes longer is given up, ms. */
const TIME = 300_000;

/** Looks for the best lands beside the page, one search at a time; stopping throws the worker away. */
export function useBest() {
  const [state, setState] = useState<BestState>({ kind: 'idle' });
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  return {
    state,
    run(document: TapisDocument, ask: BestAsk) {
      running.current?.abort();
      const control = new AbortController();
      running.current = control;
      setState({ kind: 'running', done: 0 });
      void runJob({
        job: 'best',
        request: { document, model: null, ask },
        signal: control.signal,
        time: TIME,
        late: `it took longer than ${TIME / 60_000} minutes and was given up`,
        broken: 'Load the page again and try once more.',
        onProgress: (done) => {
          if (!control.signal.aborted) setState({ kind: 'running', done });
        },
      }).then((result) => {
        if (control.signal.aborted) return;
        if (!result.ok) setState({ kind: 'failed', reason: result.error });
        else if (result.value) setState({ kind: 'done', answer: result.value, of: document });
        else setState({ kind: 'failed', reason: 'there is no footprint yet' });
      });
    },
    stop() {
      running.current?.abort();
      setState({ kind: 'idle' });
    },
  };
}
