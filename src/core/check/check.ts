import type { TapisDocument } from '../document/document';
import { MISSING, type Finding, type Severity } from '../document/finding';
import type { Compiled } from '../footprint/footprint';
import type { Process } from '../process/process';
import { contextOf } from './context';
import { RULES } from './rules';
import { subjectsOf } from './subjects';
import { withWaivers, type WaivedFinding } from './waivers';

interface RuleName {
  readonly id: string;
  readonly title: string;
  readonly source: string;
}

/** What the checks found, worst first, and which rules held. */
export interface Report {
  readonly findings: readonly Finding[];
  /** Findings that somebody accepted, with their reasons. */
  readonly waived: readonly WaivedFinding[];
  /** The rules that had something to look at and found nothing. */
  readonly held: readonly RuleName[];
  /** The rules that had nothing to look at, and what the footprint does not have. */
  readonly idle: readonly (RuleName & { readonly without: string })[];
  readonly verdict: Severity | 'clear';
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, caution: 1, note: 2 };

/** Worst first; what was not entered yet comes after what was entered wrongly. */
function rank({ severity, rule }: Finding): number {
  return 2 * ORDER[severity] + (rule === MISSING ? 1 : 0);
}

/**
 * Holds a compiled footprint against every rule, and the datasheet's numbers against one another.
 * Where the footprint could not be compiled, the report says why.
 */
export function check(compiled: Compiled): Report {
  const findings: Finding[] = [...compiled.problems];
  const held: RuleName[] = [];
  const idle: (RuleName & { without: string })[] = [];
  const { footprint, process } = compiled;
  if (footprint) {
    const context = contextOf(compiled, footprint);
    const has = subjectsOf(context);
    for (const rule of RULES) {
      const { id, title, fault, source, severity, stage, looksAt } = rule;
      if (process.severities[id] === 'off') continue;
      const without = looksAt.find((subject) => !has(subject));
      if (without) {
        idle.push({ id, title, source, without });
        continue;
      }
      const found = rule.check(context);
      if (found.length === 0) held.push({ id, title, source });
      findings.push(
        ...found.map((f) => ({ rule: id, title: fault, source, severity, stage, remedies: [], ...f })),
      );
    }
    const { plausibility } = footprint.package;
    findings.push(...plausibility.findings);
    held.push(...plausibility.held);
  }
  return reportOf({ findings, held, idle }, process, compiled.document.waivers);
}

/** A report of what was found: as grave as the process takes it, worst first, without what was accepted. */
export function reportOf(
  { findings, held, idle }: Pick<Report, 'findings' | 'held' | 'idle'>,
  process: Process,
  waivers: TapisDocument['waivers'] = {},
): Report {
  const { open, waived } = withWaivers(findings.flatMap(graded(process)), waivers);
  open.sort((a, b) => rank(a) - rank(b));
  return { findings: open, waived, held, idle, verdict: open[0]?.severity ?? 'clear' };
}

/** Findings as grave as the process takes them. */
function graded({ severities }: Process): (finding: Finding) => Finding[] {
  return (finding) => {
    const severity = Object.hasOwn(severities, finding.rule) ? severities[finding.rule] : undefined;
    if (severity === 'off') return [];
    return [severity ? { ...finding, severity } : finding];
  };
}
