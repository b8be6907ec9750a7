import { upperTail } from './normal';

/** How a length spreads between its limits. */
export type Spread =
  /** Limits at k standard deviations; beyond them as far as it goes. */
  | { readonly kind: 'normal'; readonly k: number }
  | { readonly kind: 'uniform' }
  /** Normal with its limits at k standard deviations, and nothing beyond them. */
  | { readonly kind: 'trimmed'; readonly k: number }
  /** A triangle between the limits with its peak at a share of the way. */
  | { readonly kind: 'skewed'; readonly peak: number }
  /** What was measured: offsets from the middle of the limits, mm. */
  | { readonly kind: 'measured'; readonly values: readonly number[] };

export const USUAL_SPREAD: Spread = { kind: 'normal', k: 3 };

/** A distribution as its shares in equal cells: what lies in cell i has `from + i·step` as its middle. mm */
export interface Cells {
  readonly from: number;
  readonly step: number;
  readonly shares: Float64Array;
}

/** Cells of one variable, and how far a normal one is followed, in standard deviations. */
const CELLS = 601;
const REACH = 8;

/** Standard deviation of a spread about its own mean, and how far its mean lies from the middle of the limits. mm */
export function momentsOf(
  spread: Spread,
  range: number,
): { readonly mean: number; readonly deviation: number } {
  switch (spread.kind) {
    case 'normal':
      return { mean: 0, deviation: range / 2 / spread.k };
    case 'uniform':
      return { mean: 0, deviation: range / Math.sqrt(12) };
    case 'skewed': {
      const [a, c] = [-range / 2, range * (spread.peak - 0.5)];
      const b = range / 2;
      const mean = (a + b + c) / 3;
      return { mean, deviation: Math.sqrt((a * a + b * b + c * c - a * b - a * c - b * c) / 18) };
    }
    case 'measured': {
      const n = spread.values.length;
      const mean = spread.values.reduce((sum, v) => sum + v, 0) / Math.max(1, n);
      const squares = spread.values.reduce((sum, v) => sum + (v - mean) ** 2, 0);
      return { mean, deviation: Math.sqrt(squares / Math.max(1, n - 1)) };
    }
    case 'trimmed': {
      const { k } = spread;
      const sigma = range / 2 / k;
      const density = Math.exp((-k * k) / 2) / Math.sqrt(2 * Math.PI);
      const inside = 1 - 2 * upperTail(k);
      return { mean: 0, deviation: sigma * Math.sqrt(Math.max(0, 1 - (2 * k * density) / inside)) };
    }
  }
}

/** Share of a spread up to an offset from the middle of its limits. */
function shareUpTo(spread: Spread, range: number, x: number): number {
  const half = range / 2;
  switch (spread.kind) {
    case 'normal':
      return 1 - upperTail((x * spread.k) / half);
    case 'uniform':
      return clamp((x + half) / range);
    case 'trimmed': {
      const tail = upperTail(spread.k);
      return clamp((1 - upperTail((x * spread.k) / half) - tail) / (1 - 2 * tail));
    }
    case 'skewed': {
      const t = clamp((x + half) / range);
      const p = Math.min(1 - 1e-9, Math.max(1e-9, spread.peak));
      return t < p ? (t * t) / p : 1 - (1 - t) ** 2 / (1 - p);
    }
    case 'measured':
      return 0;
  }
}

const clamp = (share: number): number => Math.min(1, Math.max(0, share));

/** A variable times its factor as cells of a step. @param step mm */
function cellsOf(spread: Spread, range: number, factor: number, step: number): Cells {
  if (spread.kind === 'measured') return measuredCells(spread.values, factor, step);
  const scale = Math.abs(factor);
  const reach = spread.kind === 'normal' ? (REACH * range) / 2 / spread.k : range / 2;
  const n = Math.max(0, Math.ceil((reach * scale) / step));
  const shares = new Float64Array(2 * n + 1);
  const sign = factor < 0 ? -1 : 1;
  for (let i = 0; i < shares.length; i += 1) {
    const middle = (i - n) * step;
    const [low, high] = [(middle - step / 2) / scale, (middle + step / 2) / scale];
    const share =
      sign > 0
        ? shareUpTo(spread, range, high) - shareUpTo(spread, range, low)
        : shareUpTo(spread, range, -low) - shareUpTo(spread, range, -high);
    shares[i] = tailSafe(spread, range, sign > 0 ? low : -high, sign > 0 ? high : -low, share);
  }
  return { from: -n * step, step, shares };
}

