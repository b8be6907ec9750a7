import type { TapisDocument } from '../core/document/document';
import { applyEdits, type Edit } from '../core/document/edit';
import type { ShelfEntry, StoredFootprint, TapisDatabase } from './database';
import { foldersOf, GroupStore } from './groups';
import { writeFootprints } from './write';

/** A footprint's original, its variants, and what it has of its own. */
export interface Kin {
  readonly base: StoredFootprint | null;
  readonly edits: readonly Edit[];
  /** What it was before its original changed; `null` once that was seen. */
  readonly before: TapisDocument | null;
  readonly variants: readonly ShelfEntry[];
  /** Other variants of the same original. */
  readonly siblings: readonly ShelfEntry[];
}

/** Where a footprint is used. */
export interface Uses {
  readonly kin: Kin;
  /** Names of its groups, outermost first. */
  readonly folders: readonly string[];
  readonly tags: readonly string[];
  /** What its own family is called; `null` where it is of none that is kept. */
  readonly family: string | null;
  /** Other footprints of that family. */
  readonly ofFamily: readonly ShelfEntry[];
}

/** Variants and what they come from, and where else a footprint is used. */
export class KinStore {
  constructor(private readonly db: TapisDatabase) {}

  /**
   * Makes a variant of a footprint: it holds what differs, and the rest follows its original.
   * @param edits what it has of its own beside its name
   */
  async add(id: string, name: string, edits: readonly Edit[]): Promise<StoredFootprint | null> {
    const original = await this.db.footprints.get(id);
    if (!original) return null;
    const own = [{ at: '/name', value: name.slice(0, 120) }, ...edits];
    const now = Date.now();
    const { group, tags } = original;
    const variant: StoredFootprint = {
      id: crypto.randomUUID(),
      document: applyEdits(original.document, own),
      revision: 1,
      createdAt: now,
      updatedAt: now,
      binnedAt: 0,
      base: id,
      ...(group ? { group } : {}),
      ...(tags ? { tags } : {}),
    };
    await writeFootprints(this.db, [variant]);
    return (await this.db.footprints.get(variant.id)) ?? null;
  }

  /** Footprints that come from one, and the one that it comes from, as far as they are kept. */
  async of(id: string): Promise<Kin> {
    const { footprints, entries } = this.db;
    const own = await footprints.get(id);
    const base = own?.base === undefined ? undefined : await footprints.get(own.base);
    const among = await entries
      .where('base')
      .anyOf([id, ...(base ? [base.id] : [])])
      .toArray();
    return {
      base: base ?? null,
      edits: own?.edits ?? [],
      before: own?.before ?? null,
      variants: among.filter((one) => one.base === id),
      siblings: among.filter((one) => one.base !== id && one.id !== id),
    };
  }

  /** Whether a footprint is a variant or has some. */
  async isKin(id: string): Promise<boolean> {
    const own = await this.db.entries.get(id);
    return own?.base !== undefined || (await this.db.entries.where('base').equals(id).count()) > 0;
  }

  /** Lets variants stand for themselves, as they are. */
  async cutLoose(...ids: readonly string[]): Promise<void> {
    const { footprints, entries } = this.db;
    await this.db.transaction('rw', footprints, entries, async () => {
      const rows = (await footprints.bulkGet([...ids])).filter((row) => row !== undefined);
      await writeFootprints(
        this.db,
        rows.map(({ base: _base, edits: _edits, before: _before, ...rest }) => rest),
      );
    });
  }

  /** What changed with its original was seen. */
  async seen(id: string): Promise<void> {
    const row = await this.db.footprints.get(id);
    if (!row?.before) return;
    const { before: _before, ...rest } = row;
    await this.db.footprints.put(rest);
  }

  /** What has to do with a footprint: its kin, its group, and others of its own family. */
  async usesOf(id: string): Promise<Uses> {
    const [own, kin] = [await this.db.entries.get(id), await this.of(id)];
    const groups = own?.group ? await new GroupStore(this.db).list() : [];
    const family = own?.own === undefined ? undefined : await this.db.families.get(own.own);
    const others =
      own?.own === undefined ? [] : await this.db.entries.filter((one) => one.own === own.own).toArray();
    return {
      kin,
      folders: foldersOf(groups, own?.group),
      tags: own?.tags ?? [],
      family: family ? (family.document.title ?? family.id) : null,
      ofFamily: others.filter((one) => one.id !== id && one.binnedAt === 0),
    };
  }

  /** Variants of some footprints that are not among these. */
  async variantsOf(ids: readonly string[]): Promise<ShelfEntry[]> {
    const all = await this.db.entries
      .where('base')
      .anyOf([...ids])
      .toArray();
    return all.filter(({ id, binnedAt }) => binnedAt === 0 && !ids.includes(id));
  }
}
