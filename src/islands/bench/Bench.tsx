import { useLiveQuery } from 'dexie-react-hooks';
import {
  useContext,
  useEffect,
  useRef,
  useState,
  type ComponentType,
  type DragEvent,
  type ReactNode,
} from 'react';
import { navigate } from 'wouter/use-browser-location';
import type { TapisDocument } from '../../core/document/document';
import type { Stage } from '../../core/document/finding';
import { entryOf, writtenEntry } from '../../core/document/entries';
import { whyRefused } from '../../store/storage';
import { BarButton } from '../common/Bar';
import { handedFile } from '../common/handed';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { later } from '../common/later';
import { kin, shelf, wakeStorage } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import { useShortcuts } from '../commands/shortcuts';
import { warmReader } from '../model/in-worker';
import { useStoredModel } from '../model/useModel';
import { NoLedger } from '../ledger/NoLedger';
import { Sheet } from '../sheet/Sheet';
import { goOnWords } from '../state/lock-words';
import { BenchContext, benchFields, useBench } from '../state/context';
import { StageRail } from './StageRail';
import { Gallery, Measure } from './stages/Measure';
import { loadReader, openBench, type BenchStore } from '../state/bench';
import { FieldContext } from '../state/fields';
import { openedBench } from '../state/opened';
import { STAGE_NAMES } from '../state/stages';
import { useRevisions } from '../state/useRevisions';
import { removedDocument } from '../state/workplace';
import { RefusalBar, SavingBar } from '../state/WorkplaceBars';
import { TopBar } from './TopBar';
import { loadSheets, usePrinting } from './usePrinting';
import { usePastedSheet } from './usePastedSheet';
import { useSheet } from './useSheet';

const SourcePanel = later('The datasheet', async () => (await import('../source/SourcePanel')).SourcePanel);
const SourcePeek = later('The datasheet', async () => (await import('../source/SourcePeek')).SourcePeek);
const CommandList = later(
  'The list of commands',
  async () => (await import('../commands/CommandList')).CommandList,
);
const TakeIn = later('Taking patterns in', async () => (await import('../intake/TakeIn')).TakeIn);
const Brought = later('What was dropped', async () => (await import('./Brought')).Brought);
const HeldBar = later('The second opinion', async () => (await import('./HeldBar')).HeldBar);
const BenchLedger = later(
  'The Ledger',
  async () => (await import('./BenchLedger')).BenchLedger,
  <NoLedger />,
);
const RevisionLine = later('The revisions', async () => (await import('./RevisionLine')).RevisionLine);
const SharedBar = later('What came by a link', async () => (await import('./SharedBar')).SharedBar);
const KinBar = later('The variants', async () => (await import('./KinBar')).KinBar);

/** The columns; those behind the first one are loaded once that is drawn. */
const STAGES = {
  measure: Measure,
  land: later('This stage', async () => (await import('./stages/Land')).Land),
  stack: later('This stage', async () => (await import('./stages/Stack')).Stack),
  mark: later('This stage', async () => (await import('./stages/Mark')).Mark),
  rise: later('This stage', async () => (await import('./stages/Rise')).Rise),
  prove: later('This stage', async () => (await import('./stages/Prove')).Prove),
  release: later('This stage', async () => (await import('./stages/Release')).Release),
} as const satisfies Readonly<Record<Stage, ComponentType>>;

/** How long after its first drawing the Bench looks ahead, ms. */
const AHEAD = 700;

/** Loads what is soon asked for. */
function useLoadAhead(): void {
  useEffect(() => {
    const wish = setTimeout(() => {
      loadReader().catch(() => {});
      loadSheets().catch(() => {});
      Gallery.ahead();
      CommandList.ahead();
      for (const column of Object.values(STAGES)) if ('ahead' in column) column.ahead();
    }, AHEAD);
    return () => clearTimeout(wish);
  }, []);
}

interface Props {
  /** Of the footprint. */
  id: string;
  /** As the address names it; Measure where it names none. */
  stage: string | undefined;
}

const NOT_LOADED =
  'What draws this package could not be loaded: the server that gave this page does not answer. Nothing of the footprint is lost.';

