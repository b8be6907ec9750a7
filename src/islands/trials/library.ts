import type { TrialDocument, TrialFootprint } from '../../core/document/trial';
import { isSameDocument } from '../../core/document/difference';
import type { ShelfEntry } from '../../store/database';
import { kin, revisions, shelf } from '../common/shelf-store';

/** A footprint that can stand in the place of another. */
export interface Alternative {
  readonly name: string;
  readonly why: string;
  readonly footprint: TrialFootprint;
}

/** A footprint of the Shelf as a trial takes it: its newest approved revision, or what it is now. */
export async function footprintFromShelf(id: string): Promise<TrialFootprint | null> {
  const stored = await shelf.get(id);
  if (!stored) return null;
  const approved = (await revisions.list(id)).filter(({ state }) => state === 'approved').at(-1);
  return approved
    ? { document: approved.document, from: id, revision: approved.number }
    : { document: stored.document, from: id };
}

/** Variants of a footprint, what it is a variant of, and the other variants of that. */
export async function alternativesFor(held: TrialFootprint | undefined): Promise<Alternative[]> {
  if (!held?.from) return [];
  const { base, variants, siblings } = await kin.of(held.from);
  const ids: readonly (readonly [string, string])[] = [
    ...(base && base.binnedAt === 0 ? [[base.id, 'what it is a variant of'] as const] : []),
    ...[...variants, ...siblings].map(({ id }) => [id, 'a variant'] as const),
  ];
  const found = await Promise.all(
    ids.map(async ([id, why]): Promise<Alternative[]> => {
      const footprint = await footprintFromShelf(id);
      return footprint ? [{ name: footprint.document.name, why, footprint }] : [];
    }),
  );
  return found.flat();
}

/** A footprint of a trial that the Shelf has newer. */
export interface Newer {
  readonly key: string;
  readonly name: string;
  readonly why: string;
  readonly footprint: TrialFootprint;
}

/** The footprints of a trial that were approved anew, or changed, since they were placed. */
export async function newerFootprints({ footprints = {}, parts = [] }: TrialDocument): Promise<Newer[]> {
  const used = new Set(parts.map(({ footprint }) => footprint));
  const placed = Object.entries(footprints).filter(([key]) => used.has(key));
  const found = await Promise.all(
    placed.map(async ([key, held]): Promise<Newer[]> => {
      const newest = held.from === undefined ? null : await footprintFromShelf(held.from);
      if (!newest || isSameDocument(newest.document, held.document)) return [];
      const why =
        newest.revision === undefined
          ? 'was changed on the Shelf'
          : newest.revision === held.revision
            ? 'is not the revision that it was'
            : `has revision ${newest.revision} approved`;
      return [{ key, name: held.document.name, why, footprint: newest }];
    }),
  );
  return found.flat();
}

/** Footprints of the Shelf whose names hold all words that were typed. */
export function matching(entries: readonly ShelfEntry[], query: string): ShelfEntry[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
}
