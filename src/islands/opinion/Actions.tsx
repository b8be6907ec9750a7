import { useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import type { TapisDocument } from '../../core/document/document';
import type { Drawable } from '../../core/footprint/footprint';
import { keptTheirs, type Opinion } from '../../core/opinion/opinion';
import type { StoredFootprint } from '../../store/database';
import { revisions, shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';

interface Props {
  stored: StoredFootprint;
  pattern: Drawable;
  against: Drawable;
  opinion: Opinion;
}

/** What can be made of a pattern. It is kept as a revision first, so that nothing of it is lost. */
export function Actions({ stored, pattern, against, opinion }: Props) {
  const { line, mended, wrong, fits } = opinion;
  const [reason, setReason] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const why = reason.trim();
  const make = (document: TapisDocument, what: string) =>
    void attempt(what, async () => {
      const notes = [stored.document.notes, `Second opinion: ${line}`, what].filter(Boolean).join('\n');
      const next = { ...document, name: stored.document.name, notes: notes.slice(0, 4000) };
      await revisions.keep(stored.id, 'draft', `As it was taken in. ${line}`);
      const { left } = await shelf.rewrite([{ id: stored.id, document: next, revision: stored.revision }]);
      if (left.length > 0)
        return setSaid(`It was changed elsewhere meanwhile, or is approved: ${left.join(', ')}.`);
      await shelf.letGo(stored.id);
      navigate(`/bench/${stored.id}/land`);
    });
  return (
    <section className="border-base-300 mt-3 border-t pt-3" aria-label="What to make of it">
      <h2 className="font-semibold">What to make of it</h2>
      <p className="text-secondary text-[12px]">
        The footprint becomes the package with these lands. The pattern as it is stays as a revision of it.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-sm btn-primary"
          onClick={() => make(mended, 'Only what is wrong was mended.')}
        >
          Mend what is wrong
        </button>
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => make(against.document, 'The computed lands were taken.')}
        >
          Take the computed lands
        </button>
      </div>
      <p className="text-secondary mt-1 text-[12px]">
        {wrong === 0
          ? 'No land has to change; numbers and marks become those of the package.'
          : `${counted(wrong, 'land')} would be computed anew; ${wrong < pattern.footprint.lands.length ? 'the others stay as given' : 'none stays as given'}. Numbers and marks become those of the package.`}
      </p>
      <form
        className="mt-2 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (why !== '') make(keptTheirs(pattern, against, opinion, why), `Kept as given: ${why}`);
        }}
      >
        <input
          className="input input-sm min-w-0 flex-1"
          aria-label="Why they are kept"
          placeholder="Why they are kept as given"
          value={reason}
          maxLength={400}
          onChange={({ target }) => setReason(target.value)}
        />
        <button type="submit" className="btn btn-sm" disabled={why === ''}>
          Keep theirs
        </button>
      </form>
      {!fits && (
        <p className="text-secondary mt-1 text-[12px]">
          Not all of it lies on the terminals of the package: kept, it stays the pattern that it is, with the
          reason.
        </p>
      )}
      {said !== null && (
        <p role="alert" className="text-error mt-1">
          {said}
        </p>
      )}
    </section>
  );
}
