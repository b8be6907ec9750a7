import { NOISE } from '../check/noise';
import type { Compiled, Footprint, Land } from '../footprint/footprint';
import { centreOf } from '../geometry/box';
import { sizeOf } from '../geometry/figure';
import { distance, turn } from '../geometry/point';
import { marginsOf } from '../joint/margins';
import { jointModel, landOf, marginFigures } from '../joint/model';
import type { Level } from '../document/document';
import type { Process } from '../process/process';
import { quantise } from '../units/length';

import type { Laid } from './pitch';

// Every land of a pattern against that of the package: how its size and place differ, and what joint the
// terminal would get on it.

/** A margin that the terminal would have on the pattern's land. mm */
export interface OpinionMargin {
  readonly end: 'toe' | 'heel' | 'side' | 'edge' | 'wall' | 'ring';
  readonly mean: number;
  /** Least as the root of the sum of squares about the mean, and with everything at its worst. */
  readonly least: number;
  readonly worst: number;
  /** What the land formulas give back, which goals are stated for; `null` where there are none. */
  readonly inverse: number | null;
  /** What the package's level asks for, and what the least level does. */
  readonly goal: number | null;
  readonly leastGoal: number | null;
  /** What the acceptance class demands; `null` where it demands nothing. */
  readonly limit: number | null;
  /** What the land that Tapis computes would give: less than that is worse. */
  readonly computed: number;
  /** Parts in a million that would miss the limit, or have no margin; normal with its limits at ±3σ. */
  readonly ppm: number;
}

/** How good a land is: as computed, within the levels, under the least level, or without a joint. */
export type LandGrade = 'same' | 'fine' | 'less' | 'wrong';

/** A land of the pattern on its terminal. Lengths in mm, more than nothing where the pattern's is more. */
export interface LandOpinion {
  readonly id: string;
  readonly group: string;
  /** As the package numbers it, and as the pattern does. */
  readonly number: string;
  readonly given: string;
  readonly longer: number;
  readonly wider: number;
  /** Away from the middle of the part along the terminal, and across it. */
  readonly outward: number;
  readonly across: number;
  /** What shapes it has, where they differ. */
  readonly shape: string | null;
  readonly hole: number | null;
  readonly margins: readonly OpinionMargin[];
  readonly grade: LandGrade;
}

/** Rounding of lands may take this much of a margin, mm. */
const ROUNDING = 0.026;

/** Holds every land of a pattern against its terminal. @param kept the package with the pattern's lands */
export function landOpinions(
  laid: readonly Laid[],
  kept: Footprint,
  { levels, process }: Pick<Compiled, 'levels' | 'process'>,
): LandOpinion[] {
  const byId = new Map(kept.lands.map((land) => [land.id, land]));
  const known = new Map<string, OpinionMargin[]>();
  return laid.map(({ own, given }) => {
    const land = byId.get(own.id) ?? own;
    const size = sizeOn(own, own);
    const other = sizeOn(own, given);
    const by = turn(
      {
        x: centreOf(given.copper).x - centreOf(own.copper).x,
        y: centreOf(given.copper).y - centreOf(own.copper).y,
      },
      -own.rotation,
    );
    const [longer, wider] = [quantise(other.along - size.along), quantise(other.across - size.across)];
    const [outward, across] = [quantise(by.x), quantise(by.y)];
    const holeOff = own.hole && given.hole ? distance(own.hole.at, given.hole.at) : 0;
    // lands that lie alike have the same joint
    const key = JSON.stringify([
      own.group,
      own.end,
      longer,
      wider,
      outward,
      across,
      quantise(holeOff),
      land.padstack.name,
    ]);
    const margins = known.get(key) ?? marginsFor(land, own, kept, holeOff, { levels, process });
    known.set(key, margins);
    const kinds = [own, given].map(({ copper }) => copper.figure.kind) as [string, string];
    const hole =
      own.hole && given.hole
        ? quantise(sizeOf(given.hole.figure).height - sizeOf(own.hole.figure).height)
        : null;
    const isSame =
      [longer, wider, outward, across, hole ?? 0].every((v) => Math.abs(v) < 1.5e-3) && kinds[0] === kinds[1];
    return {
      id: own.id,
      group: own.group,
      number: own.number,
      given: given.number,
      longer,
      wider,
      outward,
      across,
      shape: kinds[0] === kinds[1] ? null : `${kinds[1]} in place of ${kinds[0]}`,
      hole: hole === 0 ? null : hole,
      margins,
      grade: isSame ? 'same' : gradeOf(margins),
    };
  });
}

