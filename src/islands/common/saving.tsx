import { useEffect, useState } from 'react';
import { isTrouble, type Saved, type SaveState } from '../../store/autosave';

// The end of a head line: steps back and forth, and how saving stands.

interface UndoProps {
  /** What would be taken back, and done again, in words. */
  past: { readonly words: string } | null;
  future: { readonly words: string } | null;
  undo: () => void;
  redo: () => void;
}

export function UndoButtons({ past, future, undo, redo }: UndoProps) {
  return (
    <div className="flex">
      <button
        type="button"
        className="btn btn-ghost btn-sm px-2 text-[15px]"
        disabled={past === null}
        onClick={undo}
        aria-label="Undo"
        title={past ? `Undo: ${past.words}` : undefined}
      >
        ↶
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm px-2 text-[15px]"
        disabled={future === null}
        onClick={redo}
        aria-label="Redo"
        title={future ? `Do again: ${future.words}` : undefined}
      >
        ↷
      </button>
    </div>
  );
}

export function SaveNote({ save }: { save: SaveState<Saved> }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 5000);
    return () => clearInterval(timer);
  }, []);
  const text = {
    saved: () => {
      const seconds = save.kind === 'saved' ? Math.round((now - save.at) / 1000) : 0;
      return seconds >= 5 && seconds < 90 ? `saved ${seconds} s ago` : 'saved';
    },
    pending: () => 'saving',
    conflict: () => 'not saved',
    failed: () => 'not saved',
    binned: () => 'in the bin',
    gone: () => 'not saved',
  }[save.kind]();
  const bad = isTrouble(save);
  return (
    <span
      role="status"
      className={`w-[84px] text-right ${bad ? 'text-error font-semibold' : 'text-secondary'}`}
      title={save.kind === 'failed' ? save.reason : undefined}
    >
      {text}
    </span>
  );
}
