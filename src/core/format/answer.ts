import type { Report } from '../check/check';
import { standardHash } from '../document/standard-hash';
import type { Compiled, Footprint } from '../footprint/footprint';
import type { SolvedGroup } from '../land/solution';

/**
 * A compiled document as plain JSON for the endpoint and the terminal: names, dimensions as read,
 * footprint, the solutions of all levels with their derivations, and the report.
 */
export function compiledAnswer(compiled: Compiled, report: Report) {
  const { document, process, standard, resolved, footprint, levels } = compiled;
  return {
    name: document.name,
    standardName: footprint?.standardName ?? null,
    process,
    standard: standard.document && {
      id: standard.document.id,
      name: standard.document.name,
      version: standard.document.version,
      hash: standardHash(standard.document),
    },
    dimensions: (resolved?.dimensions ?? []).map(({ definition, ...read }) => ({
      symbol: definition.symbol,
      name: definition.name,
      ...read,
    })),
    footprint: footprint && plain(footprint),
    levels:
      levels && Object.fromEntries(standard.levels.map(({ id }) => [id, levels[id].map(withoutPlaces)])),
    report,
  };
}

/**
 * The footprint without what would only make it long: a land names its padstack, and an imported model is
 * told by its name and how it lies; its triangles and its file stay out.
 */
function plain({ body, lands, ...rest }: Footprint) {
  const { imported, ...seated } = body;
  const { name, key } = imported?.intent ?? {};
  const seen = imported?.seen && { fit: imported.seen.fit, box: imported.seen.box };
  return {
    ...rest,
    lands: lands.map(({ padstack, ...land }) => ({ ...land, padstack: padstack.name })),
    body: { ...seated, imported: imported && { name, key, pose: imported.pose, seen } },
  };
}

/** The solution of a group at one level; where its terminals are stands in the footprint. */
function withoutPlaces({ terminals, ...solution }: SolvedGroup) {
  return { group: terminals.id, ...solution };
}
