import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { check } from '../core/check/check';
import type { Checked } from '../core/check/guarded';
import { compareFootprints, type Difference } from '../core/compare/differences';
import { compile } from '../core/footprint/compile';
import type { Compiled } from '../core/footprint/footprint';
import { openDocument, rewritten } from '../core/footprint/open';
import { FORMATS, formatById } from '../core/format';
import { BOARD_FORMATS } from '../core/format/board';
import type { CheckedFile } from '../core/format/checked-file';
import { writeJunit } from '../core/format/junit/junit';
import { writeSarif } from '../core/format/sarif/sarif';
import { compiledAnswer } from '../core/format/answer';
import { writeFile } from '../core/format/format';
import { aboutFrom } from '../core/format/release/ask';
import { TARGETS } from '../core/format/release/targets';
import { readInside } from '../kernel/read-inside';
import { Refusal, type Outcome } from './outcome';
import { reportWords } from './words';

const USAGE = `tapis compile FILE                        footprint, derivations and findings as JSON
tapis check FILE… [--format F]            findings; exit 1 when one is a stop
                                          (F: words, json, sarif, junit; words where it is missing)
tapis compare A B [--json] [--least MM]   in what B differs from A; exit 1 when lands, holes or vias do
tapis export FILE --format F --out DIR [--date D] [--revision R] [--paper a4|letter] [--approved FILE]
                                          writes a file; a report tells what changed since the approved one (F: ${FORMATS.map(({ id }) => id).join(', ')})
tapis release FILE… --target T --out ZIP [--pattern P] [--date D] [--revision R] [--paper a4|letter]
                                          the files of a target in one ZIP, with a manifest (T: ${TARGETS.map(({ id }) => id).join(', ')})
tapis take FILE [--family F] [--size S] [--page P] [--unit mm|in|mil]
                                          reads a datasheet’s table (txt, tsv, html, pdf, png, jpg) and prints a
                                          document; what is doubtful goes to standard error
tapis import FILE… --out DIR [--only NAME] [--unit mm|mil|in] [--columns C,C…] [--as NAME=ROLE]… [--box X,Y,X,Y]
                                          land patterns of other people’s files (IPC-2581, Gerber films with drill
                                          files, DXF, pad tables as CSV, or a ZIP of them) as documents; what was
                                          not understood goes to standard error
tapis opinion PATTERN [--against DOCUMENT] [--json] [--take computed|theirs|mended --out FILE [--reason R]]
                                          holds a pattern (a document, or a file as import reads it) against the
                                          package that it is meant for; exit 1 when it is wrong
tapis trial FILE [--json] [--format F --out DIR]
                                          a board with placed footprints: findings, exit 1 when one is a stop; or
                                          writes it (F: ${BOARD_FORMATS.map(({ id }) => id).join(', ')})
tapis batch DIR [--process P] [--level L] [--check] [--format F --out DIR]
                                          all documents of a folder, in threads: a line of JSON for each, a
                                          summary to standard error; P is a process’s id or its file
tapis format FILE… [--check]              writes files anew, the same intent as the same text, for version
                                          control; with --check names those that would change, exit 1

FILE is a Tapis document; - reads standard input. What cannot be done goes to standard error with
exit 2, a fault of Tapis itself with exit 3.
`;

/**
 * Runs one command line; touches files only to read what is named and to write where it is told to.
 * @param print takes what is told before the work is done
 */
