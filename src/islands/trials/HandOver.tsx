import { useEffect, useState } from 'react';
import type { BoardFormat } from '../../core/format/board/board-format';
import { download } from '../common/download';
import { useLoaded } from '../common/later';
import { attempt } from '../common/trouble';
import { useTrialStore } from './state';
import { trialFile } from './trial-file';

const load = () => import('../../core/format/board');

/** Everything that a trial can be written as. */
export function HandOver({ onClose }: { onClose: () => void }) {
  const store = useTrialStore();
  const { value, trouble } = useLoaded('The formats', load);
  const [busy, setBusy] = useState<string | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const save = async (format: BoardFormat) => {
    setBusy(format.id);
    setFailed(null);
    try {
      const { writeBoard } = await import('../../core/format/board/board-format');
      download(await writeBoard(format, store.getState().compiled));
    } catch (error) {
      setFailed(
        `${format.title} was not written: ${error instanceof Error ? error.message : String(error)}.`,
      );
    } finally {
      setBusy(null);
    }
  };
  useEffect(() => {
    const close = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && !event.defaultPrevented) onClose();
    };
    addEventListener('keydown', close);
    return () => removeEventListener('keydown', close);
  }, [onClose]);
  const saveTrial = async () => download(await trialFile(store.getState().document));
  const { problems } = store.getState().compiled;
  return (
    <section aria-label="Hand over" className="border-base-300 bg-base-100 border-b px-4 py-2">
      <div className="flex items-baseline gap-3">
        <h2 className="font-semibold">Hand over</h2>
        <p className="text-secondary text-[12px]">
          Everything is measured from the lower left corner of the board, in mm.
          {problems.length > 0 &&
            ` Left out of every file: ${problems.map(({ title }) => title).join(', ')}.`}
        </p>
        <button type="button" className="btn btn-xs ml-auto" onClick={onClose}>
          Close
        </button>
      </div>
      {trouble}
      {failed && (
        <p role="alert" className="text-error">
          {failed}
        </p>
      )}
      <ul className="mt-1 grid grid-cols-2 gap-x-6">
        {(value?.BOARD_FORMATS ?? []).map((format) => (
          <li key={format.id} className="flex items-baseline gap-2 py-0.5">
            <button
              type="button"
              className="btn btn-xs w-44 shrink-0"
              disabled={busy !== null}
              onClick={() => void save(format)}
            >
              {busy === format.id ? 'writing' : format.title}
            </button>
            <span className="text-secondary text-[12px]">
              {format.summary} {format.extension}
            </span>
          </li>
        ))}
        <li className="flex items-baseline gap-2 py-0.5">
          <button
            type="button"
            className="btn btn-xs w-44 shrink-0"
            onClick={() => void attempt('Saving the trial', saveTrial)}
          >
            The trial itself
          </button>
          <span className="text-secondary text-[12px]">
            With its footprints, to be opened again under Trials. .tapis-trial.json
          </span>
        </li>
      </ul>
    </section>
  );
}
