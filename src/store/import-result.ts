import type { OwnFamily } from '../core/document/own-family';
import type { DocumentProblem } from '../core/document/read';
import type { StoredFootprint } from './database';

/** What imported files brought. */
export interface ImportResult {
  readonly added: readonly StoredFootprint[];
  /** Footprints that were here already and stand for documents of the files, changed or as they were. */
  readonly here: readonly StoredFootprint[];
  /** Package families that the gallery has now. */
  readonly families: readonly OwnFamily[];
  readonly refused: readonly DocumentProblem[];
}

/** What several imports brought. */
export function together(results: readonly ImportResult[]): ImportResult {
  return {
    added: results.flatMap(({ added }) => added),
    here: results.flatMap(({ here }) => here),
    families: results.flatMap(({ families }) => families),
    refused: results.flatMap(({ refused }) => refused),
  };
}
