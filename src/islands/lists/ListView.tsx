import { useMemo, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { LEVELS, type SheetUnit } from '../../core/document/document';
import type { GoneRow } from '../../core/lists/again';
import type { ReadList } from '../../core/lists/list';
import { takenFrom } from '../../core/lists/prepare';
import { CATALOGUE } from '../../core/package/catalogue';
import { Pick } from '../common/inputs';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { ColumnRoles } from './ColumnRoles';
import type { Brought } from './files';
import { ListName } from './ListName';
import { PASTED, type Wishes } from './Lists';
import { Rows } from './Rows';
import { takeOntoShelf } from './taking';
import { useAgain } from './useAgain';
import { worthALook, type ListState } from './useList';

interface Props {
  source: string;
  onName: ((name: string) => void) | null;
  sheets: Brought['sheets'];
  state: ListState & { readonly stop: () => void };
  list: ReadList;
  wishes: Wishes;
  onWish: (part: Partial<Wishes>) => void;
  /** `null` takes the proposal again. */
  onSettle: (head: string, role: string | null) => void;
  onMend: (row: number, column: number, text: string) => void;
}

/** A list of parts: what was understood, how it stands to what was taken before, and its way onto the Shelf. */
export function ListView(props: Props) {
  const { source, state, list, sheets, onSettle, onMend } = props;
  const { rows, progress, roles } = state;
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [binned, setBinned] = useState<ReadonlySet<string>>(new Set());
  const whole = useMemo(() => takenFrom(rows.map(({ row }) => row)), [rows]);
  const unread = rows.flatMap(({ row: { document, name, part } }) => (document ? [] : [{ name, part }]));
  const { again, differences, revisions } = useAgain(
    source,
    progress === null && source !== PASTED ? whole : null,
    unread,
  );
  const wanted = whole.filter(({ number }) => !left.has(number));
  const fresh = wanted.filter(({ number }) => (again?.rows.get(number)?.is ?? 'new') === 'new');
  const changed = wanted.flatMap(({ number }) => {
    const one = again?.rows.get(number);
    return one?.is === 'changed' && one.fixed === null
      ? [{ id: one.id, revision: revisions.get(one.id) ?? 0, document: one.document }]
      : [];
  });
  const gone = [...binned];
  const shown = useMemo(() => {
    const worth = (one: (typeof rows)[number]) => {
      const is = again?.rows.get(one.row.number)?.is;
      return worthALook(one) + (is === 'changed' ? 2.5 : again && is === 'new' ? 1.5 : 0);
    };
    return [...rows].sort((a, b) => worth(b) - worth(a) || a.row.number - b.row.number);
  }, [rows, again]);
  const toggled = <T,>(set: ReadonlySet<T>, one: T, isIn: boolean): ReadonlySet<T> => {
    const next = new Set(set);
    if (isIn) next.add(one);
    else next.delete(one);
    return next;
  };
  const count = fresh.length + changed.length + gone.length;
  const take = () =>
    void attempt('Putting the list on the Shelf', async () => {
      await takeOntoShelf({ source, fresh, changed, gone, sheets });
      navigate('/');
    });
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <Asked
        {...props}
        button={
          <button
            type="button"
            className="btn btn-sm btn-primary ml-auto"
            disabled={count === 0 || progress !== null}
            onClick={take}
          >
            {again
              ? [
                  ...(fresh.length > 0 ? [`Put ${fresh.length} new`] : []),
                  ...(changed.length > 0 ? [`change ${changed.length}`] : []),
                  ...(gone.length > 0 ? [`bin ${gone.length}`] : []),
                ].join(', ') || 'Nothing to take'
              : `Put ${fresh.length} on the Shelf`}
          </button>
        }
      />
      {[...list.doubts, ...(again?.byHand ?? [])].map((doubt) => (
        <p key={doubt} className="border-warning border-l-4 px-4 py-0.5 text-[13px]">
          {doubt}
        </p>
      ))}
      {again && again.gone.length > 0 && (
        <Gone gone={again.gone} binned={binned} onBin={(id, isIn) => setBinned(toggled(binned, id, isIn))} />
      )}
      {list.columns.length > 0 && (
        <ColumnRoles
          columns={list.columns}
          families={list.families.map(([id]) => id)}
          onSettle={onSettle}
          settled={roles}
        />
      )}
      <Rows
        rows={shown}
        columns={list.columns}
        left={left}
        again={again}
        differences={differences}
        onLeave={(number, isLeft) => setLeft(toggled(left, number, isLeft))}
        onMend={onMend}
      />
    </main>
  );
}

