import { entryEdit } from '../document/entries';
import type { Finding, Severity } from '../document/finding';
import { neighboursOf } from '../geometry/neighbours';
import type { Compiled } from '../footprint/footprint';
import type { ResolvedPackage } from '../package/resolve';
import { RULES } from './rules';

/** What the checks found, worst first, and which rules held. */
export interface Report {
  readonly findings: readonly Finding[];
  /** Titles of the rules that were checked and found nothing. */
  readonly held: readonly { readonly id: string; readonly title: string; readonly source: string }[];
  readonly verdict: Severity | 'clear';
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, caution: 1, note: 2 };

/**
 * Holds a compiled footprint against every rule and the family's plausibility.
 * Where the footprint could not be compiled, the report says why.
 */
export function check(compiled: Compiled): Report {
  const findings: Finding[] = [...compiled.problems];
  const held: { id: string; title: string; source: string }[] = [];
  const { footprint, process, resolved } = compiled;
  if (footprint && resolved) {
    const lands = neighboursOf(footprint.lands.map(({ copper }) => copper));
    const context = { compiled, footprint, process, lands };
    for (const rule of RULES) {
      const { id, title, source, severity, stage } = rule;
      const found = rule.check(context);
      if (found.length === 0) held.push({ id, title, source });
      findings.push(...found.map((f) => ({ rule: id, title, source, severity, stage, remedies: [], ...f })));
    }
    plausibility(compiled, resolved, findings, held);
  }
  findings.sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
  return { findings, held, verdict: findings[0]?.severity ?? 'clear' };
}

function plausibility(
  { document }: Compiled,
  resolved: ResolvedPackage,
  findings: Finding[],
  held: { id: string; title: string; source: string }[],
): void {
  if (!resolved.values) return;
  const context = {
    d: resolved.values,
    entered: (symbol: string) => {
      const dimension = resolved.dimensions.find(({ definition }) => definition.symbol === symbol);
      return dimension?.source === 'entered' ? dimension.text : null;
    },
    // what replaces a number does not come from the place that the number came from
    enter: (symbol: string, text: string, where = '') =>
      entryEdit(document, symbol, { text, where, unit: null }),
  };
  for (const { id, title, source, check: run } of resolved.family.plausibility) {
    const found = run(context);
    if (found.length === 0) held.push({ id, title, source });
    findings.push(...found.map((f): Finding => ({ ...f, rule: id, title, source, stage: 'measure' })));
  }
}
