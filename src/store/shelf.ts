import type { TapisDocument } from '../core/document/document';
import type { KeptHistory } from '../core/document/history';
import type { Result } from '../core/units/result';
import type { ShelfEntry, StoredFootprint, TapisDatabase } from './database';
import { KinStore } from './kin';
import { foldersOf, GroupStore } from './groups';
import { copyName, keptNow } from './kept';
import type { ImportResult } from './import-result';
import type { Bringing } from './importing';
import { ModelStore } from './models';
import { SourceStore } from './sources';
import type { Progress } from './pace';
import type { Brought, Choice, Clash, Comparison } from './restore';
import { documentsOf } from './trials';
import { writeFootprints } from './write';
import type { SaveResult } from './autosave';
import { reopen } from './storage';

/** Stands for the number of a revision where a footprint came by a link. */
export const FROM_LINK = 0;

/** What was begun so long ago, and nothing entered, was left. ms */
const LEFT = 86_400_000;

/** The Shelf: footprints in browser storage. Originals are never overwritten by what is imported. */
export class ShelfStore {
  readonly models: ModelStore;
  readonly sources: SourceStore;

  constructor(private readonly db: TapisDatabase) {
    this.models = new ModelStore(db);
    this.sources = new SourceStore(db);
  }

  /** What stands on the Shelf, last changed first, without the documents. */
  async entries(): Promise<ShelfEntry[]> {
    // all at once, which is quicker than by an index
    const all = (await this.db.entries.toArray()).filter(({ binnedAt, blank }) => binnedAt === 0 && !blank);
    return all.sort((a, b) => b.updatedAt - a.updatedAt);
  }

  /** What lies in the bin, last binned first. */
  async binned(): Promise<ShelfEntry[]> {
    const all = await this.db.entries.where('binnedAt').above(0).toArray();
    return all.sort((a, b) => b.binnedAt - a.binnedAt);
  }

  /** What can be undone in a footprint as it is stored; `null` where that is of another state. */
  async historyOf({ id, revision }: StoredFootprint): Promise<KeptHistory | null> {
    const row = await this.db.histories.get(id);
    return row?.revision === revision ? row.history : null;
  }

  /** Footprints by their ids, as far as there are such. */
  async getAll(ids: readonly string[]): Promise<StoredFootprint[]> {
    return (await this.db.footprints.bulkGet([...ids])).filter((row) => row !== undefined);
  }

  /** Footprints on the Shelf with their documents, last changed first. */
  async list(): Promise<StoredFootprint[]> {
    const all = (await this.db.footprints.where('binnedAt').equals(0).toArray()).filter(
      ({ blank }) => !blank,
    );
    return all.sort((a, b) => b.updatedAt - a.updatedAt);
  }

  async get(id: string): Promise<StoredFootprint | null> {
    return (await this.db.footprints.get(id)) ?? null;
  }

  /** Changes what is known of footprints beside their documents. */
  private async amend(
    ids: readonly string[],
    change: Partial<Omit<StoredFootprint, 'id' | 'document'>>,
  ): Promise<void> {
    const { footprints, entries } = this.db;
    await this.db.transaction('rw', footprints, entries, async () => {
      await footprints.bulkUpdate(ids.map((key) => ({ key, changes: change })));
      await entries.bulkUpdate(ids.map((key) => ({ key, changes: change })));
    });
  }

  /**
   * Begins a footprint that stands on the Shelf once something was entered. What was begun before and
   * left as it was is gone.
   */
  async begin(document: TapisDocument): Promise<StoredFootprint> {
    const { footprints, entries } = this.db;
    const old = Date.now() - LEFT;
    const left = await entries
      .filter(({ blank, createdAt }) => blank === true && createdAt < old)
      .primaryKeys();
    const stored: StoredFootprint = { ...keptNow(crypto.randomUUID(), document), blank: true };
    await this.db.transaction('rw', footprints, entries, async () => {
      await footprints.bulkDelete(left);
      await entries.bulkDelete(left);
      await writeFootprints(this.db, [stored]);
    });
    return stored;
  }

  /** Holds what came by a link: it is not changed, and does not stand on the Shelf until somebody goes on with it. */
  async receive(document: TapisDocument): Promise<StoredFootprint> {
    const stored: StoredFootprint = {
      ...keptNow(crypto.randomUUID(), document),
      blank: true,
      locked: FROM_LINK,
    };
    await writeFootprints(this.db, [stored]);
    return stored;
  }

  /** @param group id of the group that they come into */
  async add(documents: readonly TapisDocument[], group?: string): Promise<StoredFootprint[]> {
    const now = Date.now();
    const rows = documents.map((document, i): StoredFootprint => ({
      id: crypto.randomUUID(),
      document,
      revision: 1,
      createdAt: now,
      // the first of several stays first in the list
      updatedAt: now + documents.length - i,
      binnedAt: 0,
      ...(group ? { group } : {}),
    }));
    await writeFootprints(this.db, rows);
    return rows;
  }

