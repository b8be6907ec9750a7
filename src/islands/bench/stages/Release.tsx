import { asksForCounter, nextCounter } from '../../../core/library/counting';
import { shelf } from '../../common/shelf-store';
import { CountField, useEntryOf } from '../../fields/choices';
import { useWritten } from '../../fields/useEntry';
import { EntryInput } from '../../fields/EntryInput';
import { useEffect, useState } from 'react';
import type { Format } from '../../../core/format/format';
import { useBench } from '../../state/context';
import { useHandOver } from '../useHandOver';
import { Approvals } from './release/Approvals';
import { ReleaseAsOne } from './release/ReleaseAsOne';
import { Revisions } from './release/Revisions';
import { UsedWhere } from './release/UsedWhere';
import { later } from '../../common/later';
import { attempt } from '../../common/trouble';
import { ModelFiles } from './rise/ModelFiles';
import { SourceFiles } from './release/SourceFiles';

const Films = later('The films', async () => (await import('./release/Films')).Films);

/** The standard name, notes, and the files that are handed over. */
export function Release() {
  const compiled = useBench((s) => s.derived.compiled);
  const stops = useBench(
    (s) => s.derived.report.findings.filter(({ severity }) => severity === 'stop').length,
  );
  const agreed = useEntryOf('overrides/standardName');
  const model = useBench((s) => s.models.get(s.document.body?.model?.key ?? '')?.model ?? null);
  const { writing, trouble, setTrouble, stop, handOver } = useHandOver();

  // the writers are loaded when this stage is opened
  const [formats, setFormats] = useState<readonly Format[] | null>(null);
  useEffect(() => {
    import('../../../core/format').then(
      ({ FORMATS }) => setFormats(FORMATS),
      (error: unknown) =>
        setTrouble(`The formats could not be loaded: ${String(error)}. Load the page again.`),
    );
  }, [setTrouble]);

  const save = (format: Format) =>
    writing.has(format.id) ? stop(format.id) : void handOver(format, compiled, model);

  const drawable = useBench((s) => s.derived.shown?.drawable);
  const [looking, setLooking] = useState(false);
  return (
    <>
      {looking && drawable && <Films drawable={drawable} onClose={() => setLooking(false)} />}
      <h1 className="text-[15px] font-semibold">Release</h1>
      <p className="mt-1 text-[15px] font-semibold">{compiled.footprint?.standardName ?? 'No name yet'}</p>
      <p className="text-secondary">Computed from the geometry, IPC-7351B.</p>
      <label className="mt-2 block">
        <span className="text-secondary text-[12px]">
          Name agreed elsewhere, to be held against the geometry
        </span>
        <EntryInput field={agreed} className="w-full" maxLength={80} />
      </label>
      <RunningNumber />
      {stops > 0 && (
        <p className="border-error mt-3 border-l-3 pl-2.5">
          {stops} stop{stops > 1 ? 's' : ''} open; the Ledger says what is wrong.{' '}
          {compiled.footprint
            ? 'Files can be written all the same.'
            : 'The Tapis document can be saved as it is; other files need a footprint.'}
        </p>
      )}
      {!formats && !trouble && <p className="text-secondary mt-3">Loading the formats</p>}
      {formats && <ReleaseAsOne formats={formats} />}
      <h2 className="mt-3 font-semibold">One file</h2>
      <ul className="mt-1">
        {formats?.map((format) => (
          <li key={format.id} className="border-base-300 flex items-center gap-2 border-t py-1.5">
            <span className="min-w-0 flex-1">
              {format.title}
              <span className="text-secondary block text-[12px]">{format.summary}</span>
            </span>
            {format.id === 'artwork' && drawable && (
              <button type="button" className="btn btn-sm" onClick={() => setLooking(true)}>
                Look
              </button>
            )}
            <button
              type="button"
              className="btn btn-sm btn-outline btn-primary"
              aria-label={`${writing.has(format.id) ? 'Stop writing' : 'Save'} ${format.title}`}
              disabled={!compiled.footprint && format.id !== 'json'}
              onClick={() => save(format)}
            >
              {writing.has(format.id) ? <Writing /> : 'Save'}
            </button>
          </li>
        ))}
      </ul>
      <ModelFiles onTrouble={setTrouble} />
      <SourceFiles />
      <Link />
      {!compiled.footprint && (
        <p className="text-secondary text-[12px]">
          Other files than the document can be written once all dimensions can be used.
        </p>
      )}
      {trouble && (
        <p role="alert" className="text-error mt-2">
          {trouble}
        </p>
      )}
      <Revisions />
      <Approvals />
      <UsedWhere />
      <Notes />
    </>
  );
}

/** The footprint's number in the house's count, where its names ask for one. */
function RunningNumber() {
  const asked = useBench((s) => asksForCounter(s.document));
  const has = useBench((s) => s.document.overrides?.counter !== undefined);
  const edit = useBench((s) => s.edit);
  if (!asked) return null;
  const take = () =>
    attempt('Looking for the next number', async () => {
      const kept = await shelf.list();
      edit(
        [{ at: '/overrides/counter', value: nextCounter(kept.map(({ document }) => document)) }],
        undefined,
        'running number',
      );
    });
  return (
    <div className="mt-2 flex items-start gap-2">
      <CountField name="overrides/counter" />
      {!has && (
        <button type="button" className="btn btn-sm" onClick={() => void take()}>
          Take the next free
        </button>
      )}
    </div>
  );
}

/** A link that carries the document itself: whoever opens it has it, and no server hears of it. */
function Link() {
  const document = useBench((s) => s.document);
  const [said, setSaid] = useState<string | null>(null);
  const copy = () =>
    attempt('Making a link', async () => {
      const part = await (await import('../../../kernel/link')).linkOf(document);
      if (part === null)
        return setSaid('It does not fit into a link: save the Tapis document and send the file.');
      await navigator.clipboard.writeText(`${location.origin}/shared#${part}`);
      setSaid(
        document.body?.model
          ? 'The link is copied. The model’s file is not in it; send that beside.'
          : 'The link is copied.',
      );
    });
  return (
    <section className="border-base-300 mt-1 border-t py-1.5" aria-label="Link">
      <p className="flex items-center gap-2">
        <span className="min-w-0 flex-1">
          A link that carries it
          <span className="text-secondary block text-[12px]">
            Opened in Tapis it can be looked at, held against another and put on the Shelf.
          </span>
        </span>
        <button type="button" className="btn btn-sm btn-outline btn-primary" onClick={() => void copy()}>
          Copy link
        </button>
      </p>
      {said !== null && (
        <p role="status" className="text-[12px]">
          {said}
        </p>
      )}
    </section>
  );
}

/** Free words about the footprint. */
function Notes() {
  const { text, onChange, begin, restore } = useWritten('/notes');
  return (
    <label className="mt-4 block">
      <span className="font-semibold">Notes</span>
      <textarea
        className="border-base-300 bg-base-100 mt-1 h-32 w-full border p-1"
        value={text}
        maxLength={20000}
        onChange={({ target }) => onChange(target.value)}
        onFocus={begin}
        onKeyDown={({ key, currentTarget }) => {
          if (key === 'Escape' && !restore()) currentTarget.blur();
        }}
      />
    </label>
  );
}

/** That a file is being written, once that takes long enough to be seen. */
function Writing() {
  const [shown, setShown] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setShown(true), 300);
    return () => clearTimeout(timer);
  }, []);
  if (!shown) return 'Save';
  return (
    <>
      <progress className="progress w-8" /> Stop
    </>
  );
}