/** What is asked of the list as a whole. */
function Asked({
  source,
  onName,
  state: { progress, stop },
  list,
  wishes: { family, unit, level, component },
  onWish,
  button,
}: Props & { button: React.ReactNode }) {
  const components = CATALOGUE.filter(({ id }) => list.families.some(([own]) => own === id))
    .flatMap(({ options }) => options.filter(({ id }) => id === 'component'))
    .slice(0, 1)
    .flatMap(({ choices }) => choices.map(({ id, name }) => [id, name] as const));
  const label = 'flex items-center gap-2';
  return (
    <div className="border-base-300 bg-base-100 flex flex-wrap items-center gap-x-5 gap-y-1 border-b px-4 py-1.5 text-[13px]">
      <span>
        <ListName source={source} onName={onName} />: {counted(list.rows.length, 'row')},{' '}
        {list.families
          .map(([id, count]) => `${count} ${CATALOGUE.find((kind) => kind.id === id)?.title ?? id}`)
          .join(', ') || 'of no family that is known'}
      </span>
      <label className={label}>
        Family
        <Pick
          className="w-52"
          value={family}
          options={[['', 'as each row says'], ...CATALOGUE.map(({ id, title }) => [id, title] as const)]}
          onChange={(next) => onWish({ family: next })}
        />
      </label>
      <label className={label}>
        Plain numbers
        <Pick<SheetUnit | ''>
          className="w-28"
          value={unit}
          options={[
            ['', 'as said'],
            ['mm', 'mm'],
            ['mil', 'mil'],
            ['in', 'in'],
          ]}
          onChange={(next) => onWish({ unit: next })}
        />
      </label>
      <label className={label}>
        Level
        <Pick
          className="w-16"
          value={level}
          options={LEVELS.map((one) => [one, one] as const)}
          onChange={(next) => onWish({ level: next })}
        />
      </label>
      {components.length > 0 && (
        <label className={label}>
          Where no word says it, they are
          <Pick
            className="w-36"
            value={component}
            options={[['', 'not said'], ...components]}
            onChange={(next) => onWish({ component: next })}
          />
        </label>
      )}
      {progress !== null && (
        <span role="status" className="flex items-center gap-2">
          {progress.of === 0 ? 'Reading the list' : `Working out ${progress.done} of ${progress.of}`}
          <button type="button" className="btn btn-sm" onClick={stop}>
            Stop
          </button>
        </span>
      )}
      {button}
    </div>
  );
}

interface GoneProps {
  gone: readonly GoneRow[];
  binned: ReadonlySet<string>;
  onBin: (id: string, isIn: boolean) => void;
}

/** Footprints that were taken from the list, and that no row is left of: they stay unless they are ticked. */
function Gone({ gone, binned, onBin }: GoneProps) {
  return (
    <section
      aria-label="No longer in the list"
      className="border-warning max-h-28 shrink-0 overflow-y-auto border-l-4 px-4 py-1 text-[13px]"
    >
      <b className="font-semibold">
        No longer in the list, and left as they are unless they are ticked for the bin:
      </b>{' '}
      {gone.map(({ id, name, fixed }) => (
        <label key={id} className="mr-3 inline-flex items-baseline gap-1" title={fixed ?? undefined}>
          <input
            type="checkbox"
            className="checkbox checkbox-xs self-center"
            disabled={fixed !== null}
            checked={binned.has(id)}
            onChange={({ target }) => onBin(id, target.checked)}
          />
          {name}
          {fixed !== null && <span className="text-secondary"> ({fixed})</span>}
        </label>
      ))}
    </section>
  );
}
