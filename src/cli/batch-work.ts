import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { formatById } from '../core/format';
import { batchLine, type BatchAsk, type BatchTold } from '../kernel/batch-line';

/** Some files of a batch, for one thread. */
export interface BatchTask {
  readonly folder: string;
  /** Paths inside of the folder. */
  readonly paths: readonly string[];
  readonly ask: BatchAsk;
  /** Folder of what is written. */
  readonly out: string | null;
}

/** What is told of one file; one that is refused stays as it is. */
export type BatchLine = { readonly path: string; readonly written?: string } & BatchTold;

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

async function lineOf({ folder, ask, out }: BatchTask, path: string): Promise<BatchLine> {
  const { told, file } = await batchLine(readFileSync(join(folder, path), 'utf8'), ask);
  if (!file || out === null) return { path, ...told };
  // after its own file: two of one standard name do not meet
  const extension = formatById(ask.format ?? '')?.extension ?? '';
  const target = join(out, `${path.replace(/(\.tapis)?\.json$/i, '')}${extension}`);
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, file.content);
  return { path, ...told, written: target };
}
