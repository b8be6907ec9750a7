import type { Level } from '../document/document';
import { grown, sizeOf, type Figure } from '../geometry/figure';
import type { SpotGroup } from '../package/terminal';
import { quantise } from '../units/length';
import type { Step } from './derivation';
import type { GroupChoices, LandChoices, SpotSolution } from './solution';
import { roundTo } from './rounding';
import {
  BALL_ROWS,
  BALL_SOURCE,
  BALL_STEP,
  GRID_COURTYARD,
  HARD_BALL_FACTOR,
  PIN_COURTYARD,
  type BallRow,
} from '../standard/published';
import { AS_PUBLISHED, wanted, wantedAt, type Standard, type Stated } from '../standard/standard';
import { houseStep, sourceOver } from './goals';

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
 * @param choices sizes set by hand, mm, and what the house wants
 */
export function solveSpot(
  group: SpotGroup,
  level: Level,
  { of, house: { standard } }: Pick<LandChoices, 'of' | 'house'>,
): SpotSolution {
  const steps: Step[] = [];
  const said: (Stated | null)[] = [];
  const computed = computedFigure(group, level, { standard, steps, said });
  const { title, source } = FORM[group.form];
  return {
    kind: 'spot',
    terminals: group,
    level,
    title,
    source: sourceOver(said, source),
    courtyard: courtyardOf(group.form, level, standard),
    rounding: 0,
    trims: [],
    computed,
    figure: setByHand(computed, of(group.id), steps),
    derivation: steps,
  };
}

/**
 * Grids take the grid's courtyard, lands that are given the usual one; a thermal land adds nothing to
 * that of its package, a probe needs none.
 */
function courtyardOf(form: SpotGroup['form'], level: Level, standard: Standard): number {
  if (form === 'given') return wantedAt(standard, 'holes/courtyard', level, PIN_COURTYARD).value;
  if (form === 'thermal' || form === 'probe') return 0;
  return wantedAt(standard, 'balls/courtyard', level, GRID_COURTYARD).value;
}

/** What the house wants, and what receives the derivation and the clauses that were used. */
interface ByTable {
  readonly standard: Standard;
  readonly steps: Step[];
  readonly said: (Stated | null)[];
}

const byPublished = (): ByTable => ({ standard: AS_PUBLISHED, steps: [], said: [] });

function computedFigure({ form, contact }: SpotGroup, level: Level, by: ByTable): Figure {
  const { nom } = contact;
  if (form === 'thermal') return exposedLand(nom, by);
  if (form === 'given' || form === 'land-grid' || form === 'probe') {
    asLarge(nom, form === 'given' ? 'as it is given' : AS_TERMINAL, by.steps);
    return nom;
  }
  const b = sizeOf(nom).width;
  return {
    kind: 'round',
    diameter: form === 'collapsing-ball' ? landUnderBall(b, level, by) : hardBall(b, level, by),
  };
}

const AS_TERMINAL = 'as large as the terminal';

function asLarge(nom: Figure, note: string, steps: Step[]): void {
  const { width, height } = sizeOf(nom);
  if (nom.kind === 'round')
    steps.push({ symbol: 'D', formula: 'b', values: { b: width }, result: width, note });
  else {
    steps.push(
      { symbol: 'Y', formula: 'D2', values: { D2: width }, result: width, note },
      { symbol: 'X', formula: 'E2', values: { E2: height }, result: height, note },
    );
  }
}

/** An exposed pad's land is as large as the pad, unless the house wants it larger or smaller all round. */
function exposedLand(nom: Figure, { standard, steps, said }: ByTable): Figure {
  const { value: m, stated } = wanted(standard, 'balls/exposed-margin', 0);
  if (!stated) {
    asLarge(nom, AS_TERMINAL, steps);
    return nom;
  }
  said.push(stated);
  steps.push(houseStep('m', m, 0, stated, 'margin of the land over the exposed pad'));
  const land = grown(nom, m);
  const [before, after] = [sizeOf(nom), sizeOf(land)];
  if (nom.kind === 'round')
    steps.push({ symbol: 'D', formula: 'b + 2·m', values: { b: before.width, m }, result: after.width });
  else
    steps.push(
      { symbol: 'Y', formula: 'D2 + 2·m', values: { D2: before.width, m }, result: after.width },
      { symbol: 'X', formula: 'E2 + 2·m', values: { E2: before.height, m }, result: after.height },
    );
  return land;
}

/**
 * Land under a collapsing ball: the table where the ball is listed, linear between its neighbouring
 * rows, and beyond its ends the share that the last row has. It never shrinks as the ball grows.
 * @param ball nominal diameter, mm
 */
export function landUnderBall(ball: number, level: Level, by: ByTable = byPublished()): number {
  const { standard, steps, said } = by;
  const landOf = (row: BallRow) => {
    const { value, stated, published } = wantedAt(standard, `balls/${row.ball}`, level, row.land);
    if (stated) {
      said.push(stated);
      steps.push(houseStep(`D${row.ball}`, value, published, stated, `land under a ball of ${row.ball} mm`));
    }
    return value;
  };
  const row = BALL_ROWS.find((r) => Math.abs(r.ball - ball) < 1e-6);
  if (row) {
    const result = landOf(row);
    steps.push({ symbol: 'D', formula: 'table(b)', values: { b: ball }, result, note: `level ${level}` });
    return result;
  }
  // the table lists the largest ball first
  const below = BALL_ROWS.find((r) => r.ball < ball);
  const above = BALL_ROWS.findLast((r) => r.ball > ball);
  const step = wanted(standard, 'rounding/ball-lands', BALL_STEP);
  said.push(step.stated);
  const note = step.value > 0 ? `to ${step.value} mm` : 'not rounded';
  if (below && above) {
    const [b1, b2, D1, D2] = [below.ball, above.ball, landOf(below), landOf(above)];
    const result = roundTo(D1 + ((D2 - D1) * (ball - b1)) / (b2 - b1), step.value);
    const formula = 'D1 + (D2 − D1)·(b − b1)/(b2 − b1)';
    const values = { b: ball, b1, b2, D1, D2 };
    steps.push({ symbol: 'D', formula, values, result, note: `between the rows of the table, ${note}` });
    return result;
  }
  const end = (below ?? above) as BallRow;
  const [b1, D1] = [end.ball, landOf(end)];
  const result = roundTo((ball * D1) / b1, step.value);
  steps.push({
    symbol: 'D',
    formula: 'b·D1/b1',
    values: { b: ball, b1, D1 },
    result,
    note: `beyond the table, the share of its last row, ${note}`,
  });
  return result;
}

export function hardBall(ball: number, level: Level, by: ByTable = byPublished()): number {
  const { standard, steps, said } = by;
  const { value: k, stated, published } = wantedAt(standard, 'balls/hard-factor', level, HARD_BALL_FACTOR);
  if (stated) {
    said.push(stated);
    steps.push(houseStep('k', k, published, stated, 'land over ball'));
  }
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
