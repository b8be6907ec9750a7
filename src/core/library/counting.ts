import type { TapisDocument } from '../document/document';
import { applyEdits } from '../document/edit';
import { standardOf } from '../standard/resolve';
import { saidAt } from '../standard/standard';
import { fieldsIn } from '../standard/template';

// Running numbers are a house's own count: no footprint knows by itself which is free.

/** Whether the names of a footprint ask for a running number. */
export function asksForCounter({ standard }: Pick<TapisDocument, 'standard'>): boolean {
  const house = standardOf(standard);
  return ['names/footprint', 'names/file'].some((at) =>
    fieldsIn(saidAt<string>(house, at) ?? '').includes('counter'),
  );
}

/** The number after the greatest that one of them has; 1 where none has one. */
export function nextCounter(documents: readonly Pick<TapisDocument, 'overrides'>[]): number {
  return 1 + Math.max(0, ...documents.map(({ overrides }) => overrides?.counter ?? 0));
}

/**
 * Gives every document that asks for a running number and has none the next that is free, in their order.
 * @param among all whose numbers are taken
 * @returns the documents that got one, by their place in the list
 */
export function counted(
  documents: readonly TapisDocument[],
  among: readonly Pick<TapisDocument, 'overrides'>[] = documents,
): Map<number, TapisDocument> {
  let next = nextCounter([...among, ...documents]);
  const given = new Map<number, TapisDocument>();
  for (const [i, document] of documents.entries()) {
    if (document.overrides?.counter !== undefined || !asksForCounter(document)) continue;
    given.set(i, applyEdits(document, [{ at: '/overrides/counter', value: next }]));
    next += 1;
  }
  return given;
}
