import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useRef, useState } from 'react';
import { PROCESSES } from '../../core/process';
import type { Process } from '../../core/process/process';
import { download } from '../common/download';
import { PageHead } from '../common/PageHead';
import { processes } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import { OwnProcess, processFile } from './OwnProcess';
import { ProcessSheet } from './ProcessSheet';

/** What shops, stencils and lines can hold: the processes that come with Tapis, and one's own. */
export function Processes() {
  const own = useLiveQuery(() => processes.list());
  const [asked] = useState(askedFor);
  const [chosen, setChosen] = useState(asked.id);
  const [refused, setRefused] = useState<readonly string[]>([]);
  useEffect(() => {
    document.title = 'Processes · Tapis';
  }, []);
  useEffect(() => {
    history.replaceState(null, '', `#${chosen}`);
  }, [chosen]);
  // a number that was asked for is looked at once it is there
  useEffect(() => {
    if (!own || !asked.number) return;
    const field = document.getElementById(`field-${asked.number}`);
    field?.scrollIntoView({ block: 'center' });
    field?.focus();
  }, [own, asked]);
  const all = [...PROCESSES, ...(own ?? [])];
  const process = all.find(({ id }) => id === chosen);
  const mine = own?.some(({ id }) => id === chosen) ?? false;
  const copy = (original: Process) =>
    attempt(`Copying ${original.name}`, async () => setChosen((await processes.copy(original)).id));
  const bring = (file: File) =>
    attempt(`Bringing ${file.name}`, async () => {
      const { added, refused: problems } = await processes.importText(await file.text());
      setRefused(problems.map(({ message }) => `${file.name}: ${message}`));
      if (added) setChosen(added.id);
    });
  return (
    <div className="flex h-screen min-w-[840px] flex-col">
      <PageHead
        title="Processes"
        end={
          <>
            <BringFile onFile={(file) => void bring(file)} />
            {process && (
              <>
                <button type="button" className="btn btn-sm" onClick={() => void saveAsFile(process)}>
                  Save as a file
                </button>
                <button type="button" className="btn btn-sm btn-primary" onClick={() => void copy(process)}>
                  Make a copy to edit
                </button>
              </>
            )}
          </>
        }
      />
      <TroubleBar />
      {refused.length > 0 && (
        <div role="alert" className="bg-base-100 border-error border-b px-3.5 py-1.5">
          {refused.slice(0, 5).map((message) => (
            <p key={message}>{message}</p>
          ))}
          <button type="button" className="underline" onClick={() => setRefused([])}>
            Put away
          </button>
        </div>
      )}
      <div className="flex min-h-0 flex-1">
        <nav
          className="border-base-300 bg-base-100 w-[240px] shrink-0 overflow-y-auto border-r py-3"
          aria-label="Processes"
          tabIndex={0}
        >
          <List title="Come with Tapis" list={PROCESSES} chosen={chosen} onChoose={setChosen} />
          <List title="Your own" list={own ?? []} chosen={chosen} onChoose={setChosen} />
          {own?.length === 0 && (
            <p className="text-secondary px-3.5 py-1">
              None yet. Make a copy of one that is near to your shop, and change what differs.
            </p>
          )}
        </nav>
        {mine ? (
          <OwnProcess
            key={chosen}
            id={chosen}
            originalOf={({ basedOn }) => all.find(({ id }) => id === basedOn) ?? null}
            onRemoved={() => setChosen('standard')}
          />
        ) : process ? (
          <ProcessSheet key={process.id} process={process} original={null} put={null} />
        ) : (
          own && <p className="p-10">There is no process “{chosen}” here. Choose one at the left.</p>
        )}
      </div>
    </div>
  );
}

/** The process that the address names, and its number where it names one: `#standard/placementTolerance`. */
function askedFor(): { readonly id: string; readonly number: string | undefined } {
  const [id, number] = decodeURIComponent(location.hash.slice(1)).split('/');
  return { id: id === undefined || id === '' ? 'standard' : id, number };
}

/** Saves a process as a file: one's own as it was written last. */
async function saveAsFile(process: Process): Promise<void> {
  await attempt(`Saving ${process.name}`, async () => {
    const stored = await processes.get(process.id);
    download(processFile(stored?.document ?? process));
  });
}

function BringFile({ onFile }: { onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="btn btn-sm" onClick={() => input.current?.click()}>
        Bring a file
      </button>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="hidden"
        aria-label="Process file"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) onFile(file);
          target.value = '';
        }}
      />
    </>
  );
}

interface ListProps {
  title: string;
  list: readonly Process[];
  chosen: string;
  onChoose: (id: string) => void;
}

function List({ title, list, chosen, onChoose }: ListProps) {
  return (
    <>
      <h2 className="text-secondary mt-2 px-3.5 text-[12px]">{title}</h2>
      <ul>
        {list.map(({ id, name, summary }) => (
          <li key={id}>
            <button
              type="button"
              aria-current={id === chosen}
              className="aria-[current=true]:bg-base-200 aria-[current=true]:border-primary w-full border-l-3 border-transparent px-3 py-1.5 text-left"
              onClick={() => onChoose(id)}
            >
              <span className="block font-semibold">{name}</span>
              <span className="text-secondary block text-[12px]">{summary}</span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
