import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { newTrial, type TrialDocument } from '../../core/document/trial';
import { compileTrial } from '../../core/trial/compile';
import { drawBoard } from '../../core/trial/drawing';
import type { StoredTrial } from '../../store/database';
import { NoteBar, tellNote } from '../common/note';
import { PageHead } from '../common/PageHead';
import { trials } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import { Strokes } from '../sheet/Strokes';
import { whenMade } from '../common/words';

/** All trials of this browser. */
export function Trials() {
  const all = useLiveQuery(() => trials.rows(), []);
  const binned = useLiveQuery(() => trials.binned(), []) ?? [];
  const [refused, setRefused] = useState<string | null>(null);
  useEffect(() => {
    document.title = 'Trials · Tapis';
  }, []);
  const begin = (trial: TrialDocument) =>
    void attempt('Making a trial', async () => navigate(`/trial/${(await trials.add(trial)).id}`));
  const take = async (file: File | undefined) => {
    if (!file) return;
    const { takeTrial } = await import('../common/trial-file');
    await attempt('Reading the trial', async () => {
      const taken = await takeTrial(file);
      setRefused('refused' in taken ? taken.refused.map(({ message }) => message).join(' ') : null);
      if ('stored' in taken) navigate(`/trial/${taken.stored.id}`);
    });
  };
  return (
    <div className="flex min-h-screen min-w-[840px] flex-col">
      <PageHead
        title="Trials"
        end={
          <>
            <button
              type="button"
              className="btn btn-sm btn-primary"
              onClick={() => begin(newTrial(freeName(all ?? [])))}
            >
              New trial
            </button>
            <label className="btn btn-sm relative">
              Import
              <input
                type="file"
                accept=".json"
                className="sr-only"
                aria-label="File with a trial"
                onChange={({ target }) => {
                  void take(target.files?.[0]);
                  target.value = '';
                }}
              />
            </label>
          </>
        }
      />
      <TroubleBar />
      <NoteBar />
      {refused && (
        <p role="alert" className="border-error border-l-4 px-4 py-1.5">
          {refused}
        </p>
      )}
      <main className="p-4">
        {all?.length === 0 && (
          <p className="max-w-[60ch] text-[15px]">
            A trial is a small board on which footprints of the Shelf are proved: against one another, the
            edge, the cover. There is none yet; make a new one, or put the demo on the Shelf, which brings the
            board of the tide-gauge logger.
          </p>
        )}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(260px,1fr))] gap-3" aria-label="Trials">
          {(all ?? []).map((stored) => (
            <TrialCard key={stored.id} stored={stored} />
          ))}
        </ul>
        {binned.length > 0 && (
          <details className="mt-4">
            <summary className="text-secondary cursor-pointer">In the bin: {binned.length}</summary>
            <ul>
              {binned.map(({ id, document: trial }) => (
                <li key={id} className="flex gap-3">
                  {trial.name}
                  <button
                    type="button"
                    className="link"
                    onClick={() => void attempt('Putting it back', () => trials.restore(id))}
                  >
                    Put back
                  </button>
                  <button
                    type="button"
                    className="link text-error"
                    onClick={() => void attempt('Removing it', () => trials.remove(id))}
                  >
                    Remove for good
                  </button>
                </li>
              ))}
            </ul>
          </details>
        )}
      </main>
    </div>
  );
}

function freeName(all: readonly StoredTrial[]): string {
  const taken = new Set(all.map(({ document }) => document.name));
  for (let i = 1; ; i += 1) {
    const name = i === 1 ? 'New trial' : `New trial ${i}`;
    if (!taken.has(name)) return name;
  }
}

function TrialCard({ stored: { id, document: trial, updatedAt } }: { stored: StoredTrial }) {
  const compiled = useMemo(() => compileTrial(trial), [trial]);
  const { strokes, extent } = useMemo(() => drawBoard(compiled), [compiled]);
  const { minX, minY, maxX, maxY } = extent;
  const remove = () =>
    void attempt('Deleting the trial', async () => {
      await trials.bin(id);
      tellNote({
        words: `${trial.name} is in the bin.`,
        takeBack: {
          words: 'Put it back',
          act: async () => {
            await trials.restore(id);
            return `${trial.name} is back.`;
          },
        },
      });
    });
  return (
    <li className="border-base-300 bg-base-100 flex flex-col border">
      <a href={`/trial/${id}`} className="block p-2" title={`Open ${trial.name}`}>
        <svg
          viewBox={`${minX - 1} ${-maxY - 1} ${maxX - minX + 2} ${maxY - minY + 2}`}
          className="layers h-36 w-full"
          aria-hidden="true"
        >
          <g className="drawing">
            <Strokes strokes={strokes.filter(({ layer }) => SHOWN.has(layer))} />
          </g>
        </svg>
        <span className="font-semibold">{trial.name}</span>
      </a>
      <p className="text-secondary flex gap-2 px-2 pb-1.5 text-[12px]">
        <span>
          {Math.round(maxX * 100) / 100} × {Math.round(maxY * 100) / 100} mm · {compiled.parts.length} parts ·{' '}
          {whenMade(updatedAt)}
        </span>
        <button
          type="button"
          className="hover:text-error ml-auto"
          onClick={remove}
          aria-label={`Delete ${trial.name}`}
        >
          Delete
        </button>
      </p>
    </li>
  );
}

/** What is seen of a board as small as a card. */
const SHOWN: ReadonlySet<string> = new Set([
  'board',
  'copper',
  'body',
  'hole',
  'plated-hole',
  'legend',
  'other-side',
]);
