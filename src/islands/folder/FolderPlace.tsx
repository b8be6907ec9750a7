import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { StoredGroup } from '../../store/database';
import { zipFolder } from '../../store/folder/files';
import type { Ask, Look } from '../../store/folder/sync';
import { pathOf } from '../../store/groups';
import { download } from '../common/download';
import { PageHead } from '../common/PageHead';
import { folders, groups as groupStore } from '../common/shelf-store';
import { attempt, TroubleBar } from '../common/trouble';
import { WorkBar, working } from '../common/work';
import { counted, whenMade } from '../common/words';
import {
  choose,
  folderState,
  handsOutFolders,
  keepInStep,
  letGo,
  lookAgain,
  openFolder,
  permitAgain,
} from './keeper';

/** The library in a folder: how it stands, what waits for somebody, and the way by ZIP. */
export function FolderPlace() {
  useEffect(() => {
    document.title = 'Folder · Tapis';
    void keepInStep();
  }, []);
  return (
    <div className="flex h-screen min-w-[840px] flex-col">
      <PageHead title="Folder" end={null} />
      <TroubleBar />
      <WorkBar />
      <main className="mx-auto w-full max-w-[900px] flex-1 overflow-y-auto p-5">
        <Linked />
        <ByZip />
      </main>
    </div>
  );
}

/** The folder of the machine that the library is kept in. */
function Linked() {
  const { folder, mayWrite, busy, look, trouble } = useStore(folderState);
  const [groups, setGroups] = useState<readonly StoredGroup[]>([]);
  const [picked, setGroup] = useState<string | null>(null);
  const linked = folder?.group ?? '';
  const group = picked ?? linked;
  useEffect(() => {
    void attempt('Reading the groups', async () => setGroups(await groupStore.list()));
  }, []);
  if (!handsOutFolders())
    return (
      <section aria-label="Folder" className="border-base-300 bg-base-100 border p-4">
        <h2 className="text-[15px] font-semibold">A folder of this machine</h2>
        <p className="mt-1">
          This browser hands out no folders. A library goes to and fro as a ZIP, below, with the same join.
        </p>
      </section>
    );
  return (
    <section aria-label="Folder" className="border-base-300 bg-base-100 border p-4">
      <h2 className="text-[15px] font-semibold">
        {folder
          ? `${linked === '' ? 'The library' : `The group “${pathOf(groups, linked)}”`} is kept in “${folder.name}”`
          : 'A folder of this machine'}
      </h2>
      {!folder && (
        <p className="mt-1">
          The library, or a group of it, is kept in a folder, too: a file for each footprint, groups as
          folders, with their tags, models, datasheets, standards, processes, families and trials. What you
          change is written within seconds; what others change in the folder comes in when you look at Tapis
          again. Under version control a team keeps it together.
        </p>
      )}
      {folder && (
        <p className="text-secondary mt-1">
          {busy
            ? `Looking: ${busy.done} of ${busy.all}`
            : folder.lookedAt > 0
              ? `Looked at ${whenMade(folder.lookedAt)}${look ? `: ${counted(look.count, 'thing')} kept in both` : ''}`
              : 'Not looked at yet'}
        </p>
      )}
      {folder && !mayWrite && (
        <p role="alert" className="border-warning mt-2 border-l-3 pl-2">
          The browser asks before it lets Tapis into the folder again.{' '}
          <button
            type="button"
            className="link"
            onClick={() => void attempt('Opening the folder', permitAgain)}
          >
            Let it in
          </button>
        </p>
      )}
      {trouble && (
        <p role="alert" className="border-error mt-2 border-l-3 pl-2">
          {trouble}
        </p>
      )}
      <p className="mt-2 flex gap-2">
        {groups.length > 0 && (
          <select
            className="select select-sm w-56"
            aria-label="What is kept in it"
            value={group}
            onChange={({ target }) => setGroup(target.value)}
          >
            <option value="">the whole library</option>
            {groups
              .map(({ id }) => ({ id, path: pathOf(groups, id) }))
              .sort((a, b) => a.path.localeCompare(b.path))
              .map(({ id, path }) => (
                <option key={id} value={id}>
                  group {path}
                </option>
              ))}
          </select>
        )}
        <button
          type="button"
          className={`btn btn-sm ${folder ? '' : 'btn-primary'}`}
          onClick={() => void attempt('Opening a folder', () => chosenFolder(group))}
        >
          {folder ? 'Another folder' : 'Choose a folder'}
        </button>
        {folder && (
          <>
            <button
              type="button"
              className="btn btn-sm"
              disabled={busy !== null || !mayWrite}
              onClick={() => void attempt('Looking at the folder', lookAgain)}
            >
              Look now
            </button>
            <button
              type="button"
              className="btn btn-sm"
              title="Its files stay where they are, and everything here stays"
              onClick={() => void attempt('Letting the folder go', letGo)}
            >
              Let it go
            </button>
          </>
        )}
      </p>
      {look && <Came look={look} onChoose={choose} />}
    </section>
  );
}

/** Who closes the dialog without a folder has not failed. */
async function chosenFolder(group: string): Promise<void> {
  try {
    await openFolder(group);
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
  }
}

/** Lines of what was done that are shown. */
const SHOWN = 12;

