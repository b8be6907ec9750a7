import type { Report } from '../check/check';
import type { Compiled } from '../footprint/footprint';

/**
 * A compiled document as plain JSON for the endpoint and the terminal: names, dimensions as read,
 * footprint, the solutions of all levels with their derivations, and the report.
 */
export function compiledAnswer(compiled: Compiled, report: Report) {
  const { document, process, resolved, footprint, levels } = compiled;
  return {
    name: document.name,
    standardName: footprint?.standardName ?? null,
    process,
    dimensions: (resolved?.dimensions ?? []).map(({ definition, ...read }) => ({
      symbol: definition.symbol,
      name: definition.name,
      ...read,
    })),
    footprint,
    levels,
    report,
  };
}
