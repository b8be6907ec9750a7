import { copyProcess, processDifferences } from '../core/document/process-file';
import type { DocumentProblem } from '../core/document/read';
import { PROCESSES } from '../core/process';
import type { Process } from '../core/process/process';
import type { TapisDatabase } from './database';

/** The person's own processes in browser storage; those that come with Tapis are never changed. */
export class ProcessStore {
  constructor(private readonly db: TapisDatabase) {}

  /** Own processes by name. */
  async list(): Promise<Process[]> {
    const rows = await this.db.processes.toArray();
    return rows.map(({ process }) => process).sort((a, b) => a.name.localeCompare(b.name));
  }

  async get(id: string): Promise<Process | null> {
    return (await this.db.processes.get(id))?.process ?? null;
  }

  /** Keeps a process; throws RangeError for one that comes with Tapis. */
  async save(process: Process): Promise<void> {
    if (PROCESSES.some(({ id }) => id === process.id))
      throw new RangeError(`“${process.id}” comes with Tapis and is not overwritten`);
    await this.db.processes.put({ id: process.id, process, updatedAt: Date.now() });
  }

  /** Adds a copy of a process under a name of its own. */
  async copy(original: Process): Promise<Process> {
    return this.db.transaction('rw', this.db.processes, async () => {
      const copy = copyProcess(original, await this.list());
      await this.save(copy);
      return copy;
    });
  }

  async remove(id: string): Promise<void> {
    await this.db.processes.delete(id);
  }

  /** Keeps a process that came from elsewhere; one whose id is taken by another comes in as a copy. */
  async add(process: Process): Promise<Process> {
    const known = [...PROCESSES, ...(await this.list())].find(({ id }) => id === process.id);
    if (known) return processDifferences(known, process).length === 0 ? known : this.copy(process);
    await this.save(process);
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
