import type { TrimId } from '../../../../core/document/document';
import type { LandSolution } from '../../../../core/land/solution';
import { TRIM_TITLES } from '../../../../core/land/trims';
import { useBench } from '../../context';

const ROUNDINGS = [0.05, 0.02, 0.01, 0] as const;

/** The step that land sizes round to. */
export function Rounding({ solution }: { solution: LandSolution }) {
  const chosen = useBench((s) => s.document.overrides?.rounding);
  const edit = useBench((s) => s.edit);
  return (
    <label className="mt-3 flex items-center gap-2">
      <span className="w-24 font-semibold">Rounding</span>
      <select
        className="select select-sm flex-1"
        value={chosen ?? 'process'}
        onChange={(event) => {
          const value = event.target.value === 'process' ? undefined : Number(event.target.value);
          edit([{ at: '/overrides/rounding', value }]);
        }}
      >
        <option value="process">
          by the process{chosen === undefined ? `, ${solution.rounding} mm` : ''}
        </option>
        {ROUNDINGS.map((step) => (
          <option key={step} value={step}>
            {step === 0 ? 'none' : `${step} mm`}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Trims that can act on this kind of land, each to be switched off. */
export function Trims({ solution }: { solution: LandSolution }) {
  const trims = useBench((s) => s.document.overrides?.trims);
  const edit = useBench((s) => s.edit);
  if (solution.kind === 'spot') return null;
  const toggle = (id: TrimId, on: boolean) =>
    edit([{ at: `/overrides/trims/${id}`, value: on ? undefined : false }]);
  const own = TRIM_TITLES.filter(({ id }) => (id === 'oblong') === (solution.kind === 'pin'));
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">Trims</legend>
      {own.map(({ id, title }) => (
        <label key={id} className="mt-0.5 flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={trims?.[id] !== false}
            onChange={(event) => toggle(id, event.target.checked)}
          />
          {title}
          <span className="text-secondary ml-auto text-[12px] whitespace-nowrap">
            {solution.trims.includes(id) ? 'trimmed' : trims?.[id] === false ? 'off' : 'not needed'}
          </span>
        </label>
      ))}
    </fieldset>
  );
}