  /**
   * Adds a copy named after its original; the original is left alone.
   * @param newest its document as it is on the Bench, which may not be written yet
   */
  async duplicate(id: string, newest?: TapisDocument): Promise<StoredFootprint | null> {
    const original = await this.get(id);
    const whole = newest ?? original?.document;
    if (!whole) return null;
    // who stands for the original does not stand for what becomes of the copy
    const { approvals: _, ...document } = whole;
    const name = `${document.name} (copy)`.slice(0, 120);
    const [copy] = await this.add([{ ...document, name }], original?.group);
    return copy ?? null;
  }

  /**
   * Saves a document onto the revision it was read from. Where another tab has saved
   * in between, nothing is written and the other state is returned.
   * @param history what can be undone in it, kept with it
   */
  async save(
    id: string,
    document: TapisDocument,
    revision: number,
    history: KeptHistory | null = null,
  ): Promise<SaveResult> {
    await reopen(this.db);
    const { footprints, entries, histories } = this.db;
    return this.db.transaction('rw', footprints, entries, histories, async (): Promise<SaveResult> => {
      const current = await this.db.footprints.get(id);
      if (!current) return { kind: 'gone' };
      // what is approved stays as it is, whoever had it open meanwhile
      if (current.revision !== revision || current.locked !== undefined)
        return { kind: 'conflict', stored: current };
      const { blank: _blank, ...kept } = current;
      const stored = { ...kept, document, revision: revision + 1, updatedAt: Date.now() };
      await writeFootprints(this.db, [stored]);
      if (history) await histories.put({ id, revision: stored.revision, history });
      return { kind: 'saved', stored };
    });
  }

  /**
   * Writes other documents onto the revisions that were read, all at one stroke; a footprint that was changed
   * since is left.
   * @returns what there was before, onto the revisions that are there now, and the names of those that stayed
   */
  async rewrite(rows: readonly Pick<StoredFootprint, 'id' | 'document' | 'revision'>[]): Promise<{
    readonly before: readonly Pick<StoredFootprint, 'id' | 'document' | 'revision'>[];
    readonly left: readonly string[];
  }> {
    const { footprints, entries } = this.db;
    return this.db.transaction('rw', footprints, entries, async () => {
      const current = await footprints.bulkGet(rows.map(({ id }) => id));
      const now = Date.now();
      const written: StoredFootprint[] = [];
      const before: Pick<StoredFootprint, 'id' | 'document' | 'revision'>[] = [];
      const left: string[] = [];
      for (const [i, { document, revision }] of rows.entries()) {
        const row = current[i];
        if (row?.revision !== revision) {
          left.push(row?.document.name ?? document.name);
          continue;
        }
        if (row.locked !== undefined) {
          left.push(`${row.document.name} (revision ${row.locked} is approved)`);
          continue;
        }
        written.push({ ...row, document, revision: revision + 1, updatedAt: now });
        before.push({ id: row.id, document: row.document, revision: revision + 1 });
      }
      await writeFootprints(this.db, written);
      return { before, left };
    });
  }

  /** Adds what this tab holds beside what another tab has saved. */
  async addCopy(document: TapisDocument): Promise<void> {
    await this.add([{ ...document, name: copyName(document.name) }]);
  }

  /** Keeps a footprint again that was removed for good, under its old id. */
  async keepAgain(id: string, document: TapisDocument): Promise<StoredFootprint> {
    const stored = keptNow(id, document);
    await writeFootprints(this.db, [stored]);
    return stored;
  }

  async bin(...ids: readonly string[]): Promise<void> {
    await this.amend(ids, { binnedAt: Date.now() });
  }

  async restore(...ids: readonly string[]): Promise<void> {
    await this.amend(ids, { binnedAt: 0 });
  }

  /** Puts footprints into a group, or with an empty id into none. */
  async move(ids: readonly string[], group: string): Promise<void> {
    await this.amend(ids, { group });
  }

  /** Says against which footprint a pattern is held. */
  async holdAgainst(id: string, against: string): Promise<void> {
    await this.amend([id], { against });
  }

  /** A footprint that is the package itself now is held against none. */
  async letGo(id: string): Promise<void> {
    const { footprints, entries } = this.db;
    await this.db.transaction('rw', footprints, entries, async () => {
      for (const table of [footprints, entries]) await table.update(id, { against: undefined });
    });
  }

  /** The patterns that are held against a footprint. */
  async heldAgainst(id: string): Promise<ShelfEntry[]> {
    return (await this.db.entries.where('against').equals(id).toArray()).filter(
      ({ binnedAt }) => binnedAt === 0,
    );
  }

