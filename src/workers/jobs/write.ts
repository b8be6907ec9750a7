import type { Model } from '../../core/body/model';
import { loadedModel } from '../../core/body/loaded';
import { compileAndCheck } from '../../core/check/guarded';
import type { TapisDocument } from '../../core/document/document';
import { compile } from '../../core/footprint/compile';
import { isDrawable } from '../../core/footprint/footprint';
import { formatById } from '../../core/format';
import type { HandOver } from '../../core/format/paper/frame';
import { writeFile, type WrittenFile } from '../../core/format/format';

/** What the page asks for, and what it is told; ending the worker cancels it. */
export interface WriteRequest {
  readonly document: TapisDocument;
  /** The model that the document names, where it is at hand. */
  readonly model: Model | null;
  readonly format: string;
  readonly about: Omit<HandOver, 'previous'>;
  /** The last approved revision before this, where there is one. */
  readonly approved: TapisDocument | null;
}
/** Writes a footprint in a format. */
export async function write({
  document,
  model,
  format: id,
  about,
  approved,
}: WriteRequest): Promise<WrittenFile> {
  const format = formatById(id);
  const loaded = model && loadedModel(model);
  const compiled = compile(document, () => loaded);
  if (!format || !isDrawable(compiled)) throw new Error('the document gives no footprint');
  const previous = approved
    ? { previous: compileAndCheck(approved, (key) => (key === document.body?.model?.key ? loaded : null)) }
    : {};
  return writeFile(format, compiled, { ...about, ...previous });
}
