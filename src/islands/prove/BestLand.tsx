import { useEffect, useState } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { mattersOf } from '../../core/best/answer';
import type { Contribution } from '../../core/best/matters';
import { keptSpread, saidSpreads, variablesOf } from '../../core/best/spreads';
import { pointerKey } from '../../core/document/edit';
import { adoptEdits, ppmWords, type GroupBest, type LandPoint } from '../../core/best/best';
import type { Drawable } from '../../core/footprint/footprint';
import { formatLength, formatNumber, type DisplayUnit } from '../../core/units/length';
import { Pick } from '../common/inputs';
import { later } from '../common/later';
import { useBench } from '../state/context';
import { Spreads } from './Spreads';
import { useBest } from './useBest';

const FrontChart = later(
  'The chart',
  async () => (await import('./BestChart')).FrontChart,
  <div className="h-[204px]" />,
);
const CausesChart = later(
  'The chart',
  async () => (await import('./BestChart')).CausesChart,
  <div className="h-[80px]" />,
);

const ENDS = {
  toe: 'Toe',
  heel: 'Heel',
  side: 'Side',
  edge: 'Edge',
  wall: 'Lead to wall',
  ring: 'Ring',
} as const;
const NONE: Drawable['spreads'] = new Map();
/** Tolerances whose worth is told. */
const RELIEFS = 3;

/** Which tolerance matters for the joints of the selected land, and which land would be best. */
export function BestLand({ drawable }: { drawable: Drawable }) {
  const document = useBench((s) => s.document);
  const selected = useBench((s) => s.selectedLand);
  const unit = useBench((s) => s.unit);
  const { state, run, stop } = useBest();
  const see = useSee(drawable);
  const land = drawable.footprint.lands[selected ?? 0];
  const edit = useBench((s) => s.edit);
  const given = saidSpreads(drawable);
  const all = mattersOf(drawable);
  const own = all.find(({ group }) => group === land?.group) ?? all[0];
  const [end, setEnd] = useState<string>('');
  if (!own) return null;
  const margin = own.margins.find((one) => one.end === end) ?? own.margins[0];
  const found =
    state.kind === 'done' ? state.answer.groups.find(({ group }) => group === own.group) : undefined;
  return (
    <>
      <section className="mt-4" aria-label="What matters">
        <h2 className="font-semibold">What matters</h2>
        <div className="mt-1 flex gap-1.5" role="group" aria-label="Margin">
          {own.margins.map((one) => (
            <button
              key={one.end}
              type="button"
              aria-pressed={one === margin}
              className="border-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content rounded border px-2"
              onClick={() => setEnd(one.end)}
            >
              {ENDS[one.end]}
            </button>
          ))}
        </div>
        {margin && <CausesChart contributors={margin.contributors} onSee={see} />}
        <ul className="text-[12px]">
          {own.reliefs
            .filter(({ spared }) => spared >= 1e-9)
            .slice(0, RELIEFS)
            .map(({ name, less, spared }) => (
              <li key={name}>
                {formatLength(less, unit)} {unit} less of{' '}
                <Cause
                  name={name}
                  causes={own.margins.flatMap(({ contributors }) => contributors)}
                  see={see}
                />{' '}
                spares {formatNumber(spared * 1e6, 0, spared > 1e-5 ? 0 : 2)} ppm
              </li>
            ))}
          {own.reliefs.every(({ spared }) => spared < 1e-9) && (
            <li className="text-secondary">No tolerance costs a joint in a thousand million.</li>
          )}
        </ul>
      </section>
      <section className="mt-4" aria-label="Best land">
        <h2 className="font-semibold">Best land</h2>
        <p className="text-secondary text-[12px]">
          The land whose joints fail least by class {drawable.process.acceptanceClass}, for what it takes;
          limits as normal distributions at 3σ where nothing else is said.
        </p>
        <Spreads
          variables={variablesOf(drawable)}
          given={given}
          ofProcess={saidSpreads({ ...drawable, spreads: NONE })}
          unit={unit}
          onGive={(name, spread, source) =>
            edit(
              [
                {
                  at: `/spreads/${pointerKey(name)}`,
                  value: spread ? keptSpread(spread, source) : undefined,
                },
              ],
              undefined,
              `how “${name}” spreads`,
            )
          }
        />
        {state.kind === 'running' ? (
          <button
            type="button"
            className="border-primary text-primary mt-1 rounded border px-2"
            onClick={stop}
          >
            Stop, {Math.round(state.done * 100)} %
          </button>
        ) : (
          <button
            type="button"
            className="bg-primary text-primary-content mt-1 rounded px-2"
            onClick={() => run(document, {})}
          >
            Look for it
          </button>
        )}
        {state.kind === 'failed' && (
          <p role="alert" className="text-error text-[12px]">
            The search stopped: {state.reason}
          </p>
        )}
        {state.kind === 'done' && state.of !== document && (
          <p className="text-warning text-[12px]">The footprint has changed since; look again.</p>
        )}
        {found && <Found group={found} unit={unit} />}
      </section>
    </>
  );
}

