import type { Level } from '../document/document';
import { sizeOf, type Figure } from '../geometry/figure';
import type { SpotGroup } from '../package/terminal';
import { quantise } from '../units/length';
import type { Step } from './derivation';
import type { GroupChoices, SpotSolution } from './solution';
import { BALL_FACTORS, BALL_ROWS, BALL_SOURCE, HARD_BALL_FACTOR, spotCourtyard } from './tables';

const FORM: Readonly<Record<SpotGroup['form'], { title: string; source: string }>> = {
  'collapsing-ball': { title: 'Collapsing ball', source: BALL_SOURCE },
  'non-collapsing-ball': { title: 'Ball that keeps its shape', source: 'IPC-7351B, table 14-4' },
  column: { title: 'Solder column', source: 'IPC-7351B, table 14-4' },
  'land-grid': { title: 'Land grid, as large as the terminal', source: 'IPC-7351B, clause 14.4' },
  probe: { title: 'Land for a probe, as stated', source: 'The part itself' },
  thermal: { title: 'Exposed pad, as large as the terminal', source: 'IPC-7351B, clause 3.1.5' },
};

/**
 * Land under a ball, a column, a land-grid terminal or an exposed pad.
 * @param choices sizes set by hand, mm
 */
export function solveSpot(group: SpotGroup, level: Level, choices: GroupChoices): SpotSolution {
  const steps: Step[] = [];
  const computed = computedFigure(group, level, steps);
  return {
    kind: 'spot',
    terminals: group,
    level,
    ...FORM[group.form],
    courtyard: spotCourtyard(group.form, level),
    rounding: 0,
    trims: [],
    computed,
    figure: setByHand(computed, choices, steps),
    derivation: steps,
  };
}

function computedFigure({ form, contact }: SpotGroup, level: Level, steps: Step[]): Figure {
  const { nom } = contact;
  if (form === 'land-grid' || form === 'thermal' || form === 'probe') {
    const { width, height } = sizeOf(nom);
    const note = 'as large as the terminal';
    if (nom.kind === 'round')
      steps.push({ symbol: 'D', formula: 'b', values: { b: width }, result: width, note });
    else {
      steps.push(
        { symbol: 'Y', formula: 'D2', values: { D2: width }, result: width, note },
        { symbol: 'X', formula: 'E2', values: { E2: height }, result: height, note },
      );
    }
    return nom;
  }
  const b = sizeOf(nom).width;
  const diameter = form === 'collapsing-ball' ? landUnderBall(b, level, steps) : hardBall(b, level, steps);
  return { kind: 'round', diameter };
}

/**
 * Land under a collapsing ball: the table where the ball is listed, a share of it in between.
 * @param ball nominal diameter, mm
 */
export function landUnderBall(ball: number, level: Level, steps: Step[] = []): number {
  const row = BALL_ROWS.find((r) => Math.abs(r.ball - ball) < 1e-6);
  if (row) {
    const result = row.land[level];
    steps.push({ symbol: 'D', formula: 'table(b)', values: { b: ball }, result, note: `level ${level}` });
    return result;
  }
  const factor = BALL_FACTORS.find(({ from }) => ball >= from - 1e-9)?.factor ?? 0.85;
  // the table's levels A and C lie this far on either side
  const apart = ball >= 0.3 ? 0.05 : 0.03;
  const step = level === 'B' ? 0 : level === 'A' ? apart : -apart;
  const result = quantise(ball * factor + step);
  const values = { b: ball, k: factor, step };
  steps.push({ symbol: 'D', formula: 'b·k + step', values, result, note: 'between the rows of the table' });
  return result;
}

function hardBall(ball: number, level: Level, steps: Step[]): number {
  const k = HARD_BALL_FACTOR[level];
  const result = quantise(ball * k);
  steps.push({ symbol: 'D', formula: 'b·k', values: { b: ball, k }, result });
  return result;
}

/** A figure with the sizes that were set by hand; its kind stays. */
export function setByHand(figure: Figure, { sizes }: GroupChoices, steps: Step[]): Figure {
  const note = 'set by hand';
  const set = (symbol: 'X' | 'Y' | 'D', before: number): number => {
    const value = sizes[symbol];
    if (value === undefined) return before;
    steps.push({ symbol, formula: symbol, values: { [symbol]: before }, result: value, note });
    return value;
  };
  if (figure.kind === 'round') return { kind: 'round', diameter: set('D', figure.diameter) };
  return { ...figure, width: set('Y', figure.width), height: set('X', figure.height) };
}
