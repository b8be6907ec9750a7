import { useEffect, useRef, useState } from 'react';
import type { JointModel } from '../../core/joint/model';
import type { Simulation, SimulationPlan } from '../../core/joint/simulate';
import type { SimulationAnswer, SimulationRequest } from '../../workers/simulate';

export type SimulationState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly done: number }
  | { readonly kind: 'done'; readonly result: Simulation; readonly model: JointModel }
  | { readonly kind: 'failed'; readonly reason: string };

/** Runs simulations in a worker of their own, one at a time; cancelling throws the worker away. */
export function useSimulation() {
  const [state, setState] = useState<SimulationState>({ kind: 'idle' });
  const worker = useRef<Worker | null>(null);
  const stop = () => {
    worker.current?.terminate();
    worker.current = null;
  };
  useEffect(() => stop, []);
  return {
    state,
    run(model: JointModel, plan: SimulationPlan) {
      stop();
      const started = new Worker(new URL('../../workers/simulate.ts', import.meta.url), { type: 'module' });
      worker.current = started;
      setState({ kind: 'running', done: 0 });
      started.onmessage = ({ data }: MessageEvent<SimulationAnswer>) => {
        if ('done' in data) return setState({ kind: 'running', done: data.done });
        stop();
        setState(
          'result' in data
            ? { kind: 'done', result: data.result, model }
            : { kind: 'failed', reason: data.error },
        );
      };
      started.onerror = ({ message }) => {
        stop();
        setState({ kind: 'failed', reason: message || 'the worker could not be started' });
      };
      started.postMessage({ model, plan } satisfies SimulationRequest);
    },
    cancel() {
      stop();
      setState({ kind: 'idle' });
    },
  };
}
