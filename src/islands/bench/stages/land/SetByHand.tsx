import type { LandOverride } from '../../../../core/document/document';
import { sizesOf, type LandSolution, type SettableSize } from '../../../../core/land/solution';
import { formatLength } from '../../../../core/units/length';
import { EntryInput } from '../../../common/EntryInput';
import { useField } from '../../../common/useEntry';
import { useBench } from '../../context';

const HOLDS = [
  ['centre', 'the centre distance'],
  ['gap', 'the gap'],
  ['outer', 'the outer distance'],
] as const;

/** Sizes of one group set against the computed ones, what stays when the length changes, and why. */
export function SetByHand({ solution }: { solution: LandSolution }) {
  const { group } = solution;
  const unit = useBench((s) => s.unit);
  const own = useBench((s) => s.document.overrides?.lands?.[group]);
  const edit = useBench((s) => s.edit);
  const set = sizesOf(solution).filter(({ settable }) => settable);
  const any = set.some(({ symbol }) => own?.[symbol as SettableSize] !== undefined);
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">Set by hand</legend>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {set.map(({ symbol, proposed }) => (
          <HandField
            key={`${group} ${symbol}`}
            group={group}
            symbol={symbol as SettableSize}
            computed={formatLength(proposed, unit)}
          />
        ))}
      </div>
      {solution.kind === 'span' && own?.Y !== undefined && own.C === undefined && (
        <label className="mt-1.5 flex items-center gap-2">
          <span className="w-24">Length keeps</span>
          <select
            className="select select-sm flex-1"
            value={own.hold ?? 'centre'}
            onChange={({ target: { value } }) =>
              edit([{ at: `/overrides/lands/${group}/hold`, value: value === 'centre' ? undefined : value }])
            }
          >
            {HOLDS.map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      {any && <Reason at={`/overrides/lands/${group}/reason`} text={own?.reason ?? ''} />}
    </fieldset>
  );
}

/** Why something differs from what was computed; it stays in the document. */
export function Reason({ at, text }: { at: string; text: string }) {
  const edit = useBench((s) => s.edit);
  return (
    <input
      className="hover:border-base-300 focus:border-primary mt-1 w-full border-b border-transparent bg-transparent py-0.5 text-[12px]"
      aria-label="Reason"
      placeholder="Reason, kept with the footprint"
      value={text}
      maxLength={400}
      onChange={({ target: { value } }) => edit([{ at, value: value || undefined }], `reason ${at}`)}
    />
  );
}

interface HandProps {
  group: string;
  symbol: SettableSize;
  computed: string;
}

function HandField({ group, symbol, computed }: HandProps) {
  const text = useLandOverride(group, symbol);
  const set = useBench((s) => s.set);
  const field = useLandField(group, symbol, (_, input) => input.blur());
  return (
    <label className="block">
      <span className="text-secondary text-[12px]">
        {symbol} {text ? `computed ${computed}` : ''}
      </span>
      <EntryInput
        field={field}
        tone={text ? 'set' : 'plain'}
        className="w-full"
        placeholder={computed}
        aria-label={`Land ${symbol} set by hand`}
        onEnter={() => set({ activeDimension: symbol })}
      />
    </label>
  );
}

/** What stands set for a size of a group: its own, else that of every group. */
function useLandOverride(group: string, symbol: SettableSize): string {
  return useBench(({ document: { overrides } }) => {
    const every: LandOverride = overrides?.land ?? {};
    return overrides?.lands?.[group]?.[symbol] ?? every[symbol] ?? '';
  });
}

/** The field of a land size of one group; clearing it also clears what was set for every group. */
export function useLandField(
  group: string,
  symbol: SettableSize,
  onDone?: (how: 'commit' | 'restore', input: HTMLInputElement) => void,
) {
  const text = useLandOverride(group, symbol);
  const edit = useBench((s) => s.edit);
  return useField(
    text,
    (next, gesture) =>
      edit(
        [
          { at: `/overrides/land/${symbol}`, value: undefined },
          { at: `/overrides/lands/${group}/${symbol}`, value: next === '' ? undefined : next },
        ],
        gesture,
      ),
    onDone,
  );
}
