import { useEffect, useState } from 'react';
import type { Bill, BillLine } from '../../core/lists/bill';
import { matchLine, sameLine, type BillMatch, type KnownFootprint } from '../../core/lists/bill-match';
import { facts, shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';

export type FoundLine = readonly [line: BillLine, match: BillMatch];

const UNKNOWN: KnownFootprint['facts'] = { standardName: null, verdict: 'note' };
/** Lines between two breaths of the page. */
const AT_ONCE = 50;

/** Holds the lines of a bill against the footprints of the Shelf; `null` until that is done. */
export function useBill(bill: Bill): readonly FoundLine[] | null {
  const [found, setFound] = useState<{ readonly of: Bill; readonly lines: readonly FoundLine[] } | null>(
    null,
  );
  useEffect(() => {
    let left = false;
    void attempt('Looking through the Shelf', async () => {
      const [rows, entries] = [await shelf.list(), await shelf.entries()];
      const of = await facts.of(entries);
      const known = rows.map(({ id, document }): KnownFootprint => ({
        id,
        document,
        facts: of.get(id) ?? UNKNOWN,
      }));
      const matches = new Map<string, BillMatch>();
      const lines: FoundLine[] = [];
      for (const [i, line] of bill.lines.entries()) {
        if (i % AT_ONCE === 0) await new Promise((resolve) => setTimeout(resolve));
        if (left) return;
        const key = sameLine(line);
        const match = matches.get(key) ?? matchLine(line, known);
        matches.set(key, match);
        lines.push([line, match]);
      }
      setFound({ of: bill, lines });
    });
    return () => {
      left = true;
    };
  }, [bill]);
  return found?.of === bill ? found.lines : null;
}
