import type { Edit } from '../document/edit';
import { pointerKey } from '../document/edit';
import { LEVELS } from '../document/document';
import type { Drawable } from '../footprint/footprint';
import { marginsOf, type Margin } from '../joint/margins';
import { landOf } from '../joint/model';
import { landFrom } from '../land/rounding';
import type { SpanSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import { formatNumber, quantise } from '../units/length';
import { spanRisk } from './events';
import { bestPin } from './best-pin';
import { limitsOf, strictest } from './limits';
import { RESOLUTION, rounded, searcher } from './search';
import { badShare, type BadShare, type Spreads } from './share';
import { sharedBad, sourcesOf, type SharedBad } from './sources';

/** A land beside others: how often its joints are bad, and what it costs. */
export interface LandPoint extends SharedBad {
  /** Which land it is: a level's letter, `own`, `maker`, `best`, `as-large`; empty for one of the front. */
  readonly id: string;
  readonly title: string;
  /** mm; Z, G, X, Y and C of a span, H and D of a lead through the board. */
  readonly sizes: Readonly<Partial<Record<keyof LandSize | 'H' | 'D', number>>>;
  /** Of one land, mm². */
  readonly area: number;
  /** To the next land of its row; `null` where there is none. mm */
  readonly gap: number | null;
  /** Toe, heel and side as the land formulas give them back, with the goals of the document's level. */
  readonly margins: readonly Pick<Margin, 'end' | 'inverse' | 'goal'>[];
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

/** Points of the front. */
const POINTS = 24;
/** Samples of each point of the front: the named ones get more. */
const FRONT_SAMPLES = 3000;

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
  const sources = sourcesOf(drawable, group);
  const limits = strictest(sources.map((one) => limitsOf(one.drawable, one.group, maxZ)));
  const parts = sources.map((one) => one.group);
  const search = searcher(parts, process, spreads, limits);
  const pointOf = (id: string, title: string, size: LandSize, samples?: number): LandPoint => ({
    id,
    title,
    sizes: landFrom(size.Y, size.X, size.C),
    ...badOf(size, samples),
    area: size.X * size.Y,
    gap: terminals.pitch === null ? null : quantise(terminals.pitch - size.X),
    margins: marginsOf(group, size, footprint.contacts, process).map(({ end, inverse, goal }) => ({
      end,
      inverse,
      goal,
    })),
  });
  function badOf(size: LandSize, samples?: number): SharedBad {
    return sharedBad(
      sources,
      parts.map((one) => badShare(spanRisk(one, size, process), spreads, samples)),
    );
  }
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
  // what each source alone would have as its best, for what that costs the others
  const alone = sources.flatMap(({ title, group: part }, i) => {
    if (sources.length === 1) return [];
    const least = rounded(searcher([part], process, spreads, limits).least(own), limits);
    return [pointOf(`alone-${i + 1}`, `best of ${title} alone`, least)];
  });
  const points = [
    ...published,
    ...alone,
    ...(maker ? [pointOf('maker', 'the maker’s', maker)] : []),
    pointOf('own', 'as it is', own),
    pointOf('as-large', 'best of this area', asLarge),
    pointOf('best', sources.length > 1 ? 'best for all sources' : 'best', best),
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
