import type { End } from './ends';
import { apart, frameAt, LEVEL, pointAt, spanOf, UPRIGHT, uOf, vOf, type Frame, type Span } from './frame';
import type { Label } from './labels';
import { around, between } from './sorted';
import type { Stroke } from './strokes';

// Where dimension lines may be: pairs of ends on one line, looked at along each direction of the page.

export interface Line {
  readonly u0: number;
  readonly u1: number;
  readonly v: number;
  readonly isDashed: boolean;
}

export interface Bar {
  readonly u: number;
  readonly v0: number;
  readonly v1: number;
  readonly isDashed: boolean;
}

export interface Tip {
  readonly u: number;
  readonly v: number;
  /** Along u an arrow points: 1 or −1; 0 where it points nowhere. */
  readonly way: -1 | 0 | 1;
  readonly kind: End['kind'];
}

export interface Candidate {
  readonly frame: Frame;
  readonly a: Tip;
  readonly b: Tip;
  readonly isInside: boolean;
  /** It may be no more than the gap between two others. */
  readonly isBetween: boolean;
  /** Ink of its line, in order. */
  readonly cover: readonly (readonly [number, number])[];
}

/** Directions that arrows point along, and the two of the page. */
function framesOf(ends: readonly End[]): Frame[] {
  const counts = new Map<number, number>();
  for (const { points } of ends) {
    if (!points) continue;
    const angle = Math.round((Math.atan2(-points.y, points.x) * 180) / Math.PI);
    const whole = ((angle % 180) + 180) % 180;
    if (whole % 90 > 2 && whole % 90 < 88) counts.set(whole, (counts.get(whole) ?? 0) + 1);
  }
  const askew = [...counts].filter(([, count]) => count > 1).sort((a, b) => b[1] - a[1]);
  return [LEVEL, UPRIGHT, ...askew.slice(0, MOST_ASKEW).map(([angle]) => frameAt(angle))];
}

/** Other directions than those of the page that are looked along. */
const MOST_ASKEW = 6;
/** A stroke this far from its direction is still along it, points. */
const STRAIGHT = 0.3;

/** A page looked at along a direction: what runs along it, what stands across, and its labels from top to bottom. */
export interface Look {
  readonly frame: Frame;
  readonly lines: readonly Line[];
  readonly bars: readonly Bar[];
  readonly labels: readonly PlacedLabel[];
  /** Half of the highest label. */
  readonly tallest: number;
}

/** A label where it stands in a frame. */
export interface PlacedLabel extends Span {
  readonly label: Label;
  /** Its middle across. */
  readonly mid: number;
}

/** The page along each direction that dimensions may have. */
export function looksAt(strokes: readonly Stroke[], ends: readonly End[], labels: readonly Label[]): Look[] {
  return framesOf(ends).map((frame) => {
    const placed = labels
      .map((label): PlacedLabel => {
        const span = inside(frame, label);
        return { label, ...span, mid: (span.v0 + span.v1) / 2 };
      })
      .sort((a, b) => a.mid - b.mid);
    const tallest = placed.reduce((most, { v0, v1 }) => Math.max(most, (v1 - v0) / 2), 0);
    return { frame, ...inFrame(frame, strokes), labels: placed, tallest };
  });
}

/** Labels that come within a distance of a line across. */
export function labelsAt({ labels, tallest }: Look, v: number, within: number): PlacedLabel[] {
  return around(labels, ({ mid }) => mid, v, within + tallest).filter(
    ({ v0, v1 }) => apart(v0, v1, v, v) <= within,
  );
}

function inFrame(frame: Frame, strokes: readonly Stroke[]): { readonly lines: Line[]; readonly bars: Bar[] } {
  const lines: Line[] = [];
  const bars: Bar[] = [];
  for (const { a, b, isDashed } of strokes) {
    const { u0, u1, v0, v1 } = spanOf(frame, [a, b]);
    if (v1 - v0 < STRAIGHT && u1 - u0 > 0.5) lines.push({ u0, u1, v: (v0 + v1) / 2, isDashed });
    else if (u1 - u0 < STRAIGHT && v1 - v0 > 0.5) bars.push({ u: (u0 + u1) / 2, v0, v1, isDashed });
  }
  lines.sort((a, b) => a.v - b.v);
  bars.sort((a, b) => a.u - b.u);
  return { lines, bars };
}

