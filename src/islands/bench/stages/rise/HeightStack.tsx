import type { BodyOptions } from '../../../../core/document/document';
import { formatLength } from '../../../../core/units/length';
import { useBench } from '../../context';
import type { Drawable } from '../../derive';
import { Heading, RiseField } from './RiseField';

const NOTHING: BodyOptions = {};

/** The stack of heights, from the top of the body down, with the choices in their places. */
export function HeightStack({ drawable: { footprint, process } }: { drawable: Drawable }) {
  const unit = useBench((s) => s.unit);
  const body = useBench((s) => s.document.body) ?? NOTHING;
  const edit = useBench((s) => s.edit);
  const show = (mm: number) => formatLength(mm, unit).replace('-', '−');
  const span = ({ min, max }: { min: number; max: number }) =>
    min === max ? show(max) : `${show(min)} to ${show(max)}`;
  const { heights, extent, protrusion, limits } = footprint.body;
  // leads in holes and balls that melt set their own height
  const standsOnLands = extent.mount !== 'through' && extent.collapsing === undefined;
  const choice = (key: 'solderThickness' | 'lift' | 'boardThickness', name: string, placeholder: string) => (
    <RiseField key={key} at={`/body/${key}`} text={body[key]} name={name} placeholder={placeholder} />
  );
  const limit = (
    key: 'maxHeight' | 'minClearance' | 'minProtrusion' | 'maxProtrusion',
    name: string,
    now: string,
  ) => <RiseField key={key} at={`/body/${key}`} text={body[key]} name={name} placeholder={now} />;
  return (
    <>
      <p className="text-secondary">Heights above the laminate, {unit}</p>
      <dl className="mt-1">
        <Level name="Top of the body" value={span(heights.top)} />
        <Level name="Underside of the body" value={span(heights.underside)} />
        <Level name={standsOnLands ? 'Terminals stand at' : 'Seated at'} value={show(heights.seating)} />
        {standsOnLands && (
          <label className="flex items-center gap-2 py-[2px]">
            <span className="flex-1">Stands on</span>
            <select
              className="border-base-300 bg-base-100 w-[104px] border px-1"
              value={body.seat ?? 'leads'}
              onChange={({ target }) =>
                edit([{ at: '/body/seat', value: target.value === 'leads' ? undefined : target.value }])
              }
            >
              <option value="leads">its leads</option>
              <option value="standoff">body or feet</option>
            </select>
          </label>
        )}
        {standsOnLands && body.seat === undefined && (
          <>
            {body.solderFrom === undefined &&
              choice('solderThickness', 'Solder under terminals', `${show(process.solderThickness)} process`)}
            <label className="flex items-center gap-2 py-[2px]">
              <input
                type="checkbox"
                checked={body.solderFrom === 'paste'}
                onChange={({ target }) =>
                  edit([{ at: '/body/solderFrom', value: target.checked ? 'paste' : undefined }])
                }
              />
              <span className="flex-1">Solder as the paste makes it</span>
              {body.solderFrom && (
                <span className="font-medium">{show(heights.seating - heights.landTop - heights.lift)}</span>
              )}
            </label>
          </>
        )}
        {choice('lift', 'Held over its seat by', '0')}
        <Level name="Top of the legend" value={show(process.maskThickness + process.legendThickness)} />
        <Level name="Top of the lands" value={show(heights.landTop)} />
        <Level name="Laminate" value={show(0)} />
        {choice('boardThickness', 'Board thickness', `${show(process.boardThickness)} process`)}
        <Level name="Underside of the board" value={show(heights.boardBottom)} />
        {protrusion !== null && <Level name="Leads below the far copper" value={show(protrusion)} />}
      </dl>
      <Heading>Limits</Heading>
      {limit(
        'maxHeight',
        'Tallest part',
        process.maxHeight > 0 ? `${show(process.maxHeight)} process` : 'none',
      )}
      {limit(
        'minClearance',
        'Clearance under the body',
        limits.minClearance > 0 ? `${show(process.minClearance)} process` : 'none',
      )}
      {protrusion !== null && (
        <>
          {limit('minProtrusion', 'Leads below, least', `${show(process.minProtrusion)} process`)}
          {limit('maxProtrusion', 'Leads below, most', `${show(process.maxProtrusion)} process`)}
        </>
      )}
    </>
  );
}

function Level({ name, value }: { name: string; value: string }) {
  return (
    <div className="border-base-300 flex border-t py-[3px]">
      <dt className="flex-1">{name}</dt>
      <dd className="font-medium">{value}</dd>
    </div>
  );
}