interface CameProps {
  look: Look;
  onChoose: (ask: Ask, side: 'here' | 'there') => Promise<void>;
}

/** What a look came to: what waits for somebody first. */
function Came({ look: { asks, told, done, doubt }, onChoose }: CameProps) {
  return (
    <div className="mt-3">
      {doubt !== null && (
        <p role="alert" className="border-warning border-l-3 pl-2">
          {doubt} Nothing was changed here or there.
        </p>
      )}
      {asks.map((ask) => (
        <Clash key={ask.key} ask={ask} onChoose={(side) => onChoose(ask, side)} />
      ))}
      {told.length > 0 && (
        <ul className="mt-2" aria-label="Left as it is">
          {told.map(({ path, words }) => (
            <li key={`${path} ${words}`} className="border-warning mt-1 border-l-3 pl-2 text-[12px]">
              <b className="font-semibold">{path}</b>: {words}
            </li>
          ))}
        </ul>
      )}
      {done.length > 0 && (
        <ul className="text-secondary mt-2 text-[12px]" aria-label="Done">
          {done.slice(0, SHOWN).map((words) => (
            <li key={words}>{words}</li>
          ))}
          {done.length > SHOWN && <li>and {done.length - SHOWN} more</li>}
        </ul>
      )}
    </div>
  );
}

/** What both have changed, each otherwise: both values side by side, and one is chosen. */
function Clash({ ask, onChoose }: { ask: Ask; onChoose: (side: 'here' | 'there') => Promise<void> }) {
  const { name, path, clashes } = ask;
  const press = (side: 'here' | 'there') => () => void attempt(`Settling ${name}`, () => onChoose(side));
  return (
    <section className="border-base-300 bg-base-200 mt-2 border p-3" aria-label={`Clash in ${name}`}>
      <h3 className="font-semibold">{name}: changed here and in the folder, each otherwise</h3>
      <p className="text-secondary text-[12px]">{path}</p>
      <table className="mt-2 w-full text-left text-[12px]">
        <thead>
          <tr>
            <th className="font-semibold">what</th>
            <th className="font-semibold">before</th>
            <th className="font-semibold">here</th>
            <th className="font-semibold">in the folder</th>
          </tr>
        </thead>
        <tbody>
          {clashes.map(({ place, base, here, there }) => (
            <tr key={place} className="border-base-300 border-t align-top">
              <td className="wrap-anywhere pr-2">{place}</td>
              <td className="text-secondary wrap-anywhere pr-2">{base}</td>
              <td className="wrap-anywhere pr-2">{here}</td>
              <td className="wrap-anywhere">{there}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 flex items-baseline gap-2">
        <button type="button" className="btn btn-sm" onClick={press('here')}>
          Take what is here
        </button>
        <button type="button" className="btn btn-sm" onClick={press('there')}>
          Take the folder’s
        </button>
        <span className="text-secondary text-[12px]">
          What else either has changed is joined. What you give up here stays as a revision.
        </span>
      </p>
    </section>
  );
}

/** Id of the link of what goes to and fro as a ZIP. */
const BY_ZIP = 'zip';

/** A library that comes and goes as one file. */
function ByZip() {
  const [came, setCame] = useState<Look | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [held, setHeld] = useState<Uint8Array | null>(null);
  const exchange = async (bytes: Uint8Array | null, settle?: readonly [Ask, 'here' | 'there']) => {
    const folder = zipFolder(bytes);
    if (!folder.ok) return setRefused(`The ZIP cannot be read: ${folder.error}.`);
    const sync = await folders.sync(folder.value, BY_ZIP);
    if (settle) await sync.choose(...settle);
    const look = await working('Bringing both together', (onDone) => sync.look(onDone));
    setRefused(null);
    setCame(look);
    const zip = folder.value.zip();
    setHeld(zip);
    if (look.doubt === null && look.asks.length === 0)
      download({ name: 'tapis-library.zip', mediaType: 'application/zip', content: zip });
  };
  return (
    <section aria-label="By ZIP" className="border-base-300 bg-base-100 mt-4 border p-4">
      <h2 className="text-[15px] font-semibold">As one ZIP</h2>
      <p className="mt-1">
        Give the library as a ZIP to somebody who puts it into their Tapis here, and put in theirs when it
        comes back: what either has changed since is joined field by field, and the ZIP with both is saved.
      </p>
      <p className="mt-2 flex gap-2">
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => void attempt('Making the ZIP', () => exchange(null))}
        >
          Make a ZIP
        </button>
        <label className="btn btn-sm relative">
          Put in a ZIP
          <input
            type="file"
            accept=".zip,application/zip"
            className="sr-only"
            aria-label="ZIP with a library"
            onChange={({ target }) => {
              const [file] = target.files ?? [];
              if (file)
                void attempt(`Bringing ${file.name}`, async () =>
                  exchange(new Uint8Array(await file.arrayBuffer())),
                );
              target.value = '';
            }}
          />
        </label>
      </p>
      {refused !== null && (
        <p role="alert" className="text-error mt-2">
          {refused}
        </p>
      )}
      {came && <Came look={came} onChoose={(ask, side) => exchange(held, [ask, side])} />}
    </section>
  );
}
