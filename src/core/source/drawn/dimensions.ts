import { candidatesIn, labelsAt, looksAt, SAME, type Bar, type Candidate } from './candidates';
import { BARE, costOf, FARTHEST_ACROSS } from './cost';
import type { Frame } from './frame';
import type { End } from './ends';
import type { Label } from './labels';
import { around } from './sorted';
import type { Stroke } from './strokes';

// Dimension lines: two ends on one line, with what is printed at it. Each end stands on a line that leads to what is
// measured, or touches it itself.

/** One end of a dimension, in the dimension's frame. */
export interface Foot {
  readonly u: number;
  /** From the dimension line to where the line that leads to the thing ends. */
  readonly v0: number;
  readonly v1: number;
}

/** A dimension as it is drawn. */
export interface Dimension {
  readonly label: Label;
  readonly frame: Frame;
  readonly feet: readonly [Foot, Foot];
  /** Where its line lies. */
  readonly v: number;
  readonly ends: End['kind'];
  /** How far its number stands from where it is expected; 0 is at its place. */
  readonly off: number;
  /** What it would be at the scale that most of the page are drawn in, mm; `null` where it is of a scale of the page. */
  readonly drawnAs: number | null;
}

/** The dimensions of a page. @returns and the labels that belong to none */
export function dimensionsOf(
  strokes: readonly Stroke[],
  ends: readonly End[],
  labels: readonly Label[],
): { readonly dimensions: Dimension[]; readonly loose: Label[] } {
  const looks = looksAt(strokes, ends, labels);
  const pairs = looks.flatMap((look) =>
    candidatesIn(look, ends).flatMap((candidate) =>
      labelsAt(look, (candidate.a.v + candidate.b.v) / 2, FARTHEST_ACROSS).flatMap((placed): Pair[] => {
        const cost = costOf(candidate, placed);
        return cost === null ? [] : [{ candidate, label: placed.label, cost }];
      }),
    ),
  );
  // the proportions of the drawing choose where a number may belong to two lines
  const scales = scalesOf(chosen(pairs));
  const weighed = pairs
    .map((pair) => ({ ...pair, astray: astray(pair, scales) }))
    // lines that only end at others are everywhere: their numbers have to fit the scale of the drawing
    .filter((pair) => pair.candidate.a.kind !== 'bare' || pair.astray === 0)
    .map((pair) => ({ ...pair, cost: pair.cost + pair.astray }));
  const taken = withLooseNumbers(chosen(weighed), weighed);
  const [scale] = scales;
  const dimensions = taken.map(({ candidate: { a, b, frame }, label, cost, astray: isAstray }): Dimension => {
    const bars = looks.find((one) => one.frame === frame)?.bars ?? [];
    const v = (a.v + b.v) / 2;
    const drawnAs = isAstray > 0 && scale !== undefined ? (b.u - a.u) / scale : null;
    return { label, frame, feet: feetAt(bars, a.u, b.u, v), v, ends: a.kind, off: cost, drawnAs };
  });
  const used = new Set(taken.map(({ label }) => label));
  return { dimensions, loose: labels.filter((label) => !used.has(label)) };
}

interface Pair {
  readonly candidate: Candidate;
  readonly label: Label;
  readonly cost: number;
}

/** Pairs of a line and a number, each only once, the cheapest first. */
function chosen<P extends Pair>(pairs: readonly P[]): P[] {
  const taken = new Set<Candidate | Label>();
  return [...pairs]
    .sort((a, b) => a.cost - b.cost)
    .filter(({ candidate, label }) => {
      if (taken.has(candidate) || taken.has(label)) return false;
      taken.add(candidate).add(label);
      return true;
    });
}

interface Weighed extends Pair {
  /** What of its cost is that it goes with no scale of the page. */
  readonly astray: number;
}

/**
 * Numbers that were left without a line take one from a number that is not of its length, where that has another line
 * beside it: what is printed between the arrows of one dimension may be the number of the next.
 */
