import type { StackIntent } from '../../../../core/document/document';
import { sizeOf, type Corner, type Figure } from '../../../../core/geometry/figure';
import { PASTE_FORMS } from '../../../../core/padstack/paste-forms';
import { shapeOf } from '../../../../core/padstack/copper';
import type { Padstack, StackPart } from '../../../../core/padstack/padstack';
import type { Process } from '../../../../core/process/process';
import { useLayers, type DrawnLayer } from '../../../sheet/StackDrawing';
import { useBench } from '../../context';
import { Reason } from '../land/SetByHand';
import { ChoiceField, CountField, FlagField, Fold, LengthField } from './fields';
import { ThermalVias, ThermalWindows } from './ThermalFields';

interface Props {
  /** JSON pointer of the intent that the fields write. */
  at: string;
  intent: StackIntent;
  stack: Padstack;
  process: Process;
  show: (mm: number) => string;
}

const SHAPES = [
  ['', 'as computed'],
  ['rectangle', 'rectangle'],
  ['rounded', 'rounded corners'],
  ['chamfered', 'cut corners'],
  ['oblong', 'oblong'],
  ['round', 'round'],
  ['d-shape', 'D, round inside'],
  ['contour', 'free contour'],
] as const;

/** Everything that can be chosen about one padstack, layer by layer from paste to the far side. */
export function StackFields({ at, intent, stack, process, show }: Props) {
  const layers = useLayers(stack, show);
  const part = { at, intent, stack, process, show, layers };
  const through = stack.hole !== null;
  return (
    <div className="border-base-300 mt-2 border-b">
      <OpeningFields {...part} which="paste" title="Paste" />
      <OpeningFields {...part} which="mask" title="Mask" />
      <LandFields {...part} />
      {stack.kind === 'thermal' && <ThermalVias {...part} />}
      {through && <HoleFields {...part} />}
      <ReliefFields {...part} />
      <ClearanceFields {...part} />
      {through && <FarFields {...part} />}
      {through && <OpeningFields {...part} which="maskOther" title="Mask, far side" />}
      {Object.keys(intent).length > 0 && <Reason at={`${at}/reason`} text={intent.reason ?? ''} />}
    </div>
  );
}

type Part = Props & { layers: ReadonlyMap<StackPart, DrawnLayer> };

function LandFields({ at, intent, stack, show, layers }: Part) {
  const { width, height } = sizeOf(stack.copper);
  const shape = intent.shape ?? '';
  const drawn = shapeOf(stack.copper);
  const { copper } = stack;
  const set = ['shape', 'width', 'height', 'radius', 'chamfer', 'contour', 'offsetX', 'offsetY', 'definedBy'];
  return (
    <Fold
      title={stack.hole ? 'Copper, component side' : 'Copper'}
      open={set.some((key) => key in intent)}
      layer={layers.get('copper')}
    >
      <ChoiceField at={`${at}/shape`} title="Shape" value={shape} usual="" options={SHAPES} />
      {drawn !== 'contour' && (
        <>
          <LengthField at={`${at}/width`} text={intent.width} title="Along" computed={show(width)} />
          {drawn !== 'round' && (
            <LengthField at={`${at}/height`} text={intent.height} title="Across" computed={show(height)} />
          )}
        </>
      )}
      {drawn === 'rounded' && copper.kind === 'rectangle' && (
        <LengthField
          at={`${at}/radius`}
          text={intent.radius}
          title="Corner radius"
          computed={show(copper.radius ?? 0)}
        />
      )}
      {drawn === 'chamfered' && copper.kind === 'rectangle' && (
        <>
          <LengthField
            at={`${at}/chamfer`}
            text={intent.chamfer}
            title="Cut"
            computed={show(copper.chamfer?.size ?? 0)}
          />
          <Corners at={`${at}/corners`} corners={copper.chamfer?.corners ?? []} />
        </>
      )}
      {shape === 'contour' && <ContourField at={`${at}/contour`} text={intent.contour ?? ''} />}
      <LengthField
        at={`${at}/offsetX`}
        text={intent.offsetX}
        title="Moved along"
        computed={show(0)}
        note="outwards"
      />
      <LengthField at={`${at}/offsetY`} text={intent.offsetY} title="Moved across" computed={show(0)} />
      {stack.hole === null && (
        <ChoiceField
          at={`${at}/definedBy`}
          title="Defined by"
          value={intent.definedBy ?? 'copper'}
          usual="copper"
          options={[
            ['copper', 'copper: mask stays off the land'],
            ['mask', 'mask: copper reaches under it'],
          ]}
        />
      )}
    </Fold>
  );
}