/** The Bench of one footprint, opened by its id. */
export function Bench({ id, stage }: Props) {
  const [store, setStore] = useState<BenchStore | 'missing' | 'binned' | { readonly fault: string } | null>(
    null,
  );
  const [tries, setTries] = useState(0);
  const asked = useRef(stage);
  useEffect(() => {
    let left = false;
    const open = async () => {
      await wakeStorage();
      const stored = (await shelf.get(id)) ?? removedDocument<TapisDocument>(id);
      if (left) return;
      if (!stored || stored.binnedAt > 0) return setStore(stored ? 'binned' : 'missing');
      const history = await shelf.historyOf(stored);
      if (left) return;
      const bench = await openBench(stored, history);
      if (left) return;
      if (!bench) return setStore({ fault: NOT_LOADED });
      bench.getState().set({ stage: stageOf(asked.current) });
      setStore(bench);
    };
    open().catch((error: unknown) => {
      if (!left) setStore({ fault: `This browser’s storage cannot be read: ${whyRefused(error)}.` });
    });
    return () => {
      left = true;
    };
  }, [id, tries]);
  useEffect(() => {
    openedBench.setState({
      bench: store !== null && typeof store === 'object' && 'getState' in store ? store : null,
    });
    return () => openedBench.setState({ bench: null });
  }, [store]);
  if (store === null) return <p className="text-secondary p-10">Opening the footprint</p>;
  if (store === 'binned')
    return (
      <NotOpened why="This footprint is in the bin.">
        <button
          type="button"
          className="btn btn-sm btn-primary"
          onClick={() =>
            void attempt('Putting it back', () => shelf.restore(id)).then(() => setTries(tries + 1))
          }
        >
          Put it back and open it
        </button>
      </NotOpened>
    );
  if (store === 'missing')
    return (
      <NotOpened why="There is no such footprint on this browser’s Shelf. It was made in another browser, at another address, or was removed for good." />
    );
  if ('fault' in store)
    return (
      <NotOpened why={store.fault}>
        <button type="button" className="btn btn-sm btn-primary" onClick={() => setTries(tries + 1)}>
          Try again
        </button>
      </NotOpened>
    );
  return (
    <BenchContext value={store}>
      <FieldContext value={benchFields(store)}>
        <Place stage={stage} />
      </FieldContext>
    </BenchContext>
  );
}

function NotOpened({ why, children }: { why: string; children?: ReactNode }) {
  return (
    <main className="flex flex-col items-start gap-3 p-10 text-[15px]">
      <TroubleBar />
      <p>{why}</p>
      {children}
      <a className="link" href="/">
        Go to the Shelf
      </a>
    </main>
  );
}

/** The stage that an address names; Measure where it names none that there is. */
function stageOf(place: string | undefined): Stage {
  return STAGE_NAMES.find(([stage]) => stage === place)?.[0] ?? 'measure';
}

/** The stage is part of the address: Back and Forward go through stages. */
function useStageAddress(place: string | undefined): void {
  const id = useBench((s) => s.id);
  const stage = useBench((s) => s.stage);
  const set = useBench((s) => s.set);
  const shown = useRef<Stage>(stage);
  useEffect(() => {
    shown.current = stageOf(place);
    set({ stage: shown.current });
  }, [place, set]);
  useEffect(() => {
    if (stage !== shown.current) navigate(stage === 'measure' ? `/bench/${id}` : `/bench/${id}/${stage}`);
  }, [stage, id]);
}

/** An address may name a dimension (`#entry-E`) or a land (`#land=…`): it is gone to once. */
function useNamedPart(): void {
  const store = useContext(BenchContext);
  useEffect(() => {
    const part = decodeURIComponent(location.hash.slice(1));
    if (part === '' || !store) return;
    history.replaceState(history.state, '', location.pathname);
    const { set, derived, pressLand } = store.getState();
    if (part.startsWith('land=')) {
      const lands = derived.shown?.drawable.footprint.lands ?? [];
      const index = lands.findIndex(({ id }) => `land=${id}` === part);
      if (index >= 0) pressLand(index);
    } else if (part.startsWith('entry-')) {
      set({ activeDimension: part.slice('entry-'.length) });
      requestAnimationFrame(() => document.getElementById(part)?.focus());
    }
  }, [store]);
}

/** A datasheet that was dropped elsewhere for this footprint is read. */
function useHanded(): void {
  const id = useBench((s) => s.id);
  const set = useBench((s) => s.set);
  useEffect(() => {
    const file = handedFile(id);
    if (file) set({ stage: 'measure', source: { kind: 'file', file } });
  }, [id, set]);
}

/** Whether files are dragged, and not a text between fields. */
function holdsFiles({ dataTransfer }: DragEvent): boolean {
  return dataTransfer.types.includes('Files');
}

