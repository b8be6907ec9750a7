import { EntryInput } from '../../common/EntryInput';
import { useState } from 'react';
import { LEVELS, type Level, type TrimId } from '../../../core/document/document';
import { GOALS_SOURCE } from '../../../core/land/goals';
import type { LandSolution } from '../../../core/land/solve-group';
import type { LandSize } from '../../../core/land/solver';
import { TRIMS } from '../../../core/land/trims';
import { formatLength, type DisplayUnit } from '../../../core/units/length';
import { useOverrideField } from '../../common/useEntry';
import { WhyCard } from '../../ledger/WhyCard';
import { useBench } from '../context';
import { useGroup } from '../useGroup';

const ROWS: readonly (readonly [keyof LandSize, string])[] = [
  ['Z', 'Outer distance'],
  ['G', 'Inner distance'],
  ['C', 'Centre distance'],
  ['Y', 'Land length'],
  ['X', 'Land width'],
];
const LEVEL_WORDS: Readonly<Record<Level, string>> = { A: 'A most', B: 'B nominal', C: 'C least' };
const ROUNDINGS = [0.05, 0.02, 0.01, 0] as const;

/** The land pattern at the three levels beside each other, with derivations, rounding and trims. */
export function Land() {
  const shown = useBench((s) => s.derived.shown);
  const unit = useBench((s) => s.unit);
  const level = useBench((s) => s.document.level);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const [why, setWhy] = useState<keyof LandSize>('Y');
  const levels = shown?.drawable.levels;
  const group = useGroup();
  const used = shown?.drawable.footprint.solutions[group];
  if (!levels || !used) {
    return (
      <>
        <h1 className="text-[15px] font-semibold">Land</h1>
        <p className="text-secondary mt-2">The lands are computed once Measure has all its dimensions.</p>
      </>
    );
  }
  return (
    <>
      <h1 className="text-[15px] font-semibold">Land</h1>
      <p className="text-secondary" title={GOALS_SOURCE}>
        {used.goalRow.title}
      </p>
      <GroupChoice current={group} />
      <table className="mt-2 w-full text-right">
        <thead>
          <tr className="text-secondary text-[12px]">
            <th className="text-left font-normal">{unit}</th>
            {LEVELS.map((l) => (
              <th key={l} className="font-normal" scope="col">
                <button
                  type="button"
                  aria-pressed={l === level}
                  className="aria-pressed:bg-primary aria-pressed:text-primary-content rounded px-1"
                  onClick={() => edit([{ at: '/level', value: l }])}
                >
                  {LEVEL_WORDS[l]}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ROWS.map(([symbol, name]) => (
            <tr
              key={symbol}
              className={`border-base-300 border-t ${why === symbol ? 'bg-base-200' : ''}`}
              onPointerEnter={() => set({ activeDimension: symbol })}
            >
              <th scope="row" className="py-[3px] text-left font-normal">
                {name} <span className="text-secondary">{symbol}</span>
              </th>
              {LEVELS.map((l) => (
                <td key={l}>
                  <button
                    type="button"
                    className={l === level ? 'font-semibold underline decoration-dotted' : ''}
                    title={`Why is ${symbol} this long at level ${l}?`}
                    onClick={() => {
                      if (l !== level) edit([{ at: '/level', value: l }]);
                      setWhy(symbol);
                    }}
                  >
                    {formatLength(levels[l][group]?.land[symbol] ?? 0, unit)}
                  </button>
                </td>
              ))}
            </tr>
          ))}
          <GoalRows levels={levels} group={group} unit={unit} />
        </tbody>
      </table>
      <SetByHand solution={used} unit={unit} />
      <Rounding solution={used} />
      <Trims solution={used} />
      <WhyCard symbol={why} />
    </>
  );
}

/** Which group of lands is shown, where a package has several; the Sheet selects a land of it. */
function GroupChoice({ current }: { current: number }) {
  const footprint = useBench((s) => s.derived.shown?.drawable.footprint);
  const set = useBench((s) => s.set);
  if (!footprint || footprint.groups.length < 2) return null;
  return (
    <div className="mt-1 flex gap-2" role="group" aria-label="Group of lands">
      {footprint.groups.map(({ id, title }, i) => (
        <button
          key={id}
          type="button"
          aria-pressed={i === current}
          className="border-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content rounded border px-2"
          onClick={() => set({ selectedLand: footprint.lands.findIndex(({ group }) => group === id) })}
        >
          {title}
        </button>
      ))}
    </div>
  );
}

interface GoalProps {
  levels: Readonly<Record<Level, readonly LandSolution[]>>;
  group: number;
  unit: DisplayUnit;
}

function GoalRows({ levels, group, unit }: GoalProps) {
  const ends = levels.B[group]?.goalRow.ends;
  const rows = [
    [`${ends?.outer ?? 'outer'} goal`, 'outer'],
    [`${ends?.inner ?? 'inner'} goal`, 'inner'],
    ['side goal', 'side'],
  ] as const;
  return rows.map(([name, key]) => (
    <tr key={key} className="text-secondary border-base-300 border-t text-[12px]">
      <th scope="row" className="text-left font-normal">
        {name}
      </th>
      {LEVELS.map((l) => (
        <td key={l}>{formatLength(levels[l][group]?.goals[key] ?? 0, unit).replace('-', '−')}</td>
      ))}
    </tr>
  ));
}

function SetByHand({ solution, unit }: { solution: LandSolution; unit: DisplayUnit }) {
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">Set by hand</legend>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {(['Y', 'X', 'C'] as const).map((symbol) => (
          <HandField key={symbol} symbol={symbol} computed={formatLength(solution.proposed[symbol], unit)} />
        ))}
      </div>
    </fieldset>
  );
}

function HandField({ symbol, computed }: { symbol: 'X' | 'Y' | 'C'; computed: string }) {
  const text = useBench((s) => s.document.overrides?.land?.[symbol] ?? '');
  const set = useBench((s) => s.set);
  const field = useOverrideField(`/overrides/land/${symbol}`, text, (_, input) => input.blur());
  return (
    <label className="block">
      <span className="text-secondary text-[12px]">
        {symbol} {text ? `computed ${computed}` : ''}
      </span>
      <EntryInput
        field={field}
        tone={text ? 'set' : 'plain'}
        className="w-full"
        placeholder={computed}
        aria-label={`Land ${symbol} set by hand`}
        onEnter={() => set({ activeDimension: symbol })}
      />
    </label>
  );
}

function Rounding({ solution }: { solution: LandSolution }) {
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

function Trims({ solution }: { solution: LandSolution }) {
  const trims = useBench((s) => s.document.overrides?.trims);
  const edit = useBench((s) => s.edit);
  const toggle = (id: TrimId, on: boolean) =>
    edit([{ at: `/overrides/trims/${id}`, value: on ? undefined : false }]);
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">Trims</legend>
      {TRIMS.map(({ id, title }) => (
        <label key={id} className="mt-0.5 flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={trims?.[id] !== false}
            onChange={(event) => toggle(id, event.target.checked)}
          />
          {title}
          <span className="text-secondary ml-auto text-[12px]">
            {solution.trims.includes(id) ? 'trimmed' : trims?.[id] === false ? 'off' : 'not needed'}
          </span>
        </label>
      ))}
    </fieldset>
  );
}
