import { EntryInput } from '../../common/EntryInput';
import { formatLength } from '../../../core/units/length';
import { useOverrideField } from '../../common/useEntry';
import { useBench } from '../context';

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
  return (
    <>
      <h1 className="text-[15px] font-semibold">Stack</h1>
      {footprint?.padstacks.map(({ name, copper, mask, paste }) => (
        <section key={name} className="mt-2">
          <h2 className="font-semibold">
            {name}{' '}
            <span className="text-secondary font-normal">
              on {footprint.lands.filter(({ padstack }) => padstack === name).length} lands
            </span>
          </h2>
          <table className="mt-1 w-full text-right">
            <tbody>
              {(
                [
                  ['Copper', copper],
                  ['Mask opening', mask],
                  ['Paste opening', paste],
                ] as const
              ).map(([title, shape]) => (
                <tr key={title} className="border-base-300 border-t">
                  <th scope="row" className="py-[3px] text-left font-normal">
                    {title}
                  </th>
                  <td>
                    {show(shape.width)} × {show(shape.height)} {unit}
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
            {footprint.lands.map((land, i) => (
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
