import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie';
import type { Model } from '../core/body/model';
import type { Change } from '../core/compare/compare';
import type { TeamKey } from '../core/document/standing';
import type { TapisDocument } from '../core/document/document';
import type { Edit } from '../core/document/edit';
import type { CardDrawing, Facts } from '../core/library/facts';
import type { Copper } from '../core/library/likeness';
import type { KeptHistory } from '../core/document/history';
import type { OwnFamily } from '../core/document/own-family';
import type { ReleaseTarget } from '../core/format/release/targets';
import type { Process } from '../core/process/process';
import type { TrialDocument } from '../core/document/trial';
import type { StandardDocument } from '../core/standard/standard';
import type { Kept } from './kept';

/** A footprint as the browser keeps it. */
export interface StoredFootprint extends Kept<TapisDocument> {
  /** Nothing was entered yet: it does not stand on the Shelf. */
  readonly blank?: true;
  /** Id of its group; it stands in none where it is missing. */
  readonly group?: string;
  readonly tags?: readonly string[];
  /** Id of the footprint that it is a variant of. */
  readonly base?: string;
  /** Of a variant: what it has of its own. Its document is its original's with these. */
  readonly edits?: readonly Edit[];
  /** Of a variant: what it was before its original changed, until that was seen. */
  readonly before?: TapisDocument;
  /** Id of the footprint of the package that it is held against, where it is somebody else's pattern. */
  readonly against?: string;
  /**
   * Number of the approved revision that it is: it is not changed until somebody goes on from it. 0 where it
   * came by a link.
   */
  readonly locked?: number;
}

/** How a kept revision stands. */
export type RevisionState = 'draft' | 'review' | 'approved' | 'withdrawn';

/** A footprint as it was kept on purpose. */
export interface StoredRevision {
  readonly id: string;
  readonly footprint: string;
  /** From 1, in the order in which they were kept. */
  readonly number: number;
  readonly state: RevisionState;
  readonly note: string;
  readonly at: number;
  readonly document: TapisDocument;
}

/** What can be undone and done again in a footprint, for one saved state of it. */
export interface StoredHistory {
  readonly id: string;
  readonly revision: number;
  readonly history: KeptHistory;
}

/** What is known of a footprint without its document: many of them are read at once. */
export type ShelfEntry = Omit<StoredFootprint, 'document' | 'edits' | 'before'> & {
  readonly name: string;
  readonly family: string;
  /** Id of the person's own family that it is of. */
  readonly own?: string;
};

/** The entry that goes with a footprint. */
export function entryOf({ document, edits: _edits, before: _before, ...about }: StoredFootprint): ShelfEntry {
  const { family, own } = document.package;
  return { ...about, name: document.name, family, ...(own ? { own: own.id } : {}) };
}

/** A group of footprints, in another or outermost. */
export interface StoredGroup {
  readonly id: string;
  readonly name: string;
  /** Id of the group that it is in; empty for an outermost one. */
  readonly parent: string;
}

/** What the Shelf lists and draws of a footprint, for one revision of it and one build of Tapis. */
export interface StoredFacts {
  readonly id: string;
  readonly revision: number;
  readonly build: string;
  readonly facts: Facts;
  /** What another build made of the same revision, until somebody has seen that this one makes it otherwise. */
  readonly was?: { readonly verdict: Facts['verdict']; readonly changes: readonly Change[] };
}

/** The copper of a footprint; apart from what is listed, as it is much and seldom wanted. */
export interface StoredCopper {
  readonly id: string;
  readonly revision: number;
  readonly copper: Copper | null;
}

export interface StoredDrawing {
  readonly id: string;
  readonly revision: number;
  readonly drawing: CardDrawing | null;
}

/** A trial as the browser keeps it. */
export type StoredTrial = Kept<TrialDocument>;

/** A choice of files for a release, by its id. */
export type StoredTarget = ReleaseTarget;

/** A process of the person's own, by its id. */
export type StoredProcess = Kept<Process>;

/** A house standard, by its id. */
export type StoredStandard = Kept<StandardDocument>;

/** A package family of the person's own, by its id. */
export type StoredFamily = Kept<OwnFamily>;

/** A file with a model, kept by the SHA-256 of its bytes, and what was read from it. */
export interface StoredModel {
  readonly key: string;
  readonly name: string;
  readonly bytes: Uint8Array;
  /** `null` until the file is read, as after it came inside of a document. */
  readonly model: Model | null;
}

