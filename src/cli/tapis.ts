import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { check, type Report } from '../core/check/check';
import { compile } from '../core/footprint/compile';
import type { Compiled } from '../core/footprint/footprint';
import { openDocument } from '../core/footprint/open';
import { FORMATS, formatById } from '../core/format';
import { compiledAnswer } from '../core/format/answer';
import { writeFile } from '../core/format/format';
import { readInside } from '../kernel/read-inside';

const USAGE = `tapis compile FILE                        footprint, derivations and findings as JSON
tapis check FILE                          findings in words; exit 1 when one is a stop
tapis export FILE --format F --out DIR    writes a file (F: ${FORMATS.map(({ id }) => id).join(', ')})

FILE is a Tapis document; - reads standard input. What cannot be done goes to standard error with
exit 2, a fault of Tapis itself with exit 3.
`;

/** What the terminal gets: texts for the two outputs and the exit code. */
export interface Outcome {
  readonly out: string;
  readonly err: string;
  readonly code: 0 | 1 | 2 | 3;
}

/** An error for the person at the terminal: shown without a stack, exit 2. */
class Refusal extends Error {}

/** Runs one command line; touches files only to read FILE and to write into --out. */
export async function run(args: readonly string[]): Promise<Outcome> {
  try {
    const { positionals, values } = parse(args);
    if (values.help) return { out: USAGE, err: '', code: 0 };
    const [command, file, ...rest] = positionals;
    if (!command || !file || rest.length > 0) throw new Refusal(USAGE.trimEnd());
    switch (command) {
      case 'compile': {
        const { compiled, err } = await compileFile(file);
        const answer = compiledAnswer(compiled, check(compiled));
        return { out: `${JSON.stringify(answer, null, 2)}\n`, err, code: 0 };
      }
      case 'check': {
        const { compiled, err } = await compileFile(file);
        const report = check(compiled);
        return { out: inWords(report), err, code: report.verdict === 'stop' ? 1 : 0 };
      }
      case 'export':
        return await exportFile(file, values.format, values.out);
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
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (error) {
    throw new Refusal(`${(error as Error).message}\n${USAGE.trimEnd()}`);
  }
}

/** A compiled file, and in words what of it was left out. */
interface Read {
  readonly compiled: Compiled;
  readonly err: string;
}

async function compileFile(file: string): Promise<Read> {
  const read = openDocument(textOf(file));
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

async function exportFile(
  file: string,
  formatId: string | undefined,
  out: string | undefined,
): Promise<Outcome> {
  const format = formatById(formatId ?? '');
  if (!format) {
    const known = FORMATS.map(({ id }) => id).join(', ');
    throw new Refusal(`--format is “${formatId ?? ''}”; known are ${known}.`);
  }
  if (out === undefined) throw new Refusal('--out is missing: the folder to write into.');
  const { compiled, err } = await compileFile(file);
  const { footprint } = compiled;
  if (!footprint)
    throw new Refusal(`There is no footprint to write yet.\n${inWords(check(compiled)).trimEnd()}`);
  const written = await writeFile(format, { ...compiled, footprint });
  const path = join(out, written.name);
  try {
    mkdirSync(out, { recursive: true });
    writeFileSync(path, written.content);
  } catch (error) {
    throw new Refusal(`${path} cannot be written: ${(error as Error).message}`);
  }
  return { out: `${path}\n`, err, code: 0 };
}

function inWords({ findings, held, idle }: Report): string {
  const lines = findings.map(
    ({ severity, title, message, source }) => `${severity}: ${title}. ${message} [${source}]`,
  );
  return [...lines, `${held.length} rules held, ${idle.length} had nothing to look at`, ''].join('\n');
}
