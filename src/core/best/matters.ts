import type { LinearMargin, Variable } from '../joint/model';
import type { NumberKey } from '../process/fields';
import { momentsOf } from '../joint/distribution';
import type { JointRisk } from './events';
import { shareBelow } from '../joint/distribution';
import { middleOf, spreadOf, termsOf, type Spreads } from './share';

/** What one tolerance brings to a margin. */
export interface Contribution {
  readonly name: string;
  /** Its part of the margin's variance, 0 to 1. */
  readonly share: number;
  /** The number of the process that it is stated by. */
  readonly number?: NumberKey;
  /** The dimension of the part whose limits it has; neither where it follows from several. */
  readonly symbol?: string;
}

/** What spreads a margin, the most first. */
export function contributorsOf(
  { variables }: Pick<JointRisk, 'variables'>,
  { factors }: Pick<LinearMargin, 'factors'>,
  spreads: Spreads = {},
): Contribution[] {
  const own = variables.map(({ name, range, number }, i) => ({
    name,
    ...(number ? { number } : {}),
    variance: ((factors[i] ?? 0) * momentsOf(spreadOf(spreads, name), range).deviation) ** 2,
  }));
  const whole = own.reduce((sum, { variance }) => sum + variance, 0);
  return own
    .filter(({ variance }) => variance > whole * 5e-4)
    .map(({ variance, ...about }) => ({ ...about, share: variance / whole }))
    .sort((a, b) => b.share - a.share);
}

/** What a narrower tolerance would spare. */
export interface Relief {
  readonly name: string;
  /** Its range now and by how much it was narrowed, mm. */
  readonly range: number;
  readonly less: number;
  /** Share of bad joints that would no longer be. */
  readonly spared: number;
}

/** By how much tolerances are narrowed to see what that gives, mm. */
export const NARROWER = 0.05;

/**
 * What each tolerance costs: by how much the share of bad joints falls where its range is narrower by 0.05 mm
 * (or gone, where it is less). The most first; shares of single ways added, which bounds them from above.
 */
export function reliefsOf(risk: JointRisk, spreads: Spreads = {}): Relief[] {
  const now = summedShare(risk, spreads);
  return risk.variables
    .flatMap((one): Relief[] => {
      const range = rangeOf(one, spreads);
      if (range <= 0) return [];
      const less = Math.min(NARROWER, range);
      const spared = Math.max(0, now - narrowerShare(risk, [one], less, spreads));
      return [{ name: one.name, range, less, spared }];
    })
    .sort((a, b) => b.spared - a.spared);
}

/** From limit to limit, or six standard deviations of what was measured; mm. */
function rangeOf({ name, range }: Variable, spreads: Spreads): number {
  const spread = spreadOf(spreads, name);
  return spread.kind === 'measured' ? 6 * momentsOf(spread, range).deviation : range;
}

/** The share of bad joints with some ranges narrower by so much; what was measured shrinks about its bias. */
function narrowerShare(risk: JointRisk, own: readonly Variable[], less: number, spreads: Spreads): number {
  const narrower = { ...spreads };
  for (const one of own) {
    const spread = spreadOf(spreads, one.name);
    if (spread.kind !== 'measured') continue;
    const { mean } = momentsOf(spread, one.range);
    const left = 1 - less / rangeOf(one, spreads);
    narrower[one.name] = { ...spread, values: spread.values.map((value) => mean + (value - mean) * left) };
  }
  const variables = risk.variables.map((one) =>
    own.includes(one) ? { ...one, range: Math.max(0, one.range - less) } : one,
  );
  return summedShare({ ...risk, variables }, narrower);
}

/** By how much the share of bad joints falls where every tolerance that a number of the process states is narrower. */
export function sparedBy(
  risk: JointRisk,
  number: NumberKey,
  spreads: Spreads = {},
): { readonly less: number; readonly spared: number } {
  const own = risk.variables.filter((one) => one.number === number && rangeOf(one, spreads) > 0);
  if (own.length === 0) return { less: 0, spared: 0 };
  const less = Math.min(NARROWER, ...own.map((one) => rangeOf(one, spreads)));
  const spared = summedShare(risk, spreads) - narrowerShare(risk, own, less, spreads);
  return { less, spared: Math.max(0, spared) };
}

/** The shares of all ways to be bad, added. */
export function summedShare(risk: JointRisk, spreads: Spreads = {}): number {
  return risk.events.reduce(
    (sum, event) => sum + shareBelow(termsOf(risk, event, spreads))(-middleOf(risk, event)),
    0,
  );
}
