import { useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { billTable } from '../../core/format/csv/bill';
import type { Bill } from '../../core/lists/bill';
import { sameLine, type BillMatch } from '../../core/lists/bill-match';
import { ROLE_WORDS } from '../../core/lists/columns';
import type { ListColumn } from '../../core/lists/list';
import { Chips } from '../common/inputs';
import { download } from '../common/download';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import { ColumnRoles } from './ColumnRoles';
import { ListName } from './ListName';
import { takeOntoShelf } from './taking';
import { useBill, type FoundLine } from './useBill';

interface Props {
  source: string;
  onName: ((name: string) => void) | null;
  bill: Bill;
  settled: Readonly<Record<string, string>>;
  /** `null` takes the proposal again. */
  onSettle: (head: string, role: string | null) => void;
}

type Shown = 'all' | 'missing' | 'typical' | 'doubtful';
const isDoubtful = (match: BillMatch): boolean =>
  match.is === 'there' && (match.doubt !== null || match.others.length > 0);
const SHOWN: Readonly<Record<Shown, (match: BillMatch) => boolean>> = {
  all: () => true,
  missing: ({ is }) => is === 'missing',
  typical: ({ is }) => is === 'typical',
  doubtful: isDoubtful,
};
/** What is to be looked at stands first. */
const ORDER: Readonly<Record<BillMatch['is'], number>> = { missing: 0, typical: 1, there: 3 };
const orderOf = (match: BillMatch): number => (isDoubtful(match) ? 2 : ORDER[match.is]);

/** A bill of materials: which footprint each line has, which have a typical size alone, and what is missing. */
export function BillView({ source, onName, bill, settled, onSettle }: Props) {
  const found = useBill(bill);
  const [shown, setShown] = useState<Shown>('all');
  const count = (which: Shown) => found?.filter(([, match]) => SHOWN[which](match)).length ?? 0;
  const typical = typicalOf(found ?? []);
  const columns = bill.columns.map(({ head, role }, index): ListColumn => ({
    index,
    head,
    role: role ?? 'left',
    reason: role ? `its head says ${ROLE_WORDS[role]}` : 'its head says nothing that is known',
    doubt: null,
  }));
  const take = () =>
    void attempt('Putting typical sizes on the Shelf', async () => {
      await takeOntoShelf({
        source,
        fresh: typical.map((document) => ({ document, group: '', tags: ['typical'] })),
        changed: [],
        gone: [],
        sheets: new Map(),
      });
      navigate('/');
    });
  const save = (lines: readonly FoundLine[], what: string) =>
    download({
      name: `${source.replace(/\.[a-z0-9]+$/i, '')} ${what}.csv`,
      mediaType: 'text/csv',
      content: billTable(lines),
    });
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <div className="border-base-300 bg-base-100 flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-4 py-1.5 text-[13px]">
        <span>
          <ListName source={source} onName={onName} />: {counted(bill.lines.length, 'line')}
          {found ? `, ${found.filter(([, { is }]) => is === 'there').length} on the Shelf` : ''}
        </span>
        {found && (
          <Chips<Shown>
            label="Lines shown"
            value={shown}
            options={[
              ['all', 'all'],
              ['missing', `${count('missing')} missing`],
              ['typical', `${count('typical')} typical sizes`],
              ['doubtful', `${count('doubtful')} to be looked at`],
            ]}
            onChoose={setShown}
          />
        )}
        {!found && <span role="status">Looking through the Shelf</span>}
        <button
          type="button"
          className="btn btn-sm ml-auto"
          disabled={!found}
          onClick={() =>
            save(
              (found ?? []).filter(([, match]) => SHOWN[shown](match)),
              shown,
            )
          }
        >
          Save {shown === 'all' ? 'the table' : 'these'}
        </button>
        <button
          type="button"
          className="btn btn-sm btn-primary"
          disabled={typical.length === 0}
          onClick={take}
        >
          Put {typical.length} typical on the Shelf
        </button>
      </div>
      {bill.doubts.map((doubt) => (
        <p key={doubt} className="border-warning border-l-4 px-4 py-0.5 text-[13px]">
          {doubt}
        </p>
      ))}
      <ColumnRoles columns={columns} families={['bill']} settled={settled} onSettle={onSettle} />
      <Lines lines={(found ?? []).filter(([, match]) => SHOWN[shown](match))} />
    </main>
  );
}

/** A document of each typical size that lines stand for, once. */
function typicalOf(found: readonly FoundLine[]) {
  const seen = new Map(
    found.flatMap(([line, match]) =>
      match.is === 'typical'
        ? [[`${match.why} ${sameLine({ ...line, part: '' })}`, match.document] as const]
        : [],
    ),
  );
  return [...seen.values()];
}

function Lines({ lines }: { lines: readonly FoundLine[] }) {
  const sorted = [...lines].sort(([a, x], [b, y]) => orderOf(x) - orderOf(y) || a.number - b.number);
  return (
    <div className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Lines of the bill">
      <table className="w-full text-left text-[13px]">
        <thead className="bg-base-200 sticky top-0">
          <tr>
            {['line', 'references', 'number', 'part', 'value', 'package', 'footprint'].map((head) => (
              <th
                key={head}
                className={`px-2 py-1 font-semibold first:pl-4 ${head === 'number' ? 'text-right' : ''}`}
              >
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {sorted.map(([line, match]) => (
            <tr key={line.number} className="border-base-300 border-t align-top">
              <td className="text-secondary py-1 pr-2 pl-4">{line.number}</td>
              <td className="max-w-40 px-2 py-1 wrap-anywhere">{line.references}</td>
              <td className="px-2 py-1 text-right">{line.quantity ?? ''}</td>
              <td className="px-2 py-1">{line.part}</td>
              <td className="px-2 py-1">{line.value}</td>
              <td className="px-2 py-1">{line.package}</td>
              <td className="px-2 py-1">
                <Match match={match} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What a line is. */
function Match({ match }: { match: BillMatch }) {
  if (match.is === 'missing')
    return (
      <span className="text-error">
        ● missing <span className="text-base-content block text-[12px]">{match.why}</span>
      </span>
    );
  if (match.is === 'typical') return <span className="text-warning">▲ {match.why}</span>;
  const { id, name, why, others, doubt } = match;
  return (
    <>
      <a className="link" href={`/bench/${id}`}>
        {name}
      </a>{' '}
      <span className="text-secondary text-[12px]">{why}</span>
      {doubt !== null && <span className="text-warning block text-[12px]">▲ {doubt}</span>}
      {others.length > 0 && (
        <span className="text-secondary block text-[12px]">
          as well: {others.slice(0, 4).join(', ')}
          {others.length > 4 ? ` and ${others.length - 4} more` : ''}
        </span>
      )}
    </>
  );
}
