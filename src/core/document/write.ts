import stringify from 'json-stringify-pretty-compact';
import type { Process } from '../process/process';
import type { StandardDocument } from '../standard/standard';
import {
  byName,
  canonical,
  canonicalPackage,
  canonicalProcess,
  canonicalStandard,
  each,
  inOrder,
  ordered,
} from './canonical';
import type { TapisDocument } from './document';
import { familyOf, type OwnFamily } from './own-family';
import type { Standing } from './shelf-file';
import { TRIAL, type TrialDocument, type TrialFootprint } from './trial';

// The one way in which documents are written: in their canonical order, and what belongs together on one line. So
// the difference of two texts is the difference of two documents, line by line.

/** Longest line that holds a whole object or list. Characters */
const LINE = 110;

/** Writes a value as its file's text. */
export function jsonText(value: unknown): string {
  return `${stringify(value, { maxLength: LINE })}\n`;
}

/** Writes a document as its file's text; equal documents are equal texts. */
export function writeDocument(document: TapisDocument): string {
  return jsonText(canonical(document));
}

/** Writes a process into a file of its own. */
export function writeProcess(process: Process): string {
  return jsonText({ tapisProcess: 1, ...canonicalProcess(process) });
}

/** Writes a house standard into a file of its own. */
export function writeStandard(standard: StandardDocument): string {
  return jsonText({ tapisStandard: 1, ...canonicalStandard(standard) });
}

/** Writes a family into a file of its own. */
export function writeFamily(family: OwnFamily): string {
  return jsonText({ tapisFamily: 1, package: canonicalPackage(familyOf(family)) });
}

/** Writes a trial with the footprints that it holds; equal trials are equal texts. */
export function writeTrial(trial: TrialDocument): string {
  const { footprints, ownProcess } = trial;
  const arranged = {
    ...inOrder(trial, TRIAL),
    ...(ownProcess ? { ownProcess: canonicalProcess(ownProcess) } : {}),
    ...(footprints
      ? {
          footprints: each(byName(footprints), (one) => {
            const { document, ...about } = one as TrialFootprint;
            return ordered({ ...about, document: canonical(document) }, ['from', 'revision', 'document']);
          }),
        }
      : {}),
  };
  return jsonText(ordered(arranged, TRIAL_KEYS));
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

const TRIAL_KEYS = [
  ...['$schema', 'tapisTrial', 'name', 'unit', 'process', 'ownProcess'],
  ...Object.keys(TRIAL.fields),
  ...['footprints', 'waivers', 'notes'],
];
