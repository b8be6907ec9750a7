import { mergeIntents } from '../../../core/footprint/stack-choices';
import type { Footprint, Land } from '../../../core/footprint/footprint';
import { shapeOf } from '../../../core/padstack/copper';
import type { Padstack } from '../../../core/padstack/padstack';
import { pasteFigures } from '../../../core/padstack/paste-forms';
import { formatLength, formatNumber } from '../../../core/units/length';
import { EntryInput } from '../../common/EntryInput';
import { useOverrideField } from '../../common/useEntry';
import { useBench } from '../context';
import type { Drawable } from '../derive';
import { KeepOuts } from './stack/KeepOuts';
import { PadTable } from './stack/PadTable';
import { StackSection } from '../../sheet/StackDrawing';
import { StackFields } from './stack/StackFields';

/** Padstacks: every layer of the selected land's, the list of all, and the pad table. */
export function Stack() {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  return (
    <>
      <h1 className="text-[15px] font-semibold">Stack</h1>
      {drawable && (
        <>
          <SelectedStack drawable={drawable} />
          <StackList footprint={drawable.footprint} />
          <EveryLand drawable={drawable} />
          <KeepOuts />
          <PadTable footprint={drawable.footprint} />
        </>
      )}
    </>
  );
}

/** The padstack of the selected land, for its whole group or for this land alone. */
function SelectedStack({ drawable: { footprint, process, document } }: { drawable: Drawable }) {
  const selected = useBench((s) => s.selectedLand);
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const land = footprint.lands[selected ?? 0];
  const stack = footprint.padstacks.find(({ name }) => name === land?.padstack);
  if (!land || !stack) return <p className="text-secondary mt-1">This part has no lands.</p>;
  const show = (mm: number) => formatLength(mm, unit);
  const { groups = {}, lands = {} } = document.stacks ?? {};
  const own = lands[String(land.position)];
  const ofGroup = Object.hasOwn(groups, land.group) ? groups[land.group] : undefined;
  const at = own ? `/stacks/lands/${land.position}` : `/stacks/groups/${land.group}`;
  const intent = own ? mergeIntents(ofGroup, own) : (ofGroup ?? {});
  const group = footprint.groups.find(({ id }) => id === land.group);
  return (
    <section aria-label={`Padstack of land ${land.number}`}>
      <p className="mt-1 font-semibold break-all">{stack.name}</p>
      <div className="mt-1 flex flex-wrap gap-1.5" role="group" aria-label="What the fields below change">
        <Scope
          title={`All of ${group?.title ?? land.group}`}
          pressed={!own}
          onPress={() => own && edit([{ at: `/stacks/lands/${land.position}`, value: undefined }])}
        />
        <Scope
          title={own ? `Land ${land.number} alone` : `Give land ${land.number} its own`}
          pressed={own !== undefined}
          onPress={() => own || edit([{ at: `/stacks/lands/${land.position}`, value: forkOf(stack) }])}
        />
      </div>
      <StackSection stack={stack} process={process} show={show} />
      <PasteLine stack={stack} process={process} />
      <StackFields key={at} at={at} intent={intent} stack={stack} process={process} show={show} />
    </section>
  );
}

/** A fork starts as what the land is; its shape is written down so that the land stands by itself. */
function forkOf({ copper }: Padstack) {
  return { shape: shapeOf(copper) };
}

function Scope({ title, pressed, onPress }: { title: string; pressed: boolean; onPress: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      className="border-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content rounded border px-2"
      onClick={onPress}
    >
      {title}
    </button>
  );
}

/** Stencil figures of the first aperture. */
function PasteLine({ stack, process }: { stack: Padstack; process: Drawable['process'] }) {
  if (stack.paste.length === 0) return null;
  const all = stack.paste.map(({ figure }) =>
    pasteFigures(figure, process.stencilThickness, process.pasteTransfer),
  );
  const least = (key: 'areaRatio' | 'aspectRatio') => Math.min(...all.map((figures) => figures[key]));
  const volume = all.reduce((sum, figures) => sum + figures.volume, 0);
  return (
    <p className="text-secondary text-[12px]">
      Stencil {process.stencilThickness} mm: area ratio {formatNumber(least('areaRatio'), 2, 2)}, aspect ratio{' '}
      {formatNumber(least('aspectRatio'), 1, 1)}, paste {formatNumber(volume, 3, 3)} mm³, solder{' '}
      {formatNumber(volume * process.pasteMetal, 3, 3)} mm³
    </p>
  );
}

/** Every padstack with its uses; pressing one selects its first land. */
function StackList({ footprint: { padstacks, lands } }: { footprint: Footprint }) {
  const set = useBench((s) => s.set);
  const selected = useBench((s) => s.selectedLand);
  const current = lands[selected ?? 0]?.padstack;
  return (
    <section className="mt-4">
      <h2 className="font-semibold">
        {padstacks.length} {padstacks.length === 1 ? 'padstack' : 'padstacks'}
      </h2>
      <ul>
        {padstacks.map(({ name }) => (
          <li key={name} className="border-base-300 border-t">
            <button
              type="button"
              className={`flex w-full gap-2 py-[3px] text-left ${name === current ? 'font-semibold' : ''}`}
              onClick={() => set({ selectedLand: lands.findIndex(({ padstack }) => padstack === name) })}
            >
              <span className="min-w-0 break-all">{name}</span>
              <span className="text-secondary ml-auto shrink-0 font-normal">
                {usesOf(lands.filter(({ padstack }) => padstack === name))}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function usesOf(lands: readonly Land[]): string {
  const [first] = lands;
  return lands.length === 1 && first ? `land ${first.number}` : `${lands.length} lands`;
}

/** Margins that hold for all lands unless a padstack says otherwise. */
function EveryLand({ drawable: { process } }: { drawable: Drawable }) {
  const unit = useBench((s) => s.unit);
  const joint = useBench((s) => s.document.overrides?.jointMask ?? false);
  const edit = useBench((s) => s.edit);
  return (
    <section className="mt-4">
      <h2 className="font-semibold">Every land</h2>
      <MarginField
        at="/overrides/maskMargin"
        title="Mask margin"
        initial={formatLength(process.maskMargin, unit)}
      />
      <MarginField
        at="/overrides/pasteMargin"
        title="Paste margin"
        initial={formatLength(process.pasteMargin, unit)}
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
    </section>
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