function withLooseNumbers(taken: readonly Weighed[], all: readonly Weighed[]): Weighed[] {
  const found = [...taken];
  const labels = new Set(found.map(({ label }) => label));
  const candidates = new Set(found.map(({ candidate }) => candidate));
  for (const wish of all) {
    if (wish.astray > 0 || labels.has(wish.label)) continue;
    const at = found.findIndex(({ candidate }) => candidate === wish.candidate);
    const held = found[at];
    if (!held || held.astray === 0) continue;
    const other = all.find(
      (pair) => pair.label === held.label && pair.astray === 0 && !candidates.has(pair.candidate),
    );
    if (!other) continue;
    found.splice(at, 1, wish, other);
    labels.add(wish.label);
    candidates.add(other.candidate);
  }
  return found;
}

const ratioOf = ({ candidate: { a, b }, label: { value } }: Pair): number | null =>
  value && value.nom > 0 ? (b.u - a.u) / value.nom : null;

/** A number whose place costs less stands where the number of a dimension stands. */
const PLAIN = 0.6;
/** Scales that differ less are one. */
const ALIKE = 0.04;
/** Scales that a page is drawn in at most. */
const MOST_SCALES = 4;

/** Points for a millimetre that at least two numbers of a page agree on, the commonest first. */
function scalesOf(pairs: readonly Pair[]): number[] {
  // a number that stands where it should says more of the scale than one that stands beyond its line
  const isPlain = ({ cost, candidate }: Pair) => cost < PLAIN + (candidate.a.kind === 'bare' ? BARE : 0);
  const plain = groupsOf(pairs.filter(isPlain), 2);
  // where none stands where it should, more have to agree
  return plain.length > 0 ? plain : groupsOf(pairs, 3);
}

/** Ratios that at least some numbers agree on, the commonest first. */
function groupsOf(pairs: readonly Pair[], least: number): number[] {
  const ratios = pairs.flatMap((pair) => ratioOf(pair) ?? []).sort((a, b) => a - b);
  const groups: number[][] = [];
  for (const ratio of ratios) {
    const last = groups.at(-1);
    if (last?.[0] !== undefined && ratio / last[0] < 1 + ALIKE) last.push(ratio);
    else groups.push([ratio]);
  }
  return groups
    .filter((group) => group.length >= least)
    .sort((a, b) => b.length - a.length)
    .slice(0, MOST_SCALES)
    .map((group) => group[group.length >> 1] as number);
}

/** What it costs a pair that it goes with no scale of the page. */
function astray(pair: Pair, scales: readonly number[]): number {
  const ratio = ratioOf(pair);
  if (ratio === null) return 0;
  if (scales.length === 0) return pair.candidate.a.kind === 'bare' ? 1 : 0;
  // a part is drawn at any of the sizes that it may have
  const { min = 0, max = 0 } = pair.label.value ?? {};
  const length = pair.candidate.b.u - pair.candidate.a.u;
  const off = Math.min(
    ...scales.map((scale) =>
      min > 0 && max > 0
        ? Math.max(0, Math.log(length / max / scale), Math.log(scale / (length / min)))
        : Math.abs(Math.log(ratio / scale)),
    ),
  );
  return off < ALIKE ? 0 : Math.min(1.2, 0.5 + off);
}

/** Gap between a dimension line and the line that leads to the thing. */
const NEAR = 3.5;
/** Gap in a line that leads on: of a centre line, or where something crosses it. */
const ON = 6;

/** Where the lines that the two ends stand on lead to: both to one side, that to which both of them reach. */
function feetAt(bars: readonly Bar[], a: number, b: number, v: number): readonly [Foot, Foot] {
  const reached = (u: number, way: 1 | -1) => {
    const here = around(bars, (bar) => bar.u, u, SAME);
    let at = v;
    for (let moved = true; moved;) {
      moved = false;
      for (const { v0, v1 } of here) {
        const [near, far] = way > 0 ? [v0, v1] : [v1, v0];
        const slack = at === v ? NEAR : ON;
        if (way * (near - at) <= slack && way * (far - at) > 0.01) {
          at = far;
          moved = true;
        }
      }
    }
    return way * (at - v);
  };
  const [up, down] = ([-1, 1] as const).map((way) => ({ way, a: reached(a, way), b: reached(b, way) }));
  if (!up || !down) throw new RangeError('a line has two sides');
  const least = (one: typeof up) => Math.min(one.a, one.b);
  const isUp = least(up) === least(down) ? up.a + up.b > down.a + down.b : least(up) > least(down);
  const { way, a: first, b: second } = isUp ? up : down;
  return [
    { u: a, v0: v, v1: v + way * first },
    { u: b, v0: v, v1: v + way * second },
  ];
}
