import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useRef, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { newDocument } from '../../core/document/document';
import { packageOf, type PackageKind } from '../../core/package/catalogue';
import { LARGEST_SHELF } from '../../core/document/shelf-file';
import type { ImportResult } from '../../store/shelf';
import { whyRefused } from '../../store/storage';
import { families, shelf } from '../common/shelf-store';
import { attempt, exportAll, TroubleBar } from '../common/trouble';
import { Gallery } from '../gallery/Gallery';
import { BinList } from './BinList';
import { Card } from './Card';
import { EmptyShelf } from './EmptyShelf';
import { cardOf, matches } from './card-data';

/** Puts the demo on the Shelf, with the model that one of its parts has. */
async function addDemo(): Promise<void> {
  // the demo is looked at once: it does not weigh on every visit
  const { DEMO_DOCUMENTS, DEMO_MODEL } = await import('../../demo/documents');
  try {
    const answer = await fetch(`/demo/${DEMO_MODEL.name}`);
    if (answer.ok) await shelf.models.put(DEMO_MODEL.name, new Uint8Array(await answer.arrayBuffer()), null);
  } finally {
    // without its model the part says that the file is missing
    await shelf.add(DEMO_DOCUMENTS);
    await families.addOf(DEMO_DOCUMENTS);
  }
}

/** The library: all footprints of this browser. */
export function Shelf({ earlierPorts }: { earlierPorts: readonly number[] }) {
  const stored = useLiveQuery(() => shelf.list(), []);
  const binned = useLiveQuery(() => shelf.listBin(), []);
  const [query, setQuery] = useState('');
  const [binOpen, setBinOpen] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const [brought, setBrought] = useState<ImportResult | null>(null);
  const files = useRef<HTMLInputElement>(null);
  const search = useRef<HTMLInputElement>(null);
  const cards = useMemo(() => (stored ?? []).map(cardOf), [stored]);
  const found = cards.filter((card) => matches(card, query));

  const take = async (list: FileList | readonly File[] | null) => {
    const results: ImportResult[] = [];
    for (const file of list ?? []) results.push(await importFile(file));
    setBrought({
      added: results.flatMap((r) => r.added),
      families: results.flatMap((r) => r.families),
      refused: results.flatMap((r) => r.refused),
    });
    if (files.current) files.current.value = '';
  };
  useFileDrop(take);
  useEffect(() => {
    document.title = 'Shelf · Tapis';
  }, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || event.target instanceof HTMLInputElement) return;
      event.preventDefault();
      search.current?.focus();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);

  return (
    <div className="mx-auto flex min-h-screen max-w-[1280px] min-w-[1024px] flex-col">
      <header className="border-base-300 bg-base-100 flex h-11 items-center gap-3 border-b px-4">
        <span className="text-[20px] font-semibold">Tapis</span>
        <h1 className="text-secondary">Shelf</h1>
        <input
          ref={search}
          type="search"
          className="input input-sm ml-4 w-64"
          placeholder="Search name, standard name, family"
          aria-label="Search the Shelf"
          value={query}
          onChange={(event) => setQuery(event.target.value)}
        />
        <span className="text-secondary">
          {cards.length > 0
            ? `${found.length} of ${cards.length} footprint${cards.length === 1 ? '' : 's'}`
            : ''}
        </span>
        <div className="ml-auto flex items-center gap-2">
          <a className="btn btn-sm btn-ghost" href="/processes">
            Processes
          </a>
          <button type="button" className="btn btn-sm btn-primary" onClick={() => setChoosing(true)}>
            New footprint
          </button>
          <button type="button" className="btn btn-sm" onClick={() => files.current?.click()}>
            Import
          </button>
          <input
            ref={files}
            type="file"
            multiple
            hidden
            accept=".json,application/json"
            aria-label="Files to import"
            onChange={(event) => void take(event.target.files)}
          />
          <button
            type="button"
            className="btn btn-sm"
            disabled={cards.length === 0}
            onClick={() => void exportAll()}
          >
            Export all
          </button>
          <button
            type="button"
            className="btn btn-sm"
            aria-pressed={binOpen}
            onClick={() => setBinOpen(!binOpen)}
          >
            Bin {binned && binned.length > 0 ? binned.length : ''}
          </button>
        </div>
      </header>
      <TroubleBar />
      {choosing && (
        <Gallery onChoose={(family) => void startNew(family)} onClose={() => setChoosing(false)} />
      )}
      {brought && <ImportNote result={brought} onClose={() => setBrought(null)} />}
      {binOpen && <BinList binned={binned ?? []} />}
      <main className="flex-1 p-4">
        {stored && cards.length === 0 && (
          <EmptyShelf
            earlierPorts={earlierPorts}
            onNew={() => setChoosing(true)}
            onDemo={() => void attempt('Putting the demo on the Shelf', addDemo)}
          />
        )}
        {cards.length > 0 && found.length === 0 && (
          <p className="text-secondary p-6">
            No footprint has “{query}” in its name, standard name or family.
          </p>
        )}
        <ul className="grid grid-cols-4 gap-3">
          {found.map((card) => (
            <Card key={card.stored.id} card={card} />
          ))}
        </ul>
        {cards.length > 0 && (
          <p className="text-secondary mt-4">
            <button
              type="button"
              className="link"
              onClick={() => void attempt('Putting the demo on the Shelf', addDemo)}
            >
              Add the parts of the demo board
            </button>
          </p>
        )}
      </main>
    </div>
  );
}

