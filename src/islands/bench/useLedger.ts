import { useContext, useMemo } from 'react';
import { compareCompiled } from '../../core/compare/compare';
import { openCount } from '../ledger/effect';
import type { LedgerActions, LedgerView, Previewed } from '../ledger/view';
import type { BenchStore, Preview } from '../state/bench';
import { lettersOf } from '../state/letters';
import { BenchContext, useBench } from '../state/context';
import type { Derived } from '../state/derive';

/** What the Bench's Ledger lists, and what a person can do in it. */
export function useLedger(): { view: LedgerView; actions: LedgerActions } {
  const derived = useBench((s) => s.derived);
  const preview = useBench((s) => s.preview);
  const unit = useBench((s) => s.unit);
  const letters = useBench(lettersOf);
  const selectedFinding = useBench((s) => s.selectedFinding);
  const selectedLand = useBench((s) => s.selectedLand);
  const stage = useBench((s) => s.stage);
  const change = useBench((s) => s.change);
  const store = useContext(BenchContext);
  const previewed = useMemo(() => previewOf(derived, preview), [derived, preview]);
  const actions = useMemo(() => actionsOf(store), [store]);
  // at Land the derivation stands in the stage column
  const explains = stage !== 'land';
  const view = useMemo(
    (): LedgerView => ({
      report: derived.report,
      checking: derived.checking ?? false,
      drawable: derived.shown?.drawable ?? null,
      unit,
      letters,
      selectedFinding,
      selectedLand,
      explains,
      change,
      previewed,
    }),
    [derived, unit, letters, selectedFinding, selectedLand, explains, change, previewed],
  );
  return { view, actions };
}

/** What a remedy would change against what is drawn now. */
function previewOf({ shown, report }: Derived, preview: Preview | null): Previewed | null {
  if (!preview) return null;
  const { remedy, derived: after } = preview;
  return {
    remedy,
    changes: shown ? compareCompiled({ compiled: shown.drawable, report }, after) : [],
    open: openCount(after.report),
  };
}

function actionsOf(store: BenchStore | null): LedgerActions {
  const state = () => {
    if (!store) throw new Error('a Ledger of the Bench stands outside of a Bench');
    return store.getState();
  };
  return {
    open: (index) => state().openFinding(index),
    preview: (remedy) => state().setPreview(remedy),
    edit: (edits) => state().edit(edits),
    goTo(symbol) {
      state().set({ stage: 'measure', activeDimension: symbol });
      // the field is there once the stage is shown
      requestAnimationFrame(() => document.getElementById(`entry-${symbol}`)?.focus());
    },
    point: (symbol) => state().set({ activeDimension: symbol }),
    putAway: () => state().set({ change: null }),
  };
}
