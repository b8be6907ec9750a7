import { overhang } from '../../geometry/box';
import { flatten } from '../../geometry/contour';
import { DisjointSets } from '../../geometry/disjoint-sets';
import { areaOf, contourOf, type Figure, type Placed } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { neighboursOf } from '../../geometry/neighbours';
import { distance } from '../../geometry/point';
import { area, intersect, subtract, unite, uniteAreas, type Polygon } from '../../geometry/polygon';
import { placesIn } from '../../given/places';
import { recognised } from '../../given/recognise';
import { formatNumber } from '../../units/length';
import { agreed } from '../../words/agreed';
import type { Piece } from './copper';
import { coveredBy, type Ink } from './ink';
import { figuresOf } from './read-macro';

// Copper that lies over copper: what is drawn twice, in parts, or within what is there already.

/** What is drawn twice at one place is there once. */
export function once(areas: readonly Ink[]): readonly Ink[] {
  const ids = new Map<Figure, number>();
  const seen = new Set<string>();
  return areas.filter(({ placed: { figure, at, rotation }, said: { component, number } }) => {
    const id = ids.get(figure) ?? ids.size;
    ids.set(figure, id);
    const key = `${id} ${at.x} ${at.y} ${rotation} ${component} ${number}`;
    return seen.has(key) ? false : (seen.add(key), true);
  });
}

/** Pairs of areas that are looked at for whether they overlap, at most. */
const MOST_PAIRS = 200_000;

/**
 * Filled areas that the film does not call by a number and that overlap are one land, as copper is; and so is what
 * a pen leaves at the middle of what it paints. What else overlaps is told.
 */
export function melted(areas: readonly Ink[], drilled: readonly Placed[], left: string[]): readonly Ink[] {
  const isOpen = ({ said: { number, use } }: Ink) => number === '' && !/Via/.test(use);
  const index = neighboursOf(areas.map(({ placed }) => placed));
  const sets = new DisjointSets(areas.length);
  const apart: Placed[] = [];
  let pairs = 0;
  for (const [i, one] of areas.entries()) {
    if (!isOpen(one)) continue;
    for (const k of index.near(one.placed)) {
      const other = areas[k] as Ink;
      if (k <= i || !isOpen(other) || one.said.component !== other.said.component) continue;
      if ((pairs += 1) > MOST_PAIRS) {
        left.push(
          `More than ${formatNumber(MOST_PAIRS)} pairs of areas lie about each other: those that overlap are kept as drawn. Take a part of them by a box.`,
        );
        return areas;
      }
      // what lies wholly within another is none of its own
      if (!overlaps(one, other) || isWithin(one, other)) continue;
      if (isOneLand(one, other, drilled)) sets.join(i, k);
      else apart.push(one.placed);
    }
  }
  if (apart.length > 0)
    left.push(
      `${agreed(apart.length, '# [land overlaps another and is|lands overlap others and are] kept as drawn')}: ${placesIn(apart.map(({ at }) => at))}.`,
    );
  const groups = new Map<number, number[]>();
  for (const i of areas.keys()) {
    const root = sets.rootOf(i);
    const own = groups.get(root);
    if (own) own.push(i);
    else groups.set(root, [i]);
  }
  const whole = [...groups.values()].filter((own) => own.length > 1);
  if (whole.length === 0) return areas;
  left.push(
    `${agreed(whole.length, '# [land is|lands are] drawn as areas that overlap, and taken as what they cover together')}: ${placesIn(whole.map(([first]) => (areas[first as number] as Ink).placed.at))}.`,
  );
  return [...groups.values()].flatMap((own) => {
    const all = own.map((i) => areas[i] as Ink);
    const [first] = all as [Ink];
    return own.length === 1
      ? [first]
      : figuresOf(uniteAreas(all.flatMap(coveredBy))).map((figure) => ({ ...first, ...figure }));
  });
}

