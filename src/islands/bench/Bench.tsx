import { useContext, useEffect, useState, type DragEvent } from 'react';
import type { Stage } from '../../core/document/finding';
import { ErrorBoundary } from '../common/ErrorBoundary';
import { shelf } from '../common/shelf-store';
import { CommandList } from '../commands/CommandList';
import { useShortcuts } from '../commands/shortcuts';
import { Ledger } from '../ledger/Ledger';
import { warmReader } from '../model/in-worker';
import { useStoredModel } from '../model/useModel';
import { Sheet } from '../sheet/Sheet';
import { BenchContext, useBench } from '../state/context';
import { ConflictBar } from './ConflictBar';
import { StageRail } from './StageRail';
import { Land } from './stages/Land';
import { Mark } from './stages/Mark';
import { Measure } from './stages/Measure';
import { Prove } from './stages/Prove';
import { Release } from './stages/Release';
import { Rise } from './stages/Rise';
import { Stack } from './stages/Stack';
import { createBench, type BenchStore } from '../state/bench';
import { TopBar } from './TopBar';
import { useLedger } from './useLedger';
import { useSheet } from './useSheet';

const STAGES: Readonly<Record<Stage, () => React.JSX.Element>> = {
  measure: Measure,
  land: Land,
  stack: Stack,
  mark: Mark,
  rise: Rise,
  prove: Prove,
  release: Release,
};

/** The Bench of one footprint, opened by its id. */
export function Bench({ id }: { id: string }) {
  const [store, setStore] = useState<BenchStore | 'missing' | string | null>(null);
  useEffect(() => {
    let left = false;
    shelf.get(id).then(
      (stored) => {
        if (!left) setStore(stored && stored.binnedAt === 0 ? createBench(stored) : 'missing');
      },
      (error: unknown) => {
        if (!left) setStore(`This browser’s storage cannot be read: ${String(error)}.`);
      },
    );
    return () => {
      left = true;
    };
  }, [id]);
  if (store === null) return <p className="text-secondary p-10">Opening the footprint</p>;
  if (typeof store === 'string') {
    const text =
      store === 'missing'
        ? 'There is no such footprint on this browser’s Shelf; it may be in the bin.'
        : store;
    return (
      <main className="p-10 text-[15px]">
        <p>{text}</p>
        <a className="link" href="/">
          Go to the Shelf
        </a>
      </main>
    );
  }
  return (
    <ErrorBoundary>
      <BenchContext value={store}>
        <Workplace />
      </BenchContext>
    </ErrorBoundary>
  );
}

/** Whether files are dragged, and not a text between fields. */
function holdsFiles({ dataTransfer }: DragEvent): boolean {
  return dataTransfer.types.includes('Files');
}

function Workplace() {
  const stage = useBench((s) => s.stage);
  const name = useBench((s) => s.document.name);
  useShortcuts();
  useStoredModel();
  const store = useContext(BenchContext);
  useEffect(() => store?.getState().watch(), [store]);
  const set = useBench((s) => s.set);
  useEffect(() => {
    document.title = `${name} · Tapis`;
  }, [name]);
  const Column = STAGES[stage];
  return (
    <div
      className="flex h-screen min-w-[1024px] flex-col"
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
        const [file] = event.dataTransfer.files;
        if (file) set({ stage: 'rise', dropped: file });
      }}
    >
      <TopBar />
      <ConflictBar />
      <div className="flex min-h-0 flex-1">
        <StageRail />
        <main
          className="border-base-300 bg-base-100 w-[300px] shrink-0 overflow-y-auto border-r px-3 py-3"
          aria-label={stage}
        >
          <ErrorBoundary key={stage} part="This stage">
            <Column />
          </ErrorBoundary>
        </main>
        <ErrorBoundary part="The Sheet">
          <BenchSheet />
        </ErrorBoundary>
        <ErrorBoundary part="The Ledger">
          <BenchLedger />
        </ErrorBoundary>
      </div>
      <CommandList />
    </div>
  );
}

function BenchSheet() {
  return <Sheet {...useSheet()} />;
}

function BenchLedger() {
  return <Ledger {...useLedger()} />;
}
