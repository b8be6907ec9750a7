import { watch as watchFiles } from 'chokidar';
import { check } from '../core/check/check';
import { formatById, FORMATS } from '../core/format';
import { writeFile } from '../core/format/format';
import { isDrawable } from '../core/footprint/footprint';
import { join, relative } from 'node:path';
import { compileFile, filesIn, isFolder, textOf, writeInto } from './files';
import { Refusal, type Outcome } from './outcome';

interface WatchOptions {
  readonly format?: string | undefined;
  readonly out?: string | undefined;
  readonly standard?: string | undefined;
  /** Looks once and ends. */
  readonly once?: boolean | undefined;
}

/** A file is looked at once nothing more was written to it for this long, ms. */
const SETTLED = 120;

/**
 * Compiles, checks and writes the documents of a folder, then each that changes, until it is ended: for people who
 * work in an editor of their own.
 * @param print takes a line for each document that was looked at
 */
export async function watch(
  folder: string,
  options: WatchOptions,
  print: (text: string) => void,
): Promise<Outcome> {
  const { format: id, out, once = false, standard } = options;
  if (!isFolder(folder)) throw new Refusal(`${folder} is no folder.`);
  const format = id === undefined ? null : formatById(id);
  if (id !== undefined && !format)
    throw new Refusal(`--format is “${id}”; known are ${FORMATS.map((one) => one.id).join(', ')}.`);
  if ((format === null) !== (out === undefined)) throw new Refusal('--format and --out go together.');
  const seen = new Map<string, string>();
  const look = async (path: string): Promise<'stop' | 'other'> => {
    const file = join(folder, path);
    let text: string;
    try {
      text = textOf(file);
    } catch {
      if (seen.delete(path)) print(`${path}: gone\n`);
      return 'other';
    }
    if (seen.get(path) === text || !/"tapis"\s*:/.test(text)) return 'other';
    seen.set(path, text);
    try {
      const { compiled } = await compileFile(file, standard);
      const { verdict, findings } = check(compiled);
      const written =
        format && out !== undefined && isDrawable(compiled)
          ? ` → ${writeInto(out, await writeFile(format, compiled))}`
          : '';
      print(`${path}: ${verdict}, ${compiled.footprint?.standardName ?? 'no footprint yet'}${written}\n`);
      for (const { severity, title, message } of findings.filter((one) => one.severity !== 'note'))
        print(`  ${severity}: ${title}. ${message}\n`);
      return verdict === 'stop' ? 'stop' : 'other';
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      // half-written, or not right yet: the next state is looked at again
      print(`${path}: ${error.message.trimEnd()}\n`);
      return 'other';
    }
  };
  let stops = 0;
  for (const path of filesIn(folder)) if ((await look(path)) === 'stop') stops += 1;
  if (once) return { out: '', err: '', code: stops > 0 ? 1 : 0 };
  const watcher = watchFiles(folder, {
    ignoreInitial: true,
    ignored: (path, stats) => stats?.isFile() === true && !/\.json$/i.test(path),
    awaitWriteFinish: { stabilityThreshold: SETTLED, pollInterval: SETTLED / 4 },
  });
  watcher.on('ready', () => print(`watching ${folder}; Ctrl C ends it\n`));
  for (const event of ['add', 'change', 'unlink'] as const)
    watcher.on(event, (path: string) => void look(relative(folder, path)));
  // until it is ended
  return new Promise(() => undefined);
}
