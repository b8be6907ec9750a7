// A library that stands in two places: what a browser keeps and what lies in a folder. Each pair remembers the text that
// both had last; what either has changed since is brought to the other. Pure: it says what is to be done, and somebody
// else does it. Nothing is written over that was not seen.

/** A thing as the browser keeps it. */
export interface Here {
  /** Kind and id, such as `footprint:4f2…`. */
  readonly key: string;
  readonly kind: string;
  readonly name: string;
  /** Folder that it belongs into, such as `connectors/board to board`; empty for none. */
  readonly folder: string;
  readonly text: string;
  /** Why nothing is changed in it, in words; `null` where it is. */
  readonly fixed: string | null;
}

/** A file as it lies in the folder. */
export interface There {
  readonly path: string;
  /** What is in it, canonical; or why that cannot be read. */
  readonly read:
    | { readonly kind: string; readonly name: string; readonly text: string }
    | { readonly problem: string };
}

/** That a thing and a file are the same, and what both were last. */
export interface Link {
  readonly key: string;
  readonly path: string;
  readonly text: string;
  /** Folder that the thing belonged into then. */
  readonly folder: string;
}

/** What three texts come to: one, or where they clash. */
export type Joined = { readonly text: string } | { readonly clashes: readonly JoinClash[] };

/** One place that both sides changed, each otherwise; in words. */
export interface JoinClash {
  readonly place: string;
  readonly base: string;
  readonly here: string;
  readonly there: string;
}

/** One thing to be done. */
export type Step =
  /** Both are alike; the pair is remembered so. */
  | { readonly do: 'settle'; readonly link: Link }
  /** The file gets what is here. @see was what was seen in it; empty for a new file */
  | { readonly do: 'write'; readonly link: Link; readonly was: string; readonly why: string }
  /** What is here gets what is in the file. */
  | { readonly do: 'take'; readonly link: Link; readonly was: string; readonly why: string }
  /** A file that nothing here belongs to becomes something here. */
  | { readonly do: 'add'; readonly path: string; readonly kind: string; readonly text: string }
  /** Both get what they come to together. */
  | {
      readonly do: 'join';
      readonly link: Link;
      readonly was: { readonly here: string; readonly there: string };
    }
  /** The file lies elsewhere than its thing belongs: it is moved. */
  | { readonly do: 'move'; readonly link: Link; readonly from: string }
  /** The file is gone: what is here goes to the bin. */
  | { readonly do: 'bin'; readonly key: string; readonly path: string }
  /** What was here lies in the bin: the file goes. */
  | { readonly do: 'remove'; readonly key: string; readonly path: string; readonly was: string }
  /** Somebody has to choose. */
  | {
      readonly do: 'ask';
      readonly key: string;
      readonly path: string;
      readonly clashes: readonly JoinClash[];
    }
  /** Something is left as it is, and said. */
  | { readonly do: 'tell'; readonly path: string; readonly words: string };

/** What is to be done, or why nothing is before somebody looks. */
export interface Plan {
  readonly steps: readonly Step[];
  /** Why the folder does not look like the one that it was; `null` where it does. */
  readonly doubt: string | null;
}

/** So many files that are gone at once are not taken for deleted by hand. */
const MANY_GONE = 5;

/**
 * What brings both sides together.
 * @param links what was alike when both were looked at last
 * @param join brings three texts together, by their kind
 */
export function together(
  links: readonly Link[],
  here: readonly Here[],
  there: readonly There[],
  join: (kind: string, base: string, ours: string, theirs: string) => Joined,
): Plan {
  const byKey = new Map(here.map((one) => [one.key, one]));
  const byPath = new Map(there.map((one) => [one.path, one]));
  const linked = new Map(links.map((link) => [link.key, link]));
  const taken = new Set(links.map(({ path }) => path));
  const free = there.filter(({ path }) => !taken.has(path));
  const gone = links.filter(({ path, key }) => !byPath.has(path) && byKey.has(key));
  const moved = movedFiles(gone, free);
  const lost = gone.filter(({ key }) => !moved.has(key));
  if (lost.length >= MANY_GONE && 2 * lost.length > links.length)
    return {
      steps: [],
      doubt: `${lost.length} of ${links.length} files are gone from the folder. Is it the right folder, and whole?`,
    };
  const paths = new Paths(there.map(({ path }) => path));
  const steps = links.flatMap((link) => {
    const own = byKey.get(link.key);
    const file = byPath.get(moved.get(link.key) ?? link.path);
    if (own && file) return paired(link, own, file, join, paths);
    if (own) return fileGone(link, own, paths);
    return file ? thingGone(link, file) : [];
  });
  const found = new Set(moved.values());
  const fresh = here.filter(({ key }) => !linked.has(key));
  const alike = sameTexts(
    fresh,
    free.filter(({ path }) => !found.has(path)),
  );
  const met = new Set(alike.values());
  return {
    doubt: null,
    steps: [
      ...steps,
      ...fresh.map((one): Step => {
        const { key, folder, text } = one;
        const path = alike.get(key);
        return path === undefined
          ? { do: 'write', link: { key, folder, text, path: paths.of(one) }, was: '', why: 'new here' }
          : { do: 'settle', link: { key, folder: folderOf(path), text, path } };
      }),
      ...free
        .filter(({ path }) => !found.has(path) && !met.has(path))
        .map(({ path, read }): Step =>
          'problem' in read
            ? { do: 'tell', path, words: read.problem }
            : { do: 'add', path, kind: read.kind, text: read.text },
        ),
    ],
  };
}

