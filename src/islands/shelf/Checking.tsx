import { useLiveQuery } from 'dexie-react-hooks';
import { facts } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import type { Found } from '../../workers/jobs/change';
import { saidChanges } from '../changing/change-words';
import { useLooking, type Line } from '../changing/looking';
import { GRAVITY, ManyDialog, Verdict } from '../changing/ManyDialog';

interface Props {
  ids: readonly string[];
  onClose: () => void;
}

const CHECK = {};
/** Findings that a line of the table tells. */
const TOLD = 3;

/**
 * Compiles and checks many footprints with this version of Tapis and tells what is found in each, and what an
 * earlier version had made otherwise. Documents stay as they are.
 */
export function Checking({ ids, onClose }: Props) {
  const { lines, running, stopped, stop } = useLooking(ids, CHECK);
  const news = useLiveQuery(() => facts.news(), []) ?? [];
  const earlier = new Map(news.map(({ id, was }) => [id, was]));
  const found = lines.filter((line): line is Line & { readonly found: Found } => Boolean(line.found));
  const lost = lines.length - found.length;
  const listed = [...found].sort(
    (a, b) =>
      Number(earlier.has(b.id)) - Number(earlier.has(a.id)) ||
      GRAVITY.indexOf(a.found.verdict) - GRAVITY.indexOf(b.found.verdict),
  );
  const other = listed.filter(({ id }) => earlier.has(id)).map(({ id }) => id);
  return (
    <ManyDialog
      label="What is found"
      title={`${counted(ids.length, 'footprint')}, compiled and checked with this version`}
      status={
        running ? (
          <>
            Checking: {lines.length} of {ids.length}{' '}
            <button type="button" className="link" onClick={stop}>
              Stop
            </button>
          </>
        ) : (
          <>
            {counted(found.length, 'footprint')} checked
            {lost > 0 && `, ${lost} could not be`}
            {stopped && `, ${ids.length - lines.length} were not looked at`}.{' '}
            {other.length > 0
              ? `${other.length} ${other.length === 1 ? 'comes' : 'come'} out otherwise than with the version before.`
              : 'None comes out otherwise than with the version before.'}
          </>
        )
      }
      figures={(verdict) => (
        <b className="font-semibold">{found.filter((one) => one.found.verdict === verdict).length}</b>
      )}
      heads={['found', 'what']}
      rows={listed.map(({ id, name, locked, found: { verdict, findings } }) => {
        const was = earlier.get(id);
        const titles = [...new Set(findings.map(({ title }) => title))];
        const more = titles.length > TOLD ? `; and ${titles.length - TOLD} more` : '';
        return {
          id,
          name,
          cells: [
            <>
              {was && (
                <>
                  <Verdict verdict={was.verdict} /> →{' '}
                </>
              )}
              <Verdict verdict={verdict} />
            </>,
            <>
              {was && (
                <span className="block">
                  With this version: {saidChanges(was.changes)}
                  {locked !== undefined && ` (revision ${locked} is approved)`}.
                </span>
              )}
              {titles.slice(0, TOLD).join('; ') + more}
            </>,
          ],
        };
      })}
      rest="where no worse is found"
      buttons={
        <>
          {other.length > 0 && (
            <button
              type="button"
              className="btn btn-sm"
              title="They are not told of again until another version makes them otherwise"
              onClick={() => void attempt('Keeping what was seen', () => facts.seen(other))}
            >
              I have seen what differs
            </button>
          )}
          <button type="button" className="btn btn-sm btn-primary" onClick={() => onClose()}>
            Close
          </button>
        </>
      }
      onClose={onClose}
    />
  );
}
