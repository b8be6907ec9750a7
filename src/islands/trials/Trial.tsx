import { useEffect, useState } from 'react';
import { whyRefused } from '../../store/storage';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { trials, wakeStorage } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import type { TrialDocument } from '../../core/document/trial';
import { FieldContext } from '../state/fields';
import { removedDocument } from '../state/workplace';
import { RefusalBar, SavingBar } from '../state/WorkplaceBars';
import { Column } from './Column';
import { Head, NewerBar } from './Head';
import { useTrialKeys } from './keys';
import { useTrialModels } from './models';
import {
  createTrial,
  loadTrialReader,
  TrialContext,
  trialFields,
  useTrial,
  useTrialStore,
  type TrialStore,
} from './state';
import { TrialLedger } from './TrialLedger';
import { TrialSheet } from './TrialSheet';

/** One trial: its board, its parts, what is found, and what can be written. */
export function Trial({ id }: { id: string }) {
  const [store, setStore] = useState<TrialStore | 'missing' | 'binned' | { readonly fault: string } | null>(
    null,
  );
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let left = false;
    const open = async () => {
      await wakeStorage();
      const stored = (await trials.get(id)) ?? removedDocument<TrialDocument>(id);
      const history = stored && (await trials.historyOf(stored));
      if (left) return;
      if (!stored || stored.binnedAt > 0) return setStore(stored ? 'binned' : 'missing');
      setStore(createTrial(stored, history));
      loadTrialReader().catch(() => {});
    };
    open().catch((error: unknown) => {
      if (!left) setStore({ fault: whyRefused(error) });
    });
    return () => {
      left = true;
    };
  }, [id, tries]);
  if (store === null) return <p className="text-secondary p-10">Opening the trial</p>;
  if (store === 'binned')
    return (
      <main className="flex flex-col items-start gap-3 p-10 text-[15px]">
        <TroubleBar />
        <p>This trial is in the bin.</p>
        <button
          type="button"
          className="btn btn-sm btn-primary"
          onClick={() =>
            void attempt('Putting it back', () => trials.restore(id)).then(() => setTries(tries + 1))
          }
        >
          Put it back and open it
        </button>
        <a className="link" href="/trials">
          Go to the trials
        </a>
      </main>
    );
  if (store === 'missing' || 'fault' in store)
    return (
      <main className="flex flex-col items-start gap-3 p-10 text-[15px]">
        <p>
          {store === 'missing'
            ? 'There is no such trial in this browser: it was made in another browser or removed.'
            : `This browser’s storage cannot be read: ${store.fault}.`}
        </p>
        <a className="link" href="/trials">
          Go to the trials
        </a>
      </main>
    );
  return (
    <TrialContext value={store}>
      <FieldContext value={trialFields(store)}>
        <Place />
      </FieldContext>
    </TrialContext>
  );
}

function Place() {
  const store = useTrialStore();
  const name = useTrial((s) => s.document.name);
  useTrialKeys();
  useTrialModels();
  useEffect(() => {
    document.title = `${name} · Trial · Tapis`;
  }, [name]);
  useEffect(() => store.getState().watch(), [store]);
  const drop = async ([file]: readonly File[]) => {
    const { edit, set } = store.getState();
    if (!file) return;
    if (!/\.dxf$/i.test(file.name))
      return set({
        refusal: `${file.name} has no place on a board: a DXF file gives it its outline, everything else is taken in on the Shelf.`,
      });
    await attempt('Reading the outline', async () => {
      const { outlineOfFile } = await import('./outline');
      const { text } = await outlineOfFile(file);
      edit([{ at: '/board/outline', value: text }], undefined, `outline from ${file.name}`);
    });
  };
  return (
    <div
      className="relative flex h-screen min-w-[840px] flex-col overflow-hidden"
      // a file that is let go anywhere must not take the page's place
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes('Files')) event.preventDefault();
      }}
      onDrop={(event) => {
        if (!event.dataTransfer.types.includes('Files')) return;
        event.preventDefault();
        void drop([...event.dataTransfer.files]);
      }}
    >
      <Head />
      <TroubleBar />
      <Saving />
      <NewerBar />
      <div className="relative flex min-h-0 flex-1">
        <main
          className="border-base-300 bg-base-100 w-[300px] shrink-0 overflow-y-auto border-r px-3 py-3"
          aria-label="Trial"
        >
          <Column />
        </main>
        <ErrorBoundary part="The Sheet">
          <TrialSheet />
        </ErrorBoundary>
        <ErrorBoundary part="The Ledger">
          <TrialLedger />
        </ErrorBoundary>
        <Refusal />
      </div>
    </div>
  );
}

/** How saving stands, where that is a trouble. */
function Saving() {
  const work = useTrial((s) => s);
  const file = async () => (await import('./trial-file')).trialFile(work.document);
  return <SavingBar work={work} noun="trial" home="among the trials" file={file} />;
}

/** Why a change was not taken. */
function Refusal() {
  const refusal = useTrial((s) => s.refusal);
  const set = useTrial((s) => s.set);
  return <RefusalBar refusal={refusal} onClose={() => set({ refusal: null })} />;
}
