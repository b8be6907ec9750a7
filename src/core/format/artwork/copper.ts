import { circleAt, type Placed } from '../../geometry/figure';
import { gapBetweenFigures, roomWithin } from '../../geometry/gaps';
import { neighboursOf } from '../../geometry/neighbours';
import { encloses } from '../../geometry/polygon';
import type { CopperPiece } from '../../given/join';
import { placesIn } from '../../given/places';
import { formatNumber } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import { melted, once, overlapping, overlaps, withoutCovered } from './copper-overlaps';
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
