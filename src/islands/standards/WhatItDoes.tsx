import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useState } from 'react';
import type { TapisDocument } from '../../core/document/document';
import type { Kept } from '../../core/library/facts';
import type { Prospect } from '../../core/library/change';
import type { StandardDocument } from '../../core/standard/standard';
import { Changing } from '../changing/Changing';
import { saidChanges } from '../changing/change-words';
import { Verdict } from '../changing/ManyDialog';
import { Pick } from '../common/inputs';
import { askWorker, newWorker } from '../common/job';
import { groups as groupStore, shelf } from '../common/shelf-store';
import { counted } from '../common/words';
import { Drawing } from '../sheet/CardDrawing';

/** What a standard makes of one footprint. */
interface Seen {
  readonly prospect: Prospect | null;
  readonly made: Kept | null;
}

/** What a standard does: to the part that one came from at once, to a group or the whole Shelf on demand. */
export function WhatItDoes({ standard }: { standard: StandardDocument }) {
  const entries = useLiveQuery(() => shelf.entries()) ?? [];
  const groups = useLiveQuery(() => groupStore.list()) ?? [];
  const asked = new URLSearchParams(location.search).get('part');
  const [chosen, setChosen] = useState(asked ?? '');
  const part =
    entries.find(({ id }) => id === chosen) ?? entries.find(({ base }) => base === undefined) ?? entries[0];
  const seen = useSeen(standard, part?.id ?? null);
  const [looking, setLooking] = useState<readonly string[] | null>(null);
  const [reach, setReach] = useState('all');
  const idsFor = (where: string) =>
    entries.filter(({ group }) => where === 'all' || group === where).map(({ id }) => id);
  return (
    <aside
      className="border-base-300 bg-base-100 w-[270px] shrink-0 overflow-y-auto border-l px-3 py-3"
      aria-label="What it does"
      tabIndex={0}
    >
      <h2 className="text-[15px] font-semibold">What it does</h2>
      {entries.length === 0 ? (
        <p className="text-secondary mt-1">
          With a footprint on the Shelf, each change shows here at once what it does to it.
        </p>
      ) : (
        <>
          <Pick
            className="mt-1 w-full"
            label="Sample part"
            value={part?.id ?? ''}
            options={entries.map(({ id, name }) => [id, name] as const)}
            onChange={setChosen}
          />
          <div aria-live="polite">
            {seen?.made?.drawing && (
              <div className="mt-2 flex max-h-48 justify-center overflow-hidden">
                <Drawing
                  drawing={seen.made.drawing}
                  of={part?.name ?? ''}
                  height={Math.min(180, seen.made.drawing.height)}
                />
              </div>
            )}
            {seen?.made && (
              <p className="mt-1 text-[12px]">
                <span className="text-secondary">It is called </span>
                <b className="font-semibold break-all">{seen.made.facts.standardName}</b>
              </p>
            )}
            {seen?.prospect ? (
              <>
                <p className="mt-1">
                  <Verdict verdict={seen.prospect.before} /> → <Verdict verdict={seen.prospect.after} />
                </p>
                <p className="mt-1 text-[13px]">{saidChanges(seen.prospect.changes)}</p>
              </>
            ) : (
              seen && <p className="text-secondary mt-1">Nothing of this part changes.</p>
            )}
          </div>
          <h3 className="border-base-300 mt-4 border-t pt-2 font-semibold">To many</h3>
          <Pick
            className="mt-1 w-full"
            label="Which footprints"
            value={reach}
            options={[['all', 'the whole Shelf'], ...groups.map(({ id, name }) => [id, name] as const)]}
            onChange={setReach}
          />
          <button
            type="button"
            className="btn btn-sm mt-1 w-full"
            disabled={idsFor(reach).length === 0}
            onClick={() => setLooking(idsFor(reach))}
          >
            Look at {counted(idsFor(reach).length, 'footprint')}
          </button>
          <p className="text-secondary mt-1 text-[12px]">
            A table of what would move and of findings that come and go; nothing is written before you say so.
          </p>
        </>
      )}
      {looking && <Changing wish={{ standard }} ids={looking} onClose={() => setLooking(null)} />}
    </aside>
  );
}

/** What a standard makes of a footprint, worked out beside the page a moment after the last change. */
function useSeen(standard: StandardDocument, id: string | null): Seen | null {
  const [seen, setSeen] = useState<Seen | null>(null);
  useEffect(() => {
    if (id === null) return;
    let left = false;
    const worker = newWorker();
    const look = async () => {
      const [row] = await shelf.getAll([id]);
      if (!row || left) return;
      const { document } = row;
      const next: TapisDocument = { ...document, standard };
      const ask = (one: TapisDocument) =>
        askWorker(worker, 'facts', { footprints: [{ id, revision: 0, document: one, model: null }] });
      const [changed, facts] = [
        await askWorker(worker, 'change', {
          wish: { standard },
          footprints: [{ id, document, model: null }],
        }),
        await ask(next),
      ];
      if (left) return;
      setSeen({ prospect: changed?.[0]?.prospect ?? null, made: facts?.[0] ?? null });
    };
    void look().finally(() => worker.terminate());
    return () => {
      left = true;
      worker.terminate();
    };
  }, [standard, id]);
  return seen;
}
