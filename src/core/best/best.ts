import type { Edit } from '../document/edit';
import { pointerKey } from '../document/edit';
import { LEVELS } from '../document/document';
import type { Drawable } from '../footprint/footprint';
import { marginsOf, type Margin } from '../joint/margins';
import { landOf } from '../joint/model';
import { landFrom } from '../land/rounding';
import type { SpanSolution } from '../land/solution';
import { thermalReach } from '../land/solve';
import { NO_CHOICES } from '../land/solution';
import type { LandSize } from '../land/solver';
import { clearGap } from '../land/trims';
import { LEAST_AREA_RATIO, LEAST_ASPECT_RATIO } from '../padstack/paste-forms';
import type { Process } from '../process/process';
import { formatNumber, quantise } from '../units/length';
import { shareBelow } from './distribution';
import { spanRisk } from './events';
import { bestPin } from './best-pin';
import { badShare, middleOf, termsOf, type BadShare, type Spreads } from './share';

/** A land beside others: how often its joints are bad, and what it costs. */
export interface LandPoint {
  /** Which land it is: a level's letter, `own`, `maker`, `best`, `as-large`; empty for one of the front. */
  readonly id: string;
  readonly title: string;
  /** mm; Z, G, X, Y and C of a span, H and D of a lead through the board. */
  readonly sizes: Readonly<Partial<Record<keyof LandSize | 'H' | 'D', number>>>;
  readonly bad: BadShare;
  /** Of one land, mm². */
  readonly area: number;
  /** To the next land of its row; `null` where there is none. mm */
  readonly gap: number | null;
  /** Toe, heel and side as the land formulas give them back, with the goals of the document's level. */
  readonly margins: readonly Pick<Margin, 'end' | 'inverse' | 'goal'>[];
}

/** What lands of a group may be, mm. */
export interface LandLimits {
  readonly minZ: number;
  readonly maxZ: number;
  readonly minG: number;
  readonly maxG: number;
  readonly minX: number;
  readonly maxX: number;
  /** By how much the paste of a land, as long and as wide as given, misses what lets it out of its aperture. */
  readonly pasteLacks: (length: number, width: number) => number;
  /** What sets each limit that a land can run into, in words. */
  readonly words: readonly string[];
}

/** The best lands of one group of terminals. */
export interface GroupBest {
  readonly group: string;
  readonly title: string;
  /** What sets the limits that a land can run into, in words. */
  readonly limits: readonly string[];
  /** Least share of bad joints for what they cost, the smallest land first. */
  readonly front: readonly LandPoint[];
  readonly points: readonly LandPoint[];
  /** Puts the best land in place, with its reason. */
  readonly adopt: readonly Edit[];
}

/** What the best land is asked with. */
export interface BestAsk {
  readonly spreads?: Spreads;
  /** Outer distance at most, as a neighbour or a courtyard leaves it. mm */
  readonly maxZ?: number;
}

/** Shares below this are beyond what limits and distributions can say. */
export const RESOLUTION = 1e-8;
/** Points of the front. */
const POINTS = 24;
/** Samples of each point of the front: the named ones get more. */
const FRONT_SAMPLES = 3000;
/** A best land is rounded to this, mm. */
const STEP = 0.01;
/** A land reaches no farther beyond or inside of its terminal than this, mm. */
const FARTHEST = 1.5;

/**
 * The best lands of every span and the best holes of every lead of a footprint, and what others come to. A generator, so that the caller can
 * report progress and stop; it yields the share that is done.
 */
export function* bestLands(drawable: Drawable, ask: BestAsk = {}): Generator<number, GroupBest[]> {
  const groups = drawable.footprint.groups.filter((group) => group.kind !== 'spot');
  const found: GroupBest[] = [];
  for (const [i, group] of groups.entries()) {
    if (group.kind === 'pin') {
      const pin = bestPin(drawable, group, ask.spreads);
      if (pin) found.push(pin);
      continue;
    }
    const run = bestOf(drawable, group, ask);
    let step = run.next();
    while (!step.done) {
      yield (i + step.value) / groups.length;
      step = run.next();
    }
    found.push(step.value);
  }
  return found;
}

/** Runs the search to its end. */
export function bestLandsOf(drawable: Drawable, ask: BestAsk = {}): GroupBest[] {
  const run = bestLands(drawable, ask);
  let step = run.next();
  while (!step.done) step = run.next();
  return step.value;
}

