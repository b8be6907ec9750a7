import { useEffect, useRef, type ReactNode } from 'react';
import type { Severity } from '../../core/document/finding';
import { VERDICTS } from '../common/verdict';

/** Verdicts, the gravest first. */
export const GRAVITY = ['stop', 'caution', 'note', 'clear'] as const satisfies readonly (
  | Severity
  | 'clear'
)[];

interface Props {
  label: string;
  title: string;
  /** How far it is, and what it came to. */
  status: ReactNode;
  /** Figures of each verdict. */
  figures: (verdict: (typeof GRAVITY)[number]) => ReactNode;
  /** Heads of the table's columns, after that of the footprints. */
  heads: readonly string[];
  rows: readonly { readonly id: string; readonly name: string; readonly cells: readonly ReactNode[] }[];
  /** How the rows go on that are not listed. */
  rest: string;
  buttons: ReactNode;
  onClose: () => void;
}

/** Most rows that are listed. */
const LISTED = 200;

/** A table of many footprints, the gravest first, with how many there are of each verdict. */
export function ManyDialog(props: Props) {
  const { label, title, status, figures, heads, rows, rest, buttons, onClose } = props;
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  return (
    <dialog ref={dialog} className="modal" aria-label={label} onClose={onClose}>
      <div className="modal-box border-base-300 flex max-h-[92vh] max-w-5xl flex-col border p-4">
        <h2 className="text-[15px] font-semibold">{title}</h2>
        <p role="status" className="mt-1 min-h-[22px]">
          {status}
        </p>
        <p className="mt-2 flex gap-5 text-[12px] tabular-nums">
          {GRAVITY.map((verdict) => (
            <span key={verdict}>
              <Verdict verdict={verdict} />: {figures(verdict)}
            </span>
          ))}
        </p>
        <div className="mt-2 min-h-0 overflow-y-auto" tabIndex={0} aria-label={label}>
          <table className="w-full text-[12px]">
            <thead className="text-secondary text-left">
              <tr>
                {['footprint', ...heads].map((head) => (
                  <th key={head} className="font-normal">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.slice(0, LISTED).map(({ id, name, cells }) => (
                <tr key={id} className="border-base-300 border-t align-baseline">
                  <th
                    scope="row"
                    className="max-w-64 truncate py-1 pr-3 text-left font-semibold"
                    title={name}
                  >
                    <a className="link" href={`/bench/${id}/prove`}>
                      {name}
                    </a>
                  </th>
                  {cells.map((cell, i) => (
                    <td key={i} className={i === 0 ? 'pr-3 whitespace-nowrap' : ''}>
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          {rows.length > LISTED && (
            <p className="text-secondary py-1">
              and {rows.length - LISTED} more, {rest}.
            </p>
          )}
        </div>
        <div className="mt-4 flex justify-end gap-2">{buttons}</div>
      </div>
    </dialog>
  );
}

/** A verdict with its shape, never by colour alone. */
export function Verdict({ verdict }: { verdict: (typeof GRAVITY)[number] }) {
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
