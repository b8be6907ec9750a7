import { useEffect, useMemo, useRef, useState } from 'react';
import type { Beside, TableAnswer, TableAsk } from '../../workers/jobs/read-table';
import { useBench } from '../state/context';
import type { Word } from '../../core/source/page';
import { readPage, type OpenSheet, type ReadPage } from './sheet-file';
import { understand } from './understand';
import type { Datasheet } from './useDatasheet';

/** A page as far as it is read. */
export type PageState =
  | { readonly kind: 'reading'; readonly isPicture: boolean }
  | { readonly kind: 'failed'; readonly why: string }
  | { readonly kind: 'read'; readonly read: ReadPage };

/** Reads the words of a page; pages stay read while the datasheet is open. */
export function usePage(sheet: Datasheet | null, number: number): PageState | null {
  const known = useRef(new WeakMap<Datasheet, Map<number, PageState>>());
  const [shown, show] = useState<{
    readonly sheet: Datasheet;
    readonly number: number;
    readonly state: PageState;
  } | null>(null);
  useEffect(() => {
    const open = sheet?.open;
    if (!sheet || !open) return;
    let left = false;
    const pages = known.current.get(sheet) ?? new Map<number, PageState>();
    known.current.set(sheet, pages);
    const tell = (state: PageState) => {
      if (state.kind === 'read') pages.set(number, state);
      if (!left) show({ sheet, number, state });
    };
    const before = pages.get(number);
    if (before) tell(before);
    else
      void readPage(open, number, () => tell({ kind: 'reading', isPicture: true })).then(
        (read) => tell({ kind: 'read', read }),
        (error: unknown) =>
          tell({ kind: 'failed', why: error instanceof Error ? error.message : String(error) }),
      );
    return () => {
      left = true;
    };
  }, [sheet, number]);
  if (!sheet?.open) return null;
  return shown?.sheet === sheet && shown.number === number
    ? shown.state
    : { kind: 'reading', isPicture: false };
}

/**
 * The words of the pages beside one, which its table may go over.
 * @returns `undefined` until they are read, `null` where there are none
 */
export function useBeside(
  sheet: Datasheet | null,
  { number, isScan }: { readonly number: number; readonly isScan: boolean },
): Beside | null | undefined {
  const open = sheet?.open ?? null;
  const isThere = open !== null && !isScan && open.pages > 1;
  const [found, setFound] = useState<{ open: OpenSheet; number: number; beside: Beside } | null>(null);
  useEffect(() => {
    if (!open || !isThere) return;
    let left = false;
    // a page that cannot be read has nothing that goes on
    const wordsOf = (page: number): Promise<readonly Word[]> =>
      page < 1 || page > open.pages
        ? Promise.resolve([])
        : open.words(page).then(
            ({ words }) => words,
            () => [],
          );
    void Promise.all([wordsOf(number - 1), wordsOf(number + 1)]).then(
      ([before, after]) => left || setFound({ open, number, beside: { before, after } }),
    );
    return () => {
      left = true;
    };
  }, [open, number, isThere]);
  if (!isThere) return null;
  return found?.open === open && found.number === number ? found.beside : undefined;
}

export interface Understood {
  /** What it was asked of. */
  readonly ask: TableAsk;
  readonly answer: TableAnswer | null;
  readonly trouble: string | null;
}

/** Has a worker understand a table; asking anew gives up what was asked before. */
export function useUnderstanding(ask: TableAsk | null): Understood | null {
  const [found, setFound] = useState<Understood | null>(null);
  useEffect(() => {
    if (!ask) return;
    const abort = new AbortController();
    void understand(ask, abort.signal).then((result) => {
      if (abort.signal.aborted) return;
      setFound({
        ask,
        answer: result.ok ? result.value : null,
        trouble: result.ok ? null : result.error,
      });
    });
    return () => abort.abort();
  }, [ask]);
  return useMemo(() => (found && found.ask === ask ? found : null), [found, ask]);
}

/** The dimension whose field waits for a number: the one pointed at, else the first without a value. */
export function useWaiting() {
  const active = useBench((s) => s.activeDimension);
  const dimensions = useBench((s) => s.derived.compiled.resolved?.dimensions);
  const asked = dimensions?.filter((one) => one.asked) ?? [];
  return (
    asked.find(({ definition }) => definition.symbol === active) ??
    asked.find(({ source }) => source === 'missing') ??
    null
  );
}
