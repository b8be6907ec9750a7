import type { Footprint } from '../footprint/footprint';
import { boxOfPoints, centreOf, type Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import { contourOf, narrowOf, sizeOf, type Placed } from '../geometry/figure';
import { distance, type Point } from '../geometry/point';
import { area, inflate, subtract, unite, type Polygon } from '../geometry/polygon';
import type { GivenPattern } from '../given/pattern';
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
        [...holes, ...lands.flatMap(({ hole }) => (hole ? [hole.hole] : []))],
        [...footprint.bores, ...footprint.lands].flatMap(({ hole }) => (hole ? [hole] : [])),
      ),
    ),
  ];
}

const told = (what: string, places: readonly Point[]): string[] =>
  places.length > 0
    ? [`${agreed(places.length, `The file has other ${what} at # [place|places]`)}: ${placesIn(places)}.`]
    : [];

/** Where two layers differ, but for what is left aside. */
function apart(some: readonly Placed[], others: readonly Placed[], aside: readonly Placed[] = []): Point[] {
  const [a, b] = [some, others].map((all) => {
    const whole = unite(all.filter(hasArea).map(outline));
    return aside.length > 0 ? subtract(whole, aside.map(outline)) : whole;
  }) as [Polygon[], Polygon[]];
  return inflate([...subtract(a, b), ...subtract(b, a)], -SAME / 2)
    .filter((piece) => area(piece) > 0)
    .map((piece) => centreOf(boxOfPoints(piece) as Box));
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
