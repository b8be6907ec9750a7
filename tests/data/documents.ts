import type { DimensionEntry, Overrides, TapisDocument } from '../../src/core/document/document';

/** The sixteen-lead converter of the worked example; its lands are worked by hand in the solver's test. */
export function converter(
  dimensions: Record<string, DimensionEntry> = {},
  rest: Partial<TapisDocument> & { overrides?: Overrides } = {},
): TapisDocument {
  return {
    tapis: 2,
    name: 'U4 converter',
    package: {
      family: 'gull-wing-dual',
      dimensions: {
        n: 16,
        e: '0.65',
        E: '6.2..6.6',
        E1: '4.3..4.5',
        D: '4.9..5.1',
        L: '0.45..0.75',
        b: '0.19..0.30',
        A: 'max 1.2',
        A1: '0.05..0.15',
        ...dimensions,
      },
    },
    level: 'B',
    process: 'standard',
    ...rest,
  };
}

/** A chip of size 1608. */
export function chip(
  dimensions: Record<string, DimensionEntry> = {},
  rest: Partial<TapisDocument> & { component?: string } = {},
): TapisDocument {
  const { component = 'resistor', ...others } = rest;
  return {
    tapis: 2,
    name: 'R1',
    package: {
      family: 'rectangular-chip',
      options: { component },
      dimensions: { L: '1.6±0.1', W: '0.8±0.1', T: '0.3±0.15', A: '0.45±0.1', ...dimensions },
    },
    level: 'B',
    process: 'standard',
    ...others,
  };
}
