import { areaOf, circleAt, sizeOf, type Placed } from '../geometry/figure';
import { gapBetweenFigures, roomWithin } from '../geometry/gaps';
import { neighboursOf } from '../geometry/neighbours';
import { distance, type Point } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';
import type { GivenLand, GivenVia } from './pattern';
import { undrilled, withOpenings } from './openings';
import { placesIn } from './places';

// Layers that were drawn apart, such as films, put together: which opening frees which land, and which hole goes
// through it.

/** A piece of copper. */
export interface CopperPiece {
  readonly placed: Placed;
  readonly number: string;
  /** What the file says that it is for. */
  readonly use?: 'via' | 'land' | 'pad';
  /** What is free of copper within it. */
  readonly openings?: readonly Polygon[];
}

/** A hole of a drill file. */
export interface DrilledHole {
  readonly hole: Placed;
  /** `null` where the file does not say. */
  readonly plated: boolean | null;
  readonly use?: 'via' | 'component';
}

/** What lies on the layers of a board; missing where there is no such layer. mm, seen from the component side */
export interface Layers {
  readonly copper: readonly CopperPiece[];
  readonly far?: readonly CopperPiece[];
  readonly mask?: readonly Placed[];
  readonly maskOther?: readonly Placed[];
  readonly paste?: readonly Placed[];
  readonly pasteOther?: readonly Placed[];
  readonly holes?: readonly DrilledHole[];
}

/** The parts of a pattern that layers make up. */
export interface Joined {
  readonly lands: readonly GivenLand[];
  readonly holes: readonly Placed[];
  readonly windows: readonly Placed[];
  readonly left: readonly string[];
}

/** Puts layers together. Lands come in the order in which their copper was drawn. */
export function joined({
  copper: drawn,
  far: drawnFar,
  mask,
  maskOther,
  paste,
  pasteOther,
  holes = [],
}: Layers): Joined {
  const left: string[] = [];
  const copper = drawn.map((piece) => opened(piece, holes, left));
  const far = drawnFar?.map((piece) => opened(piece, holes, left));
  const inside = viasInside(copper, holes);
  const lands = copper.filter((piece) => !inside.rings.has(piece));
  const boxes = lands.map(({ placed }) => placed);
  const index = neighboursOf(boxes);
  /** Lands that a figure lies over, the one that shares its middle first. */
  const under = (placed: Placed): number[] =>
    index
      .near(placed)
      .filter((i) => gapBetweenFigures(boxes[i] as Placed, placed) < -1e-4)
      .sort(
        (a, b) => distance((boxes[a] as Placed).at, placed.at) - distance((boxes[b] as Placed).at, placed.at),
      );
  const openings = (all: readonly Placed[] | undefined, what: string) => {
    const own = lands.map((): Placed[] => []);
    const stray: Placed[] = [];
    for (const opening of all ?? []) {
      const found = under(opening);
      const [first] = found;
      if (first !== undefined && found.length === 1) own[first]?.push(opening);
      else {
        stray.push(opening);
        if (found.length > 1)
          left.push(
            `One ${what} lies over ${found.length} lands (${found
              .map((i) => nameOf(lands[i]))
              .slice(0, 4)
              .join(', ')}).`,
          );
      }
      if (found.length > 1 && what === 'mask opening')
        // its own opening is as large as the land: the window frees them all
        for (const i of found) own[i]?.push(boxes[i] as Placed);
    }
    return { own, stray };
  };
  const masks = openings(mask, 'mask opening');
  const pastes = openings(paste, 'paste opening');
  if (pastes.stray.length > 0)
    left.push(`${pastes.stray.length} paste openings lie over no land, or over several; they are left out.`);
  const farPieces = far ?? [];
  const farIndex = neighboursOf(farPieces.map(({ placed }) => placed));
  const farUnder = (hole: Placed) =>
    farIndex.near(hole).find((k) => liesIn(hole, (farPieces[k] as CopperPiece).placed));
  const drilled = lands.map((): DrilledHole[] => []);
  const bores: Placed[] = [];
  for (const hole of holes) {
    if (inside.drilled.has(hole)) continue;
    const [first] = index
      .near(hole.hole)
      .filter((i) => liesIn(hole.hole, boxes[i] as Placed))
      .sort(
        (a, b) =>
          distance((boxes[a] as Placed).at, hole.hole.at) - distance((boxes[b] as Placed).at, hole.hole.at),
      );
    if (first === undefined) bores.push(hole.hole);
    else drilled[first]?.push(hole);
  }
  const vias = countOf(lands, drilled);
  const farUsed = new Set<number>();
  const made = lands.flatMap(({ placed, number }, i): GivenLand[] => {
    const own = drilled[i] as DrilledHole[];
    const [only] = own;
    const isVias = vias(i);
    const found = only && !isVias ? farUnder(only.hole) : undefined;
    if (found !== undefined) farUsed.add(found);
    const other = found === undefined ? undefined : farPieces[found]?.placed;
    const laid: GivenVia[] = [
      ...(inside.of.get(lands[i] as CopperPiece) ?? []),
      ...(isVias ? own.map(({ hole }) => viaOf(hole)) : []),
    ];
    return [
      {
        number,
        copper: placed,
        ...(mask ? { mask: masks.own[i] as Placed[] } : {}),
        ...(paste ? { paste: pastes.own[i] as Placed[] } : {}),
        ...(only && !isVias ? { hole: { hole: only.hole, plated: only.plated ?? true } } : {}),
        ...(other ? { other } : {}),
        ...(maskOther ? farOpenings(maskOther, only && !isVias ? [only.hole.at] : [], laid) : {}),
        ...(laid.length > 0 ? { vias: laid } : {}),
      },
    ];
  });
  left.push(...holesInLands(lands, drilled, vias));
  const rings = new Set([...inside.rings].map(({ placed }) => `${placed.at.x} ${placed.at.y}`));
  const alone = farPieces.filter(
    ({ placed }, k) => !farUsed.has(k) && !rings.has(`${placed.at.x} ${placed.at.y}`),
  );
  const over = (all: readonly Placed[] | undefined, placed: Placed) =>
    all?.filter((opening) => gapBetweenFigures(opening, placed) < -1e-4);
  const below = alone.map(({ placed, number }): GivenLand => {
    const [openings, stencil] = [over(maskOther, placed), over(pasteOther, placed)];
    return {
      number,
      copper: placed,
      far: true,
      ...(openings ? { mask: openings } : {}),
      ...(stencil ? { paste: stencil } : {}),
    };
  });
  return {
    lands: [...made, ...below],
    holes: bores,
    windows: masks.stray.filter((opening) => !bores.some((bore) => distance(bore.at, opening.at) < 1e-3)),
    left,
  };
}

