import type { Model } from '../../core/body/model';
import type { TapisDocument } from '../../core/document/document';
import type { Compiled } from '../../core/footprint/footprint';
import type { Format, WrittenFile } from '../../core/format/format';
import { fail, ok, type Result } from '../../core/units/result';
import type { About } from './about';
import { documentFile } from './document-file';
import { runJob } from './job';

/** A file that takes longer than this is given up, ms. */
const WRITE_TIME = 120_000;

/**
 * The file of a format, written in a worker: the page stays live. Without a footprint there is the document.
 * @param model that the document names, where it is at hand
 * @param about what is said of it beside its document
 */
export function fileOf(
  format: Pick<Format, 'id' | 'title'>,
  { document, footprint }: Compiled,
  model: Model | null,
  about: About,
  signal: AbortSignal,
): Promise<Result<WrittenFile, string>> {
  if (footprint) return writeInWorker(format, document, model, about, signal);
  const missing = `${format.title} needs a footprint, and dimensions are missing.`;
  return Promise.resolve(format.id === 'json' ? ok(documentFile(document)) : fail(missing));
}

async function writeInWorker(
  { id, title }: Pick<Format, 'id' | 'title'>,
  document: TapisDocument,
  model: Model | null,
  about: About,
  signal: AbortSignal,
): Promise<Result<WrittenFile, string>> {
  const written = await runJob({
    job: 'write',
    request: { document, model, format: id, ...about },
    signal,
    time: WRITE_TIME,
    late: `it took longer than ${WRITE_TIME / 1000} s and was given up`,
    broken: 'Load the page again and try once more.',
  });
  return written.ok
    ? written
    : fail(`${title} could not be written: ${written.error.replace(/\.$/, '')}. Nothing was lost.`);
}
