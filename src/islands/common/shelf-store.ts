import type { ReleaseTarget } from '../../core/format/release/targets';
import type { StoredFolder } from '../../store/database';
import type { Folder } from '../../store/folder/files';
import { FactsStore } from '../../store/facts';
import { FamilyStore } from '../../store/families';
import { GroupStore } from '../../store/groups';
import { KeyStore } from '../../store/keys';
import { KinStore } from '../../store/kin';
import { ProcessStore } from '../../store/processes';
import { RevisionStore } from '../../store/revisions';
import { ShelfStore } from '../../store/shelf';
import { StandardStore } from '../../store/standards';
import { HabitStore } from '../../store/sources';
import { TrialStore } from '../../store/trials';
import { openStorage, reopen } from '../../store/storage';
import { BUILD } from './job';

const { database, fleeting } = await openStorage();

/** The browser's one Shelf, shared by all islands of a page. */
export const shelf = new ShelfStore(database);

/** Variants, and where footprints are used. */
export const kin = new KinStore(database);

/** The person's own processes. */
export const processes = new ProcessStore(database);

/** House standards. */
export const standards = new StandardStore(database);

/** The person's own package families. */
export const families = new FamilyStore(database);

/** Groups that footprints stand in. */
export const groups = new GroupStore(database);

/** What was kept of footprints on purpose. */
export const revisions = new RevisionStore(database);

/** What is listed and drawn of footprints. What another build made is made anew. */
export const facts = new FactsStore(database, BUILD);

/** The person's own choices of files for a release. */
export const targets = {
  list: () => database.targets.toArray(),
  put: (target: ReleaseTarget) => database.targets.put(target),
  remove: (id: string) => database.targets.delete(id),
};

/** Keys of one's own and of the team. */
export const keys = new KeyStore(database);

/** The folder that the library is kept in, too, and what goes to and fro as a ZIP. */
export const folders = {
  list: () => database.folders.toArray(),
  put: (folder: StoredFolder) => database.folders.put(folder),
  /** Forgets a folder and what was alike in it; its files stay. */
  async remove(id: string) {
    await database.links.where('link').equals(id).delete();
    await database.folders.delete(id);
  },
  // what reads every kind of file is loaded with the first look
  sync: async (folder: Folder, link: string, group?: string) =>
    new (await import('../../store/folder/sync')).FolderSync(database, folder, link, group),
};

/** Small boards that footprints are proved on. */
export const trials = new TrialStore(database);

/** What makers' letters meant. */
export const habits = new HabitStore(database);

/** Opens the Shelf again where the browser has closed it. */
export const wakeStorage = () => reopen(database);

/** Why everything lives in this page only; `null` where the browser keeps it. */
export const keptInPageOnly = fleeting;
