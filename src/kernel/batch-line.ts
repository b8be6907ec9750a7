import { problemWords } from '../core/document/read';
import { openDocument } from '../core/footprint/open';
import { formatById } from '../core/format';
import { writeFile, type WrittenFile } from '../core/format/format';
import { batched, type BatchResult } from '../core/library/batch';
import type { Wish } from '../core/library/change';
import { readInside } from './read-inside';

/** What is asked of every document of a batch. */
export interface BatchAsk {
  readonly wish: Wish;
  /** Whether findings are told in words. */
  readonly inWords: boolean;
  /** Id of the format of the files that are wanted; `null` where none are. */
  readonly format: string | null;
}

/** What is told of one document of a batch. */
export type BatchTold =
  | (BatchResult & {
      /** A model inside that could not be read, and why; everything else is told without it. */
      readonly leftOut?: string;
      /** Why there is no file of it. */
      readonly unwritten?: string;
    })
  /** One that could not be read. */
  | { readonly refused: string };

/** Does one document of a batch, from its text, and writes its file where one is wanted. */
export async function batchLine(
  text: string,
  { wish, inWords, format: id }: BatchAsk,
): Promise<{ readonly told: BatchTold; readonly file: WrittenFile | null }> {
  const read = openDocument(text);
  if (!read.ok) return { told: { refused: problemWords(read.error, '; ') }, file: null };
  const kernel = async () => (await import('occt-import-js')).default();
  const { loaded, trouble } = await readInside(read.value, kernel);
  const { result, checked } = batched(read.value, wish, inWords, () => loaded);
  const told = trouble === null ? result : { ...result, leftOut: trouble };
  const format = id === null ? null : formatById(id);
  if (!format) return { told, file: null };
  const { compiled } = checked;
  if (!compiled.footprint)
    return { told: { ...told, unwritten: 'there is no footprint to write yet' }, file: null };
  return { told, file: await writeFile(format, { ...compiled, footprint: compiled.footprint }) };
}
