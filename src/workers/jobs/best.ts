import { loadedModel } from '../../core/body/loaded';
import type { Model } from '../../core/body/model';
import { bestAnswer, type BestAnswer } from '../../core/best/answer';
import type { BestAsk } from '../../core/best/best';
import type { TapisDocument } from '../../core/document/document';
import { compile } from '../../core/footprint/compile';
import { isDrawable } from '../../core/footprint/footprint';

/** A footprint whose best lands are looked for. */
export interface BestRequest {
  readonly document: TapisDocument;
  readonly model: Model | null;
  readonly ask: BestAsk;
}

/** Finds the best lands to the end; `null` where the footprint cannot be drawn. */
export function best(
  { document, model, ask }: BestRequest,
  tell: (share: number) => void,
): BestAnswer | null {
  const loaded = model && loadedModel(model);
  const compiled = compile(document, () => loaded);
  if (!isDrawable(compiled)) return null;
  const run = bestAnswer(compiled, ask);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
    tell(step.value);
  }
}
