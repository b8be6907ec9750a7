import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { placeFootprint } from '../../core/trial/edits';
import { PROCESSES } from '../../core/process';
import { carriedProcess } from '../../core/document/process-file';
import { whyRefused } from '../../store/storage';
import { Bar, BarButton } from '../common/Bar';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { Chips, Heading, Pick, UnitChoice } from '../common/inputs';
import { later } from '../common/later';
import { PageHead } from '../common/PageHead';
import { SaveNote, UndoButtons } from '../common/saving';
import { processes, shelf, trials, wakeStorage } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import { useNarrow } from '../common/useNarrow';
import { EntryInput } from '../fields/EntryInput';
import { useGestureField } from '../fields/useEntry';
import type { LedgerActions, LedgerView } from '../ledger/view';
import { openCount } from '../ledger/effect';
import { Ledger } from '../ledger/Ledger';
import { watchPage } from '../state/tabs';
import { Standpoints } from '../turn/Standpoints';
import { AreaFields, BoardFields } from './BoardFields';
import { footprintFromShelf, matching, newerFootprints } from './library';
import { PartFields } from './PartFields';
import { createTrial, TrialContext, useTrial, useTrialStore, type TrialStore } from './state';
import { stepOf } from './step';
import { TrialSheet } from './TrialSheet';
import { useTrialKeys, KEYS } from './keys';
import { useTrialModels } from './models';

const LedgerDrawer = later('The Ledger', async () => (await import('../ledger/LedgerDrawer')).LedgerDrawer);
const HandOver = later('What can be written', async () => (await import('./HandOver')).HandOver);

/** One trial: its board, its parts, what is found, and what can be written. */
export function Trial({ id }: { id: string }) {
  const [store, setStore] = useState<TrialStore | 'missing' | { readonly fault: string } | null>(null);
  useEffect(() => {
    let left = false;
    const open = async () => {
      await wakeStorage();
      const stored = await trials.get(id);
      const history = stored && (await trials.historyOf(stored));
      if (!left) setStore(stored ? createTrial(stored, history) : 'missing');
    };
    open().catch((error: unknown) => {
      if (!left) setStore({ fault: whyRefused(error) });
    });
    return () => {
      left = true;
    };
  }, [id]);
  if (store === null) return <p className="text-secondary p-10">Opening the trial</p>;
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
      <Place />
    </TrialContext>
  );
}

function Place() {
  const store = useTrialStore();
  const name = useTrial((s) => s.trial.name);
  useTrialKeys();
  useTrialModels();
  useEffect(() => {
    document.title = `${name} · Trial · Tapis`;
  }, [name]);
  useEffect(() => {
    const stop = new AbortController();
    watchPage({ flush: () => store.getState().flush() }, stop.signal);
    return () => {
      stop.abort();
      void store.getState().flush();
    };
  }, [store]);
  return (
    <div className="relative flex h-screen min-w-[840px] flex-col">
      <Head />
      <TroubleBar />
      <SavingBar />
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
      </div>
    </div>
  );
}

function Head() {
  const unit = useTrial((s) => s.unit);
  const set = useTrial((s) => s.set);
  const past = useTrial((s) => s.past.at(-1) ?? null);
  const future = useTrial((s) => s.future[0] ?? null);
  const undo = useTrial((s) => s.undo);
  const redo = useTrial((s) => s.redo);
  const save = useTrial((s) => s.save);
  const [writing, setWriting] = useState(false);
  return (
    <>
      <PageHead
        title="Trial"
        end={
          <>
            <ProcessPick />
            <UnitChoice unit={unit} onChoose={(next) => set({ unit: next })} />
            <button type="button" className="btn btn-sm" onClick={() => setWriting(true)}>
              Hand over
            </button>
            <UndoButtons past={past} future={future} undo={undo} redo={redo} />
            <SaveNote save={save} />
          </>
        }
      >
        <NameEntry />
      </PageHead>
      {writing && <HandOver onClose={() => setWriting(false)} />}
    </>
  );
}

function NameEntry() {
  const name = useTrial((s) => s.trial.name);
  const edit = useTrial((s) => s.edit);
  const abandon = useTrial((s) => s.abandon);
  const field = useGestureField(
    name,
    (text, gesture) => edit([{ at: '/name', value: text.slice(0, 120) || 'Unnamed' }], 'name', gesture),
    abandon,
  );
  return <EntryInput field={field} className="w-64" aria-label="Name of the trial" maxLength={120} />;
}

function ProcessPick() {
  const current = useTrial((s) => s.compiled.process);
  const edit = useTrial((s) => s.edit);
  const own = useLiveQuery(() => processes.list()) ?? [];
  const known = [...PROCESSES, ...own];
  const all = known.some(({ id }) => id === current.id) ? known : [...known, current];
  return (
    <Pick
      className="w-[150px]"
      label="Process of the board"
      value={current.id}
      options={all.map(({ id, name }) => [id, name] as const)}
      onChange={(chosen) => {
        const process = all.find(({ id }) => id === chosen);
        if (!process) return;
        edit(
          [
            { at: '/process', value: process.id },
            { at: '/ownProcess', value: carriedProcess(process) },
          ],
          `process ${process.name}`,
        );
      }}
    />
  );
}

