/** What the terminal gets: texts for the two outputs and the exit code. */
export interface Outcome {
  readonly out: string;
  readonly err: string;
  readonly code: 0 | 1 | 2 | 3;
}

/** An error for the person at the terminal: shown without a stack, exit 2. */
export class Refusal extends Error {}