export async function run(
  args: readonly string[],
  print: (text: string) => void = () => undefined,
): Promise<Outcome> {
  try {
    const { positionals, values } = parse(args);
    if (values.help) return { out: USAGE, err: '', code: 0 };
    const [command, file, ...rest] = positionals;
    if (!command || !file) throw new Refusal(USAGE.trimEnd());
    if (command === 'format') return formatFiles([file, ...rest], values.check === true);
    if (command === 'check') return await checkFiles([file, ...rest], values.format);
    if (command === 'release')
      return await (await import('./release')).release([file, ...rest], values, compileFile);
    if (command === 'import') return (await import('./import')).importFiles([file, ...rest], values);
    if (command === 'compare') return await compareFiles(file, rest, values);
    if (rest.length > 0) throw new Refusal(USAGE.trimEnd());
    if (command === 'batch') return await (await import('./batch')).batch(file, values, print);
    switch (command) {
      case 'compile': {
        const { compiled, err } = await compileFile(file);
        const answer = compiledAnswer(compiled, check(compiled));
        return { out: `${JSON.stringify(answer, null, 2)}\n`, err, code: 0 };
      }
      case 'trial':
        return await (await import('./trial')).trial(textOf(file), values);
      case 'opinion':
        return await (await import('./opinion')).opinion(file, values, compileFile);
      case 'take':
        return await (await import('./take')).take(file, values);
      case 'export':
        return await exportFile(file, values);
      default:
        throw new Refusal(`There is no command “${command}”.\n${USAGE.trimEnd()}`);
    }
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    if (error instanceof Refusal) return { out: '', err: `${message}\n`, code: 2 };
    const err = `Tapis has met a fault: ${message}. The file is as it was.\n`;
    return { out: '', err, code: 3 };
  }
}

function parse(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        format: { type: 'string' },
        out: { type: 'string' },
        check: { type: 'boolean' },
        json: { type: 'boolean' },
        process: { type: 'string' },
        level: { type: 'string' },
        least: { type: 'string' },
        target: { type: 'string' },
        pattern: { type: 'string' },
        date: { type: 'string' },
        revision: { type: 'string' },
        paper: { type: 'string' },
        approved: { type: 'string' },
        only: { type: 'string' },
        columns: { type: 'string' },
        as: { type: 'string', multiple: true },
        box: { type: 'string' },
        against: { type: 'string' },
        reason: { type: 'string' },
        take: { type: 'string' },
        family: { type: 'string' },
        size: { type: 'string' },
        page: { type: 'string' },
        unit: { type: 'string' },
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (error) {
    throw new Refusal(`${(error as Error).message}\n${USAGE.trimEnd()}`);
  }
}

/** A compiled file, and in words what of it was left out. */
export interface Read {
  readonly compiled: Compiled;
  readonly err: string;
}

const compileFile = (file: string): Promise<Read> => compileText(textOf(file));

async function compileText(text: string): Promise<Read> {
  const read = openDocument(text);
  if (!read.ok) throw new Refusal(read.error.map(({ message }) => message).join('\n'));
  const kernel = async () => (await import('occt-import-js')).default();
  const { loaded, trouble } = await readInside(read.value, kernel);
  return { compiled: compile(read.value, () => loaded), err: trouble === null ? '' : `${trouble}\n` };
}

function textOf(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new Refusal(`${file} cannot be read: ${(error as Error).message}`);
  }
}

interface ExportOptions {
  readonly format?: string | undefined;
  readonly out?: string | undefined;
  readonly date?: string | undefined;
  readonly revision?: string | undefined;
  readonly paper?: string | undefined;
  readonly approved?: string | undefined;
}

async function exportFile(
  file: string,
  { format: formatId, out, approved, ...said }: ExportOptions,
): Promise<Outcome> {
  const about = aboutFrom(said);
  if (!about.ok) throw new Refusal(`--${about.error}`);
  const format = formatById(formatId ?? '');
  if (!format) {
    const known = FORMATS.map(({ id }) => id).join(', ');
    throw new Refusal(`--format is “${formatId ?? ''}”; known are ${known}.`);
  }
  if (out === undefined) throw new Refusal('--out is missing: the folder to write into.');
  const { compiled, err } = await compileFile(file);
  const { footprint } = compiled;
  if (!footprint)
    throw new Refusal(`There is no footprint to write yet.\n${reportWords(check(compiled)).trimEnd()}`);
  const before = approved === undefined ? null : (await compileFile(approved)).compiled;
  const previous = before ? { previous: { compiled: before, report: check(before) } } : {};
  const written = await writeFile(format, { ...compiled, footprint }, { ...about.value, ...previous });
  const path = join(out, written.name);
  try {
    mkdirSync(out, { recursive: true });
    writeFileSync(path, written.content);
  } catch (error) {
    throw new Refusal(`${path} cannot be written: ${(error as Error).message}`);
  }
  return { out: `${path}\n`, err, code: 0 };
}

