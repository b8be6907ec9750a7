import { existsSync, readFileSync } from 'node:fs';
import { check } from '../core/check/check';
import type { CheckedFile } from '../core/format/checked-file';
import { writeJunit } from '../core/format/junit/junit';
import { writeSarif } from '../core/format/sarif/sarif';
import { compileText, textOf } from './files';
import { Refusal, type Outcome } from './outcome';
import { reportWords } from './words';

/** How findings can be written. */
export const REPORTS: Readonly<Record<string, (files: readonly CheckedFile[]) => string>> = {
  words: (files) =>
    files
      .map(({ path, report }) => (files.length > 1 ? `${path}\n${reportWords(report)}` : reportWords(report)))
      .join('\n'),
  json: (files) =>
    `${JSON.stringify(
      files.map(({ path, report }) => ({ path, ...report })),
      null,
      2,
    )}\n`,
  sarif: writeSarif,
  junit: writeJunit,
};

/** Checks documents; one that cannot be read does not keep the others from being checked. */
export async function checkFiles(
  named: readonly string[],
  {
    format = 'words',
    standard,
    list,
  }: {
    readonly format?: string | undefined;
    readonly standard?: string | undefined;
    readonly list?: string | undefined;
  },
): Promise<Outcome> {
  const write = Object.hasOwn(REPORTS, format) ? REPORTS[format] : undefined;
  if (!write)
    throw new Refusal(`--format is “${format}”; findings are written as ${Object.keys(REPORTS).join(', ')}.`);
  const files = [...named, ...(list === undefined ? [] : listed(list))];
  if (named.length === 0 && list === undefined)
    throw new Refusal('Name a file, or a list of them by --list.');
  const checked: CheckedFile[] = [];
  const err: string[] = [];
  let unread = false;
  for (const path of files) {
    try {
      const text = textOf(path);
      const read = await compileText(text, standard);
      checked.push({ path, text, compiled: read.compiled, report: check(read.compiled) });
      if (read.err !== '') err.push(read.err);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      // one file that cannot be read does not keep the others from being checked
      if (files.length === 1) throw error;
      unread = true;
      err.push(`${path}: ${error.message}\n`);
    }
  }
  const isStopped = checked.some(({ report }) => report.verdict === 'stop');
  return { out: write(checked), err: err.join(''), code: unread ? 2 : isStopped ? 1 : 0 };
}

/** Paths of a list that are documents: what is gone, or is no JSON, or is another kind of Tapis file, is left out. */
function listed(list: string): string[] {
  return textOf(list)
    .split(/[\r\n\0]+/)
    .map((line) => line.trim())
    .filter(
      (path) => /\.json$/i.test(path) && existsSync(path) && /"tapis"\s*:/.test(readFileSync(path, 'utf8')),
    );
}
