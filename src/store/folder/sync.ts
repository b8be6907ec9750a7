import { fileName, folderOf, together, type Here, type Step, type There } from '../../core/library/together';
import { PROCESSES } from '../../core/process';
import {
  entryOf,
  type ShelfEntry,
  type StoredFootprint,
  type StoredGroup,
  type StoredLink,
  type TapisDatabase,
} from '../database';
import { FamilyStore } from '../families';
import { foldersOf, GroupStore, within } from '../groups';
import type { KeptTable } from '../kept';
import { breathe } from '../pace';
import { ProcessStore } from '../processes';
import { RevisionStore } from '../revisions';
import { ShelfStore } from '../shelf';
import { StandardStore } from '../standards';
import { documentsOf, TrialStore } from '../trials';
import type { Folder, Listed } from './files';
import { fileBytes, linkId, splitKey, whyNot } from './links';
import { bringParts, isPart, partsOf, type NamedPart } from './parts';
import { bringTags, TAGS } from './tags';
import { joinedFor, joinTexts, KINDS, readThere, thingOf, type KindId } from './kinds';

// A library in a folder and in the browser: what either has changed since both were looked at last is brought to the
// other. What a step needs is looked at once more before it is done; what has changed meanwhile waits for the next look.

/** Somebody has to choose: both have changed the same. */
export type Ask = Extract<Step, { do: 'ask' }> & { readonly name: string };

/** What a look at both sides came to. */
export interface Look {
  /** Things that both have now. */
  readonly count: number;
  /** What was done, in words: the first of many. */
  readonly done: readonly string[];
  readonly asks: readonly Ask[];
  /** What was left as it is, and why. */
  readonly told: readonly { readonly path: string; readonly words: string }[];
  /** Why nothing was done; `null` where it was. */
  readonly doubt: string | null;
  /** Whether something could not be done, or changed meanwhile, and is worth another look. */
  readonly waits: boolean;
}

/** Largest file that is read as a document, bytes. */
const LARGEST_FILE = 4_000_000;
/** Looks after one another until nothing is left to do: originals bring their variants along. */
const LOOKS = 4;
/** Files between two breaths. */
const AT_ONCE = 50;

/** A footprint as it stood when it was looked at last: what has not changed since is not read again. */
interface Known {
  readonly as: string;
  readonly name: string;
  readonly text: string;
  /** Keys of the models and datasheets that it names. */
  readonly parts: readonly NamedPart[];
}

export class FolderSync {
  private readonly known = new Map<string, Known>();
  private readonly shelf: ShelfStore;
  private readonly groups: GroupStore;
  private readonly tables: Readonly<Record<Exclude<KindId, 'footprint'>, KeptTable<never>>>;

  /**
   * @param link id of the link: what was alike last is remembered under it
   * @param group id of the group that is kept there; without it the whole Shelf, and what stands beside it
   */
  constructor(
    private readonly db: TapisDatabase,
    private readonly folder: Folder,
    private readonly link: string,
    private readonly group?: string,
  ) {
    this.shelf = new ShelfStore(db);
    this.groups = new GroupStore(db);
    this.tables = {
      standard: new StandardStore(db),
      process: new ProcessStore(db),
      family: new FamilyStore(db),
      trial: new TrialStore(db),
    } as unknown as typeof this.tables;
  }

  /**
   * Looks at both sides and brings them together.
   * @param onDone how many of how many files were looked at
   */
  async look(onDone: (done: number, all: number) => void = () => {}): Promise<Look> {
    const done: string[] = [];
    let told: { path: string; words: string }[] = [];
    let asks: Ask[] = [];
    let count = 0;
    let waits = false;
    let files: readonly Listed[] = [];
    const removed = new Set<string>();
    if (this.group !== undefined && !(await this.db.groups.get(this.group)))
      return {
        count,
        done,
        asks,
        told,
        doubt: 'The group that is kept in this folder is gone from the Shelf.',
        waits,
      };
    for (let i = 0; i < LOOKS; i += 1) {
      const seen = await this.seen(onDone);
      ({ files } = seen);
      const plan = together(seen.links, seen.here, seen.there, joinTexts);
      if (plan.doubt !== null) return { count, done, asks: [], told: seen.told, doubt: plan.doubt, waits };
      told = [...seen.told];
      asks = [];
      waits = false;
      let isAtRest = true;
      for (const [j, step] of plan.steps.entries()) {
        if (j % AT_ONCE === 0) {
          onDone(j, plan.steps.length);
          await breathe();
        }
        if (step.do === 'ask') {
          const own = seen.here.find(({ key }) => key === step.key);
          asks.push({ ...step, name: own?.name ?? step.path });
        } else if (step.do === 'tell') told.push({ path: step.path, words: step.words });
        else {
          const words = await this.carryOut(step).catch((error: unknown) => {
            told.push({ path: pathOf(step), words: whyNot(error) });
            waits = true;
            return '';
          });
          waits ||= words === null;
          // what waits, and what brought others along, is looked at once more
          if (words !== '') isAtRest = false;
          if (words) done.push(words);
          if (words && step.do === 'remove') removed.add(step.path);
        }
      }
      count = seen.here.length;
      if (isAtRest) break;
    }
    const both = { db: this.db, shelf: this.shelf, folder: this.folder, link: this.link };
    told.push(
      ...(await bringParts(both, await this.partsNamed(), files)),
      ...(await bringTags(both, await this.linked(), removed)),
    );
    return { count, done, asks, told, doubt: null, waits };
  }

