import type { DimensionDefinition } from './definitions';

type More = Partial<Omit<DimensionDefinition, 'symbol' | 'name' | 'help' | 'kind' | 'limits'>>;

/** A length of a family's drawing; limits in mm are what can be meant at all. */
export function length<const S extends string>(
  symbol: S,
  name: string,
  help: string,
  limits: readonly [number, number],
  more: More = {},
): DimensionDefinition<S> {
  return { symbol, name, help, kind: 'length', limits, ...more };
}

/** A count of a family's drawing, such as its leads. */
export function count<const S extends string>(
  symbol: S,
  name: string,
  help: string,
  limits: readonly [number, number],
  more: More = {},
): DimensionDefinition<S> {
  return { symbol, name, help, kind: 'count', limits, ...more };
}
