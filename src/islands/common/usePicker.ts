import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';

/** A searchable list in a modal dialog, worked from the keyboard. */
export interface Picker<T> {
  /** For the dialog, which opens at once. */
  readonly dialog: React.RefObject<HTMLDialogElement | null>;
  readonly query: string;
  readonly search: (query: string) => void;
  readonly found: readonly T[];
  /** Index of the entry that Enter takes. */
  readonly at: number;
  readonly point: (index: number) => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/**
 * Keeps a picker's search and place. Enter before there is anything to find is kept until there is.
 * @param find entries for a search, in order; must be stable between renders
 * @param columns entries in a row: arrow keys up and down step by it, left and right by one
 * @param begins what is searched for at first
 */
export function usePicker<T>(
  find: (query: string) => readonly T[],
  choose: (entry: T) => void,
  columns = 1,
  begins = '',
): Picker<T> {
  const [query, setQuery] = useState(begins);
  const [at, setAt] = useState(0);
  const dialog = useRef<HTMLDialogElement>(null);
  const early = useRef(false);
  useEffect(() => {
    dialog.current?.showModal();
    // a list that scrolls would take the focus from the search field
    dialog.current?.querySelector('input')?.focus({ preventScroll: true });
  }, []);
  useEffect(() => {
    dialog.current?.querySelector('[aria-selected="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  const found = useMemo(() => find(query), [find, query]);
  useEffect(() => {
    const first = found[0];
    if (!early.current || first === undefined) return;
    early.current = false;
    choose(first);
    // only once what can be found is there
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [found]);
  const steps: Record<string, number> = {
    ArrowDown: columns,
    ArrowUp: -columns,
    ...(columns > 1 ? { ArrowRight: 1, ArrowLeft: -1 } : {}),
  };
  return {
    dialog,
    query,
    search(next) {
      early.current = false;
      setQuery(next);
      setAt(0);
    },
    found,
    at,
    point: setAt,
    onKeyDown(event) {
      const step = steps[event.key];
      const entry = found[at];
      if (step !== undefined) {
        event.preventDefault();
        setAt((i) => Math.max(0, Math.min(found.length - 1, i + step)));
      } else if (event.key === 'Enter') {
        event.preventDefault();
        if (entry === undefined) early.current = true;
        else choose(entry);
      }
    },
  };
}
