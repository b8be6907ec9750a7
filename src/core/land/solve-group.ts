import type { Level, TrimId } from '../document/document';
import type { TerminalGroup } from '../package/terminal';
import type { Process } from '../process/process';
import type { Step } from './derivation';
import { goalRowFor, type GoalRow, type Goals } from './goals';
import { landFrom, roundLand } from './rounding';
import { solveLand, type LandSize } from './solver';
import { TRIMS } from './trims';

/** What the person decided about the lands of a group; lengths in mm. */
export interface LandChoices {
  /** Rounding step; `null` takes the process's. */
  readonly rounding: number | null;
  /** Trims that are switched off. */
  readonly untrimmed: ReadonlySet<TrimId>;
  readonly land: { readonly X: number | null; readonly Y: number | null; readonly C: number | null };
}

export const NO_CHOICES: LandChoices = {
  rounding: null,
  untrimmed: new Set(),
  land: { X: null, Y: null, C: null },
};

/** The lands of one group of terminals at one level, and how they came about. */
export interface LandSolution {
  readonly group: string;
  readonly level: Level;
  readonly goalRow: GoalRow;
  readonly goals: Goals;
  readonly rounding: number;
  /** Straight from the formulas. */
  readonly computed: LandSize;
  /** After rounding and trims, before anything set by hand. */
  readonly proposed: LandSize;
  /** As used. */
  readonly land: LandSize;
  readonly trims: readonly TrimId[];
  readonly derivation: readonly Step[];
}

/**
 * Solves the lands of a group: formulas, rounding, trims, then what was set by hand.
 * @returns lengths in mm, quantised to 1 nm
 */
export function solveGroup(
  group: TerminalGroup,
  level: Level,
  process: Process,
  choices: LandChoices = NO_CHOICES,
): LandSolution {
  const goalRow = goalRowFor(group);
  const goals = goalRow.levels[level];
  const rounding = choices.rounding ?? (goalRow.small ? process.smallRounding : process.rounding);
  const steps: Step[] = [];
  const computed = solveLand(group, goals, process, steps);
  let proposed = roundLand(computed, rounding, steps);
  const trims: TrimId[] = [];
  for (const trim of TRIMS) {
    if (choices.untrimmed.has(trim.id)) continue;
    const trimmed = trim.apply(proposed, { group, process, rounding });
    if (!trimmed) continue;
    proposed = trimmed.land;
    trims.push(trim.id);
    steps.push(...trimmed.steps);
  }
  const land = setByHand(proposed, choices, steps);
  return {
    group: group.id,
    level,
    goalRow,
    goals,
    rounding,
    computed,
    proposed,
    land,
    trims,
    derivation: steps,
  };
}

function setByHand(proposed: LandSize, { land }: LandChoices, steps: Step[]): LandSize {
  const set = Object.entries(land).filter((entry): entry is ['X' | 'Y' | 'C', number] => entry[1] !== null);
  if (set.length === 0) return proposed;
  for (const [symbol, value] of set) {
    steps.push({
      symbol,
      formula: symbol,
      values: { [symbol]: proposed[symbol] },
      result: value,
      note: 'set by hand',
    });
  }
  return landFrom(land.Y ?? proposed.Y, land.X ?? proposed.X, land.C ?? proposed.C);
}

/**
 * The steps that lead to one symbol: those of the symbol itself and of what they are made of,
 * in order. Z and G are derived anew after rounding, so their card ends with that.
 */
export function derivationOf(solution: LandSolution, symbol: keyof LandSize): Step[] {
  const needed = new Set<string>([symbol]);
  if (symbol === 'Y' || symbol === 'C') needed.add('Z').add('G');
  const kept: Step[] = [];
  for (const step of [...solution.derivation].reverse()) {
    if (!needed.has(step.symbol)) continue;
    kept.unshift(step);
    for (const name of Object.keys(step.values)) needed.add(name);
  }
  const final = solution.land[symbol];
  const last = kept.findLast((step) => step.symbol === symbol);
  if ((symbol === 'Z' || symbol === 'G') && last && Math.abs(last.result - final) > 1e-9) {
    const { C, Y } = solution.land;
    const formula = symbol === 'Z' ? 'C + Y' : 'C − Y';
    kept.push({ symbol, formula, values: { C, Y }, result: final, note: 'from the land as used' });
  }
  return kept;
}
