import { useState } from 'react';
import { spreadsOf } from '../../core/best/spreads';
import type { Drawable, Land } from '../../core/footprint/footprint';
import { spanMargins } from '../../core/joint/margins';
import { jointModel, marginFigures, type JointModel, type LinearMargin } from '../../core/joint/model';
import type { SimulatedMargin, Simulation, SimulationPlan } from '../../core/joint/simulate';
import { inUnit } from '../../core/units/in-words';
import { formatLength, formatNumber } from '../../core/units/length';
import { Pick } from '../common/inputs';
import { later } from '../common/later';
import { useBench } from '../state/context';
import { useSimulation } from './useSimulation';

const Distribution = later(
  'The chart',
  async () => (await import('./Distribution')).Distribution,
  <div className="h-[92px]" />,
);

const NAMES: Readonly<Record<LinearMargin['end'], string>> = {
  toe: 'Toe',
  heel: 'Heel',
  side: 'Side',
  edge: 'Land beyond terminal',
  wall: 'Lead to wall',
  ring: 'Ring',
};

const SAMPLES = [100_000, 400_000, 1_000_000] as const;

/** The joint of the selected land: worst case and root sum square, and a simulation when asked for. */
export function JointSimulation({ drawable }: { drawable: Drawable }) {
  const selected = useBench((s) => s.selectedLand);
  const unit = useBench((s) => s.unit);
  const [plan, setPlan] = useState<SimulationPlan>({ samples: SAMPLES[0], seed: 1, distribution: 'normal' });
  const { state, run, cancel } = useSimulation();
  const { footprint, process } = drawable;
  const land = footprint.lands[selected ?? 0];
  const model = land && jointModel(footprint, land, process);
  if (!land || !model) return null;
  const spreads = spreadsOf(drawable);
  const said = model.variables.filter(({ name }) => spreads[name]).length;
  const show = (mm: number) => formatLength(mm, unit);
  const formula = formulaMargins(drawable, land);
  return (
    <section className="mt-4" aria-label={`Joint of land ${land.number}`}>
      <h2 className="font-semibold">Joint of land {land.number}</h2>
      <p className="text-secondary text-[12px]">
        {inUnit(model.title, unit)}, class {process.acceptanceClass}, {unit}
      </p>
      <ClosedForm model={model} formula={formula} show={show} />
      <div className="mt-2 flex flex-wrap items-center gap-1.5">
        <Pick
          className="w-[92px]"
          label="Samples"
          value={plan.samples}
          options={SAMPLES.map((samples) => [samples, samples.toLocaleString('en')] as const)}
          onChange={(samples) => setPlan({ ...plan, samples })}
        />
        <Pick
          className="w-[92px]"
          label="Distribution"
          value={plan.distribution}
          options={[
            ['normal', 'normal, 3σ'],
            ['uniform', 'uniform'],
          ]}
          onChange={(distribution) => setPlan({ ...plan, distribution })}
        />
        <label className="flex items-center gap-1">
          seed
          <input
            type="number"
            className="border-base-300 bg-base-100 w-12 border px-1"
            value={plan.seed}
            min={0}
            onChange={({ target: { value } }) =>
              setPlan({ ...plan, seed: Math.max(0, Math.round(Number(value))) })
            }
          />
        </label>
        {state.kind === 'running' ? (
          <button type="button" className="border-primary text-primary rounded border px-2" onClick={cancel}>
            Cancel, {Math.round(state.done * 100)} %
          </button>
        ) : (
          <button
            type="button"
            className="bg-primary text-primary-content rounded px-2"
            onClick={() => run(model, plan, spreads)}
          >
            Simulate
          </button>
        )}
      </div>
      {said > 0 && (
        <p className="text-secondary text-[12px]">
          {said === 1 ? 'One tolerance is' : `${said} tolerances are`} drawn as is said or was measured of{' '}
          {said === 1 ? 'it' : 'them'}.
        </p>
      )}
      {state.kind === 'failed' && (
        <p className="text-error text-[12px]" role="alert">
          The simulation stopped: {state.reason}
        </p>
      )}
      {state.kind === 'done' && (
        <Result result={state.result} stale={state.of !== JSON.stringify([model, spreads])} show={show} />
      )}
    </section>
  );
}

