import { readFields } from '../../../../core/document/read-fields';
import { STACK_FIELDS } from '../../../../core/document/intent';
import { viaPlan } from '../../../../core/padstack/build';
import type { Padstack } from '../../../../core/padstack/padstack';
import { viaPlaces } from '../../../../core/padstack/vias';
import { formatNumber } from '../../../../core/units/length';
import { ChoiceField, CountField, FlagField, LengthField, useChoice } from '../../../fields/choices';
import { Fold } from '../../../fields/Fold';
import { useBench } from '../../../state/context';
import type { StackPartProps } from './part';

const COVERS = [
  ['open', 'open'],
  ['tented', 'tented (IPC-4761 type I)'],
  ['plugged', 'plugged (type III)'],
  ['filled', 'filled and capped (type VII)'],
] as const;

const percent = (share: number) => `${formatNumber(share * 100, 0, 1)} %`;

/** How the paste of an exposed pad is split. */
export function ThermalWindows({ intent, stack, process, show }: StackPartProps) {
  const coverage = useChoice('windows/coverage');
  const made = stack.windows;
  if (!made) return null;
  const aim = intent.windows?.coverage ?? process.thermalCoverage;
  return (
    <>
      <CountField name="windows/columns" computed={made.columns} />
      <CountField name="windows/rows" computed={made.rows} />
      <label className="flex items-center gap-2">
        <span className="w-[88px] shrink-0">{coverage.title}</span>
        <input
          type="range"
          className="range range-xs range-primary w-24"
          aria-label={coverage.title}
          min={20}
          max={95}
          value={Math.round(aim * 100)}
          onChange={({ target }) => coverage.write(Number(target.value) / 100, `coverage ${coverage.at}`)}
        />
        <span className="text-secondary text-[12px]">aim {percent(aim)}</span>
      </label>
      <LengthField name="windows/gap" computed={show(process.windowGap)} note={`now ${show(made.bar)}`} />
      <LengthField name="windows/radius" computed={show(process.windowRadius)} />
      <FlagField name="windows/mask" />
      {made.achievable < aim - 0.005 && (
        <p className="text-warning text-[12px]">
          Bars{stack.vias.length > 0 ? ' and vias' : ''} leave {percent(made.achievable)} at most.
        </p>
      )}
    </>
  );
}

/** The vias of an exposed pad. */
export function ThermalVias(props: StackPartProps) {
  const { intent, layers } = props;
  return (
    <Fold title="Vias" open={'vias' in intent} layer={layers.get('vias')}>
      <FlagField name="vias/on" />
      {intent.vias?.on && <ViaFields {...props} />}
    </Fold>
  );
}

function ViaFields({ intent, stack, process, show }: StackPartProps) {
  const { vias = {} } = intent;
  const unit = useBench((s) => s.document.package.unit ?? 'mm');
  // what cannot be read is told by the findings
  const plan = viaPlan(stack.copper, readFields(STACK_FIELDS, intent, '', unit).value, process);
  const places = viaPlaces(stack.copper, plan);
  const columns = new Set(places.map(({ x }) => x)).size;
  const rows = new Set(places.map(({ y }) => y)).size;
  const asked = (vias.columns ?? columns) * (vias.rows ?? rows);
  return (
    <>
      <LengthField name="vias/pitch" computed={show(plan.pitchX)} note={vias.pitch ? '' : 'on the bars'} />
      <CountField name="vias/columns" computed={columns} />
      <CountField name="vias/rows" computed={rows} />
      <LengthField name="vias/hole" computed={show(process.viaHole)} />
      <LengthField name="vias/ring" computed={show(process.viaRing)} />
      <ChoiceField name="vias/cover" usual="open" options={COVERS} />
      {places.length > 0 && places.length < asked && (
        <p className="text-warning text-[12px]">
          {places.length} of {asked} vias have their whole ring on the pad.
        </p>
      )}
      <ViaPicker text={vias.omit ?? ''} stack={stack} plan={plan} />
    </>
  );
}

interface PickerProps {
  text: string;
  stack: Padstack;
  plan: ReturnType<typeof viaPlan>;
}

/** The pad from above: pressing a via leaves it out or puts it back. */
function ViaPicker({ text, stack, plan }: PickerProps) {
  const { write } = useChoice('vias/omit');
  const places = viaPlaces(stack.copper, plan);
  const { columns, rows } = {
    columns: [...new Set(places.map(({ x }) => x))].sort((a, b) => a - b),
    rows: [...new Set(places.map(({ y }) => y))].sort((a, b) => b - a),
  };
  if (places.length === 0) {
    return <p className="text-warning text-[12px]">No via of this size and ring fits on the pad.</p>;
  }
  const toggle = (name: string, omitted: boolean) => {
    const names = text.split(/[\s,;]+/).filter((n) => n !== '' && n !== name);
    const next = omitted ? names : [...names, name].sort();
    write(next.length > 0 ? next.join(' ') : undefined);
  };
  return (
    <div>
      <p className="text-secondary text-[12px]">Press a via to leave it out.</p>
      <div
        className="mt-1 inline-grid gap-0.5"
        style={{ gridTemplateColumns: `repeat(${columns.length}, 1.1rem)` }}
        role="group"
        aria-label="Vias of the grid"
      >
        {rows.flatMap((y) =>
          columns.map((x) => {
            const spot = places.find((place) => place.x === x && place.y === y);
            if (!spot) return <span key={`${x} ${y}`} />;
            return (
              <button
                key={spot.name}
                type="button"
                aria-pressed={!spot.omitted}
                aria-label={`Via ${spot.name}`}
                title={`${spot.name} (row.column)`}
                className="border-copper-edge grid h-[1.1rem] place-content-center rounded-full border aria-pressed:bg-[var(--copper)]"
                onClick={() => toggle(spot.name, spot.omitted)}
              >
                <span
                  className={
                    spot.omitted ? 'text-secondary text-[10px]' : 'bg-base-100 block h-1.5 w-1.5 rounded-full'
                  }
                >
                  {spot.omitted ? '×' : ''}
                </span>
              </button>
            );
          }),
        )}
      </div>
    </div>
  );
}
