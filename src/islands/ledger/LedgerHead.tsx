/** The Ledger's head line: what checking came to, or that it goes on. */
export function LedgerHead({ summary }: { summary: string | null }) {
  return (
    <>
      <h2 className="text-[15px] font-semibold">Ledger</h2>
      <p className="text-secondary text-[12px]" data-testid="summary">
        {summary ?? 'checking …'}
      </p>
    </>
  );
}

/** How the Ledger stands beside the Sheet. */
export const LEDGER_COLUMN =
  'border-base-300 bg-base-100 w-[260px] shrink-0 overflow-y-auto border-l px-3 py-3';
