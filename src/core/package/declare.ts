import type { DimensionDefinition, DimensionLine } from './family';

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

/** A dimension line from one point of a view to another, standing off to a side. */
export function line(
  symbol: string,
  view: DimensionLine['view'],
  side: DimensionLine['side'],
  [x0, y0]: readonly [number, number],
  [x1, y1]: readonly [number, number],
  tier = 0,
): DimensionLine {
  return { symbol, view, side, from: { x: x0, y: y0 }, to: { x: x1, y: y1 }, tier };
}
