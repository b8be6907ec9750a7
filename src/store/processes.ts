import { copyProcess, processDifferences } from '../core/document/process-file';
import type { DocumentProblem } from '../core/document/read';
import { PROCESSES } from '../core/process';
import type { Process } from '../core/process/process';
import type { TapisDatabase } from './database';
import { KeptTable } from './kept';

/** The person's own processes in browser storage; those that come with Tapis are never changed. */
export class ProcessStore extends KeptTable<Process> {
  constructor(db: TapisDatabase) {
    super(db, db.processes);
  }

  /** Own processes by name. */
  async list(): Promise<Process[]> {
    return (await this.rows()).map(({ document }) => document).sort((a, b) => a.name.localeCompare(b.name));
  }

  /** Keeps a process, in place of the one that has its id; throws RangeError for one that comes with Tapis. */
  async keep(process: Process): Promise<void> {
    if (PROCESSES.some(({ id }) => id === process.id))
      throw new RangeError(`“${process.id}” comes with Tapis and is not overwritten`);
    await this.put(process.id, process);
  }

  /** Adds a copy of a process under a name of its own. */
  async copy(original: Process): Promise<Process> {
    return this.db.transaction('rw', this.db.processes, async () => {
      const copy = copyProcess(original, await this.list());
      await this.keep(copy);
      return copy;
    });
  }

  async addCopy(process: Process): Promise<void> {
    await this.copy(process);
  }

  /** Keeps a process that came from elsewhere; one whose id is taken by another comes in as a copy. */
  async add(process: Process): Promise<Process> {
    const known = [...PROCESSES, ...(await this.list())].find(({ id }) => id === process.id);
    if (known) return processDifferences(known, process).length === 0 ? known : this.copy(process);
    await this.keep(process);
    return process;
  }

  /** Adds the process of a file; one whose id is taken comes in as a copy. */
  async importText(
    text: string,
  ): Promise<{ readonly added: Process | null; readonly refused: readonly DocumentProblem[] }> {
    // reading files is loaded with the first file
    const { readProcess } = await import('../core/document/read-process');
    const read = readProcess(text);
    if (!read.ok) return { added: null, refused: read.error };
    return { added: await this.add(read.value), refused: [] };
  }
}
