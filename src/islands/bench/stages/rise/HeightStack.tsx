import type { BodyOptions } from '../../../../core/document/document';
import type { Drawable } from '../../../../core/footprint/footprint';
import { formatLength } from '../../../../core/units/length';
import { Heading, Pick, Tick } from '../../../common/inputs';
import { LengthField, useChoice } from '../../../fields/choices';
import { useBench } from '../../../state/context';

const NOTHING: BodyOptions = {};

/** The stack of heights, from the top of the body down, with the choices in their places. */
export function HeightStack({ drawable: { footprint, process } }: { drawable: Drawable }) {
  const unit = useBench((s) => s.unit);
  const body = useBench((s) => s.document.body) ?? NOTHING;
  const show = (mm: number) => formatLength(mm, unit);
  const span = ({ min, max }: { min: number; max: number }) =>
    min === max ? show(max) : `${show(min)} to ${show(max)}`;
  const byProcess = (mm: number) => `${show(mm)} process`;
  const { heights, extent, protrusion, limits } = footprint.body;
  // leads in holes and balls that melt set their own height
  const standsOnLands = extent.mount !== 'through' && extent.collapsing === undefined;
  return (
    <>
      <p className="text-secondary">Heights above the laminate, {unit}</p>
      <div className="mt-1">
        <Level name="Top of the body" value={span(heights.top)} />
        <Level name="Underside of the body" value={span(heights.underside)} />
        <Level name={standsOnLands ? 'Terminals stand at' : 'Seated at'} value={show(heights.seating)} />
        {standsOnLands && <SeatChoice />}
        {standsOnLands && body.seat === undefined && (
          <>
            {body.solderFrom === undefined && (
              <Height name="solderThickness" computed={byProcess(process.solderThickness)} />
            )}
            <SolderFromPaste thickness={show(heights.seating - heights.landTop - heights.lift)} />
          </>
        )}
        <Height name="lift" computed="0" />
        <Level name="Top of the legend" value={show(heights.legendTop)} />
        <Level name="Top of the lands" value={show(heights.landTop)} />
        <Level name="Laminate" value={show(0)} />
        <Height name="boardThickness" computed={byProcess(process.boardThickness)} />
        <Level name="Underside of the board" value={show(heights.boardBottom)} />
        {protrusion !== null && <Level name="Leads below the far copper" value={show(protrusion)} />}
      </div>
      <Heading>Limits</Heading>
      <Height name="maxHeight" computed={process.maxHeight > 0 ? byProcess(process.maxHeight) : 'none'} />
      <Height
        name="minClearance"
        computed={limits.minClearance > 0 ? byProcess(process.minClearance) : 'none'}
      />
      {protrusion !== null && (
        <>
          <Height name="minProtrusion" computed={byProcess(process.minProtrusion)} />
          <Height name="maxProtrusion" computed={byProcess(process.maxProtrusion)} />
        </>
      )}
    </>
  );
}

function Height({ name, computed }: { name: keyof BodyOptions; computed: string }) {
  return <LengthField name={`body/${name}`} computed={computed} layout="line" />;
}

function SeatChoice() {
  const { value, title, write } = useChoice('body/seat');
  return (
    <label className="flex items-center gap-2 py-[2px]">
      <span className="flex-1">{title}</span>
      <Pick
        className="w-[104px]"
        value={value === 'standoff' ? 'standoff' : 'leads'}
        options={[
          ['leads', 'its leads'],
          ['standoff', 'body or feet'],
        ]}
        onChange={(seat) => write(seat === 'leads' ? undefined : seat)}
      />
    </label>
  );
}

function SolderFromPaste({ thickness }: { thickness: string }) {
  const { value, title, write } = useChoice('body/solderFrom');
  return (
    <div className="flex items-center py-[2px]">
      <Tick checked={value === 'paste'} onChange={(on) => write(on ? 'paste' : undefined)}>
        {title}
      </Tick>
      {value === 'paste' && <span className="ml-auto font-medium">{thickness}</span>}
    </div>
  );
}

function Level({ name, value }: { name: string; value: string }) {
  return (
    <div className="border-base-300 flex border-t py-[3px]">
      <span className="flex-1">{name}</span>
      <span className="font-medium">{value}</span>
    </div>
  );
}
