import { useState } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { attempt } from './trouble';

/** What was done, and how it is taken back. */
export interface Note {
  readonly words: string;
  readonly takeBack: {
    readonly words: string;
    /** @returns what it came to, in words */
    readonly act: () => Promise<string>;
  };
}

const note = createStore<{ readonly shown: Note | null; readonly count: number }>(() => ({
  shown: null,
  count: 0,
}));

/** Says what was done, until the next is or it is put away. */
export function tellNote(shown: Note | null): void {
  note.setState(({ count }) => ({ shown, count: count + 1 }));
}

/** What was done last, with its way back. */
export function NoteBar() {
  const { shown, count } = useStore(note);
  return shown && <Shown key={count} note={shown} />;
}

function Shown({ note: { words, takeBack } }: { note: Note }) {
  const [taken, setTaken] = useState<string | null>(null);
  return (
    <p
      role="status"
      aria-label="Done"
      className="border-base-300 bg-base-100 border-l-success flex gap-3 border-b border-l-4 px-4 py-1.5"
    >
      {taken ?? words}
      {taken === null && (
        <button
          type="button"
          className="link"
          onClick={() => void attempt(takeBack.words, async () => setTaken(await takeBack.act()))}
        >
          {takeBack.words}
        </button>
      )}
      <button type="button" className="btn btn-xs ml-auto" onClick={() => tellNote(null)}>
        Close
      </button>
    </p>
  );
}
