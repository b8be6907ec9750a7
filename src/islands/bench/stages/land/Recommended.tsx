import { pointerKey } from '../../../../core/document/edit';
import type { Level, SheetUnit } from '../../../../core/document/document';
import type { Drawable } from '../../../../core/footprint/footprint';
import { jointMargins, type Margin } from '../../../../core/joint/margins';
import { sizesOf, type SizeRow, type SolvedGroup } from '../../../../core/land/solution';
import type { LandSize } from '../../../../core/land/solver';
import { formatLength } from '../../../../core/units/length';
import { Chips, Pick } from '../../../common/inputs';
import { LengthField, Reason, useChoice } from '../../../fields/choices';
import { useBench } from '../../../state/context';

const UNITS: readonly SheetUnit[] = ['mm', 'mil', 'in'];
const DISTANCES = [
  ['gap', 'distance: gap between'],
  ['centre', 'distance: centre to centre'],
  ['outer', 'distance: outer to outer'],
] as const;

interface Props {
  drawable: Drawable;
  group: SolvedGroup;
}

/** The datasheet's recommended lands, entered as it gives them, against the computed ones. */
export function Recommended({ drawable, group }: Props) {
  const unit = useBench(({ document }) => document.recommended?.unit ?? document.package.unit ?? 'mm');
  const packageUnit = useBench((s) => s.document.package.unit ?? 'mm');
  const edit = useBench((s) => s.edit);
  const { id } = group.terminals;
  const at = `recommended/groups/${pointerKey(id)}`;
  const read = drawable.recommended.get(id);
  const round = group.kind !== 'span' && group.figure.kind === 'round';
  const keys =
    group.kind === 'span'
      ? ['Y', 'X', 'distance']
      : [...(round ? ['D'] : ['Y', 'X']), ...(group.kind === 'pin' ? ['H'] : [])];
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">The datasheet’s own lands</legend>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {keys.map((key) => (
          <PatternField key={`${id} ${key}`} name={`${at}/${key}`} />
        ))}
      </div>
      <div className="mt-1 flex gap-2">
        {group.kind === 'span' && <DistanceChoice name={`${at}/given`} />}
        <Pick
          className="w-[72px]"
          label="Unit of the recommended lands"
          value={unit}
          options={UNITS.map((u) => [u, u] as const)}
          onChange={(value) =>
            edit([{ at: '/recommended/unit', value: value === packageUnit ? undefined : value }])
          }
        />
      </div>
      {read && (group.kind !== 'span' || read.land) && (
        <>
          <Comparison rows={comparisonRows(sizesOf(group), read.land, read.sizes)} />
          {group.kind === 'span' && read.land && (
            <Margins
              own={jointMargins(group.terminals, group, drawable.process, group.proposed)}
              theirs={jointMargins(group.terminals, group, drawable.process, read.land)}
              level={group.level}
            />
          )}
          <Adopt />
        </>
      )}
    </fieldset>
  );
}

function DistanceChoice({ name }: { name: string }) {
  const { value, write } = useChoice(name);
  return (
    <Pick
      label="How the datasheet states the distance"
      value={typeof value === 'string' ? value : 'gap'}
      options={DISTANCES}
      onChange={(next) => write(next === 'gap' ? undefined : next)}
    />
  );
}

function PatternField({ name }: { name: string }) {
  const { title } = useChoice(name);
  return <LengthField name={name} layout="under" computed="–" label={`Recommended land ${title}`} />;
}

interface Compared {
  readonly symbol: string;
  readonly computed: number;
  readonly theirs: number;
}

function comparisonRows(
  sizes: readonly SizeRow[],
  land: LandSize | null,
  given: Readonly<Partial<Record<string, number>>>,
): Compared[] {
  return sizes.flatMap(({ symbol, proposed }) => {
    const theirs = land ? land[symbol as keyof LandSize] : given[symbol];
    return theirs === undefined ? [] : [{ symbol, computed: proposed, theirs }];
  });
}

function Comparison({ rows }: { rows: readonly Compared[] }) {
  const unit = useBench((s) => s.unit);
  const show = (mm: number) => formatLength(mm, unit);
  return (
    <table className="mt-1.5 w-full text-right" aria-label="Computed lands against the datasheet’s">
      <thead>
        <tr className="text-secondary text-[12px]">
          <th className="text-left font-normal">{unit}</th>
          {['computed', 'datasheet', 'difference'].map((head) => (
            <th key={head} scope="col" className="font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ symbol, computed, theirs }) => {
          const off = theirs - computed;
          return (
            <tr key={symbol} className="border-base-300 border-t">
              <th scope="row" className="text-left font-normal">
                {symbol}
              </th>
              <td>{show(computed)}</td>
              <td>{show(theirs)}</td>
              <td className={Math.abs(off) > 0.05 ? 'text-warning font-semibold' : ''}>
                {Math.abs(off) < 5e-7 ? '0' : `${off > 0 ? '+' : ''}${show(off)}`}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface MarginsProps {
  own: readonly Margin[];
  theirs: readonly Margin[];
  level: Level;
}

/** Margins that each pattern would give by the land formulas, as the goals are stated. */
function Margins({ own, theirs, level }: MarginsProps) {
  const unit = useBench((s) => s.unit);
  const show = (mm: number) => formatLength(mm, unit);
  return (
    <table className="mt-1.5 w-full text-right" aria-label="Joint margins of both patterns">
      <thead>
        <tr className="text-secondary text-[12px]">
          <th className="text-left font-normal">margin</th>
          {['computed', 'datasheet', `goal ${level}`].map((head) => (
            <th key={head} scope="col" className="font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {own.map(({ end, inverse, goal }, i) => {
          const other = theirs[i]?.inverse ?? NaN;
          const tone = (value: number) => (value < goal - 0.0255 ? 'text-warning font-semibold' : '');
          return (
            <tr key={end} className="border-base-300 border-t">
              <th scope="row" className="text-left font-normal">
                {end}
              </th>
              <td className={tone(inverse)}>{show(inverse)}</td>
              <td className={tone(other)}>{show(other)}</td>
              <td className="text-secondary">{show(goal)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Which of the two patterns is used, and why. */
function Adopt() {
  const { value, write } = useChoice('recommended/adopted');
  return (
    <>
      <Chips
        label="Lands that are used"
        className="flex-1"
        value={value === true}
        options={[
          [false, 'Use the computed'],
          [true, 'Use the datasheet’s'],
        ]}
        onChoose={(adopted) => write(adopted || undefined)}
      />
      <Reason name="recommended/reason" />
    </>
  );
}
