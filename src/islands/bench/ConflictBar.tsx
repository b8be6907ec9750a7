import { useBench } from '../state/context';

/** What to do when another tab has saved the same footprint, or when saving fails. */
export function ConflictBar() {
  const save = useBench((s) => s.save);
  const resolve = useBench((s) => s.resolveConflict);
  if (save.kind === 'failed') {
    return (
      <p role="alert" className="bg-error text-error-content px-4 py-1.5">
        {save.reason}
      </p>
    );
  }
  if (save.kind !== 'conflict') return null;
  return (
    <div role="alert" className="bg-warning text-warning-content flex items-center gap-3 px-4 py-1.5">
      <span>
        Another tab has saved this footprint (revision {save.theirs.revision}). Nothing of yours is written
        until you choose.
      </span>
      <button type="button" className="btn btn-xs" onClick={() => void resolve('both')}>
        Keep both: mine as a copy
      </button>
      <button type="button" className="btn btn-xs" onClick={() => void resolve('theirs')}>
        Take the other tab’s
      </button>
      <button type="button" className="btn btn-xs" onClick={() => void resolve('mine')}>
        Replace it with mine
      </button>
    </div>
  );
}
