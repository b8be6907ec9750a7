import type { Land } from '../footprint/footprint';
import { boxRound, centreOf, type Box } from '../geometry/box';
import { neighboursOf } from '../geometry/neighbours';
import { turn, type Point } from '../geometry/point';
import { quantise } from '../units/length';

// How somebody else's pattern lies over a package: by the places of its lands first, whatever they are called,
// then by their numbers. A pattern may be turned, drawn from below, measured from elsewhere, or of another unit.

/** How a pattern is put onto the package: scaled, turned over, turned, then moved. */
export interface Fit {
  readonly scale: number;
  /** Seen from below. */
  readonly mirrored: boolean;
  /** Degrees counter-clockwise, whole quarters. */
  readonly angle: number;
  readonly by: Point;
  /** Lands of the pattern with the land of the package that each lies on. */
  readonly pairs: readonly Pair[];
  /** Lands of the package that nothing lies on. */
  readonly missing: readonly number[];
  /** Lands of the pattern that lie on none. */
  readonly extra: readonly number[];
  /** Pairs that carry one number. */
  readonly agreeing: number;
}

export interface Pair {
  /** Index of the pattern's land. */
  readonly given: number;
  /** Index of the package's land. */
  readonly own: number;
  /** Between their middles, mm. */
  readonly apart: number;
}

type Spot = Point & { readonly number: string; readonly far: boolean };

/** Factors that come of a wrong unit: inches and mil for millimetres, and by tens. */
const SCALES = [25.4, 1 / 25.4, 1000 / 25.4, 25.4 / 1000, 10, 0.1, 1000, 0.001];
/** Lands that are reached for their neighbour at most this far, mm. */
const FURTHEST = 3;
/** Places that differ by less are one place when numbers decide, mm. */
const GRAIN = 0.1;

/** Where lands are; a pattern that lies on one side is as good on the other. */
function spotsOf(lands: readonly Land[]): Spot[] {
  const isTwoSided = lands.some(({ far }) => far) && lands.some(({ far }) => !far);
  return lands.map(({ copper, number, far }) => ({ ...centreOf(copper), number, far: isTwoSided && far }));
}

/** The best way to put a pattern onto a package as it is, and the best as it is seen from below. */
export interface Ways {
  readonly upright: Fit;
  readonly mirrored: Fit;
}

/** Finds how a pattern lies over a package. Both have lands. */
export function waysOf(given: readonly Land[], own: readonly Land[]): Ways {
  const [theirs, ours] = [spotsOf(given), spotsOf(own)];
  const reach = reachOf(ours);
  const at = (scale: number): Ways => ({
    upright: bestOf(theirs, ours, reach, { scale, mirrored: false }),
    mirrored: bestOf(theirs, ours, reach, { scale, mirrored: true }),
  });
  const found = ({ upright, mirrored }: Ways) => Math.max(upright.pairs.length, mirrored.pairs.length);
  const plain = at(1);
  if (found(plain) * 2 >= ours.length) return plain;
  // hardly anything lies on anything: perhaps the unit is another
  const scaled = likelyScales(given, own).map(at);
  return [plain, ...scaled].sort((a, b) => found(b) - found(a))[0] as Ways;
}

/** Scales that would make both patterns of one size. */
function likelyScales(given: readonly Land[], own: readonly Land[]): number[] {
  const size = (lands: readonly Land[]) => {
    const { minX, minY, maxX, maxY } = boxRound(lands.map(({ copper }) => copper)) as Box;
    return Math.hypot(maxX - minX, maxY - minY);
  };
  const ratio = size(own) / size(given);
  return SCALES.filter((scale) => Math.abs(scale / ratio - 1) < 0.25);
}

/** Nearly the distance of the nearest neighbours: the nearest pair is taken first, so that none takes a neighbour's. */
function reachOf(spots: readonly Spot[]): number {
  const index = neighboursOf(spots.map(({ x, y }) => ({ minX: x, minY: y, maxX: x, maxY: y })));
  let least = 2 * FURTHEST;
  for (const [i, j] of index.pairs(2 * FURTHEST)) {
    const [a, b] = [spots[i] as Spot, spots[j] as Spot];
    const apart = Math.hypot(a.x - b.x, a.y - b.y);
    // lands that share a place, such as a pad and a via in it, say nothing of a pitch
    if (apart > 0.05) least = Math.min(least, apart);
  }
  return Math.min(FURTHEST, 0.9 * least);
}

function bestOf(
  theirs: readonly Spot[],
  ours: readonly Spot[],
  reach: number,
  { scale, mirrored }: Pick<Fit, 'scale' | 'mirrored'>,
): Fit {
  const fits = [0, 90, 180, 270].map((angle) => {
    const put = theirs.map(({ x, y, number, far }) => ({
      ...turn({ x: (mirrored ? -x : x) * scale, y: y * scale }, angle),
      number,
      far,
    }));
    return moved(put, ours, reach, { scale, mirrored, angle });
  });
  return fits.sort(better)[0] as Fit;
}

