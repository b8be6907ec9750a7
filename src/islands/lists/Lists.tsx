import { useEffect, useMemo, useState } from 'react';
import type { Level, SheetUnit } from '../../core/document/document';
import type { ListAsked } from '../../core/lists/list';
import { NoteBar } from '../common/note';
import { PageHead } from '../common/PageHead';
import { attempt, TroubleBar } from '../common/trouble';
import { BillView } from './BillView';
import { broughtFiles, type Brought } from './files';
import { ListView } from './ListView';
import { keepRoles } from './roles';
import { headsOf, useList } from './useList';

/** What is asked of a list as a whole. */
export interface Wishes {
  readonly family: string;
  readonly unit: SheetUnit | '';
  readonly level: Level;
  readonly component: string;
}

const NO_WISHES: Wishes = { family: '', unit: '', level: 'B', component: '' };
/** What pasted cells are called until somebody says it. */
export const PASTED = 'pasted list';

/** Parts from lists: dimensions a row each, a bill of materials, or a folder of datasheets. */
export function Lists() {
  const [brought, setBrought] = useState<Brought | null>(null);
  const [source, setSource] = useState(PASTED);
  const [wishes, setWishes] = useState(NO_WISHES);
  const [reading, setReading] = useState<string | null>(null);
  /** `null` until something is settled: what was settled for these heads before holds. */
  const [said, setSaid] = useState<Readonly<Record<string, string>> | null>(null);
  useEffect(() => {
    document.title = 'A list of parts · Tapis';
  }, []);
  const asked = useMemo((): ListAsked => {
    const { family, unit, level, component } = wishes;
    return {
      source,
      level,
      ...(said ? { roles: said } : {}),
      ...(family === '' ? {} : { family }),
      ...(component === '' ? {} : { component }),
      ...(unit === '' ? {} : { unit }),
    };
  }, [source, said, wishes]);
  const state = useList(brought?.input ?? null, asked);
  const { list, bill, rows, cells, context, progress, refused, roles } = state;
  const begin = (next: Brought) => {
    setSaid(null);
    setSource(next.name);
    setBrought(next);
  };
  const bring = (files: readonly File[]) =>
    void attempt('Reading the list', async () => {
      try {
        const next = await broughtFiles(files, (done) =>
          setReading(`Reading file ${done + 1} of ${files.length}`),
        );
        if (next) begin(next);
      } finally {
        setReading(null);
      }
    });
  const settle = (head: string, role: string | null) => {
    const next = { ...roles };
    if (role === null) delete next[head];
    else next[head] = role;
    setSaid(next);
    keepRoles(headsOf(state), next);
  };
  /** A cell that is mended: the list is read again from its cells. */
  const mend = (row: number, column: number, text: string) => {
    const line = rows.find((one) => one.row.number === row)?.row.line;
    const next = cells.map((own, i) => (i === line ? own.with(column, text) : own));
    if (brought) setBrought({ ...brought, input: { kind: 'cells', cells: next, context } });
  };
  return (
    <div
      className="flex h-screen min-w-[840px] flex-col"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        bring([...event.dataTransfer.files]);
      }}
    >
      <PageHead title="A list of parts" end={<Choose onChoose={bring} />} />
      <TroubleBar />
      <NoteBar />
      {refused !== null && (
        <p role="alert" className="border-error border-l-4 px-4 py-1.5">
          {refused}
        </p>
      )}
      {reading !== null && (
        <p role="status" className="border-primary border-l-4 px-4 py-1.5">
          {reading}
        </p>
      )}
      {bill ? (
        <BillView
          key={source}
          source={source}
          bill={bill}
          settled={roles}
          onSettle={settle}
          onName={brought?.name === PASTED ? setSource : null}
        />
      ) : list && brought ? (
        <ListView
          key={brought.name}
          source={source}
          onName={brought.name === PASTED ? setSource : null}
          sheets={brought.sheets}
          state={state}
          list={list}
          wishes={wishes}
          onWish={(part) => setWishes({ ...wishes, ...part })}
          onSettle={settle}
          onMend={mend}
        />
      ) : (
        <Empty
          onText={(text, html) =>
            begin({ input: { kind: 'text', text, html }, name: PASTED, sheets: new Map() })
          }
          onExample={() =>
            void attempt('Opening the demo’s list', async () => {
              const { PASSIVES } = await import('../../demo/passives');
              const name = 'tide-gauge passives.csv';
              begin({
                input: { kind: 'file', name, bytes: new TextEncoder().encode(PASSIVES) },
                name,
                sheets: new Map(),
              });
            })
          }
          busy={progress !== null}
        />
      )}
    </div>
  );
}

/** Chooses a list, several datasheets, or a folder of them. */
function Choose({ onChoose }: { onChoose: (files: readonly File[]) => void }) {
  return (
    <>
      <label className="btn btn-sm relative">
        Choose a folder of datasheets
        <input
          type="file"
          className="sr-only"
          aria-label="Folder of datasheets"
          {...{ webkitdirectory: '' }}
          onChange={({ target }) => {
            onChoose([...(target.files ?? [])].filter(({ name }) => /\.(pdf|html?|txt)$/i.test(name)));
            target.value = '';
          }}
        />
      </label>
      <label className="btn btn-sm relative">
        Choose a list
        <input
          type="file"
          multiple
          accept=".csv,.tsv,.txt,.xlsx,.html,.htm,.pdf"
          className="sr-only"
          aria-label="File with a list"
          onChange={({ target }) => {
            onChoose([...(target.files ?? [])]);
            target.value = '';
          }}
        />
      </label>
    </>
  );
}

interface EmptyProps {
  onText: (text: string, html: string) => void;
  onExample: () => void;
  busy: boolean;
}

function Empty({ onText, onExample, busy }: EmptyProps) {
  return (
    <main className="grid flex-1 place-content-center p-8">
      <div className="w-[62ch] max-w-full">
        <p className="text-[15px]">
          A list has a row for each part: its dimensions in columns (a series table, a spreadsheet, a
          company’s list), or its package in words (a bill of materials). Drop it here as CSV, TSV, XLSX, HTML
          or PDF, drop several datasheets, or paste cells.
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
        <p className="text-secondary mt-1 text-[12px]">
          What is typed is read when the field is left.{' '}
          <button type="button" className="link" onClick={onExample}>
            Open the demo’s list of 60 passives
          </button>
        </p>
      </div>
    </main>
  );
}
