import Dexie from 'dexie';
import { openDatabase, type TapisDatabase } from './database';

/** Where a person's work is kept. */
export interface Storage {
  readonly database: TapisDatabase;
  /** Why the browser keeps nothing and all of it lives in this page only; `null` where the browser keeps it. */
  readonly fleeting: string | null;
}

/**
 * Opens the browser's database. Where it cannot be opened, as in a browser that keeps nothing, Tapis works
 * all the same, in the memory of the page.
 */
export async function openStorage(): Promise<Storage> {
  const database = openDatabase();
  try {
    await database.open();
    return { database, fleeting: null };
  } catch (error) {
    database.close();
    const { indexedDB, IDBKeyRange } = await import('fake-indexeddb');
    // what is shown live asks for it too
    Object.assign(Dexie.dependencies, { indexedDB, IDBKeyRange });
    return { database: openDatabase(), fleeting: whyRefused(error) };
  }
}

/** Opens a database again that the browser has closed, as when its disk was full for a while. */
export async function reopen(database: TapisDatabase): Promise<void> {
  if (database.isOpen()) return;
  database.close({ disableAutoOpen: false });
  await database.open();
}

/** What a refusal of the browser's storage means, in words, with what helps. */
export function whyRefused(error: unknown): string {
  const { name, inner, message } = error as { name?: string; inner?: unknown; message?: string };
  if (inner) return whyRefused(inner);
  switch (name) {
    case 'QuotaExceededError':
      return 'the disk, or the share of it that this browser gives Tapis, is full; make room';
    case 'MissingAPIError':
    case 'SecurityError':
      return 'this browser is set to keep nothing for this address';
    case 'UnknownError':
      return 'the browser does not get at its own store, as where the disk is full; make room';
    case 'VersionError':
      return 'a newer Tapis keeps footprints here; start that one';
    default:
      return `“${message ?? String(error)}”`;
  }
}
