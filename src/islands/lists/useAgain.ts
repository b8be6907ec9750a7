import { useEffect, useState } from 'react';
import { broughtAgain, type BroughtAgain, type KeptFootprint } from '../../core/lists/again';
import type { TakenRow } from '../../core/lists/prepare';
import { byCrew } from '../common/crew';
import type { JobAnswer } from '../common/job';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';

/** What a changed row does to its footprint. */
export type Difference = JobAnswer<'differences'>[number];

/** A list that was taken before, as it stands to the Shelf now. */
export interface AgainState {
  readonly again: BroughtAgain | null;
  /** By the id of the footprint; as far as workers have got to it. */
  readonly differences: ReadonlyMap<string, Difference>;
  /** What the footprints of the list are now, to be written onto. */
  readonly revisions: ReadonlyMap<string, number>;
}

/** Rows that give no footprint as they stand. */
type Unread = readonly { readonly name: string; readonly part: string }[];

const NOTHING: AgainState = { again: null, differences: new Map(), revisions: new Map() };
/** Footprints that a worker is given at once. */
const BATCH = 12;

/**
 * Holds a list against the footprints that were taken from it before.
 * @param taken `null` while the list is still read
 */
export function useAgain(source: string, taken: readonly TakenRow[] | null, unread: Unread): AgainState {
  const [state, setState] = useState<AgainState>(NOTHING);
  const key = taken === null ? '' : JSON.stringify([source, taken, unread]);
  useEffect(() => {
    if (key === '') return;
    const control = new AbortController();
    const [name, rows, waiting] = JSON.parse(key) as [string, TakenRow[], Unread];
    void attempt('Holding the list against the Shelf', () =>
      hold(name, rows, waiting, control.signal, (next) => {
        if (!control.signal.aborted) setState(next);
      }),
    );
    return () => control.abort();
  }, [key]);
  return key === '' ? NOTHING : state;
}

async function hold(
  source: string,
  taken: readonly TakenRow[],
  unread: Unread,
  signal: AbortSignal,
  tell: (next: (now: AgainState) => AgainState) => void,
): Promise<void> {
  const rows = await shelf.list();
  const kept = rows.map(({ id, document, locked }): KeptFootprint => ({
    id,
    document,
    fixed: locked === undefined ? null : `revision ${locked} is approved`,
  }));
  const again = broughtAgain(source, taken, kept, unread);
  const revisions = new Map(rows.map(({ id, revision }) => [id, revision]));
  tell(() => ({ again, differences: new Map(), revisions }));
  const pairs = [...(again?.rows.values() ?? [])].flatMap((one) =>
    one.is === 'changed' ? [{ id: one.id, before: one.before, after: one.document }] : [],
  );
  const batches = Array.from({ length: Math.ceil(pairs.length / BATCH) }, (_, i) =>
    pairs.slice(BATCH * i, BATCH * (i + 1)),
  );
  await byCrew(
    'differences',
    batches,
    (batch) => Promise.resolve({ pairs: batch }),
    (answer) =>
      tell((now) => ({
        ...now,
        differences: new Map([...now.differences, ...(answer ?? []).map((one) => [one.id, one] as const)]),
      })),
    signal,
  );
}
