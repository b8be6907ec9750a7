import { formatMm as mm } from '../../units/length';
import type { Dimensions, Options } from '../definitions';
import type { PlausibilityRule } from '../family';

/**
 * A dimension that follows from others, entered against what it follows from: both numbers are named.
 * @param formula the family's own formula in words
 */
export function agreesWith<S extends string>(
  symbol: S,
  others: readonly S[],
  formula: string,
  valueOf: (d: Dimensions<S>, options: Options) => number,
  slack: number,
): PlausibilityRule<S> {
  return {
    id: `agrees-${symbol}`,
    title: `${symbol} against ${formula}`,
    fault: `${symbol} disagrees with ${formula}`,
    source: 'Geometry: the one follows from the other',
    check({ d, options, entered, enter }) {
      if (entered(symbol) === null) return [];
      const expected = valueOf(d, options);
      const { min, nom, max } = d[symbol];
      const off = Math.max(min - expected, expected - max);
      if (off <= slack + 1e-9) return [];
      return [
        {
          severity: 'caution',
          message: `${symbol} is ${mm(nom)} mm, but ${formula} makes ${mm(expected)} mm. One of ${[symbol, ...others].join(', ')} is wrong.`,
          place: { dimensions: [symbol, ...others] },
          measured: { value: nom, limit: expected, unit: 'mm' },
          remedies: [{ label: `Compute ${symbol}: ${mm(expected)} mm`, edits: [enter(symbol, '')] }],
        },
      ];
    },
  };
}

/** A terminal has to be smaller than the distance to the next one. */
export function fitsPitch<S extends string>(terminal: S, pitch: S, what: string): PlausibilityRule<S> {
  return {
    id: `fits-${pitch}`,
    title: `${what} against pitch`,
    fault: `${what} leaves no gap at its pitch`,
    source: 'Geometry: neighbouring terminals do not touch',
    check({ d }) {
      if (d[terminal].max < d[pitch].nom - 1e-9) return [];
      return [
        {
          severity: 'stop',
          message: `${what} ${terminal} reaches ${mm(d[terminal].max)} mm, which leaves no gap at pitch ${pitch} ${mm(d[pitch].nom)} mm.`,
          place: { dimensions: [terminal, pitch] },
          measured: { value: d[terminal].max, limit: d[pitch].nom, unit: 'mm' },
          remedies: [],
        },
      ];
    },
  };
}

/** Something that lies inside another has to be smaller than it. */
export function fitsInside<S extends string>(
  id: string,
  inner: {
    readonly words: string;
    readonly symbols: readonly S[];
    readonly of: (d: Dimensions<S>) => number;
  },
  outer: { readonly words: string; readonly symbol: S },
): PlausibilityRule<S> {
  return {
    id,
    title: `${inner.words} within ${outer.words}`,
    fault: `${inner.words} does not lie within ${outer.words}`,
    source: 'Geometry: the one lies inside the other',
    check({ d }) {
      const [value, limit] = [inner.of(d), d[outer.symbol].max];
      if (value <= limit + 1e-9) return [];
      return [
        {
          severity: 'stop',
          message: `${inner.words} is ${mm(value)} mm, ${outer.words} ${outer.symbol} only ${mm(limit)} mm. One of ${[...inner.symbols, outer.symbol].join(', ')} is wrong.`,
          place: { dimensions: [...inner.symbols, outer.symbol] },
          measured: { value, limit, unit: 'mm' },
          remedies: [],
        },
      ];
    },
  };
}
