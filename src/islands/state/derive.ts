import { compileAndCheck, type Checked } from '../../core/check/guarded';
import type { TapisDocument } from '../../core/document/document';
import { isDrawable, type Compiled, type Drawable } from '../../core/footprint/footprint';
import { noModels, type ModelSource } from '../../core/footprint/imported';
import { withExamples } from '../../core/package/draw';

/** What the Sheet shows, and why it is not the document as it stands where it is not. */
export interface Shown {
  readonly drawable: Drawable;
  readonly stand: 'current' | 'last-good' | 'example';
  /** Dimensions that were filled with example values. */
  readonly filled: readonly string[];
}

/** Everything the Bench derives from its document. */
export interface Derived extends Checked {
  readonly shown: Shown | null;
}

/**
 * Compiles and checks a document. While it cannot be drawn, the last good drawing of the same
 * family stays up; where there was none, missing dimensions are filled with examples.
 */
export function derive(
  document: TapisDocument,
  before: Derived | null,
  models: ModelSource = noModels,
): Derived {
  const { compiled, report } = compileAndCheck(document, models);
  return { compiled, report, shown: shownFor(compiled, before?.shown ?? null) };
}

function shownFor(compiled: Compiled, before: Shown | null): Shown | null {
  if (isDrawable(compiled)) return { drawable: compiled, stand: 'current', filled: [] };
  const sameFamily = before?.drawable.document.package.family === compiled.document.package.family;
  if (before && sameFamily && before.stand !== 'example') return { ...before, stand: 'last-good' };
  const example = withExamples(compiled.document);
  if (!example) return null;
  const { compiled: drawn } = compileAndCheck(example.document);
  return isDrawable(drawn) ? { drawable: drawn, stand: 'example', filled: example.filled } : before;
}
