import type { EntityTable } from 'dexie';
import type { TapisDocument } from '../core/document/document';
import { editsBetween, isSameDocument } from '../core/document/difference';
import { applyEdits } from '../core/document/edit';
import type { ShelfEntry, StoredFootprint } from './database';

// A variant holds what differs from its original. Its document is kept beside that, so that whatever reads
// footprints need not know of variants; both are brought up whenever either is written.

/** Variants of variants that are followed; a circle, which nothing makes, ends. */
const DEEPEST = 20;

/**
 * What has to be written when footprints are: themselves, with what the variants among them have of their own
 * now, and the variants that follow them.
 */
export async function withVariants(
  rows: readonly StoredFootprint[],
  footprints: EntityTable<StoredFootprint, 'id'>,
  entries: EntityTable<ShelfEntry, 'id'>,
): Promise<StoredFootprint[]> {
  const written = new Map(rows.map((row) => [row.id, row]));
  for (const row of rows) {
    if (row.base === undefined) continue;
    const original = written.get(row.base) ?? (await footprints.get(row.base));
    if (original) written.set(row.id, { ...row, edits: editsBetween(original.document, row.document) });
  }
  let changed = rows;
  for (let depth = 0; changed.length > 0 && depth < DEEPEST; depth += 1) {
    const bases = new Map(changed.map((row) => [row.id, row]));
    const following = await entries
      .where('base')
      .anyOf([...bases.keys()])
      .primaryKeys();
    const variants = await footprints.bulkGet(following.filter((id) => !written.has(id)));
    changed = variants.flatMap((variant): StoredFootprint[] => {
      const original = variant && bases.get(variant.base ?? '');
      const next = original && followed(variant, original.document);
      return next ? [next] : [];
    });
    for (const row of changed) written.set(row.id, row);
  }
  return [...written.values()];
}

/** A variant after its original has changed; `null` where nothing of that reaches it. */
function followed(variant: StoredFootprint, original: TapisDocument): StoredFootprint | null {
  // what is approved stays as it is, until somebody goes on from it
  if (variant.locked !== undefined) return null;
  const document = applyEdits(original, variant.edits ?? []);
  if (isSameDocument(document, variant.document)) return null;
  return {
    ...variant,
    document,
    // a tab that has it open is told
    revision: variant.revision + 1,
    updatedAt: Date.now(),
    before: variant.before ?? variant.document,
  };
}
