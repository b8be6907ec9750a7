import { attempt } from '../common/trouble';
import { documentFile, download } from '../common/download';
import { useBench } from '../state/context';

/** What to do when another tab has saved or deleted the same footprint, or when saving fails. */
export function ConflictBar() {
  const save = useBench((s) => s.save);
  const document = useBench((s) => s.document);
  const resolve = useBench((s) => s.resolveConflict);
  const takeBack = useBench((s) => s.takeBack);
  const exportIt = () => download(documentFile(document));
  const bar = 'flex items-center gap-3 px-4 py-1.5';
  switch (save.kind) {
    case 'failed':
      return (
        <div role="alert" className={`bg-error text-error-content ${bar}`}>
          <span>Not saved: {save.reason}. It is tried again every few seconds; keep this page open.</span>
          <button type="button" className="btn btn-xs" onClick={exportIt}>
            Export it as it is
          </button>
        </div>
      );
    case 'binned':
      return (
        <div role="alert" className={`bg-warning text-warning-content ${bar}`}>
          <span>Another tab has put this footprint into the bin. What you change is saved there.</span>
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => void attempt('Putting it back', takeBack)}
          >
            Put it back on the Shelf
          </button>
        </div>
      );
    case 'gone':
      return (
        <div role="alert" className={`bg-warning text-warning-content ${bar}`}>
          <span>Another tab has removed this footprint for good. It lives in this tab only.</span>
          <button type="button" className="btn btn-xs" onClick={() => void attempt('Keeping it', takeBack)}>
            Keep it again
          </button>
          <button type="button" className="btn btn-xs" onClick={exportIt}>
            Export it as it is
          </button>
        </div>
      );
    case 'conflict':
      return (
        <div role="alert" className={`bg-warning text-warning-content ${bar}`}>
          <span>
            Another tab has saved this footprint (revision {save.theirs.revision}). Nothing of yours is
            written until you choose.
          </span>
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => void attempt('Keeping both', () => resolve('both'))}
          >
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
    default:
      return null;
  }
}
