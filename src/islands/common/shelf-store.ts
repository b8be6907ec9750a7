import { openDatabase } from '../../store/database';
import { ShelfStore } from '../../store/shelf';

/** The browser's one Shelf, shared by all islands of a page. */
export const shelf = new ShelfStore(openDatabase());
