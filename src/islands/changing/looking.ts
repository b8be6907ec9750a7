import { useEffect, useRef, useState } from 'react';
import type { Prospect, Wish } from '../../core/library/change';
import type { StoredFootprint } from '../../store/database';
import type { Found } from '../../workers/jobs/change';
import { shelf } from '../common/shelf-store';
import { byCrew } from '../common/crew';

/** One footprint that was looked at. */
export interface Line {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** Number of the approved revision that it is. */
  readonly locked: number | undefined;
  /** `null` where it is so already, `undefined` where it could not be looked at. */
  readonly prospect: Prospect | null | undefined;
  /** What is found in it, where nothing is wished. */
  readonly found: Found | null | undefined;
}

/** Footprints that a worker looks at in one go. */
const BATCH = 8;

/** Looks at footprints beside the page, a batch at a time, while the dialog is open. */
export function useLooking(ids: readonly string[], wish: Wish) {
  const [lines, setLines] = useState<readonly Line[]>([]);
  const [stopped, setStopped] = useState(false);
  const control = useRef<AbortController | null>(null);
  useEffect(() => {
    const own = new AbortController();
    control.current = own;
    void look(ids, wish, (more) => setLines((before) => [...before, ...more]), own.signal);
    return () => own.abort();
    // what is looked at does not change while the dialog is open
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return {
    lines,
    stopped,
    running: lines.length < ids.length && !stopped,
    stop: () => {
      control.current?.abort();
      setStopped(true);
    },
  };
}

async function look(
  ids: readonly string[],
  wish: Wish,
  onLines: (lines: readonly Line[]) => void,
  signal: AbortSignal,
): Promise<void> {
  const batches = Array.from({ length: Math.ceil(ids.length / BATCH) }, (_, i) =>
    ids.slice(i * BATCH, (i + 1) * BATCH),
  );
  const rows = new Map<string, Pick<StoredFootprint, 'revision' | 'document' | 'locked'>>();
  await byCrew(
    'change',
    batches,
    async (batch) => {
      const footprints = await Promise.all(
        (await shelf.getAll(batch)).map(async ({ id, revision, document, locked }) => {
          rows.set(id, { revision, document, ...(locked === undefined ? {} : { locked }) });
          const key = document.body?.model?.key;
          const stored = key === undefined ? null : await shelf.models.get(key);
          return { id, document, model: stored?.model ?? null };
        }),
      );
      return { wish, footprints };
    },
    (answer, batch) => {
      const told = new Map(answer?.map((one) => [one.id, one]));
      onLines(
        batch.map((id): Line => {
          const row = rows.get(id);
          rows.delete(id);
          const { revision = 0, document, locked } = row ?? {};
          const { prospect, found } = told.get(id) ?? {};
          return { id, revision, locked, name: document?.name ?? id, prospect, found };
        }),
      );
    },
    signal,
  );
}
