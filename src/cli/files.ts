import { problemWords } from '../core/document/read';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { compile } from '../core/footprint/compile';
import type { Compiled } from '../core/footprint/footprint';
import { openDocument } from '../core/footprint/open';
import type { WrittenFile } from '../core/format/format';
import { readInside } from '../kernel/read-inside';
import type { SheetUnit } from '../core/document/document';
import { Refusal } from './outcome';

/** A compiled file, and in words what of it was left out. */
export interface Read {
  readonly compiled: Compiled;
  readonly err: string;
}

/** Reads and compiles a document; `-` is standard input. @throws Refusal where it cannot be read */
export const compileFile = (file: string): Promise<Read> => compileText(textOf(file));

/** As {@link compileFile}, for a text that is read already. */
export async function compileText(text: string): Promise<Read> {
  const read = openDocument(text);
  if (!read.ok) throw new Refusal(problemWords(read.error));
  const kernel = async () => (await import('occt-import-js')).default();
  const { loaded, trouble } = await readInside(read.value, kernel);
  return { compiled: compile(read.value, () => loaded), err: trouble === null ? '' : `${trouble}\n` };
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
