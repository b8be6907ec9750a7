import { useState } from 'react';
import { editsBetween } from '../../core/document/difference';
import { placeWords } from '../../core/document/edit-words';
import type { StoredRevision } from '../../store/database';
import { whenMade } from '../common/words';
import { useBench } from '../state/context';
import { REVISION_STATES, useRevisions } from '../state/useRevisions';

/** Most differences that are named. */
const MOST = 8;

/** The kept revisions as a line of dots; pointing at one says in what it differs from what stands. */
export function RevisionLine() {
  const all = useRevisions();
  const locked = useBench((s) => s.locked);
  const set = useBench((s) => s.set);
  const [pointed, point] = useState<string | null>(null);
  if (all.length === 0) return null;
  const shown = all.find(({ id }) => id === pointed);
  return (
    <div
      className="border-base-300 bg-base-100 relative flex h-7 shrink-0 items-center gap-1 border-b px-3 text-[12px]"
      aria-label="Revisions"
      role="group"
      onPointerLeave={() => point(null)}
    >
      <span className="text-secondary mr-1">Revisions</span>
      {all.map(({ id, number, state }, i) => (
        <span key={id} className="flex items-center">
          {i > 0 && <span className="bg-base-300 mx-0.5 h-px w-4" aria-hidden />}
          <button
            type="button"
            className="hover:text-primary flex items-baseline gap-0.5 px-0.5 tabular-nums"
            aria-label={`Revision ${number}, ${REVISION_STATES[state].words}`}
            onPointerEnter={() => point(id)}
            onFocus={() => point(id)}
            onBlur={() => point(null)}
            onClick={() => set({ stage: 'release' })}
          >
            <span aria-hidden>{REVISION_STATES[state].sign}</span>
            {number}
          </button>
        </span>
      ))}
      {locked !== null && (
        <span className="text-secondary ml-2">Revision {locked} is approved and locked.</span>
      )}
      {shown && <Preview revision={shown} />}
    </div>
  );
}

function Preview({ revision }: { revision: StoredRevision }) {
  const document = useBench((s) => s.document);
  const places = [...new Set(editsBetween(revision.document, document).map(({ at }) => placeWords(at)))];
  return (
    <div
      role="tooltip"
      className="border-base-300 bg-base-100 absolute top-full left-2 z-20 max-w-80 border px-3 py-2"
    >
      <p className="font-semibold">
        Revision {revision.number}, {REVISION_STATES[revision.state].words}, {whenMade(revision.at)}
      </p>
      {revision.note !== '' && <p>{revision.note}</p>}
      <p className="text-secondary">
        {places.length === 0
          ? 'What stands is the same.'
          : `Changed since: ${places.slice(0, MOST).join(', ')}${places.length > MOST ? ` and ${places.length - MOST} more` : ''}.`}
      </p>
    </div>
  );
}
