import type { TapisDocument } from './document';
import { applyEdits, type Edit } from './edit';
import { editsBetween } from './difference';

// A history is a chain of steps from the document that stands: back into what was, and forth into what was
// taken back. Kept, a step is the edits that lead to it from the one beside it, which is plain JSON and
// little; read again, each gives its document.

/** A state of a document that can be gone to, and what going there takes back or does again, in words. */
export interface HistoryStep<D extends object = TapisDocument> {
  readonly document: D;
  readonly words: string;
}

/** Steps on both sides of a document: `past` ends with the last one, `future` begins with the next. */
export interface History<S extends HistoryStep<object> = HistoryStep> {
  readonly past: readonly S[];
  readonly future: readonly S[];
}

/** A step as it is kept: the edits that lead to it from its neighbour on the side of the document. */
export interface KeptStep {
  readonly words: string;
  readonly edits: readonly Edit[];
}

/** A history as it is kept. */
export interface KeptHistory {
  readonly past: readonly KeptStep[];
  readonly future: readonly KeptStep[];
}

/** Steps that are kept on each side. */
const MOST = 200;

/** What led to a step from its neighbour: neither changes, and a history is kept with every change. */
const known = new WeakMap<HistoryStep<object>, { readonly from: object; readonly kept: KeptStep }>();

function keptStep<D extends object>(step: HistoryStep<D>, from: D): KeptStep {
  const before = known.get(step);
  if (before?.from === from) return before.kept;
  const kept = { words: step.words, edits: editsBetween(from, step.document) };
  known.set(step, { from, kept });
  return kept;
}

/** The history of a document for keeping: the steps nearest to it. */
export function keptHistory<D extends object>(
  document: D,
  { past, future }: History<HistoryStep<D>>,
): KeptHistory {
  const back = past.slice(-MOST);
  const forth = future.slice(0, MOST);
  return {
    past: back.map((step, i) => keptStep(step, back[i + 1]?.document ?? document)),
    future: forth.map((step, i) => keptStep(step, forth[i - 1]?.document ?? document)),
  };
}

/** The steps of a history that was kept with this document. */
export function openHistory<D extends object>(
  document: D,
  { past, future }: KeptHistory,
): History<HistoryStep<D>> {
  const back: HistoryStep<D>[] = [];
  let from = document;
  for (const { words, edits } of [...past].reverse()) {
    from = applyEdits(from, edits);
    back.unshift({ document: from, words });
  }
  const forth: HistoryStep<D>[] = [];
  from = document;
  for (const { words, edits } of future) {
    from = applyEdits(from, edits);
    forth.push({ document: from, words });
  }
  return { past: back, future: forth };
}
