import { pointerKey } from '../../core/document/edit';
import { standardDifferences } from '../../core/standard/differences';
import { standardOf } from '../../core/standard/resolve';
import { cited, standardTitle, type StandardDocument, type Stated } from '../../core/standard/standard';
import { standards } from '../common/shelf-store';
import { attempt } from '../common/trouble';

interface Props {
  standard: StandardDocument;
  /** The other one; `null` for what is published. */
  other: StandardDocument | null;
  onClose: () => void;
}

/** Two standards beside each other, a line for each place at which they want something else. */
export function Against({ standard, other, onClose }: Props) {
  const [a, b] = [standardOf(other ?? undefined), standardOf(standard)];
  const found = standardDifferences(a, b);
  const take = (at: string, stated: Stated | null) =>
    attempt('Taking a clause over', async () => {
      const stored = await standards.get(standard.id);
      if (!stored) return;
      const clauses = { ...stored.document.clauses };
      if (stated) {
        const { by: _, ...clause } = stated;
        clauses[at] = clause;
      } else delete clauses[at];
      await standards.save(standard.id, { ...stored.document, clauses }, stored.revision, null);
    });
  return (
    <main className="bg-base-200 min-w-0 flex-1 overflow-y-auto px-5 py-3" tabIndex={0}>
      <div className="flex items-baseline gap-3">
        <h2 className="text-[15px] font-semibold">
          {standardTitle(b)} beside {standardTitle(a)}
        </h2>
        <button type="button" className="btn btn-sm ml-auto" onClick={onClose}>
          Back to {standard.name}
        </button>
      </div>
      {found.length === 0 ? (
        <p className="mt-2">They want the same.</p>
      ) : (
        <table className="mt-2 w-full text-left">
          <thead>
            <tr className="text-secondary text-[12px]">
              <th className="font-normal">what</th>
              <th className="font-normal">{standardTitle(a)}</th>
              <th className="font-normal">{standardTitle(b)}</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {found.map(({ at, title, from, to, was, is }) => (
              <tr key={`${at} ${title}`} className="border-base-300 border-t align-baseline">
                <th scope="row" className="py-1 pr-3 font-normal">
                  {title}
                </th>
                <td className="pr-3">
                  {from} <Cite stated={was} />
                </td>
                <td className="pr-3 font-semibold">
                  {to} <Cite stated={is} />
                </td>
                <td>
                  {at !== '' && (
                    <button
                      type="button"
                      className="link text-[12px]"
                      data-place={pointerKey(at)}
                      onClick={() => void take(at, was)}
                    >
                      {was ? 'Take it over' : 'Take back'}
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}

function Cite({ stated }: { stated: Stated | null }) {
  return stated && <span className="text-secondary text-[12px] font-normal">{cited(stated)}</span>;
}
