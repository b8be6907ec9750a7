import { useEffect, useRef, useState } from 'react';
import type { Choice, Clash } from '../../store/restore';
import { counted, whenMade } from '../common/words';
import type { Asked } from './import';

const CHOICES: readonly (readonly [Choice, string])[] = [
  ['both', 'keep both'],
  ['here', 'keep what is here'],
  ['backup', 'take the backup’s'],
];
const KINDS: Readonly<Record<Clash['kind'], string>> = {
  footprint: 'footprint',
  process: 'process',
  family: 'package family',
};
const keyOf = ({ kind, id }: Clash) => `${kind} ${id}`;

/** Asks what to do where something is here and in a backup, and differs. */
export function Restore({ asked: { comparison, answer } }: { asked: Asked }) {
  const { contents, fresh, same, clashes, refused } = comparison;
  const dialog = useRef<HTMLDialogElement>(null);
  const [choices, setChoices] = useState<Readonly<Record<string, Choice>>>({});
  useEffect(() => dialog.current?.showModal(), []);
  const choiceOf = (clash: Clash): Choice => choices[keyOf(clash)] ?? 'both';
  const chooseAll = (choice: Choice) =>
    setChoices(Object.fromEntries(clashes.map((clash) => [keyOf(clash), choice])));
  return (
    <dialog ref={dialog} className="modal" aria-label="Bringing a backup back" onClose={() => answer(null)}>
      <div className="modal-box border-base-300 flex max-h-[92vh] max-w-3xl flex-col border p-4">
        <h2 className="text-[15px] font-semibold">The backup of {whenMade(contents.made)}</h2>
        <p className="mt-1">
          It holds {counted(contents.footprints.length, 'footprint')}: {fresh} are not here, {same} are here
          as there, and {counted(clashes.length, 'thing')} differ{clashes.length === 1 ? 's' : ''}.
          {refused.length > 0 && ` ${counted(refused.length, 'problem')} kept some from being read.`} Whatever
          you choose, nothing of what is here is lost: what gives way lies in the bin or stays as a copy.
        </p>
        <p className="mt-3 flex items-center gap-2 text-[12px]">
          <span className="text-secondary">For all:</span>
          {CHOICES.map(([choice, words]) => (
            <button key={choice} type="button" className="btn btn-xs" onClick={() => chooseAll(choice)}>
              {words}
            </button>
          ))}
        </p>
        <div className="mt-2 min-h-0 overflow-y-auto" tabIndex={0} aria-label="What differs">
          <table className="w-full">
            <thead className="text-secondary text-left text-[12px]">
              <tr>
                <th>what differs</th>
                <th>changed here</th>
                <th>in the backup</th>
                <th>what to do</th>
              </tr>
            </thead>
            <tbody>
              {clashes.map((clash) => (
                <tr key={keyOf(clash)} className="border-base-300 border-t">
                  <td className="py-1 pr-3">
                    {clash.name}
                    {clash.kind !== 'footprint' && (
                      <span className="text-secondary"> · {KINDS[clash.kind]}</span>
                    )}
                  </td>
                  <td className="pr-3 whitespace-nowrap">
                    {clash.here === null ? '' : whenMade(clash.here)}
                  </td>
                  <td className="pr-3 whitespace-nowrap">
                    {clash.there === null ? '' : whenMade(clash.there)}
                  </td>
                  <td>
                    <select
                      className="select select-xs"
                      aria-label={`What to do with ${clash.name}`}
                      value={choiceOf(clash)}
                      onChange={({ target }) =>
                        setChoices({ ...choices, [keyOf(clash)]: target.value as Choice })
                      }
                    >
                      {CHOICES.map(([choice, words]) => (
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
          <button type="button" className="btn btn-sm btn-primary" onClick={() => answer(choiceOf)}>
            Bring it back
          </button>
        </div>
      </div>
    </dialog>
  );
}
