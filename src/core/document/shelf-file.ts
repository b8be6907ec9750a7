import type { Process } from '../process/process';
import type { TapisDocument } from './document';

/** Largest file with a whole Shelf, in characters. */
export const LARGEST_SHELF = 50_000_000;

/** Writes documents, and the processes of one's own, into one file. */
export function writeShelf(documents: readonly TapisDocument[], processes: readonly Process[] = []): string {
  const own = processes.map((process) => ({ tapisProcess: 1, ...process }));
  return `${JSON.stringify({ tapisShelf: 1, documents, ...(own.length > 0 ? { processes: own } : {}) }, null, 2)}\n`;
}
