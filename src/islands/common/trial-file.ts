import type { DocumentProblem } from '../../core/document/read';
import { openTrial } from '../../core/footprint/open';
import type { StoredTrial } from '../../store/database';
import { trials } from './shelf-store';

/** Reads a file with a trial and keeps it; nothing is kept of one that cannot be read. */
export async function takeTrial(
  file: File,
): Promise<{ readonly stored: StoredTrial } | { readonly refused: readonly DocumentProblem[] }> {
  const read = openTrial(await file.text());
  if (read.ok) return { stored: await trials.bring(read.value) };
  return {
    refused: read.error.map(({ field, message }) => ({ field, message: `${file.name}: ${message}` })),
  };
}
