import { useEffect, useRef, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import type { StoredFootprint } from '../../store/database';
import type { Settle } from '../../store/twins';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { useBench } from '../state/context';

/** A document or a Shelf file that was dropped onto the Bench: it goes onto the Shelf, to be opened or held beside. */
export function Brought({ file, onClose }: { file: File; onClose: () => void }) {
  const id = useBench((s) => s.id);
  const name = useBench((s) => s.document.name);
  const dialog = useRef<HTMLDialogElement>(null);
  const [added, setAdded] = useState<readonly StoredFootprint[] | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const bring = async (): Promise<readonly StoredFootprint[]> => {
    if (added) return added;
    // what is here as it is there is opened, and not made once more
    const settle: Settle = async () => (twin) => (twin.differs.length === 0 ? 'leave' : 'both');
    const result = /\.zip$/i.test(file.name)
      ? await shelf.importZip(new Uint8Array(await file.arrayBuffer()), { settle })
      : await shelf.importText(await file.text(), { settle });
    const rows = [...result.added, ...result.here];
    setAdded(rows);
    if (result.refused.length > 0) setWrong(result.refused.map(({ message }) => message).join('\n'));
    return rows;
  };
  const then = (go: (first: StoredFootprint) => void) =>
    void attempt(`Taking in ${file.name}`, async () => {
      const [first] = await bring();
      if (first) {
        onClose();
        go(first);
      }
    });
  return (
    <dialog ref={dialog} className="modal" aria-label="A document was dropped" onClose={onClose}>
      <div className="modal-box border-base-300 max-w-lg border p-4">
        <h2 className="text-[15px] font-semibold">{file.name}</h2>
        <p className="mt-1">
          It holds footprints, and is no body for {name}. It comes onto the Shelf; what is there stays as it
          is.
        </p>
        {wrong !== null && (
          <p role="alert" className="border-error mt-2 border-l-4 pl-3 whitespace-pre-line">
            {wrong}
          </p>
        )}
        {added && (
          <p className="text-secondary mt-1">{counted(added.length, 'footprint')} of it on the Shelf.</p>
        )}
        <div className="mt-3 flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-sm btn-primary"
            onClick={() => then((first) => navigate(`/bench/${first.id}`))}
          >
            Open it
          </button>
          <button
            type="button"
            className="btn btn-sm"
            onClick={() => then((first) => navigate(`/side-by-side/${id}/${first.id}`))}
          >
            Hold it beside {name}
          </button>
          <button
            type="button"
            className="btn btn-sm"
            onClick={() =>
              then((first) => {
                void shelf.holdAgainst(first.id, id);
                navigate(`/opinion/${first.id}/${id}`);
              })
            }
          >
            Second opinion on it
          </button>
          <button type="button" className="btn btn-sm ml-auto" onClick={onClose}>
            Leave it
          </button>
        </div>
      </div>
    </dialog>
  );
}
