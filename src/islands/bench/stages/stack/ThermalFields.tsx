import type { StackIntent } from '../../../../core/document/document';
import { entryReader } from '../../../../core/footprint/entry-reader';
import { readStack } from '../../../../core/footprint/stack-choices';
import { viaPlan } from '../../../../core/padstack/build';
import type { Padstack, StackPart } from '../../../../core/padstack/padstack';
import { viaPlaces } from '../../../../core/padstack/vias';
import type { Process } from '../../../../core/process/process';
import { formatNumber } from '../../../../core/units/length';
import type { DrawnLayer } from '../../../sheet/StackDrawing';
import { useBench } from '../../context';
import { ChoiceField, CountField, FlagField, Fold, LengthField } from './fields';

interface Props {
  at: string;
  intent: StackIntent;
  stack: Padstack;
  process: Process;
  show: (mm: number) => string;
}

const COVERS = [
  ['open', 'open'],
  ['tented', 'tented (IPC-4761 type I)'],
  ['plugged', 'plugged (type III)'],
  ['filled', 'filled and capped (type VII)'],
] as const;

/** How the paste of an exposed pad is split. */
export function ThermalWindows({ at, intent, stack, process, show }: Props) {
  const edit = useBench((s) => s.edit);
  const { windows: own = {} } = intent;
  const made = stack.windows;
  if (!made) return null;
  const percent = (value: number) => `${formatNumber(value * 100, 0, 1)} %`;
  const aim = own.coverage ?? process.thermalCoverage;
  return (
    <>
      <CountField
        at={`${at}/windows/columns`}
        title="Windows across"
        value={own.columns}
        computed={made.columns}
        most={40}
      />
      <CountField at={`${at}/windows/rows`} title="upright" value={own.rows} computed={made.rows} most={40} />
      <label className="flex items-center gap-2">
        <span className="w-[88px] shrink-0">Coverage</span>
        <input
          type="range"
          className="range range-xs range-primary w-24"
          aria-label="Coverage"
          min={20}
          max={95}
          value={Math.round(aim * 100)}
          onChange={({ target: { value } }) =>
            edit([{ at: `${at}/windows/coverage`, value: Number(value) / 100 }], `coverage ${at}`)
          }
        />
        <span className="text-secondary text-[12px]">aim {percent(aim)}</span>
      </label>
      <LengthField
        at={`${at}/windows/gap`}
        text={own.gap}
        title="Bars, least"
        computed={show(process.windowGap)}
        note={`now ${show(made.bar)}`}
      />
      <LengthField
        at={`${at}/windows/radius`}
        text={own.radius}
        title="Corner radius"
        computed={show(process.windowRadius)}
      />
      <FlagField at={`${at}/windows/mask`} title="Mask open in windows too" value={own.mask ?? false} />
      {made.achievable < aim - 0.005 && (
        <p className="text-warning text-[12px]">
          Bars{stack.vias.length > 0 ? ' and vias' : ''} leave {percent(made.achievable)} at most.
        </p>
      )}
    </>
  );
}

/** The vias of an exposed pad. */
export function ThermalVias(props: Props & { layers: ReadonlyMap<StackPart, DrawnLayer> }) {
  const { at, intent, layers } = props;
  const on = intent.vias?.on ?? false;
  return (
    <Fold title="Vias" open={'vias' in intent} layer={layers.get('vias')}>
      <FlagField at={`${at}/vias/on`} title="Vias in the pad" value={on} />
      {on && <ViaFields {...props} />}
    </Fold>
  );
}

function ViaFields({ at, intent, stack, process, show }: Props) {
  const { vias = {} } = intent;
  const unit = useBench((s) => s.document.package.unit ?? 'mm');
  const plan = viaPlan(stack.copper, readStack(intent, at, entryReader(unit)), process);
  const places = viaPlaces(stack.copper, plan);
  const columns = new Set(places.map(({ x }) => x)).size;
  const rows = new Set(places.map(({ y }) => y)).size;
  const asked = (vias.columns ?? columns) * (vias.rows ?? rows);
  return (
    <>
      <LengthField
        at={`${at}/vias/pitch`}
        text={vias.pitch}
        title="Pitch"
        computed={show(plan.pitchX)}
        note={vias.pitch ? '' : 'on the bars'}
      />
      <CountField
        at={`${at}/vias/columns`}
        title="Across"
        value={vias.columns}
        computed={columns}
        most={40}
      />
      <CountField at={`${at}/vias/rows`} title="Upright" value={vias.rows} computed={rows} most={40} />
      <LengthField at={`${at}/vias/hole`} text={vias.hole} title="Hole" computed={show(process.viaHole)} />
      <LengthField at={`${at}/vias/ring`} text={vias.ring} title="Ring" computed={show(process.viaRing)} />
      <ChoiceField
        at={`${at}/vias/cover`}
        title="Closed by"
        value={vias.cover ?? 'open'}
        usual="open"
        options={COVERS}
      />
      {places.length > 0 && places.length < asked && (
        <p className="text-warning text-[12px]">
          {places.length} of {asked} vias have their whole ring on the pad.
        </p>
      )}
      <ViaPicker at={`${at}/vias/omit`} text={vias.omit ?? ''} stack={stack} plan={plan} />
    </>
  );
}

interface PickerProps {
  at: string;
  text: string;
  stack: Padstack;
  plan: ReturnType<typeof viaPlan>;
}

/** The pad from above: pressing a via leaves it out or puts it back. */
function ViaPicker({ at, text, stack, plan }: PickerProps) {
  const edit = useBench((s) => s.edit);
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
    edit([{ at, value: next.length > 0 ? next.join(' ') : undefined }]);
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
