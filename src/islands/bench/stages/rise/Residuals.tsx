import { useState } from 'react';
import type { Footprint, SeatedModel } from '../../../../core/footprint/footprint';
import { formatFigure } from '../../../../core/units/length';
import { useBench } from '../../../state/context';
import { many, um } from './SeatAnswer';

const FIRST = 12;

/** What is left over at each contact, worst first. */
export function Residuals({
  footprint,
  imported: { ground, seen },
}: {
  footprint: Footprint;
  imported: SeatedModel;
}) {
  const set = useBench((s) => s.set);
  const [whole, setWhole] = useState(false);
  const fit = seen?.fit;
  if (!fit) return <p className="mt-1.5">Nothing of the model is near a land or hole where it stands now.</p>;
  const rows = fit.matches
    .flatMap(({ target, off }) => {
      const meant = ground.targets[target];
      if (!meant) return [];
      const land = meant.kind === 'peg' ? null : meant.index;
      const name = land === null ? 'peg' : (footprint.lands[land]?.number ?? '');
      return [{ key: target, land, name, off, away: Math.hypot(off.x, off.y) }];
    })
    .sort((a, b) => b.away - a.away);
  return (
    <>
      <p className="mt-2">
        {rows.length === 0 ? 'Nothing to measure' : `Left over: ${um(fit.worst)} at most, ${um(fit.rms)} RMS`}
        {fit.missing.length > 0 && `; ${many(fit.missing.length, 'land')} without contact`}
        {fit.unseen.length > 0 && `; ${many(fit.unseen.length, 'land')} under one plane`}
        {fit.extra.length > 0 && `; ${many(fit.extra.length, 'contact')} without a land`}
      </p>
      <table className="mt-1 w-full text-[12px]">
        <thead className="text-secondary text-right">
          <tr>
            <th className="text-left font-normal">Land</th>
            <th className="font-normal">X µm</th>
            <th className="font-normal">Y µm</th>
            <th className="font-normal">Z µm</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, whole ? undefined : FIRST).map(({ key, land, name, off }) => (
            <tr
              key={key}
              className="border-base-300 hover:bg-base-200 cursor-pointer border-t text-right"
              onClick={() => set({ selectedLand: land })}
            >
              <th scope="row" className="text-left font-medium">
                {name}
              </th>
              <td>{micro(off.x)}</td>
              <td>{micro(off.y)}</td>
              <td>{micro(off.z)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > FIRST && (
        <button type="button" className="link text-[12px]" onClick={() => setWhole(!whole)}>
          {whole ? 'the worst only' : `all ${rows.length}`}
        </button>
      )}
    </>
  );
}

function micro(mm: number): string {
  return formatFigure(mm * 1000, 1, 1);
}