function* bestOf(
  drawable: Drawable,
  group: SpanSolution,
  { spreads = {}, maxZ }: BestAsk,
): Generator<number, GroupBest> {
  const { process, footprint, levels, recommended } = drawable;
  const { terminals } = group;
  const limits = limitsOf(drawable, group, maxZ);
  const search = searcher(group, process, spreads, limits);
  const pointOf = (id: string, title: string, size: LandSize, samples?: number): LandPoint => ({
    id,
    title,
    sizes: landFrom(size.Y, size.X, size.C),
    bad: badShare(spanRisk(group, size, process), spreads, samples),
    area: size.X * size.Y,
    gap: terminals.pitch === null ? null : quantise(terminals.pitch - size.X),
    margins: marginsOf(group, size, footprint.contacts, process).map(({ end, inverse, goal }) => ({
      end,
      inverse,
      goal,
    })),
  });
  const land = footprint.lands.find((one) => one.group === terminals.id);
  const own = land ? landOf(land, terminals) : group.land;
  const front: LandPoint[] = [];
  for (let i = 0; i < POINTS; i += 1) {
    // what a square millimetre may cost in bad joints: from much to nearly nothing
    const price = 10 ** (2 - (13 * i) / (POINTS - 1));
    const size = search.cheapest(price, own);
    const last = front.at(-1);
    if (!last || size.X * size.Y > last.area + 1e-6) front.push(pointOf('', '', size, FRONT_SAMPLES));
    yield (i + 1) / (POINTS + 4);
  }
  const best = rounded(search.least(own), limits);
  const asLarge = rounded(search.within(own.X * own.Y, own), limits, own.X * own.Y);
  const maker = recommended.get(terminals.id)?.land;
  const published = LEVELS.flatMap((level) => {
    const solved = levels?.[level].find((one) => one.terminals.id === terminals.id);
    return solved?.kind === 'span' ? [pointOf(level, `level ${level}`, solved.proposed)] : [];
  });
  const points = [
    ...published,
    ...(maker ? [pointOf('maker', 'the maker’s', maker)] : []),
    pointOf('own', 'as it is', own),
    pointOf('as-large', 'best of this area', asLarge),
    pointOf('best', 'best', best),
  ];
  yield 1;
  const chosen = points.at(-1) as LandPoint;
  return {
    group: terminals.id,
    title: terminals.title,
    limits: limits.words,
    front,
    points,
    adopt: adoptEdits(terminals.id, chosen),
  };
}

/** Edits that set a group's land, or hole and land, to a point, with its reason. */
export function adoptEdits(
  group: string,
  { sizes, bad, title }: Pick<LandPoint, 'sizes' | 'bad' | 'title'>,
): Edit[] {
  const set = (['X', 'Y', 'C', 'D', 'H'] as const).flatMap((symbol) => {
    const value = sizes[symbol];
    return value === undefined ? [] : [[symbol, `${formatNumber(value, 2, 4)}mm`] as const];
  });
  return [
    {
      at: `/overrides/lands/${pointerKey(group)}`,
      value: {
        ...Object.fromEntries(set),
        reason: `Best land (${title}): ${ppmWords(bad)} bad joints expected.`,
      },
    },
  ];
}

/** A share in parts per million, with the range that it lies in. */
export function ppmWords({
  share,
  low,
  high,
  exact,
}: Pick<BadShare, 'share' | 'low' | 'high' | 'exact'>): string {
  const ppm = (value: number) => {
    const parts = value * 1e6;
    if (parts < 0.01) return 'under 0.01';
    return parts >= 100 ? formatNumber(parts, 0, 0) : formatNumber(parts, 0, parts >= 10 ? 1 : 2);
  };
  const range = exact || share < RESOLUTION || ppm(low) === ppm(high) ? '' : ` (${ppm(low)} to ${ppm(high)})`;
  return `${ppm(share)} ppm${range}`;
}

/**
 * What the rules leave a land: the gap in its row and to what faces it, the narrowest copper. What no class
 * demands of toe and heel, the least level’s goals do: a joint is more than what just passes.
 */
