import { loadedModel } from '../../core/body/loaded';
import type { Model } from '../../core/body/model';
import { compileAndCheck } from '../../core/check/guarded';
import type { TapisDocument } from '../../core/document/document';
import { reviewOf, type Review } from '../../core/library/review';

/** Footprints as they were and as they are. */
export interface ReviewRequest {
  readonly footprints: readonly {
    readonly path: string;
    /** `null` where nothing was kept of it before. */
    readonly was: TapisDocument | null;
    readonly is: TapisDocument;
    /** Names of boards that use it. */
    readonly usedBy: readonly string[];
    /** The imported model of each, where it has one that is at hand. */
    readonly models: Readonly<Record<string, Model>>;
  }[];
}

/** Holds footprints against what they were. */
export function review({ footprints }: ReviewRequest): Review {
  const entry = (path: string, document: TapisDocument, models: Readonly<Record<string, Model>>) => {
    const model = models[document.body?.model?.key ?? ''];
    const loaded = model ? loadedModel(model) : null;
    return { path, checked: compileAndCheck(document, () => loaded) };
  };
  return reviewOf(
    footprints.flatMap(({ path, was, models }) => (was ? [entry(path, was, models)] : [])),
    footprints.map(({ path, is, models }) => entry(path, is, models)),
    new Map(footprints.map(({ path, usedBy }) => [path, usedBy])),
  );
}
