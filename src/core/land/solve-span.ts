import type { Level, TrimId } from '../document/document';
import type { SpanGroup } from '../package/terminal';
import type { Process } from '../process/process';
import { saidAt } from '../standard/standard';
import type { Step } from './derivation';
import { goalsFor, goalsSource, goalSteps, type GroupGoals, type House } from './goals';
import { quantise } from '../units/length';
import { landFrom, roundLand } from './rounding';
import type { GroupChoices, LandChoices, SpanSolution } from './solution';
import { solveLand, type LandSize } from './solver';
import { TRIMS } from './trims';

/**
 * Solves the lands of a span: formulas, rounding, trims, then what was set by hand.
 * @param thermalReach half of the exposed pad along the span, mm; `null` where there is none
 * @returns lengths in mm, quantised to 1 nm
 */
export function solveSpan(
  group: SpanGroup,
  level: Level,
  process: Process,
  choices: LandChoices,
  thermalReach: number | null = null,
): SpanSolution {
  const wanted = goalsFor(group, level, choices.house);
  const { row: goalRow, goals, heel } = wanted;
  const rounding = choices.rounding ?? roundingOf(wanted, choices.house, process);
  const steps: Step[] = goalSteps(wanted);
  if (heel)
    steps.push({
      symbol: 'J_inner',
      formula: heel.reduced ? 'reduced, Smin ≤ E1max' : 'full, Smin > E1max',
      values: { Smin: heel.inside, E1max: heel.body },
      result: goals.inner,
      note: heel.reduced ? 'the feet reach to the body: the heel goal is reduced' : 'the feet clear the body',
    });
  if (group.lone) steps.push(aboutLone(group));
  const computed = solveLand(group, goals, process, steps);
  let proposed = roundLand(computed, rounding, steps);
  const trims: TrimId[] = [];
  // no trim for the body takes more of a heel than its reduced goal leaves
  const leastHeel = computed.G + 2 * (goals.inner - Math.min(goals.inner, wanted.leastHeel));
  for (const trim of TRIMS) {
    if (choices.untrimmed.has(trim.id) || (group.lone && trim.id !== 'row-gap')) continue;
    const trimmed = trim.apply(proposed, { group, process, rounding, thermalReach, leastHeel });
    if (!trimmed) continue;
    proposed = trimmed.land;
    trims.push(trim.id);
    steps.push(...trimmed.steps);
  }
  return {
    kind: 'span',
    terminals: group,
    level,
    title: goalRow.title,
    source: goalsSource(wanted),
    courtyard: goals.courtyard,
    goalRow,
    goals,
    rounding,
    computed,
    proposed,
    land: setByHand(proposed, choices.of(group.id), steps),
    corner: null,
    trims,
    derivation: steps,
  };
}

/** The step of X, Y and C/2: that of the row where the house says one, else the process's. mm */
function roundingOf({ row, published }: GroupGoals, { standard }: House, process: Process): number {
  return (
    saidAt<number>(standard, `rounding/${row.id}`) ??
    saidAt<number>(standard, `rounding/${published.id}`) ??
    (row.small ? process.smallRounding : process.rounding)
  );
}

/** From where the land of a terminal that faces no other is reckoned. */
function aboutLone({ span, length }: SpanGroup): Step {
  const r = quantise((span.nom - length.nom) / 2);
  return {
    symbol: 'Lmax',
    formula: '2·r + Tmax',
    values: { r, Tmax: length.max },
    result: span.max,
    note: 'the terminal stands alone: it is reckoned about a point r inside of its middle',
  };
}

/** What C becomes when the length changes and something else stays. */
const CENTRE_BY_HOLD: Readonly<
  Record<GroupChoices['hold'], { formula: string; of: (before: LandSize, Y: number) => number }>
> = {
  centre: { formula: 'C', of: ({ C }) => C },
  gap: { formula: 'G + Y', of: ({ G }, Y) => G + Y },
  outer: { formula: 'Z − Y', of: ({ Z }, Y) => Z - Y },
};

function setByHand(proposed: LandSize, { sizes, hold }: GroupChoices, steps: Step[]): LandSize {
  const { X, Y, C } = sizes;
  const note = 'set by hand';
  const step = (symbol: 'X' | 'Y' | 'C', result: number) =>
    steps.push({ symbol, formula: symbol, values: { [symbol]: proposed[symbol] }, result, note });
  if (X !== undefined) step('X', X);
  if (Y !== undefined) step('Y', Y);
  const length = Y ?? proposed.Y;
  if (C !== undefined) step('C', C);
  else if (Y !== undefined && hold !== 'centre') {
    const { formula, of } = CENTRE_BY_HOLD[hold];
    const { G, Z } = proposed;
    const values = { ...(hold === 'gap' ? { G } : { Z }), Y };
    const kept = hold === 'gap' ? 'the gap stays' : 'the outer distance stays';
    steps.push({ symbol: 'C', formula, values, result: of(proposed, Y), note: kept });
  }
  return landFrom(length, X ?? proposed.X, C ?? CENTRE_BY_HOLD[hold].of(proposed, length));
}
