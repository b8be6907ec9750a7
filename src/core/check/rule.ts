import type { Finding, Remedy, Severity, Stage } from '../document/finding';
import type { Box } from '../geometry/box';
import type { Neighbours } from '../geometry/neighbours';
import type { Compiled, Footprint } from '../footprint/footprint';
import type { Process } from '../process/process';

/** What a rule looks at. The index answers for the lands, in their order. */
export interface CheckContext {
  readonly compiled: Compiled;
  readonly footprint: Footprint;
  readonly process: Process;
  readonly lands: Neighbours;
}

/** A finding without what its rule says already. */
export type RuleFinding = Pick<Finding, 'message' | 'place'> &
  Partial<Pick<Finding, 'severity' | 'measured' | 'remedies' | 'title'>>;

/** One check: what it holds against which limit, from which source. */
export interface Rule {
  readonly id: string;
  readonly title: string;
  /** Where the limit comes from: a clause, the process, or geometry. */
  readonly source: string;
  readonly severity: Severity;
  /** Where it is mended. */
  readonly stage: Stage;
  readonly check: (context: CheckContext) => readonly RuleFinding[];
}

/** Fills a message's `{name}` places. Throws where a name has no value: that is a fault of the rule. */
export function fill(template: string, values: Readonly<Record<string, string | number>>): string {
  return template.replace(/\{(\w+)\}/g, (_, name: string) => {
    const value = values[name];
    if (value === undefined) throw new Error(`message names {${name}}, which has no value`);
    return String(value);
  });
}

/** Drops every land size that was set by hand. */
export const TAKE_COMPUTED: Remedy = {
  label: 'Take the computed lands',
  edits: [
    { at: '/overrides/land', value: undefined },
    { at: '/overrides/lands', value: undefined },
    { at: '/recommended/adopted', value: undefined },
  ],
};

/** The middle of the shortest connection between two boxes: where a gap's balloon points. */
export function between(a: Box, b: Box): { x: number; y: number } {
  const middle = (aMin: number, aMax: number, bMin: number, bMax: number) =>
    (Math.max(aMin, bMin) + Math.min(aMax, bMax)) / 2;
  return {
    x: middle(a.minX, a.maxX, b.minX, b.maxX),
    y: middle(a.minY, a.maxY, b.minY, b.maxY),
  };
}
