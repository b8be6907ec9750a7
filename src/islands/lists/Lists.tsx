import { useEffect, useMemo, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { LEVELS, type Level, type SheetUnit } from '../../core/document/document';
import { CATALOGUE } from '../../core/package/catalogue';
import { takenFrom } from '../../core/lists/prepare';
import type { ListAsked } from '../../core/lists/list';
import { Pick } from '../common/inputs';
import { NoteBar, tellNote } from '../common/note';
import { PageHead } from '../common/PageHead';
import { groups, shelf } from '../common/shelf-store';
import { counted } from '../common/words';
import { attempt, TroubleBar } from '../common/trouble';
import { ColumnRoles } from './ColumnRoles';
import { keepRoles } from './roles';
import { Rows } from './Rows';
import { headsOf, useList, worthALook, type ListInput } from './useList';

/** A list of parts, a row each: read, looked at, mended, and put on the Shelf as one act. */
export function Lists() {
  const [input, setInput] = useState<ListInput | null>(null);
  const [source, setSource] = useState('list');
  const [family, setFamily] = useState('');
  const [unit, setUnit] = useState<SheetUnit | ''>('');
  const [level, setLevel] = useState<Level>('B');
  const [component, setComponent] = useState('');
  /** `null` until something is settled: what was settled for these heads before holds. */
  const [said, setSaid] = useState<Readonly<Record<string, string>> | null>(null);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  useEffect(() => {
    document.title = 'A list of parts · Tapis';
  }, []);
  const asked = useMemo(
    (): ListAsked => ({
      source,
      level,
      ...(said ? { roles: said } : {}),
      ...(family === '' ? {} : { family }),
      ...(component === '' ? {} : { component }),
      ...(unit === '' ? {} : { unit }),
    }),
    [source, level, said, family, unit, component],
  );
  const { list, rows, cells, context, progress, refused, roles, stop } = useList(input, asked);
  const begin = (next: ListInput, name: string) => {
    setLeft(new Set());
    setSaid(null);
    setSource(name);
    setInput(next);
  };
  const bring = async (file: File | undefined) => {
    if (file)
      begin({ kind: 'file', bytes: new Uint8Array(await file.arrayBuffer()), name: file.name }, file.name);
  };
  const settle = (head: string, role: string | null) => {
    const next = { ...roles };
    if (role === null) delete next[head];
    else next[head] = role;
    setSaid(next);
    if (list) keepRoles(headsOf(list), next);
  };
  /** A cell that is mended: the list is read again from its cells. */
  const mend = (row: number, column: number, text: string) => {
    const line = rows.find((one) => one.row.number === row)?.row.line;
    const next = cells.map((own, i) => (i === line ? own.with(column, text) : own));
    setInput({ kind: 'cells', cells: next, context });
  };
  const components = CATALOGUE.filter(({ id }) => list?.families.some(([own]) => own === id))
    .flatMap(({ options }) => options.filter(({ id }) => id === 'component'))
    .slice(0, 1)
    .flatMap(({ choices }) => choices.map(({ id, name }) => [id, name] as const));
  const shown = useMemo(
    () => [...rows].sort((a, b) => worthALook(b) - worthALook(a) || a.row.number - b.row.number),
    [rows],
  );
  const taken = useMemo(
    () =>
      takenFrom(
        rows.map(({ row }) => row),
        ({ number }) => !left.has(number),
      ),
    [rows, left],
  );
  const take = () =>
    void attempt('Putting the list on the Shelf', async () => {
      const name = source.replace(/\.[a-z0-9]+$/i, '') || 'List';
      const byGroup = new Map<string, typeof taken>();
      for (const one of taken) byGroup.set(one.group, [...(byGroup.get(one.group) ?? []), one]);
      const ids: string[] = [];
      for (const [group, some] of byGroup) {
        const id = await groups.ensure(group === '' ? [name] : [name, group]);
        const added = await shelf.add(
          some.map(({ document }) => document),
          id,
        );
        ids.push(...added.map((one) => one.id));
      }
      tellNote({
        words: `${counted(ids.length, 'footprint')} of ${source} are on the Shelf, in the group “${name}”.`,
        takeBack: {
          words: 'Take them back',
          act: async () => {
            await shelf.bin(...ids);
            return 'They are in the bin.';
          },
        },
      });
      navigate('/');
    });
  return (
    <div
      className="flex h-screen min-w-[840px] flex-col"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        void bring(event.dataTransfer.files[0]);
      }}
    >
      <PageHead
        title="A list of parts"
        end={
          <>
            <label className="btn btn-sm">
              Choose a list
              <input
                type="file"
                accept=".csv,.tsv,.txt,.xlsx,.html,.htm"
                className="sr-only"
                aria-label="File with a list"
                onChange={({ target }) => {
                  void bring(target.files?.[0]);
                  target.value = '';
                }}
              />
            </label>
            <button
              type="button"
              className="btn btn-sm btn-primary"
              disabled={taken.length === 0 || progress !== null}
              onClick={take}
            >
              Put {taken.length} on the Shelf
            </button>
          </>
        }
      />
      <TroubleBar />
      <NoteBar />
      {refused !== null && (
        <p role="alert" className="border-error border-l-4 px-4 py-1.5">
          {refused}
        </p>
      )}
      {list === null ? (
        <Empty
          onText={(text, html) => begin({ kind: 'text', text, html }, 'pasted list')}
          busy={progress !== null}
        />
      ) : (
        <main className="flex min-h-0 flex-1 flex-col">
          <div className="border-base-300 bg-base-100 flex flex-wrap items-center gap-x-5 gap-y-1 border-b px-4 py-1.5 text-[13px]">
            <span>
              <b className="font-semibold">{source}</b>: {list.rows.length} rows,{' '}
              {list.families
                .map(([id, count]) => `${count} ${CATALOGUE.find((kind) => kind.id === id)?.title ?? id}`)
                .join(', ') || 'of no family that is known'}
            </span>
            <label className="flex items-center gap-2">
              Family
              <Pick
                className="w-52"
                value={family}
                options={[
                  ['', 'as each row says'],
                  ...CATALOGUE.map(({ id, title }) => [id, title] as const),
                ]}
                onChange={setFamily}
              />
            </label>
            <label className="flex items-center gap-2">
              Plain numbers
              <Pick
                className="w-28"
                value={unit}
                options={[
                  ['', 'as said'],
                  ['mm', 'mm'],
                  ['mil', 'mil'],
                  ['in', 'in'],
                ]}
                onChange={setUnit}
              />
            </label>
            <label className="flex items-center gap-2">
              Level
              <Pick
                className="w-16"
                value={level}
                options={LEVELS.map((one) => [one, one] as const)}
                onChange={setLevel}
              />
            </label>
            {components.length > 0 && (
              <label className="flex items-center gap-2">
                Where no word says it, they are
                <Pick
                  className="w-36"
                  value={component}
                  options={[['', 'not said'], ...components]}
                  onChange={setComponent}
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
          </div>
          {list.doubts.map((doubt) => (
            <p key={doubt} className="border-warning border-l-4 px-4 py-0.5 text-[13px]">
              {doubt}
            </p>
          ))}
          <ColumnRoles
            columns={list.columns}
            families={list.families.map(([id]) => id)}
            onSettle={settle}
            settled={roles}
          />
          <Rows
            rows={shown}
            columns={list.columns}
            left={left}
            onLeave={(number, isLeft) => {
              const next = new Set(left);
              if (isLeft) next.add(number);
              else next.delete(number);
              setLeft(next);
            }}
            onMend={mend}
          />
        </main>
      )}
    </div>
  );
}

function Empty({ onText, busy }: { onText: (text: string, html: string) => void; busy: boolean }) {
  return (
    <main className="grid flex-1 place-content-center p-8">
      <div className="w-[62ch] max-w-full">
        <p className="text-[15px]">
          A list has a row for each part and its dimensions in columns: a series table, a spreadsheet, a
          company’s list. Drop it here as CSV, TSV, XLSX or HTML, or paste its cells.
        </p>
        <textarea
          className="border-base-300 bg-base-100 mt-3 w-full border p-2"
          rows={8}
          aria-label="Cells of a list"
          placeholder={'Part no.\tL ±0.1\tW ±0.1\tH max\tTerminal\nR-1001\t1.6\t0.8\t0.55\t0.3 ±0.2'}
          disabled={busy}
          onPaste={(event) => {
            const { clipboardData } = event;
            const [text, html] = [clipboardData.getData('text/plain'), clipboardData.getData('text/html')];
            if (text.trim() === '' && html === '') return;
            event.preventDefault();
            onText(text, html);
          }}
          onBlur={({ target }) => target.value.trim() !== '' && onText(target.value, '')}
        />
        <p className="text-secondary mt-1 text-[12px]">What is typed is read when the field is left.</p>
      </div>
    </main>
  );
}
