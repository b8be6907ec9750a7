import { useState } from 'react';
import type { ShelfEntry } from '../../store/database';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';

/** Most that are listed. */
const MOST = 200;

/** What was deleted, to be put back or removed for good. */
export function BinList({ binned }: { binned: readonly ShelfEntry[] }) {
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const some = binned.filter(({ id }) => ticked.has(id));
  return (
    <section className="border-base-300 bg-base-100 border-b px-4 py-3" aria-label="Bin">
      <div className="flex items-center gap-3">
        <h2 className="text-[15px] font-semibold">Bin</h2>
        {binned.length === 0 ? (
          <p className="text-secondary">The bin is empty.</p>
        ) : (
          <>
            <button
              type="button"
              className="btn btn-xs ml-auto"
              onClick={() =>
                void attempt('Putting them back', () =>
                  shelf.restore(...(some.length > 0 ? some : binned).map(({ id }) => id)),
                )
              }
            >
              {some.length > 0 ? `Put ${some.length} back` : 'Put all back'}
            </button>
            <button
              type="button"
              className="btn btn-xs btn-outline btn-error"
              onClick={() => {
                const text = `Remove ${binned.length} footprint${binned.length > 1 ? 's' : ''} for good? This cannot be undone.`;
                if (confirm(text)) void attempt('Emptying the bin', () => shelf.emptyBin());
              }}
            >
              Empty the bin
            </button>
          </>
        )}
      </div>
      <ul>
        {binned.slice(0, MOST).map(({ id, name, binnedAt }) => (
          <li key={id} className="border-base-300 flex items-center gap-3 border-t py-1">
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={ticked.has(id)}
                onChange={({ target }) => {
                  const next = new Set(ticked);
                  if (target.checked) next.add(id);
                  else next.delete(id);
                  setTicked(next);
                }}
              />
              {name}
            </label>
            <span className="text-secondary text-[12px]">deleted {new Date(binnedAt).toLocaleString()}</span>
            <button
              type="button"
              className="btn btn-xs ml-auto"
              onClick={() => void attempt(`Putting ${name} back`, () => shelf.restore(id))}
            >
              Put back
            </button>
          </li>
        ))}
      </ul>
      {binned.length > MOST && <p className="text-secondary">and {binned.length - MOST} more</p>}
    </section>
  );
}
