import { flatten } from '../../geometry/contour';
import { overhang } from '../../geometry/box';
import { areaOf, circleAt, contourOf, type Figure, type Placed } from '../../geometry/figure';
import { gapBetweenFigures, roomWithin } from '../../geometry/gaps';
import { neighboursOf } from '../../geometry/neighbours';
import { distance, type Point } from '../../geometry/point';
import { area, encloses, intersect, subtract, unite, uniteAreas, type Polygon } from '../../geometry/polygon';
import type { CopperPiece } from '../../given/join';
import { recognised } from '../../given/recognise';
import { placesIn } from '../../given/places';
import { formatNumber } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import { figuresOf } from './read-macro';
import { inkOf, isShort, type Ink } from './ink';
import { agreed } from '../../words/agreed';
import type { FilmObject } from './read-gerber';

// The copper of a film as lands, vias and areas: conductors and poured copper are told from them.

/** A piece of copper with the component that it belongs to; empty where the film names none. */
export interface Piece extends CopperPiece {
  readonly component: string;
}

/**
 * Copper that may be a land: what is flashed, and what is filled or painted and no conductor.
 * @param drilled holes of the board
 * @param freed openings of the mask over it; `null` where there is no such film
 * @param left takes what is none, in words
 */
export function copperOf(
  objects: readonly FilmObject[],
  freed: readonly Placed[] | null,
  drilled: readonly Placed[],
  left: string[],
): Result<Piece[], string> {
  const inked = inkOf(objects.filter(({ use }) => !/^(Conductor|NonConductor|CopperBalancing)/.test(use)));
  if (!inked.ok) return inked;
  const named = objects.filter(({ use }) => /^(Conductor|NonConductor|CopperBalancing)/.test(use));
  const { areas, lone, strokes, isUnsought } = inked.value;
  if (isUnsought)
    left.push(
      `Its ${strokes.length} strokes are too many to be looked through for painted lands: where it has some, take a part of it by a box.`,
    );
  const lands = lone.filter((bar) => isLand(bar, areas, freed));
  const painted = [...areas.filter(({ isPainted }) => isPainted), ...lands];
  if (painted.length > 0)
    left.push(
      `${painted.length} ${painted.length === 1 ? 'land is' : 'lands are'} painted with strokes and taken as what the strokes fill: ${placesIn(painted.map(({ placed }) => placed.at))}.`,
    );
  const conductors = strokes.length - lands.length + named.filter(({ kind }) => kind === 'line').length;
  if (conductors > 0)
    left.push(
      agreed(
        conductors,
        '# [stroke of the copper is left out as a conductor|strokes of the copper are left out as conductors].',
      ),
    );
  const marked = named.filter(({ kind }) => kind !== 'line').length;
  if (marked > 0)
    left.push(
      agreed(
        marked,
        '# [area of the copper is left out: the film calls it no land|areas of the copper are left out: the film calls them no lands].',
      ),
    );
  const drawn = once([...areas, ...lands]);
  if (drawn.length > MOST_AREAS)
    return fail(
      `It has ${formatNumber(drawn.length)} areas; at most ${formatNumber(MOST_AREAS)} are read at a time.`,
    );
  return ok(
    withoutCovered(
      overlapping(
        melted(withoutPours(drawn, left), drilled, left).map(({ placed, openings, said }): Piece => {
          const { use, number, component } = said;
          const kind = /Via/.test(use)
            ? 'via'
            : /SMD|Heatsink/.test(use)
              ? 'pad'
              : use === ''
                ? undefined
                : 'land';
          return {
            placed,
            number,
            component,
            ...(kind ? { use: kind } : {}),
            ...(openings.length > 0 ? { openings } : {}),
          };
        }),
      ),
      drilled,
      left,
    ),
  );
}

/**
 * Filled areas that the film does not call by a number and that overlap are one land, as copper is; and so is what
 * a pen leaves at the middle of what it paints. What else overlaps is told.
 */
function melted(areas: readonly Ink[], drilled: readonly Placed[], left: string[]): readonly Ink[] {
  const isOpen = ({ said: { number, use } }: Ink) => number === '' && !/Via/.test(use);
  const isArea = ({ said, isPainted }: Ink) => said.kind === 'region' || isPainted;
  const index = neighboursOf(areas.map(({ placed }) => placed));
  const groups = new Map<number, number[]>();
  const groupOf = areas.map((_, i) => i);
  const apart: Point[] = [];
  areas.forEach((one, i) => {
    if (!isOpen(one)) return;
    for (const k of index.near(one.placed)) {
      const other = areas[k] as Ink;
      // what lies wholly within another is none of its own
      if (k <= i || !isOpen(other) || isWithin(one, other) || !overlaps(one, other)) continue;
      const isDab = [
        [one, other],
        [other, one],
      ].some(([a, b]) => a?.isPainted && b?.placed.figure.kind === 'round' && !isDrilled(b.placed, drilled));
      const [from, to] = [groupOf[k] as number, groupOf[i] as number];
      if ((isArea(one) && isArea(other)) || isDab) {
        if (from === to) continue;
        const own = [...(groups.get(to) ?? [to]), ...(groups.get(from) ?? [from])];
        groups.delete(from);
        groups.set(to, own);
        for (const member of own) groupOf[member] = to;
      } else apart.push(one.placed.at);
    }
  });
  if (apart.length > 0)
    left.push(
      `${agreed(apart.length, '# [land overlaps another and is|lands overlap others and are] kept as drawn')}: ${placesIn(apart)}.`,
    );
  const made = new Map<number, readonly Ink[]>();
  for (const own of groups.values()) {
    const all = own.map((i) => areas[i] as Ink);
    const first = Math.min(...own);
    made.set(
      first,
      figuresOf(uniteAreas(all.flatMap(outlinesOf))).map((figure) => ({
        ...(areas[first] as Ink),
        ...figure,
      })),
    );
    for (const i of own) if (i !== first) made.set(i, []);
  }
  const whole = [...groups.values()].map((own) => (areas[Math.min(...own)] as Ink).placed.at);
  if (whole.length > 0)
    left.push(
      `${agreed(whole.length, '# [land is|lands are] drawn as areas that overlap, and taken as what they cover together')}: ${placesIn(whole)}.`,
    );
  return areas.flatMap((one, i) => made.get(i) ?? [one]);
}