  /** Settles what both have changed: the places of the clash get one side’s values, all others both sides’. */
  async choose({ key, path }: Ask, side: 'here' | 'there'): Promise<void> {
    const [kind, id] = splitKey(key);
    const link = await this.db.links.get(this.rowId(key));
    const own = (await this.here()).find((one) => one.key === key);
    const there = await this.readOf(path);
    if (!link || !own || !there || 'problem' in there) return;
    const text = joinedFor(kind, [link.text, own.text, there.text], side);
    // what is replaced here can be gone back to
    if (side === 'there' && kind === 'footprint')
      await new RevisionStore(this.db).keep(id, 'draft', 'Before the folder’s version was taken');
    await this.carryOut({
      do: 'join',
      link: { key, path, text, folder: link.under },
      was: { here: own.text, there: there.text },
    });
  }

  private rowId = (key: string): string => linkId(this.link, key);

  /** Both sides and what they were last. */
  private async seen(onDone: (done: number, all: number) => void) {
    const rows = await this.linked();
    const byPath = new Map(rows.map((row) => [row.path, row]));
    const files = await this.folder.list();
    const listed = files.filter(({ path }) => /\.json$/i.test(path) && !isPart(path));
    const there: There[] = [];
    const told: { path: string; words: string }[] = [];
    for (const [i, one] of listed.entries()) {
      if (i % AT_ONCE === 0) {
        onDone(i, listed.length);
        await breathe();
      }
      const read = await this.readListed(one, byPath.get(one.path));
      if (read && this.isOfIt(read)) there.push({ path: one.path, read });
    }
    onDone(listed.length, listed.length);
    return {
      links: rows.map(({ key, path, text, under }) => ({ key, path, text, folder: under })),
      here: await this.here(),
      there,
      told,
      files,
    };
  }

  /** What is linked to files, without what is remembered of tags. */
  private async linked(): Promise<StoredLink[]> {
    const rows = await this.db.links.where('link').equals(this.link).toArray();
    return rows.filter(({ key }) => key !== TAGS);
  }

  /** Beside a group stand no standards, processes, families and trials: its footprints carry what they need. */
  private isOfIt(read: There['read']): boolean {
    return this.group === undefined || 'problem' in read || read.kind === 'footprint';
  }

  /** What a file holds; one that has the stamp that it had is not read again. */
  private async readListed(
    { path, stamp, size }: Listed,
    known: StoredLink | undefined,
  ): Promise<There['read'] | null> {
    if (known && stamp !== '' && known.stamp === stamp)
      return { kind: splitKey(known.key)[0], name: path, text: known.text };
    if (size > LARGEST_FILE)
      return known ? { problem: `It is larger than what is read, ${LARGEST_FILE / 1e6} MB.` } : null;
    return this.readOf(path);
  }

  private async readOf(path: string): Promise<There['read'] | null> {
    try {
      return readThere(new TextDecoder().decode(await this.folder.read(path)));
    } catch (error) {
      return { problem: `It cannot be read: ${whyNot(error)}` };
    }
  }

