import type { StackIntent } from '../../../../core/document/intent';
import { sizeOf, type Corner, type Figure } from '../../../../core/geometry/figure';
import { PASTE_FORMS } from '../../../../core/padstack/paste-forms';
import { shapeOf } from '../../../../core/padstack/copper';
import { useLayers } from '../../../sheet/StackDrawing';
import { Tick } from '../../../common/inputs';
import {
  ChoiceField,
  CountField,
  FlagField,
  LengthField,
  Reason,
  useChoice,
  Within,
} from '../../../fields/choices';
import { Fold } from '../../../fields/Fold';
import type { StackPartProps } from './part';
import { ThermalVias, ThermalWindows } from './ThermalFields';

interface Props extends Omit<StackPartProps, 'layers'> {
  /** JSON pointer of the intent that the fields write. */
  at: string;
  /** What holds where that says nothing. */
  general: StackIntent | undefined;
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
export function StackFields({ at, general, ...about }: Props) {
  const { intent, stack, show } = about;
  const layers = useLayers(stack, show);
  const part = { ...about, layers };
  const through = stack.hole !== null;
  return (
    <Within at={at} value={intent} general={general}>
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
        {Object.keys(intent).length > 0 && <Reason name="reason" />}
      </div>
    </Within>
  );
}

/** Choices that are folded away under the copper. */
const ABOUT_COPPER: readonly string[] = [
  'shape',
  'width',
  'height',
  'radius',
  'chamfer',
  'contour',
  'offsetX',
  'offsetY',
  'definedBy',
];

function LandFields({ intent, stack, show, layers }: StackPartProps) {
  const { copper } = stack;
  const { width, height } = sizeOf(copper);
  const drawn = shapeOf(copper);
  return (
    <Fold
      title={stack.hole ? 'Copper, component side' : 'Copper'}
      open={ABOUT_COPPER.some((key) => key in intent)}
      layer={layers.get('copper')}
    >
      <ChoiceField name="shape" usual="" options={SHAPES} />
      {drawn !== 'contour' && <LengthField name="width" computed={show(width)} />}
      {drawn !== 'contour' && drawn !== 'round' && <LengthField name="height" computed={show(height)} />}
      {drawn === 'rounded' && copper.kind === 'rectangle' && (
        <LengthField name="radius" computed={show(copper.radius ?? 0)} />
      )}
      {drawn === 'chamfered' && copper.kind === 'rectangle' && (
        <>
          <LengthField name="chamfer" computed={show(copper.chamfer?.size ?? 0)} />
          <Corners corners={copper.chamfer?.corners ?? []} />
        </>
      )}
      {intent.shape === 'contour' && <ContourField />}
      <LengthField name="offsetX" computed={show(0)} note="outwards" />
      <LengthField name="offsetY" computed={show(0)} />
      {stack.hole === null && (
        <ChoiceField
          name="definedBy"
          usual="copper"
          options={[
            ['copper', 'copper: mask off the land'],
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

function Corners({ corners }: { corners: readonly Corner[] }) {
  const { title, write } = useChoice('corners');
  const cut = (corner: Corner, on: boolean) =>
    write(CORNER_SIGNS.map(([id]) => id).filter((id) => (id === corner ? on : corners.includes(id))));
  return (
    <div className="grid grid-cols-2 gap-1" role="group" aria-label={title}>
      {CORNER_SIGNS.map(([corner, name]) => (
        <Tick key={corner} small checked={corners.includes(corner)} onChange={(on) => cut(corner, on)}>
          {name}
        </Tick>
      ))}
    </div>
  );
}

function ContourField() {
  const { at, value, write } = useChoice('contour');
  return (
    <label className="block">
      <span className="text-secondary text-[12px]">Corners as x,y about the terminal, in mm</span>
      <textarea
        className="border-base-300 bg-base-100 block w-full border px-1 text-[12px]"
        rows={3}
        value={typeof value === 'string' ? value : ''}
        placeholder="-0.8,-0.3 0.8,-0.3 0.8,0.3 -0.8,0.1"
        onChange={({ target }) => write(target.value || undefined, `contour ${at}`)}
      />
    </label>
  );
}

interface OpeningProps extends StackPartProps {
  which: 'mask' | 'maskOther' | 'paste';
  title: string;
}

/** An opening by its margin or by its size: what is typed in one is shown in the other. */
function OpeningFields({ which, title, ...part }: OpeningProps) {
  const { intent, stack, show, layers } = part;
  const opening: Figure | undefined = stack[which][0]?.figure;
  const land = which === 'maskOther' ? (stack.other ?? stack.copper) : stack.copper;
  const [outer, inner] = [opening ? sizeOf(opening) : null, sizeOf(land)];
  const sign = which === 'paste' ? -1 : 1;
  const windowed = stack.windows !== null && (which === 'paste' || (intent.windows?.mask ?? false));
  const size = (side: 'width' | 'height') => (windowed ? 'in windows' : outer ? show(outer[side]) : '');
  return (
    <Fold
      title={title}
      open={which in intent || (which === 'paste' && stack.windows !== null)}
      layer={layers.get(which)}
    >
      {which === 'paste' && stack.windows && <ThermalWindows {...part} />}
      <FlagField name={`${which}/none`} />
      {!intent[which]?.none && (
        <>
          {!windowed && (
            <LengthField
              name={`${which}/margin`}
              computed={outer ? show((sign * (outer.width - inner.width)) / 2) : ''}
              instead={[`${which}/width`, `${which}/height`]}
              note="a side"
            />
          )}
          <LengthField name={`${which}/width`} computed={size('width')} instead={[`${which}/margin`]} />
          {opening?.kind !== 'round' && (
            <LengthField name={`${which}/height`} computed={size('height')} instead={[`${which}/margin`]} />
          )}
          {which === 'paste' && !windowed && (
            <ChoiceField
              name={`${which}/form`}
              usual="as-land"
              options={PASTE_FORMS.map((form) => [form.id, form.title] as const)}
            />
          )}
        </>
      )}
    </Fold>
  );
}

function HoleFields({ intent, stack, show, layers }: StackPartProps) {
  const size = stack.hole ? sizeOf(stack.hole.figure) : { width: 0, height: 0 };
  return (
    <Fold title="Hole" open={'hole' in intent} layer={layers.get('hole')}>
      <LengthField name="hole/diameter" computed={show(size.height)} />
      <LengthField name="hole/slot" computed="round" note="over its ends" />
      <LengthField name="hole/plus" computed={show(0)} />
      <LengthField name="hole/minus" computed={show(0)} />
      <FlagField name="hole/plated" usual />
    </Fold>
  );
}

function ReliefFields({ intent, stack, process, show, layers }: StackPartProps) {
  return (
    <Fold title="Thermal relief" open={'relief' in intent} layer={layers.get('relief')}>
      <FlagField name="relief/on" usual={stack.hole?.plated ?? false} />
      {stack.relief && (
        <>
          <CountField name="relief/spokes" computed={process.reliefSpokes} />
          <LengthField name="relief/width" computed={show(process.reliefWidth)} />
          <LengthField name="relief/gap" computed={show(process.reliefGap)} />
        </>
      )}
    </Fold>
  );
}

function ClearanceFields({ intent, stack, process, show, layers }: StackPartProps) {
  return (
    <Fold title="Plane clearance" open={'clearance' in intent} layer={layers.get('clearance')}>
      <LengthField
        name="clearance"
        computed={stack.clearance ? show(process.planeClearance) : 'none'}
        note="a side"
      />
    </Fold>
  );
}

function FarFields({ intent, stack, show, layers }: StackPartProps) {
  const far = sizeOf(stack.other ?? stack.copper);
  return (
    <>
      <Fold title="Copper, inner layers" open={'inner' in intent} layer={layers.get('inner')}>
        <LengthField name="inner" computed={stack.inner ? show(sizeOf(stack.inner).width) : ''} />
      </Fold>
      <Fold title="Copper, far side" open={'other' in intent} layer={layers.get('other')}>
        <LengthField name="other/width" computed={show(far.width)} />
        <LengthField name="other/height" computed={show(far.height)} />
      </Fold>
    </>
  );
}
