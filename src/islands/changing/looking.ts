import { useState } from 'react';
import type { Prospect, Wish } from '../../core/library/change';
import type { StoredFootprint } from '../../store/database';
import type { Found } from '../../workers/jobs/change';
import { shelf } from '../common/shelf-store';
import { useCrew } from '../common/useCrew';

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
  const [rows] = useState(() => new Map<string, Pick<StoredFootprint, 'revision' | 'document' | 'locked'>>());
  const { results, ...work } = useCrew(
    'change',
    ids,
    BATCH,
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
      return batch.map((id): Line => {
        const { revision = 0, document, locked } = rows.get(id) ?? {};
        rows.delete(id);
        const { prospect, found } = told.get(id) ?? {};
        return { id, revision, locked, name: document?.name ?? id, prospect, found };
      });
    },
  );
  return { ...work, lines: results };
}
