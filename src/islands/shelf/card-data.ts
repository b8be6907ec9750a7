import { compileAndCheck, type Checked } from '../../core/check/guarded';
import { CATALOGUE } from '../../core/package/catalogue';
import type { StoredFootprint } from '../../store/database';

/** A stored footprint with what its card shows. */
export interface CardData extends Checked {
  readonly stored: StoredFootprint;
}

// compiling is pure, so a revision's card is made once
const cache = new WeakMap<StoredFootprint['document'], Omit<CardData, 'stored'>>();

/** Compiles and checks a stored footprint for its card; a fault stays in it. */
export function cardOf(stored: StoredFootprint): CardData {
  let derived = cache.get(stored.document);
  if (!derived) {
    derived = compileAndCheck(stored.document);
    cache.set(stored.document, derived);
  }
  return { stored, ...derived };
}

/** Whether every word of a search is in the names, the family or the notes. */
export function matches({ stored, compiled }: CardData, query: string): boolean {
  const { name, package: intent, notes = '', marks } = stored.document;
  const text = [
    name,
    compiled.footprint?.standardName,
    compiled.resolved?.title,
    ...(CATALOGUE.find(({ id }) => id === intent.family)?.keywords ?? []),
    intent.source,
    marks?.value,
    notes,
  ]
    .join(' ')
    .toLowerCase();
  return query
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
