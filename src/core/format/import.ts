import { strFromU8 } from 'fflate';
import { compile } from '../footprint/compile';
import { atOrigin } from '../footprint/origin';
import type { TapisDocument } from '../document/document';
import { takenIn } from '../given/document';
import type { Placed } from '../geometry/figure';
import { differences } from './differences';
import type { GivenFile, GivenPattern } from '../given/pattern';
import { fail, ok, type Result } from '../units/result';
import { damageWords, unpackZip } from './unpack';
import { isDrill } from './artwork/read-drill';
import { sortFilms, type FilmRole, type TextFile } from './artwork/film-roles';
import { patternsOfFilms, type FilmsAsked } from './artwork/read-films';
import { isFilm } from './artwork/read-gerber';
import {
  hasNumberColumns,
  isPadTable,
  padTableOf,
  readPadTable,
  type PadTable,
  type PadTableAsked,
} from './csv/read';
import { readDrawing, type DrawingAsked, type DrawingLayer } from './dxf/read';
import { readIpc2581 } from './ipc2581/read';

// Land patterns of files that others made: what kind of file it is is told by what stands in it, whatever it is
// called. A ZIP is unpacked; films and drill files of one lot belong together.

/** A file as it came. */
export interface ImportFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** What may be asked of the files. */
export interface ImportAsked extends FilmsAsked, PadTableAsked, DrawingAsked {}

/** The kinds of files that patterns are read from. */
export type PatternKind = 'ipc2581' | 'films' | 'table' | 'drawing';

/** How a film was taken, so that it can be taken otherwise. */
export interface FilmSaid {
  readonly name: string;
  readonly role: FilmRole;
  readonly isDrill: boolean;
  readonly objects: number;
}

/** What was read of files. */
export interface Imported {
  readonly patterns: readonly GivenPattern[];
  /** What was not understood beside the patterns, in words. */
  readonly left: readonly string[];
  readonly films: readonly FilmSaid[];
  /** The copper of the films where it lies on them, so that a part of it can be boxed. mm */
  readonly copper: readonly Placed[];
  readonly table: PadTable | null;
  readonly layers: readonly DrawingLayer[];
}

/** Files that are read at a time, and what they may come to when they are unpacked, in bytes. */
const MOST_FILES = 200;
const MOST_BYTES = 120_000_000;