/** The folder of a path; empty for none. */
export function folderOf(path: string): string {
  return path.slice(0, Math.max(0, path.lastIndexOf('/')));
}

function paired(
  link: Link,
  own: Here,
  { path, read }: There,
  join: Parameters<typeof together>[3],
  paths: Paths,
): Step[] {
  if ('problem' in read) return [{ do: 'tell', path, words: read.problem }];
  if (read.kind !== own.kind)
    return [
      { do: 'tell', path, words: `It held ${own.name} and holds a ${read.kind} now; it is left as it is.` },
    ];
  const [isHere, isThere] = [own.text !== link.text, read.text !== link.text];
  // who moved a file has the last word about its folder; else a thing that changed its group takes its file along
  const wasMoved = folderOf(path) !== folderOf(link.path);
  const moves = !wasMoved && own.folder !== link.folder && own.folder !== folderOf(path);
  const to = moves ? paths.of(own) : path;
  const now = { key: own.key, path: to, folder: moves ? own.folder : folderOf(path) };
  const move: Step[] = moves ? [{ do: 'move', link: { ...now, text: read.text }, from: path }] : [];
  if (own.text === read.text)
    return isHere || wasMoved || path !== link.path
      ? [{ do: 'settle', link: { ...now, text: own.text } }, ...move]
      : move;
  if (isThere && own.fixed !== null)
    return [
      {
        do: 'tell',
        path,
        words: `It was changed in the folder, and ${own.fixed}; both are left as they are.`,
      },
    ];
  if (!isThere)
    return [...move, { do: 'write', link: { ...now, text: own.text }, was: read.text, why: 'changed here' }];
  if (!isHere)
    return [
      ...move,
      { do: 'take', link: { ...now, text: read.text }, was: own.text, why: 'changed in the folder' },
    ];
  const joined = join(own.kind, link.text, own.text, read.text);
  if ('clashes' in joined) return [{ do: 'ask', key: own.key, path, clashes: joined.clashes }];
  return [
    ...move,
    { do: 'join', link: { ...now, text: joined.text }, was: { here: own.text, there: read.text } },
  ];
}

function fileGone(link: Link, own: Here, paths: Paths): Step[] {
  if (own.text === link.text && own.fixed === null) return [{ do: 'bin', key: link.key, path: link.path }];
  const path = paths.of(own);
  const why = own.fixed ?? 'changed here since its file was deleted';
  return [{ do: 'write', link: { key: own.key, path, text: own.text, folder: own.folder }, was: '', why }];
}

function thingGone(link: Link, { path, read }: There): Step[] {
  if ('problem' in read) return [{ do: 'tell', path, words: read.problem }];
  return read.text === link.text
    ? [{ do: 'remove', key: link.key, path, was: read.text }]
    : [
        {
          do: 'take',
          link: { key: link.key, path, text: read.text, folder: folderOf(path) },
          was: '',
          why: 'deleted here, and changed in the folder since',
        },
      ];
}

/** Files that lie elsewhere now, by the keys of their things: what is the same to the letter is the same file. */
function movedFiles(gone: readonly Link[], free: readonly There[]): ReadonlyMap<string, string> {
  const found = new Map<string, string>();
  const left = new Set(free);
  for (const { key, text } of gone) {
    const [file, ...others] = [...left].filter(({ read }) => 'text' in read && read.text === text);
    // two alike could be either
    if (!file || others.length > 0) continue;
    found.set(key, file.path);
    left.delete(file);
  }
  return found;
}

/** New things and new files that are the same to the letter, each once. */
function sameTexts(fresh: readonly Here[], free: readonly There[]): ReadonlyMap<string, string> {
  const byText = new Map<string, string[]>();
  for (const { path, read } of free)
    if ('text' in read) byText.set(read.text, [...(byText.get(read.text) ?? []), path]);
  const found = new Map<string, string>();
  for (const { key, text } of fresh) {
    const path = byText.get(text)?.shift();
    if (path !== undefined) found.set(key, path);
  }
  return found;
}

/** Paths for what is written, each once: some systems do not tell large letters from small ones. */
class Paths {
  private readonly taken: Set<string>;
  constructor(paths: readonly string[]) {
    this.taken = new Set(paths.map((path) => path.toLowerCase()));
  }
  of({ folder, name }: Here): string {
    const base = `${folder === '' ? '' : `${folder}/`}${fileName(name)}`;
    let path = `${base}.json`;
    for (let i = 2; this.taken.has(path.toLowerCase()); i += 1) path = `${base} ${i}.json`;
    this.taken.add(path.toLowerCase());
    return path;
  }
}

/** Names that some systems keep for themselves. */
const KEPT = /^(con|prn|aux|nul|com\d|lpt\d)$/i;
/** Longest name of a file without its ending; what is longer is cut. */
const LONGEST = 100;

/** A name as a file or folder can have it on every system. */
export function fileName(name: string): string {
  const plain = name
    .normalize('NFC')
    // what some systems refuse in names, and what no eye sees
    .replaceAll(/[\\/:*?"<>|\p{C}]+/gu, '-')
    .replaceAll(/\s+/g, ' ')
    .slice(0, LONGEST)
    .replaceAll(/^[\s.]+|[\s.]+$/g, '');
  return plain === '' || KEPT.test(plain) ? `${plain}_` : plain;
}
