import { formatLength } from '../../../core/units/length';
import { useBench } from '../context';

/** Legend, pin-1 mark, texts, courtyard and land numbers. */
export function Mark() {
  const shown = useBench((s) => s.derived.shown);
  const marks = useBench((s) => s.document.marks);
  const numbers = useBench((s) => s.document.overrides?.numbers);
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const footprint = shown?.drawable.footprint;
  const process = shown?.drawable.process;
  const resolved = shown?.drawable.resolved;
  const polarised = resolved ? resolved.family.polarised(resolved.options) : false;
  const show = (mm: number) => `${formatLength(mm, unit)} ${unit}`;
  const flag = (key: 'legend' | 'pin1', title: string) => (
    <label className="mt-1 flex items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={marks?.[key] !== false}
        onChange={(event) => edit([{ at: `/marks/${key}`, value: event.target.checked ? undefined : false }])}
      />
      {title}
    </label>
  );
  return (
    <>
      <h1 className="text-[15px] font-semibold">Mark</h1>
      {process && (
        <p className="text-secondary">
          Legend {show(process.legendWidth)} wide, {show(process.legendGap)} clear of openings.
        </p>
      )}
      {flag('legend', 'Body outline in the legend')}
      {polarised && flag('pin1', 'Pin-1 mark, outside the body')}
      {(['reference', 'value'] as const).map((key) => (
        <label key={key} className="mt-2 flex items-center gap-2">
          <span className="w-24">{key === 'reference' ? 'Reference' : 'Value'}</span>
          <input
            className="border-base-300 bg-base-100 min-w-0 flex-1 border px-1"
            value={marks?.[key] ?? ''}
            placeholder={key === 'reference' ? 'REF' : 'VALUE'}
            maxLength={key === 'reference' ? 20 : 40}
            onChange={(event) =>
              edit([{ at: `/marks/${key}`, value: event.target.value || undefined }], `mark ${key}`)
            }
          />
        </label>
      ))}
      {footprint && (
        <>
          <h2 className="mt-4 font-semibold">Courtyard</h2>
          <p>
            {show(footprint.courtyard.box.maxX - footprint.courtyard.box.minX)} ×{' '}
            {show(footprint.courtyard.box.maxY - footprint.courtyard.box.minY)}, excess{' '}
            {show(footprint.courtyard.excess)}
          </p>
          <h2 className="mt-4 font-semibold">Land numbers</h2>
          <p className="text-secondary text-[12px]">
            Counter-clockwise from upper left; type over one to change it.
          </p>
          <div className="mt-1 grid grid-cols-4 gap-1">
            {footprint.lands.map(({ position, number }) => (
              <label key={position} className="flex items-center gap-1 text-[12px]">
                <span className="text-secondary w-5 text-right">{position}</span>
                <input
                  className={`bg-base-100 w-full min-w-0 border px-1 ${
                    numbers?.[String(position)] === undefined
                      ? 'border-base-300'
                      : 'border-primary font-semibold'
                  }`}
                  aria-label={`Number of the land at position ${position}`}
                  value={number}
                  maxLength={12}
                  onChange={(event) => {
                    const text = event.target.value;
                    const value = text === String(position) ? undefined : text;
                    edit([{ at: `/overrides/numbers/${position}`, value }], `number ${position}`);
                  }}
                />
              </label>
            ))}
          </div>
        </>
      )}
    </>
  );
}
