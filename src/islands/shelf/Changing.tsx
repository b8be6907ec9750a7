import { useEffect, useRef, useState } from 'react';
import type { Change } from '../../core/compare/compare';
import type { Prospect, Wish } from '../../core/library/change';
import type { ChangeAnswer, ChangeRequest } from '../../workers/change';
import type { StoredFootprint } from '../../store/database';
import { tellNote } from '../common/note';
import { shelf } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { byCrew } from './crew';
import { VERDICTS } from './verdict';
import { changeWords } from './change-words';

interface Props {
  wish: Wish;
  ids: readonly string[];
  onClose: () => void;
}

/** One footprint of the table. */
interface Line {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** `null` where it is so already, `undefined` where it could not be looked at. */
  readonly prospect: Prospect | null | undefined;
}

/** Footprints that a worker looks at in one go. */
const BATCH = 8;
/** Most lines that are listed. */
const LISTED = 200;
const GRAVITY = ['stop', 'caution', 'note', 'clear'] as const;

export const wishWords = ({ process, level }: Wish): string =>
  [process?.name, level && `level ${level}`].filter(Boolean).join(', ');

/** Shows what a wish would do to many footprints, before anything is written, and does it as one act. */
export function Changing({ wish, ids, onClose }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [lines, setLines] = useState<readonly Line[]>([]);
  const stop = useRef<AbortController | null>(null);
  const [stopped, setStopped] = useState(false);
  useEffect(() => {
    dialog.current?.showModal();
    const control = new AbortController();
    stop.current = control;
    void look(ids, wish, (more) => setLines((before) => [...before, ...more]), control.signal);
    return () => control.abort();
    // what is looked at does not change while the dialog is open
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  const running = lines.length < ids.length && !stopped;
  const changing = lines.filter(
    (line): line is Line & { readonly prospect: Prospect } =>
      line.prospect !== null && line.prospect !== undefined,
  );
  const lost = lines.filter(({ prospect }) => prospect === undefined).length;
  const same = lines.filter(({ prospect }) => prospect === null).length;
  const counts = GRAVITY.map((verdict) => ({
    verdict,
    now: changing.filter(({ prospect }) => prospect.before === verdict).length,
    then: changing.filter(({ prospect }) => prospect.after === verdict).length,
  }));
  const listed = [...changing].sort(
    (a, b) => GRAVITY.indexOf(a.prospect.after) - GRAVITY.indexOf(b.prospect.after),
  );
  const write = async () => {
    await attempt(`Changing ${counted(changing.length, 'footprint')}`, async () => {
      const { before, left } = await shelf.rewrite(
        changing.map(({ id, revision, prospect }) => ({ id, revision, document: prospect.document })),
      );
      const others = left.length > 0 ? ` ${left.join(', ')} changed meanwhile and stayed.` : '';
      tellNote({
        words: `${counted(before.length, 'footprint')} now: ${wishWords(wish)}.${others}`,
        takeBack: { words: 'Take it back', act: () => takenBack(before) },
      });
    });
    onClose();
  };

  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-label={`What ${wishWords(wish)} would change`}
      onClose={() => onClose()}
    >
      <div className="modal-box border-base-300 flex max-h-[92vh] max-w-5xl flex-col border p-4">
        <h2 className="text-[15px] font-semibold">
          {wishWords(wish)} for {counted(ids.length, 'footprint')}
        </h2>
        <p role="status" className="mt-1 min-h-[22px]">
          {running ? (
            <>
              Looking at what would change: {lines.length} of {ids.length}{' '}
              <button
                type="button"
                className="link"
                onClick={() => {
                  stop.current?.abort();
                  setStopped(true);
                }}
              >
                Stop
              </button>
            </>
          ) : (
            <>
              {counted(changing.length, 'footprint')} would change
              {same > 0 && `, ${same} ${same === 1 ? 'is' : 'are'} so already`}
              {lost > 0 && `, ${lost} could not be looked at and would stay`}
              {stopped && `, ${ids.length - lines.length} were not looked at and would stay`}. Nothing is
              written yet.
            </>
          )}
        </p>
        <p className="mt-2 flex gap-5 text-[12px] tabular-nums">
          {counts.map(({ verdict, now, then }) => (
            <span key={verdict}>
              <span className={VERDICTS[verdict].colour} aria-hidden>
                {VERDICTS[verdict].sign}
              </span>{' '}
              {VERDICTS[verdict].words}: {now} → <b className="font-semibold">{then}</b>
            </span>
          ))}
        </p>
        <div className="mt-2 min-h-0 overflow-y-auto" tabIndex={0} aria-label="What would change">
          <table className="w-full text-[12px]">
            <thead className="text-secondary text-left">
              <tr>
                <th className="font-normal">footprint</th>
                <th className="font-normal">found now → then</th>
                <th className="font-normal">what would change</th>
              </tr>
            </thead>
            <tbody>
              {listed.slice(0, LISTED).map(({ id, name, prospect }) => (
                <tr key={id} className="border-base-300 border-t align-baseline">
                  <th
                    scope="row"
                    className="max-w-64 truncate py-1 pr-3 text-left font-semibold"
                    title={name}
                  >
                    {name}
                  </th>
                  <td className="pr-3 whitespace-nowrap">
                    <Verdict verdict={prospect.before} /> → <Verdict verdict={prospect.after} />
                  </td>
                  <td>{said(prospect.changes)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {listed.length > LISTED && (
            <p className="text-secondary py-1">
              and {listed.length - LISTED} more, which are found no worse.
            </p>
          )}
        </div>
        <div className="mt-4 flex justify-end gap-2">
          <button type="button" className="btn btn-sm" onClick={() => onClose()}>
            Leave them
          </button>
          <button
            type="button"
            className="btn btn-sm btn-primary"
            disabled={running || changing.length === 0}
            onClick={() => void write()}
          >
            Change {counted(changing.length, 'footprint')}
          </button>
        </div>
      </div>
    </dialog>
  );
}

/** Writes what there was before, where nobody changed it since. */
async function takenBack(rows: Parameters<typeof shelf.rewrite>[0]): Promise<string> {
  const { before, left } = await shelf.rewrite(rows);
  const others = left.length > 0 ? ` ${left.join(', ')} changed since and stayed.` : '';
  return `${counted(before.length, 'footprint')} ${before.length === 1 ? 'is' : 'are'} as before.${others}`;
}

function Verdict({ verdict }: { verdict: Prospect['before'] }) {
  const { sign, words, colour } = VERDICTS[verdict];
  return (
    <>
      <span className={colour} aria-hidden>
        {sign}
      </span>{' '}
      {words}
    </>
  );
}

/** Changes that a line of the table tells. */
const TOLD = 4;

function said(changes: readonly Change[]): string {
  if (changes.length === 0) return 'nothing in the footprint';
  const more = changes.length > TOLD ? `; and ${changes.length - TOLD} more` : '';
  return changes.slice(0, TOLD).map(changeWords).join('; ') + more;
}

/** Looks at footprints a batch at a time, beside the page. */
async function look(
  ids: readonly string[],
  wish: Wish,
  onLines: (lines: readonly Line[]) => void,
  signal: AbortSignal,
): Promise<void> {
  const batches = Array.from({ length: Math.ceil(ids.length / BATCH) }, (_, i) =>
    ids.slice(i * BATCH, (i + 1) * BATCH),
  );
  const rows = new Map<string, Pick<StoredFootprint, 'revision' | 'document'>>();
  await byCrew<string, ChangeRequest, ChangeAnswer>(
    batches,
    () => new Worker(new URL('../../workers/change.ts', import.meta.url), { type: 'module' }),
    async (batch) => {
      const footprints = await Promise.all(
        (await shelf.getAll(batch)).map(async ({ id, revision, document }) => {
          rows.set(id, { revision, document });
          const key = document.body?.model?.key;
          const stored = key === undefined ? null : await shelf.models.get(key);
          return { id, document, model: stored?.model ?? null };
        }),
      );
      return { wish, footprints };
    },
    (answer, batch) => {
      const prospects = new Map(answer?.map(({ id, prospect }) => [id, prospect]));
      onLines(
        batch.map((id): Line => {
          const row = rows.get(id);
          rows.delete(id);
          const { revision = 0, document } = row ?? {};
          return { id, revision, name: document?.name ?? id, prospect: prospects.get(id) };
        }),
      );
    },
    signal,
  );
}
