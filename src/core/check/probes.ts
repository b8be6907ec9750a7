import type { Measured } from '../document/finding';
import type { Compiled } from '../footprint/footprint';
import type { Process } from '../process/process';
import { contextOf, type CheckContext } from './context';

// How near a footprint comes to the limits that it keeps. A rule is asked once more under a stricter limit: what it
// finds then is what comes nearest, measured by the same code that would have found it wanting.

/** What comes nearest to a limit that is kept. */
export interface Nearest extends Measured {
  /** Whether the limit is the least or the most that is allowed. */
  readonly is: 'least' | 'most';
  /** What the rule leaves out of account, in words. */
  readonly less?: string;
}

/** A stricter context for a rule, and what the limit is in truth. */
export interface Probe extends Pick<Nearest, 'is' | 'less'> {
  readonly stricter: (context: CheckContext) => CheckContext;
  readonly limit: (measured: Measured, context: CheckContext) => number;
}

/** Fields of a process that are one number. */
type NumberOf = keyof { [K in keyof Process as Process[K] extends number ? K : never]: true };

/** A limit of the process is this many times stricter, and by so much, mm: what lies further off is clear enough. */
const TIMES = 5;
const FURTHER = 1;

/** A limit that stands in the process. @param is whether that is the least or the most */
export function byProcess(field: NumberOf, is: Nearest['is'] = 'least'): Probe {
  return {
    is,
    stricter({ compiled, footprint, process }) {
      const value = process[field];
      const strict = is === 'least' ? value * TIMES + FURTHER : value / 1000;
      const next = { ...process, [field]: strict };
      return contextOf({ ...compiled, process: next } as Compiled, footprint);
    },
    limit: (_, { process }) => process[field],
  };
}

/** Goals of joints are raised by so much, mm: every margin misses them. */
const RAISED = 100;

/** The goals of the level. */
export const byGoals: Probe = {
  is: 'least',
  less: 'less what rounding takes',
  stricter: (context) => ({
    ...context,
    jointsOf: (group) =>
      context.jointsOf(group).map((joint) => {
        const [outer, inner, side] = joint.margins;
        const raised = (margin: typeof outer) => ({ ...margin, goal: margin.goal + RAISED });
        return { ...joint, margins: [raised(outer), raised(inner), raised(side)] };
      }),
  }),
  limit: ({ limit }) => limit - RAISED,
};
