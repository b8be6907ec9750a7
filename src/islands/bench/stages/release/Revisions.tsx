import { useState } from 'react';
import { editsBetween } from '../../../../core/document/difference';
import { placesWords } from '../../../../core/document/edit-words';
import type { RevisionState, StoredRevision } from '../../../../store/database';
import { kin, revisions } from '../../../common/shelf-store';
import { attempt } from '../../../common/trouble';
import { Pick } from '../../../common/inputs';
import { whenMade } from '../../../common/words';
import { useBench } from '../../../state/context';
import { goOnWords } from '../../../state/lock-words';
import { keepRevision } from '../../../state/keep-revision';
import { REVISION_STATES, useRevisions } from '../../../state/useRevisions';

const STATES = Object.entries(REVISION_STATES).map(
  ([state, { words }]) => [state as RevisionState, words] as const,
);

/** Keeping a revision with a state and a note, and those that were kept. */
export function Revisions() {
  const id = useBench((s) => s.id);
  const flush = useBench((s) => s.flush);
  const set = useBench((s) => s.set);
  const locked = useBench((s) => s.locked);
  const goOn = useBench((s) => s.goOn);
  const all = useRevisions();
  const [state, setState] = useState<RevisionState>('draft');
  const [note, setNote] = useState('');
  const keep = async () => {
    if (await keepRevision({ id, locked, flush, set }, state, note)) setNote('');
  };
  return (
    <section className="mt-4" aria-label="Revisions">
      <h2 className="font-semibold">Revisions</h2>
      {locked !== null ? (
        <p className="mt-1 text-[12px]">
          {locked === 0 ? 'It came by a link.' : `Revision ${locked} is approved and stays as it is.`}{' '}
          <button type="button" className="btn btn-xs" onClick={() => void attempt('Going on', goOn)}>
            {goOnWords(all.at(-1)?.number ?? locked)}
          </button>
        </p>
      ) : (
        <form
          className="mt-1 flex flex-col gap-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <input
            className="input input-sm w-full"
            aria-label="Note of the revision"
            placeholder="What it is, or what changed"
            maxLength={2000}
            value={note}
            onChange={({ target }) => setNote(target.value)}
          />
          <p className="flex gap-2">
            <Pick
              className="w-32"
              label="State of the revision"
              value={state}
              options={STATES.filter(([each]) => each !== 'withdrawn')}
              onChange={(chosen) => setState(chosen as RevisionState)}
            />
            <button type="submit" className="btn btn-sm">
              Keep revision {(all.at(-1)?.number ?? 0) + 1}
            </button>
          </p>
        </form>
      )}
      <ol className="mt-1">
        {[...all].reverse().map((revision) => (
          <Kept key={revision.id} revision={revision} />
        ))}
      </ol>
    </section>
  );
}

function Kept({ revision }: { revision: StoredRevision }) {
  const { id, number, state, note, at, document: kept } = revision;
  const footprint = useBench((s) => s.id);
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const locked = useBench((s) => s.locked);
  const [resting, setResting] = useState<string | null>(null);
  const edits = editsBetween(document, kept);
  const mark = (next: RevisionState) =>
    attempt(`Marking revision ${number}`, async () => {
      await revisions.mark(id, next);
      if (locked === number && next !== 'approved') set({ locked: null });
      if (next !== 'withdrawn') return setResting(null);
      // somebody may rest on what is withdrawn
      const variants = await kin.variantsOf([footprint]);
      setResting(
        variants.length === 0 ? null : `Variants rest on it: ${variants.map(({ name }) => name).join(', ')}.`,
      );
    });
  return (
    <li className="border-base-300 border-t py-1.5 text-[12px]">
      <p className="flex items-center gap-2">
        <span aria-hidden>{REVISION_STATES[state].sign}</span>
        <b className="font-semibold">{number}</b>
        <Pick
          className="w-28"
          label={`State of revision ${number}`}
          value={state}
          options={STATES}
          onChange={(chosen) => void mark(chosen as RevisionState)}
        />
        <span className="text-secondary ml-auto">{whenMade(at)}</span>
      </p>
      {note !== '' && <p className="wrap-anywhere">{note}</p>}
      {resting !== null && (
        <p role="status" className="border-warning border-l-3 pl-2">
          {resting}
        </p>
      )}
      <p className="text-secondary">
        {edits.length === 0 ? (
          'as it stands'
        ) : (
          <>
            differs in {placesWords(edits.map((one) => one.at))}{' '}
            <button
              type="button"
              className="link"
              title="What stands becomes this revision again; it can be undone"
              onClick={() => edit(edits)}
            >
              Bring back
            </button>{' '}
            <a className="link" href={`/side-by-side/${footprint}~revision%3D${number}/${footprint}`}>
              Side by side
            </a>
          </>
        )}
      </p>
    </li>
  );
}
