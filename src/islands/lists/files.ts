import { pageWorth } from '../../core/source/worth';
import { keyOf } from '../../kernel/inside';
import type { SheetFile, SheetPage } from '../../workers/jobs/read-list';
import { openSheet } from '../source/sheet-file';
import type { ListInput } from './useList';

// Files as the place of lists takes them: one list of any kind, or several datasheets, a row each.

/** What was brought, and the files of datasheets that documents of it name. */
export interface Brought {
  readonly input: ListInput;
  readonly name: string;
  /** By their keys. */
  readonly sheets: ReadonlyMap<string, { readonly name: string; readonly bytes: Uint8Array }>;
}

/** Pages of a datasheet that are looked through, and those of them that are read. */
const MOST_PAGES = 60;
const PAGES_READ = 6;
const LARGEST = 40_000_000;

const isPdf = (bytes: Uint8Array): boolean =>
  String.fromCharCode(...bytes.subarray(0, 1024)).includes('%PDF-');

/**
 * Reads what was dropped or chosen.
 * @param tell told how many of how many files are read
 */
export async function broughtFiles(
  files: readonly File[],
  tell: (done: number) => void,
): Promise<Brought | null> {
  const [first] = files;
  if (!first) return null;
  if (files.length === 1) {
    const bytes = new Uint8Array(await first.arrayBuffer());
    const { name } = first;
    if (!isPdf(bytes)) return { input: { kind: 'file', bytes, name }, name, sheets: new Map() };
    const { pages } = await pagesOf(bytes, name);
    return { input: { kind: 'pages', name, pages }, name, sheets: new Map() };
  }
  const sheets: SheetFile[] = [];
  const kept = new Map<string, { name: string; bytes: Uint8Array }>();
  for (const [i, file] of files.entries()) {
    tell(i);
    sheets.push(await sheetOf(file, kept));
  }
  return { input: { kind: 'sheets', sheets }, name: `${files.length} datasheets`, sheets: kept };
}

async function sheetOf(
  file: File,
  kept: Map<string, { name: string; bytes: Uint8Array }>,
): Promise<SheetFile> {
  const { name, size } = file;
  const bare = { name, key: '', count: 1, pages: [] };
  if (size > LARGEST) return { ...bare, refused: `It is larger than ${LARGEST / 1e6} MB.` };
  const bytes = new Uint8Array(await file.arrayBuffer());
  const key = await keyOf(bytes);
  if (!isPdf(bytes)) {
    if (bytes.includes(0))
      return { ...bare, refused: 'It is no PDF and no text: pictures are read one by one on the Bench.' };
    kept.set(key, { name, bytes });
    return { ...bare, key, text: new TextDecoder().decode(bytes) };
  }
  try {
    const { pages, count } = await pagesOf(bytes, name);
    if (pages.length === 0)
      return { ...bare, refused: 'Its pages are pictures: they are read one by one on the Bench.' };
    kept.set(key, { name, bytes });
    return { name, key, count, pages };
  } catch (error) {
    return { ...bare, refused: (error as Error).message };
  }
}

/** The likeliest pages of a PDF that have words. */
async function pagesOf(
  bytes: Uint8Array,
  name: string,
): Promise<{ readonly pages: readonly SheetPage[]; readonly count: number }> {
  const sheet = await openSheet(bytes, name);
  try {
    const read = [];
    for (let number = 1; number <= Math.min(sheet.pages, MOST_PAGES); number += 1) {
      const { words } = await sheet.words(number);
      if (words.length > 0) read.push({ page: number, words, isScan: false });
    }
    const likeliest = read
      .map((one) => ({ one, score: pageWorth(one.words).score }))
      .sort((a, b) => b.score - a.score)
      .slice(0, PAGES_READ);
    return { count: sheet.pages, pages: likeliest.map(({ one }) => one) };
  } finally {
    sheet.close();
  }
}