/** Copper that is open within is one outline that runs in and round; an opening that is drilled away is none. */
function opened(piece: CopperPiece, holes: readonly DrilledHole[], left: string[]): CopperPiece {
  const open = undrilled(
    piece.openings ?? [],
    holes.map(({ hole }) => hole),
  );
  if (open.length === 0) return piece;
  const { openings: _, ...rest } = piece;
  const cut = withOpenings(piece.placed, open);
  if (!cut)
    left.push(
      `The copper of land ${nameOf(piece)} ${placesIn([piece.placed.at])} is open within at ${open.length} spots, more than an outline holds: it is taken as solid.`,
    );
  return { ...rest, placed: cut ?? piece.placed };
}

/** Holes in surface lands, which become vias of theirs. */
function holesInLands(
  lands: readonly CopperPiece[],
  drilled: readonly (readonly DrilledHole[])[],
  isVias: (i: number) => boolean,
): string[] {
  const found = lands.flatMap((land, i) =>
    isVias(i) && drilled[i]?.some(({ use }) => use !== 'via')
      ? [`${drilled[i]?.length ?? 0} in ${nameOf(land)}`]
      : [],
  );
  return found.length > 0
    ? [
        `Holes that lie in surface lands are taken as vias in them: ${found.slice(0, 6).join(', ')}${found.length > 6 ? ' and more' : ''}.`,
      ]
    : [];
}

/** Openings of the far mask over a land's hole; those over its vias are closed or as usual. */
function farOpenings(
  openings: readonly Placed[],
  holes: readonly Point[],
  vias: readonly GivenVia[],
): Pick<GivenLand, 'maskOther'> {
  const over = (at: Point) => openings.filter((opening) => liesIn(circleAt(at, 0), opening));
  if (holes.length > 0) return { maskOther: holes.flatMap(over) };
  return vias.length > 0 && vias.flatMap(over).length === 0 ? { maskOther: [] } : {};
}

const nameOf = (piece: CopperPiece | undefined): string => piece?.number || 'no number';

/** Copper round a hole that belongs to a land is taken for this much. mm */
const RING = 0.15;
const viaOf = ({ at, figure }: Placed, land?: Placed): GivenVia => {
  const hole = Math.min(sizeOf(figure).width, sizeOf(figure).height);
  return { ...at, hole, land: land ? sizeOf(land.figure).width : hole + 2 * RING };
};

/** Whether the middle of a hole lies in a figure. */
const liesIn = ({ at }: Placed, figure: Placed): boolean =>
  gapBetweenFigures(figure, circleAt(at, 0.001)) < -1e-9;

/** Rings of vias that lie within a larger land, with their holes. */
function viasInside(pieces: readonly CopperPiece[], holes: readonly DrilledHole[]) {
  const index = neighboursOf(pieces.map(({ placed }) => placed));
  const rings = new Set<CopperPiece>();
  const drilled = new Set<DrilledHole>();
  const of = new Map<CopperPiece, GivenVia[]>();
  for (const hole of holes) {
    const over = index
      .near(hole.hole)
      .map((i) => pieces[i] as CopperPiece)
      .filter(({ placed }) => liesIn(hole.hole, placed))
      .sort((a, b) => areaOf(a.placed.figure) - areaOf(b.placed.figure));
    const [ring, land] = over;
    if (!ring || !land || distance(ring.placed.at, hole.hole.at) > 1e-3) continue;
    if (roomWithin(land.placed, ring.placed) < -1e-3) continue;
    rings.add(ring);
    drilled.add(hole);
    of.set(land, [...(of.get(land) ?? []), viaOf(hole.hole, ring.placed)]);
  }
  return { rings, drilled, of };
}

/** Tells lands whose holes are vias in them, and not the hole of a lead. */
function countOf(lands: readonly CopperPiece[], drilled: readonly (readonly DrilledHole[])[]) {
  return (i: number): boolean => {
    const own = drilled[i] ?? [];
    const [only] = own;
    if (!only) return false;
    return own.length > 1 || only.use === 'via' || (lands[i]?.use === 'pad' && only.use !== 'component');
  };
}
