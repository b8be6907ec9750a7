import { useState } from 'react';
import type { Footprint } from '../../../../core/footprint/footprint';
import { holeName } from '../../../../core/padstack/naming';
import { formatLength } from '../../../../core/units/length';
import { useBench } from '../../../state/context';

/** Rows that are shown at first; thousands of lands would slow typing down. */
const FIRST_ROWS = 200;

/** The lands in a table, then holes without copper: the Sheet in words. Coordinates are measured from the origin. */
export function PadTable({ footprint: { lands, bores, origin } }: { footprint: Footprint }) {
  const unit = useBench((s) => s.unit);
  const selected = useBench((s) => s.selectedLand);
  const set = useBench((s) => s.set);
  const [whole, setWhole] = useState(false);
  const show = (mm: number) => formatLength(mm, unit);
  return (
    <>
      <table className="mt-4 w-full text-right text-[12px]">
        <caption className="text-left text-[13px] font-semibold">Pad table, {unit}</caption>
        <thead className="text-secondary">
          <tr>
            {['no.', 'x', 'y', 'turn', 'padstack'].map((head) => (
              <th key={head} className="font-normal" scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lands.slice(0, whole ? undefined : FIRST_ROWS).map((land, i) => (
            <tr
              key={land.id}
              className={`border-base-300 cursor-pointer border-t ${selected === i ? 'bg-base-200 font-semibold' : ''}`}
              onClick={() => set({ selectedLand: i })}
            >
              <td>{land.number}</td>
              <td>{show(land.at.x - origin.x)}</td>
              <td>{show(land.at.y - origin.y)}</td>
              <td>{land.rotation}°</td>
              <td className="max-w-28 truncate" title={land.padstack.name}>
                {land.padstack.name}
              </td>
            </tr>
          ))}
          {bores.map((bore, i) => (
            <tr key={i} className="border-base-300 border-t">
              <td>–</td>
              <td>{show(bore.at.x - origin.x)}</td>
              <td>{show(bore.at.y - origin.y)}</td>
              <td>{bore.hole.rotation}°</td>
              <td>{holeName(bore)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {lands.length > FIRST_ROWS && !whole && (
        <button type="button" className="text-primary mt-1 underline" onClick={() => setWhole(true)}>
          Show all {lands.length} lands
        </button>
      )}
    </>
  );
}
