import { BEYOND, type Candidate, type PlacedLabel } from './candidates';
import { apart, pointAt, vOf, type Frame } from './frame';
import type { Label } from './labels';

// How little a number stands where the number of a dimension line stands: over it, in a gap of it, or beyond its end.

/** How much less a line without ends is a dimension line. */
export const BARE = 0.3;
/** What is dearer than this is no number of a dimension. */
const DEAREST = 2;
/** How far across a dimension line its number stands at most, points. */
export const FARTHEST_ACROSS = 40;
/** How far beyond its ends. */
const FARTHEST_ALONG = 90;

/** How little a label stands where the number of a dimension stands; `null` where it is none of it. */
export function costOf(
  { frame, a, b, isInside, isBetween, cover }: Candidate,
  { label, u0, u1, v0, v1 }: PlacedLabel,
): number | null {
  if (u1 < a.u - FARTHEST_ALONG || u0 > b.u + FARTHEST_ALONG) return null;
  if (label.kind === 'radius' || label.kind === 'chamfer') return null;
  const turned = (label.frame.angle - frame.angle + 360) % 180;
  if (Math.min(turned % 90, 90 - (turned % 90)) > 3) return null;
  const { size } = label;
  const v = (a.v + b.v) / 2;
  const mid = (u0 + u1) / 2;
  const across = apart(v0, v1, v, v);
  if (across > 1.6 * size + (turned > 45 && turned < 135 ? 0.3 * size : 0)) return null;
  const odd = (a.kind === 'bare' ? BARE : 0) + (isInside ? 0 : 0.05) + (isBetween ? 0.8 : 0);
  const half = (b.u - a.u) / 2;
  const middle = (a.u + b.u) / 2;
  if (mid > a.u - 1 && mid < b.u + 1) {
    const isCrossed = cover.some(([from, to]) => from < u0 - 0.5 && to > u1 + 0.5);
    const stands = across > 0 ? 0.15 + (0.5 * across) / size : isCrossed ? 0.35 : 0;
    // numbers stand over their line far more often than under it
    const under = across > 0 && underLine(frame, label, v) ? 0.3 : 0;
    return limited(stands + under + odd + (0.3 * Math.abs(mid - middle)) / half);
  }
  // beyond an end the line goes on to the number, or under it
  const gap = mid < a.u ? a.u - u1 : u0 - b.u;
  const tail = cover.find(([from, to]) =>
    mid < a.u ? from < a.u + 1 && to > a.u - 2 : from < b.u + 2 && to > b.u - 1,
  );
  if (!tail) return null;
  const reach = mid < a.u ? tail[0] - u1 : u0 - tail[1];
  if (reach > BEYOND * size || across > 1.2 * size) return null;
  return limited(0.7 + odd + (0.5 * across) / size + Math.max(0, gap) / 100 + Math.max(0, reach) / 20);
}

const limited = (cost: number): number | null => (cost > DEAREST ? null : cost);

/** Whether a text stands under a line as one reads it. */
function underLine(frame: Frame, label: Label, v: number): boolean {
  const { u0, u1, v0, v1 } = label.span;
  const p = pointAt(label.frame, (u0 + u1) / 2, (v0 + v1) / 2);
  const along = label.frame.angle - frame.angle;
  const isTurned = Math.abs((((along % 180) + 180) % 180) - 90) < 45;
  if (isTurned) return false;
  const isSame = Math.cos((along * Math.PI) / 180) > 0;
  return isSame ? vOf(frame, p) > v : vOf(frame, p) < v;
}
