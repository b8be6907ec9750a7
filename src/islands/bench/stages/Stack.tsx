import { useState } from 'react';
import { pointerKey } from '../../../core/document/edit';
import type { StackIntent } from '../../../core/document/intent';
import { over } from '../../../core/document/read-fields';
import { groupAt, type Drawable, type Footprint, type Land } from '../../../core/footprint/footprint';
import { shapeOf } from '../../../core/padstack/copper';
import { holeName } from '../../../core/padstack/naming';
import type { Padstack } from '../../../core/padstack/padstack';
import { pasteFigures } from '../../../core/padstack/paste-forms';
import { stackWords } from '../../../core/padstack/words';
import { formatLength, formatNumber } from '../../../core/units/length';
import { Chips } from '../../common/inputs';
import { later } from '../../common/later';
import { FlagField, LengthField } from '../../fields/choices';
import { StackSection } from '../../sheet/StackDrawing';
import { useBench } from '../../state/context';
import { KeepOuts } from './stack/KeepOuts';
import { Slots } from './stack/Slots';
import { PadTable } from './stack/PadTable';
import { StackFields } from './stack/StackFields';

const RuledSection = later('The ruler', async () => (await import('../../ruler/RuledSection')).RuledSection);

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
          <Slots />
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
  const [isRuled, setRuled] = useState(false);
  const land = footprint.lands[selected ?? 0];
  if (!land) return <p className="text-secondary mt-1">This part has no lands.</p>;
  const stack = land.padstack;
  const show = (mm: number) => formatLength(mm, unit);
  const { groups = {}, lands = {} } = document.stacks ?? {};
  const own = Object.hasOwn(lands, land.id) ? lands[land.id] : undefined;
  const ofGroup = Object.hasOwn(groups, land.group) ? groups[land.group] : undefined;
  const ofLand = `/stacks/lands/${pointerKey(land.id)}`;
  const at = own ? ofLand : `/stacks/groups/${pointerKey(land.group)}`;
  const intent: StackIntent = own ? over(own, ofGroup ?? {}) : (ofGroup ?? {});
  const group = groupAt(footprint, footprint.lands.indexOf(land));
  return (
    <section aria-label={`Padstack of land ${land.number}`}>
      <p className="mt-1 font-semibold">{stackWords(stack, show)}</p>
      <p className="text-secondary text-[12px] break-all">{stack.name}</p>
      <Chips
        label="What the fields below change"
        value={own !== undefined}
        options={[
          [false, `All of ${group?.terminals.title ?? land.group}`],
          [true, own ? `Land ${land.number} alone` : `Give land ${land.number} its own`],
        ]}
        onChoose={(alone) => {
          if (alone !== (own !== undefined)) edit([{ at: ofLand, value: alone ? forkOf(stack) : undefined }]);
        }}
      />
      {isRuled ? (
        <RuledSection stack={stack} process={process} unit={unit} onAway={() => setRuled(false)} />
      ) : (
        <div className="relative">
          <StackSection stack={stack} process={process} />
          <button
            type="button"
            className="btn btn-xs absolute right-0 bottom-0"
            title="Measures in the section"
            onClick={() => setRuled(true)}
          >
            Ruler
          </button>
        </div>
      )}
      <PasteLine stack={stack} process={process} />
      <StackFields
        key={at}
        at={at}
        general={own && ofGroup}
        intent={intent}
        stack={stack}
        process={process}
        show={show}
      />
    </section>
  );
}

/** A fork starts as what the land is; its shape is written down so that the land stands by itself. */
function forkOf({ copper }: Padstack) {
  return { shape: shapeOf(copper) };
}

/** Stencil figures of the first aperture. */
function PasteLine({ stack, process }: { stack: Padstack; process: Drawable['process'] }) {
  const unit = useBench((s) => s.unit);
  if (stack.paste.length === 0) return null;
  const all = stack.paste.map(({ figure }) =>
    pasteFigures(figure, process.stencilThickness, process.pasteTransfer),
  );
  const least = (key: 'areaRatio' | 'aspectRatio') => Math.min(...all.map((figures) => figures[key]));
  const volume = all.reduce((sum, figures) => sum + figures.volume, 0);
  return (
    <p className="text-secondary text-[12px]">
      Stencil {formatLength(process.stencilThickness, unit)} {unit}: area ratio{' '}
      {formatNumber(least('areaRatio'), 2, 2)}, aspect ratio {formatNumber(least('aspectRatio'), 1, 1)}, paste{' '}
      {formatNumber(volume, 3, 3)} mm³, solder {formatNumber(volume * process.pasteMetal, 3, 3)} mm³
    </p>
  );
}

/** Every padstack with its uses; pressing one selects its first land. */
function StackList({ footprint: { padstacks, lands, bores } }: { footprint: Footprint }) {
  const set = useBench((s) => s.set);
  const selected = useBench((s) => s.selectedLand);
  const unit = useBench((s) => s.unit);
  const holes = [...new Set(bores.map(holeName))];
  const count = padstacks.length + holes.length;
  const current = lands[selected ?? 0]?.padstack.name;
  return (
    <section className="mt-4">
      <h2 className="font-semibold">
        {count} {count === 1 ? 'padstack' : 'padstacks'}
      </h2>
      <ul>
        {padstacks.map(({ name, ...stack }) => (
          <li key={name} className="border-base-300 border-t">
            <button
              type="button"
              className={`flex w-full gap-2 py-[3px] text-left ${name === current ? 'font-semibold' : ''}`}
              onClick={() => set({ selectedLand: lands.findIndex(({ padstack }) => padstack.name === name) })}
            >
              <span className="min-w-0">
                {stackWords(stack, (mm) => formatLength(mm, unit))}
                <span className="text-secondary block text-[12px] font-normal break-all">{name}</span>
              </span>
              <span className="text-secondary ml-auto shrink-0 font-normal">
                {usesOf(lands.filter(({ padstack }) => padstack.name === name))}
              </span>
            </button>
          </li>
        ))}
        {holes.map((name) => (
          <li key={name} className="border-base-300 flex gap-2 border-t py-[3px]">
            <span>{name}</span>
            <span className="text-secondary ml-auto">
              {holesWords(bores.filter((bore) => holeName(bore) === name).length)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const holesWords = (count: number) => (count === 1 ? 'hole without copper' : `${count} holes without copper`);

function usesOf(lands: readonly Land[]): string {
  const [first] = lands;
  return lands.length === 1 && first ? `land ${first.number}` : `${lands.length} lands`;
}

/** Margins that hold for all lands unless a padstack says otherwise. */
function EveryLand({ drawable: { process } }: { drawable: Drawable }) {
  const unit = useBench((s) => s.unit);
  const byProcess = (mm: number) => formatLength(mm, unit);
  return (
    <section className="mt-4 grid gap-2">
      <h2 className="font-semibold">Every land</h2>
      <LengthField name="overrides/maskMargin" computed={byProcess(process.maskMargin)} note="a side" />
      <LengthField name="overrides/pasteMargin" computed={byProcess(process.pasteMargin)} note="a side" />
      <FlagField name="overrides/jointMask" />
    </section>
  );
}
