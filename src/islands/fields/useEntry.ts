import { useRef, type FocusEvent, type KeyboardEvent } from 'react';
import { valueAt } from '../../core/document/edit';
import { entryEdit, entryOf, writtenEntry } from '../../core/document/entries';
import { useBench } from '../state/context';
import { useFieldState } from '../state/fields';

let gestures = 0;

/** What an entry field needs: its text, and handlers that edit the document as one gesture. */
export interface EntryField {
  readonly text: string;
  readonly onChange: (text: string) => void;
  /** A new visit begins: what is typed from now on is a step of its own. */
  readonly begin: () => void;
  /** Takes back what was typed in this visit; says whether there was anything. */
  readonly restore: () => boolean;
  readonly onFocus: (event: FocusEvent<HTMLInputElement>) => void;
  readonly onKeyDown: (event: KeyboardEvent<HTMLInputElement>) => void;
}

/** Told after Enter or Escape. */
export type OnDone = (how: 'commit' | 'restore', input: HTMLInputElement) => void;

/** Leaves the field. */
export const LEAVE: OnDone = (_, input) => input.blur();

/**
 * A field that writes while it is typed in. All typing of one visit is one step of undo;
 * Enter commits it, Escape takes it back, Escape again leaves the field.
 */
export function useField(
  text: string,
  write: (text: string, gesture: string) => void,
  onDone: OnDone = LEAVE,
): EntryField {
  const abandon = useFieldState((state) => state.abandon);
  const gesture = useRef('');
  const begin = () => {
    gestures += 1;
    gesture.current = `entry ${gestures}`;
  };
  const restore = () => {
    const restored = abandon(gesture.current);
    begin();
    return restored;
  };
  return {
    text,
    begin,
    restore,
    onChange(next) {
      if (gesture.current === '') begin();
      write(next, gesture.current);
    },
    onFocus(event) {
      begin();
      event.currentTarget.select();
    },
    onKeyDown(event) {
      if (event.key === 'Enter') {
        begin();
        onDone('commit', event.currentTarget);
      } else if (event.key === 'Escape') {
        // with nothing to restore, Escape leaves the field
        if (!restore()) event.currentTarget.blur();
        onDone('restore', event.currentTarget);
      }
    },
  };
}

/** The field of an entry that stands at a place of the document, as it was typed. */
export function useWritten(at: string, onDone: OnDone = LEAVE): EntryField {
  const value = useFieldState((s) => valueAt(s.document, at));
  const edit = useFieldState((s) => s.edit);
  return useField(
    typeof value === 'string' ? value : '',
    (next, gesture) => edit([{ at, value: next === '' ? undefined : next }], gesture),
    onDone,
  );
}

/** The field of a datasheet dimension. */
export function useDimensionField(symbol: string, onDone: OnDone): EntryField {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const { text } = writtenEntry(entryOf(document, symbol));
  return useField(
    text,
    (next, gesture) => edit([entryEdit(document, symbol, { text: next })], gesture),
    onDone,
  );
}
