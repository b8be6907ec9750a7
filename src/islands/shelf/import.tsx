import { useEffect, useRef, useState } from 'react';
import { LARGEST_SHELF } from '../../core/document/shelf-file';
import type { Progress } from '../../store/pace';
import type { Brought, Choice, Clash, Comparison } from '../../store/restore';
import { together, type ImportResult } from '../../store/import-result';
import type { Settle, Twin, TwinChoice } from '../../store/twins';
import { whyRefused } from '../../store/storage';
import { kindOfFile } from '../intake/kind';
import { shelf } from '../common/shelf-store';
import { counted, whenMade } from '../common/words';
import { working } from '../common/work';
import type { AskedTwins } from './Twins';

/** A backup that was read, and waits for what to do where something differs. */
export interface Asked {
  readonly comparison: Comparison;
  readonly answer: (choose: ((clash: Clash) => Choice) | null) => void;
}

/** What of files belongs elsewhere: patterns to be taken in, a datasheet that begins a footprint. */
export interface Elsewhere {
  readonly onPatterns: (files: readonly File[]) => void;
  readonly onSheet: (file: File) => void;
}

/** Reading files onto the Shelf, and what it brought. */
export function useImport({ onPatterns, onSheet }: Elsewhere) {
  const [brought, setBrought] = useState<ImportNoteProps | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [twins, setTwins] = useState<AskedTwins | null>(null);
  const askTwins =
    (file: string): Settle =>
    (found) =>
      new Promise<((twin: Twin) => TwinChoice) | null>((resolve) =>
        setTwins({
          file,
          twins: found,
          answer: (choose) => {
            setTwins(null);
            resolve(choose);
          },
        }),
      );
  const ask = (comparison: Comparison) =>
    new Promise<((clash: Clash) => Choice) | null>((resolve) =>
      setAsked({
        comparison,
        answer: (choose) => {
          setAsked(null);
          resolve(choose);
        },
      }),
    );
  const take = async (list: FileList | readonly File[] | null) => {
    const results: ImportResult[] = [];
    const said: string[] = [];
    const patterns: File[] = [];
    for (const file of [...(list ?? [])]) {
      const kind = await kindOfFile(file);
      if (kind === 'pattern') {
        patterns.push(file);
        continue;
      }
      if (kind === 'sheet') {
        onSheet(file);
        continue;
      }
      if (kind === 'trial') {
        const { takeTrial } = await import('../common/trial-file');
        const taken = await takeTrial(file);
        if ('stored' in taken) said.push(`${taken.stored.document.name} is among the trials.`);
        results.push(nothingBut('refused' in taken ? taken.refused : []));
        continue;
      }
      if (kind === 'model' || kind === 'unknown') {
        results.push(refusedFile(file, kind));
        continue;
      }
      const isGoing = { now: true };
      const result = await working(`Reading ${file.name}`, (onDone) =>
        importFile(file, ask, {
          onDone: (done, all) => (isGoing.now = onDone(done, all)),
          settle: askTwins(file.name),
        }),
      );
      if ('said' in result) said.push(result.said);
      results.push(result.result);
      if (!isGoing.now) break;
    }
    if (patterns.length > 0) onPatterns(patterns);
    if (results.length > 0) setBrought({ result: together(results), said: said.join(' ') });
  };
  return { take, brought, asked, twins, putAway: () => setBrought(null) };
}

/** What belongs onto no Shelf, with where it belongs. */
function refusedFile({ name }: File, kind: 'model' | 'unknown'): ImportResult {
  const message =
    kind === 'model'
      ? `${name} is a model of a body: open the footprint that it belongs to, and drop it there.`
      : `${name} is no file that Tapis reads: documents and Shelf files, land patterns (IPC-2581, Gerber with drill files, DXF, pad tables), datasheets and models are read.`;
  return nothingBut([{ field: '', message }]);
}

