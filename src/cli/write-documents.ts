import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { TapisDocument } from '../core/document/document';
import { writeDocument } from '../core/document/write';
import { Refusal } from './outcome';

/** What is done where a file of a document's name is there already. */
type WhereTaken = 'refuse' | 'another name';

/**
 * Writes documents into a folder under their names; what is there already is not written over.
 * @returns their paths @throws Refusal with what was written before
 */
export function writeDocuments(
  folder: string,
  documents: readonly TapisDocument[],
  taken: WhereTaken = 'refuse',
): string[] {
  const written: string[] = [];
  const used = new Set<string>();
  const isTaken = (name: string) =>
    used.has(name.toLowerCase()) || (taken === 'another name' && existsSync(pathOf(folder, name)));
  try {
    mkdirSync(folder, { recursive: true });
    for (const document of documents) {
      const plain =
        document.name.replace(/[\\/:*?"<>|\u0000-\u001f]+/g, '-').replace(/^[. ]+|[. ]+$/g, '') || 'pattern';
      let name = plain;
      for (let i = 2; isTaken(name); i += 1) name = `${plain} (${i})`;
      used.add(name.toLowerCase());
      const path = pathOf(folder, name);
      writeFileSync(path, writeDocument(document), { flag: 'wx' });
      written.push(path);
    }
  } catch (error) {
    const already = (error as NodeJS.ErrnoException).code === 'EEXIST';
    const why = already
      ? `${(error as NodeJS.ErrnoException).path} is there already; it stays as it is`
      : (error as Error).message;
    throw new Refusal(
      `It cannot be written: ${why}. Written were ${written.length === 0 ? 'none' : written.join(', ')}.`,
    );
  }
  return written;
}

const pathOf = (folder: string, name: string): string => join(folder, `${name}.tapis.json`);
