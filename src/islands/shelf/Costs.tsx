import { useEffect, useRef } from 'react';
import { joinedCosts, sparedWords } from '../../core/best/costs';
import { processFieldTitle } from '../../core/document/process-file';
import { formatMm } from '../../core/units/length';
import { shelf } from '../common/shelf-store';
import { useCrew } from '../common/useCrew';
import { counted } from '../common/words';

interface Props {
  ids: readonly string[];
  onClose: () => void;
}

/** Footprints that a worker takes in one go, and those that are named of each number. */
const BATCH = 8;
const NAMED = 5;

/** Which number of the process costs most joints over some footprints. */
export function Costs({ ids, onClose }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const { results, done, lost } = useCrew(
    'costs',
    ids,
    BATCH,
    async (batch) => ({ documents: (await shelf.getAll(batch)).map(({ document }) => document) }),
    (answer) => (answer ? [answer] : []),
  );
  const costs = joinedCosts(results);
  const most = costs[0]?.spared ?? 0;
  return (
    <dialog ref={dialog} className="modal" aria-label="What the process costs" onClose={onClose}>
      <div className="modal-box border-base-300 flex max-h-[92vh] max-w-3xl flex-col border p-4">
        <h2 className="text-[15px] font-semibold">What the process costs</h2>
        <p role="status" className="mt-1">
          {done < ids.length
            ? `Looking at ${done} of ${ids.length}`
            : `${counted(ids.length, 'footprint')}: bad joints that a narrower number would spare, of a million parts of each${lost > 0 ? `; ${lost} could not be looked at` : ''}.`}
        </p>
        {done === ids.length && costs.length === 0 && (
          <p className="mt-2">None of its numbers spares a joint in a thousand million.</p>
        )}
        <dl className="mt-3">
          {costs.map(({ number, less, spared, footprints }) => (
            <div key={number} className="border-base-300 border-t py-2">
              <dt className="flex items-baseline gap-2">
                <span className="font-semibold">{processFieldTitle(number)}</span>
                <span className="text-secondary text-[12px]">{formatMm(less)} mm less</span>
                <span className="ml-auto tabular-nums">{sparedWords(spared)} spared</span>
              </dt>
              <dd>
                <div
                  className="bg-primary my-1 h-2"
                  style={{ width: `${Math.max(0.5, (100 * spared) / most)}%` }}
                  aria-hidden
                />
                <span className="text-secondary text-[12px]">
                  {footprints
                    .slice(0, NAMED)
                    .map((one) => `${one.name} ${sparedWords(one.spared)}`)
                    .join(', ')}
                  {footprints.length > NAMED && ` and ${footprints.length - NAMED} more`}
                </span>
              </dd>
            </div>
          ))}
        </dl>
        <div className="mt-3 flex justify-end">
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
      </div>
    </dialog>
  );
}