function limitsOf(
  { process, footprint, levels }: Drawable,
  group: SpanSolution,
  maxZ: number | undefined,
): LandLimits {
  const { terminals, level } = group;
  const gap = clearGap(process);
  const words: string[] = [];
  let maxX = terminals.width.max + 2 * FARTHEST;
  const { pitch } = terminals;
  // where gap and mask web leave no land, the copper's gap alone is kept
  const between = pitch !== null && pitch - gap < process.minWidth - 1e-9 ? process.minGap : gap;
  if (pitch !== null && pitch - between < maxX) {
    maxX = quantise(pitch - between);
    words.push(
      `width ${formatNumber(maxX, 2, 3)} mm by the row: pitch ${formatNumber(pitch, 2, 3)} less a gap of ${formatNumber(between, 2, 3)}`,
    );
  }
  const facing = new Set(terminals.places.map(({ end }) => end)).size > 1;
  // a row that faces none may reach inward as far as it likes
  let minG = facing ? gap : terminals.span.min - 2 * (terminals.length.max + FARTHEST);
  if (facing) words.push(`inner distance ${formatNumber(gap, 2, 3)} mm or more`);
  const thermal = footprint.groups.flatMap(({ terminals: one }) =>
    one.kind === 'spot' && one.form === 'thermal' ? [one] : [],
  );
  const reach = thermalReach(thermal, terminals, level, NO_CHOICES);
  if (reach !== null && 2 * (reach + gap) > minG) {
    minG = 2 * (reach + gap);
    words.push(`inner distance ${formatNumber(minG, 2, 3)} mm or more by the exposed pad`);
  }
  const { body } = terminals;
  if (body && body.standoff.min < process.minStandoff - 1e-9) {
    // as far under a low body as the levels themselves go, whose heels keep their reduced goal
    const proposed = LEVELS.flatMap((one) => {
      const solved = levels?.[one].find((other) => other.terminals.id === terminals.id);
      return solved?.kind === 'span' ? [solved.proposed.G] : [];
    });
    const edge = Math.min(body.size.max, ...proposed);
    if (edge > minG) {
      minG = edge;
      words.push(`inner distance ${formatNumber(minG, 2, 3)} mm or more by the low body`);
    }
  }
  const most = terminals.span.max + 2 * FARTHEST;
  if (maxZ !== undefined && maxZ < most)
    words.push(`outer distance ${formatNumber(maxZ, 2, 3)} mm at most, as asked`);
  const farthest = Math.min(most, maxZ ?? most);
  const least = levels?.C.find((one) => one.terminals.id === terminals.id);
  const goals = least?.kind === 'span' ? least.computed : group.computed;
  words.push(
    `toe and heel no less than level C asks: outer distance ${formatNumber(goals.Z, 2, 3)} mm, inner ${formatNumber(goals.G, 2, 3)} mm`,
  );
  const pasteLacks = pasteOf(footprint, group, process);
  const { land } = group;
  if (pasteLacks(land.Y * 0.9, land.X * 0.9) > 0)
    words.push(
      `paste that leaves its aperture: area ratio ${LEAST_AREA_RATIO}, aspect ratio ${LEAST_ASPECT_RATIO} in a foil of ${formatNumber(process.stencilThickness, 2, 3)} mm`,
    );
  return {
    pasteLacks,
    minZ: Math.min(goals.Z, farthest),
    maxZ: farthest,
    minG,
    maxG: Math.max(minG, goals.G),
    minX: process.minWidth,
    maxX: Math.max(process.minWidth, maxX),
    words,
  };
}

/**
 * What lets paste out of the aperture of a land of its own size; windows and forms that somebody chose are judged by
 * the rules alone.
 */
function pasteOf(
  footprint: Drawable['footprint'],
  { terminals }: SpanSolution,
  { pasteMargin, stencilThickness }: Process,
): LandLimits['pasteLacks'] {
  const land = footprint.lands.find((one) => one.group === terminals.id);
  const kind = land?.padstack.copper.kind;
  const isPlain = land?.padstack.paste.length === 1 && kind === 'rectangle';
  if (!isPlain || stencilThickness <= 0) return () => 0;
  return (length, width) => {
    const [a, b] = [length, width].map((side) => side - 2 * pasteMargin) as [number, number];
    if (a <= 0 || b <= 0) return 1;
    const ratio = (a * b) / (2 * (a + b) * stencilThickness);
    return (
      Math.max(0, LEAST_AREA_RATIO - ratio) +
      Math.max(0, LEAST_ASPECT_RATIO - Math.min(a, b) / stencilThickness)
    );
  };
}

/** Half of the outer and the inner distance, and the width. */
type Place = readonly [z: number, g: number, x: number];

/** Finds lands by what their bad joints and their area cost; each way to be bad is known once, by its distribution. */
function searcher(group: SpanSolution, process: Process, spreads: Spreads, limits: LandLimits) {
  const at = (z: number, g: number, x: number) =>
    spanRisk(group, { Z: 2 * z, G: 2 * g, X: x, Y: z - g, C: z + g }, process);
  const still = at(0, 0, 0);
  const [byZ, byG, byX] = [at(1, 0, 0), at(0, 1, 0), at(0, 0, 1)];
  const ways = still.events.map((event, i) => ({
    below: shareBelow(termsOf(still, event, spreads)),
    middle: middleOf(still, event),
    z: (byZ.events[i]?.constant ?? 0) - event.constant,
    g: (byG.events[i]?.constant ?? 0) - event.constant,
    x: (byX.events[i]?.constant ?? 0) - event.constant,
  }));
  const shareAt = ([z, g, x]: Place): number => {
    let sum = 0;
    for (const way of ways) sum += way.below(-(way.middle + way.z * z + way.g * g + way.x * x));
    return sum;
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
function rounded({ X, Y, C }: LandSize, limits: LandLimits, area = Infinity): LandSize {
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
