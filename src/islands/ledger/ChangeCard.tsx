import type { DisplayUnit } from '../../core/units/length';
import { changedValue } from './effect';
import type { ProcessChange } from './view';

interface Props {
  change: ProcessChange;
  unit: DisplayUnit;
  onClose: () => void;
}

/** What changed with the process, until it is put away. */
export function ChangeCard({ change, unit, onClose }: Props) {
  return (
    <section
      className="border-primary bg-base-200 mt-2 border-l-3 px-2 py-1.5"
      aria-label={`What ${change.to} changes`}
    >
      <h3 className="flex font-semibold">
        What {change.to} changes
        <button type="button" className="ml-auto px-1 font-normal" aria-label="Put away" onClick={onClose}>
          ×
        </button>
      </h3>
      {change.changes.length === 0 ? (
        <p className="text-[12px]">Nothing in this footprint.</p>
      ) : (
        <table className="w-full text-[12px]">
          <tbody>
            {change.changes.map(({ title, from, to, kind }) => (
              <tr key={`${title} ${String(to)}`} className="border-base-300 border-t">
                <th scope="row" className="py-[2px] text-left font-normal">
                  {title}
                </th>
                <td className={`text-right ${String(to).length > 14 ? '' : 'whitespace-nowrap'}`}>
                  {changedValue(from, kind, unit)} →{' '}
                  <b className="font-semibold [overflow-wrap:anywhere]">{changedValue(to, kind, unit)}</b>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
