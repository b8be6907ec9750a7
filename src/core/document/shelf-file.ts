import type { Process } from '../process/process';
import type { TapisDocument } from './document';
import { familyOf, type OwnFamily } from './own-family';
import { canonical, canonicalPackage, canonicalProcess, jsonText } from './write';

/** Largest file with a whole Shelf, in characters. */
export const LARGEST_SHELF = 50_000_000;

/** Where a document of a Shelf stands: names of its groups, outermost first, and its tags. */
export interface Standing {
  readonly group?: readonly string[];
  readonly tags?: readonly string[];
}

/**
 * Writes documents, and the processes and families of one's own, into one file.
 * @param standing where each of the documents stands, in their order
 */
export function writeShelf(
  documents: readonly TapisDocument[],
  processes: readonly Process[] = [],
  families: readonly OwnFamily[] = [],
  standing: readonly Standing[] = [],
): string {
  const own = processes.map((process) => ({ tapisProcess: 1, ...canonicalProcess(process) }));
  const kept = families.map((family) => ({ tapisFamily: 1, package: canonicalPackage(familyOf(family)) }));
  const shelf = {
    tapisShelf: 1,
    documents: documents.map(canonical),
    ...(standing.some(({ group, tags }) => group || tags) ? { standing } : {}),
    ...(own.length > 0 ? { processes: own } : {}),
    ...(kept.length > 0 ? { families: kept } : {}),
  };
  return jsonText(shelf);
}