/** A page with more lines that only end at others has no dimensions without ends. */
const MOST_BARE = 3000;
/** How far ends and lines of one dimension lie apart across it, points. */
const ACROSS = 0.7;

/** Pairs of ends that a dimension may lie between. */
export function candidatesIn(look: Look, ends: readonly End[]): Candidate[] {
  const { frame, lines, bars } = look;
  const along = ends.flatMap((end): Tip[] => {
    const [u, v] = [uOf(frame, end.at), vOf(frame, end.at)];
    if (end.points === null) {
      // a slash or a dot stands on a line, where another crosses or ends
      const isOn = around(lines, (line) => line.v, v, ACROSS).some(
        (line) => u > line.u0 - 1 && u < line.u1 + 1,
      );
      const isCrossed = around(bars, (bar) => bar.u, u, ACROSS).some(
        (bar) => v > bar.v0 - 1.5 && v < bar.v1 + 1.5,
      );
      return isOn && isCrossed ? [{ u, v, way: 0, kind: end.kind }] : [];
    }
    const way = uOf(frame, end.points);
    if (Math.abs(way) < 0.985) return [];
    const isOn = around(lines, (line) => line.v, v, ACROSS).some(
      (line) => u > line.u0 - end.size - 1 && u < line.u1 + end.size + 1,
    );
    return isOn ? [{ u, v, way: way > 0 ? 1 : -1, kind: end.kind }] : [];
  });
  const bare = bareTips(look, along);
  const tips = [...along, ...(bare.length > MOST_BARE ? [] : bare)].sort((a, b) => a.v - b.v || a.u - b.u);
  const found: Candidate[] = [];
  for (let from = 0; from < tips.length;) {
    let to = from + 1;
    while (to < tips.length && (tips[to] as Tip).v - (tips[from] as Tip).v < ACROSS) to += 1;
    found.push(...onCarrier(look, tips.slice(from, to)));
    from = to;
  }
  return found;
}

/** Ends of lines that have no end of their own and stand on a line that crosses them. */
function bareTips(look: Look, known: readonly Tip[]): Tip[] {
  const { lines, bars } = look;
  const inOrder = [...known].sort((a, b) => a.v - b.v);
  return lines.flatMap((line): Tip[] => {
    if (line.isDashed || line.u1 - line.u0 < 2) return [];
    if (
      around(inOrder, (tip) => tip.v, line.v, ACROSS).some(
        (tip) => tip.u > line.u0 - 2 && tip.u < line.u1 + 2,
      )
    )
      return [];
    // a number in a gap of the line, at its middle or beyond its end is what makes it one
    const isMeasured = labelsAt(look, line.v, LARGEST).some(
      ({ label: { size }, u0, u1, v0, v1 }) =>
        apart(v0, v1, line.v, line.v) < size && apart(u0, u1, line.u0, line.u1) < BEYOND * size,
    );
    if (!isMeasured) return [];
    const crossing = between(bars, (bar) => bar.u, line.u0 - 0.5, line.u1 + 0.5).filter(
      (bar) => bar.v0 < line.v - OVERSHOT && bar.v1 > line.v + OVERSHOT,
    );
    // at an end of the line, or where what leads to the thing ends just past it
    const ends = crossing.filter(
      (bar) =>
        Math.min(Math.abs(bar.u - line.u0), Math.abs(bar.u - line.u1)) < 0.5 ||
        Math.min(line.v - bar.v0, bar.v1 - line.v) < PAST,
    );
    return ends.slice(0, MOST_CROSSING).map(({ u }) => ({ u, v: line.v, way: 0, kind: 'bare' as const }));
  });
}

