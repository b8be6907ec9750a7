import { checkGuarded, compileAndCheck, compileGuarded, type Checked } from '../../core/check/guarded';
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
  /** The report is still that of an earlier state: checking follows the drawing. */
  readonly checking?: true;
}

/** Footprints with more lands are drawn first and checked a moment later, so that typing never waits for a check. */
const MANY_LANDS = 250;

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

/**
 * As {@link derive}, for a change that is to be seen at once: with many lands the report stays that of
 * before, and says so, until {@link checked} makes it.
 */
export function deriveAtOnce(document: TapisDocument, before: Derived, models: ModelSource): Derived {
  const compiled = compileGuarded(document, models);
  if ((compiled.footprint?.lands.length ?? 0) <= MANY_LANDS) {
    const whole = checkGuarded(compiled);
    return { ...whole, shown: shownFor(whole.compiled, before.shown) };
  }
  return { compiled, report: before.report, shown: shownFor(compiled, before.shown), checking: true };
}

/** What was drawn at once, checked. */
export function checked({ compiled, shown }: Derived): Derived {
  const whole = checkGuarded(compiled);
  return { ...whole, shown: whole.compiled === compiled ? shown : shownFor(whole.compiled, shown) };
}

function shownFor(compiled: Compiled, before: Shown | null): Shown | null {
  if (isDrawable(compiled)) return { drawable: compiled, stand: 'current', filled: [] };
  const kindOf = ({ family, own }: TapisDocument['package']) => `${family} ${own?.id ?? ''}`;
  const sameFamily = before && kindOf(before.drawable.document.package) === kindOf(compiled.document.package);
  if (before && sameFamily && before.stand !== 'example') return { ...before, stand: 'last-good' };
  const example = withExamples(compiled.document);
  if (!example) return null;
  const { compiled: drawn } = compileAndCheck(example.document);
  return isDrawable(drawn) ? { drawable: drawn, stand: 'example', filled: example.filled } : before;
}
