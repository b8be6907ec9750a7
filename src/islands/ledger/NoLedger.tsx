import { useNarrow } from '../common/useNarrow';
import { LEDGER_COLUMN, LedgerHead } from './LedgerHead';

/** The Ledger until it is there, as wide as it will be: the Sheet beside it does not move. */
export function NoLedger() {
  return useNarrow() ? (
    <div className="border-base-300 bg-base-100 w-14 shrink-0 border-l py-3 text-center text-[12px]">
      Ledger
    </div>
  ) : (
    <aside className={LEDGER_COLUMN} aria-label="Ledger" aria-busy>
      <LedgerHead summary={null} />
    </aside>
  );
}
