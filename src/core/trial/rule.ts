import type { RuleFinding } from '../check/rule';
import type { Remedy, Severity } from '../document/finding';
import { pointerKey } from '../document/edit';
import { trialLength } from '../document/trial';
import { boxRound, gapBetween, grow, type Box } from '../geometry/box';
import type { Placed } from '../geometry/figure';
import { gapBetweenFigures } from '../geometry/gaps';
import type { Point } from '../geometry/point';
import { formatMm } from '../units/length';
import { featuresOf, type Features } from './features';
import type { CompiledTrial, PlacedPart } from './trial';

/** A placed part with what others can come too near to. */
export interface Neighbour {
  readonly part: PlacedPart;
  readonly has: Features;
}

/** Things that a rule needs to say anything, as they are named where there are none. */
export interface Subject {
  readonly what: string;
  readonly isThere: (trial: CompiledTrial, all: readonly Neighbour[]) => boolean;
}

/** Two parts that have something. */
export const twoWith = (what: string, has: (one: Neighbour) => boolean): Subject => ({
  what: `two parts ${what}`,
  isThere: (_, all) => all.filter(has).length > 1,
});

/** A part that has something. */
export const partWith = (what: string, has: (one: Neighbour) => boolean): Subject => ({
  what: `a part ${what}`,
  isThere: (_, all) => all.some(has),
});

/** A part that has something, and another beside it. */
export const besides = (what: string, has: (one: Neighbour) => boolean): Subject => ({
  what: `a part ${what} and another one`,
  isThere: (_, all) => all.length > 1 && all.some(has),
});

/** A finding of a trial's rule. */
export type TrialFinding = RuleFinding & {
  /** What mends it, where that is costly to find: asked for of findings that are told. */
  readonly mend?: () => readonly Remedy[];
};

/** One check of a trial: of two parts that lie near one another, of one part on the board, or of them all. */
export interface TrialRule {
  readonly id: string;
  /** What it holds to: how it is called where it holds. */
  readonly title: string;
  /** What is wrong where it does not hold: the headline of its findings. */
  readonly fault: string;
  /** Where the limit comes from: a clause, the process, or geometry. */
  readonly source: string;
  readonly severity: Severity;
  /** Rules that, where they found something about two parts, leave this one nothing to add: it follows from there. */
  readonly after?: readonly string[];
  /** What it looks at: without any of it, it has not held. */
  readonly looksAt: Subject;
  /** What two parts that are near one another do to each other. */
  readonly pair?: (a: Neighbour, b: Neighbour, trial: CompiledTrial) => readonly TrialFinding[];
  readonly part?: (one: Neighbour, trial: CompiledTrial) => readonly TrialFinding[];
  readonly whole?: (trial: CompiledTrial) => readonly TrialFinding[];
}

export const neighbour = (part: PlacedPart): Neighbour => ({ part, has: featuresOf(part) });

interface HasFigure {
  readonly figure: Placed;
}

/** Two things of two parts that come closer than they may. */
export interface Close<A, B> {
  readonly a: A;
  readonly b: B;
  readonly gap: number;
}

/**
 * The closest two things of two parts that come closer than a limit; `null` where none do.
 * @param limit mm
 * @param meant which of them have to keep a distance at all
 */
export function closest<A extends HasFigure, B extends HasFigure>(
  [as, bs]: readonly [readonly A[], readonly B[]],
  [reachA, reachB]: readonly [Box, Box],
  limit: number,
  meant: (a: A, b: B) => boolean,
): Close<A, B> | null {
  const [roomA, roomB] = [grow(reachA, limit), grow(reachB, limit)];
  const near = bs.filter(({ figure }) => gapBetween(figure, roomA) < 0);
  let found: Close<A, B> | null = null;
  for (const a of near.length > 0 ? as : []) {
    if (gapBetween(a.figure, roomB) >= 0) continue;
    for (const b of near) {
      const least = found?.gap ?? limit - 1e-6;
      if (gapBetween(a.figure, b.figure) >= least || !meant(a, b)) continue;
      const gap = gapBetweenFigures(a.figure, b.figure);
      if (gap < least) found = { a, b, gap };
    }
  }
  return found;
}

/** Where a finding about parts lies. */
export const placeOf = (at: Point, ...parts: readonly PlacedPart[]) => ({
  at,
  parts: parts.map(({ id }) => id),
});

/** Round some figures. */
export const round = (items: readonly HasFigure[]): Box =>
  boxRound(items.map(({ figure }) => figure)) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 };

/** Parts are moved by whole steps, and not further than this. mm */
const STEP = 0.05;
const FURTHEST = 20;

/**
 * Moving one of two parts away from the other: the smaller one, along the axis that needs less. A part that is
 * one of several is not moved, as its row would go along.
 * @param boxes round all that may not come too near, of a and of b: beyond them the parts are clear
 * @param limit what has to be between them, mm
 */
export function moveApart(
  trial: CompiledTrial,
  [a, b]: readonly [Neighbour, Neighbour],
  [boxA, boxB]: readonly [Box, Box],
  limit = 0,
): Remedy[] {
  const order = sizeOf(a) < sizeOf(b) ? [a, b] : [b, a];
  const moving = order.find(({ part }) => part.id === part.part);
  if (!moving) return [];
  const [own, other] = moving === a ? [boxA, boxB] : [boxB, boxA];
  const ways: readonly (readonly [number, number])[] = [
    [other.maxX + limit - own.minX, 0],
    [other.minX - limit - own.maxX, 0],
    [0, other.maxY + limit - own.minY],
    [0, other.minY - limit - own.maxY],
  ];
  const [way] = [...ways].sort((p, q) => Math.hypot(...p) - Math.hypot(...q));
  return way && Math.hypot(...way) <= FURTHEST ? moveBy(trial, moving.part, ...way) : [];
}

const sizeOf = ({ has: { reach } }: Neighbour): number =>
  (reach.maxX - reach.minX) * (reach.maxY - reach.minY);

/** Moving a part along an axis, by a whole number of steps of 0.05 mm unless it is to be exact. */
export function moveBy(
  { trial, read }: CompiledTrial,
  { part: id, reference }: PlacedPart,
  dx: number,
  dy: number,
  exact = false,
): Remedy[] {
  const part = read.find((one) => one.id === id);
  if (!part || (dx === 0 && dy === 0)) return [];
  const step = (by: number) => (exact ? by : Math.sign(by) * Math.ceil(Math.abs(by) / STEP - 1e-6) * STEP);
  const at = `/parts/${pointerKey(id)}`;
  const edit = (axis: 'x' | 'y', by: number) => {
    const inwards = part[axis === 'x' ? 'fromX' : 'fromY'];
    const sign = inwards === 'right' || inwards === 'top' ? -1 : 1;
    return { at: `${at}/${axis}`, value: trialLength(trial, (part[axis] ?? 0) + sign * by) };
  };
  const [x, y] = [step(dx), step(dy)];
  const way = (by: number, up: string, down: string) =>
    by === 0 ? [] : [`${formatMm(Math.abs(by))} mm ${by > 0 ? up : down}`];
  return [
    {
      label: `Move ${reference} ${[...way(x, 'right', 'left'), ...way(y, 'up', 'down')].join(' and ')}`,
      edits: [...(x === 0 ? [] : [edit('x', x)]), ...(y === 0 ? [] : [edit('y', y)])],
    },
  ];
}