/** How far a line that leads to the thing goes past its dimension line, points. */
const OVERSHOT = 0.8;
const PAST = 4.5;
const MOST_CROSSING = 20;

/** Tips on one line that are nearer than this are one place, points. */
export const SAME = 0.5;
/** Share of a dimension line that has to be drawn or have its number on it. */
const DRAWN = 0.85;
/** Tips on one line that are looked at. */
const MOST_TIPS = 200;

function onCarrier(look: Look, tips: readonly Tip[]): Candidate[] {
  const { frame, lines } = look;
  if (tips.length < 2 || tips.length > MOST_TIPS) return [];
  const v = tips.reduce((sum, tip) => sum + tip.v, 0) / tips.length;
  const cover = merged(
    around(lines, (line) => line.v, v, ACROSS)
      .filter(({ isDashed }) => !isDashed)
      .map(({ u0, u1 }) => [u0, u1] as const),
    0.3,
  );
  const withTexts = merged(
    [
      ...cover,
      ...labelsAt(look, v, 0).flatMap(({ u0, u1, v0, v1 }) =>
        v0 < v && v1 > v ? [[u0 - 3, u1 + 3] as const] : [],
      ),
    ],
    1.2,
  );
  const isDrawn = (u0: number, u1: number) => {
    const inner = u1 - u0;
    const seen = withTexts.reduce((sum, [a, b]) => sum + Math.max(0, Math.min(b, u1) - Math.max(a, u0)), 0);
    return inner > 0 && seen / inner >= DRAWN;
  };
  const sorted = [...tips].sort((a, b) => a.u - b.u);
  const found: Candidate[] = [];
  const put = (a: Tip, b: Tip, isInside: boolean, isBetween = false) =>
    found.push({ frame, a, b, isInside, isBetween, cover });
  /** Whether an end is that of a line that is drawn to the next end on its other side. */
  const isTaken = (tip: Tip, way: -1 | 1) => {
    const others = sorted.filter((one) => way * (one.u - tip.u) >= SAME);
    const next = way < 0 ? others.at(-1) : others[0];
    return (
      next !== undefined && next.way * way >= 0 && isDrawn(Math.min(next.u, tip.u), Math.max(next.u, tip.u))
    );
  };
  sorted.forEach((a, i) => {
    // a dimension reaches to the next place with an end, which may be the end of two
    const next = sorted.slice(i + 1).find(({ u }) => u - a.u >= SAME);
    if (!next) return;
    const there = sorted.filter(({ u }) => u - next.u >= 0 && u - next.u < SAME);
    const opposed = there.find(({ way }) => way >= 0);
    if (a.way <= 0 && opposed && isDrawn(a.u, opposed.u)) put(a, opposed, true);
    const facing = there.find(({ way }) => way <= 0);
    if (a.way >= 0 && facing && a.way - facing.way > 0)
      put(a, facing, false, isTaken(a, -1) && isTaken(facing, 1));
  });
  return found;
}

function merged(intervals: readonly (readonly [number, number])[], slack: number): [number, number][] {
  const out: [number, number][] = [];
  for (const [a, b] of [...intervals].sort((one, other) => one[0] - other[0])) {
    const last = out.at(-1);
    if (last && a <= last[1] + slack) last[1] = Math.max(last[1], b);
    else out.push([a, b]);
  }
  return out;
}

/** Where a label stands in another frame. */
function inside(frame: Frame, { frame: own, span: { u0, u1, v0, v1 } }: Label): Span {
  if (own.angle === frame.angle) return { u0, u1, v0, v1 };
  return spanOf(frame, [
    pointAt(own, u0, v0),
    pointAt(own, u1, v0),
    pointAt(own, u1, v1),
    pointAt(own, u0, v1),
  ]);
}

/** Largest letters of a number, points. */
const LARGEST = 24;
/** How far beyond the end of its line a number stands at most, in sizes of its letters. */
export const BEYOND = 3;