/** What to do when another tab has saved the same trial, or when saving fails. */
function SavingBar() {
  const save = useTrial((s) => s.save);
  const resolve = useTrial((s) => s.resolve);
  if (save.kind === 'failed')
    return (
      <Bar
        tone="error"
        words={`Not saved: ${save.reason}. It is tried again every few seconds; keep this page open.`}
      />
    );
  if (save.kind === 'gone')
    return (
      <Bar tone="warning" words="Another tab has removed this trial for good. It lives in this tab only." />
    );
  if (save.kind !== 'conflict') return null;
  return (
    <Bar
      tone="warning"
      words="Another tab has saved this trial. Nothing of yours is written until you choose."
    >
      <BarButton onPress={() => resolve('theirs')}>Take the other tab’s</BarButton>
      <BarButton onPress={() => resolve('mine')}>Replace it with mine</BarButton>
    </Bar>
  );
}

/** Footprints that the Shelf has newer, and taking them in one action. */
function NewerBar() {
  const trial = useTrial((s) => s.trial);
  const edit = useTrial((s) => s.edit);
  const newer = useLiveQuery(() => newerFootprints(trial), [trial.footprints]) ?? [];
  const [first] = newer;
  if (!first) return null;
  const words =
    newer.length === 1
      ? `${first.name} ${first.why}.`
      : `${newer.length} footprints of this board are newer on the Shelf: ${newer.map(({ name, why }) => `${name} ${why}`).join('; ')}.`;
  return (
    <Bar tone="warning" words={words}>
      <BarButton
        onPress={() =>
          edit(
            newer.map(({ key, footprint }) => ({ at: `/footprints/${key}`, value: footprint })),
            'take newer footprints',
          )
        }
      >
        {newer.length === 1 ? 'Take the newer one' : 'Take the newer ones'}
      </BarButton>
    </Bar>
  );
}

function Column() {
  const selected = useTrial((s) => s.selected);
  const parts = useTrial((s) => s.trial.parts) ?? [];
  const footprints = useTrial((s) => s.trial.footprints) ?? {};
  const compiled = useTrial((s) => s.compiled);
  const set = useTrial((s) => s.set);
  const counts = useMemo(() => {
    const counted = new Map<string, number>();
    for (const { part } of compiled.parts) counted.set(part, (counted.get(part) ?? 0) + 1);
    return counted;
  }, [compiled]);
  return (
    <>
      <h2 className="font-semibold">Parts</h2>
      <AddPart />
      <ul aria-label="Parts on the board">
        {parts.map(({ id, reference, footprint, side }) => (
          <li key={id} className="border-base-300 border-b">
            <button
              type="button"
              aria-pressed={selected === id}
              className={`flex w-full items-baseline gap-2 py-0.5 text-left ${selected === id ? 'bg-base-200 font-semibold' : ''}`}
              onClick={() => set({ selected: selected === id ? null : id })}
            >
              <span className="w-12 shrink-0">
                {reference}
                {(counts.get(id) ?? 1) > 1 && <span className="text-secondary"> ×{counts.get(id)}</span>}
              </span>
              <span className="text-secondary min-w-0 flex-1 truncate text-[12px]">
                {footprints[footprint]?.document.name ?? footprint}
              </span>
              {side === 'bottom' && <span className="text-[12px]">bottom</span>}
              {!counts.has(id) && <span className="text-error text-[12px]">left out</span>}
            </button>
            {selected === id && <PartFields id={id} />}
          </li>
        ))}
      </ul>
      <StepField />
      <Looks />
      <Heading>Board</Heading>
      <BoardFields />
      <AreaFields />
      <Heading>Keys</Heading>
      <dl className="text-secondary grid grid-cols-[76px_1fr] text-[12px]">
        {KEYS.map(({ shown, words }) => (
          <Key key={shown} shown={shown}>
            {words}
          </Key>
        ))}
      </dl>
    </>
  );
}

function Key({ shown, children }: { shown: string; children: ReactNode }) {
  return (
    <>
      <dt>
        <kbd className="kbd kbd-xs">{shown}</kbd>
      </dt>
      <dd>{children}</dd>
    </>
  );
}

/** From where the board is looked at. */
function Looks() {
  const below = useTrial((s) => s.below);
  const fourth = useTrial((s) => s.fourth);
  const look = useTrial((s) => s.look);
  const set = useTrial((s) => s.set);
  return (
    <>
      <Heading>Views</Heading>
      <Chips
        label="Plan from"
        value={below}
        options={PLANS}
        onChoose={(next) => set({ below: next })}
        className="text-[12px]"
      />
      <p className="text-secondary mt-1.5 text-[12px]">3D from</p>
      <Standpoints
        from={fourth === 'turn' ? look.from : null}
        onChoose={(from) => set({ look: { from, count: look.count + 1 }, fourth: 'turn' })}
      />
    </>
  );
}

