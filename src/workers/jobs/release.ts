import type { Model } from '../../core/body/model';
import { loadedModel } from '../../core/body/loaded';
import { compileAndCheck } from '../../core/check/guarded';
import type { TapisDocument } from '../../core/document/document';
import { compile } from '../../core/footprint/compile';
import { isDrawable } from '../../core/footprint/footprint';
import type { HandOver } from '../../core/format/paper/frame';
import { releaseZip, type Released } from '../../core/format/release/release';
import type { ReleaseTarget } from '../../core/format/release/targets';
import { keyOf } from '../../kernel/inside';

/** Footprints that are released together; ending the worker stops it. */
export interface ReleaseRequest {
  readonly footprints: readonly {
    readonly document: TapisDocument;
    readonly model: Model | null;
    readonly about: Omit<HandOver, 'previous'>;
    /** Its last approved revision, where there is one. */
    readonly approved: TapisDocument | null;
  }[];
  readonly target: ReleaseTarget;
}
/** How many files of a release are written. */
export interface ReleaseProgress {
  readonly done: number;
  readonly all: number;
}

/** Makes a release as one ZIP. */
export async function release(
  { footprints, target }: ReleaseRequest,
  tell: (progress: ReleaseProgress) => void,
): Promise<Uint8Array> {
  const all: Released[] = [];
  for (const { document, model, about, approved } of footprints) {
    const loaded = model && loadedModel(model);
    const compiled = compile(document, () => loaded);
    if (!isDrawable(compiled)) throw new Error(`${document.name} gives no footprint yet`);
    const previous = approved
      ? { previous: compileAndCheck(approved, (key) => (key === document.body?.model?.key ? loaded : null)) }
      : {};
    all.push({ compiled, about: { ...about, ...previous } });
  }
  const zip = await releaseZip(all, target, keyOf, (done, count) => {
    tell({ done, all: count });
    return true;
  });
  if (!zip) throw new Error('it was stopped');
  return zip;
}
