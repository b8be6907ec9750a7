import { openDatabase } from '../../store/database';
import { ProcessStore } from '../../store/processes';
import { ShelfStore } from '../../store/shelf';

const database = openDatabase();

/** The browser's one Shelf, shared by all islands of a page. */
export const shelf = new ShelfStore(database);

/** The person's own processes. */
export const processes = new ProcessStore(database);