  private async here(): Promise<Here[]> {
    const groups = await this.groups.list();
    const own = await this.footprints(groups);
    const footprints = own.map(([{ id, group, locked }, { name, text }]): Here => ({
      key: `footprint:${id}`,
      kind: 'footprint',
      name,
      folder: this.under(groups, group),
      text,
      fixed: locked === undefined ? null : `revision ${locked} is approved here`,
    }));
    if (this.group !== undefined) return footprints;
    const others = await Promise.all(
      (Object.keys(this.tables) as (keyof typeof this.tables)[]).map(async (kind) => {
        const { folder, write, nameOf } = KINDS[kind] as unknown as {
          readonly folder: string;
          readonly write: (document: unknown) => string;
          readonly nameOf: (document: unknown) => string;
        };
        return (await this.tables[kind].rows()).map(({ id, document }): Here => ({
          key: `${kind}:${id}`,
          kind,
          name: nameOf(document),
          folder,
          text: write(document),
          fixed: null,
        }));
      }),
    );
    return [...footprints, ...others.flat()];
  }

  /** The footprints that are kept in the folder. */
  private async footprints(groups: readonly StoredGroup[]): Promise<(readonly [ShelfEntry, Known])[]> {
    const inIt = this.group === undefined ? null : within(groups, this.group);
    const all = (await this.shelf.entries()).filter(
      ({ group }) => inIt === null || (group !== undefined && inIt.has(group)),
    );
    const asOf = ({ revision, updatedAt }: ShelfEntry) => `${revision} ${updatedAt}`;
    const changed = all.filter((entry) => this.known.get(entry.id)?.as !== asOf(entry));
    for (let i = 0; i < changed.length; i += AT_ONCE) {
      const some = changed.slice(i, i + AT_ONCE);
      const rows = await this.db.footprints.bulkGet(some.map(({ id }) => id));
      for (const row of rows) {
        if (!row) continue;
        const { id, document } = row;
        const text = KINDS.footprint.write(document);
        this.known.set(id, { as: asOf(entryOf(row)), name: document.name, text, parts: partsOf(document) });
      }
      await breathe();
    }
    return all.flatMap((entry) => {
      const known = this.known.get(entry.id);
      return known ? [[entry, known] as const] : [];
    });
  }

  /** Where the folders of a group's footprints begin. */
  private rootOf(groups: readonly StoredGroup[]): string[] {
    return this.group === undefined ? [] : foldersOf(groups, this.group);
  }

  /** The folder of a group, seen from the one that is linked. */
  private under(groups: readonly StoredGroup[], group: string | undefined): string {
    return foldersOf(groups, group).slice(this.rootOf(groups).length).map(fileName).join('/');
  }

  /** The group that a folder is of, made where there is none yet; empty for none. */
  private async groupOf(folder: string): Promise<string> {
    const root = this.rootOf(await this.groups.list());
    return this.groups.ensure([...root, ...(folder === '' ? [] : folder.split('/'))]);
  }

  /** The models and datasheets that documents in the folder name. */
  private async partsNamed(): Promise<ReadonlyMap<NamedPart[0], NamedPart[1]>> {
    const own = await this.footprints(await this.groups.list());
    const trials = this.group !== undefined ? [] : await (this.tables.trial as unknown as TrialStore).rows();
    return new Map([
      ...own.flatMap(([, { parts }]) => parts),
      ...trials.flatMap(({ document }) => documentsOf(document)).flatMap(partsOf),
    ]);
  }

  /** Does a step. @returns what was done in words, empty for what nobody sees; `null` where it waits for the next look */
  private async carryOut(step: Exclude<Step, { do: 'ask' | 'tell' }>): Promise<string | null> {
    switch (step.do) {
      case 'settle': {
        const { link } = step;
        await this.remember(link, await this.stampOf(link.path));
        return (await this.put(link, null)) ? '' : null;
      }
      case 'write': {
        const { link, was, why } = step;
        if (!(await this.isStill(link.path, was))) return null;
        await this.remember(link, await this.folder.write(link.path, fileBytes(link.text)));
        return `${link.path} written: ${why}`;
      }
      case 'take': {
        const { link, was, why } = step;
        if (!(await this.put(link, was))) return null;
        await this.remember(link, await this.stampOf(link.path));
        return `${link.path} taken: ${why}`;
      }
      case 'join': {
        const { link, was } = step;
        if (!(await this.isStill(link.path, was.there)) || !(await this.put(link, was.here))) return null;
        await this.remember(link, await this.folder.write(link.path, fileBytes(link.text)));
        return `${link.path}: both sides’ changes joined`;
      }
      case 'add': {
        const key = await this.add(step.kind as KindId, step.path, step.text);
        const link = { key, path: step.path, text: step.text, folder: folderOf(step.path) };
        await this.remember(link, await this.stampOf(step.path));
        return `${step.path} is new in the folder, and came in`;
      }
      case 'move': {
        const { link, from } = step;
        const content = await this.folder.read(from);
        const stamp = await this.folder.write(link.path, content);
        await this.folder.remove(from);
        const row = await this.db.links.get(this.rowId(link.key));
        await this.remember({ ...link, text: row?.text ?? link.text }, stamp);
        return `${from} moved to ${link.path}`;
      }
      case 'bin': {
        const [kind, id] = splitKey(step.key);
        await (kind === 'footprint' ? this.shelf.bin(id) : this.tables[kind].bin(id));
        await this.db.links.delete(this.rowId(step.key));
        return `${step.path} is gone from the folder: it lies in the bin here`;
      }
      case 'remove':
        if (!(await this.isStill(step.path, step.was))) return null;
        await this.folder.remove(step.path);
        await this.db.links.delete(this.rowId(step.key));
        return `${step.path} removed: it was deleted here`;
    }
  }

