import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useRef, useState } from 'react';
import { AS_PUBLISHED, type StandardDocument } from '../../core/standard/standard';
import { download } from '../common/download';
import { Pick } from '../common/inputs';
import { NoteBar } from '../common/note';
import { PageHead } from '../common/PageHead';
import { standards } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import { Against } from './Against';
import { OwnStandard, standardFile } from './OwnStandard';
import { ReadOff } from './ReadOff';
import { StandardSheet } from './StandardSheet';

const PUBLISHED = 'published';

/** What a house wants of its footprints: what is published, and standards of one's own over it. */
export function Standards() {
  const own = useLiveQuery(() => standards.list());
  const [chosen, setChosen] = useState(() => decodeURIComponent(location.hash.slice(1)) || PUBLISHED);
  const [against, setAgainst] = useState('');
  const [told, setTold] = useState<readonly string[]>([]);
  useEffect(() => {
    document.title = 'Standards · Tapis';
  }, []);
  useEffect(() => {
    history.replaceState(null, '', `${location.search}#${chosen}`);
  }, [chosen]);
  const standard = own?.find(({ id }) => id === chosen);
  const begin = (over: StandardDocument | null) =>
    attempt('Beginning a standard', async () => setChosen((await standards.begin(over)).id));
  const bring = (file: File) =>
    attempt(`Bringing ${file.name}`, async () => {
      const { added, refused, problems } = await standards.importText(await file.text());
      setTold([...refused, ...problems].map(({ message }) => `${file.name}: ${message}`));
      if (added) setChosen(added.id);
    });
  return (
    <div className="flex h-screen min-w-[840px] flex-col">
      <PageHead
        title="Standards"
        end={
          <>
            <BringFile onFile={(file) => void bring(file)} />
            {standard && (
              <>
                <button type="button" className="btn btn-sm" onClick={() => void saveAsFile(standard)}>
                  Save as a file
                </button>
                <button
                  type="button"
                  className="btn btn-sm"
                  onClick={() =>
                    void attempt('Copying', async () => setChosen((await standards.addCopy(standard)).id))
                  }
                >
                  Make a copy
                </button>
                <button type="button" className="btn btn-sm" onClick={() => void begin(standard)}>
                  Build on it
                </button>
              </>
            )}
            <button type="button" className="btn btn-sm btn-primary" onClick={() => void begin(null)}>
              New standard
            </button>
          </>
        }
      />
      <TroubleBar />
      <NoteBar />
      {told.length > 0 && (
        <div role="alert" className="bg-base-100 border-error border-b px-3.5 py-1.5">
          {told.slice(0, 5).map((message) => (
            <p key={message}>{message}</p>
          ))}
          {told.length > 5 && <p>and {told.length - 5} more</p>}
          <button type="button" className="underline" onClick={() => setTold([])}>
            Put away
          </button>
        </div>
      )}
      <div className="flex min-h-0 flex-1">
        <nav
          className="border-base-300 bg-base-100 w-[190px] shrink-0 overflow-y-auto border-r py-3"
          aria-label="Standards"
          tabIndex={0}
        >
          <Entry
            title="As published"
            words="IPC-7351B and its companions"
            isChosen={chosen === PUBLISHED}
            onChoose={() => setChosen(PUBLISHED)}
          />
          <h2 className="text-secondary mt-2 px-3.5 text-[12px]">Your own</h2>
          {own?.map(({ id, name, version, clauses }) => (
            <Entry
              key={id}
              title={name}
              words={`version ${version}, ${Object.keys(clauses).length} clauses`}
              isChosen={chosen === id}
              onChoose={() => setChosen(id)}
            />
          ))}
          {own?.length === 0 && (
            <p className="text-secondary px-3.5 py-1">
              None yet. A new one says only what your house wants otherwise.
            </p>
          )}
          <ReadOff onMade={setChosen} />
          {standard && (
            <div className="mt-3 px-3">
              <Pick
                className="w-full"
                label="Compare with"
                value={against}
                options={[
                  ['', 'compare with …'],
                  [PUBLISHED, 'as published'],
                  ...(own ?? []).filter(({ id }) => id !== chosen).map(({ id, name }) => [id, name] as const),
                ]}
                onChange={setAgainst}
              />
            </div>
          )}
        </nav>
        {standard && against !== '' ? (
          <Against
            key={`${chosen} ${against}`}
            standard={standard}
            other={own?.find(({ id }) => id === against) ?? null}
            onClose={() => setAgainst('')}
          />
        ) : standard ? (
          <OwnStandard key={chosen} id={chosen} onRemoved={() => setChosen(PUBLISHED)} />
        ) : chosen === PUBLISHED ? (
          <StandardSheet standard={AS_PUBLISHED} put={null} />
        ) : (
          own && <p className="p-10">There is no standard “{chosen}” here. Choose one at the left.</p>
        )}
      </div>
    </div>
  );
}

/** Saves a standard as a file, as it was written last. */
async function saveAsFile(standard: StandardDocument): Promise<void> {
  await attempt(`Saving ${standard.name}`, async () => {
    const stored = await standards.get(standard.id);
    download(standardFile(stored?.document ?? standard));
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
        aria-label="Standard file"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          if (file) onFile(file);
          target.value = '';
        }}
      />
    </>
  );
}

interface EntryProps {
  title: string;
  words: string;
  isChosen: boolean;
  onChoose: () => void;
}

function Entry({ title, words, isChosen, onChoose }: EntryProps) {
  return (
    <button
      type="button"
      aria-current={isChosen}
      className="aria-[current=true]:bg-base-200 aria-[current=true]:border-primary w-full border-l-3 border-transparent px-3 py-1.5 text-left"
      onClick={onChoose}
    >
      <span className="block font-semibold">{title}</span>
      <span className="text-secondary block text-[12px]">{words}</span>
    </button>
  );
}