/** Goes to where a cause can be changed: its row at Measure, or its number in the process. */
function useSee({ process }: Drawable): (cause: Contribution) => void {
  const set = useBench((s) => s.set);
  return ({ symbol, number }) => {
    if (number) return navigate(`/processes#${process.id}/${number}`);
    if (!symbol) return;
    set({ stage: 'measure', activeDimension: symbol });
    // the field is there once the stage is shown
    requestAnimationFrame(() => globalThis.document.getElementById(`entry-${symbol}`)?.focus());
  };
}

interface CauseProps {
  name: string;
  causes: readonly Contribution[];
  see: (cause: Contribution) => void;
}

/** A tolerance by its name; pressed, it is seen where it can be changed. */
function Cause({ name, causes, see }: CauseProps) {
  const cause = causes.find((one) => one.name === name);
  const words = name.toLowerCase();
  if (!cause?.symbol && !cause?.number) return <>{words}</>;
  return (
    <button type="button" className="text-primary underline" onClick={() => see(cause)}>
      {words}
    </button>
  );
}

/** The front, and the named lands with what each comes to; one is seen on the Sheet, or adopted. */
function Found({ group, unit }: { group: GroupBest; unit: DisplayUnit }) {
  const edit = useBench((s) => s.edit);
  const [chosen, setChosen] = useState('best');
  const setPreview = useBench((s) => s.setPreview);
  const point = group.points.find(({ id }) => id === chosen) ?? group.points.at(-1);
  // the chosen land is seen on the Sheet, over the one that is there
  useEffect(() => {
    if (!point || point.id === 'own') return setPreview(null);
    setPreview({ label: point.title, edits: adoptEdits(group.group, point) });
    return () => setPreview(null);
  }, [setPreview, group.group, point]);
  if (!point) return null;
  return (
    <>
      <FrontChart group={group} chosen={point.id} onChoose={setChosen} />
      <Pick
        className="mt-1 w-full"
        label="Land"
        value={point.id}
        options={group.points.map(({ id, title }) => [id, title] as const)}
        onChange={setChosen}
      />
      <PointFigures point={point} unit={unit} />
      <button
        type="button"
        className="btn btn-sm mt-1 w-full"
        disabled={point.id === 'own'}
        onClick={() => edit(adoptEdits(group.group, point), undefined, `the land ${point.title}`)}
      >
        Take this land
      </button>
      <ul className="text-secondary mt-1 text-[12px]">
        {group.limits.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </>
  );
}

function PointFigures({ point, unit }: { point: LandPoint; unit: DisplayUnit }) {
  const { sizes, bad, bySource, area, gap, margins } = point;
  const show = (mm: number) => formatLength(mm, unit);
  return (
    <div className="mt-1 text-[12px]">
      <p>
        <b className="font-semibold">{ppmWords(bad)}</b> bad joints
        {bad.byEvent[0] && bad.byEvent[0].share > 1e-12 && <>, most as: {bad.byEvent[0].what}</>}
      </p>
      {bySource.length > 0 && <p>{bySource.map((one) => `${one.title} ${ppmWords(one.bad)}`).join(', ')}</p>}
      <p className="text-secondary">
        {Object.entries(sizes)
          .map(([symbol, value]) => `${symbol} ${show(value)}`)
          .join(', ')}{' '}
        {unit}; {formatNumber(area, 2, 3)} mm²{gap !== null && `; gap ${show(gap)}`}
      </p>
      {margins.length > 0 && (
        <p className="text-secondary">
          {margins.map(({ end, inverse, goal }) => `${end} ${show(inverse)} (goal ${show(goal)})`).join(', ')}
        </p>
      )}
    </div>
  );
}
