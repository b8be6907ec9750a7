import { momentsOf, shareBelow, USUAL_SPREAD, type Spread, type Term } from '../joint/distribution';
import type { BadEvent, JointRisk } from './events';
import { uniformsFrom } from '../joint/normal';

/** How each variable spreads, by its name; as usual where nothing is said. */
export type Spreads = Readonly<Record<string, Spread>>;

/** The share of bad joints, 0 to 1, with the range that it lies in with 95 % confidence. */
export interface BadShare {
  readonly share: number;
  readonly low: number;
  readonly high: number;
  /** Whether it is a closed form and no estimate. */
  readonly exact: boolean;
  /** Each way to be bad by itself, the most frequent first. */
  readonly byEvent: readonly {
    readonly what: string;
    readonly end: BadEvent['end'];
    readonly share: number;
  }[];
}

export const spreadOf = (spreads: Spreads, name: string): Spread => spreads[name] ?? USUAL_SPREAD;

/** The terms of an event: what varies, about the middles of its limits. */
export function termsOf({ variables }: JointRisk, { factors }: BadEvent, spreads: Spreads): Term[] {
  return variables.map(({ name, range }, i) => ({
    range,
    factor: factors[i] ?? 0,
    spread: spreadOf(spreads, name),
  }));
}

/** What an event comes to with every variable in the middle of its limits, mm. */
export function middleOf({ variables }: JointRisk, { constant, factors }: BadEvent): number {
  return variables.reduce((sum, { middle }, i) => sum + (factors[i] ?? 0) * middle, constant);
}

/** Samples of the estimate of several events together; its seed makes it the same everywhere. */
const SAMPLES = 20_000;
const SEED = 7351;
/** Standard errors of 95 % confidence. */
const CONFIDENCE = 1.96;

/**
 * The share of joints that are bad in one way or another. One way alone is a closed form (or folded cells).
 * Several ways overlap: their union is estimated by drawing near their boundaries, each way as often as it
 * counts, and weighing every draw by how much likelier it was made (importance sampling with the balance
 * heuristic), so that shares of 0.01 ppm need no more samples than large ones. The estimate lies between the
 * largest of the single shares and their sum, which bound it.
 */
export function badShare(risk: JointRisk, spreads: Spreads = {}, samples: number = SAMPLES): BadShare {
  const single = risk.events.map((event) => ({
    event,
    share: shareBelow(termsOf(risk, event, spreads))(-middleOf(risk, event)),
  }));
  const byEvent = single
    .map(({ event: { what, end }, share }) => ({ what, end, share }))
    .sort((a, b) => b.share - a.share);
  const sum = byEvent.reduce((total, { share }) => total + share, 0);
  const most = byEvent[0]?.share ?? 0;
  const counting = single.filter(({ share }) => share > sum * 1e-9 && share > 0);
  if (counting.length <= 1) return { share: most, low: most, high: most, exact: true, byEvent };
  // ways that nearly always come alone: their sum is off by less than their product
  const union = estimate(risk, counting, spreads, samples);
  const clamp = (value: number) => Math.min(Math.min(1, sum), Math.max(most, value));
  return {
    share: clamp(union.mean),
    low: clamp(union.mean - CONFIDENCE * union.error),
    high: clamp(union.mean + CONFIDENCE * union.error),
    exact: false,
    byEvent,
  };
}

/** A variable drawn under the tilt of one event. */
interface Drawn {
  readonly draw: () => number;
  /** Logarithm of the mean of e^(tilt·x). */
  readonly log: number;
}

/** Cells that a variable which is not normal is drawn from. */
const CELLS = 400;

