import { entryEdit, entryOf, writtenEntry } from '../document/entries';
import type { Finding, Severity } from '../document/finding';
import { neighboursOf } from '../geometry/neighbours';
import { MISSING } from '../footprint/compile';
import type { Compiled, Land } from '../footprint/footprint';
import type { ResolvedPackage } from '../package/resolve';
import type { Padstack } from '../padstack/padstack';
import type { Process } from '../process/process';
import { RULES } from './rules';
import { withWaivers, type WaivedFinding } from './waivers';

/** What the checks found, worst first, and which rules held. */
export interface Report {
  readonly findings: readonly Finding[];
  /** Findings that somebody accepted, with their reasons. */
  readonly waived: readonly WaivedFinding[];
  /** Titles of the rules that were checked and found nothing. */
  readonly held: readonly { readonly id: string; readonly title: string; readonly source: string }[];
  readonly verdict: Severity | 'clear';
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, caution: 1, note: 2 };

/** Worst first; what was not entered yet comes after what was entered wrongly. */
function rank({ severity, rule }: Finding): number {
  return 2 * ORDER[severity] + (rule === MISSING ? 1 : 0);
}

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
    const stacks = new Map(footprint.padstacks.map((stack) => [stack.name, stack]));
    const stackOf = ({ padstack }: Land) => stacks.get(padstack) as Padstack;
    const context = { compiled, footprint, process, lands, stackOf };
    for (const rule of RULES) {
      const { id, title, source, severity, stage } = rule;
      if (process.severities[id] === 'off') continue;
      const found = rule.check(context);
      if (found.length === 0) held.push({ id, title, source });
      findings.push(...found.map((f) => ({ rule: id, title, source, severity, stage, remedies: [], ...f })));
    }
    plausibility(compiled, resolved, findings, held);
  }
  const { open, waived } = withWaivers(findings.flatMap(graded(process)), compiled.document.waivers ?? {});
  open.sort((a, b) => rank(a) - rank(b));
  return { findings: open, waived, held, verdict: open[0]?.severity ?? 'clear' };
}

/** Findings as grave as the process takes them. */
function graded({ severities }: Process): (finding: Finding) => Finding[] {
  return (finding) => {
    const severity = Object.hasOwn(severities, finding.rule) ? severities[finding.rule] : undefined;
    if (severity === 'off') return [];
    return [severity ? { ...finding, severity } : finding];
  };
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
    options: resolved.options,
    entered: (symbol: string) => {
      const dimension = resolved.dimensions.find(({ definition }) => definition.symbol === symbol);
      return dimension?.source === 'entered' ? dimension.text : null;
    },
    // a value that has another origin carries the datasheet's letter no longer
    enter: (symbol: string, text: string, where = '') =>
      entryEdit(document, symbol, { text, where, unit: null, ...(where ? { label: '' } : {}) }),
    move: (from: string, to: string) => {
      return entryEdit(document, to, writtenEntry(entryOf(document, from)));
    },
  };
  for (const { id, title, source, check: run } of resolved.family.plausibility) {
    const found = run(context);
    if (found.length === 0) held.push({ id, title, source });
    findings.push(...found.map((f): Finding => ({ ...f, rule: id, title, source, stage: 'measure' })));
  }
}