/** What the land formulas give back from a land's real size, by end: the goals are stated for it. */
function formulaMargins({ footprint, process }: Drawable, land: Land): ReadonlyMap<string, number> {
  return new Map((spanMargins(footprint, land, process) ?? []).map(({ end, inverse }) => [end, inverse]));
}

interface ClosedProps {
  model: JointModel;
  formula: ReadonlyMap<string, number>;
  show: (mm: number) => string;
}

/** Margins in closed form: mean, mean less root sum square, worst case, and the land formulas’ own. */
function ClosedForm({ model, formula, show }: ClosedProps) {
  return (
    <table className="mt-1 w-full text-right text-[12px]">
      <thead className="text-secondary">
        <tr>
          <th>
            <span className="sr-only">Margin</span>
          </th>
          <th className="font-normal">mean</th>
          <th className="font-normal">RSS least</th>
          <th className="font-normal">worst</th>
          <th className="font-normal" title="What the land formulas give back from the land’s size">
            formula
          </th>
          <th className="font-normal">goal</th>
        </tr>
      </thead>
      <tbody>
        {model.margins.map((margin) => {
          const { mean, rms, worst } = marginFigures(model, margin);
          const least = rms.min;
          const inverse = formula.get(margin.end);
          const over = margin.limit !== null && least < margin.limit;
          return (
            <tr key={margin.end} className="border-base-300 border-t">
              <th scope="row" className="text-left font-normal">
                {NAMES[margin.end]}
              </th>
              <td>{show(mean)}</td>
              <td className={over ? 'text-error font-semibold' : 'font-semibold'}>{show(least)}</td>
              <td>{show(worst.min)}</td>
              <td>{inverse === undefined ? '' : show(inverse)}</td>
              <td>{margin.goal === null ? '' : show(margin.goal)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface ResultProps {
  result: Simulation;
  stale: boolean;
  show: (mm: number) => string;
}

function Result({ result, stale, show }: ResultProps) {
  const { samples, distribution, seed } = result.plan;
  return (
    <div>
      <p className={`mt-1 text-[12px] ${stale ? 'text-warning' : 'text-secondary'}`}>
        {samples.toLocaleString('en')} samples, {distribution}, seed {seed}
        {stale ? '. The footprint has changed since; simulate again.' : ''}
      </p>
      {result.margins.map((margin) => (
        <MarginResult key={margin.end} margin={margin} show={show} />
      ))}
      <p className="text-secondary text-[12px]">line: goal of the level · dashed: limit of the class</p>
    </div>
  );
}

function MarginResult({ margin, show }: { margin: SimulatedMargin; show: (mm: number) => string }) {
  const { end, mean, deviation, belowGoal, belowLimit, contributions } = margin;
  const [first, second] = contributions;
  return (
    <section className="border-base-300 mt-2 border-t pt-1">
      <h3 className="flex font-semibold">
        {NAMES[end]}
        <span className="text-secondary ml-auto font-normal">
          {show(mean)}, σ {show(deviation)}
        </span>
      </h3>
      <Distribution margin={margin} show={show} />
      <p className="text-[12px]">
        {belowGoal !== null && <>{shareWords(belowGoal)} below the goal. </>}
        {belowLimit !== null && <>{shareWords(belowLimit)} outside the class. </>}
        {first && (
          <>
            {first.name} brings {formatNumber(first.share * 100, 0, 0)} % of the spread
            {second ? `, ${second.name.toLowerCase()} ${formatNumber(second.share * 100, 0, 0)} %` : ''}.
          </>
        )}
      </p>
    </section>
  );
}

/** Percent, or parts per million where percent would hide them. */
function shareWords(share: number): string {
  if (share === 0) return 'None';
  return share < 0.001 ? `${formatNumber(share * 1e6, 0, 0)} ppm` : `${formatNumber(share * 100, 1, 2)} %`;
}