function estimate(
  risk: JointRisk,
  counting: readonly { readonly event: BadEvent; readonly share: number }[],
  spreads: Spreads,
  samples: number,
): { readonly mean: number; readonly error: number } {
  const random = uniformsFrom(SEED);
  const total = counting.reduce((sum, { share }) => sum + share, 0);
  const ways = counting.map(({ event, share }) => {
    const middle = middleOf(risk, event);
    const deviation = Math.hypot(
      ...risk.variables.map(
        ({ name, range }, i) => (event.factors[i] ?? 0) * momentsOf(spreadOf(spreads, name), range).deviation,
      ),
    );
    // tilted so that its middle lies on its boundary
    const tilt = middle > 0 && deviation > 0 ? -middle / (deviation * deviation) : 0;
    const drawn = risk.variables.map(({ name, range }, i) =>
      tilted(spreadOf(spreads, name), range, tilt * (event.factors[i] ?? 0), random),
    );
    return {
      event,
      middle,
      tilt,
      drawn,
      weight: share / total,
      log: drawn.reduce((sum, { log }) => sum + log, 0),
    };
  });
  const n = risk.variables.length;
  const x = new Float64Array(n);
  let [sum, squares] = [0, 0];
  for (let k = 0; k < samples; k += 1) {
    let at = random();
    const way = ways.find(({ weight }) => (at -= weight) < 0) ?? ways[0];
    if (!way) break;
    for (let i = 0; i < n; i += 1) x[i] = (way.drawn[i] as Drawn).draw();
    let likelier = 0;
    let isBad = false;
    for (const { event, middle, tilt, weight, log } of ways) {
      let off = 0;
      for (let i = 0; i < n; i += 1) off += (event.factors[i] ?? 0) * (x[i] as number);
      if (middle + off < 0) isBad = true;
      likelier += weight * Math.exp(tilt * off - log);
    }
    if (!isBad) continue;
    const value = 1 / likelier;
    sum += value;
    squares += value * value;
  }
  const mean = sum / samples;
  return { mean, error: Math.sqrt(Math.max(0, squares / samples - mean * mean) / samples) };
}

function tilted(spread: Spread, range: number, tilt: number, random: () => number): Drawn {
  const { mean, deviation } = momentsOf(spread, range);
  if (deviation === 0) return { draw: () => mean, log: tilt * mean };
  if (spread.kind === 'normal') {
    const shift = tilt * deviation * deviation;
    return { draw: () => shift + deviation * normal(random), log: (tilt * tilt * deviation * deviation) / 2 };
  }
  return spread.kind === 'measured'
    ? fromPoints(
        spread.values,
        spread.values.map(() => 1 / spread.values.length),
        tilt,
        random,
        0,
      )
    : fromCells(spread, range, tilt, random);
}

function fromCells(spread: Spread, range: number, tilt: number, random: () => number): Drawn {
  const step = range / CELLS;
  const below = shareBelow([{ range, factor: 1, spread }]);
  const middles = Array.from({ length: CELLS }, (_, i) => -range / 2 + (i + 0.5) * step);
  const shares = middles.map((x) => Math.max(0, below(x + step / 2) - below(x - step / 2)));
  return fromPoints(middles, shares, tilt, random, step);
}

/** Draws one of some places by their tilted shares, evenly within a step round it. */
function fromPoints(
  places: readonly number[],
  shares: readonly number[],
  tilt: number,
  random: () => number,
  step: number,
): Drawn {
  const highest = Math.max(...places.map((x) => tilt * x));
  const weights = places.map((x, i) => (shares[i] ?? 0) * Math.exp(tilt * x - highest));
  const upTo: number[] = [];
  let whole = 0;
  for (const weight of weights) upTo.push((whole += weight));
  return {
    draw: () => {
      const at = random() * whole;
      let [low, high] = [0, upTo.length - 1];
      while (low < high) {
        const middle = (low + high) >> 1;
        if ((upTo[middle] as number) < at) low = middle + 1;
        else high = middle;
      }
      return (places[low] as number) + (random() - 0.5) * step;
    },
    log: Math.log(whole) + highest,
  };
}

function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
}
