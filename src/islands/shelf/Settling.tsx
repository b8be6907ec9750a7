import { useEffect, useRef, useState, type ReactNode } from 'react';

/** One thing that is here and in a file, with what can become of it. */
interface Row<C extends string> {
  readonly key: string;
  readonly name: string;
  /** What is said of it, a cell for each head. */
  readonly cells: readonly ReactNode[];
  /** What can be chosen, with what it is called. */
  readonly choices: readonly (readonly [C, string])[];
  /** What is chosen until somebody chooses. */
  readonly usual: C;
}

interface SettlingProps<C extends string> {
  readonly label: string;
  readonly title: string;
  readonly children: ReactNode;
  readonly heads: readonly string[];
  readonly rows: readonly Row<C>[];
  /** What does it as it is chosen. */
  readonly act: string;
  readonly answer: (choose: ((key: string) => C) | null) => void;
}

/** Asks what to do where something is here and in a file: for each, or for all at one press. */
export function Settling<C extends string>(props: SettlingProps<C>) {
  const { label, title, children, heads, rows, act, answer } = props;
  const dialog = useRef<HTMLDialogElement>(null);
  const [chosen, setChosen] = useState<ReadonlyMap<string, C>>(new Map());
  useEffect(() => dialog.current?.showModal(), []);
  const choiceOf = (row: Row<C>): C => chosen.get(row.key) ?? row.usual;
  const all = new Map(rows.flatMap(({ choices }) => choices));
  const chooseAll = (choice: C) =>
    setChosen(
      new Map(
        rows.map((row) => [row.key, row.choices.some(([own]) => own === choice) ? choice : choiceOf(row)]),
      ),
    );
  const byKey = (key: string): C => choiceOf(rows.find((row) => row.key === key) as Row<C>);
  return (
    <dialog ref={dialog} className="modal" aria-label={label} onClose={() => answer(null)}>
      <div className="modal-box border-base-300 flex max-h-[92vh] max-w-3xl flex-col border p-4">
        <h2 className="text-[15px] font-semibold">{title}</h2>
        <div className="mt-1">{children}</div>
        {rows.length > 1 && (
          <p className="mt-3 flex items-center gap-2 text-[12px]">
            <span className="text-secondary">For all:</span>
            {[...all].map(([choice, words]) => (
              <button key={choice} type="button" className="btn btn-xs" onClick={() => chooseAll(choice)}>
                {words}
              </button>
            ))}
          </p>
        )}
        <div className="mt-2 min-h-0 overflow-y-auto" tabIndex={0} aria-label="What is here and there">
          <table className="w-full">
            <thead className="text-secondary text-left text-[12px]">
              <tr>
                {heads.map((head) => (
                  <th key={head}>{head}</th>
                ))}
                <th>what to do</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.key} className="border-base-300 border-t align-top">
                  {row.cells.map((cell, i) => (
                    <td key={heads[i]} className="py-1 pr-3">
                      {cell}
                    </td>
                  ))}
                  <td className="py-1">
                    <select
                      className="select select-xs"
                      aria-label={`What to do with ${row.name}`}
                      value={choiceOf(row)}
                      onChange={({ target }) => setChosen(new Map(chosen).set(row.key, target.value as C))}
                    >
                      {row.choices.map(([choice, words]) => (
                        <option key={choice} value={choice}>
                          {words}
                        </option>
                      ))}
                    </select>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div className="mt-4 flex justify-end gap-2">
          <button type="button" className="btn btn-sm" onClick={() => answer(null)}>
            Leave it
          </button>
          <button type="button" className="btn btn-sm btn-primary" onClick={() => answer(byKey)}>
            {act}
          </button>
        </div>
      </div>
    </dialog>
  );
}