/** The file of a datasheet, kept by the SHA-256 of its bytes. */
export interface StoredSource {
  readonly key: string;
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** What a maker's letters mean, by family, under a name of the person's own. */
export interface StoredHabit {
  readonly id: string;
  readonly name: string;
  readonly letters: Readonly<Record<string, Readonly<Record<string, string>>>>;
}

/** A key whose approvals count, by its public part; one's own with its secret part, which stays in the browser. */
export interface StoredKey extends TeamKey {
  readonly secret?: CryptoKey;
}

/** A folder that the library is kept in, too. */
export interface StoredFolder {
  readonly id: string;
  readonly name: string;
  /** `null` for a library that goes to and fro as a ZIP. */
  readonly handle: FileSystemDirectoryHandle | null;
  /** Id of the group that is kept in it; the whole Shelf where it is missing. */
  readonly group?: string;
  /** When both sides were looked at last; 0 for never. */
  readonly lookedAt: number;
}

/** That a thing here and a file of a folder are the same, and what both were last. */
export interface StoredLink {
  /** Of link and key. */
  readonly id: string;
  /** Id of the folder. */
  readonly link: string;
  readonly key: string;
  readonly path: string;
  readonly text: string;
  /** Folder that the thing belonged into then. */
  readonly under: string;
  readonly stamp: string;
}

export type TapisDatabase = Dexie & {
  footprints: EntityTable<StoredFootprint, 'id'>;
  processes: Table<StoredProcess, string>;
  standards: Table<StoredStandard, string>;
  models: EntityTable<StoredModel, 'key'>;
  families: Table<StoredFamily, string>;
  entries: EntityTable<ShelfEntry, 'id'>;
  groups: EntityTable<StoredGroup, 'id'>;
  facts: EntityTable<StoredFacts, 'id'>;
  drawings: EntityTable<StoredDrawing, 'id'>;
  coppers: EntityTable<StoredCopper, 'id'>;
  revisions: EntityTable<StoredRevision, 'id'>;
  histories: EntityTable<StoredHistory, 'id'>;
  targets: EntityTable<StoredTarget, 'id'>;
  sources: EntityTable<StoredSource, 'key'>;
  habits: EntityTable<StoredHabit, 'id'>;
  trials: Table<StoredTrial, string>;
  keys: EntityTable<StoredKey, 'key'>;
  folders: EntityTable<StoredFolder, 'id'>;
  links: EntityTable<StoredLink, 'id'>;
};

/** Makes the entries of all footprints, one after the other: thousands of documents are not held at once. */
async function entriesAnew(transaction: Transaction): Promise<void> {
  const entries = transaction.table<ShelfEntry>('entries');
  await transaction
    .table<StoredFootprint>('footprints')
    .toCollection()
    .each((row) => void entries.put(entryOf(row)));
}

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
  db.version(6)
    .stores({ entries: 'id, binnedAt', groups: 'id', facts: 'id', drawings: 'id' })
    .upgrade(entriesAnew);
  db.version(7)
    .stores({ entries: 'id, binnedAt, base', coppers: 'id', revisions: 'id, footprint', histories: 'id' })
    .upgrade(async (transaction) => {
      await entriesAnew(transaction);
      // what is known is made anew, without the copper in it
      await transaction.table('facts').clear();
    });
  db.version(8).stores({ facts: 'id, was.verdict', targets: 'id' });
  db.version(9).stores({ sources: 'key', habits: 'id' });
  db.version(10).stores({ entries: 'id, binnedAt, base, against' });
  db.version(11).stores({ trials: 'id, binnedAt' });
  // what is a document is called so in every table, and whoever works on one saves onto what was read
  db.version(12)
    .stores({ processes: 'id, binnedAt', families: 'id, binnedAt' })
    .upgrade(async (transaction) => {
      for (const [name, field] of [
        ['trials', 'trial'],
        ['processes', 'process'],
        ['families', 'family'],
      ] as const)
        await transaction
          .table<Record<string, unknown>>(name)
          .toCollection()
          .modify((row) => {
            const { [field]: document, ...about } = row;
            delete row[field];
            const { updatedAt } = about;
            Object.assign(row, { revision: 1, createdAt: updatedAt, binnedAt: 0, ...about, document });
          });
    });
  db.version(13).stores({ standards: 'id, binnedAt' });
  db.version(14).stores({ keys: 'key' });
  db.version(15).stores({ folders: 'id', links: 'id, link' });
  return db;
}
