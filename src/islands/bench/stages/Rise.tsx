import { EntryInput } from '../../common/EntryInput';
import { formatLength } from '../../../core/units/length';
import { useOverrideField } from '../../common/useEntry';
import { useBench } from '../context';

/** The stack of heights from the board's underside to the body's top. */
export function Rise() {
  const shown = useBench((s) => s.derived.shown);
  const unit = useBench((s) => s.unit);
  const text = useBench((s) => s.document.body?.solderThickness ?? '');
  const field = useOverrideField('/body/solderThickness', text, (_, input) => input.blur());
  const show = (mm: number) => formatLength(mm, unit).replace('-', '−');
  const drawable = shown?.drawable;
  if (!drawable) {
    return (
      <>
        <h1 className="text-[15px] font-semibold">Rise</h1>
        <p className="text-secondary mt-2">Heights appear once Measure has all its dimensions.</p>
      </>
    );
  }
  const { heights, extent } = drawable.footprint.body;
  // leads in holes and balls that melt set their own height
  const standsOnLands = extent.mount !== 'through' && extent.collapsing === undefined;
  const span = ({ min, max }: { min: number; max: number }) =>
    min === max ? show(max) : `${show(min)} to ${show(max)}`;
  const rows: [string, string][] = [
    ['Top of the body', span(heights.top)],
    ['Underside of the body', span(heights.underside)],
    ['Terminals stand at', show(heights.seating)],
    ['Top of the lands', show(heights.landTop)],
    ['Laminate surface', show(0)],
    ['Underside of the board', show(heights.boardBottom)],
  ];
  return (
    <>
      <h1 className="text-[15px] font-semibold">Rise</h1>
      <p className="text-secondary">Heights above the laminate, {unit}</p>
      <table className="mt-2 w-full">
        <tbody>
          {rows.map(([name, value]) => (
            <tr key={name} className="border-base-300 border-t">
              <th scope="row" className="py-[3px] text-left font-normal">
                {name}
              </th>
              <td className="text-right font-medium">{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {standsOnLands && (
        <label className="mt-3 flex items-center gap-2">
          <span className="w-28">Solder under terminals</span>
          <EntryInput
            field={field}
            tone={text ? 'set' : 'plain'}
            className="w-28"
            placeholder={`${show(drawable.process.solderThickness)} ${unit} by process`}
          />
        </label>
      )}
      <p className="text-secondary mt-3">
        Press a land to cut the elevations through it: copper, mask, solder and fillets are drawn at nominal,
        dashed at least and most material.
      </p>
    </>
  );
}
