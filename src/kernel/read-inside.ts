import type { Occt } from 'occt-import-js';
import { loadedModel, type LoadedModel } from '../core/body/loaded';
import type { TapisDocument } from '../core/document/document';
import { takeInside } from './inside';
import { readModel } from './read-model';

/** As {@link takeInside}, with the file read: what compiling a document needs where nothing is stored. */
export async function readInside(
  document: TapisDocument,
  loadKernel: () => Promise<Occt>,
): Promise<{ readonly loaded: LoadedModel | null; readonly trouble: string | null }> {
  const { file, trouble } = await takeInside(document);
  if (!file) return { loaded: null, trouble };
  const read = await readModel(file.bytes, file.name, loadKernel);
  return read.ok
    ? { loaded: loadedModel(read.value), trouble: null }
    : { loaded: null, trouble: `${document.name}: ${read.error} The footprint came in without it.` };
}
