import { useEffect, useRef } from 'react';
import { goTour } from '../common/tour';
import { gesturesOf, keysOf } from './keys';
import { HELP_PAGES, placeOf, type Told } from './pages';

/** The page of a place and its keys, over the page. */
export function Help({ path, onClose }: { path: string; onClose: () => void }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const place = placeOf(path);
  const { title, what, how, written, keys = [] } = HELP_PAGES[place];
  return (
    <dialog ref={dialog} className="modal" onClose={onClose} aria-labelledby="help-title">
      <div
        className="modal-box border-base-300 max-h-[86vh] max-w-3xl overflow-y-auto border p-5 outline-none"
        tabIndex={0}
      >
        <h2 id="help-title" className="text-[20px] font-semibold">
          {title}
        </h2>
        <p>{what}</p>
        <div className="mt-3 grid grid-cols-[1fr_300px] gap-6">
          <div>
            <ul className="flex list-disc flex-col gap-1.5 pl-4">
              {how.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
            {written && <List title="What can be written" rows={written} wide />}
          </div>
          <div>
            {[...keys, ...gesturesOf(place)].length > 0 && (
              <List title="Here" rows={[...keys, ...gesturesOf(place)]} />
            )}
            <List title="Keys" rows={keysOf(place)} />
            <a className="link text-[12px]" href="/docs" target="_blank" rel="noreferrer">
              Documentation
            </a>
            <button
              type="button"
              className="link ml-4 text-[12px]"
              onClick={() => {
                onClose();
                goTour(0);
              }}
            >
              Take the tour
            </button>
          </div>
        </div>
      </div>
      <form method="dialog" className="modal-backdrop">
        <button>Close</button>
      </form>
    </dialog>
  );
}

function List({ title, rows, wide = false }: { title: string; rows: readonly Told[]; wide?: boolean }) {
  return (
    <section className="mb-3">
      <h3 className={`font-semibold ${wide ? 'mt-3' : ''}`}>{title}</h3>
      <dl
        className={`grid gap-x-3 gap-y-0.5 text-[12px] ${wide ? 'grid-cols-[96px_1fr]' : 'grid-cols-[88px_1fr]'}`}
      >
        {rows.map(([sign, words]) => (
          <div key={`${sign} ${words}`} className="col-span-2 grid grid-cols-subgrid">
            <dt className="font-semibold">{sign}</dt>
            <dd className="text-secondary">{words}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
