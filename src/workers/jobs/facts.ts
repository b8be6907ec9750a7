import { loadedModel } from '../../core/body/loaded';
import type { Model } from '../../core/body/model';
import type { TapisDocument } from '../../core/document/document';
import type { Approved } from '../../core/document/standing';
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
export async function facts({ footprints }: FactsRequest): Promise<FactsAnswer> {
  return Promise.all(
    footprints.map(async ({ id, revision, document, model }) => {
      const loaded = model && loadedModel(model);
      const kept = keptOf(document, () => loaded);
      const approved = await approvedOf(document);
      return { id, revision, ...kept, facts: approved ? { ...kept.facts, approved } : kept.facts };
    }),
  );
}

/** What the approvals of a document can be held against; `null` where nobody has approved it. */
async function approvedOf(document: TapisDocument): Promise<Approved | null> {
  const { approvals = [] } = document;
  if (approvals.length === 0) return null;
  const [{ isSigned }, { approvedText, hashOf }] = await Promise.all([
    import('../../kernel/sign'),
    import('../../core/document/approval'),
  ]);
  return {
    hash: hashOf(approvedText(document)),
    approvals: await Promise.all(
      approvals.map(async (approval) => ({ approval, isSigned: await isSigned(approval) })),
    ),
  };
}
