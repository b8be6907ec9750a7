import { useEffect, useRef, useState } from 'react';
import type { Spread } from '../../core/joint/distribution';
import type { JointModel } from '../../core/joint/model';
import type { Simulation, SimulationPlan } from '../../core/joint/simulate';
import { runJob } from '../common/job';

export type SimulationState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly done: number }
  /** @see of is the model and the spreads that it was made from */
  | { readonly kind: 'done'; readonly result: Simulation; readonly of: string }
  | { readonly kind: 'failed'; readonly reason: string };

/** A simulation that takes longer is given up, ms. */
const TIME = 600_000;

/** Runs simulations beside the page, one at a time; cancelling throws the worker away. */
export function useSimulation() {
  const [state, setState] = useState<SimulationState>({ kind: 'idle' });
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  return {
    state,
    run(model: JointModel, plan: SimulationPlan, spreads: Readonly<Record<string, Spread>>) {
      running.current?.abort();
      const control = new AbortController();
      running.current = control;
      setState({ kind: 'running', done: 0 });
      void runJob({
        job: 'simulate',
        request: { model, plan, spreads },
        signal: control.signal,
        time: TIME,
        late: `it took longer than ${TIME / 60_000} minutes and was given up`,
        broken: 'Load the page again and try once more.',
        onProgress: (done) => {
          if (!control.signal.aborted) setState({ kind: 'running', done });
        },
      }).then((result) => {
        if (control.signal.aborted) return;
        setState(
          result.ok
            ? { kind: 'done', result: result.value, of: JSON.stringify([model, spreads]) }
            : { kind: 'failed', reason: result.error },
        );
      });
    },
    cancel() {
      running.current?.abort();
      setState({ kind: 'idle' });
    },
  };
}