/** What kind of pattern a text holds; `null` where it holds none. */
export function patternKindOf(name: string, text: string): PatternKind | null {
  const head = text.slice(0, 4000);
  if (/<([A-Za-z]+:)?IPC-2581\b/.test(head)) return 'ipc2581';
  if (isFilm(text) || isDrill(text)) return 'films';
  if (/^\s*(0|999)\s*\r?\n/.test(head) && /\bSECTION\b/.test(head)) return 'drawing';
  if (/\.dxf$/i.test(name)) return 'drawing';
  if (
    /^\s*</.test(head)
      ? /<table\b/i.test(text) && isPadTable(text)
      : !/^\s*[{[]/.test(head) && isPadTable(text)
  )
    return 'table';
  return null;
}

/** Reads the patterns of files. @returns them, or why there are none */
export function readPatterns(
  files: readonly ImportFile[],
  asked: ImportAsked = {},
): Result<Imported, string> {
  const unpacked = unpackedFiles(files);
  if (!unpacked.ok) return unpacked;
  const left: string[] = [];
  const patterns: GivenPattern[] = [];
  let table: PadTable | null = null;
  let layers: readonly DrawingLayer[] = [];
  const films: TextFile[] = [];
  const refused: string[] = [];
  const keep = (name: string, read: Result<GivenFile, string>) => {
    if (!read.ok) return void refused.push(`${name}: ${read.error}`);
    patterns.push(...read.value.patterns);
    left.push(...read.value.left);
  };
  for (const file of unpacked.value) {
    const { name, text } = file;
    // what is nothing else and has columns of numbers can be read once its columns are said
    switch (patternKindOf(name, text) ?? (hasNumberColumns(text) ? 'table' : null)) {
      case 'ipc2581':
        keep(name, readIpc2581(text, name));
        break;
      case 'films':
        films.push(file);
        break;
      case 'table': {
        const read = readPadTable(text, name, asked);
        table = read.ok ? read.value.table : padTableOf(text, asked);
        keep(name, read);
        break;
      }
      case 'drawing': {
        const read = readDrawing(text, name, asked);
        if (read.ok) layers = [...layers, ...read.value.layers];
        keep(name, read);
        break;
      }
      default:
        refused.push(
          `${name} holds no land pattern: IPC-2581, Gerber films with drill files, DXF drawings and pad tables (CSV) are read.`,
        );
    }
  }
  let said: readonly FilmSaid[] = [];
  let copper: readonly Placed[] = [];
  if (films.length > 0) {
    const sorted = sortFilms(films, asked);
    if (sorted.ok) {
      said = sorted.value.map(({ name, role, film, drills }) => ({
        name,
        role,
        isDrill: drills.length > 0,
        objects: film?.objects.length ?? drills[0]?.holes.length ?? 0,
      }));
      const read = patternsOfFilms(sorted.value, lotName(files, films), asked);
      if (read.ok) copper = read.value.copper;
      keep(films[0]?.name ?? '', read);
    } else refused.push(sorted.error);
  }
  if (patterns.length === 0 && said.length === 0 && !table)
    return fail(refused.join('\n') || 'There is no file.');
  return ok({ patterns, left: [...left, ...refused], films: said, copper, table, layers });
}

/** What films that belong together are called: as their ZIP, or by what their names begin with. */
function lotName(files: readonly ImportFile[], films: readonly TextFile[]): string {
  const [only] = files;
  const plain = (name: string) => name.replace(/^.*\//, '').replace(/(\.artwork)?\.[^.]*$/, '');
  if (only && files.length === 1) return plain(only.name);
  const names = films.map(({ name }) => plain(name));
  let shared = names[0] ?? 'films';
  for (const name of names) while (!name.startsWith(shared)) shared = shared.slice(0, -1);
  const trimmed = shared.replace(/[-_. ]+$/, '');
  return trimmed === '' ? (names[0] ?? 'films') : trimmed;
}

/** The texts of files, those of ZIPs unpacked. */
function unpackedFiles(files: readonly ImportFile[]): Result<TextFile[], string> {
  const texts: TextFile[] = [];
  let total = 0;
  for (const { name, bytes } of files) {
    if (!isZip(bytes)) {
      total += bytes.length;
      texts.push({ name, text: textOf(bytes) });
      continue;
    }
    const unpacked = unpackZip(bytes, {
      isWanted: (path) => !path.endsWith('/') && !/(^|\/)(__MACOSX|\.)/.test(path),
      most: MOST_BYTES - total,
    });
    if (!unpacked.ok) return fail(`${name} cannot be unpacked: ${unpacked.error}.`);
    const { files: inside, damaged } = unpacked.value;
    // films of which one is missing are another pattern
    if (damaged.length > 0) return fail(`${name} is not taken: ${damageWords(damaged)}. Pack it again.`);
    for (const path of Object.keys(inside).sort()) {
      const file = inside[path] as Uint8Array;
      total += file.length;
      texts.push({ name: path, text: textOf(file) });
    }
  }
  if (total > MOST_BYTES)
    return fail(`Together the files have ${Math.ceil(total / 1e6)} MB; at most 120 are read at a time.`);
  if (texts.length > MOST_FILES)
    return fail(`There are ${texts.length} files; at most ${MOST_FILES} are read at a time.`);
  return ok(texts);
}

/** Whether bytes are a ZIP. */
export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3 && bytes[3] === 4;

/** The text of a file: UTF-16 where it says so, else UTF-8, or where it is none, letters by their codes. */
function textOf(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if ((a === 0xff && b === 0xfe) || (a === 0xfe && b === 0xff)) return pairsOfBytes(bytes, a === 0xff);
  const text = strFromU8(bytes);
  return text.includes('\uFFFD') ? strFromU8(bytes, true) : text;
}

/** The letters of UTF-16. @param isLittle whether the lower byte of a letter comes first */
function pairsOfBytes(bytes: Uint8Array, isLittle: boolean): string {
  const low = isLittle ? 0 : 1;
  const parts: string[] = [];
  for (let i = 2; i + 1 < bytes.length; i += 2)
    parts.push(String.fromCharCode((bytes[i + low] ?? 0) | ((bytes[i + 1 - low] ?? 0) << 8)));
  return parts.join('');
}

/** A pattern as a document that draws what the file gives, and what of it is not as it was. */
export interface DocumentIn {
  readonly document: TapisDocument;
  readonly left: readonly string[];
}

/**
 * Puts a pattern into a document, and holds what the document draws against it: what does not come out as the
 * file has it is told.
 */
export function documentOf(pattern: GivenPattern): DocumentIn {
  const { document, left } = takenIn(pattern);
  const { footprint, problems } = compile(document);
  const wrong = footprint
    ? differences(pattern, atOrigin(footprint))
    : problems.map(({ title, message }) => `${title}: ${message}`);
  if (wrong.length === 0) return { document, left };
  const all = [...left, ...wrong];
  const notes = `${document.notes ?? ''}\n${wrong.map((one) => `- ${one}`).join('\n')}`.trim();
  return { document: { ...document, notes: notes.slice(0, 4000) }, left: all };
}
