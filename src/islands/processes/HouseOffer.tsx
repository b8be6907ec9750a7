import { useState } from 'react';
import { applyEdits } from '../../core/document/edit';
import type { Process } from '../../core/process/process';
import { movedDocument, movedToHouse, type MovedToHouse } from '../../core/library/from-process';
import { shelf, standards } from '../common/shelf-store';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';
import type { ProcessWork } from './state';

interface Props {
  process: Process;
  original: Process | null;
  work: ProcessWork;
}

/** Offers to move what a house wants out of a process into a standard of its own; no land changes by it. */
export function HouseOffer({ process, original, work }: Props) {
  const [said, setSaid] = useState<string | null>(null);
  const moved = original && movedToHouse(process, original);
  if (said !== null)
    return (
      <p role="status" className="border-base-300 border-b px-5 py-2">
        {said}{' '}
        <a className="link" href="/standards">
          Standards
        </a>
      </p>
    );
  if (!moved) return null;
  const count = Object.keys(moved.standard.clauses).length;
  return (
    <p className="border-base-300 flex items-baseline gap-3 border-b px-5 py-2">
      <span>
        {counted(count, 'of its numbers says', 'of its numbers say')} what a house wants, not what its makers
        hold: rounding, marks, windows, class, what voltages are held against, how grave rules are.
      </span>
      <button
        type="button"
        className="btn btn-sm ml-auto shrink-0"
        title="A standard says them from then on; footprints on the Shelf that use this process get both, and no land changes"
        onClick={() =>
          void attempt('Moving them into a standard', async () => setSaid(await move(process, moved, work)))
        }
      >
        Move them into a standard
      </button>
    </p>
  );
}

/** Keeps the standard, changes the process, and puts every footprint that uses it onto both. */
async function move(process: Process, moved: MovedToHouse, work: ProcessWork): Promise<string> {
  const taken = new Set((await standards.list()).map(({ id }) => id));
  let { id } = moved.standard;
  for (let i = 2; taken.has(id); i += 1) id = `${moved.standard.id}-${i}`;
  const both = { ...moved, standard: { ...moved.standard, id } };
  await standards.keep(both.standard);
  const rows = (await shelf.list()).flatMap((row) => {
    const edits = movedDocument(row.document, process, both);
    return edits ? [{ id: row.id, revision: row.revision, document: applyEdits(row.document, edits) }] : [];
  });
  const { left } = await shelf.rewrite(rows);
  work.getState().edit(
    Object.entries(both.process).map(([key, value]) => ({ at: `/${key}`, value: value as unknown })),
    undefined,
    'what belongs to the house',
  );
  await work.getState().flush();
  const stayed = left.length > 0 ? ` As they were stay ${left.join(', ')}.` : '';
  return `“${both.standard.name}” says them now; ${counted(rows.length - left.length, 'footprint')} on the Shelf ${rows.length - left.length === 1 ? 'has' : 'have'} both.${stayed}`;
}
