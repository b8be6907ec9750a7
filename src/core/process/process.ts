import type { NumberKey } from './fields';
import type { KeptSpread, Measurable } from './measured';

/** What is made of a rule's finding under a process; `off` leaves the rule out. */
export type RuleSeverity = 'stop' | 'caution' | 'note' | 'off';

/** The numbers of a process; lengths in mm, shares 0 to 1. What each means stands in `fields.ts`. */
export type ProcessNumbers = Readonly<Record<NumberKey, number>>;

/**
 * What a board shop, a stencil and an assembly line can hold. Plain data: the rules and the
 * solver read their limits from here. Its JSON form is made from the table in `fields.ts`.
 */
export interface Process extends ProcessNumbers {
  readonly id: string;
  readonly name: string;
  readonly summary: string;
  /** Id of the process that this one is a copy of. */
  readonly basedOn?: string;
  /** Finished holes that can be drilled, ascending; any multiple of `drillStep` where it is empty. */
  readonly drills: readonly number[];
  /** Where pin 1 stands at zero rotation: upper left (A) or lower left (B). */
  readonly orientation: 'A' | 'B';
  /** Product class of J-STD-001 and IPC-A-610 that joints are held against. */
  readonly acceptanceClass: 1 | 2 | 3;
  /** Density levels whose lands the process can solder. */
  readonly levels: readonly ('A' | 'B' | 'C')[];
  /** Rules that are graver or lighter here than by themselves, by rule id. */
  readonly severities: Readonly<Record<string, RuleSeverity>>;
  /** Why a number is what it is, by the name of the number. */
  readonly reasons: Readonly<Partial<Record<keyof ProcessNumbers, string>>>;
  /** How what it holds spreads, where that was measured or is known; normal with limits at 3σ where nothing is said. */
  readonly spreads?: Readonly<Partial<Record<Measurable, KeptSpread>>>;
}

/** The smallest drill that is not smaller than a hole; a hole above the table keeps its size. mm */
export function drillFor(hole: number, { drills, drillStep }: Pick<Process, 'drills' | 'drillStep'>): number {
  if (drills.length > 0) return drills.find((drill) => drill >= hole - 1e-9) ?? hole;
  if (drillStep <= 0) return hole;
  return Math.round(Math.ceil(hole / drillStep - 1e-9) * drillStep * 1e6) / 1e6;
}

/** Whether the process has a drill for a finished hole. */
export function hasDrill(hole: number, process: Pick<Process, 'drills' | 'drillStep'>): boolean {
  const { drills } = process;
  if (drills.length > 0) return drills.some((drill) => Math.abs(drill - hole) < 1e-6);
  return Math.abs(drillFor(hole, process) - hole) < 1e-6;
}
