import { useState } from 'react';
import { EntryInput } from '../../common/EntryInput';
import { formatLength } from '../../../core/units/length';
import { useOverrideField } from '../../common/useEntry';
import { sizeOf, type Figure } from '../../../core/geometry/figure';
import type { Footprint } from '../../../core/footprint/footprint';
import type { Padstack } from '../../../core/padstack/padstack';
import { coverageOf } from '../../../core/padstack/paste-windows';
import { useBench } from '../context';

/** Rows of the pad table that are shown at first; thousands of lands would slow typing down. */
const FIRST_ROWS = 200;

/** Padstacks with their openings, margins, and the pad table that stands for the Sheet in words. */
export function Stack() {
  const shown = useBench((s) => s.derived.shown);
  const unit = useBench((s) => s.unit);
  const joint = useBench((s) => s.document.overrides?.jointMask ?? false);
  const selected = useBench((s) => s.selectedLand);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const footprint = shown?.drawable.footprint;
  const process = shown?.drawable.process;
  const show = (mm: number) => formatLength(mm, unit);
  const [whole, setWhole] = useState(false);
  return (
    <>
      <h1 className="text-[15px] font-semibold">Stack</h1>
      {footprint?.padstacks.map((stack) => (
        <section key={stack.name} className="mt-2">
          <h2 className="font-semibold">
            {stack.name} <span className="text-secondary font-normal">{usesOf(footprint, stack)}</span>
          </h2>
          <table className="mt-1 w-full text-right">
            <tbody>
              {stackRows(stack, show).map(([title, value]) => (
                <tr key={title} className="border-base-300 border-t">
                  <th scope="row" className="py-[3px] text-left font-normal">
                    {title}
                  </th>
                  <td>
                    {value} {unit}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
      <MarginField
        at="/overrides/maskMargin"
        title="Mask margin"
        initial={process ? show(process.maskMargin) : ''}
      />
      <MarginField
        at="/overrides/pasteMargin"
        title="Paste margin"
        initial={process ? show(process.pasteMargin) : ''}
      />
      <label className="mt-2 flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={joint}
          onChange={(event) =>
            edit([{ at: '/overrides/jointMask', value: event.target.checked || undefined }])
          }
        />
        One mask opening for each row
      </label>
      {footprint && (
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
            {footprint.lands.slice(0, whole ? undefined : FIRST_ROWS).map((land, i) => (
              <tr
                key={land.position}
                className={`border-base-300 cursor-pointer border-t ${selected === i ? 'bg-base-200 font-semibold' : ''}`}
                onClick={() => set({ selectedLand: i })}
              >
                <td>{land.number}</td>
                <td>{show(land.at.x)}</td>
                <td>{show(land.at.y)}</td>
                <td>{land.rotation}°</td>
                <td>{land.padstack}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {footprint && footprint.lands.length > FIRST_ROWS && !whole && (
        <button type="button" className="text-primary mt-1 underline" onClick={() => setWhole(true)}>
          Show all {footprint.lands.length} lands
        </button>
      )}
    </>
  );
}

function MarginField({ at, title, initial }: { at: string; title: string; initial: string }) {
  const key = at.endsWith('maskMargin') ? 'maskMargin' : 'pasteMargin';
  const text = useBench((s) => s.document.overrides?.[key] ?? '');
  const unit = useBench((s) => s.document.package.unit ?? 'mm');
  const field = useOverrideField(at, text, (_, input) => input.blur());
  return (
    <label className="mt-2 flex items-center gap-2">
      <span className="w-24">{title}</span>
      <EntryInput
        field={field}
        tone={text ? 'set' : 'plain'}
        className="w-24"
        placeholder={`${initial} by process`}
      />
      <span className="text-secondary">{unit} a side</span>
    </label>
  );
}

/** What a padstack is made of, in words and sizes. */
function stackRows(
  { copper, mask, paste, hole, vias }: Padstack,
  show: (mm: number) => string,
): [string, string][] {
  const size = (figure: Figure) => {
    const { width, height } = sizeOf(figure);
    if (figure.kind === 'round') return `⌀ ${show(width)}`;
    return `${show(width)} × ${show(height)}`;
  };
  const [window] = paste;
  const [via] = vias;
  return [
    [hole === null ? 'Copper' : 'Copper, both sides', size(copper)],
    [hole === null ? 'Mask opening' : 'Mask opening, both sides', size(mask)],
    ...(window && paste.length === 1 ? [['Paste opening', size(window.figure)] as [string, string]] : []),
    ...(window && paste.length > 1
      ? [
          [
            `Paste, ${paste.length} windows, ${Math.round(coverageOf(copper, paste) * 100)} % covered`,
            size(window.figure),
          ] as [string, string],
        ]
      : []),
    ...(hole === null ? [] : [['Finished hole, plated', `⌀ ${show(hole)}`] as [string, string]]),
    ...(via ? [[`${vias.length} vias`, `⌀ ${show(via.hole)}`] as [string, string]] : []),
  ];
}

function usesOf({ lands }: Footprint, { name }: Padstack): string {
  const count = lands.filter(({ padstack }) => padstack === name).length;
  return count === 1 ? 'on 1 land' : `on ${count} lands`;
}
