import type { PatternDistance, RecommendedLands, SheetUnit } from '../../../../core/document/document';
import type { SizeRow, SpanSolution } from '../../../../core/land/solution';
import { sizesOf } from '../../../../core/land/solution';
import type { LandSize } from '../../../../core/land/solver';
import { jointMargins } from '../../../../core/joint/margins';
import { formatLength } from '../../../../core/units/length';
import { EntryInput } from '../../../common/EntryInput';
import { useField } from '../../../common/useEntry';
import { useBench } from '../../context';
import { Reason } from './SetByHand';

const UNITS: readonly SheetUnit[] = ['mm', 'mil', 'in'];
const DISTANCES: readonly (readonly [PatternDistance, string])[] = [
  ['gap', 'gap between'],
  ['centre', 'centre to centre'],
  ['outer', 'outer to outer'],
];
type Key = 'Y' | 'X' | 'D' | 'H' | 'distance';
const NAMES: Readonly<Record<Key, string>> = {
  Y: 'length',
  X: 'width',
  D: 'diameter',
  H: 'hole',
  distance: 'distance',
};

/** The datasheet's recommended lands, entered as it gives them, against the computed ones. */
export function Recommended({ group }: { group: number }) {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  const recommended = useBench((s) => s.document.recommended);
  const packageUnit = useBench((s) => s.document.package.unit ?? 'mm');
  const edit = useBench((s) => s.edit);
  const solution = drawable?.footprint.solutions[group];
  const terminals = drawable?.footprint.groups[group];
  if (!drawable || !solution || !terminals) return null;
  const id = terminals.id;
  const given: RecommendedLands = recommended?.groups?.[id] ?? {};
  const read = Object.hasOwn(drawable.recommended, id) ? drawable.recommended[id] : undefined;
  const round = solution.kind !== 'span' && solution.figure.kind === 'round';
  const keys: readonly Key[] =
    solution.kind === 'span'
      ? ['Y', 'X', 'distance']
      : [
          ...(round ? (['D'] as const) : (['Y', 'X'] as const)),
          ...(solution.kind === 'pin' ? (['H'] as const) : []),
        ];
  const unit = recommended?.unit ?? packageUnit;
  const write = (key: string, value: unknown) => edit([{ at: `/recommended/groups/${id}/${key}`, value }]);
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">The datasheet’s own lands</legend>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {keys.map((key) => (
          <PatternField key={`${id} ${key}`} group={id} name={key} text={given[key] ?? ''} />
        ))}
      </div>
      <div className="mt-1 flex gap-2">
        {solution.kind === 'span' && (
          <select
            className="select select-sm min-w-0 flex-1"
            aria-label="How the datasheet states the distance"
            value={given.given ?? 'gap'}
            onChange={({ target: { value } }) => write('given', value === 'gap' ? undefined : value)}
          >
            {DISTANCES.map(([value, name]) => (
              <option key={value} value={value}>
                distance: {name}
              </option>
            ))}
          </select>
        )}
        <select
          className="select select-sm w-[72px]"
          aria-label="Unit of the recommended lands"
          value={unit}
          onChange={({ target: { value } }) =>
            edit([{ at: '/recommended/unit', value: value === packageUnit ? undefined : value }])
          }
        >
          {UNITS.map((u) => (
            <option key={u}>{u}</option>
          ))}
        </select>
      </div>
      {read && (solution.kind !== 'span' || read.land) && (
        <>
          <Comparison rows={comparisonRows(sizesOf(solution), read.land, read.sizes)} />
          {solution.kind === 'span' && terminals.kind === 'span' && read.land && (
            <Margins
              own={jointMargins(terminals, solution, drawable.process, solution.proposed)}
              theirs={jointMargins(terminals, solution, drawable.process, read.land)}
              solution={solution}
            />
          )}
          <Adopt />
        </>
      )}
    </fieldset>
  );
}

function PatternField({ group, name, text }: { group: string; name: Key; text: string }) {
  const edit = useBench((s) => s.edit);
  const at = `/recommended/groups/${group}/${name}`;
  const field = useField(
    text,
    (next, gesture) => edit([{ at, value: next === '' ? undefined : next }], gesture),
    (_, input) => input.blur(),
  );
  return (
    <label className="block">
      <span className="text-secondary text-[12px]">{NAMES[name]}</span>
      <EntryInput
        field={field}
        tone={text ? 'set' : 'plain'}
        className="w-full"
        placeholder="–"
        aria-label={`Recommended land ${NAMES[name]}`}
      />
    </label>
  );
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
  const show = (mm: number) => formatLength(mm, unit).replace('-', '−');
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
  own: ReturnType<typeof jointMargins>;
  theirs: ReturnType<typeof jointMargins>;
  solution: SpanSolution;
}

/** Least margins, root sum square, that each pattern would give. */
function Margins({ own, theirs, solution }: MarginsProps) {
  const unit = useBench((s) => s.unit);
  const show = (mm: number) => formatLength(mm, unit).replace('-', '−');
  return (
    <table className="mt-1.5 w-full text-right" aria-label="Joint margins of both patterns">
      <thead>
        <tr className="text-secondary text-[12px]">
          <th className="text-left font-normal">least margin</th>
          {['computed', 'datasheet', `goal ${solution.level}`].map((head) => (
            <th key={head} scope="col" className="font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {own.map(({ end, rms, goal }, i) => {
          const other = theirs[i]?.rms ?? NaN;
          const tone = (value: number) => (value < goal - 0.0255 ? 'text-warning font-semibold' : '');
          return (
            <tr key={end} className="border-base-300 border-t">
              <th scope="row" className="text-left font-normal">
                {end}
              </th>
              <td className={tone(rms)}>{show(rms)}</td>
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
  const adopted = useBench((s) => s.document.recommended?.adopted ?? false);
  const reason = useBench((s) => s.document.recommended?.reason ?? '');
  const edit = useBench((s) => s.edit);
  const choose = (value: true | undefined) => edit([{ at: '/recommended/adopted', value }]);
  return (
    <>
      <div className="mt-1.5 flex gap-1.5" role="group" aria-label="Lands that are used">
        {(
          [
            [false, 'Use the computed'],
            [true, 'Use the datasheet’s'],
          ] as const
        ).map(([value, name]) => (
          <button
            key={name}
            type="button"
            aria-pressed={adopted === value}
            className="border-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content flex-1 rounded border px-1 py-[1px]"
            onClick={() => choose(value || undefined)}
          >
            {name}
          </button>
        ))}
      </div>
      <Reason at="/recommended/reason" text={reason} />
    </>
  );
}
