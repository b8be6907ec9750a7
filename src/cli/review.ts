import { readFileSync } from 'node:fs';
import { compileAndCheck } from '../core/check/guarded';
import { problemWords } from '../core/document/read';
import { openShelf, openTrial } from '../core/footprint/open';
import { reviewHtml } from '../core/format/review/html';
import { unpackZip } from '../core/format/unpack';
import { reviewMarkdown } from '../core/format/review/markdown';
import { reviewOf, type Entry } from '../core/library/review';
import { basename, join } from 'node:path';
import { bytesOf, filesIn, isFolder, textOf, underStandard, writeInto } from './files';
import { Refusal, type Outcome } from './outcome';

interface ReviewOptions {
  readonly out?: string | undefined;
  readonly title?: string | undefined;
  readonly standard?: string | undefined;
}

/** What one side of a review holds. */
interface State {
  readonly entries: readonly Entry[];
  readonly usedBy: ReadonlyMap<string, readonly string[]>;
  readonly left: readonly string[];
}

/** Writes what changed between two folders or files as a page and a summary. Exit 1 where a stop came. */
export function review(
  [old = '', now = '']: readonly string[],
  { out, title, standard }: ReviewOptions,
): Outcome {
  if (out === undefined)
    throw new Refusal('--out is missing: the folder to write the page and the summary into.');
  const [before, after] = [stateOf(old, undefined), stateOf(now, standard)];
  if (before.entries.length + after.entries.length === 0)
    throw new Refusal(`There is no document in ${old} or ${now}.`);
  const found = reviewOf(before.entries, after.entries, after.usedBy);
  const head = { title: title ?? `Review of ${basename(now)}`, before: old, after: now };
  const written = [
    writeInto(out, { name: 'review.html', mediaType: 'text/html', content: reviewHtml(found, head) }),
    writeInto(out, { name: 'review.md', mediaType: 'text/markdown', content: reviewMarkdown(found, head) }),
  ];
  const isStopped = found.entries.some(({ was, is }) => is?.verdict === 'stop' && was?.verdict !== 'stop');
  return {
    out: written.map((path) => `${path}\n`).join(''),
    err: [...before.left, ...after.left].map((line) => `${line}\n`).join(''),
    code: isStopped ? 1 : 0,
  };
}

/** Largest library that is unpacked, bytes. */
const MOST = 500_000_000;
/** What others keep beside footprints in a library. */
const BESIDE = /"tapis(Standard|Process|Family|Team|Backup|Habit|Target|KeptStandard)"\s*:/;

/** The texts of a folder or a ZIP by their paths in it; `null` for a single file. */
function libraryIn(path: string): ReadonlyMap<string, string> | null {
  if (isFolder(path))
    return new Map(filesIn(path).map((file) => [file, readFileSync(join(path, file), 'utf8')]));
  if (!/\.zip$/i.test(path)) return null;
  const read = unpackZip(bytesOf(path), { isWanted: (name) => /\.json$/i.test(name), most: MOST });
  if (!read.ok) throw new Refusal(`${path} cannot be read: ${read.error}`);
  const { files, damaged } = read.value;
  if (damaged.length > 0) throw new Refusal(`${path} is damaged: ${damaged.join(', ')}. Ask for it again.`);
  const texts = Object.entries(files).map(
    ([name, bytes]) => [name, new TextDecoder().decode(bytes)] as const,
  );
  return new Map(texts.sort(([a], [b]) => (a < b ? -1 : 1)));
}

/** Documents of a library by their paths in it, or of a file by their names; boards say what they use. */
function stateOf(path: string, standard: string | undefined): State {
  const entries: Entry[] = [];
  const left: string[] = [];
  const usedBy = new Map<string, string[]>();
  const library = libraryIn(path);
  for (const [file, text] of library ?? [[path, textOf(path)] as const]) {
    if (/"tapisTrial"\s*:/.test(text)) {
      noteUses(text, usedBy);
      continue;
    }
    if (BESIDE.test(text)) continue;
    const read = openShelf(text);
    if (!read.ok) {
      left.push(`${file} is left out: ${problemWords(read.error, '; ')}`);
      continue;
    }
    const { documents } = read.value;
    for (const document of documents)
      entries.push({
        // a file with one document is known by its path, so that a new name is a change
        path: documents.length === 1 && library ? file : document.name,
        checked: compileAndCheck(underStandard(document, standard)),
      });
  }
  return { entries, usedBy: byPath(entries, usedBy), left };
}

function noteUses(text: string, usedBy: Map<string, string[]>): void {
  const read = openTrial(text);
  if (!read.ok) return;
  for (const { document } of Object.values(read.value.footprints ?? {}))
    usedBy.set(document.name, [...(usedBy.get(document.name) ?? []), read.value.name]);
}

function byPath(entries: readonly Entry[], byName: ReadonlyMap<string, readonly string[]>) {
  return new Map(
    entries.map(({ path, checked }) => [path, byName.get(checked.compiled.document.name) ?? []]),
  );
}
