import type { Report } from '../check/check';
import type { Compiled, Footprint } from '../footprint/footprint';

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
    footprint: footprint && withoutMeshes(footprint),
    levels,
    report,
  };
}

/** An imported model is told by its name and how it lies; its triangles and its file stay out. */
function withoutMeshes(footprint: Footprint) {
  const { imported, ...body } = footprint.body;
  if (!imported) return footprint;
  const { name, key } = imported.intent;
  const seen = imported.seen && { fit: imported.seen.fit, box: imported.seen.box };
  return { ...footprint, body: { ...body, imported: { name, key, pose: imported.pose, seen } } };
}
