import { quantise } from '../units/length';
import type { Point } from './point';
import { area, encloses, inflate, type Polygon } from './polygon';

/** Width of a cut, mm: what is finer is lost where numbers are rounded to nanometres. */
const WIDTH = 2e-6;
/** Half of what closes as a cut, mm: wider than one that is stretched with its outline, and finer than any process. */
const CLOSED = 2e-5;

/**
 * An area with openings as one outline: a cut, two nanometres wide, leads from each opening to the right until it meets
 * the edge. It is how areas with openings are written where an outline is all that there is (Gerber X2, 4.10.3,
 * “cut-in”).
 * @param outline counter-clockwise
 * @param openings within it, of either direction, apart from one another
 * @returns simple, counter-clockwise; mm
 */
export function cutIn(outline: Polygon, openings: readonly Polygon[]): Polygon {
  const inward = openings
    .filter((opening) => opening.length > 2)
    .map((opening) => {
      const clockwise = area(opening) > 0 ? [...opening].reverse() : [...opening];
      const first = clockwise.reduce((best, { x }, i) => (x > (clockwise[best] as Point).x ? i : best), 0);
      return [...clockwise.slice(first), ...clockwise.slice(0, first)];
    })
    .sort(([a], [b]) => (b?.x ?? 0) - (a?.x ?? 0));
  return inward.reduce<Polygon>(joined, outline);
}

/**
 * The area that an outline goes round: where openings are cut in, the edge without its cuts, then the openings, which
 * run clockwise; any other outline as it is.
 */
export function uncut(outline: Polygon): readonly Polygon[] {
  const closed = area(outline) === 0 ? [] : inflate([outline], CLOSED);
  if (!closed.some((one) => area(one) < 0)) return [outline];
  return inflate(closed, -CLOSED).sort((a, b) => area(b) - area(a));
}

/**
 * An outline grown (or shrunk, where `by` is negative) on every side, its openings too; the largest piece, where it
 * falls into several.
 * @returns `undefined` where nothing is left
 */
export function grownOutline(outline: Polygon, by: number): Polygon | undefined {
  const areas = inflate(uncut(outline), by);
  const [largest] = areas.filter((one) => area(one) > 0).sort((a, b) => area(b) - area(a));
  return largest && cutIn(largest, openingsIn(areas, largest));
}

/** What runs clockwise within an edge. */
const openingsIn = (areas: readonly Polygon[], edge: Polygon): Polygon[] =>
  areas.filter((one) => area(one) < 0 && encloses(edge, one[0] as Point));

/** An outline with an opening that begins with its rightmost corner. */
function joined(outline: Polygon, [first, ...rest]: Polygon): Polygon {
  if (!first) return outline;
  const { x, y } = first;
  /** Where an edge is met at a height; `NaN` where it is not. */
  const meets = (i: number, height: number): number => {
    const [a, b] = [outline[i] as Point, outline[(i + 1) % outline.length] as Point];
    return a.x + ((b.x - a.x) * (height - a.y)) / (b.y - a.y);
  };
  const met = outline
    // an edge goes up where the inside is left of it
    .flatMap((a, i) => (a.y <= y && (outline[(i + 1) % outline.length] as Point).y > y ? [i] : []))
    .filter((i) => meets(i, y) >= x)
    .sort((i, j) => meets(i, y) - meets(j, y))[0];
  // what does not lie within is no opening of it
  if (met === undefined) return outline;
  const high = y + WIDTH;
  const lips = [
    { x: quantise(meets(met, y)), y },
    first,
    ...rest,
    { x, y: quantise(high) },
    { x: quantise(meets(met, high)), y: quantise(high) },
  ];
  return [...outline.slice(0, met + 1), ...lips, ...outline.slice(met + 1)].filter(
    (point, i, all) => i === 0 || point.x !== all[i - 1]?.x || point.y !== all[i - 1]?.y,
  );
}
