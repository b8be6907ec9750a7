import { useMemo, useRef, useState } from 'react';
import { readPinTable, type ReadPin } from '../../../../core/document/read-pins';
import type { Footprint } from '../../../../core/footprint/footprint';
import { DIRECTION_WORDS, pinLabel } from '../../../../core/footprint/pins';
import { byNumber } from '../../../../core/footprint/renumber';
import { counted } from '../../../common/words';
import { useBench } from '../../../state/context';

interface Props {
  footprint: Footprint;
  onDone: () => void;
}

/** Rows of what was read that are shown. */
const SHOWN = 400;

/** A pin table as the datasheet prints it: what is understood is shown beside it, and taken with one press. */
export function PastePins({ footprint, onDone }: Props) {
  const edit = useBench((s) => s.edit);
  const before = useBench((s) => s.document.pins?.length ?? 0);
  const [text, setText] = useState(useBench((s) => s.pinText) ?? '');
  const files = useRef<HTMLInputElement>(null);
  const lands = useMemo(() => {
    const sorted = [...footprint.lands].filter(({ number }) => number !== '').sort(byNumber);
    const unique = (some: typeof sorted) => [...new Set(some.map(({ number }) => number))];
    return {
      numbers: unique(sorted),
      pads: unique(sorted.filter(({ padstack }) => padstack.kind === 'thermal')),
    };
  }, [footprint]);
  const read = useMemo(() => (text.trim() === '' ? null : readPinTable(text, lands)), [text, lands]);
  const take = (pins: readonly ReadPin[]) => {
    edit([
      {
        at: '/pins',
        value: pins.map(({ printed: _printed, doubts: _doubts, ...pin }, i) => ({
          id: String(i + 1),
          ...pin,
        })),
      },
    ]);
    onDone();
  };
  const doubtful = read?.ok ? read.value.pins.filter(({ doubts }) => doubts.length > 0).length : 0;
  return (
    <div className="border-base-300 flex max-h-[62%] flex-col gap-1.5 border-b py-2">
      <label>
        <span className="text-secondary text-[12px]">
          Names in the order of the numbers, or rows of number, name and direction in any order of columns.
        </span>
        <textarea
          autoFocus
          className="border-base-300 bg-base-100 block w-full border px-1 font-mono text-[12px]"
          rows={4}
          aria-label="Pin table as text"
          value={text}
          onChange={({ target }) => setText(target.value)}
        />
      </label>
      <div className="flex items-center gap-2">
        <button type="button" className="btn btn-sm" onClick={() => files.current?.click()}>
          From a file
        </button>
        <input
          ref={files}
          type="file"
          hidden
          accept=".csv,.tsv,.txt,text/csv,text/plain"
          aria-label="File with a pin table"
          onChange={({ currentTarget }) => {
            void currentTarget.files?.[0]?.text().then(setText);
            currentTarget.value = '';
          }}
        />
        {read?.ok && (
          <button
            type="button"
            className="btn btn-sm btn-primary ml-auto"
            onClick={() => take(read.value.pins)}
          >
            Take these {counted(read.value.pins.length, 'pin')}
            {before > 0 && ` in place of the ${before} there ${before === 1 ? 'is' : 'are'}`}
          </button>
        )}
      </div>
      {read && !read.ok && (
        <p role="alert" className="text-error">
          {read.error}
        </p>
      )}
      {read?.ok && (
        <>
          <p role="status" className="text-[12px]">
            Columns: {read.value.columns.join(', ')}.{' '}
            {doubtful > 0 && (
              <span className="text-warning">▲ {counted(doubtful, 'row')} to be looked at. </span>
            )}
            {read.value.doubts.map((doubt) => (
              <span key={doubt} className="text-warning block">
                ▲ {doubt}
              </span>
            ))}
          </p>
          <div className="min-h-0 overflow-y-auto" tabIndex={0} aria-label="What was understood">
            <table className="w-full text-[12px]">
              <tbody>
                {[...read.value.pins]
                  .map((pin, i) => ({ pin, i }))
                  .sort(
                    (a, b) => Number(b.pin.doubts.length > 0) - Number(a.pin.doubts.length > 0) || a.i - b.i,
                  )
                  .slice(0, SHOWN)
                  .map(({ pin, i }) => (
                    <tr key={i} className="border-base-300 border-t align-baseline">
                      <td className="text-secondary max-w-40 truncate pr-2" title={pin.printed}>
                        {pin.printed}
                      </td>
                      <td className="max-w-24 truncate pr-2 tabular-nums" title={pin.lands}>
                        {pin.lands}
                      </td>
                      <td className="pr-2 font-semibold">
                        {pinLabel({ name: pin.name, low: pin.low ?? false })}
                      </td>
                      <td className="pr-2">{pin.direction ? DIRECTION_WORDS[pin.direction] : ''}</td>
                      <td className="text-warning">{pin.doubts.map((doubt) => `▲ ${doubt}`).join(' ')}</td>
                    </tr>
                  ))}
              </tbody>
            </table>
          </div>
        </>
      )}
    </div>
  );
}
