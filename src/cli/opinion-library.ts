import { readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { openShelf } from '../core/footprint/open';
import { compile } from '../core/footprint/compile';
import { isDrawable } from '../core/footprint/footprint';
import { patternKindOf } from '../core/format/import';
import { writeOpinionSarif } from '../core/format/sarif/opinions';
import { opinionsOn, type LibraryOpinion, type Named } from '../core/opinion/library';
import { proposeStandard } from '../core/library/propose';
import { keptTheirs, opinionOn } from '../core/opinion/opinion';
import { isFolder } from './files';
import { patternsIn, type ImportOptions } from './import';
import { observedWords } from './standard';
import { Refusal, type Outcome } from './outcome';

/** What is asked of a library. */
export interface LibraryOptions extends ImportOptions {
  readonly json?: boolean | undefined;
  readonly sarif?: boolean | undefined;
}

interface Found extends Named {
  readonly path: string;
}

/** Holds all patterns of a folder or a file against the packages of another; a file that cannot be read harms no other. */
export function opinionOnLibrary(from: string, against: string, options: LibraryOptions): Outcome {
  const packages = documentsIn(against);
  if (packages.found.length === 0)
    throw new Refusal(
      `${against} has no document that gives a footprint. ${packages.refused.join(' ')}`.trim(),
    );
  const patterns = patternsOf(from, options);
  if (patterns.found.length === 0)
    throw new Refusal(
      `${from} has no pattern that can be read. ${patterns.refused.slice(0, 5).join(' ')}`.trim(),
    );
  const paths = new Map(patterns.found.map(({ name, path }) => [name, path]));
  const all = opinionsOn(patterns.found, packages.found);
  const counts = (verdict: LibraryOpinion['verdict']) => all.filter((one) => one.verdict === verdict).length;
  const err = [
    ...[...packages.refused, ...patterns.refused].map((words) => `not read: ${words}`),
    ...madeWith(all, patterns.found, packages.found),
    `${all.length} patterns against ${packages.found.length} packages: wrong ${counts('wrong')}, no package ${counts('unmatched')}, to look at ${counts('look')}, usable ${counts('usable')}`,
    '',
  ].join('\n');
  const pathOf = ({ pattern }: LibraryOpinion) => paths.get(pattern) ?? from;
  const out = options.sarif
    ? writeOpinionSarif(all.map((opinion) => ({ path: pathOf(opinion), opinion })))
    : options.json
      ? `${JSON.stringify(all, null, 2)}\n`
      : all.map(rowOf).join('');
  return { out, err, code: counts('wrong') > 0 ? 1 : 0 };
}

/** What the patterns have in common that is not as published, such as the toe that they were made with. */
function madeWith(
  all: readonly LibraryOpinion[],
  patterns: readonly Named[],
  packages: readonly Named[],
): string[] {
  const named = (some: readonly Named[], name: string | null) => some.find((one) => one.name === name)?.drawn;
  const theirs = all.flatMap(({ pattern, against }) => {
    const [own, meant] = [named(patterns, pattern), named(packages, against)];
    const opinion = own && meant ? opinionOn(own, meant) : null;
    return own && meant && opinion?.ok && opinion.value.fits
      ? [keptTheirs(own, meant, opinion.value, 'as it was given')]
      : [];
  });
  const { observed } = proposeStandard(theirs, 'Theirs');
  return observed
    .filter(({ at, isProposed }) => isProposed && at.startsWith('goals/'))
    .map((one) => `made with ${observedWords(one)}`);
}

const WORDS: Readonly<Record<LibraryOpinion['verdict'], string>> = {
  wrong: 'wrong',
  unmatched: 'no package',
  look: 'look',
  usable: 'usable',
};

function rowOf({ pattern, against, by, verdict, line }: LibraryOpinion): string {
  const held = against === null ? '–' : `${against}${by === 'lands' ? ' (by its lands)' : ''}`;
  return `${WORDS[verdict]}\t${pattern}\t${held}\t${line}\n`;
}

interface Read {
  readonly found: readonly Found[];
  readonly refused: readonly string[];
}

function filesIn(path: string): string[] {
  if (!isFolder(path)) return [path];
  return readdirSync(path, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !entry.name.startsWith('.'))
    .map((entry) => join(entry.parentPath, entry.name))
    .sort();
}

/** The documents of a folder, or of a Shelf file. */
function documentsIn(path: string): Read {
  const found: Found[] = [];
  const refused: string[] = [];
  for (const file of filesIn(path).filter((one) => /\.json$/i.test(one))) {
    const read = openShelf(readFileSync(file, 'utf8'));
    if (!read.ok) {
      refused.push(`${basename(file)}: ${read.error[0]?.message ?? 'it cannot be read'}`);
      continue;
    }
    for (const document of read.value.documents) {
      const compiled = compile(document);
      if (isDrawable(compiled)) found.push({ name: document.name, drawn: compiled, path: file });
      else refused.push(`${document.name}: it gives no footprint`);
    }
  }
  return { found, refused };
}

/** The patterns of a folder: films that lie in one folder belong together, every other file stands alone. */
function patternsOf(path: string, options: ImportOptions): Read {
  const found: Found[] = [];
  const refused: string[] = [];
  const lots = new Map<string, string[]>();
  for (const file of filesIn(path)) {
    const bytes = readFileSync(file);
    const text = bytes.subarray(0, 80_000).toString('latin1');
    if (/^\s*\{/.test(text)) {
      const documents = documentsIn(file);
      found.push(...documents.found);
      refused.push(...documents.refused);
      continue;
    }
    const isFilm = patternKindOf(file, text) === 'films';
    const lot = isFilm ? dirname(file) : file;
    lots.set(lot, [...(lots.get(lot) ?? []), file]);
  }
  for (const files of lots.values()) {
    try {
      for (const { document } of patternsIn(files, options).taken) {
        const compiled = compile(document);
        if (isDrawable(compiled)) found.push({ name: document.name, drawn: compiled, path: files[0] ?? '' });
        else refused.push(`${document.name}: it gives no footprint`);
      }
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refused.push(error.message.trim().slice(0, 300));
    }
  }
  return { found, refused };
}
