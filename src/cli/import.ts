import { basename } from 'node:path';
import type { GivenPattern } from '../core/given/pattern';
import { FILM_ROLES, type FilmRole } from '../core/format/artwork/film-roles';
import { PAD_COLUMNS, type PadColumn } from '../core/format/csv/pad-columns';
import { DRAWING_ROLES, type DrawingRole } from '../core/format/dxf/read';
import { documentOf, readPatterns, type DocumentIn, type ImportAsked } from '../core/format/import';
import { bytesOf, underStandard } from './files';
import { Refusal, type Outcome } from './outcome';
import { writeDocuments } from './write-documents';

/** What is asked of files on the command line. */
export interface ImportOptions {
  readonly out?: string | undefined;
  readonly only?: string | undefined;
  readonly unit?: string | undefined;
  readonly columns?: string | undefined;
  readonly as?: readonly string[] | undefined;
  readonly box?: string | undefined;
  readonly standard?: string | undefined;
}

/** Writes the patterns of files as documents; what was not understood goes to standard error. */
export function importFiles(files: readonly string[], options: ImportOptions): Outcome {
  const { out } = options;
  if (out === undefined) throw new Refusal('--out is missing: the folder to write into.');
  const { taken, left } = patternsIn(files, options);
  const written = writeDocuments(
    out,
    taken.map(({ document }) => document),
  );
  const err = [
    ...left.map((one) => `${one}\n`),
    ...taken.flatMap(({ document, left: own }) => own.map((one) => `${document.name}: ${one}\n`)),
  ];
  return { out: written.map((path) => `${path}\n`).join(''), err: err.join(''), code: 0 };
}

/** The patterns of files as documents, those that are asked for. */
export function patternsIn(
  files: readonly string[],
  options: ImportOptions,
): { readonly taken: readonly DocumentIn[]; readonly left: readonly string[] } {
  const read = readPatterns(
    files.map((path) => ({ name: basename(path), bytes: bytesOf(path) })),
    askedOf(options),
  );
  if (!read.ok) throw new Refusal(read.error);
  const { patterns, left } = read.value;
  if (patterns.length === 0) throw new Refusal(left.join('\n') || 'There is no pattern in it.');
  const taken = chosen(patterns, options.only).map(documentOf);
  return {
    taken: taken.map((one) => ({ ...one, document: underStandard(one.document, options.standard) })),
    left,
  };
}

function chosen(patterns: readonly GivenPattern[], only: string | undefined): readonly GivenPattern[] {
  if (only === undefined) return patterns;
  const found = patterns.filter(({ name }) => name === only);
  if (found.length > 0) return found;
  throw new Refusal(`There is no “${only}” in it; there are ${patterns.map(({ name }) => name).join(', ')}.`);
}

/** What is asked, with every word that is not known refused. */
function askedOf({ unit, columns, as = [], box }: ImportOptions): ImportAsked {
  if (unit !== undefined && unit !== 'mm' && unit !== 'in' && unit !== 'mil' && unit !== 'um')
    throw new Refusal(`--unit is “${unit}”; known are mm, in, mil, um.`);
  const named = columns?.split(',').map((word) => {
    const column = PAD_COLUMNS.find((one) => one === word.trim());
    if (!column) throw new Refusal(`--columns has “${word}”; known are ${PAD_COLUMNS.join(', ')}.`);
    return column;
  });
  const roles: Record<string, FilmRole> = {};
  const layers: Record<string, DrawingRole> = {};
  for (const said of as) {
    const [, name, word] = /^(.+)=([^=]+)$/.exec(said) ?? [];
    const film = FILM_ROLES.find((one) => one === word);
    const drawing = DRAWING_ROLES.find((one) => one === word);
    if (name === undefined || (!film && !drawing))
      throw new Refusal(
        `--as is “${said}”; it is the name of a film or a layer, and what it shows: ${[...new Set([...FILM_ROLES, ...DRAWING_ROLES])].join(', ')}.`,
      );
    if (film) roles[name] = film;
    if (drawing) layers[name] = drawing;
  }
  return {
    roles,
    layers,
    ...(unit ? { unit } : {}),
    ...(named ? { columns: named as readonly PadColumn[] } : {}),
    ...(box === undefined ? {} : { box: boxOf(box) }),
  };
}

function boxOf(text: string) {
  const [x1 = NaN, y1 = NaN, x2 = NaN, y2 = NaN, ...rest] = text.split(',').map(Number);
  if (![x1, y1, x2, y2].every(Number.isFinite) || rest.length > 0)
    throw new Refusal(`--box is “${text}”; it is two corners in mm, such as 0,0,12.5,8.`);
  return { minX: Math.min(x1, x2), minY: Math.min(y1, y2), maxX: Math.max(x1, x2), maxY: Math.max(y1, y2) };
}