/** Adds an empty document of a family, or what a composed package starts from, and opens it on the Bench. */
async function startNew(kind: PackageKind): Promise<void> {
  const { id, title } = kind;
  await attempt('Keeping a new footprint', async () => {
    const names = new Set((await shelf.list()).map(({ document }) => document.name));
    const named = (count: number): string => {
      const name = count === 1 ? title : `${title} ${count}`;
      return names.has(name) ? named(count + 1) : name;
    };
    const [stored] = await shelf.add([{ ...newDocument(named(1), id), package: packageOf(kind) }]);
    if (stored) navigate(`/bench/${stored.id}`);
  });
}

/** Reads a file unless it is too large to be one; its problems carry its name. */
async function importFile(file: File): Promise<ImportResult> {
  const named = (message: string) => ({ field: '', message: `${file.name}: ${message}` });
  // characters are at most bytes: an oversized file need not be read
  if (file.size > LARGEST_SHELF) {
    const size = `${Math.ceil(file.size / 1e6)} MB`;
    return { added: [], families: [], refused: [named(`The file has ${size}; at most 50 MB are read.`)] };
  }
  try {
    const result = await shelf.importText(await file.text());
    return { ...result, refused: result.refused.map(({ message }) => named(message)) };
  } catch (error) {
    return { added: [], families: [], refused: [named(`It could not be stored: ${whyRefused(error)}.`)] };
  }
}

function ImportNote({ result, onClose }: { result: ImportResult; onClose: () => void }) {
  const { added, families, refused } = result;
  return (
    <div
      role={refused.length > 0 ? 'alert' : 'status'}
      className={`border-base-300 bg-base-100 flex gap-3 border-b border-l-4 px-4 py-2 ${refused.length > 0 ? 'border-l-error' : 'border-l-success'}`}
    >
      <div>
        <p className="font-semibold">
          {added.length === 0
            ? families.length === 0 && 'Nothing was added; the Shelf is as it was.'
            : `${added.length} footprint${added.length > 1 ? 's' : ''} added.`}
        </p>
        {families.length > 0 && (
          <p>In the gallery now: {families.map(({ title, own }) => title ?? own.id).join(', ')}.</p>
        )}
        <ul>
          {refused.slice(0, 8).map(({ message }, i) => (
            <li key={i}>{message}</li>
          ))}
          {refused.length > 8 && <li>and {refused.length - 8} more.</li>}
        </ul>
      </div>
      <button type="button" className="btn btn-xs ml-auto" onClick={onClose}>
        Close
      </button>
    </div>
  );
}

/** Files may be dropped anywhere on the page. */
function useFileDrop(take: (files: FileList | null) => Promise<void>): void {
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useEffect(() => {
    const stop = new AbortController();
    const { signal } = stop;
    addEventListener('dragover', (event) => event.preventDefault(), { signal });
    addEventListener(
      'drop',
      (event) => {
        event.preventDefault();
        if (event.dataTransfer?.files.length) void latest.current(event.dataTransfer.files);
      },
      { signal },
    );
    return () => stop.abort();
  }, []);
}
