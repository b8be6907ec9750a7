import type { Drawable } from '../footprint/footprint';
import type { Spread } from './distribution';
import { measuredOf, type Measured } from './measured';
import type { Spreads } from './share';

// How tolerances spread as a document keeps it, so that browser, terminal and report reckon with the same.

/** How a document keeps one spread. */
export interface KeptSpread {
  readonly is?: string;
  /** µm */
  readonly offsets?: string;
  readonly source?: string;
}

/** Reads a kind in words, such as `normal 2`; `null` where it is none. */
export function spreadFrom(words: string): Spread | null {
  const [, kind = '', number = ''] = /^\s*([a-z]+)\s*([\d.]*)\s*$/.exec(words.toLowerCase()) ?? [];
  const value = number === '' ? null : Number(number);
  switch (kind) {
    case 'uniform':
      return { kind };
    case 'normal':
    case 'trimmed':
      return value === null || (value >= 0.5 && value <= 10) ? { kind, k: value ?? 3 } : null;
    case 'skewed':
      return value !== null && value >= 0 && value <= 1 ? { kind, peak: value } : null;
    default:
      return null;
  }
}

/** A spread as a document keeps it. @param source what it was measured from */
export function keptSpread(spread: Spread, source: string | null): KeptSpread {
  const from = source === null ? {} : { source: source.slice(0, 200) };
  switch (spread.kind) {
    case 'measured':
      return {
        offsets: spread.values.map((value) => String(Math.round(value * 1e4) / 10)).join(' '),
        ...from,
      };
    case 'uniform':
      return { is: 'uniform', ...from };
    case 'skewed':
      return { is: `skewed ${spread.peak}`, ...from };
    default:
      return { is: `${spread.kind} ${spread.k}`, ...from };
  }
}

/** One spread that a document says. */
export interface SaidSpread {
  readonly spread: Spread;
  readonly measured: Measured | null;
  readonly source: string | null;
}

/** Reads one spread that a document keeps; `null` where it says none. */
export function saidSpread({
  is,
  offsets,
  source,
}: Readonly<Record<keyof KeptSpread, string | null>>): SaidSpread | null {
  if (offsets) {
    const values = offsets.split(' ').map((one) => Number(one) / 1000);
    return { spread: { kind: 'measured', values }, measured: measuredOf(values), source };
  }
  const spread = is ? spreadFrom(is) : null;
  return spread && { spread, measured: null, source };
}

/** Every spread that a footprint's document says, by its tolerance. */
export function saidSpreads({ spreads }: Pick<Drawable, 'spreads'>): Readonly<Record<string, SaidSpread>> {
  return Object.fromEntries(
    [...spreads].flatMap(([name, kept]) => {
      const said = saidSpread(kept);
      return said ? [[name, said] as const] : [];
    }),
  );
}

/** How tolerances spread: as the document says, and as is asked in its place. */
export function spreadsOf(drawable: Pick<Drawable, 'spreads'>, asked: Spreads = {}): Spreads {
  const own = Object.entries(saidSpreads(drawable)).map(([name, { spread }]) => [name, spread] as const);
  return own.length === 0 ? asked : { ...Object.fromEntries(own), ...asked };
}