const PLANS = [
  [false, 'plan from above'],
  [true, 'plan from below'],
] as const;

/** Arrow keys and dragging keep to this step. */
function StepField() {
  const step = useTrial((s) => s.step);
  const unit = useTrial((s) => s.unit);
  const set = useTrial((s) => s.set);
  const wrong = stepOf(step, unit) === null;
  return (
    <label className="mt-2 flex items-center gap-2">
      <span className="w-[88px] shrink-0">Step</span>
      <span className="relative inline-block w-[104px]">
        <input
          className={`bg-base-100 w-full border px-1 pr-7 text-right ${wrong ? 'border-error' : 'border-base-300'}`}
          aria-label="Step of arrow keys and dragging"
          aria-invalid={wrong || undefined}
          value={step}
          onChange={({ target }) => set({ step: target.value })}
        />
        <span className="text-secondary pointer-events-none absolute inset-y-0 right-1 flex items-center text-[12px]">
          {unit}
        </span>
      </span>
    </label>
  );
}

/** Footprints that are offered at once. */
const OFFERED = 8;

/** Placing a footprint of the Shelf: some letters of its name, and Enter or a press. */
function AddPart() {
  const store = useTrialStore();
  const [query, setQuery] = useState('');
  const [isOpen, setOpen] = useState(false);
  const entries = useLiveQuery(() => shelf.entries(), []) ?? [];
  const found = matching(entries, query);
  const place = (id: string) =>
    void attempt('Placing a footprint', async () => {
      const footprint = await footprintFromShelf(id);
      if (!footprint) return;
      const { compiled, edit, set } = store.getState();
      const placed = placeFootprint(compiled, footprint);
      edit(placed.edits, `place ${footprint.document.name}`);
      set({ selected: placed.id });
      setQuery('');
      setOpen(false);
    });
  return (
    <div
      className="relative py-1"
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget)) setOpen(false);
      }}
    >
      <input
        type="search"
        id="add-part"
        className="input input-sm w-full"
        placeholder="Place a footprint of the Shelf"
        aria-label="Place a footprint of the Shelf"
        role="combobox"
        aria-expanded={isOpen}
        aria-controls="add-part-list"
        value={query}
        onFocus={() => setOpen(true)}
        onChange={({ target }) => {
          setQuery(target.value);
          setOpen(true);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && found[0]) place(found[0].id);
          if (event.key === 'Escape') {
            setOpen(false);
            event.currentTarget.blur();
          }
        }}
      />
      {isOpen && (
        <ul
          id="add-part-list"
          className="border-base-300 bg-base-100 absolute inset-x-0 z-10 border shadow-lg"
          aria-label="Footprints of the Shelf"
        >
          {found.slice(0, OFFERED).map(({ id, name }) => (
            <li key={id}>
              <button
                type="button"
                className="hover:bg-base-200 w-full truncate px-2 py-0.5 text-left"
                onClick={() => place(id)}
              >
                {name}
              </button>
            </li>
          ))}
          <li className="text-secondary px-2 py-0.5 text-[12px]">
            {entries.length === 0
              ? 'The Shelf is empty: make a footprint or take the demo first.'
              : found.length === 0
                ? `No footprint is called “${query}”.`
                : found.length > OFFERED
                  ? `${found.length - OFFERED} more: type on`
                  : 'Enter places the first'}
          </li>
        </ul>
      )}
    </div>
  );
}

function TrialLedger() {
  const store = useTrialStore();
  const report = useTrial((s) => s.report);
  const checking = useTrial((s) => s.checking);
  const unit = useTrial((s) => s.unit);
  const finding = useTrial((s) => s.finding);
  const preview = useTrial((s) => s.preview);
  const isOpen = useTrial((s) => s.ledgerOpen);
  const narrow = useNarrow();
  const view: LedgerView = {
    report,
    checking,
    drawable: null,
    unit,
    selectedFinding: finding,
    selectedLand: null,
    explains: false,
    change: null,
    previewed: preview && { remedy: preview.remedy, changes: [], open: openCount(preview.report) },
  };
  const actions = useMemo((): LedgerActions => {
    const state = () => store.getState();
    return {
      open(index) {
        const found = state().report.findings[index];
        const [part] = found?.place.parts ?? [];
        const own = state().compiled.parts.find(({ id }) => id === part)?.part;
        state().set({ finding: index, selected: own ?? state().selected });
      },
      preview: (remedy) => state().setPreview(remedy),
      edit: (edits) => state().edit(edits, state().preview?.remedy.label ?? 'remedy'),
      goTo: () => undefined,
      point: () => undefined,
      putAway: () => undefined,
    };
  }, [store]);
  const ledger = <Ledger view={view} actions={actions} />;
  if (!narrow) return ledger;
  return (
    <LedgerDrawer
      report={report}
      isOpen={isOpen}
      onToggle={(open) => store.getState().set({ ledgerOpen: open })}
    >
      {ledger}
    </LedgerDrawer>
  );
}
