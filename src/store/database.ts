import Dexie, { type EntityTable } from 'dexie';
import type { Model } from '../core/body/model';
import type { TapisDocument } from '../core/document/document';
import type { OwnFamily } from '../core/document/own-family';
import type { Process } from '../core/process/process';

/** A footprint as the browser keeps it. Times are milliseconds since 1970. */
export interface StoredFootprint {
  readonly id: string;
  readonly document: TapisDocument;
  /** Counts every saved change; a tab may only save onto the revision it has read. */
  readonly revision: number;
  readonly createdAt: number;
  readonly updatedAt: number;
  /** When it was put into the bin; 0 while it stands on the Shelf. */
  readonly binnedAt: number;
}

/** A process of the person's own, by its id. */
export interface StoredProcess {
  readonly id: string;
  readonly process: Process;
  readonly updatedAt: number;
}

/** A package family of the person's own, by its id. */
export interface StoredFamily {
  readonly id: string;
  readonly family: OwnFamily;
  readonly updatedAt: number;
}

/** A file with a model, kept by the SHA-256 of its bytes, and what was read from it. */
export interface StoredModel {
  readonly key: string;
  readonly name: string;
  readonly bytes: Uint8Array;
  /** `null` until the file is read, as after it came inside of a document. */
  readonly model: Model | null;
}

export type TapisDatabase = Dexie & {
  footprints: EntityTable<StoredFootprint, 'id'>;
  processes: EntityTable<StoredProcess, 'id'>;
  models: EntityTable<StoredModel, 'key'>;
  families: EntityTable<StoredFamily, 'id'>;
};

/** The database, opened with its first use; each version below stays as it was released. */
export function openDatabase(name = 'tapis'): TapisDatabase {
  const db = new Dexie(name) as TapisDatabase;
  db.version(1).stores({ footprints: 'id, updatedAt, binnedAt' });
  db.version(2).stores({ footprints: 'id, updatedAt, binnedAt', processes: 'id' });
  db.version(3).stores({ footprints: 'id, updatedAt, binnedAt', processes: 'id', models: 'key' });
  db.version(4)
    .stores({ footprints: 'id, updatedAt, binnedAt', processes: 'id', models: 'key' })
    .upgrade(async (transaction) => {
      const { openValue } = await Dexie.waitFor(import('../core/footprint/open'));
      await transaction
        .table<StoredFootprint>('footprints')
        .toCollection()
        .modify((row: { document: unknown }) => {
          const read = openValue(row.document);
          // what cannot be brought up stays as it is, to be exported
          if (read.ok) row.document = read.value;
        });
    });
  db.version(5).stores({ families: 'id' });
  return db;
}
