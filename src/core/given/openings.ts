import { boxOfPoints, type Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import { cutIn } from '../geometry/cut-in';
import { contourFigure, contourOf, place, type Placed } from '../geometry/figure';
import { area, subtract, type Polygon } from '../geometry/polygon';

// What is free of copper within a land, of a mask within its opening: it stays free, as far as one outline can say it.

/** How far an opening reaches beyond the hole that is drilled in it, mm. */
const DRILLED = 0.01;

/** Openings of one shape that are looked at: an outline holds no more, and a plane has thousands. */
const MOST_OPENINGS = 120;

/** Openings without those that holes take away; all of them where they are too many to be kept. */
export const undrilled = (openings: readonly Polygon[], holes: readonly Placed[]): readonly Polygon[] =>
  openings.length > MOST_OPENINGS ? openings : openings.filter((opening) => !isDrilled(opening, holes));

function isDrilled(opening: Polygon, holes: readonly Placed[]): boolean {
  const box = boxOfPoints(opening) as Box;
  return holes.some(
    (hole) =>
      box.minX >= hole.minX - DRILLED &&
      box.maxX <= hole.maxX + DRILLED &&
      box.minY >= hole.minY - DRILLED &&
      box.maxY <= hole.maxY + DRILLED,
  );
}

/** Corners that an outline with what is free within it has at most: as many as a document holds, the cuts among them. */
const MOST_CORNERS = 380;

/** A shape with what is free within it; `null` where it has too many corners, or falls into pieces. */
export function withOpenings(placed: Placed, openings: readonly Polygon[]): Placed | null {
  if (openings.length > MOST_OPENINGS) return null;
  // openings that meet are one, and one that lies over the edge takes its part of it
  const areas = subtract([flatten(contourOf(placed))], openings);
  const [outline, ...pieces] = areas.filter((one) => area(one) > 0);
  const corners = areas.reduce((sum, one) => sum + one.length + 4, 0);
  if (!outline || pieces.length > 0 || corners > MOST_CORNERS) return null;
  const { figure, at } = contourFigure(
    cutIn(
      outline,
      areas.filter((one) => area(one) < 0),
    ),
  );
  return place(figure, at);
}
