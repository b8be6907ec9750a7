import type { DocumentProblem } from '../core/document/read';
import type { ClauseProblem, StandardDocument } from '../core/standard/standard';
import type { TapisDatabase } from './database';
import { KeptTable } from './kept';

/** What came of the file of a standard. */
export interface StandardBrought {
  readonly added: StandardDocument | null;
  readonly refused: readonly DocumentProblem[];
  /** Clauses that cannot be used or say no reason; they are kept. */
  readonly problems: readonly ClauseProblem[];
}

/** The person's house standards in browser storage. */
export class StandardStore extends KeptTable<StandardDocument> {
  constructor(db: TapisDatabase) {
    super(db, db.standards);
  }

  /** House standards by name. */
  async list(): Promise<StandardDocument[]> {
    return (await this.rows())
      .map(({ document }) => document)
      .sort((a, b) => a.name.localeCompare(b.name) || a.id.localeCompare(b.id));
  }

  /** Keeps a standard, in place of the one that has its id. */
  async keep(standard: StandardDocument): Promise<void> {
    await this.put(standard.id, standard);
  }

  /** Adds a copy under a name of its own; the copy says the same. */
  async addCopy(original: StandardDocument): Promise<StandardDocument> {
    return this.db.transaction('rw', this.db.standards, async () => {
      const taken = await this.list();
      for (let i = 1; ; i += 1) {
        const tail = i === 1 ? '' : ` ${i}`;
        const id = `${original.id.replace(/-copy(-\d+)?$/, '').slice(0, 30)}-copy${tail.replace(' ', '-')}`;
        const name = `${original.name.replace(/ \(copy( \d+)?\)$/, '').slice(0, 60)} (copy${tail})`;
        if (taken.some((other) => other.id === id || other.name === name)) continue;
        const copy = { ...original, id, name };
        await this.keep(copy);
        return copy;
      }
    });
  }

  /** A new standard that says nothing yet, or builds on another one. */
  async begin(over: StandardDocument | null): Promise<StandardDocument> {
    return this.db.transaction('rw', this.db.standards, async () => {
      const taken = await this.list();
      let i = 1;
      while (taken.some(({ id }) => id === `house-${i}`)) i += 1;
      const made: StandardDocument = {
        id: `house-${i}`,
        name: i === 1 ? 'House standard' : `House standard ${i}`,
        version: '1',
        ...(over ? { over } : {}),
        clauses: {},
      };
      await this.keep(made);
      return made;
    });
  }

  /** Keeps a standard that came from elsewhere; one whose id is taken by another comes in as a copy. */
  async add(standard: StandardDocument): Promise<StandardDocument> {
    const known = await this.get(standard.id);
    // telling standards apart is loaded with the first that comes
    const { isSameStandard } = await import('../core/document/standard-hash');
    if (known && isSameStandard(known.document, standard)) return known.document;
    if (known) return this.addCopy(standard);
    await this.keep(standard);
    return standard;
  }

  /** Adds the standard of a file. */
  async importText(text: string): Promise<StandardBrought> {
    const { readStandard } = await import('../core/document/read-standard');
    const read = readStandard(text);
    if (!read.ok) return { added: null, refused: read.error, problems: [] };
    return { added: await this.add(read.value.standard), refused: [], problems: read.value.problems };
  }
}
