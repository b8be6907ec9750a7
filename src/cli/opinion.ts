import { readFileSync, writeFileSync } from 'node:fs';
import type { TapisDocument } from '../core/document/document';
import { writeDocument } from '../core/document/write';
import { compile } from '../core/footprint/compile';
import { isDrawable, type Drawable } from '../core/footprint/footprint';
import { opinionAlone } from '../core/opinion/alone';
import { keptTheirs, opinionOn, type Opinion } from '../core/opinion/opinion';
import type { Remark } from '../core/opinion/remark';
import { differenceWords } from '../core/opinion/remarks-lands';
import { formatFigure, formatMm } from '../core/units/length';
import { compileFile, isFolder } from './files';
import { patternsIn, type ImportOptions } from './import';
import { opinionOnLibrary } from './opinion-library';
import { Refusal, type Outcome } from './outcome';

interface OpinionOptions extends ImportOptions {
  readonly against?: string | undefined;
  readonly json?: boolean | undefined;
  readonly sarif?: boolean | undefined;
  readonly take?: string | undefined;
  readonly reason?: string | undefined;
}

/** Holds a pattern against a package, and writes what is made of it where that is asked for. */
export async function opinion(file: string, options: OpinionOptions): Promise<Outcome> {
  const { against: path, json = false, take, out, reason } = options;
  if (isFolder(file) || (path !== undefined && isFolder(path))) {
    if (path === undefined)
      throw new Refusal('--against is missing: the folder of the packages that the patterns are meant for.');
    if (take !== undefined) throw new Refusal('--take goes with one pattern, and not with a folder of them.');
    return opinionOnLibrary(file, path, options);
  }
  const pattern = await patternOf(file, options);
  const told = pattern.left.map((one) => `${one}\n`).join('');
  if (path === undefined) {
    if (take !== undefined)
      throw new Refusal('--take needs --against: the package that the pattern is meant for.');
    const alone = opinionAlone(pattern.drawn);
    const text = json ? `${JSON.stringify(alone, null, 2)}\n` : inWords(alone);
    return { out: text, err: told, code: alone.verdict === 'wrong' ? 1 : 0 };
  }
  const { compiled, err } = await compileFile(path, options.standard);
  if (!isDrawable(compiled)) throw new Refusal(`${path} gives no footprint to hold it against yet.`);
  const read = opinionOn(pattern.drawn, compiled);
  if (!read.ok) throw new Refusal(`${file}: ${read.error}`);
  const { wrong, lands, line, verdict, remarks, fit } = read.value;
  const made = take === undefined ? null : documentFor(pattern.drawn, compiled, read.value, take, reason);
  if (made) {
    if (out === undefined) throw new Refusal('--out is missing: the file to write.');
    try {
      writeFileSync(out, writeDocument(made), { flag: 'wx' });
    } catch (error) {
      const isThere = (error as NodeJS.ErrnoException).code === 'EEXIST';
      throw new Refusal(
        `${out} cannot be written: ${isThere ? 'it is there already' : (error as Error).message}.`,
      );
    }
  }
  const { scale, mirrored, angle, by } = fit;
  const text = json
    ? `${JSON.stringify({ line, verdict, remarks, lands, fit: { scale, mirrored, angle, by }, wrong }, null, 2)}\n`
    : `${inWords(read.value)}${landWords(read.value)}`;
  return { out: text, err: told + err, code: verdict === 'wrong' ? 1 : 0 };
}

/** The document that an action gives. */
function documentFor(
  pattern: Drawable,
  against: Drawable,
  opinion: Opinion,
  take: string,
  reason: string | undefined,
): TapisDocument {
  switch (take) {
    case 'computed':
      return against.document;
    case 'mended':
      return opinion.mended;
    case 'theirs':
      if (!reason?.trim()) throw new Refusal('--reason is missing: lands of others are kept with a reason.');
      return keptTheirs(pattern, against, opinion, reason.trim());
    default:
      throw new Refusal(`--take is “${take}”; known are computed, theirs, mended.`);
  }
}

/** A pattern that can be drawn: a document, or the one pattern of another file. */
async function patternOf(
  file: string,
  options: OpinionOptions,
): Promise<{ readonly drawn: Drawable; readonly left: readonly string[] }> {
  const { compiled, left } = isDocument(file)
    ? { compiled: (await compileFile(file)).compiled, left: [] }
    : taken(file, options);
  if (!isDrawable(compiled))
    throw new Refusal(`${file} gives no footprint: ${compiled.problems[0]?.message ?? 'it has no lands'}`);
  return { drawn: compiled, left };
}

function isDocument(file: string): boolean {
  if (file === '-') return true;
  try {
    return /^\s*\{/.test(readFileSync(file, 'utf8').slice(0, 200));
  } catch (error) {
    throw new Refusal(`${file} cannot be read: ${(error as Error).message}`);
  }
}

function taken(file: string, options: OpinionOptions) {
  const { taken: all, left } = patternsIn([file], options);
  const [only] = all;
  if (!only || all.length > 1)
    throw new Refusal(
      `There are ${all.length} patterns in it; say which with --only: ${all
        .map(({ document }) => document.name)
        .slice(0, 20)
        .join(', ')}.`,
    );
  return { compiled: compile(only.document), left: [...left, ...only.left] };
}

function inWords({ line, remarks }: { readonly line: string; readonly remarks: readonly Remark[] }): string {
  return [
    line,
    ...remarks.map(({ severity, title, message }) => `${severity}: ${title}. ${message}`),
    '',
  ].join('\n');
}

/** Lands that differ, one line for all that differ alike. */
function landWords({ lands }: Opinion): string {
  const kinds = new Map<string, string[]>();
  for (const land of lands) {
    const by = differenceWords(land);
    if (by === '') continue;
    const margins = land.margins.map(
      ({ end, inverse, least, worst, ppm }) =>
        `${end} ${formatMm(inverse ?? least)} (RSS ${formatMm(least)}, worst ${formatMm(worst)}${ppm > 0 ? `, ${formatFigure(ppm, 0, 2)} ppm` : ''})`,
    );
    const words = `${by}; ${margins.join(', ')}`;
    kinds.set(words, [...(kinds.get(words) ?? []), land.number]);
  }
  return [...kinds].map(([words, numbers]) => `land ${numbers.join(' ')}: ${words}\n`).join('');
}
