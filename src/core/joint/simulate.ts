import { momentsOf, type Spread } from './distribution';
import type { JointModel, LinearMargin } from './model';

/** How a simulation draws its samples. */
export interface SimulationPlan {
  readonly samples: number;
  /** Equal seeds give equal results, on every platform. */
  readonly seed: number;
  /** Normal with its limits at ±3σ, or uniform between its limits. */
  readonly distribution: 'normal' | 'uniform';
}

/** A histogram of equal bins; mm. */
export interface Histogram {
  readonly from: number;
  readonly step: number;
  readonly counts: readonly number[];
}

/** What the samples of one margin came to; mm, shares 0 to 1. */
export interface SimulatedMargin {
  readonly end: LinearMargin['end'];
  readonly goal: number | null;
  readonly limit: number | null;
  readonly mean: number;
  readonly deviation: number;
  readonly min: number;
  readonly max: number;
  readonly belowGoal: number | null;
  readonly belowLimit: number | null;
  readonly histogram: Histogram;
  /** Share of the variance that each variable brings, largest first. */
  readonly contributions: readonly { readonly name: string; readonly share: number }[];
}

export interface Simulation {
  readonly plan: SimulationPlan;
  readonly margins: readonly SimulatedMargin[];
}

/** Samples between two reports of progress. */
const CHUNK = 20_000;
const BINS = 48;

/**
 * Draws every variable of a joint at random and sums up its margins. A generator, so that the
 * caller can report progress and stop; it yields the share that is done.
 * @param spreads how single variables spread, by name, in place of the plan's distribution
 * Throws RangeError for fewer than one sample.
 */
export function* simulate(
  model: JointModel,
  plan: SimulationPlan,
  spreads: Readonly<Record<string, Spread>> = {},
): Generator<number, Simulation> {
  const { samples, seed, distribution } = plan;
  if (!(samples >= 1)) throw new RangeError(`a simulation needs one sample or more, not ${samples}`);
  const { variables, margins } = model;
  const [n, m] = [variables.length, margins.length];
  const random = randomFrom(seed);
  const draw = distribution === 'normal' ? normalFrom(random) : () => (random() - 0.5) * Math.sqrt(12);
  // one standard deviation of each variable, and a draw of each
  const sigma = variables.map(({ range }) => range / (distribution === 'normal' ? 6 : Math.sqrt(12)));
  const said = variables.map(({ name, range }) => {
    const spread = spreads[name];
    return spread ? { draw: drawerOf(spread, range, random), mean: momentsOf(spread, range).mean } : null;
  });
  const factors = new Float64Array(m * n);
  margins.forEach((margin, j) => margin.factors.forEach((f, i) => (factors[j * n + i] = f)));
  const base = margins.map(({ constant, factors: f }) =>
    variables.reduce((sum, { middle }, i) => sum + (f[i] ?? 0) * (middle + (said[i]?.mean ?? 0)), constant),
  );
  const values = margins.map(() => new Float64Array(samples));
  const drawn = new Float64Array(n);
  // sums of each variable's own part with the whole, for its share of the variance
  const products = new Float64Array(m * n);
  for (let k = 0; k < samples; k += 1) {
    for (let i = 0; i < n; i += 1) {
      const own = said[i];
      drawn[i] = own ? own.draw() - own.mean : draw() * (sigma[i] as number);
    }
    for (let j = 0; j < m; j += 1) {
      let off = 0;
      for (let i = 0; i < n; i += 1) off += (factors[j * n + i] as number) * (drawn[i] as number);
      (values[j] as Float64Array)[k] = (base[j] as number) + off;
      for (let i = 0; i < n; i += 1) {
        const own = (factors[j * n + i] as number) * (drawn[i] as number);
        products[j * n + i] = (products[j * n + i] as number) + own * off;
      }
    }
    if (k % CHUNK === CHUNK - 1) yield (k + 1) / samples;
  }
  return {
    plan,
    margins: margins.map((margin, j) => {
      const own = variables.map(({ name }, i) => ({
        name,
        share: Math.max(0, products[j * n + i] as number),
      }));
      const whole = own.reduce((sum, { share }) => sum + share, 0);
      return {
        end: margin.end,
        goal: margin.goal,
        limit: margin.limit,
        ...statistics(values[j] as Float64Array, margin),
        contributions: own
          .map(({ name, share }) => ({ name, share: whole > 0 ? share / whole : 0 }))
          .filter(({ share }) => share > 0.0005)
          .sort((a, b) => b.share - a.share),
      };
    }),
  };
}

function statistics(values: Float64Array, { goal, limit }: LinearMargin) {
  let [sum, squares, min, max, underGoal, underLimit] = [0, 0, Infinity, -Infinity, 0, 0];
  for (const value of values) {
    sum += value;
    if (value < min) min = value;
    if (value > max) max = value;
    if (goal !== null && value < goal) underGoal += 1;
    if (limit !== null && value < limit) underLimit += 1;
  }
  const count = values.length;
  const mean = sum / count;
  for (const value of values) squares += (value - mean) ** 2;
  const step = (max - min) / BINS || 1e-6;
  const counts = new Array<number>(BINS).fill(0);
  for (const value of values) {
    const bin = Math.min(BINS - 1, Math.floor((value - min) / step));
    counts[bin] = (counts[bin] as number) + 1;
  }
  return {
    mean,
    deviation: Math.sqrt(squares / Math.max(1, count - 1)),
    min,
    max,
    belowGoal: goal === null ? null : underGoal / count,
    belowLimit: limit === null ? null : underLimit / count,
    histogram: { from: min, step, counts },
  };
}

/** Standard deviation of a margin in closed form, mm. */
export function closedDeviation(
  { variables }: JointModel,
  { factors }: LinearMargin,
  distribution: SimulationPlan['distribution'],
): number {
  const divisor = distribution === 'normal' ? 6 : Math.sqrt(12);
  return Math.sqrt(
    variables.reduce((sum, { range }, i) => sum + (((factors[i] ?? 0) * range) / divisor) ** 2, 0),
  );
}

/** Draws of a spread, as offsets from the middle of its limits; mm. */
function drawerOf(spread: Spread, range: number, random: () => number): () => number {
  const half = range / 2;
  switch (spread.kind) {
    case 'uniform':
      return () => (random() - 0.5) * range;
    case 'normal': {
      const normal = normalFrom(random);
      return () => (normal() * half) / spread.k;
    }
    case 'trimmed': {
      const normal = normalFrom(random);
      return () => {
        for (;;) {
          const value = normal();
          if (Math.abs(value) <= spread.k) return (value * half) / spread.k;
        }
      };
    }
    case 'skewed': {
      const { peak } = spread;
      // the triangle's share up to a place, turned round
      return () => {
        const share = random();
        const at = share < peak ? Math.sqrt(share * peak) : 1 - Math.sqrt((1 - share) * (1 - peak));
        return at * range - half;
      };
    }
    case 'measured': {
      const { values } = spread;
      return () => values[Math.floor(random() * values.length)] ?? 0;
    }
  }
}

/** Uniform numbers in [0, 1) from a seed (mulberry32). */
function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normal numbers, two from each pair of uniform ones (Box and Muller). */
function normalFrom(random: () => number): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const value = spare;
      spare = null;
      return value;
    }
    // 1 − u is never 0, so its logarithm is finite
    const radius = Math.sqrt(-2 * Math.log(1 - random()));
    const angle = 2 * Math.PI * random();
    spare = radius * Math.sin(angle);
    return radius * Math.cos(angle);
  };
}
