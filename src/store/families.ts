import { familyId, familyOf, isOwn, isSameFamily, type OwnFamily } from '../core/document/own-family';
import type { TapisDocument } from '../core/document/document';
import type { TapisDatabase } from './database';
import { KeptTable } from './kept';

/** The person's own package families in browser storage. */
export class FamilyStore extends KeptTable<OwnFamily> {
  constructor(db: TapisDatabase) {
    super(db, db.families);
  }

  /** Own families by title. */
  async list(): Promise<OwnFamily[]> {
    return (await this.rows())
      .map(({ document }) => document)
      .sort((a, b) => (a.title ?? '').localeCompare(b.title ?? '') || a.own.id.localeCompare(b.own.id));
  }

  /** Keeps a family, in place of the one that has its id. */
  async keep(family: OwnFamily): Promise<void> {
    await this.put(family.own.id, familyOf(family));
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
    await this.keep(added);
    return added;
  }

  /** Keeps the families of documents that came from elsewhere, where none of their ids is here yet. */
  async addOf(documents: readonly TapisDocument[]): Promise<OwnFamily[]> {
    const added: OwnFamily[] = [];
    for (const { package: intent } of documents) {
      if (!isOwn(intent) || (await this.get(intent.own.id))) continue;
      await this.keep(intent);
      added.push(familyOf(intent));
    }
    return added;
  }
}
