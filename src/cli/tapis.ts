import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { gunzipSync } from 'node:zlib';
import { check, type Report } from '../core/check/check';
import { LARGEST_MODEL } from '../core/body/model';
import { loadedModel, type LoadedModel } from '../core/body/subject';
import type { TapisDocument } from '../core/document/document';
import { compile } from '../core/footprint/compile';
import type { Compiled } from '../core/footprint/footprint';
import { openDocument } from '../core/footprint/open';
import { FORMATS, formatById } from '../core/format';
import { compiledAnswer } from '../core/format/answer';
import { writeFile } from '../core/format/format';
import { readModel } from '../kernel/read-model';

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
        const compiled = await compileFile(file);
        return {
          out: `${JSON.stringify(compiledAnswer(compiled, check(compiled)), null, 2)}\n`,
          err: '',
          code: 0,
        };
      }
      case 'check': {
        const report = check(await compileFile(file));
        return { out: inWords(report), err: '', code: report.verdict === 'stop' ? 1 : 0 };
      }
      case 'export':
        return { out: `${await exportFile(file, values.format, values.out)}\n`, err: '', code: 0 };
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

async function compileFile(file: string): Promise<Compiled> {
  const read = openDocument(textOf(file));
  if (!read.ok) throw new Refusal(read.error.map(({ message }) => message).join('\n'));
  const loaded = await modelInside(read.value);
  return compile(read.value, () => loaded);
}

/** The model that a document carries inside; `null` where it carries none. */
async function modelInside({ body }: TapisDocument): Promise<LoadedModel | null> {
  const { data, key, name } = body?.model ?? {};
  if (!data || !name) return null;
  let bytes: Buffer;
  try {
    bytes = gunzipSync(Buffer.from(data, 'base64'), { maxOutputLength: LARGEST_MODEL });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE')
      throw new Refusal(
        `The model “${name}” inside the document unpacks to more than ${LARGEST_MODEL / 1e6} MB; it is not read.`,
      );
    throw new Refusal(
      `The file of the model “${name}” inside the document is damaged; export the document again.`,
    );
  }
  if (createHash('sha256').update(bytes).digest('hex') !== key)
    throw new Refusal(`The file inside the document is not “${name}” as the document knows it.`);
  const read = await readModel(bytes, name, async () => (await import('occt-import-js')).default());
  if (!read.ok) throw new Refusal(read.error);
  return loadedModel(read.value);
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
): Promise<string> {
  const format = formatById(formatId ?? '');
  if (!format) {
    const known = FORMATS.map(({ id }) => id).join(', ');
    throw new Refusal(`--format is “${formatId ?? ''}”; known are ${known}.`);
  }
  if (out === undefined) throw new Refusal('--out is missing: the folder to write into.');
  const compiled = await compileFile(file);
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
  return path;
}

function inWords({ findings, held, idle }: Report): string {
  const lines = findings.map(
    ({ severity, title, message, source }) => `${severity}: ${title}. ${message} [${source}]`,
  );
  return [...lines, `${held.length} rules held, ${idle.length} had nothing to look at`, ''].join('\n');
}
