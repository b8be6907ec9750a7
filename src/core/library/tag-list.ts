import Papa from 'papaparse';

// Tags of a library in a folder: a line for each file and tag, so that what two people do to them merges line by line.

/** The file that they stand in. */
export const TAGS_FILE = 'tags.csv';
/** Longest tag, letters, and most tags of a footprint: as on the Shelf. */
const LONGEST = 40;
const MOST = 100;

/** Tags by the path of their file, or why they cannot be read. */
export type TagList =
  | { readonly tags: ReadonlyMap<string, readonly string[]> }
  | { readonly problem: string };

/** Reads a list of tags: a head (`file,tag`), then a line for each. */
export function readTagList(text: string): TagList {
  const tags = new Map<string, string[]>();
  const { data } = Papa.parse<string[]>(text, {
    skipEmptyLines: 'greedy',
    delimitersToGuess: [',', ';', '\t'],
  });
  const [head, ...rows] = data;
  if (head && (head[0]?.trim() !== 'file' || head[1]?.trim() !== 'tag'))
    return { problem: `Its first line is “file,tag”, not “${head.join(',').slice(0, 60)}”.` };
  for (const [i, row] of rows.entries()) {
    const [path = '', tag = ''] = row.map((cell) => cell.trim());
    const of = tags.get(path) ?? [];
    if (row.length !== 2 || path === '' || tag === '')
      return { problem: `Line ${i + 2} is a file and a tag, not “${row.join(',').slice(0, 60)}”.` };
    if (tag.length > LONGEST)
      return { problem: `Line ${i + 2}: a tag has at most ${LONGEST} letters, not ${tag.length}.` };
    if (of.length === MOST) return { problem: `Line ${i + 2}: “${path}” has more than ${MOST} tags.` };
    tags.set(path, of.includes(tag) ? of : [...of, tag].sort());
  }
  return { tags };
}

/** Writes a list of tags: files in order, and so the tags of each. */
export function writeTagList(tags: ReadonlyMap<string, readonly string[]>): string {
  const lines = [...tags]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([path, of]) => of.map((tag) => [path, tag]));
  return `${Papa.unparse([['file', 'tag'], ...lines], { newline: '\n' })}\n`;
}

/**
 * Tags that both sides come to: what either has added since is there, what either has taken away is not.
 * @param base what both had last
 */
export function joinedTags(
  base: readonly string[],
  ours: readonly string[],
  theirs: readonly string[],
): string[] {
  const all = [...new Set([...ours, ...theirs])];
  return all.filter((one) => !base.includes(one) || (ours.includes(one) && theirs.includes(one))).sort();
}
