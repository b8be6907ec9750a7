import { useEffect, useState } from 'react';
import { pageWorth, type PageWorth } from '../../core/source/worth';
import type { OpenSheet } from './sheet-file';

/** Pages that are looked at for what is on them. */
const LOOKED_AT = 400;

export interface Pages {
  /** The page that most looks like a table of dimensions; `null` until all are looked at. */
  readonly best: number | null;
  readonly isLooking: boolean;
  /** All pages, those worth most first, with what they seem to hold. */
  readonly options: readonly (readonly [number, string])[];
}

/** Looks through the pages of a datasheet for drawings and tables. */
export function usePages(open: OpenSheet | null): Pages {
  const [found, setFound] = useState<{
    readonly open: OpenSheet;
    readonly worth: readonly PageWorth[];
  } | null>(null);
  useEffect(() => {
    if (!open || open.pages < 2) return;
    let left = false;
    const look = async () => {
      const worth: PageWorth[] = [];
      for (let page = 1; page <= Math.min(open.pages, LOOKED_AT) && !left; page += 1)
        worth.push(pageWorth((await open.words(page)).words));
      if (!left) setFound({ open, worth });
    };
    // a page that cannot be read shows that when it is opened
    look().catch(() => left || setFound({ open, worth: [] }));
    return () => {
      left = true;
    };
  }, [open]);
  const pages = open?.pages ?? 1;
  const worth = found && found.open === open ? found.worth : [];
  const isLooking = open !== null && pages > 1 && (found === null || found.open !== open);
  const numbers = Array.from({ length: pages }, (_, i) => i + 1);
  const scoreOf = (page: number) => worth[page - 1]?.score ?? 0;
  const isWorth = (page: number) => (worth[page - 1]?.what ?? '') !== '';
  const first = numbers.filter(isWorth).sort((a, b) => scoreOf(b) - scoreOf(a) || a - b);
  const sorted = [...first, ...numbers.filter((page) => !isWorth(page))];
  const words = (page: number) =>
    [`page ${page}`, worth[page - 1]?.what ?? ''].filter((word) => word !== '').join(', ');
  return {
    best: isLooking ? null : (sorted[0] ?? 1),
    isLooking,
    options: sorted.map((page) => [page, words(page)] as const),
  };
}
