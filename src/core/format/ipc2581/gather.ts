import { gapBetween, type Box } from '../../geometry/box';
import { flatten } from '../../geometry/contour';
import { circleAt, contourOf, type Placed } from '../../geometry/figure';
import { gapBetweenFigures } from '../../geometry/gaps';
import { distance, type Point } from '../../geometry/point';
import { area, unite, type Polygon } from '../../geometry/polygon';
import type { GivenLand, GivenVia } from '../../given/pattern';
import { placesIn } from '../../given/places';
import { agreed } from '../../words/agreed';
import { recognised } from '../../given/recognise';

// What stands apart in a file and belongs to one land: shapes that are drawn one over another, holes, vias.

/** A hole or slot that stands on a layer of the board, beside the padstacks. */
export interface Bore {
  readonly placed: Placed;
  readonly plated: boolean;
  readonly plus: number;
  readonly minus: number;
}

/** Bores go to the lands that they lie in; the others are holes without copper. One that a land has already is the same. */
export function withBores(
  lands: readonly GivenLand[],
  bores: readonly Bore[],
  left: string[],
): { readonly lands: readonly GivenLand[]; readonly holes: readonly Placed[] } {
  const isKnown = ({ placed }: Bore) =>
    lands.some(({ hole }) => hole && distance(hole.hole.at, placed.at) < 1e-3);
  const free = bores.filter((bore) => !isKnown(bore));
  const made = lands.map((land): GivenLand => {
    if (land.hole) return land;
    const at = free.findIndex(
      ({ placed }) => distance(placed.at, land.copper.at) < 1e-3 || inBox(placed.at, land.copper),
    );
    const [bore] = at < 0 ? [] : free.splice(at, 1);
    if (!bore) return land;
    const { placed: hole, plated, plus, minus } = bore;
    return { ...land, hole: { hole, plated, ...(plus ? { plus } : {}), ...(minus ? { minus } : {}) } };
  });
  const loose = free.filter(({ plated }) => plated);
  if (loose.length > 0)
    left.push(
      `${agreed(loose.length, '# plated [hole lies|holes lie] in no land; [it is|they are] kept as [a hole|holes] without copper')}: ${placesIn(loose.map(({ placed }) => placed.at))}.`,
    );
  return { lands: made, holes: free.map(({ placed }) => placed) };
}

/** Shapes of one land that are put together at most. */
const MOST_PARTS = 500;

/** Shapes that overlap as one; the largest first. */
export function asOne(figures: readonly Placed[]): readonly Placed[] {
  const keyOf = ({ figure, at, rotation }: Placed) => JSON.stringify([figure, at, rotation]);
  const different = [...new Map(figures.map((figure) => [keyOf(figure), figure])).values()];
  if (different.length < 2 || different.length > MOST_PARTS) return different;
  const meets = (one: Placed, i: number) =>
    different.slice(i + 1).some((other) => gapBetween(one, other) <= 0 && gapBetweenFigures(one, other) <= 0);
  if (!different.some(meets)) return different.sort((a, b) => area(cornersOf(b)) - area(cornersOf(a)));
  return unite(different.map(cornersOf))
    .filter((outline) => area(outline) > 0)
    .sort((a, b) => area(b) - area(a))
    .map((outline) => recognised(outline));
}

/** Pads that are said on more layers than one are one land. */
export function merged(pads: readonly { placed: Placed; number: string }[]) {
  const seen = new Set<string>();
  return pads.filter(({ placed: { at, figure }, number }) => {
    const key = JSON.stringify([at, figure, number]);
    return seen.has(key) ? false : (seen.add(key), true);
  });
}

/** Vias go to the lands that they lie in. */
export function withVias(
  lands: readonly GivenLand[],
  vias: readonly { readonly via: GivenVia; readonly number: string }[],
  left: string[],
): GivenLand[] {
  const own = new Map<GivenLand, GivenVia[]>();
  const alone: GivenLand[] = [];
  for (const { via, number } of vias) {
    const land = lands.find(({ copper }) => inBox(via, copper));
    if (land) own.set(land, [...(own.get(land) ?? []), via]);
    // one that lies in no land is a land with a hole
    else
      alone.push({
        number,
        copper: circleAt(via, via.land),
        hole: { hole: circleAt(via, via.hole), plated: true },
      });
  }
  if (alone.length > 0)
    left.push(
      agreed(
        alone.length,
        '# [via lies|vias lie] in no land; [it is taken as a land of its|they are taken as lands of their] own.',
      ),
    );
  return [
    ...lands.map((land) => (own.has(land) ? { ...land, vias: own.get(land) as GivenVia[] } : land)),
    ...alone,
  ];
}

const inBox = ({ x, y }: Point, { minX, minY, maxX, maxY }: Box): boolean =>
  x >= minX && x <= maxX && y >= minY && y <= maxY;

export const cornersOf = (placed: Placed): Polygon => flatten(contourOf(placed));