const CORNER_SIGNS: readonly (readonly [Corner, string])[] = [
  ['upper-left', 'inner left'],
  ['upper-right', 'outer left'],
  ['lower-left', 'inner right'],
  ['lower-right', 'outer right'],
];

function Corners({ at, corners }: { at: string; corners: readonly Corner[] }) {
  const edit = useBench((s) => s.edit);
  return (
    <div className="grid grid-cols-2 gap-1" role="group" aria-label="Corners that are cut">
      {CORNER_SIGNS.map(([corner, title]) => (
        <label key={corner} className="flex items-center gap-1.5 text-[12px]">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={corners.includes(corner)}
            onChange={({ target: { checked } }) => {
              const next = CORNER_SIGNS.map(([id]) => id).filter((id) =>
                id === corner ? checked : corners.includes(id),
              );
              edit([{ at, value: next }]);
            }}
          />
          {title}
        </label>
      ))}
    </div>
  );
}

function ContourField({ at, text }: { at: string; text: string }) {
  const edit = useBench((s) => s.edit);
  return (
    <label className="block">
      <span className="text-secondary text-[12px]">Corners as x,y about the terminal, in mm</span>
      <textarea
        className="border-base-300 bg-base-100 block w-full border px-1 text-[12px]"
        rows={3}
        value={text}
        placeholder="-0.8,-0.3 0.8,-0.3 0.8,0.3 -0.8,0.1"
        onChange={({ target: { value } }) => edit([{ at, value: value || undefined }], `contour ${at}`)}
      />
    </label>
  );
}

interface OpeningProps extends Part {
  which: 'mask' | 'maskOther' | 'paste';
  title: string;
}

/** An opening by its margin or by its size: what is typed in one is shown in the other. */
function OpeningFields({ which, title, ...part }: OpeningProps) {
  const { at, intent, stack, show, layers } = part;
  const own = intent[which] ?? {};
  const here = `${at}/${which}`;
  const opening: Figure | undefined = stack[which][0]?.figure;
  const land = which === 'maskOther' ? (stack.other ?? stack.copper) : stack.copper;
  const [outer, inner] = [opening ? sizeOf(opening) : null, sizeOf(land)];
  const sign = which === 'paste' ? -1 : 1;
  const windowed = stack.windows !== null && (which === 'paste' || (intent.windows?.mask ?? false));
  return (
    <Fold
      title={title}
      open={which in intent || (which === 'paste' && stack.windows !== null)}
      layer={layers.get(which)}
    >
      {which === 'paste' && stack.windows && <ThermalWindows {...part} />}
      <FlagField at={`${here}/none`} title="Closed" value={own.none ?? false} />
      {!own.none && (
        <>
          {!windowed && (
            <LengthField
              at={`${here}/margin`}
              text={own.margin}
              title="Margin"
              computed={outer ? show((sign * (outer.width - inner.width)) / 2) : ''}
              instead={[`${here}/width`, `${here}/height`]}
              note="a side"
            />
          )}
          <LengthField
            at={`${here}/width`}
            text={own.width}
            title="Along"
            computed={windowed ? 'in windows' : outer ? show(outer.width) : ''}
            instead={[`${here}/margin`]}
          />
          {opening?.kind !== 'round' && (
            <LengthField
              at={`${here}/height`}
              text={own.height}
              title="Across"
              computed={windowed ? 'in windows' : outer ? show(outer.height) : ''}
              instead={[`${here}/margin`]}
            />
          )}
          {which === 'paste' && !windowed && (
            <ChoiceField
              at={`${here}/form`}
              title="Form"
              value={own.form ?? 'as-land'}
              usual="as-land"
              options={PASTE_FORMS.map((form) => [form.id, form.title] as const)}
            />
          )}
        </>
      )}
    </Fold>
  );
}

