import type { StoredGroup, TapisDatabase } from './database';

/** Names of groups have at most so many characters. */
const shortened = (name: string): string => name.slice(0, 80);

/** Groups of footprints, in one another. */
export class GroupStore {
  constructor(private readonly db: TapisDatabase) {}

  /** All groups by name. */
  async list(): Promise<StoredGroup[]> {
    return (await this.db.groups.toArray()).sort((a, b) => a.name.localeCompare(b.name));
  }

  /** @param parent id of the group that it is in; empty for an outermost one */
  async add(name: string, parent = ''): Promise<StoredGroup> {
    const group = { id: crypto.randomUUID(), name: shortened(name), parent };
    await this.db.groups.add(group);
    return group;
  }

  /** The group that names lead to, made as far as there is none yet. @returns its id; empty for no names */
  async ensure(names: readonly string[]): Promise<string> {
    let parent = '';
    for (const name of names.map(shortened)) {
      const known = (await this.list()).find((group) => group.parent === parent && group.name === name);
      parent = (known ?? (await this.add(name, parent))).id;
    }
    return parent;
  }

  async rename(id: string, name: string): Promise<void> {
    await this.db.groups.update(id, { name: shortened(name) });
  }

  /** Puts a group into another; one cannot go into itself or into what is in it. */
  async move(id: string, parent: string): Promise<boolean> {
    const groups = await this.list();
    if (parent !== '' && within(groups, id).has(parent)) return false;
    await this.db.groups.update(id, { parent });
    return true;
  }

  /** Removes a group; what is in it goes to where the group was. */
  async remove(id: string): Promise<void> {
    const { groups, footprints, entries } = this.db;
    await this.db.transaction('rw', groups, footprints, entries, async () => {
      const parent = (await groups.get(id))?.parent ?? '';
      await groups.filter((group) => group.parent === id).modify({ parent });
      const ids = (await entries.filter((entry) => entry.group === id).toArray()).map((entry) => entry.id);
      const changes = ids.map((key) => ({ key, changes: { group: parent } }));
      await footprints.bulkUpdate(changes);
      await entries.bulkUpdate(changes);
      await groups.delete(id);
    });
  }
}

/** A group's id and those of all groups in it. */
export function within(groups: readonly StoredGroup[], id: string): Set<string> {
  const found = new Set([id]);
  for (let size = 0; size !== found.size;) {
    size = found.size;
    for (const group of groups) if (found.has(group.parent)) found.add(group.id);
  }
  return found;
}

/** Names of groups from the outermost to one; none for no group. */
export function foldersOf(groups: readonly StoredGroup[], id: string | undefined): string[] {
  const byId = new Map(groups.map((group) => [group.id, group]));
  const names: string[] = [];
  // a circle, which nothing should have made, ends
  for (let at = byId.get(id ?? ''); at && names.length < 50; at = byId.get(at.parent)) names.unshift(at.name);
  return names;
}

/** The same in one line. */
export const pathOf = (groups: readonly StoredGroup[], id: string | undefined): string =>
  foldersOf(groups, id).join(' / ');
