import { boxOfPoints, centreOf, gapBetween, type Box } from '../../geometry/box';
import { flatten } from '../../geometry/contour';
import type { Placed } from '../../geometry/figure';
import { roomWithin } from '../../geometry/gaps';
import { neighboursOf } from '../../geometry/neighbours';
import type { Point } from '../../geometry/point';
import { area, encloses, type Polygon } from '../../geometry/polygon';
import { placesIn } from '../../given/places';
import { recognised } from '../../given/recognise';
import { agreed } from '../../words/agreed';
import type { Outline } from './outlines';

// Lands of a drawing: what is drawn twice is one, what lies over lands is none, and the texts that number them.

/** Whether an outline lies over at least two others, and is the only one that does. */
export function liesOver(largest: Outline, outlines: readonly Outline[]): boolean {
  const boxes = new Map(outlines.map((one) => [one, boxOfPoints(flatten(one.contour)) as Box]));
  const over = (a: Outline, b: Outline) => gapBetween(boxes.get(a) as Box, boxes.get(b) as Box) < -OVER_BY;
  const under = outlines.filter((one) => one !== largest && over(largest, one));
  return (
    under.length >= 2 &&
    outlines.length <= MOST_HELD &&
    outlines.every(
      (one, i) =>
        one === largest || !outlines.slice(i + 1).some((other) => other !== largest && over(one, other)),
    )
  );
}

/** Shapes lie over each other where they do so by more than this, mm. */
const OVER_BY = 0.01;
/** Outlines that are held against each other at most. */
const MOST_HELD = 2000;
/** Outlines whose edges are nearer than this are drawn twice, mm. */
const SAME = 0.002;

/** Outlines that are looked at beside each other at most. */
const MOST_BESIDE = 200;

/** Outlines of which those that are drawn twice, as by an outline and its hatching, are taken once: the finer one. */
export function once(outlines: readonly Outline[], left: string[]): Outline[] {
  const known = outlines.map((outline) => {
    const polygon = flatten(outline.contour, 0.0005);
    return { outline, box: boxOfPoints(polygon) as Box, area: Math.abs(area(polygon)) };
  });
  const index = neighboursOf(known.map(({ box }) => box));
  const isCurved = ({ contour }: Outline) => contour.some(({ bulge }) => bulge);
  const dropped = new Set<Outline>();
  for (const [k, one] of known.entries()) {
    if (dropped.has(one.outline)) continue;
    for (const n of index.near(one.box).slice(0, MOST_BESIDE)) {
      const other = known[n] as typeof one;
      if (n <= k || dropped.has(other.outline)) continue;
      const isSame =
        (['minX', 'maxX', 'minY', 'maxY'] as const).every(
          (edge) => Math.abs(other.box[edge] - one.box[edge]) < SAME,
        ) && Math.abs(other.area - one.area) < 0.01 * one.area;
      if (isSame)
        dropped.add(isCurved(other.outline) && !isCurved(one.outline) ? one.outline : other.outline);
    }
  }
  if (dropped.size > 0)
    left.push(
      `${agreed(dropped.size, '# [outline is drawn twice at one place; it is|outlines are drawn twice at one place; they are] taken once')}: ${placesIn([...dropped].map(({ contour }) => centreOf(boxOfPoints(contour) as Box)))}.`,
    );
  return outlines.filter((one) => !dropped.has(one));
}

interface Text {
  readonly text: string;
  readonly at: Point;
  readonly layer: string;
}

interface DrawnShape {
  readonly placed: Placed;
  readonly polygon: Polygon;
}

/** How large a land may be, mm. */
const LARGEST_LAND = 1000;

/** The outlines of lands as figures, each taken once; what is larger than any land is told. */
export function shapesOf(outlines: readonly Outline[], left: string[]): DrawnShape[] {
  const shapes = once(outlines, left).map(({ contour }) => ({ contour, polygon: flatten(contour) }));
  const lands = shapes.filter(({ polygon }) => {
    const { minX, minY, maxX, maxY } = boxOfPoints(polygon) as Box;
    return Math.max(maxX - minX, maxY - minY) <= LARGEST_LAND;
  });
  const large = shapes.length - lands.length;
  if (large > 0)
    left.push(
      agreed(
        large,
        '# [outline among the lands is|outlines among the lands are] larger than 1 m, and left out.',
      ),
    );
  return lands.map(({ contour, polygon }) => ({ placed: recognised(contour), polygon }));
}

/** Middles of shapes that lie wholly within another. */
export function liesWithin(drawn: readonly DrawnShape[]): Point[] {
  const index = neighboursOf(drawn.map(({ placed }) => placed));
  return drawn.flatMap(({ placed, polygon }) =>
    index
      .near(placed)
      .slice(0, MOST_BESIDE)
      .some((i) => {
        const other = drawn[i] as DrawnShape;
        return (
          other.placed !== placed &&
          area(other.polygon) > area(polygon) &&
          roomWithin(other.placed, placed) > 0
        );
      })
      ? [placed.at]
      : [],
  );
}

/** The text that numbers each land: within it, or beside it where none is. */
export function numbered(
  drawn: readonly DrawnShape[],
  numbers: readonly Text[],
  left: string[],
): readonly (Text | undefined)[] {
  const within = drawn.map(({ placed, polygon }) =>
    numbers.find(({ at }) => isIn(at, placed) && encloses(polygon, at)),
  );
  return within.some((number) => number) ? within : numbersBeside(drawn, numbers, left);
}

/** Numbers that stand beside their lands: each is the nearest of its land and its land the nearest of it, or none is taken. */
function numbersBeside(
  drawn: readonly { readonly placed: Placed }[],
  numbers: readonly Text[],
  left: string[],
): readonly (Text | undefined)[] {
  const none = drawn.map(() => undefined);
  if (drawn.length === 0 || numbers.length < drawn.length || drawn.length * numbers.length > MOST_HELD * 50)
    return none;
  const away = ({ x, y }: Point, { minX, minY, maxX, maxY }: Box) =>
    Math.hypot(Math.max(minX - x, x - maxX, 0), Math.max(minY - y, y - maxY, 0));
  const nearest = <T>(all: readonly T[], of: (one: T) => number): T | undefined =>
    all.reduce<T | undefined>(
      (best, one) => (best === undefined || of(one) < of(best) ? one : best),
      undefined,
    );
  const found = drawn.map(({ placed }) => {
    const number = nearest(numbers, ({ at }) => away(at, placed));
    const back = number && nearest(drawn, (one) => away(number.at, one.placed));
    const reach = 1.5 * Math.max(placed.maxX - placed.minX, placed.maxY - placed.minY);
    return number && back?.placed === placed && away(number.at, placed) < reach ? number : undefined;
  });
  if (found.some((number) => number === undefined)) return none;
  left.push('Numbers stand beside the lands: each was given to the land that it lies nearest to.');
  return found;
}

const isIn = ({ x, y }: Point, { minX, minY, maxX, maxY }: Box): boolean =>
  x >= minX && x <= maxX && y >= minY && y <= maxY;