const nothingBut = (refused: ImportResult['refused']): ImportResult => ({
  added: [],
  here: [],
  families: [],
  refused,
});

type Imported = { readonly result: ImportResult } | { readonly result: ImportResult; readonly said: string };

/** Reads a file unless it is too large to be one; its problems carry its name. */
async function importFile(
  file: File,
  ask: (comparison: Comparison) => Promise<((clash: Clash) => Choice) | null>,
  how: { readonly onDone: Progress; readonly settle: Settle },
): Promise<Imported> {
  const brought = (result: Partial<ImportResult>): ImportResult => ({
    ...nothingBut([]),
    ...result,
    refused: (result.refused ?? []).map(({ field, message }) => ({
      field,
      message: `${file.name}: ${message}`,
    })),
  });
  const nothing = (message: string) => ({ result: brought({ refused: [{ field: '', message }] }) });
  try {
    if (!/\.zip$/i.test(file.name)) {
      // characters are at most bytes: an oversized file need not be read
      if (file.size > LARGEST_SHELF)
        return nothing(`The file has ${Math.ceil(file.size / 1e6)} MB; at most 50 MB are read.`);
      return { result: brought(await shelf.importText(await file.text(), how)) };
    }
    const bytes = new Uint8Array(await file.arrayBuffer());
    const compared = await shelf.compareBackup(bytes, how.onDone);
    if (!compared) return { result: brought(await shelf.importZip(bytes, how)) };
    if (!compared.ok) return nothing(compared.error);
    const comparison = compared.value;
    const { clashes, refused } = comparison;
    const choose = clashes.length === 0 ? () => 'here' as const : await ask(comparison);
    if (!choose) return { result: brought({ refused }), said: 'The backup was left; nothing was changed.' };
    const back = await shelf.bringBack(comparison, choose);
    return { result: brought({ refused }), said: broughtBack(comparison, back) };
  } catch (error) {
    return nothing(`It could not be stored: ${whyRefused(error)}.`);
  }
}

/** What came back from a backup, in words. */
function broughtBack({ contents, same }: Comparison, back: Brought): string {
  const parts = [
    counted(back.footprints, 'footprint'),
    ...(back.models > 0 ? [counted(back.models, 'model')] : []),
    ...(back.processes > 0 ? [counted(back.processes, 'process', 'processes')] : []),
    ...(back.trials > 0 ? [counted(back.trials, 'trial')] : []),
    ...(back.families > 0 ? [counted(back.families, 'family', 'families')] : []),
  ];
  const here = same > 0 ? ` ${counted(same, 'footprint')} ${same === 1 ? 'was' : 'were'} here as there.` : '';
  return `From the backup of ${whenMade(contents.made)} came ${parts.join(', ')}.${here}`;
}

interface ImportNoteProps {
  readonly result: ImportResult;
  /** What came of backups. */
  readonly said: string;
}

/** Names of footprints that were here that are told. */
const HERE = 6;

/** What an import brought, and what of it could not be read. */
export function ImportNote({ result, said, onClose }: ImportNoteProps & { onClose: () => void }) {
  const { added, here, families: brought, refused } = result;
  return (
    <div
      role={refused.length > 0 ? 'alert' : 'status'}
      className={`border-base-300 bg-base-100 flex gap-3 border-b border-l-4 px-4 py-2 ${refused.length > 0 ? 'border-l-error' : 'border-l-success'}`}
    >
      <div>
        <p className="font-semibold">
          {said}{' '}
          {added.length === 0
            ? brought.length === 0 &&
              said === '' &&
              here.length === 0 &&
              'Nothing was added; the Shelf is as it was.'
            : `${added.length} footprint${added.length > 1 ? 's' : ''} added.`}
        </p>
        {here.length > 0 && (
          <p>
            Here already:{' '}
            {here
              .slice(0, HERE)
              .map(({ document }) => document.name)
              .join(', ')}
            {here.length > HERE && ` and ${here.length - HERE} more`}.
          </p>
        )}
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
