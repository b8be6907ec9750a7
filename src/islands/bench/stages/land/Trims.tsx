import type { SolvedGroup } from '../../../../core/land/solution';
import { TRIM_TITLES } from '../../../../core/land/trims';
import { inUnit } from '../../../../core/units/in-words';
import { Pick } from '../../../common/inputs';
import { FlagField, useChoice } from '../../../fields/choices';
import { useBench } from '../../../state/context';

const ROUNDINGS = [0.05, 0.02, 0.01, 0] as const;

/** The step that land sizes round to. */
export function Rounding({ group }: { group: SolvedGroup }) {
  const { value, write } = useChoice('overrides/rounding');
  const unit = useBench((s) => s.unit);
  const steps = (mm: number) => inUnit(`${mm} mm`, unit);
  const byProcess = `by the process${value === undefined ? `, ${steps(group.rounding)}` : ''}`;
  return (
    <label className="mt-3 flex items-center gap-2">
      <span className="w-24 font-semibold">Rounding</span>
      <Pick<number | string>
        value={typeof value === 'number' ? value : 'process'}
        options={[
          ['process', byProcess],
          ...ROUNDINGS.map((step) => [step, step === 0 ? 'none' : steps(step)] as const),
        ]}
        onChange={(step) => write(step === 'process' ? undefined : step)}
      />
    </label>
  );
}

/** Trims that can act on this kind of land, each to be switched off. */
export function Trims({ group }: { group: SolvedGroup }) {
  const trims = useBench((s) => s.document.overrides?.trims);
  if (group.kind === 'spot') return null;
  const own = TRIM_TITLES.filter(({ id }) => (id === 'oblong') === (group.kind === 'pin'));
  return (
    <fieldset className="mt-3 grid gap-0.5">
      <legend className="font-semibold">Trims</legend>
      {own.map(({ id, title }) => (
        <FlagField key={id} name={`overrides/trims/${id}`} title={title} usual>
          <span className="text-secondary ml-auto text-[12px] whitespace-nowrap">
            {group.trims.includes(id) ? 'trimmed' : trims?.[id] === false ? 'off' : 'not needed'}
          </span>
        </FlagField>
      ))}
    </fieldset>
  );
}