/** Far out, the difference of two shares near one has no digits left: it is taken from the other side. */
function tailSafe(spread: Spread, range: number, low: number, high: number, share: number): number {
  if (spread.kind !== 'normal' || low <= 0) return Math.max(0, share);
  const z = (x: number) => (x * spread.k * 2) / range;
  return Math.max(0, upperTail(z(low)) - upperTail(z(high)));
}

function measuredCells(values: readonly number[], factor: number, step: number): Cells {
  const scaled = values.map((value) => Math.round((value * factor) / step));
  const least = Math.min(0, ...scaled);
  const most = Math.max(0, ...scaled);
  const shares = new Float64Array(most - least + 1);
  for (const cell of scaled) shares[cell - least] = (shares[cell - least] as number) + 1 / values.length;
  return { from: least * step, step, shares };
}

/** A term of a sum: a variable's range and how it spreads, times a factor. */
export interface Term {
  readonly range: number;
  readonly factor: number;
  readonly spread: Spread;
}

/**
 * The distribution of a sum of independent terms: in closed form where all are normal, else by folding
 * their cells. Sums of what is not negative lose no digits, so tails keep theirs.
 * @returns the share of the sum that lies under a value
 */
export function shareBelow(terms: readonly Term[]): (value: number) => number {
  const moving = terms.filter(
    ({ range, factor, spread }) => factor !== 0 && (range > 0 || spread.kind === 'measured'),
  );
  if (moving.length === 0) return (value) => (value > 0 ? 1 : 0);
  if (moving.every(({ spread }) => spread.kind === 'normal')) {
    const deviation = Math.hypot(
      ...moving.map(({ range, factor, spread }) => factor * momentsOf(spread, range).deviation),
    );
    return (value) => upperTail(-value / deviation);
  }
  const whole = moving.reduce(
    (sum, { range, factor, spread }) => sum + Math.abs(factor) * widthOf(spread, range),
    0,
  );
  const step = whole / CELLS;
  const folded = moving.map(({ range, factor, spread }) => cellsOf(spread, range, factor, step)).reduce(fold);
  return cumulative(folded);
}

/** From least to most of what is followed, mm. */
function widthOf(spread: Spread, range: number): number {
  if (spread.kind === 'measured') return Math.max(...spread.values, 0) - Math.min(...spread.values, 0);
  return spread.kind === 'normal' ? (REACH * range) / spread.k : range;
}

function fold(a: Cells, b: Cells): Cells {
  const shares = new Float64Array(a.shares.length + b.shares.length - 1);
  for (let i = 0; i < a.shares.length; i += 1) {
    const own = a.shares[i] as number;
    if (own === 0) continue;
    for (let j = 0; j < b.shares.length; j += 1)
      shares[i + j] = (shares[i + j] as number) + own * (b.shares[j] as number);
  }
  return { from: a.from + b.from, step: a.step, shares };
}

/** The share under a value, straight within a cell; both tails are summed from their own ends. */
function cumulative({ from, step, shares }: Cells): (value: number) => number {
  const below = new Float64Array(shares.length + 1);
  for (let i = 0; i < shares.length; i += 1) below[i + 1] = (below[i] as number) + (shares[i] as number);
  const whole = below[shares.length] as number;
  return (value) => {
    const at = (value - from) / step + 0.5;
    if (at <= 0) return 0;
    if (at >= shares.length) return 1;
    const cell = Math.floor(at);
    return ((below[cell] as number) + (at - cell) * (shares[cell] as number)) / whole;
  };
}