function Place({ stage: place }: { stage: string | undefined }) {
  useStageAddress(place);
  useNamedPart();
  useLoadAhead();
  const stage = useBench((s) => s.stage);
  const name = useBench((s) => s.document.name);
  const isWide = useBench((s) => s.pinsOpen && s.stage === 'mark');
  const wish = useBench((s) => s.source);
  const id = useBench((s) => s.id);
  const [intake, setIntake] = useState<readonly File[] | null>(null);
  const [brought, setBrought] = useState<File | null>(null);
  const commandsOpen = useBench((s) => s.commandsOpen);
  usePastedSheet();
  useHanded();
  useShortcuts();
  usePrinting();
  useStoredModel();
  const store = useContext(BenchContext);
  useEffect(() => store?.getState().watch(), [store]);
  const set = useBench((s) => s.set);
  useEffect(() => {
    const [, words = ''] = STAGE_NAMES.find(([each]) => each === stage) ?? [];
    document.title = `${name} · ${words} · Tapis`;
  }, [name, stage]);
  const isDrawn = useDrawn();
  const Column = STAGES[stage];
  const takeDropped = async (files: readonly File[]) => {
    const { placeDropped } = await import('./dropped');
    await placeDropped(files, { set, onPatterns: setIntake, onDocuments: setBrought });
  };
  return (
    <div
      className="relative flex h-screen min-w-[840px] flex-col"
      // a file that is let go anywhere must not take the page's place
      onDragEnter={(event) => {
        if (holdsFiles(event)) warmReader();
      }}
      onDragOver={(event) => {
        if (holdsFiles(event)) event.preventDefault();
      }}
      onDrop={(event) => {
        if (!holdsFiles(event)) return;
        event.preventDefault();
        void takeDropped([...event.dataTransfer.files]);
      }}
    >
      <TopBar />
      <TroubleBar />
      <Saving />
      <FromLink />
      <Kin />
      <Patterns />
      <div className="relative flex min-h-0 flex-1">
        <StageRail />
        {wish ? (
          <ErrorBoundary part="The datasheet">
            <SourcePanel wish={wish} />
          </ErrorBoundary>
        ) : (
          <main
            className={`border-base-300 bg-base-100 ${isWide ? 'w-[500px]' : 'w-[300px]'} shrink-0 overflow-y-auto border-r px-3 py-3`}
            aria-label={stage}
          >
            <ErrorBoundary key={stage} part="This stage">
              <Column />
            </ErrorBoundary>
          </main>
        )}
        <ErrorBoundary part="The Sheet">
          <div className="flex min-h-0 min-w-0 flex-1 flex-col">
            <Revisions />
            <BenchSheet />
          </div>
        </ErrorBoundary>
        <Refusal />
        <Peek />
        <ErrorBoundary part="The Ledger">{isDrawn ? <BenchLedger /> : <NoLedger />}</ErrorBoundary>
      </div>
      {commandsOpen && <CommandList />}
      {intake && <TakeIn files={intake} against={{ id, name }} onClose={() => setIntake(null)} />}
      {brought && <Brought file={brought} onClose={() => setBrought(null)} />}
    </div>
  );
}

/** Whether the browser has painted since: what follows the first drawing is not asked for before. */
function useDrawn(): boolean {
  const [isDrawn, setDrawn] = useState(false);
  useEffect(() => {
    let task: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      task = setTimeout(() => setDrawn(true));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(task);
    };
  }, []);
  return isDrawn;
}

/** The kept revisions of what stands on the Bench, where there are any. */
function Revisions() {
  return useRevisions().length > 0 ? <RevisionLine /> : null;
}

/** What came by a link. */
function FromLink() {
  return useBench((s) => s.locked === 0) ? <SharedBar /> : null;
}

/** Original and variants of what stands on the Bench, where it has any. */
function Kin() {
  const id = useBench((s) => s.id);
  const isKin = useLiveQuery(() => kin.isKin(id), [id]);
  return isKin ? <KinBar /> : null;
}

/** Patterns of others that are held against what stands on the Bench, and what it is held against itself. */
function Patterns() {
  const id = useBench((s) => s.id);
  const isHeld = useLiveQuery(async () => {
    const [own, others] = await Promise.all([shelf.get(id), shelf.heldAgainst(id)]);
    return own?.against !== undefined || others.length > 0;
  }, [id]);
  return isHeld ? <HeldBar /> : null;
}

/** The place in the datasheet that the number comes from which is pointed at. */
function Peek() {
  const isReading = useBench((s) => s.source !== null);
  const active = useBench((s) => s.activeDimension);
  const from = useBench(({ document }) =>
    active === null ? null : writtenEntry(entryOf(document, active)).from,
  );
  return !isReading && from && active !== null ? <SourcePeek symbol={active} from={from} /> : null;
}

/** Why a change was not taken, and going on where what is approved is not changed. */
function Refusal() {
  const refusal = useBench((s) => s.refusal);
  const locked = useBench((s) => s.locked);
  const goOn = useBench((s) => s.goOn);
  const set = useBench((s) => s.set);
  return (
    <RefusalBar refusal={refusal} onClose={() => set({ refusal: null })}>
      {locked !== null && (
        <BarButton onPress={() => void attempt('Going on', goOn)}>{goOnWords(locked)}</BarButton>
      )}
    </RefusalBar>
  );
}

/** How saving stands, where that is a trouble. */
function Saving() {
  const work = useBench((s) => s);
  const file = async () => (await import('../common/document-file')).documentFile(work.document);
  return <SavingBar work={work} noun="footprint" home="on the Shelf" file={file} />;
}

function BenchSheet() {
  return <Sheet {...useSheet()} />;
}