function HoleFields({ at, intent, stack, show, layers }: Part) {
  const edit = useBench((s) => s.edit);
  const { hole = {} } = intent;
  const size = stack.hole ? sizeOf(stack.hole.figure) : { width: 0, height: 0 };
  return (
    <Fold title="Hole" open={'hole' in intent} layer={layers.get('hole')}>
      <LengthField
        at={`${at}/hole/diameter`}
        text={hole.diameter}
        title="Finished"
        computed={show(size.height)}
      />
      <LengthField
        at={`${at}/hole/slot`}
        text={hole.slot}
        title="Slot length"
        computed="round"
        note="over its ends"
      />
      <LengthField at={`${at}/hole/plus`} text={hole.plus} title="Tolerance +" computed={show(0)} />
      <LengthField at={`${at}/hole/minus`} text={hole.minus} title="Tolerance −" computed={show(0)} />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={hole.plated ?? true}
          onChange={({ target: { checked } }) =>
            edit([{ at: `${at}/hole/plated`, value: checked ? undefined : false }])
          }
        />
        Plated through
      </label>
    </Fold>
  );
}

function ReliefFields({ at, intent, stack, process, show, layers }: Part) {
  const edit = useBench((s) => s.edit);
  const { relief = {} } = intent;
  return (
    <Fold title="Thermal relief" open={'relief' in intent} layer={layers.get('relief')}>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={stack.relief !== null}
          onChange={({ target: { checked } }) => {
            const usual = stack.hole?.plated ?? false;
            edit([{ at: `${at}/relief/on`, value: checked === usual ? undefined : checked }]);
          }}
        />
        Spokes to the plane of its net
      </label>
      {stack.relief && (
        <>
          <CountField
            at={`${at}/relief/spokes`}
            title="Spokes"
            value={relief.spokes}
            computed={process.reliefSpokes}
            most={8}
          />
          <LengthField
            at={`${at}/relief/width`}
            text={relief.width}
            title="Spoke width"
            computed={show(process.reliefWidth)}
          />
          <LengthField
            at={`${at}/relief/gap`}
            text={relief.gap}
            title="Gap"
            computed={show(process.reliefGap)}
          />
        </>
      )}
    </Fold>
  );
}

function ClearanceFields({ at, intent, stack, process, show, layers }: Part) {
  return (
    <Fold title="Plane clearance" open={'clearance' in intent} layer={layers.get('clearance')}>
      <LengthField
        at={`${at}/clearance`}
        text={intent.clearance}
        title="From the land"
        computed={stack.clearance ? show(process.planeClearance) : 'none'}
        note="a side"
      />
    </Fold>
  );
}

function FarFields({ at, intent, stack, show, layers }: Part) {
  const { other = {} } = intent;
  const far = sizeOf(stack.other ?? stack.copper);
  return (
    <>
      <Fold title="Copper, inner layers" open={'inner' in intent} layer={layers.get('inner')}>
        <LengthField
          at={`${at}/inner`}
          text={intent.inner}
          title="Diameter"
          computed={stack.inner ? show(sizeOf(stack.inner).width) : ''}
        />
      </Fold>
      <Fold title="Copper, far side" open={'other' in intent} layer={layers.get('other')}>
        <LengthField at={`${at}/other/width`} text={other.width} title="Along" computed={show(far.width)} />
        <LengthField
          at={`${at}/other/height`}
          text={other.height}
          title="Across"
          computed={show(far.height)}
        />
      </Fold>
    </>
  );
}
