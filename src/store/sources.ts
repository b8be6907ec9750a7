import type { TapisDocument } from '../core/document/document';
import { keyOf, unpackedFile } from '../kernel/inside';
import type { StoredHabit, StoredSource, TapisDatabase } from './database';
import { packed } from './models';

/** Largest file, compressed and as text, that a document carries along, in characters. */
const LARGEST_INSIDE = 1_500_000;

/** Datasheets in browser storage, by the SHA-256 of their file: a file is kept once. */
export class SourceStore {
  constructor(private readonly db: TapisDatabase) {}

  async get(key: string): Promise<StoredSource | null> {
    return (await this.db.sources.get(key)) ?? null;
  }

  async put(name: string, bytes: Uint8Array): Promise<string> {
    const key = await keyOf(bytes);
    await this.db.sources.put({ key, name, bytes });
    return key;
  }

  /** Removes the files that none of these documents has. */
  async keepOnly(documents: readonly TapisDocument[]): Promise<void> {
    const used = new Set(documents.flatMap(({ sources = [] }) => sources.map(({ key }) => key)));
    const keys = await this.db.sources.toCollection().primaryKeys();
    await this.db.sources.bulkDelete(keys.filter((key) => !used.has(key)));
  }

  /** Takes the files out of a document that carries some along and keeps them; says which are damaged. */
  async unpack(
    document: TapisDocument,
  ): Promise<{ readonly document: TapisDocument; readonly trouble: string | null }> {
    const { sources = [] } = document;
    if (!sources.some(({ data }) => data !== undefined)) return { document, trouble: null };
    const damaged: string[] = [];
    const without = [];
    for (const { data, ...source } of sources) {
      without.push(source);
      if (data === undefined) continue;
      const bytes = await unpackedFile(data);
      if (bytes instanceof Uint8Array && (await keyOf(bytes)) === source.key)
        await this.put(source.name, bytes);
      else damaged.push(source.name);
    }
    const trouble =
      damaged.length === 0
        ? null
        : `${document.name}: the datasheet “${damaged.join('”, “')}” inside is damaged; the footprint came in without it.`;
    return { document: { ...document, sources: without }, trouble };
  }

  /** The document with the files of its datasheets inside, as far as they are here and small enough. */
  async pack(
    document: TapisDocument,
  ): Promise<{ readonly document: TapisDocument; readonly left: readonly string[] }> {
    const left: string[] = [];
    const sources = [];
    for (const source of document.sources ?? []) {
      const stored = source.key === undefined ? null : await this.get(source.key);
      const data = stored ? await packed(stored.bytes) : null;
      if (source.key !== undefined && (data === null || data.length > LARGEST_INSIDE)) left.push(source.name);
      sources.push(data !== null && data.length <= LARGEST_INSIDE ? { ...source, data } : source);
    }
    return { document: sources.length > 0 ? { ...document, sources } : document, left };
  }
}

/** What makers' letters meant, kept under names. */
export class HabitStore {
  constructor(private readonly db: TapisDatabase) {}

  async list(): Promise<StoredHabit[]> {
    return (await this.db.habits.toArray()).sort((a, b) => a.name.localeCompare(b.name));
  }

  /** Keeps what letters meant for a family under a maker's name, with what was known of other families. */
  async keep(name: string, family: string, letters: Readonly<Record<string, string>>): Promise<StoredHabit> {
    const id = name.trim().toLowerCase().replace(/\s+/g, ' ');
    const before = await this.db.habits.get(id);
    const habit = {
      id,
      name: name.trim(),
      letters: { ...before?.letters, [family]: { ...before?.letters[family], ...letters } },
    };
    await this.db.habits.put(habit);
    return habit;
  }

  async save(habit: StoredHabit): Promise<void> {
    await this.db.habits.put(habit);
  }

  async remove(id: string): Promise<void> {
    await this.db.habits.delete(id);
  }
}
