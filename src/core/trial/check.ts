import { reportOf, type Report } from '../check/check';
import type { Finding } from '../document/finding';
import { neighboursOf } from '../geometry/neighbours';
import { neighbour, type TrialFinding, type TrialRule } from './rule';
import { TRIAL_RULES } from './rules';
import type { CompiledTrial } from './trial';

/** Findings of one rule beyond this are counted in one line: nobody reads thousands. */
const TOLD = 60;

/**
 * Holds the parts of a trial against one another and against the board. One spatial index says which of them
 * lie near one another; only those are looked at.
 */
export function checkTrial(compiled: CompiledTrial): Report {
  const { parts, process, trial } = compiled;
  const all = parts.map(neighbour);
  const index = neighboursOf(all.map(({ has }) => has.reach));
  const within = Math.max(
    ...[process.minGap, process.minHoleToLand, process.minHoleWeb, process.minMaskWeb, process.windowGap],
  );
  const rules = TRIAL_RULES.filter(({ id }) => process.severities[id] !== 'off');
  const found = new Map<TrialRule, TrialFinding[]>(rules.map((rule) => [rule, []]));
  /** Rules that were left out for some parts, as another said enough: they did not hold. */
  const unsaid = new Set<TrialRule>();
  for (const [i, j] of index.pairs(within)) {
    const [a, b] = [all[i], all[j]];
    if (!a || !b) continue;
    const told = new Set<string>();
    for (const rule of rules) {
      if (!rule.pair) continue;
      if (rule.after?.some((id) => told.has(id))) {
        unsaid.add(rule);
        continue;
      }
      const some = rule.pair(a, b, compiled);
      if (some.length > 0) told.add(rule.id);
      found.get(rule)?.push(...some);
    }
  }
  for (const rule of rules) {
    if (rule.part) for (const one of all) found.get(rule)?.push(...rule.part(one, compiled));
    if (rule.whole) found.get(rule)?.push(...rule.whole(compiled));
  }
  const about = ({ id, title, source }: TrialRule) => ({ id, title, source });
  const findings = [...found].flatMap(([rule, some]) => toldOf(rule, some));
  const silent = [...found].filter(([, some]) => some.length === 0).map(([rule]) => rule);
  const idle = silent
    .filter(({ looksAt }) => !looksAt.isThere(compiled, all))
    .map((rule) => ({ ...about(rule), without: rule.looksAt.what }));
  const held = silent.filter((rule) => !unsaid.has(rule) && rule.looksAt.isThere(compiled, all)).map(about);
  return reportOf({ findings: [...compiled.problems, ...findings], held, idle }, process, trial.waivers);
}

/** Findings of a rule, those that miss their limit most first; what is beyond a number is counted. */
function toldOf({ id, fault, source, severity }: TrialRule, some: readonly TrialFinding[]): Finding[] {
  const whole = ({ mend, ...one }: TrialFinding): Finding => ({
    rule: id,
    title: fault,
    source,
    severity,
    stage: 'prove',
    remedies: mend?.() ?? [],
    ...one,
  });
  if (some.length <= TOLD) return some.map(whole);
  const missed = ({ measured }: TrialFinding) => (measured ? Math.abs(measured.limit - measured.value) : 0);
  const sorted = [...some].sort((a, b) => missed(b) - missed(a));
  const more = some.length - TOLD;
  return [
    ...sorted.slice(0, TOLD).map(whole),
    whole({ message: `${more} more such, none of them worse.`, place: {}, title: `${fault}: more` }),
  ];
}
