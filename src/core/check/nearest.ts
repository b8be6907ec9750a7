import type { Drawable } from '../footprint/footprint';
import { formatNumber } from '../units/length';
import { contextOf, type CheckContext } from './context';
import type { Nearest } from './probes';
import type { Rule } from './rule';
import { RULES } from './rules';

/** Limits of nothing, and near it, are held to this: what is left is compared as a share of the limit. */
const LEAST_LIMIT = 0.1;

/** How much of its limit something has left; less is nearer. */
const room = ({ value, limit, is }: Nearest): number =>
  (is === 'least' ? value - limit : limit - value) / Math.max(Math.abs(limit), LEAST_LIMIT);

/** What of a footprint comes nearest to the limit of a rule that holds; `null` where the rule measures nothing. */
function nearestOf({ probes = [], nearest, check }: Rule, context: CheckContext): Nearest | null {
  const found = probes.flatMap(({ stricter, limit, ...kind }) => {
    return check(stricter(context)).flatMap(({ measured }): Nearest[] =>
      measured ? [{ ...measured, limit: limit(measured, context), ...kind }] : [],
    );
  });
  const all = [...found, ...(nearest?.(context) ?? [])];
  return all.reduce<Nearest | null>((best, one) => (best && room(best) <= room(one) ? best : one), null);
}

/** What comes nearest to the limits of the rules that hold, by the rule's id. */
export function nearestOfHeld(
  compiled: Drawable,
  held: readonly { readonly id: string }[],
): ReadonlyMap<string, Nearest> {
  const context = contextOf(compiled, compiled.footprint);
  const ids = new Set(held.map(({ id }) => id));
  return new Map(
    RULES.filter(({ id }) => ids.has(id)).flatMap((rule) => {
      const nearest = nearestOf(rule, context);
      return nearest ? [[rule.id, nearest] as const] : [];
    }),
  );
}

/** What was measured, and the limit, as a person reads them. @param length a length in the unit shown */
export function nearestWords(
  { value, limit, unit, is, less }: Nearest,
  length: (mm: number) => string,
): { readonly measured: string; readonly limit: string } {
  const show = (of: number): string => {
    if (unit === 'mm') return length(of);
    if (unit === 'share') return `${formatNumber(of * 100, 0, 0)} %`;
    return formatNumber(of, 0, 2);
  };
  const asked = `${is === 'least' ? 'at least' : 'at most'} ${show(limit)}`;
  return { measured: show(value), limit: less === undefined ? asked : `${asked}, ${less}` };
}
