import { useState } from 'react';
import type { Again, BroughtAgain } from '../../core/lists/again';
import type { ListColumn } from '../../core/lists/list';
import { saidChanges } from '../changing/change-words';
import { VERDICTS } from '../common/verdict';
import { Drawing } from '../sheet/CardDrawing';
import type { Difference } from './useAgain';
import type { ShownRow } from './useList';

interface Props {
  rows: readonly ShownRow[];
  columns: readonly ListColumn[];
  /** Numbers of rows that are left out. */
  left: ReadonlySet<number>;
  /** How rows stand to what was taken of the list before; `null` where nothing was. */
  again: BroughtAgain | null;
  differences: ReadonlyMap<string, Difference>;
  onLeave: (number: number, isLeft: boolean) => void;
  /** @param row its number, from 1 @param column its place */
  onMend: (row: number, column: number, text: string) => void;
}

/** Rows that are shown at first; more are a press away. */
const FIRST = 150;

/** The parts of a list, the doubtful first, each with its drawing and what was understood. */
export function Rows({ rows, columns, left, again, differences, onLeave, onMend }: Props) {
  const [open, setOpen] = useState<number | null>(null);
  const [most, setMost] = useState(FIRST);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={-1}>
      <ul aria-label="Parts">
        {rows.slice(0, most).map((one) => (
          <Row
            key={one.row.number}
            shown={one}
            columns={columns}
            again={again?.rows.get(one.row.number) ?? null}
            differences={differences}
            isLeft={left.has(one.row.number)}
            isOpen={open === one.row.number}
            onOpen={() => setOpen(open === one.row.number ? null : one.row.number)}
            onLeave={(isLeft) => onLeave(one.row.number, isLeft)}
            onMend={(column, text) => onMend(one.row.number, column, text)}
          />
        ))}
      </ul>
      {rows.length > most && (
        <button type="button" className="link m-3" onClick={() => setMost(most + FIRST)}>
          Show {Math.min(FIRST, rows.length - most)} of the {rows.length - most} others
        </button>
      )}
    </div>
  );
}

interface RowProps extends Pick<Props, 'columns' | 'differences'> {
  shown: ShownRow;
  again: Again | null;
  isLeft: boolean;
  isOpen: boolean;
  onOpen: () => void;
  onLeave: (isLeft: boolean) => void;
  onMend: (column: number, text: string) => void;
}

function Row({ shown, columns, again, differences, isLeft, isOpen, onOpen, onLeave, onMend }: RowProps) {
  const { row, kept, sameAs, known } = shown;
  const verdict = kept && VERDICTS[kept.facts.verdict];
  const doubt = row.doubts[0];
  const stays = again?.is === 'same' || (again?.is === 'changed' && again.fixed !== null);
  return (
    <li className="border-base-300 border-b px-4 py-1.5">
      <div className="grid grid-cols-[24px_120px_minmax(0,1.2fr)_minmax(0,1fr)_minmax(0,1.6fr)_auto] items-center gap-x-3">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          aria-label={`Take row ${row.number}, ${row.name}`}
          checked={!isLeft && row.document !== null && sameAs === null && !stays}
          disabled={row.document === null || sameAs !== null || stays}
          onChange={({ target }) => onLeave(!target.checked)}
        />
        <span className="flex h-[46px] items-center justify-center overflow-hidden">
          {kept?.drawing && (
            <Drawing drawing={kept.drawing} of={row.name} height={Math.min(44, kept.drawing.height)} />
          )}
        </span>
        <span className="min-w-0">
          <b className="block truncate font-semibold">{row.name}</b>
          <span className="text-secondary text-[12px]">row {row.number}</span>
        </span>
        <span className="min-w-0 truncate">{kept?.facts.standardName ?? ''}</span>
        <span className="min-w-0 text-[13px]">
          {sameAs !== null ? (
            <span className="text-secondary">the same footprint as row {sameAs}</span>
          ) : (
            <>
              {verdict && kept && (
                <span className={verdict.colour}>
                  {verdict.sign} {kept.facts.finding?.title ?? verdict.words}
                </span>
              )}
              {doubt !== undefined && (
                <span className="text-warning block truncate" title={row.doubts.join('\n')}>
                  ▲ {doubt}
                  {row.doubts.length > 1 ? ` and ${row.doubts.length - 1} more` : ''}
                </span>
              )}
              {again && <AgainWords again={again} differences={differences} />}
              {known && !again && (
                <span className="text-secondary block truncate">
                  The Shelf has these lands:{' '}
                  <a className="link" href={`/bench/${known.id}`}>
                    {known.name}
                  </a>
                </span>
              )}
            </>
          )}
        </span>
        <button
          type="button"
          className="btn btn-sm"
          aria-expanded={isOpen}
          onClick={onOpen}
          aria-label={`Cells of row ${row.number}`}
        >
          Cells
        </button>
      </div>
      {isOpen && (
        <div className="mt-1 ml-[36px] flex flex-wrap gap-2 pb-1">
          {columns.map(({ index, head }) => (
            <label key={index} className="w-[130px] text-[12px]">
              <span className="text-secondary block truncate">{head || 'no head'}</span>
              <MendCell
                text={row.cells[index] ?? ''}
                label={`${head} of row ${row.number}`}
                onMend={(text) => onMend(index, text)}
              />
            </label>
          ))}
          {row.doubts.map((words) => (
            <p key={words} className="text-warning w-full text-[12px]">
              ▲ {words}
            </p>
          ))}
        </div>
      )}
    </li>
  );
}

/** How a row stands to the footprint that was taken from it before. */
function AgainWords({ again, differences }: { again: Again; differences: ReadonlyMap<string, Difference> }) {
  if (again.is === 'new') return <span className="text-primary block">new in the list</span>;
  const link = (words: string) => (
    <a className="link" href={`/bench/${again.id}`}>
      {words}
    </a>
  );
  if (again.is === 'same') return <span className="text-secondary block">{link('as on the Shelf')}</span>;
  const difference = differences.get(again.id);
  const entries = again.changes
    .map(({ what, was, is }) => `${what} ${was || 'not said'} → ${is || 'no longer said'}`)
    .join('; ');
  return (
    <span className="block">
      <b className="font-semibold">
        {again.fixed === null ? 'changed' : `proposed, ${again.fixed} and stays`}
      </b>
      : {entries}. {difference ? `${saidChanges(difference.changes)}.` : ''} {link('On the Shelf')}
    </span>
  );
}

/** A cell that is read again once it is left. */
function MendCell({ text, label, onMend }: { text: string; label: string; onMend: (text: string) => void }) {
  return (
    <input
      key={text}
      className="border-base-300 bg-base-100 w-full border px-1"
      aria-label={label}
      defaultValue={text}
      onBlur={({ target }) => target.value !== text && onMend(target.value)}
      onKeyDown={({ key, currentTarget }) => {
        if (key === 'Escape') currentTarget.value = text;
        if (key === 'Enter' || key === 'Escape') currentTarget.blur();
      }}
    />
  );
}
