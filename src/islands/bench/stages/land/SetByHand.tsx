import { pointerKey } from '../../../../core/document/edit';
import { sizesOf, type SettableSize, type SolvedGroup } from '../../../../core/land/solution';
import { formatLength } from '../../../../core/units/length';
import { ChoiceField, Reason } from '../../../fields/choices';
import { EntryInput } from '../../../fields/EntryInput';
import { FaultWords, toldOf } from '../../../fields/fault';
import { useLandFault, useLandField } from '../../../fields/useLandField';
import { useBench } from '../../../state/context';

const HOLDS = [
  ['centre', 'the centre distance'],
  ['gap', 'the gap'],
  ['outer', 'the outer distance'],
] as const;

/** Sizes of one group set against the computed ones, what stays when the length changes, and why. */
export function SetByHand({ group }: { group: SolvedGroup }) {
  const { id } = group.terminals;
  const unit = useBench((s) => s.unit);
  const own = useBench((s) => s.document.overrides?.lands?.[id]);
  const settable = sizesOf(group).flatMap((size) =>
    size.settable ? [{ ...size, symbol: size.symbol as SettableSize }] : [],
  );
  const any = settable.some(({ symbol }) => own?.[symbol] !== undefined);
  const at = `overrides/lands/${pointerKey(id)}`;
  return (
    <fieldset className="mt-3">
      <legend className="font-semibold">Set by hand</legend>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {settable.map(({ symbol, proposed }) => (
          <HandField
            key={`${id} ${symbol}`}
            group={id}
            symbol={symbol}
            computed={formatLength(proposed, unit)}
          />
        ))}
      </div>
      {group.kind === 'span' && own?.Y !== undefined && own.C === undefined && (
        <div className="mt-1.5">
          <ChoiceField name={`${at}/hold`} title="Length keeps" usual="centre" options={HOLDS} />
        </div>
      )}
      {any && <Reason name={`${at}/reason`} />}
    </fieldset>
  );
}

interface HandProps {
  group: string;
  symbol: SettableSize;
  computed: string;
}

function HandField({ group, symbol, computed }: HandProps) {
  const set = useBench((s) => s.set);
  const unit = useBench((s) => s.unit);
  const field = useLandField(group, symbol);
  const fault = useLandFault(group, symbol);
  return (
    <>
      <label className="block min-w-0">
        <span className="text-secondary text-[12px]">
          {symbol} {field.text ? `computed ${computed}` : ''}
        </span>
        <EntryInput
          field={field}
          tone={field.text ? 'set' : 'plain'}
          className="w-full"
          placeholder={computed}
          unit={unit}
          aria-label={`Land ${symbol} set by hand`}
          onEnter={() => set({ activeDimension: symbol })}
          {...toldOf(fault)}
        />
      </label>
      <FaultWords fault={fault} wide />
    </>
  );
}
