import { check } from '../core/check/check';
import { FORMATS, formatById } from '../core/format';
import { writeFile } from '../core/format/format';
import { aboutFrom } from '../core/format/release/ask';
import { compileFile, writeInto } from './files';
import { Refusal, type Outcome } from './outcome';
import { reportWords } from './words';

/** What is asked of one file. */
export interface ExportOptions {
  readonly format?: string | undefined;
  readonly out?: string | undefined;
  readonly date?: string | undefined;
  readonly revision?: string | undefined;
  readonly paper?: string | undefined;
  readonly approved?: string | undefined;
  readonly standard?: string | undefined;
}

/** Writes a document in a format. */
export async function exportFile(
  file: string,
  { format: formatId, out, approved, standard, ...said }: ExportOptions,
): Promise<Outcome> {
  const about = aboutFrom(said);
  if (!about.ok) throw new Refusal(`--${about.error}`);
  const format = formatById(formatId ?? '');
  if (!format) {
    const known = FORMATS.map(({ id }) => id).join(', ');
    throw new Refusal(`--format is “${formatId ?? ''}”; known are ${known}.`);
  }
  if (out === undefined) throw new Refusal('--out is missing: the folder to write into.');
  const { compiled, err } = await compileFile(file, standard);
  const { footprint } = compiled;
  if (!footprint)
    throw new Refusal(`There is no footprint to write yet.\n${reportWords(check(compiled)).trimEnd()}`);
  const before = approved === undefined ? null : (await compileFile(approved)).compiled;
  const previous = before ? { previous: { compiled: before, report: check(before) } } : {};
  const written = await writeFile(format, { ...compiled, footprint }, { ...about.value, ...previous });
  const path = writeInto(out, written);
  return { out: `${path}\n`, err, code: 0 };
}
