import type { TeamKey } from '../core/document/standing';
import type { OwnKey } from '../kernel/sign';
import type { StoredKey, TapisDatabase } from './database';

/** Keys of one's own, and the public ones of the team. Secret parts never leave the browser by themselves. */
export class KeyStore {
  constructor(private readonly db: TapisDatabase) {}

  /** All keys by name. */
  async list(): Promise<StoredKey[]> {
    const rows = await this.db.keys.toArray();
    return rows.sort((a, b) => a.name.localeCompare(b.name) || (a.key < b.key ? -1 : 1));
  }

  /** Keeps a key of one's own; it counts among the team's. */
  async keep({ name, key, secret }: OwnKey): Promise<void> {
    await this.db.keys.put({ ...(await this.db.keys.get(key)), name, key, secret });
  }

  /** Takes the team's keys in; one's own keep their secret parts. @returns how many were not here */
  async bring(team: readonly TeamKey[]): Promise<number> {
    const { keys } = this.db;
    return this.db.transaction('rw', keys, async () => {
      let fresh = 0;
      for (const one of team) {
        const here = await keys.get(one.key);
        if (!here) fresh += 1;
        await keys.put({ ...one, ...(here?.secret ? { secret: here.secret } : {}) });
      }
      return fresh;
    });
  }

  /** Removes a key; what it has signed is signed by nobody that is known here any more. */
  async remove(key: string): Promise<void> {
    await this.db.keys.delete(key);
  }
}

/** The key that one signs with: one's own, the first by name. */
export function ownKeyOf(all: readonly StoredKey[]): OwnKey | null {
  const own = all.find(({ secret }) => secret !== undefined);
  return own?.secret ? { name: own.name, key: own.key, secret: own.secret } : null;
}
