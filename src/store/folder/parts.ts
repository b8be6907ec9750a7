import type { TapisDocument } from '../../core/document/document';
import { fileName } from '../../core/library/together';
import { keyOf } from '../../kernel/inside';
import type { TapisDatabase } from '../database';
import type { ShelfStore } from '../shelf';
import type { Folder, Listed } from './files';
import { whyNot } from './links';

/** A model or a datasheet that a document names, by its key and the table that keeps it. */
export type NamedPart = readonly [key: string, where: 'models' | 'sources'];

/** Largest model or datasheet that is brought from a folder, bytes. */
const LARGEST_PART = 60_000_000;
/** Whether a file is a model or a datasheet. */
export const isPart = (path: string): boolean => /^(models|sources)\//.test(path);

/** The models and datasheets that a document names. */
export function partsOf({ body, sources = [] }: TapisDocument): NamedPart[] {
  return [
    ...(body?.model ? [[body.model.key, 'models'] as const] : []),
    ...sources.flatMap(({ key }) => (key === undefined ? [] : [[key, 'sources'] as const])),
  ];
}

/** Digits of a file’s hash that its name begins with. */
const SHORT = 16;

interface Both {
  readonly db: TapisDatabase;
  readonly shelf: ShelfStore;
  readonly folder: Folder;
}

/**
 * Files of models and datasheets that documents name: each side gets what the other has.
 * @returns what could not be had, and why
 */
export async function bringParts(
  { db, shelf, folder }: Both,
  wanted: ReadonlyMap<NamedPart[0], NamedPart[1]>,
  listed: readonly Listed[],
): Promise<{ path: string; words: string }[]> {
  if (wanted.size === 0) return [];
  const told: { path: string; words: string }[] = [];
  const files = listed.filter(({ path }) => isPart(path));
  for (const [key, where] of wanted) {
    const file = files.find(({ path }) => path.startsWith(`${where}/${key.slice(0, SHORT)}`));
    const table = db[where] as TapisDatabase['sources'];
    const kept = await table.get(key);
    try {
      if (kept && !file)
        await folder.write(`${where}/${key.slice(0, SHORT)} ${fileName(kept.name)}`, kept.bytes);
      else if (!kept && file && file.size <= LARGEST_PART) {
        const content = await folder.read(file.path);
        if ((await keyOf(content)) !== key)
          told.push({ path: file.path, words: 'It is not the file that a footprint knows.' });
        else {
          const name = file.path.slice(where.length + 1 + SHORT).trim();
          await (where === 'models'
            ? shelf.models.put(name, content, null)
            : shelf.sources.put(name, content));
        }
      }
    } catch (error) {
      told.push({ path: file?.path ?? `${where}/${key.slice(0, SHORT)}`, words: whyNot(error) });
    }
  }
  return told;
}
