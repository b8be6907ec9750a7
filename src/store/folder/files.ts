import { packed } from '../../core/format/pack';
import { unpackZip } from '../../core/format/unpack';
import { fail, ok, type Result } from '../../core/units/result';

/** A file of a folder, before it is read. */
export interface Listed {
  readonly path: string;
  /** What changes with its content: a file that has the stamp that it had is not read again. */
  readonly stamp: string;
  readonly size: number;
}

/** A folder with files, wherever it is. Paths have `/` between their parts. */
export interface Folder {
  readonly list: () => Promise<Listed[]>;
  /** One file; `null` where there is none. */
  readonly stat: (path: string) => Promise<Listed | null>;
  readonly read: (path: string) => Promise<Uint8Array>;
  /** Writes a file whole, or not at all. @returns its stamp */
  readonly write: (path: string, content: Uint8Array) => Promise<string>;
  readonly remove: (path: string) => Promise<void>;
}

/** Folders that are somebody else's: of version control, of installed packages. */
const isForeign = (name: string): boolean => name.startsWith('.') || name === 'node_modules';

const stampOf = (file: File): string => `${file.lastModified}:${file.size}`;

/** Files that are asked for at once. */
const AT_ONCE = 100;

/** A folder of the machine, as the browser hands it out (File System API). */
export function directory(root: FileSystemDirectoryHandle): Folder {
  const holder = async (path: string, create: boolean) => {
    const parts = path.split('/');
    const name = parts.pop() ?? '';
    let at = root;
    for (const part of parts) at = await at.getDirectoryHandle(part, { create });
    return { at, name };
  };
  const listed = async (at: FileSystemDirectoryHandle, under: string, all: Listed[]) => {
    const files: (readonly [path: string, handle: FileSystemFileHandle])[] = [];
    for await (const [name, handle] of entriesOf(at)) {
      if (isForeign(name)) continue;
      const path = `${under}${name}`;
      if (handle.kind === 'directory') await listed(handle as FileSystemDirectoryHandle, `${path}/`, all);
      else files.push([path, handle as FileSystemFileHandle]);
    }
    // each waits for the disk: many at once are quicker than one after the other
    for (let i = 0; i < files.length; i += AT_ONCE)
      all.push(
        ...(await Promise.all(
          files.slice(i, i + AT_ONCE).map(async ([path, handle]): Promise<Listed> => {
            const file = await handle.getFile();
            return { path, stamp: stampOf(file), size: file.size };
          }),
        )),
      );
  };
  return {
    async list() {
      const all: Listed[] = [];
      await listed(root, '', all);
      return all;
    },
    async stat(path) {
      try {
        const { at, name } = await holder(path, false);
        const file = await (await at.getFileHandle(name)).getFile();
        return { path, stamp: stampOf(file), size: file.size };
      } catch (error) {
        if (error instanceof DOMException && error.name === 'NotFoundError') return null;
        throw error;
      }
    },
    async read(path) {
      const { at, name } = await holder(path, false);
      const file = await (await at.getFileHandle(name)).getFile();
      return new Uint8Array(await file.arrayBuffer());
    },
    async write(path, content) {
      const { at, name } = await holder(path, true);
      const handle = await at.getFileHandle(name, { create: true });
      // it is written beside, and takes the file's place when it is closed
      const stream = await handle.createWritable();
      try {
        await stream.write(content.slice());
      } catch (error) {
        await stream.abort().catch(() => {});
        throw error;
      }
      await stream.close();
      return stampOf(await handle.getFile());
    },
    async remove(path) {
      const { at, name } = await holder(path, false);
      await at.removeEntry(name);
    },
  };
}

/** What a folder holds; the types of the platform lack its iteration. */
function entriesOf(at: FileSystemDirectoryHandle): AsyncIterable<readonly [string, FileSystemHandle]> {
  return (at as unknown as { entries: () => AsyncIterable<readonly [string, FileSystemHandle]> }).entries();
}

/** A folder in memory, from and into a ZIP, where the browser hands out no folders. */
export interface ZipFolder extends Folder {
  readonly zip: () => Uint8Array;
}

/** Largest library that is unpacked, bytes. */
const LARGEST = 500_000_000;

/** @param bytes of the ZIP; `null` for an empty folder */
export function zipFolder(bytes: Uint8Array | null): Result<ZipFolder, string> {
  const files = new Map<string, Uint8Array>();
  if (bytes) {
    const read = unpackZip(bytes, { isWanted: (name) => !name.endsWith('/'), most: LARGEST });
    if (!read.ok) return fail(read.error);
    const [damaged] = read.value.damaged;
    if (damaged !== undefined) return fail(`“${damaged}” in it is damaged`);
    for (const [path, content] of Object.entries(read.value.files)) files.set(path, content);
  }
  let written = 0;
  const stamps = new Map<string, string>();
  const isIn = (path: string) => path.split('/').every((part) => part !== '..' && !isForeign(part));
  const listed = (path: string, { length: size }: Uint8Array): Listed => ({
    path,
    stamp: stamps.get(path) ?? '',
    size,
  });
  return ok({
    list: () =>
      Promise.resolve([...files].flatMap(([path, content]) => (isIn(path) ? listed(path, content) : []))),
    stat: (path) => {
      const content = files.get(path);
      return Promise.resolve(content ? listed(path, content) : null);
    },
    read: (path) => {
      const content = files.get(path);
      return content ? Promise.resolve(content) : Promise.reject(new Error('it is gone'));
    },
    write: (path, content) => {
      files.set(path, content);
      written += 1;
      stamps.set(path, `written ${written}`);
      return Promise.resolve(`written ${written}`);
    },
    remove: (path) => {
      files.delete(path);
      return Promise.resolve();
    },
    zip: () =>
      packed([...files].sort(([a], [b]) => (a < b ? -1 : 1)).map(([name, content]) => ({ name, content }))),
  });
}