/** How findings can be written. */
const REPORTS: Readonly<Record<string, (files: readonly CheckedFile[]) => string>> = {
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

async function checkFiles(files: readonly string[], format = 'words'): Promise<Outcome> {
  const write = Object.hasOwn(REPORTS, format) ? REPORTS[format] : undefined;
  if (!write)
    throw new Refusal(`--format is “${format}”; findings are written as ${Object.keys(REPORTS).join(', ')}.`);
  const checked: CheckedFile[] = [];
  const err: string[] = [];
  let unread = false;
  for (const path of files) {
    try {
      const text = textOf(path);
      const read = await compileText(text);
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

async function compareFiles(
  file: string,
  rest: readonly string[],
  { json = false, least = '0' }: { readonly json?: boolean | undefined; readonly least?: string | undefined },
): Promise<Outcome> {
  const [other, ...more] = rest;
  if (other === undefined || more.length > 0) throw new Refusal('compare takes two files.');
  const smallest = Number(least);
  if (!(smallest >= 0)) throw new Refusal(`--least is “${least}”; it is a length in mm, such as 0.01.`);
  const [a, b] = [await compileFile(file), await compileFile(other)];
  const [first, second] = [a, b].map(({ compiled }) => ({ compiled, report: check(compiled) })) as [
    Checked,
    Checked,
  ];
  const { differences, copperDiffers, symbol } = compareFootprints(first, second, smallest);
  const about = (path: string, { compiled }: Checked) => ({
    path,
    name: compiled.document.name,
    standardName: compiled.footprint?.standardName ?? null,
  });
  const out = json
    ? `${JSON.stringify({ a: about(file, first), b: about(other, second), copperDiffers, symbol, differences }, null, 2)}\n`
    : `${differences.map(differenceWords).join('\n')}${differences.length > 0 ? '\n' : ''}${
        copperDiffers ? 'The copper differs.' : 'The copper is the same.'
      }${symbol ? ` ${symbol.words}` : ''}\n`;
  return { out, err: a.err + b.err, code: copperDiffers ? 1 : 0 };
}

/** Lands that a line names. */
const NAMED = 4;

function differenceWords({ what, title, from, to, kind, lands }: Difference): string {
  const said = (value: Difference['from']) => (value === null ? 'none' : String(value));
  const unit = kind === 'length' ? ' mm' : '';
  const which =
    lands.length === 0
      ? ''
      : ` (${lands.slice(0, NAMED).join(', ')}${lands.length > NAMED ? ` and ${lands.length - NAMED} more` : ''})`;
  return `${what}: ${title} ${said(from)} → ${said(to)}${unit}${which}`;
}

/** Writes files in the one way in which Tapis writes them; one that cannot be read stays as it is. */
function formatFiles(files: readonly string[], isCheck: boolean): Outcome {
  const out: string[] = [];
  const err: string[] = [];
  for (const file of files) {
    try {
      const text = textOf(file);
      const read = rewritten(text);
      if (!read.ok) throw new Refusal(read.error.map(({ message }) => message).join('; '));
      if (file === '-') out.push(read.value);
      else if (read.value !== text) {
        if (!isCheck) replace(file, read.value);
        out.push(`${file}\n`);
      }
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      err.push(`${file}: ${error.message}\n`);
    }
  }
  const code = err.length > 0 ? 2 : isCheck && out.length > 0 ? 1 : 0;
  return { out: out.join(''), err: err.join(''), code };
}

/** Puts a new text in a file's place at one stroke: what goes wrong on the way leaves the old one. */
function replace(file: string, text: string): void {
  const beside = `${file}.${process.pid}.new`;
  try {
    writeFileSync(beside, text);
    renameSync(beside, file);
  } catch (error) {
    throw new Refusal(`it cannot be written: ${(error as Error).message}`);
  }
}
