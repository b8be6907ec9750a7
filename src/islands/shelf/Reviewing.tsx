import { useState } from 'react';
import { joinedReviews, type Reviewed } from '../../core/library/review';
import { differenceWords, reviewHtml, type ReviewHead } from '../../core/format/review/html';
import { reviewMarkdown } from '../../core/format/review/markdown';
import type { Model } from '../../core/body/model';
import type { StoredFootprint, StoredRevision } from '../../store/database';
import { download } from '../common/download';
import { revisions, shelf, trials } from '../common/shelf-store';
import { useCrew } from '../common/useCrew';
import { counted } from '../common/words';
import { SINCE_WORDS, type Since } from './since';
import { GRAVITY, ManyDialog, Verdict } from '../changing/ManyDialog';

interface Props {
  ids: readonly string[];
  since: Since;
  onClose: () => void;
}

/** Footprints that a worker holds against what they were in one go. */
const BATCH = 4;
/** Differences of a footprint that the table tells. */
const TOLD = 3;

/** What changed in some footprints since a revision of each, to be looked at and handed on as a page. */
export function Reviewing({ ids, since, onClose }: Props) {
  const { found, done, lost, running, stopped, stop, idOf } = useReview(ids, since);
  const [today] = useState(() => new Date().toISOString().slice(0, 10));
  const head: ReviewHead = {
    title: `Review of ${counted(ids.length, 'footprint')}`,
    before: SINCE_WORDS[since],
    after: `as of ${today}`,
  };
  return (
    <ManyDialog
      label="What changed"
      title={`${counted(ids.length, 'footprint')}, ${SINCE_WORDS[since]}`}
      status={
        running ? (
          <>
            Holding them against what they were: {done} of {ids.length}{' '}
            <button type="button" className="link" onClick={stop}>
              Stop
            </button>
          </>
        ) : (
          <>
            {found.entries.filter(({ kind }) => kind === 'changed').length} changed,{' '}
            {found.entries.filter(({ kind }) => kind === 'new').length} without such a revision,{' '}
            {found.unchanged} the same
            {lost > 0 && `, ${lost} could not be looked at`}
            {stopped && `, ${ids.length - done} were not looked at`}.
          </>
        )
      }
      figures={(verdict) => (
        <>
          {found.entries.filter(({ was }) => was?.verdict === verdict).length} →{' '}
          <b className="font-semibold">{found.entries.filter(({ is }) => is?.verdict === verdict).length}</b>
        </>
      )}
      heads={['found then → now', 'what differs']}
      rows={found.entries.map((one) => ({
        id: idOf.get(one.path) ?? '',
        name: one.name,
        cells: [<Verdicts key="found" of={one} />, differences(one)],
      }))}
      rest="in which less differs"
      buttons={
        <>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Close
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={running}
            onClick={() =>
              download({
                name: 'review.md',
                mediaType: 'text/markdown',
                content: reviewMarkdown(found, head),
              })
            }
          >
            Save the summary
          </button>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            disabled={running}
            onClick={() =>
              download({ name: 'review.html', mediaType: 'text/html', content: reviewHtml(found, head) })
            }
          >
            Save the page
          </button>
        </>
      }
      onClose={onClose}
    />
  );
}

function Verdicts({ of: { was, is } }: { of: Reviewed }) {
  const known = (one: string | undefined) => GRAVITY.find((verdict) => verdict === one);
  const [before, now] = [known(was?.verdict), known(is?.verdict)];
  return (
    <>
      {before && (
        <>
          <Verdict verdict={before} /> →{' '}
        </>
      )}
      {now && <Verdict verdict={now} />}
    </>
  );
}

function differences({ kind, differences: all }: Reviewed): string {
  if (kind === 'new') return 'no such revision was kept';
  const more = all.length > TOLD ? `; and ${all.length - TOLD} more` : '';
  return `${all.slice(0, TOLD).map(differenceWords).join('; ')}${more}`;
}

/** Holds footprints against what they were beside the page, while the dialog is open. */
function useReview(ids: readonly string[], since: Since) {
  // names may come twice on a Shelf: the ids of footprints by what the review calls them
  const [idOf] = useState(() => new Map<string, string>());
  const pathOf = ({ id, document: { name } }: StoredFootprint) => {
    let path = name;
    for (let i = 2; idOf.has(path); i += 1) path = `${name} (${i})`;
    idOf.set(path, id);
    return path;
  };
  const work = useCrew(
    'review',
    ids,
    BATCH,
    async (batch) => ({
      footprints: await Promise.all((await shelf.getAll(batch)).map((row) => asked(row, pathOf(row), since))),
    }),
    (answer) => (answer ? [answer] : []),
  );
  return { ...work, found: joinedReviews(work.results), idOf };
}

async function asked({ id, document }: StoredFootprint, path: string, since: Since) {
  const [kept, boards] = await Promise.all([revisions.list(id), trials.holding(id)]);
  const was = earlier(kept, since)?.document ?? null;
  const models: Record<string, Model> = {};
  for (const key of [document, was].map((one) => one?.body?.model?.key)) {
    const stored = key === undefined ? null : await shelf.models.get(key);
    if (key !== undefined && stored?.model) models[key] = stored.model;
  }
  return { path, was, is: document, usedBy: boards.map((board) => board.document.name), models };
}

function earlier(kept: readonly StoredRevision[], since: Since): StoredRevision | undefined {
  switch (since) {
    case 'approved':
      return kept.findLast(({ state }) => state === 'approved');
    case 'kept':
      return kept.at(-1);
    case 'first':
      return kept[0];
  }
}
