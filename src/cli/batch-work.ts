import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { openDocument } from '../core/footprint/open';
import { formatById } from '../core/format';
import { writeFile } from '../core/format/format';
import { batched, type BatchResult } from '../core/library/batch';
import type { Wish } from '../core/library/change';
import { readInside } from '../kernel/read-inside';

/** Some files of a batch, for one thread. */
export interface BatchTask {
  readonly folder: string;
  /** Paths inside of the folder. */
  readonly paths: readonly string[];
  readonly wish: Wish;
  /** Whether findings are told in words. */
  readonly inWords: boolean;
  /** Format and folder of what is written; `null` where nothing is. */
  readonly write: { readonly format: string; readonly out: string } | null;
}

/** What is told of one file. */
export type BatchLine =
  | ({ readonly path: string; readonly written?: string; readonly unwritten?: string } & BatchResult)
  /** One that could not be read; it stays as it is. */
  | { readonly path: string; readonly refused: string };

/** Does some files of a batch; what is wrong with one of them is told and takes nothing else along. */
export async function batchWork(task: BatchTask): Promise<BatchLine[]> {
  const lines: BatchLine[] = [];
  for (const path of task.paths) {
    try {
      lines.push(await lineOf(task, path));
    } catch (error) {
      lines.push({ path, refused: error instanceof Error ? error.message : String(error) });
    }
  }
  return lines;
}

async function lineOf({ folder, wish, inWords, write }: BatchTask, path: string): Promise<BatchLine> {
  const read = openDocument(readFileSync(join(folder, path), 'utf8'));
  if (!read.ok) return { path, refused: read.error.map(({ message }) => message).join('; ') };
  const kernel = async () => (await import('occt-import-js')).default();
  const { loaded } = await readInside(read.value, kernel);
  const { result, checked } = batched(read.value, wish, inWords, () => loaded);
  if (!write) return { path, ...result };
  const format = formatById(write.format);
  const { compiled } = checked;
  if (!format || !compiled.footprint)
    return { path, ...result, unwritten: 'there is no footprint to write yet' };
  const file = await writeFile(format, { ...compiled, footprint: compiled.footprint });
  // after its own file: two of one standard name do not meet
  const target = join(write.out, `${path.replace(/(\.tapis)?\.json$/i, '')}${format.extension}`);
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, file.content);
  return { path, ...result, written: target };
}
