import type * as Guarded from '../../core/check/guarded';
import type { Checked } from '../../core/check/guarded';
import type { TapisDocument } from '../../core/document/document';
import { compileWith } from '../../core/footprint/compiling';
import { guarded } from '../../core/footprint/fault';
import { isDrawable, type Compiled, type Drawable } from '../../core/footprint/footprint';
import { noModels, type ModelSource } from '../../core/footprint/imported';
import { withExamples } from '../../core/package/draw';
import { makers, isMakerThere, loadMakers } from './makers';

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
const MANY_LANDS = 100;

type Rules = typeof Guarded;
let rules: Rules | null = null;

/** Loads the rules and who draws all packages, which follow the first drawing; fails where the server does not answer. */
export async function loadRules(): Promise<void> {
  const [loaded] = await Promise.all([import('../../core/check/guarded'), loadMakers()]);
  rules = loaded;
}

/** Compiles by who is loaded; a package whose maker is not there yet is a fault of whoever asks. */
function compiledOf(document: TapisDocument, models: ModelSource): Compiled {
  return guarded(document, () => {
    if (!isMakerThere(document)) throw new Error(`what draws ${document.package.family} is not loaded`);
    return compileWith(makers(), document, models);
  });
}

/** Whether anything can be checked yet. */
export const rulesAreThere = (): boolean => rules !== null;

/** What is known of a footprint before a rule has looked at it. */
const unchecked = ({ problems }: Compiled): Checked['report'] => ({
  findings: problems,
  waived: [],
  held: [],
  idle: [],
  silenced: [],
  verdict: problems[0]?.severity ?? 'clear',
});

/**
 * Compiles and checks a document. While it cannot be drawn, the last good drawing of the same
 * family stays up; where there was none, missing dimensions are filled with examples.
 */
export function derive(
  document: TapisDocument,
  before: Derived | null,
  models: ModelSource = noModels,
): Derived {
  const compiled = compiledOf(document, models);
  const shown = shownFor(compiled, before?.shown ?? null);
  return checked({ compiled, report: unchecked(compiled), shown, checking: true });
}

/**
 * As {@link derive}, for a change that is to be seen at once: with many lands the report stays that of
 * before, and says so, until {@link checked} makes it.
 */
export function deriveAtOnce(document: TapisDocument, before: Derived, models: ModelSource): Derived {
  const compiled = compiledOf(document, models);
  const drawn: Derived = {
    compiled,
    report: before.report,
    shown: shownFor(compiled, before.shown),
    checking: true,
  };
  return (compiled.footprint?.lands.length ?? 0) <= MANY_LANDS ? checked(drawn) : drawn;
}

/** What was drawn at once, checked; as it is while the rules are not there. */
export function checked(drawn: Derived): Derived {
  if (!rules) return drawn;
  const { compiled, shown } = drawn;
  const whole = rules.checkGuarded(compiled);
  return { ...whole, shown: whole.compiled === compiled ? shown : shownFor(whole.compiled, shown) };
}

function shownFor(compiled: Compiled, before: Shown | null): Shown | null {
  if (isDrawable(compiled)) return { drawable: compiled, stand: 'current', filled: [] };
  const kindOf = ({ family, own }: TapisDocument['package']) => `${family} ${own?.id ?? ''}`;
  const sameFamily = before && kindOf(before.drawable.document.package) === kindOf(compiled.document.package);
  if (before && sameFamily && before.stand !== 'example') return { ...before, stand: 'last-good' };
  const example = withExamples(compiled.document, makers());
  if (!example) return null;
  const drawn = compiledOf(example.document, noModels);
  return isDrawable(drawn) ? { drawable: drawn, stand: 'example', filled: example.filled } : before;
}
