import type { EdgeIntent } from '../../../../core/document/document';
import { formatLength } from '../../../../core/units/length';
import { Heading, Pick } from '../../../common/inputs';
import { LengthField, useChoice } from '../../../fields/choices';
import { useBench } from '../../../state/context';

const SIDES: readonly EdgeIntent['side'][] = ['left', 'right', 'top', 'bottom'];

/** The edge of the board that the part must reach. */
export function BoardEdgePanel() {
  const edge = useBench((s) => s.document.edge);
  const made = useBench((s) => s.derived.shown?.drawable.footprint.edge ?? null);
  const box = useBench((s) => s.derived.shown?.drawable.footprint.courtyard.box);
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const { title } = useChoice('edge/side');
  const show = (mm: number) => formatLength(mm, unit);
  const choose = (side: EdgeIntent['side'] | '') => {
    if (side === '') return edit([{ at: '/edge', value: undefined }]);
    const ends = {
      left: -(box?.minX ?? 0),
      right: box?.maxX ?? 0,
      top: box?.maxY ?? 0,
      bottom: -(box?.minY ?? 0),
    };
    const at = edge?.at ?? `${ends[side]} mm`;
    edit([{ at: '/edge', value: { ...edge, side, at } }]);
  };
  return (
    <>
      <Heading>Board edge</Heading>
      <label className="flex items-center gap-2 py-[2px]">
        <span className="flex-1">{title}</span>
        <Pick<EdgeIntent['side'] | ''>
          className="w-[120px]"
          value={edge?.side ?? ''}
          options={[['', 'no edge'], ...SIDES.map((side) => [side, `the ${side} edge`] as const)]}
          onChange={choose}
        />
      </label>
      {edge && (
        <>
          <LengthField name="edge/at" computed="0" layout="line" />
          <LengthField name="edge/minOverhang" computed="none" layout="line" />
          <LengthField name="edge/maxOverhang" computed="none" layout="line" />
        </>
      )}
      {made && (
        <p className="text-secondary text-[12px]">
          The part stands out {show(made.overhang.min)}
          {made.overhang.max !== made.overhang.min && ` to ${show(made.overhang.max)}`} {unit} beyond the
          edge.
        </p>
      )}
    </>
  );
}
