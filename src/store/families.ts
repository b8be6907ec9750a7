import { familyId, familyOf, isOwn, isSameFamily, type OwnFamily } from '../core/document/own-family';
import type { TapisDocument } from '../core/document/document';
import type { TapisDatabase } from './database';

/** The person's own package families in browser storage. */
export class FamilyStore {
  constructor(private readonly db: TapisDatabase) {}

  /** Own families by title. */
  async list(): Promise<OwnFamily[]> {
    const rows = await this.db.families.toArray();
    return rows
      .map(({ family }) => family)
      .sort((a, b) => (a.title ?? '').localeCompare(b.title ?? '') || a.own.id.localeCompare(b.own.id));
  }

  async get(id: string): Promise<OwnFamily | null> {
    return (await this.db.families.get(id))?.family ?? null;
  }

  /** Keeps a family, in place of the one that has its id. */
  async save(family: OwnFamily): Promise<void> {
    await this.db.families.put({ id: family.own.id, family: familyOf(family), updatedAt: Date.now() });
  }

  async remove(id: string): Promise<void> {
    await this.db.families.delete(id);
  }

  /** Keeps a family that came in a file; one whose id has another comes in beside it, under the next id. */
  async add(family: OwnFamily): Promise<OwnFamily> {
    const families = await this.list();
    const known = families.find(({ own }) => own.id === family.own.id);
    if (known && isSameFamily(known, family)) return known;
    const id = familyId(
      family.own.id,
      families.map(({ own }) => own.id),
    );
    const title = known ? `${family.title ?? id} (other)`.slice(0, 80) : family.title;
    const added = { ...family, ...(title === undefined ? {} : { title }), own: { ...family.own, id } };
    await this.save(added);
    return added;
  }

  /** Keeps the families of documents that came from elsewhere, where none of their ids is here yet. */
  async addOf(documents: readonly TapisDocument[]): Promise<OwnFamily[]> {
    const added: OwnFamily[] = [];
    for (const { package: intent } of documents) {
      if (!isOwn(intent) || (await this.get(intent.own.id))) continue;
      await this.save(intent);
      added.push(familyOf(intent));
    }
    return added;
  }
}
