import { joinedTags, readTagList, TAGS_FILE, writeTagList } from '../../core/library/tag-list';
import type { StoredLink, TapisDatabase } from '../database';
import type { ShelfStore } from '../shelf';
import type { Folder } from './files';
import { fileBytes, linkId, splitKey } from './links';

/** The row of a link that remembers which tags both had, by footprint. */
export const TAGS = 'tags';
type LastTags = Readonly<Record<string, { readonly path: string; readonly tags: readonly string[] }>>;

interface Both {
  readonly db: TapisDatabase;
  readonly shelf: ShelfStore;
  readonly folder: Folder;
  /** Id of the link. */
  readonly link: string;
}

/**
 * Tags, which no document holds: each side gets what the other has added, and loses what the other has taken away.
 * @param linked what is linked to files @param removed files that were removed in this look
 * @returns what was left as it is, and why
 */
export async function bringTags(
  { db, shelf, folder, link }: Both,
  linked: readonly StoredLink[],
  removed: ReadonlySet<string>,
): Promise<{ path: string; words: string }[]> {
  const stat = await folder.stat(TAGS_FILE);
  const read = stat ? readTagList(new TextDecoder().decode(await folder.read(TAGS_FILE))) : null;
  if (read && 'problem' in read) return [{ path: TAGS_FILE, words: `${read.problem} It is left as it is.` }];
  const rows = linked.filter(({ key }) => splitKey(key)[0] === 'footprint');
  const last = JSON.parse((await db.links.get(linkId(link, TAGS)))?.text ?? '{}') as LastTags;
  const entries = await db.entries.bulkGet(rows.map(({ key }) => splitKey(key)[1]));
  const next = new Map(read?.tags);
  const paths = new Set(rows.map(({ path }) => path));
  for (const path of removed) if (!paths.has(path)) next.delete(path);
  const now: Record<string, LastTags[string]> = {};
  for (const [i, { key, path }] of rows.entries()) {
    const ours = entries[i]?.tags ?? [];
    const base = last[key] ?? { path, tags: [] };
    const isElsewhere = base.path !== path && !paths.has(base.path);
    // a list that is gone says nothing: it is written anew
    const theirs = read
      ? [...(next.get(path) ?? []), ...(isElsewhere ? (next.get(base.path) ?? []) : [])]
      : base.tags;
    const tags = joinedTags(base.tags, ours, theirs);
    if (isElsewhere) next.delete(base.path);
    if (tags.length > 0) next.set(path, tags);
    else next.delete(path);
    if (tags.join('\n') !== ours.join('\n')) await shelf.setTags(splitKey(key)[1], tags);
    if (tags.length > 0) now[key] = { path, tags };
  }
  const text = writeTagList(next);
  if (next.size > 0 ? !read || text !== writeTagList(read.tags) : read !== null && read.tags.size > 0)
    await folder.write(TAGS_FILE, fileBytes(text));
  const row = { id: linkId(link, TAGS), link, key: TAGS, path: TAGS_FILE, under: '', stamp: '' };
  await db.links.put({ ...row, text: JSON.stringify(now) });
  return [];
}
