import type { TapisDocument } from '../core/document/document';
import { writeDocument } from '../core/document/write';
import { strFromU8 } from 'fflate';
import { damageWords, unpackZip } from '../core/format/unpack';
import { fail, ok, type Result } from '../core/units/result';

// A group of footprints as a ZIP: one document to a file, in folders as the groups are.

/** A document and the names of its groups, outermost first. */
export interface Foldered {
  readonly document: TapisDocument;
  readonly folders: readonly string[];
}

/** Most that a ZIP may hold when it is unpacked, in bytes. */
const MOST = 200_000_000;
/** How files with documents end. */
export const ENDING = '.tapis.json';

/** What a file or folder is called after a name: no separators, nothing that a system reserves. */
function fileName(name: string): string {
  const plain = name
    .replace(/[\\/:*?"<>|\u0000-\u001f]+/g, '-')
    .replace(/^[. ]+|[. ]+$/g, '')
    .slice(0, 100);
  return plain === '' ? 'unnamed' : plain;
}

/** Gives files their paths from the names of folders and of what is in them; each path once. */
export function fileNames(): (names: readonly string[], ending: string) => string {
  const taken = new Set<string>();
  return (names, ending) => {
    const base = names.map(fileName).join('/');
    let path = `${base}${ending}`;
    for (let i = 2; taken.has(path.toLowerCase()); i += 1) path = `${base} (${i})${ending}`;
    // some systems do not tell large from small letters
    taken.add(path.toLowerCase());
    return path;
  };
}

/** Packs documents; the same documents give the same bytes. */
export async function packFolders(all: readonly Foldered[]): Promise<Uint8Array> {
  const { strToU8, zipSync } = await import('fflate');
  const files: Record<string, Uint8Array> = {};
  const pathOf = fileNames();
  for (const { document, folders } of all)
    files[pathOf([...folders, document.name], ENDING)] = strToU8(writeDocument(document));
  // no time of packing
  return zipSync(files, { mtime: new Date(1980, 0, 1), level: 6 });
}

/** A file of a ZIP: its text, and the folders that it lies in. */
export interface FolderedText {
  readonly path: string;
  readonly folders: readonly string[];
  readonly text: string;
}

/** The JSON files of a ZIP, and what is wrong with it. */
export interface UnpackedTexts {
  readonly texts: readonly FolderedText[];
  /** Of files that are left out, in words; `null` where all are whole. */
  readonly damage: string | null;
}

/** Unpacks the JSON files of a ZIP. @returns them by their paths, or why it cannot be unpacked */
export function unpackFolders(bytes: Uint8Array): Result<UnpackedTexts, string> {
  const unpacked = unpackZip(bytes, {
    isWanted: (path) => path.toLowerCase().endsWith('.json'),
    most: MOST,
  });
  if (!unpacked.ok) return fail(`It cannot be unpacked: ${unpacked.error}.`);
  const { files, damaged } = unpacked.value;
  const texts = Object.keys(files)
    .sort()
    .map((path) => ({
      path,
      folders: path
        .split('/')
        .slice(0, -1)
        .filter((name) => name !== '' && name !== '.' && name !== '..'),
      text: strFromU8(files[path] as Uint8Array),
    }));
  return ok({ texts, damage: damaged.length > 0 ? `${damageWords(damaged)}; it is left out.` : null });
}
