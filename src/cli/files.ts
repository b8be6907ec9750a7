import { problemWords } from '../core/document/read';
import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, sep } from 'node:path';
import { compile } from '../core/footprint/compile';
import type { Compiled } from '../core/footprint/footprint';
import { openDocument } from '../core/footprint/open';
import type { WrittenFile } from '../core/format/format';
import { readInside } from '../kernel/read-inside';
import type { SheetUnit, TapisDocument } from '../core/document/document';
import { readStandard } from '../core/document/read-standard';
import type { StandardDocument } from '../core/standard/standard';
import { Refusal } from './outcome';

/** A compiled file, and in words what of it was left out. */
export interface Read {
  readonly compiled: Compiled;
  readonly err: string;
}

/**
 * Reads and compiles a document; `-` is standard input.
 * @param standard file of a house standard that goes in place of the document's own
 * @throws Refusal where one of them cannot be read
 */
export const compileFile = (file: string, standard?: string): Promise<Read> =>
  compileText(textOf(file), standard);

/** As {@link compileFile}, for a text that is read already. */
export async function compileText(text: string, standard?: string): Promise<Read> {
  const read = openDocument(text);
  if (!read.ok) throw new Refusal(problemWords(read.error));
  const document = underStandard(read.value, standard);
  const kernel = async () => (await import('occt-import-js')).default();
  const { loaded, trouble } = await readInside(document, kernel);
  return { compiled: compile(document, () => loaded), err: trouble === null ? '' : `${trouble}\n` };
}

/** The standard that `--standard` names; `null` for what is published. @throws Refusal where it cannot be read */
export function standardFile(file: string): StandardDocument | null {
  if (file === 'published') return null;
  const read = readStandard(textOf(file));
  if (!read.ok) throw new Refusal(`${file}: ${problemWords(read.error)}`);
  return read.value.standard;
}

/** A document under the standard of a file; as it is where none is named. */
export function underStandard(document: TapisDocument, file: string | undefined): TapisDocument {
  if (file === undefined) return document;
  const { standard: _, ...rest } = document;
  const standard = standardFile(file);
  return standard ? { ...rest, standard } : rest;
}

/** The text of a file. @throws Refusal where it cannot be read */
export function textOf(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new Refusal(`${file} cannot be read: ${(error as Error).message}`);
  }
}

/** The bytes of a file. @throws Refusal where it cannot be read */
export function bytesOf(file: string): Uint8Array {
  try {
    return new Uint8Array(readFileSync(file === '-' ? 0 : file));
  } catch (error) {
    throw new Refusal(`${file} cannot be read: ${(error as Error).message}`);
  }
}

/** A unit as `--unit` says it. @throws Refusal where it is none */
export function unitOf(unit: string | undefined): SheetUnit | undefined {
  if (unit === undefined || unit === 'mm' || unit === 'in' || unit === 'mil') return unit;
  throw new Refusal(`--unit is “${unit}”; known are mm, in, mil.`);
}

/** Writes a file into a folder, which is made where it is missing. @returns its path @throws Refusal where it cannot */
export function writeInto(folder: string, { name, content }: WrittenFile): string {
  const path = join(folder, name);
  try {
    mkdirSync(folder, { recursive: true });
    writeFileSync(path, content);
  } catch (error) {
    throw new Refusal(`${path} cannot be written: ${(error as Error).message}`);
  }
  return path;
}

/** The JSON files in a folder and in those in it, by their paths. */
export const filesIn = (folder: string): string[] => namesIn(folder, /\.json$/i);

/** The files in a folder that may be datasheets, by their paths. */
export const sheetsIn = (folder: string): string[] =>
  namesIn(folder, /\.(pdf|png|jpe?g|webp|html?|txt|tsv)$/i);

function namesIn(folder: string, form: RegExp): string[] {
  try {
    return readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((path) => form.test(path))
      .map((path) => path.split(sep).join('/'))
      .sort();
  } catch (error) {
    throw new Refusal(`${folder} cannot be read: ${(error as Error).message}`);
  }
}

/** Whether a path is a folder. */
export function isFolder(path: string): boolean {
  try {
    return statSync(path).isDirectory();
  } catch {
    return false;
  }
}
