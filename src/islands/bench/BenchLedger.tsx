import { useCallback } from 'react';
import { later } from '../common/later';
import { useNarrow } from '../common/useNarrow';
import { Ledger } from '../ledger/Ledger';
import { NoLedger } from '../ledger/NoLedger';
import { useBench } from '../state/context';
import { useLedger } from './useLedger';

const LedgerDrawer = later(
  'The Ledger',
  async () => (await import('../ledger/LedgerDrawer')).LedgerDrawer,
  <NoLedger />,
);

/** The Bench's Ledger: beside the Sheet, or a drawer where there is no room. */
export function BenchLedger() {
  const shown = useLedger();
  const narrow = useNarrow();
  const isOpen = useBench((s) => s.ledgerOpen);
  const set = useBench((s) => s.set);
  const toggle = useCallback((open: boolean) => set({ ledgerOpen: open }), [set]);
  if (!narrow) return <Ledger {...shown} />;
  return (
    <LedgerDrawer report={shown.view.report} isOpen={isOpen} onToggle={toggle}>
      <Ledger {...shown} />
    </LedgerDrawer>
  );
}
