import { useMemo } from 'react';
import { STANDARD_LETTERS } from '../../core/package/letters';
import { later } from '../common/later';
import { useNarrow } from '../common/useNarrow';
import { openCount } from '../ledger/effect';
import { Ledger } from '../ledger/Ledger';
import type { LedgerActions, LedgerView } from '../ledger/view';
import { useTrial, useTrialStore } from './state';

const LedgerDrawer = later('The Ledger', async () => (await import('../ledger/LedgerDrawer')).LedgerDrawer);

/** What was found on the board. */
export function TrialLedger() {
  const store = useTrialStore();
  const report = useTrial((s) => s.report);
  const checking = useTrial((s) => s.checking);
  const unit = useTrial((s) => s.unit);
  const finding = useTrial((s) => s.finding);
  const preview = useTrial((s) => s.preview);
  const isOpen = useTrial((s) => s.ledgerOpen);
  const narrow = useNarrow();
  const view: LedgerView = {
    report,
    checking,
    drawable: null,
    unit,
    letters: STANDARD_LETTERS,
    selectedFinding: finding,
    selectedLand: null,
    explains: false,
    change: null,
    previewed: preview && { remedy: preview.remedy, changes: [], open: openCount(preview.report) },
  };
  const actions = useMemo((): LedgerActions => {
    const state = () => store.getState();
    return {
      open(index) {
        const found = state().report.findings[index];
        const [part] = found?.place.parts ?? [];
        const own = state().compiled.parts.find(({ id }) => id === part)?.part;
        state().set({ finding: index, selected: own ?? state().selected });
      },
      preview: (remedy) => state().setPreview(remedy),
      edit: (edits) => state().edit(edits, undefined, state().preview?.remedy.label ?? 'remedy'),
      goTo: () => undefined,
      point: () => undefined,
      putAway: () => undefined,
    };
  }, [store]);
  const ledger = <Ledger view={view} actions={actions} />;
  if (!narrow) return ledger;
  return (
    <LedgerDrawer
      report={report}
      isOpen={isOpen}
      onToggle={(open) => store.getState().set({ ledgerOpen: open })}
    >
      {ledger}
    </LedgerDrawer>
  );
}
