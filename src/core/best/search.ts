import type { SpanSolution } from '../land/solution';
import { landFrom } from '../land/rounding';
import type { LandSize } from '../land/solver';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import { shareBelow } from '../joint/distribution';
import { spanRisk } from './events';
import type { LandLimits } from './limits';
import { middleOf, termsOf, type Spreads } from './share';

/** Shares below this are beyond what limits and distributions can say. */
export const RESOLUTION = 1e-8;
/** A best land is rounded to this, mm. */
const STEP = 0.01;

/** Half of the outer and the inner distance, and the width. */
type Place = readonly [z: number, g: number, x: number];

/** Finds lands by what their bad joints and their area cost; each way to be bad is known once, by its distribution. */
export function searcher(
  groups: readonly SpanSolution[],
  process: Process,
  spreads: Spreads,
  limits: LandLimits,
) {
  const ways = groups.flatMap((group) => {
    const at = (z: number, g: number, x: number) =>
      spanRisk(group, { Z: 2 * z, G: 2 * g, X: x, Y: z - g, C: z + g }, process);
    const still = at(0, 0, 0);
    const [byZ, byG, byX] = [at(1, 0, 0), at(0, 1, 0), at(0, 0, 1)];
    return still.events.map((event, i) => ({
      below: shareBelow(termsOf(still, event, spreads)),
      middle: middleOf(still, event),
      z: (byZ.events[i]?.constant ?? 0) - event.constant,
      g: (byG.events[i]?.constant ?? 0) - event.constant,
      x: (byX.events[i]?.constant ?? 0) - event.constant,
    }));
  });
  const shareAt = ([z, g, x]: Place): number => {
    let sum = 0;
    for (const way of ways) sum += way.below(-(way.middle + way.z * z + way.g * g + way.x * x));
    return sum / groups.length;
  };
  const bounds: readonly (readonly [number, number])[] = [
    [limits.minZ / 2, limits.maxZ / 2],
    [limits.minG / 2, limits.maxG / 2],
    [limits.minX, limits.maxX],
  ];
  const clamped = (place: Place): Place =>
    place.map((value, i) =>
      Math.min(bounds[i]?.[1] ?? value, Math.max(bounds[i]?.[0] ?? value, value)),
    ) as unknown as Place;
  /** One coordinate after the other, each to its least, until nothing moves. */
  const descend = (from: Place, cost: (place: Place) => number): Place => {
    let place = clamped(from);
    for (let round = 0; round < 40; round += 1) {
      const before = place;
      for (const i of [0, 1, 2] as const) {
        const [low, high] = bounds[i] as readonly [number, number];
        const value = leastAlong(low, high, (v) =>
          cost(place.map((one, j) => (j === i ? v : one)) as unknown as Place),
        );
        place = place.map((one, j) => (j === i ? value : one)) as unknown as Place;
      }
      if (place.every((value, i) => Math.abs(value - (before[i] ?? 0)) < 1e-5)) break;
    }
    return place;
  };
  const areaOf = ([z, g, x]: Place) => Math.max(0, z - g) * x;
  const short = ([z, g, x]: Place) => limits.pasteLacks(z - g, x);
  const start = (own: LandSize): Place => [own.Z / 2, own.G / 2, own.X];
  const sized = ([z, g, x]: Place): LandSize => landFrom(z - g, x, z + g);
  const cheapest = (price: number, own: LandSize): LandSize => {
    const cost = (place: Place) =>
      shareAt(place) +
      price * areaOf(place) +
      1e3 * short(place) +
      (place[0] <= place[1] ? 1e3 * (1 + place[1] - place[0]) : 0);
    const wide: Place = [limits.maxZ / 2, limits.minG / 2, limits.maxX];
    const found = [start(own), wide].map((from) => descend(from, cost));
    return sized(found.sort((a, b) => cost(a) - cost(b))[0] as Place);
  };
  return {
    cheapest,
    /** The land with the least share; of those that nothing tells apart the smallest. */
    least: (own: LandSize): LandSize => cheapest(RESOLUTION / 10, own),
    /** The land with the least share that is no larger than an area. @param area mm² */
    within: (area: number, own: LandSize): LandSize => {
      const free = cheapest(RESOLUTION / 10, own);
      if (free.X * free.Y <= area) return free;
      const [[lowZ, highZ], [lowG, highG], [lowX, highX]] = bounds as readonly (readonly [
        number,
        number,
      ])[] as [readonly [number, number], readonly [number, number], readonly [number, number]];
      // more land never hurts: all of the area is used, by its width and by where it lies
      const placeAt = (z: number, x: number): Place => [z, Math.max(lowG, z - area / x), x];
      const costAt = (z: number, x: number) => {
        const place = placeAt(z, x);
        const over = place[1] - highG;
        return over > 1e-9 ? 10 + over : shareAt(place) + 1e3 * short(place);
      };
      const bestZ = (x: number) => leastAlong(lowZ, highZ, (z) => costAt(z, x));
      const x = leastAlong(lowX, highX, (one) => costAt(bestZ(one), one));
      return sized(placeAt(bestZ(x), x));
    },
  };
}

/** Least of a function between two limits: a look along it, then golden sections round the least that was seen. */
function leastAlong(low: number, high: number, cost: (value: number) => number): number {
  const LOOKS = 16;
  let [best, least] = [low, Infinity];
  for (let i = 0; i <= LOOKS; i += 1) {
    const value = low + ((high - low) * i) / LOOKS;
    const now = cost(value);
    if (now < least) [best, least] = [value, now];
  }
  const width = (high - low) / LOOKS;
  let [a, b] = [Math.max(low, best - width), Math.min(high, best + width)];
  const ratio = (Math.sqrt(5) - 1) / 2;
  let [c, d] = [b - ratio * (b - a), a + ratio * (b - a)];
  let [fc, fd] = [cost(c), cost(d)];
  for (let i = 0; i < 30 && b - a > 1e-6; i += 1) {
    if (fc < fd) {
      [b, d, fd] = [d, c, fc];
      c = b - ratio * (b - a);
      fc = cost(c);
    } else {
      [a, c, fc] = [c, d, fd];
      d = a + ratio * (b - a);
      fd = cost(d);
    }
  }
  const middle = (a + b) / 2;
  return cost(middle) < least ? middle : best;
}

/** A land to the nearest hundredth, inside of its limits. @param area it does not exceed, mm² */
export function rounded({ X, Y, C }: LandSize, limits: LandLimits, area = Infinity): LandSize {
  const { maxX, minG, maxZ, pasteLacks } = limits;
  const near = (value: number) => Math.round(value / STEP) * STEP;
  let [x, y] = [near(X), near(Y)];
  const c = 2 * near(C / 2);
  if (x > maxX + 1e-9) x -= STEP;
  while (y > STEP && (c - y < minG - 1e-9 || c + y > maxZ + 1e-9)) y -= STEP;
  while (y > STEP && x * y > area + 1e-9) y -= STEP;
  // what rounding took from the paste, the length gives back
  const hasRoom = () => c - y - STEP >= minG - 1e-9 && c + y + STEP <= maxZ + 1e-9 && x * (y + STEP) <= area;
  while (pasteLacks(y, x) > 0 && pasteLacks(y, x) < 0.02 && hasRoom()) y += STEP;
  return landFrom(quantise(y), quantise(x), quantise(c));
}
