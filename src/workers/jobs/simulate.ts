import type { Spread } from '../../core/joint/distribution';
import type { JointModel } from '../../core/joint/model';
import { simulate, type Simulation, type SimulationPlan } from '../../core/joint/simulate';

/** What the page asks for, and what it is told; ending the worker cancels it. */
export interface SimulationRequest {
  readonly model: JointModel;
  readonly plan: SimulationPlan;
  /** How single variables spread, by name. */
  readonly spreads: Readonly<Record<string, Spread>>;
}
/** Simulates a joint to the end. */
export function simulateJoint(
  { model, plan, spreads }: SimulationRequest,
  tell: (share: number) => void,
): Simulation {
  const run = simulate(model, plan, spreads);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
    tell(step.value);
  }
}
