import type { Level } from '../document/document';
import { sizeOf, type Figure } from '../geometry/figure';
import type { SpotGroup } from '../package/terminal';
import { quantise } from '../units/length';
import type { Step } from './derivation';
import type { GroupChoices, SpotSolution } from './solution';
import { roundTo } from './rounding';
import { BALL_ROWS, BALL_SOURCE, BALL_STEP, HARD_BALL_FACTOR, spotCourtyard, type BallRow } from './tables';

const FORM: Readonly<Record<SpotGroup['form'], { title: string; source: string }>> = {
  'collapsing-ball': { title: 'Collapsing ball', source: BALL_SOURCE },
  'non-collapsing-ball': { title: 'Ball that keeps its shape', source: 'IPC-7351B, table 14-4' },
  column: { title: 'Solder column', source: 'IPC-7351B, table 14-4' },
  'land-grid': { title: 'Land grid, as large as the terminal', source: 'IPC-7351B, clause 14.4' },
  probe: { title: 'Land for a probe, as stated', source: 'The part itself' },
  given: { title: 'Land as it is given', source: 'The pattern that was given' },
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
  if (form === 'given' || form === 'land-grid' || form === 'thermal' || form === 'probe') {
    const { width, height } = sizeOf(nom);
    const note = form === 'given' ? 'as it is given' : 'as large as the terminal';
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
 * Land under a collapsing ball: the table where the ball is listed, linear between its neighbouring
 * rows, and beyond its ends the share that the last row has. It never shrinks as the ball grows.
 * @param ball nominal diameter, mm
 */
export function landUnderBall(ball: number, level: Level, steps: Step[] = []): number {
  const row = BALL_ROWS.find((r) => Math.abs(r.ball - ball) < 1e-6);
  if (row) {
    const result = row.land[level];
    steps.push({ symbol: 'D', formula: 'table(b)', values: { b: ball }, result, note: `level ${level}` });
    return result;
  }
  // the table lists the largest ball first
  const below = BALL_ROWS.find((r) => r.ball < ball);
  const above = BALL_ROWS.findLast((r) => r.ball > ball);
  const note = `to ${BALL_STEP} mm`;
  if (below && above) {
    const [b1, b2, D1, D2] = [below.ball, above.ball, below.land[level], above.land[level]];
    const result = roundTo(D1 + ((D2 - D1) * (ball - b1)) / (b2 - b1), BALL_STEP);
    const formula = 'D1 + (D2 − D1)·(b − b1)/(b2 − b1)';
    const values = { b: ball, b1, b2, D1, D2 };
    steps.push({ symbol: 'D', formula, values, result, note: `between the rows of the table, ${note}` });
    return result;
  }
  const end = (below ?? above) as BallRow;
  const [b1, D1] = [end.ball, end.land[level]];
  const result = roundTo((ball * D1) / b1, BALL_STEP);
  steps.push({
    symbol: 'D',
    formula: 'b·D1/b1',
    values: { b: ball, b1, D1 },
    result,
    note: `beyond the table, the share of its last row, ${note}`,
  });
  return result;
}

export function hardBall(ball: number, level: Level, steps: Step[] = []): number {
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