/** Which of two ways is better: more pairs, nearer to each other, more numbers alike, then the plainer one. */
function better(a: Fit, b: Fit): number {
  const off = ({ pairs }: Fit) =>
    Math.round(pairs.reduce((sum, { apart }) => sum + apart, 0) / Math.max(1, pairs.length) / GRAIN);
  const plain = ({ angle }: Fit) => (angle === 0 ? 0 : angle === 180 ? 2 : 1);
  return b.pairs.length - a.pairs.length || off(a) - off(b) || b.agreeing - a.agreeing || plain(a) - plain(b);
}

/** The best move of a pattern that is turned already. */
function moved(
  put: readonly Spot[],
  ours: readonly Spot[],
  reach: number,
  how: Pick<Fit, 'scale' | 'mirrored' | 'angle'>,
): Fit {
  let best: Fit | null = null;
  for (const start of starts(put, ours)) {
    let by = start;
    let paired = pairsOf(put, ours, by, reach);
    // what lies on something draws the rest along
    for (let turnCount = 0; turnCount < 3 && paired.length > 0; turnCount += 1) {
      const next = {
        x: middle(paired.map(({ given, own }) => (ours[own] as Spot).x - (put[given] as Spot).x)),
        y: middle(paired.map(({ given, own }) => (ours[own] as Spot).y - (put[given] as Spot).y)),
      };
      if (Math.hypot(next.x - by.x, next.y - by.y) < 1e-6) break;
      const again = pairsOf(put, ours, next, reach);
      if (again.length < paired.length) break;
      [by, paired] = [next, again];
    }
    const fit = fitFrom(paired, put, ours, by, how);
    if (!best || better(fit, best) < 0) best = fit;
    if (best.missing.length + best.extra.length === 0 && start === by) break;
  }
  return best as Fit;
}

function fitFrom(
  pairs: readonly Pair[],
  put: readonly Spot[],
  ours: readonly Spot[],
  by: Point,
  how: Pick<Fit, 'scale' | 'mirrored' | 'angle'>,
): Fit {
  const [given, own] = [new Set(pairs.map((pair) => pair.given)), new Set(pairs.map((pair) => pair.own))];
  return {
    ...how,
    by: { x: quantise(by.x), y: quantise(by.y) },
    pairs,
    missing: ours.flatMap((_, i) => (own.has(i) ? [] : [i])),
    extra: put.flatMap((_, i) => (given.has(i) ? [] : [i])),
    agreeing: pairs.filter((pair) => {
      const { number } = put[pair.given] as Spot;
      return number !== '' && number === (ours[pair.own] as Spot).number;
    }).length,
  };
}

/** Moves worth trying: none, middles onto middles, and those that many pairs of lands ask for. */
function starts(put: readonly Spot[], ours: readonly Spot[]): Point[] {
  const centroid = (spots: readonly Spot[]) => ({
    x: spots.reduce((sum, { x }) => sum + x, 0) / Math.max(1, spots.length),
    y: spots.reduce((sum, { y }) => sum + y, 0) / Math.max(1, spots.length),
  });
  const box = (spots: readonly Spot[]) =>
    centreOf(boxRound(spots.map(({ x, y }) => ({ minX: x, minY: y, maxX: x, maxY: y }))) as Box);
  const between = (a: Point, b: Point) => ({ x: b.x - a.x, y: b.y - a.y });
  const votes = new Map<string, { count: number; by: Point }>();
  const some = <T>(all: readonly T[]) =>
    all.filter((_, i) => i % Math.max(1, Math.ceil(all.length / 60)) === 0);
  for (const a of some(put))
    for (const b of some(ours)) {
      const by = between(a, b);
      const key = `${Math.round(by.x / 0.2)} ${Math.round(by.y / 0.2)}`;
      const known = votes.get(key) ?? { count: 0, by };
      known.count += 1;
      votes.set(key, known);
    }
  const voted = [...votes.values()].sort((a, b) => b.count - a.count).slice(0, 3);
  return [
    { x: 0, y: 0 },
    between(box(put), box(ours)),
    between(centroid(put), centroid(ours)),
    ...voted.map(({ by }) => by),
  ];
}

/** Nearest lands of both sides, each taken once, the nearest pair first. */
function pairsOf(put: readonly Spot[], ours: readonly Spot[], by: Point, reach: number): Pair[] {
  const index = neighboursOf(ours.map(({ x, y }) => ({ minX: x, minY: y, maxX: x, maxY: y })));
  const close: Pair[] = [];
  put.forEach(({ x, y, far }, given) => {
    const at = { x: x + by.x, y: y + by.y };
    for (const own of index.near({
      minX: at.x - reach,
      maxX: at.x + reach,
      minY: at.y - reach,
      maxY: at.y + reach,
    })) {
      const other = ours[own] as Spot;
      const apart = Math.hypot(other.x - at.x, other.y - at.y);
      if (apart <= reach && other.far === far) close.push({ given, own, apart });
    }
  });
  // of equally near ones that which carries the number
  const named = ({ given, own }: Pair) =>
    (put[given] as Spot).number === (ours[own] as Spot).number ? 0 : 1;
  close.sort((a, b) => quantise(a.apart) - quantise(b.apart) || named(a) - named(b));
  const [usedGiven, usedOwn] = [new Set<number>(), new Set<number>()];
  return close.filter(({ given, own }) => {
    if (usedGiven.has(given) || usedOwn.has(own)) return false;
    usedGiven.add(given);
    usedOwn.add(own);
    return true;
  });
}

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
