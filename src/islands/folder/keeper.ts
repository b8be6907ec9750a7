import Dexie from 'dexie';
import { createStore } from 'zustand/vanilla';
import type { StoredFolder } from '../../store/database';
import { directory } from '../../store/folder/files';
import type { Ask, Look } from '../../store/folder/sync';
import { whyRefused } from '../../store/storage';
import { folders } from '../common/shelf-store';
import { keepLook } from '../common/look';

// Keeps the library in step with its folder while a page is open: what changes here is written within seconds, what
// changes there is taken in when the page is looked at again.

/** How it stands with the folder. */
export interface FolderState {
  /** `null` where the library is kept in none. */
  readonly folder: StoredFolder | null;
  /** Whether the browser lets the page read and write it now. */
  readonly mayWrite: boolean;
  readonly busy: { readonly done: number; readonly all: number } | null;
  /** What the last look came to. */
  readonly look: Look | null;
  /** Why it could not be looked at, in words. */
  readonly trouble: string | null;
}

export const folderState = createStore<FolderState>(() => ({
  folder: null,
  mayWrite: false,
  busy: null,
  look: null,
  trouble: null,
}));

/** Says that there is a folder, before anything of it is loaded. */
const LINKED = 'tapis-folder';

/** Rest after a change until it is written: who types is not followed letter by letter. ms */
const AFTER = 1500;
/** Tables whose changes are written into the folder. */
const WATCHED = /\/(footprints|entries|groups|standards|processes|families|trials)(\/|$)/;

type Permitted = FileSystemDirectoryHandle & {
  queryPermission?: (how: { mode: 'readwrite' }) => Promise<PermissionState>;
  requestPermission?: (how: { mode: 'readwrite' }) => Promise<PermissionState>;
};

async function isPermitted(handle: Permitted): Promise<boolean> {
  // a folder of the page's own asks nobody
  return !handle.queryPermission || (await handle.queryPermission({ mode: 'readwrite' })) === 'granted';
}

/** Rest until what could not be done is tried again, ms: twice as long each time, and no longer than `LONGEST`. */
const AGAIN = 4000;
const LONGEST = 300_000;

let started = false;
let rest = AGAIN;
let timer: ReturnType<typeof setTimeout> | undefined;

/** Begins to keep the library in step, where it has a folder. */
export async function keepInStep(): Promise<void> {
  if (started) return;
  started = true;
  await load();
  Dexie.on('storagemutated', (parts: object) => {
    if (Object.keys(parts).some((part) => WATCHED.test(part))) soon();
  });
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') void lookAgain();
  });
  await lookAgain();
}

async function load(): Promise<void> {
  const folder = (await folders.list()).find(({ handle }) => handle !== null) ?? null;
  keepLook(LINKED, folder ? 'yes' : 'no');
  folderState.setState({
    folder,
    mayWrite: folder?.handle ? await isPermitted(folder.handle as Permitted) : false,
  });
}

function soon(after = AFTER): void {
  clearTimeout(timer);
  timer = setTimeout(() => void lookAgain(), after);
}

/** Looks once more after a rest where something is left to be done. */
function unlessAtRest(waits: boolean): void {
  if (waits) soon(rest);
  rest = waits ? Math.min(2 * rest, LONGEST) : AGAIN;
}

/** What knows both sides of the folder, and remembers what it has read. */
let kept: { readonly of: StoredFolder; readonly sync: Awaited<ReturnType<typeof folders.sync>> } | null =
  null;

const hasHandle = (
  folder: StoredFolder,
): folder is StoredFolder & { readonly handle: FileSystemDirectoryHandle } => folder.handle !== null;

async function syncOf(folder: StoredFolder & { readonly handle: FileSystemDirectoryHandle }) {
  const { id, group, handle } = folder;
  if (kept?.of.id !== id || kept.of.group !== group || kept.of.handle !== handle)
    kept = { of: folder, sync: await folders.sync(directory(handle), id, group) };
  return kept.sync;
}

