import { loadedModel } from '../../core/body/loaded';
import type { Model } from '../../core/body/model';
import type { TapisDocument } from '../../core/document/document';
import { keptOf, type Kept } from '../../core/library/facts';

/** Footprints to be compiled, checked and drawn for the Shelf. */
export interface FactsRequest {
  readonly footprints: readonly {
    readonly id: string;
    readonly revision: number;
    readonly document: TapisDocument;
    /** Its imported model, where it has one that is at hand. */
    readonly model: Model | null;
  }[];
}
export type FactsAnswer = readonly (Kept & { readonly id: string; readonly revision: number })[];

/** Compiles, checks and draws footprints for the Shelf. */
export function facts({ footprints }: FactsRequest): FactsAnswer {
  return footprints.map(({ id, revision, document, model }) => {
    const loaded = model && loadedModel(model);
    return { id, revision, ...keptOf(document, () => loaded) };
  });
}