/** Whether two that overlap are parts of one: both filled, or one a dab of the pen on what it painted. */
function isOneLand(one: Ink, other: Ink, drilled: readonly Placed[]): boolean {
  const isFilled = ({ said, isPainted }: Ink) => said.kind === 'region' || isPainted;
  const isDab = ({ placed }: Ink) => placed.figure.kind === 'round' && !isDrilled(placed, drilled);
  return (
    (isFilled(one) && isFilled(other)) || (one.isPainted && isDab(other)) || (other.isPainted && isDab(one))
  );
}

/** Whether one of two areas covers the other. */
const isWithin = (a: Ink, b: Ink): boolean =>
  (b.openings.length === 0 && liesIn(a.placed, b.placed)) ||
  (a.openings.length === 0 && liesIn(b.placed, a.placed));

/** Whether two areas share copper, what is free within them left out. */
export function overlaps(one: Ink, other: Ink): boolean {
  if (gapBetweenFigures(one.placed, other.placed) > -1e-6) return false;
  if (one.openings.length + other.openings.length === 0) return true;
  return intersect(coveredBy(one), coveredBy(other)).some((piece) => Math.abs(area(piece)) > 1e-7);
}

const isDrilled = ({ at }: Placed, drilled: readonly Placed[]): boolean =>
  drilled.some((hole) => distance(hole.at, at) < 0.02);

/** What lies wholly within another piece of copper shows nothing of its own; rings of holes do. */
export function withoutCovered(
  pieces: readonly Piece[],
  drilled: readonly Placed[],
  left: string[],
): Piece[] {
  const index = neighboursOf(pieces.map(({ placed }) => placed));
  const isCovered = (piece: Piece) =>
    piece.number === '' &&
    piece.use !== 'via' &&
    !isDrilled(piece.placed, drilled) &&
    index.near(piece.placed).some((i) => {
      const other = pieces[i] as Piece;
      return other !== piece && !other.openings && liesIn(piece.placed, other.placed);
    });
  const covered = pieces.filter(isCovered);
  if (covered.length > 0)
    left.push(
      `${agreed(covered.length, '# [area of copper lies wholly within another and is|areas of copper lie wholly within others and are] left out')}: ${placesIn(covered.map(({ placed }) => placed.at))}.`,
    );
  const gone = new Set(covered);
  return pieces.filter((piece) => !gone.has(piece));
}

function liesIn(inner: Placed, outer: Placed): boolean {
  if (overhang(inner, outer) > 1e-6 || areaOf(outer.figure) <= areaOf(inner.figure) + 1e-9) return false;
  const [a, b] = [inner, outer].map((one) => flatten(contourOf(one))) as [Polygon, Polygon];
  return subtract([a], [b]).every((piece) => Math.abs(area(piece)) < 1e-6);
}

/** Pieces of one number that overlap are one land. */
export function overlapping(pieces: readonly Piece[]): Piece[] {
  const made: Piece[] = [];
  const byPin = new Map<string, Piece[]>();
  for (const piece of pieces) {
    const key = piece.number === '' || piece.use === 'via' ? '' : `${piece.component} ${piece.number}`;
    byPin.set(key, [...(byPin.get(key) ?? []), piece]);
  }
  for (const [key, own] of byPin) {
    if (key === '' || own.length === 1 || own.length > 60) made.push(...own);
    else made.push(...unitedPieces(own));
  }
  // in the order in which they were drawn
  const order = new Map(pieces.map((piece, i) => [piece, i]));
  return made.sort((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0));
}

function unitedPieces(own: readonly Piece[]): Piece[] {
  const rest = [...own];
  const made: Piece[] = [];
  for (let first = rest.shift(); first; first = rest.shift()) {
    let whole = first;
    for (let i = 0; i < rest.length; i += 1) {
      const other = rest[i] as Piece;
      if (gapBetweenFigures(whole.placed, other.placed) > 1e-6) continue;
      const [outline] = unite([flatten(contourOf(whole.placed)), flatten(contourOf(other.placed))]);
      rest.splice(i, 1);
      i = -1;
      if (outline) whole = { ...first, placed: recognised(outline) };
    }
    made.push(whole);
  }
  return made;
}
