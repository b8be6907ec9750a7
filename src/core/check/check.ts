import type { TapisDocument } from '../document/document';
import { MISSING, type Finding, type Severity } from '../document/finding';
import type { Compiled } from '../footprint/footprint';
import type { Process } from '../process/process';
import { clauseFieldAt } from '../standard/fields';
import { cited } from '../standard/standard';
import { clauseText } from '../standard/words';
import { alternateFindings } from './alternates';
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
  /** Rules that the house or the process has switched off, and what they would have said. */
  readonly silenced: readonly Silenced[];
  readonly verdict: Severity | 'clear';
}

/** A rule that is switched off. */
export interface Silenced extends RuleName {
  /** How many findings it would have. */
  readonly count: number;
  /** The clause or the process that switches it off. */
  readonly by: string;
  readonly reason: string;
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
  const silenced: Silenced[] = [];
  const { footprint, process } = compiled;
  if (footprint) {
    const context = contextOf(compiled, footprint);
    const has = subjectsOf(context);
    for (const rule of RULES) {
      const { id, title, fault, source, severity, stage, looksAt } = rule;
      const without = looksAt.find((subject) => !has(subject));
      if (without) {
        idle.push({ id, title, source, without });
        continue;
      }
      const found = rule.check(context);
      if (process.severities[id] === 'off') {
        silenced.push({ id, title, source, count: found.length, ...whoSays(id, compiled) });
        continue;
      }
      if (found.length === 0) held.push({ id, title, source });
      findings.push(
        ...found.map((f) => ({ rule: id, title: fault, source, severity, stage, remedies: [], ...f })),
      );
    }
    const { plausibility } = footprint.package;
    findings.push(...plausibility.findings);
    held.push(...plausibility.held);
  }
  const others = alternateFindings(compiled, findings, check);
  findings.push(...others);
  const broken = new Set(others.map(({ rule }) => rule));
  const graded = gradedBy(findings, compiled);
  return reportOf(
    {
      ...graded,
      held: held.filter(({ id }) => !broken.has(id)),
      idle,
      silenced: [...silenced, ...graded.silenced],
    },
    process,
    compiled.document.waivers,
  );
}

/** Who switches a rule off or grades it, and why. */
function whoSays(
  id: string,
  { process, standard }: Pick<Compiled, 'process' | 'standard'>,
): Pick<Silenced, 'by' | 'reason'> {
  const stated = standard.stated(`rules/${id}`);
  return stated
    ? { by: cited(stated), reason: stated.reason ?? '' }
    : { by: process.name, reason: 'the process grades it so' };
}

/** Findings with the clause that grades them; those that are switched off are counted apart. */
function gradedBy(
  findings: readonly Finding[],
  compiled: Compiled,
): { readonly findings: readonly Finding[]; readonly silenced: Silenced[] } {
  const {
    process: { severities },
    standard,
  } = compiled;
  const silenced = new Map<string, Silenced>();
  const left = findings.flatMap((finding): Finding[] => {
    const { rule: id, title, source } = finding;
    if (severities[id] === 'off') {
      const { count = 0 } = silenced.get(id) ?? {};
      silenced.set(id, { id, title, source, count: count + 1, ...whoSays(id, compiled) });
      return [];
    }
    const stated = standard.stated(`rules/${id}`);
    const said = [
      ...limitsOf(id, standard),
      ...(stated ? [`${String(stated.value)} by ${cited(stated)}`] : []),
    ];
    return [said.length > 0 ? { ...finding, source: [source, ...said].join('; ') } : finding];
  });
  return { findings: left, silenced: [...silenced.values()] };
}

/** The limits of a rule that a house says, as findings cite them. */
function limitsOf(id: string, standard: Compiled['standard']): string[] {
  const { clauses = [] } = RULES.find((rule) => rule.id === id) ?? {};
  return clauses.flatMap((at) => {
    const stated = standard.stated(at);
    if (!stated) return [];
    const field = clauseFieldAt(at);
    const value = field?.words ? clauseText(field, stated.value) : String(stated.value);
    return [`${field?.title ?? at} ${value} by ${cited(stated)}`];
  });
}

/** A report of what was found: as grave as the process takes it, worst first, without what was accepted. */
export function reportOf(
  {
    findings,
    held,
    idle,
    silenced = [],
  }: Pick<Report, 'findings' | 'held' | 'idle'> & Partial<Pick<Report, 'silenced'>>,
  process: Process,
  waivers: TapisDocument['waivers'] = {},
): Report {
  const { open, waived } = withWaivers(findings.flatMap(graded(process)), waivers);
  open.sort((a, b) => rank(a) - rank(b));
  return { findings: open, waived, held, idle, silenced, verdict: open[0]?.severity ?? 'clear' };
}

/** Findings as grave as the process takes them. */
function graded({ severities }: Process): (finding: Finding) => Finding[] {
  return (finding) => {
    const severity = Object.hasOwn(severities, finding.rule) ? severities[finding.rule] : undefined;
    if (severity === 'off') return [];
    return [severity ? { ...finding, severity } : finding];
  };
}