/** One look at a time, over all tabs. */
function alone(act: () => Promise<void>): Promise<void> {
  return navigator.locks ? navigator.locks.request('tapis-folder', act) : act();
}

/** Looks at both sides and brings them together. */
export async function lookAgain(): Promise<void> {
  clearTimeout(timer);
  await alone(async () => {
    const { folder } = folderState.getState();
    if (!folder || !hasHandle(folder)) return;
    const mayWrite = await isPermitted(folder.handle as Permitted);
    folderState.setState({ mayWrite });
    if (!mayWrite) return;
    folderState.setState({ busy: { done: 0, all: 0 } });
    try {
      const look = await (
        await syncOf(folder)
      ).look((done, all) => folderState.setState({ busy: { done, all } }));
      const now = { ...folder, lookedAt: Date.now() };
      await folders.put(now);
      folderState.setState(({ look: before }) => ({
        // what a look writes is looked at once more: what it did stays to be read
        look: look.done.length === 0 && before ? { ...look, done: before.done } : look,
        trouble: null,
        folder: now,
      }));
      unlessAtRest(look.waits);
    } catch (error) {
      const isGone = error instanceof DOMException && error.name === 'NotFoundError';
      folderState.setState({
        trouble: isGone
          ? `The folder “${folder.name}” is not there any more: it was moved, renamed or taken out. Nothing here was changed; open it where it is now.`
          : `The folder could not be looked at: ${whyRefused(error)}.`,
      });
      unlessAtRest(true);
    } finally {
      folderState.setState({ busy: null });
    }
  });
}

/**
 * Keeps the library in a folder that the person chooses; the one before is let go, its files stay.
 * @param group id of the group that is kept in it; empty for the whole Shelf
 */
export async function openFolder(group: string): Promise<void> {
  const pick = (globalThis as { showDirectoryPicker?: typeof chooseFolder }).showDirectoryPicker;
  const handle = await pick?.({ mode: 'readwrite', id: 'tapis-library' });
  if (!handle) return;
  await alone(async () => {
    const { folder } = folderState.getState();
    const isSame = folder?.handle ? await folder.handle.isSameEntry(handle) : false;
    // the same folder at another place has the same files: what was alike last stays known
    const isIt = (isSame || folder?.name === handle.name) && (folder?.group ?? '') === group;
    const id = folder && isIt ? folder.id : crypto.randomUUID();
    if (folder && folder.id !== id) await folders.remove(folder.id);
    await folders.put({ id, name: handle.name, handle, lookedAt: 0, ...(group === '' ? {} : { group }) });
    await load();
  });
  await lookAgain();
}

declare function chooseFolder(how: {
  mode: 'readwrite';
  id: string;
}): Promise<FileSystemDirectoryHandle | undefined>;

/** Whether this browser hands out folders. */
export const handsOutFolders = (): boolean => 'showDirectoryPicker' in globalThis;

/** Asks the browser to let the page write again. */
export async function permitAgain(): Promise<void> {
  const handle = folderState.getState().folder?.handle as Permitted | undefined;
  if (handle?.requestPermission) await handle.requestPermission({ mode: 'readwrite' });
  await lookAgain();
}

/** Lets the folder go: its files stay where they are, and here everything stays. */
export async function letGo(): Promise<void> {
  // a look that is under way would put its folder back when it ends
  await alone(async () => {
    const { folder } = folderState.getState();
    if (folder) await folders.remove(folder.id);
    folderState.setState({ look: null, trouble: null });
    await load();
  });
}

/** Settles what both sides have changed. */
export async function choose(ask: Ask, side: 'here' | 'there'): Promise<void> {
  const { folder } = folderState.getState();
  if (!folder || !hasHandle(folder)) return;
  const sync = await syncOf(folder);
  await alone(() => sync.choose(ask, side));
  await lookAgain();
}
