import { useStore } from 'zustand';
import { newerBuild, takeNewerBuild } from './offline';

/** Says that a newer Tapis is there, over the lower edge of the page: nothing moves for it. */
export function NewVersion() {
  const waiting = useStore(newerBuild, (state) => state.waiting);
  if (!waiting) return null;
  return (
    <p
      role="status"
      className="bg-neutral text-neutral-content fixed right-3 bottom-9 z-20 flex items-center gap-3 rounded px-4 py-1.5"
    >
      A newer Tapis is ready. Nothing is lost.
      <button type="button" className="btn btn-xs" onClick={takeNewerBuild}>
        Load it
      </button>
    </p>
  );
}
