import { useState } from 'react';
import { BY_POLARITY, SCHEMES } from '../../../core/footprint/numbering';
import type { Polarity } from '../../../core/package/family';
import { formatLength } from '../../../core/units/length';
import { useBench } from '../context';

/** Number fields that are shown at first. */
const FIRST_FIELDS = 120;

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
  const [whole, setWhole] = useState(false);
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
          <NumberingChoice
            through={footprint.lands.some(({ hole }) => hole !== null)}
            polarity={resolved?.family.polarity?.(resolved.options)}
          />
          <p className="text-secondary text-[12px]">Type over a number to change it.</p>
          <div className="mt-1 grid grid-cols-4 gap-1">
            {footprint.lands.slice(0, whole ? undefined : FIRST_FIELDS).map(({ position, number }) => (
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
                    edit([{ at: `/overrides/numbers/${position}`, value: text }], `number ${position}`);
                  }}
                />
              </label>
            ))}
          </div>
          {footprint.lands.length > FIRST_FIELDS && !whole && (
            <button type="button" className="text-primary mt-1 underline" onClick={() => setWhole(true)}>
              Show all {footprint.lands.length} numbers
            </button>
          )}
        </>
      )}
    </>
  );
}

const CORNERS = [
  ['upper-left', 'upper left'],
  ['lower-left', 'lower left'],
  ['lower-right', 'lower right'],
  ['upper-right', 'upper right'],
] as const;

const POLARITY_WORDS: Readonly<Record<Polarity, string>> = {
  cathode: 'letters: K cathode, A anode',
  plus: 'signs: + and −',
};

const PIN_1_LANDS = [
  ['square', 'square'],
  ['rounded', 'rounded square'],
  ['same', 'as the others'],
] as const;

/** How terminals are numbered, from which corner, where the package lies at zero rotation. */
function NumberingChoice({ through, polarity }: { through: boolean; polarity: Polarity | undefined }) {
  const numbering = useBench((s) => s.document.numbering);
  const orientation = useBench((s) => s.document.orientation);
  const byProcess = useBench((s) => s.derived.compiled.process.orientation);
  const typed = useBench((s) => Object.keys(s.document.overrides?.numbers ?? {}).length);
  const pin1Land = useBench((s) => s.document.overrides?.pin1Land ?? 'square');
  const edit = useBench((s) => s.edit);
  const choice = (
    title: string,
    at: string,
    value: string,
    usual: string,
    options: readonly (readonly [string, string])[],
  ) => (
    <label className="mt-1 flex items-center gap-2">
      <span className="w-24">{title}</span>
      <select
        className="select select-sm min-w-0 flex-1"
        value={value}
        onChange={(event) =>
          edit([{ at, value: event.target.value === usual ? undefined : event.target.value }])
        }
      >
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <>
      {choice('Scheme', '/numbering/scheme', numbering?.scheme ?? '', '', [
        ['', 'as the family counts'],
        ...(polarity ? [[BY_POLARITY, POLARITY_WORDS[polarity]] as const] : []),
        ...SCHEMES.map(({ id, title }) => [id, title] as const),
      ])}
      {polarity && (
        <p className="text-secondary text-[12px]">
          Terminal 1 is the {polarity === 'cathode' ? 'cathode' : 'positive end'}; start at the right to turn
          that round.
        </p>
      )}
      {choice('First at', '/numbering/corner', numbering?.corner ?? 'upper-left', 'upper-left', CORNERS)}
      {choice('Zero rotation', '/orientation', orientation ?? '', '', [
        ['', `by the process, ${byProcess}`],
        ['A', 'A: pin 1 upper left'],
        ['B', 'B: a quarter turned, lower left'],
      ])}
      {through && choice('Land 1', '/overrides/pin1Land', pin1Land, 'square', PIN_1_LANDS)}
      {typed > 0 && (
        <button
          type="button"
          className="text-primary mt-1 underline"
          onClick={() => edit([{ at: '/overrides/numbers', value: undefined }])}
        >
          Drop {typed} typed {typed === 1 ? 'number' : 'numbers'}
        </button>
      )}
    </>
  );
}
