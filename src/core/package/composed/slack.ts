import type { Toleranced } from '../../units/toleranced';

/** What tolerances on the way to a place add up to, as half ranges: at worst, and as a sum of squares. mm, mm² */
export interface Slack {
  readonly worst: number;
  readonly squares: number;
}

export const FIRM: Slack = { worst: 0, squares: 0 };

/** What one length with its limits brings. */
export function slackOf({ min, max }: Toleranced): Slack {
  const half = (max - min) / 2;
  return { worst: half, squares: half * half };
}

/** What several lengths, one after the other, bring. */
export function added(...slacks: readonly Slack[]): Slack {
  return slacks.reduce(
    (sum, { worst, squares }) => ({ worst: sum.worst + worst, squares: sum.squares + squares }),
    FIRM,
  );
}

/** What lies between two places of one walk, whichever of them comes first. */
export function between(a: Slack, b: Slack): Slack {
  return { worst: Math.abs(a.worst - b.worst), squares: Math.abs(a.squares - b.squares) };
}

/** A share of the way of a walk. */
export function shareOf({ worst, squares }: Slack, share: number): Slack {
  return { worst: worst * share, squares: squares * share };
}

/** The range over which a place may lie, by the root of the sum of squares. mm */
export function rangeOf({ squares }: Slack): number {
  return 2 * Math.sqrt(squares);
}