/** The size of a land along and across a terminal. */
function sizeOn(own: Land, { copper }: Land): { along: number; across: number } {
  const [width, height] = [copper.maxX - copper.minX, copper.maxY - copper.minY];
  const turned = Math.abs(own.rotation % 180) === 90;
  if (own.rotation % 90 === 0)
    return turned ? { along: height, across: width } : { along: width, across: height };
  const size = sizeOf(copper.figure);
  const quarter = Math.abs(((copper.rotation - own.rotation) % 180) - 90) < 1;
  return quarter ? { along: size.height, across: size.width } : { along: size.width, across: size.height };
}

/** The margins of a land, and what they would have to be. */
function marginsFor(
  land: Land,
  own: Land,
  kept: Footprint,
  holeOff: number,
  { levels, process }: Pick<Compiled, 'levels' | 'process'>,
): OpinionMargin[] {
  const model = jointModel(kept, land, process);
  if (!model) return [];
  const group = kept.groups.find(({ terminals }) => terminals.id === land.group);
  const inverseOf = (one: Land) =>
    group?.kind === 'span'
      ? marginsOf(group, landOf(one, group.terminals), kept.contacts, process).map((margin) => margin.inverse)
      : [];
  const [inverse, computed] = [inverseOf(land), inverseOf(own)];
  const before = jointModel(kept, own, process);
  const least = goalsAt('C', land.group, levels);
  return model.margins.map((margin, i): OpinionMargin => {
    const figures = marginFigures(model, margin);
    // a hole that lies beside its lead has that much less room
    const off = margin.end === 'wall' ? holeOff : 0;
    const mean = figures.mean - off;
    const low = figures.rms.min - off;
    const limit = margin.limit;
    const was = before?.margins[i];
    return {
      end: margin.end,
      mean: quantise(mean),
      least: quantise(low),
      worst: quantise(figures.worst.min - off),
      inverse: inverse[i] === undefined ? null : quantise(inverse[i]),
      computed: quantise(computed[i] ?? (before && was ? marginFigures(before, was).rms.min : -Infinity)),
      goal: margin.goal,
      leastGoal: least?.[i] ?? margin.goal,
      limit,
      ppm: below(limit ?? 0, mean, (figures.mean - figures.rms.min) / 3),
    };
  });
}

/** Goals of a group of a span at a level: outer, inner, side. */
function goalsAt(level: Level, group: string, levels: Compiled['levels']): readonly number[] | null {
  const found = levels?.[level].find(({ terminals }) => terminals.id === group);
  if (found?.kind !== 'span') return null;
  const { outer, inner, side } = found.goals;
  return [outer, inner, side];
}

/** Whether a margin is as good as that of the land that Tapis computes. */
const isAsGood = ({ inverse, least, computed }: OpinionMargin): boolean =>
  (inverse ?? least) >= computed - NOISE;

/** Whether a terminal is lost by a margin: off its land, without a heel, or stuck in its hole. */
export function isLost(margin: OpinionMargin): boolean {
  const { end, inverse, leastGoal, limit, least } = margin;
  if (isAsGood(margin)) return false;
  if (end === 'wall') return least < -1e-6;
  if (end === 'ring') return least < 0;
  if (limit !== null && least < limit - ROUNDING) return true;
  // a heel is what holds a lead: without it there is no joint to speak of
  return end === 'heel' && inverse !== null && inverse < Math.min(0, leastGoal ?? 0) - ROUNDING;
}

/** Whether a margin is under what the least level asks for. */
export function isUnder(margin: OpinionMargin): boolean {
  const { end, inverse, leastGoal, least, goal } = margin;
  if (isAsGood(margin)) return false;
  if (end === 'ring') return goal !== null && least < goal - 1e-6;
  return inverse !== null && leastGoal !== null && inverse < leastGoal - ROUNDING;
}

function gradeOf(margins: readonly OpinionMargin[]): LandGrade {
  if (margins.some(isLost)) return 'wrong';
  return margins.some(isUnder) ? 'less' : 'fine';
}

/** Parts in a million below a limit of something normal. */
function below(limit: number, mean: number, sigma: number): number {
  if (sigma <= 0) return mean < limit ? 1e6 : 0;
  return Math.round(normal((limit - mean) / sigma) * 1e8) / 100;
}

/** The share of a normal distribution below z (Abramowitz and Stegun, 7.1.26, to 1.5e-7). */
function normal(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z < 0 ? tail / 2 : 1 - tail / 2;
}

/** The level whose goals a pattern meets; `null` where it meets none. */
export function levelMet(
  lands: readonly LandOpinion[],
  levels: Compiled['levels'],
  process: Process,
): Level | null {
  const slack = 0.75 * process.rounding + 1e-3;
  for (const level of ['A', 'B', 'C'] as const) {
    const holds = lands.every(({ group, margins, grade }) => {
      if (grade === 'same') return true;
      const goals = goalsAt(level, group, levels);
      return (
        goals === null ||
        margins.every(({ inverse }, i) => inverse === null || inverse >= (goals[i] ?? 0) - slack)
      );
    });
    if (holds) return level;
  }
  return null;
}
