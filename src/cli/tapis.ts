import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { check, type Report } from '../core/check/check';
import { readDocument } from '../core/document/read';
import { compile } from '../core/footprint/compile';
import type { Compiled } from '../core/footprint/footprint';
import { FORMATS, formatById } from '../core/format';
import { compiledAnswer } from '../core/format/answer';
import { writeFile } from '../core/format/format';

const USAGE = `tapis compile FILE                        footprint, derivations and findings as JSON
tapis check FILE                          findings in words; exit 1 when one is a stop
tapis export FILE --format F --out DIR    writes a file (F: ${FORMATS.map(({ id }) => id).join(', ')})

FILE is a Tapis document; - reads standard input. Errors go to standard error with exit 2.
`;

/** What the terminal gets: texts for the two outputs and the exit code. */
export interface Outcome {
  readonly out: string;
  readonly err: string;
  readonly code: 0 | 1 | 2;
}

/** An error for the person at the terminal: shown without a stack, exit 2. */
class Refusal extends Error {}

/** Runs one command line; touches files only to read FILE and to write into --out. */
export function run(args: readonly string[]): Outcome {
  try {
    const { positionals, values } = parse(args);
    if (values.help) return { out: USAGE, err: '', code: 0 };
    const [command, file, ...rest] = positionals;
    if (!command || !file || rest.length > 0) throw new Refusal(USAGE.trimEnd());
    switch (command) {
      case 'compile': {
        const compiled = compileFile(file);
        return {
          out: `${JSON.stringify(compiledAnswer(compiled, check(compiled)), null, 2)}\n`,
          err: '',
          code: 0,
        };
      }
      case 'check': {
        const report = check(compileFile(file));
        return { out: inWords(report), err: '', code: report.verdict === 'stop' ? 1 : 0 };
      }
      case 'export':
        return { out: `${exportFile(file, values.format, values.out)}\n`, err: '', code: 0 };
      default:
        throw new Refusal(`There is no command “${command}”.\n${USAGE.trimEnd()}`);
    }
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { out: '', err: `${error.message}\n`, code: 2 };
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

function compileFile(file: string): Compiled {
  const read = readDocument(textOf(file));
  if (!read.ok) throw new Refusal(read.error.map(({ message }) => message).join('\n'));
  return compile(read.value);
}

function textOf(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new Refusal(`${file} cannot be read: ${(error as Error).message}`);
  }
}

function exportFile(file: string, formatId: string | undefined, out: string | undefined): string {
  const format = formatById(formatId ?? '');
  if (!format) {
    const known = FORMATS.map(({ id }) => id).join(', ');
    throw new Refusal(`--format is “${formatId ?? ''}”; known are ${known}.`);
  }
  if (out === undefined) throw new Refusal('--out is missing: the folder to write into.');
  const compiled = compileFile(file);
  const { footprint } = compiled;
  if (!footprint)
    throw new Refusal(`There is no footprint to write yet.\n${inWords(check(compiled)).trimEnd()}`);
  const written = writeFile(format, { ...compiled, footprint });
  const path = join(out, written.name);
  try {
    mkdirSync(out, { recursive: true });
    writeFileSync(path, written.text);
  } catch (error) {
    throw new Refusal(`${path} cannot be written: ${(error as Error).message}`);
  }
  return path;
}

function inWords({ findings, held }: Report): string {
  const lines = findings.map(
    ({ severity, title, message, source }) => `${severity}: ${title}. ${message} [${source}]`,
  );
  return [...lines, `${held.length} rules held`, ''].join('\n');
}