  /** Gives footprints a tag, or takes it from them. */
  async tag(ids: readonly string[], tag: string, isOn: boolean): Promise<void> {
    const { footprints, entries } = this.db;
    await this.db.transaction('rw', footprints, entries, async () => {
      for (const { id, tags = [] } of (await entries.bulkGet([...ids])).filter((one) => one !== undefined)) {
        const others = tags.filter((one) => one !== tag);
        await this.amend([id], { tags: isOn ? [...others, tag].sort() : others });
      }
    });
  }

  /** Gives a footprint these tags and no others. */
  setTags(id: string, tags: readonly string[]): Promise<void> {
    const { footprints, entries } = this.db;
    return this.db.transaction('rw', footprints, entries, () => this.amend([id], { tags }));
  }

  /** Removes everything in the bin for good, and the files of models and datasheets that no footprint has any more. */
  async emptyBin(): Promise<void> {
    const { footprints, entries, facts, drawings, coppers, histories, revisions } = this.db;
    const ids = await entries.where('binnedAt').above(0).primaryKeys();
    const orphans = await entries.where('base').anyOf(ids).primaryKeys();
    await this.db.transaction(
      'rw',
      [footprints, entries, facts, drawings, coppers, histories, revisions],
      async () => {
        await new KinStore(this.db).cutLoose(...orphans.filter((id) => !ids.includes(id)));
        for (const table of [footprints, entries, facts, drawings, coppers, histories])
          await table.bulkDelete(ids);
        await revisions.where('footprint').anyOf(ids).delete();
      },
    );
    const files = (await this.db.models.count()) + (await this.db.sources.count());
    if (files === 0) return;
    // revisions and trials have documents of their own
    const kept = [
      ...(await footprints.toArray()).map(({ document }) => document),
      ...(await revisions.toArray()).map(({ document }) => document),
      ...(await this.db.trials.toArray()).flatMap(({ document }) => documentsOf(document)),
    ];
    await this.models.keepOnly(kept);
    await this.sources.keepOnly(kept);
  }

  /**
   * Adds the documents of a file (one, or a whole Shelf). A file that cannot be read
   * adds nothing; a document that cannot be read leaves the others of its file.
   */
  async importText(text: string, how?: Bringing): Promise<ImportResult> {
    const { importTexts } = await import('./importing');
    return importTexts(this.db, this, [{ text }], how);
  }

  /**
   * Adds the documents of a ZIP, its folders as groups. What cannot be read is named with its path, and
   * leaves the others.
   */
  async importZip(bytes: Uint8Array, how?: Bringing): Promise<ImportResult> {
    const [{ unpackFolders }, { importTexts }] = await Promise.all([import('./zip'), import('./importing')]);
    const files = unpackFolders(bytes);
    const refused = (message: string) => ({ field: '', message });
    if (!files.ok) return { added: [], families: [], here: [], refused: [refused(files.error)] };
    const { texts, damage } = files.value;
    const result = await importTexts(this.db, this, texts, how);
    return damage ? { ...result, refused: [refused(damage), ...result.refused] } : result;
  }

  /** Footprints as a ZIP of documents, with their models inside, in folders as their groups are. */
  async exportZip(
    ids: readonly string[],
  ): Promise<{ readonly bytes: Uint8Array; readonly left: readonly string[] }> {
    const { packFolders } = await import('./zip');
    const groups = await new GroupStore(this.db).list();
    const left: string[] = [];
    const all = await Promise.all(
      (await this.getAll(ids)).map(async ({ document, group }) => {
        const packed = await this.models.pack(document);
        if (!packed && document.body?.model) left.push(document.body.model.name);
        const whole = await this.sources.pack(packed ?? document);
        left.push(...whole.left);
        return { document: whole.document, folders: foldersOf(groups, group) };
      }),
    );
    return { bytes: await packFolders(all), left };
  }

  /** Everything that is kept as the parts of one ZIP; `null` where it was stopped. */
  async backup(onDone?: Progress): Promise<readonly Uint8Array[] | null> {
    const { makeBackup } = await import('./backup');
    return makeBackup(this.db, onDone);
  }

  /**
   * Holds a backup against what is here; nothing is written yet.
   * @returns `null` where the bytes are no backup, or where it was stopped
   */
  async compareBackup(bytes: Uint8Array, onDone?: Progress): Promise<Result<Comparison, string> | null> {
    const { compareBackup, isBackup } = await import('./restore');
    return isBackup(bytes) ? compareBackup(this.db, bytes, onDone) : null;
  }

  /** Brings a backup back, with what to do where something differs. */
  async bringBack(comparison: Comparison, choose: (clash: Clash) => Choice): Promise<Brought> {
    const { bringBack } = await import('./restore');
    return bringBack(this.db, comparison, choose);
  }
}
