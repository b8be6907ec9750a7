import type { JointModel } from '../core/joint/model';
import { simulate, type Simulation, type SimulationPlan } from '../core/joint/simulate';

/** What the page asks for, and what it is told; ending the worker cancels it. */
export interface SimulationRequest {
  readonly model: JointModel;
  readonly plan: SimulationPlan;
}
export type SimulationAnswer =
  | { readonly done: number }
  | { readonly result: Simulation }
  | { readonly error: string };

const answer = (message: SimulationAnswer) => postMessage(message);

addEventListener('message', ({ data }: MessageEvent<SimulationRequest>) => {
  try {
    const run = simulate(data.model, data.plan);
    for (;;) {
      const step = run.next();
      if (step.done) return answer({ result: step.value });
      answer({ done: step.value });
    }
  } catch (error) {
    answer({ error: error instanceof Error ? error.message : String(error) });
  }
});
