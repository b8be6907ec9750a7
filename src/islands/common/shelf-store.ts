import { FamilyStore } from '../../store/families';
import { ProcessStore } from '../../store/processes';
import { ShelfStore } from '../../store/shelf';
import { openStorage, reopen } from '../../store/storage';

const { database, fleeting } = await openStorage();

/** The browser's one Shelf, shared by all islands of a page. */
export const shelf = new ShelfStore(database);

/** The person's own processes. */
export const processes = new ProcessStore(database);

/** The person's own package families. */
export const families = new FamilyStore(database);

/** Opens the Shelf again where the browser has closed it. */
export const wakeStorage = () => reopen(database);

/** Why everything lives in this page only; `null` where the browser keeps it. */
export const keptInPageOnly = fleeting;