  private async remember(
    { key, path, text, folder }: { key: string; path: string; text: string; folder: string },
    stamp: string,
  ): Promise<void> {
    await this.db.links.put({ id: this.rowId(key), link: this.link, key, path, text, under: folder, stamp });
  }

  private async stampOf(path: string): Promise<string> {
    return (await this.folder.stat(path))?.stamp ?? '';
  }

  /** Whether a file still holds what was seen in it; empty for one that was not there. */
  private async isStill(path: string, was: string): Promise<boolean> {
    const isThere = (await this.folder.stat(path)) !== null;
    if (was === '' || !isThere) return was === '' && !isThere;
    const read = await this.readOf(path);
    return read !== null && 'text' in read && read.text === was;
  }

  /**
   * Puts a text in place of what a thing is here, and into the group of its folder.
   * @param was what it was when it was looked at; empty for one in the bin, `null` where the text stays
   */
  private async put(
    link: { readonly key: string; readonly text: string; readonly folder: string },
    was: string | null,
  ): Promise<boolean> {
    const [kind, id] = splitKey(link.key);
    if (kind === 'footprint') return this.putFootprint(id, link, was);
    if (was === null) return true;
    const table = this.tables[kind];
    const row = await table.get(id);
    if (!row || (row.binnedAt === 0) === (was === '')) return false;
    if (was !== '' && (KINDS[kind].write as (one: unknown) => string)(row.document) !== was) return false;
    if (was === '') await table.restore(id);
    const saved = await table.save(id, thingOf(kind, link.text) as never, row.revision, null);
    return saved.kind === 'saved';
  }

  private async putFootprint(
    id: string,
    { text, folder }: { readonly text: string; readonly folder: string },
    was: string | null,
  ): Promise<boolean> {
    const row = await this.shelf.get(id);
    if (!row || (was !== null && (row.binnedAt === 0) === (was === ''))) return false;
    if (was !== null) {
      if (was !== '' && KINDS.footprint.write(row.document) !== was) return false;
      const saved = await this.shelf.save(id, thingOf('footprint', text), row.revision);
      if (saved.kind !== 'saved') return false;
      if (was === '') await this.shelf.restore(id);
    }
    await this.intoGroup(row, folder);
    return true;
  }

  private async intoGroup({ id, group }: StoredFootprint, folder: string): Promise<void> {
    if (this.under(await this.groups.list(), group) === folder) return;
    await this.shelf.move([id], await this.groupOf(folder));
  }

  /** Adds what a new file holds. @returns its key @throws where something of its id is here and differs */
  private async add(kind: KindId, path: string, text: string): Promise<string> {
    if (kind === 'footprint') {
      const group = await this.groupOf(folderOf(path));
      const [row] = await this.shelf.add([thingOf('footprint', text)], group === '' ? undefined : group);
      return `footprint:${row?.id ?? ''}`;
    }
    if (kind === 'trial') {
      const row = await (this.tables.trial as unknown as TrialStore).add(thingOf('trial', text));
      return `trial:${row.id}`;
    }
    const document = thingOf(kind, text);
    const id = 'own' in document ? document.own.id : document.id;
    if ((await this.tables[kind].get(id)) || (kind === 'process' && PROCESSES.some((one) => one.id === id)))
      throw new Error(`There is another ${kind} with the id “${id}” here; give one of them another id.`);
    await this.tables[kind].keepAgain(id, document as never);
    return `${kind}:${id}`;
  }
}

function pathOf(step: Step): string {
  return 'link' in step ? step.link.path : step.path;
}
