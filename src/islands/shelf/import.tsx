import { useEffect, useRef, useState } from 'react';
import { LARGEST_SHELF } from '../../core/document/shelf-file';
import { together, type ImportResult } from '../../store/shelf';
import { whyRefused } from '../../store/storage';
import { shelf } from '../common/shelf-store';

/** Reading files onto the Shelf, with what it brought and how far it is. */
export function useImport() {
  const [brought, setBrought] = useState<ImportResult | null>(null);
  const [progress, setProgress] = useState<string | null>(null);
  const stopped = useRef(false);
  const take = async (list: FileList | readonly File[] | null) => {
    const results: ImportResult[] = [];
    stopped.current = false;
    for (const file of list ?? []) {
      setProgress(`Reading ${file.name}`);
      // is seen before the reading begins
      await new Promise((seen) => requestAnimationFrame(() => setTimeout(seen)));
      results.push(
        await importFile(file, (done, whole) => {
          setProgress(`Reading ${file.name}: ${done} of ${whole}`);
          return !stopped.current;
        }),
      );
      if (stopped.current) break;
    }
    setProgress(null);
    setBrought(together(results));
  };
  return {
    take,
    brought,
    progress,
    putAway: () => setBrought(null),
    stop: () => {
      stopped.current = true;
    },
  };
}

/** Reads a file unless it is too large to be one; its problems carry its name. */
async function importFile(file: File, onDone: (done: number, all: number) => boolean): Promise<ImportResult> {
  const nothing = (message: string): ImportResult => ({
    added: [],
    families: [],
    refused: [{ field: '', message: `${file.name}: ${message}` }],
  });
  // characters are at most bytes: an oversized file need not be read
  if (file.size > LARGEST_SHELF)
    return nothing(`The file has ${Math.ceil(file.size / 1e6)} MB; at most 50 MB are read.`);
  try {
    const isZip = /\.zip$/i.test(file.name);
    const result = isZip
      ? await shelf.importZip(new Uint8Array(await file.arrayBuffer()), onDone)
      : await shelf.importText(await file.text());
    const refused = result.refused.map(({ field, message }) => ({
      field,
      message: `${file.name}: ${message}`,
    }));
    return { ...result, refused };
  } catch (error) {
    return nothing(`It could not be stored: ${whyRefused(error)}.`);
  }
}

/** What an import brought, and what of it could not be read. */
export function ImportNote({ result, onClose }: { result: ImportResult; onClose: () => void }) {
  const { added, families: brought, refused } = result;
  return (
    <div
      role={refused.length > 0 ? 'alert' : 'status'}
      className={`border-base-300 bg-base-100 flex gap-3 border-b border-l-4 px-4 py-2 ${refused.length > 0 ? 'border-l-error' : 'border-l-success'}`}
    >
      <div>
        <p className="font-semibold">
          {added.length === 0
            ? brought.length === 0 && 'Nothing was added; the Shelf is as it was.'
            : `${added.length} footprint${added.length > 1 ? 's' : ''} added.`}
        </p>
        {brought.length > 0 && (
          <p>In the gallery now: {brought.map(({ title, own }) => title ?? own.id).join(', ')}.</p>
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
export function useFileDrop(take: (files: FileList | null) => Promise<void>): void {
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