/** What an area covers: its outline, and what is free within it the other way round. */
const outlinesOf = ({ placed, openings }: Ink): readonly Polygon[] =>
  openings.length > 0
    ? subtract(
        [flatten(contourOf(placed))],
        openings.map((one) => (area(one) < 0 ? [...one].reverse() : one)),
      )
    : [flatten(contourOf(placed))];

/** Whether one of two areas covers the other. */
const isWithin = (a: Ink, b: Ink): boolean =>
  (b.openings.length === 0 && liesIn(a.placed, b.placed)) ||
  (a.openings.length === 0 && liesIn(b.placed, a.placed));

function overlaps(one: Ink, other: Ink): boolean {
  if (gapBetweenFigures(one.placed, other.placed) > -1e-6) return false;
  if (one.openings.length + other.openings.length === 0) return true;
  return intersect(outlinesOf(one), outlinesOf(other)).some((piece) => Math.abs(area(piece)) > 1e-7);
}

const isDrilled = ({ at }: Placed, drilled: readonly Placed[]): boolean =>
  drilled.some((hole) => distance(hole.at, at) < 0.02);

/** What lies wholly within another piece of copper shows nothing of its own; rings of holes do. */
function withoutCovered(pieces: readonly Piece[], drilled: readonly Placed[], left: string[]): Piece[] {
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

/** What is drawn twice at one place is there once. */
function once(areas: readonly Ink[]): readonly Ink[] {
  const ids = new Map<Figure, number>();
  const seen = new Set<string>();
  return areas.filter(({ placed: { figure, at, rotation }, said: { component, number } }) => {
    const id = ids.get(figure) ?? ids.size;
    ids.set(figure, id);
    const key = `${id} ${at.x} ${at.y} ${rotation} ${component} ${number}`;
    return seen.has(key) ? false : (seen.add(key), true);
  });
}

/** Areas of one film that are read. */
const MOST_AREAS = 60_000;

/** A lone straight stroke is a land where the film or the mask says so; without a mask, where it is short and touches nothing. */
function isLand(bar: Ink, areas: readonly Ink[], freed: readonly Placed[] | null): boolean {
  if (bar.said.number !== '' || /Pad|Heatsink/.test(bar.said.use)) return true;
  if (freed) return freed.some((opening) => roomWithin(opening, bar.placed) > -0.02);
  return isShort(bar.placed) && areas.every(({ placed }) => gapBetweenFigures(placed, bar.placed) > 1e-6);
}

/** Corners of an area from which it is no plain land, and lands that it runs over or round then. */
const POUR = { corners: 12, lands: 3 } as const;

/** Films that say nothing of their areas may have poured copper: a winding outline that runs over several lands. */
function withoutPours(areas: readonly Ink[], left: string[]): readonly Ink[] {
  const isWinding = ({ placed, openings, said, isPainted }: Ink) =>
    (said.kind === 'region' || isPainted) &&
    said.use === '' &&
    said.number === '' &&
    (openings.length > 0 ||
      (placed.figure.kind === 'contour' && placed.figure.outline.length > POUR.corners));
  if (!areas.some(isWinding)) return areas;
  const index = neighboursOf(areas.map(({ placed }) => placed));
  const poured: Ink[] = [];
  const kept = areas.filter((area) => {
    const { placed, openings } = area;
    if (!isWinding(area)) return true;
    const others = index.near(placed).flatMap((i) => {
      const other = areas[i] as Ink;
      return other === area ? [] : [other];
    });
    const under = others.filter((other) => gapBetweenFigures(placed, circleAt(other.placed.at, 0.001)) < 0);
    const round = others.some(
      (other) => openings.some((opening) => encloses(opening, other.placed.at)) && !overlaps(area, other),
    );
    const isKept = under.length < POUR.lands && !round;
    if (!isKept) poured.push(area);
    return isKept;
  });
  if (poured.length > 0)
    left.push(
      `${agreed(poured.length, '# [area of copper runs over or round other lands (poured copper) and is|areas of copper run over or round other lands (poured copper) and are] left out')}: ${placesIn(poured.map(({ placed }) => placed.at))}.`,
    );
  return kept;
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
