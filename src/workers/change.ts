import { loadedModel } from '../core/body/loaded';
import type { Model } from '../core/body/model';
import type { TapisDocument } from '../core/document/document';
import { prospectOf, type Prospect, type Wish } from '../core/library/change';

/** Footprints that something is wished for. */
export interface ChangeRequest {
  readonly wish: Wish;
  readonly footprints: readonly {
    readonly id: string;
    readonly document: TapisDocument;
    /** Its imported model, where it has one that is at hand. */
    readonly model: Model | null;
  }[];
}
/** What would become of each; `null` where it is so already. */
export type ChangeAnswer = readonly { readonly id: string; readonly prospect: Prospect | null }[];

addEventListener('message', ({ data: { wish, footprints } }: MessageEvent<ChangeRequest>) => {
  const answer: ChangeAnswer = footprints.map(({ id, document, model }) => {
    const loaded = model && loadedModel(model);
    return { id, prospect: prospectOf(document, wish, () => loaded) };
  });
  postMessage(answer);
});
