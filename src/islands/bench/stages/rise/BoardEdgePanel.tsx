import type { EdgeIntent } from '../../../../core/document/document';
import { formatLength } from '../../../../core/units/length';
import { useBench } from '../../context';
import { Heading, RiseField } from './RiseField';

const SIDES: readonly EdgeIntent['side'][] = ['left', 'right', 'top', 'bottom'];

/** The edge of the board that the part must reach. */
export function BoardEdgePanel() {
  const edge = useBench((s) => s.document.edge);
  const made = useBench((s) => s.derived.shown?.drawable.footprint.edge ?? null);
  const box = useBench((s) => s.derived.shown?.drawable.footprint.courtyard.box);
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const show = (mm: number) => formatLength(mm, unit).replace('-', '−');
  const choose = (side: string) => {
    if (side === '') return edit([{ at: '/edge', value: undefined }]);
    const ends = {
      left: -(box?.minX ?? 0),
      right: box?.maxX ?? 0,
      top: box?.maxY ?? 0,
      bottom: -(box?.minY ?? 0),
    };
    const at = edge?.at ?? `${ends[side as EdgeIntent['side']]} mm`;
    edit([{ at: '/edge', value: { ...edge, side, at } }]);
  };
  return (
    <>
      <Heading>Board edge</Heading>
      <label className="flex items-center gap-2 py-[2px]">
        <span className="flex-1">The part reaches</span>
        <select
          className="border-base-300 bg-base-100 border px-1"
          value={edge?.side ?? ''}
          onChange={({ target }) => choose(target.value)}
        >
          <option value="">no edge</option>
          {SIDES.map((side) => (
            <option key={side} value={side}>
              the {side} edge
            </option>
          ))}
        </select>
      </label>
      {edge && (
        <>
          <RiseField at="/edge/at" text={edge.at} name="Edge, from the middle outwards" placeholder="0" />
          <RiseField
            at="/edge/minOverhang"
            text={edge.minOverhang}
            name="Overhang, least"
            placeholder="none"
          />
          <RiseField
            at="/edge/maxOverhang"
            text={edge.maxOverhang}
            name="Overhang, most"
            placeholder="none"
          />
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
