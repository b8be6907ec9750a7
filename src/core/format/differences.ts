import type { Footprint } from '../footprint/footprint';
import { boxOfPoints, centreOf, type Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import { circleAt, contourOf, narrowOf, sizeOf, type Placed } from '../geometry/figure';
import { neighboursOf } from '../geometry/neighbours';
import { distance, type Point } from '../geometry/point';
import { area, inflate, subtract, unite, type Polygon } from '../geometry/polygon';
import type { GivenPattern, GivenVia } from '../given/pattern';
import { agreed } from '../words/agreed';
import { placesIn } from '../given/places';

// What a file gave, held against the footprint that was made of it: hole by hole, and layer by layer as areas. It
// rests on nothing of what is known of shapes and padstacks, so that what gets lost on the way is told.

/** What is nowhere wider than this is no difference, mm: chords of arcs, rounded numbers. */
const SAME = 0.008;
const CHORD = 0.001;

/**
 * What of a pattern its footprint does not show as the file has it, in words with places.
 * @param footprint about the file's origin
 */
export function differences(pattern: GivenPattern, footprint: Footprint): string[] {
  const { lands, holes, windows = [] } = pattern;
  const missing = lands.length - footprint.lands.length;
  return [
    ...(missing > 0 ? [agreed(missing, '# [land is|lands are] not drawn.')] : []),
    ...[false, true].flatMap((far) => {
      const given = lands.filter((land) => (land.far ?? false) === far);
      const own = footprint.lands.filter((land) => land.far === far);
      const openings = footprint.maskOpenings.filter((mask) => mask.far === far);
      const side = far ? ' of the far side' : '';
      return [
        ...told(
          `copper${side}`,
          apart(
            given.map(({ copper }) => copper),
            own.map(({ copper }) => copper),
          ),
        ),
        // a file that says nothing of a layer leaves it to the process
        ...(given.every(({ mask }) => mask)
          ? told(
              `mask openings${side}`,
              apart(
                [...given.flatMap(({ mask = [] }) => mask), ...(far ? [] : windows)],
                openings.map(({ opening }) => opening),
                footprint.bores.map(({ opening }) => opening),
              ),
            )
          : []),
        ...(given.every(({ paste }) => paste)
          ? told(
              `paste openings${side}`,
              apart(
                given.flatMap(({ paste = [] }) => paste),
                own.flatMap(({ paste }) => paste),
              ),
            )
          : []),
      ];
    }),
    ...told(
      'holes',
      unmatched(
        [
          ...holes,
          ...lands.flatMap(({ hole, vias = [] }) => [...(hole ? [hole.hole] : []), ...drilled(vias)]),
        ],
        [
          ...footprint.bores.map(({ hole }) => hole),
          ...footprint.lands.flatMap(({ hole, vias }) => [...(hole ? [hole] : []), ...drilled(vias)]),
        ],
      ),
    ),
  ];
}

/** The holes of vias. */
const drilled = (vias: readonly GivenVia[]): Placed[] => vias.map((via) => circleAt(via, via.hole));

const told = (what: string, places: readonly Point[]): string[] =>
  places.length > 0
    ? [`${agreed(places.length, `The file has other ${what} at # [place|places]`)}: ${placesIn(places)}.`]
    : [];

/** Where two layers differ, but for what is left aside. */
function apart(some: readonly Placed[], others: readonly Placed[], aside: readonly Placed[] = []): Point[] {
  const [given, made] = withoutTwins(some.filter(hasArea), others.filter(hasArea));
  const corners = [...given, ...made].reduce((sum, one) => sum + one.length, 0);
  // what is no land pattern is not reckoned through: its places are told
  if (corners > MOST_CORNERS)
    return (given.length > 0 ? given : made).map((one) => centreOf(boxOfPoints(one) as Box));
  const [a, b] = [given, made].map((all) => {
    const whole = unite(all);
    return aside.length > 0 ? subtract(whole, aside.map(outline)) : whole;
  }) as [Polygon[], Polygon[]];
  return inflate([...subtract(a, b), ...subtract(b, a)], -SAME / 2)
    .filter((piece) => area(piece) > 0)
    .map((piece) => centreOf(boxOfPoints(piece) as Box));
}

/** Corners that areas are made of at most. */
const MOST_CORNERS = 20_000;

/** Outlines of both that have no equal one at their place among the others. */
function withoutTwins(some: readonly Placed[], others: readonly Placed[]): [Polygon[], Polygon[]] {
  const index = neighboursOf(others);
  const left = new Map(others.map((other, i) => [i, outline(other)]));
  const alone = some.flatMap((one) => {
    const own = outline(one);
    const twin = index.near(one).find((i) => left.has(i) && isSameOutline(own, left.get(i) as Polygon));
    if (twin === undefined) return [own];
    left.delete(twin);
    return [];
  });
  return [alone, [...left.values()]];
}

/** Whether two outlines have the same corners, wherever they begin. */
function isSameOutline(a: Polygon, b: Polygon): boolean {
  const [first] = a;
  if (!first || a.length !== b.length) return false;
  const from = b.findIndex((corner) => distance(corner, first) < SAME / 2);
  return from >= 0 && a.every((corner, i) => distance(corner, b[(from + i) % b.length] as Point) < SAME / 2);
}

const outline = (placed: Placed): Polygon => flatten(contourOf(placed), CHORD);
const hasArea = ({ figure }: Placed): boolean => narrowOf(figure) > 0;

/** Holes that have none of their place and size on the other side. */
function unmatched(some: readonly Placed[], others: readonly Placed[]): Point[] {
  const free = [...others];
  const lost = some.filter((hole) => {
    const at = free.findIndex((other) => isSameHole(hole, other));
    if (at >= 0) free.splice(at, 1);
    return at < 0;
  });
  return [...lost, ...free].map(({ at }) => at);
}

function isSameHole(a: Placed, b: Placed): boolean {
  const [one, two] = [sizeOf(a.figure), sizeOf(b.figure)];
  return (
    distance(a.at, b.at) < SAME &&
    Math.abs(Math.max(one.width, one.height) - Math.max(two.width, two.height)) < SAME &&
    Math.abs(narrowOf(a.figure) - narrowOf(b.figure)) < SAME
  );
}
