import type { ReactNode } from 'react';
import { EntryInput } from '../../../common/EntryInput';
import { useField } from '../../../common/useEntry';
import type { DrawnLayer } from '../../../sheet/StackDrawing';
import { useBench } from '../../context';

interface LengthProps {
  /** JSON pointer of the entry text. */
  at: string;
  text: string | undefined;
  title: string;
  /** What holds while nothing is typed. */
  computed?: string;
  /** Fields that say the same in another way, and are cleared with what is typed here. */
  instead?: readonly string[];
  note?: string;
}

/** A length that can be set; empty, the computed one holds. */
export function LengthField({ at, text = '', title, computed = '', instead = [], note }: LengthProps) {
  const edit = useBench((s) => s.edit);
  const field = useField(
    text,
    (next, gesture) =>
      edit(
        [
          ...instead.map((other) => ({ at: other, value: undefined })),
          { at, value: next === '' ? undefined : next },
        ],
        gesture,
      ),
    (_, input) => input.blur(),
  );
  return (
    <label className="flex min-w-0 items-center gap-2">
      <span className="w-[88px] shrink-0">{title}</span>
      <EntryInput
        field={field}
        tone={text ? 'set' : 'plain'}
        className="w-24"
        placeholder={computed}
        aria-label={title}
      />
      {note && <span className="text-secondary truncate text-[12px]">{note}</span>}
    </label>
  );
}

interface ChoiceProps {
  at: string;
  title: string;
  value: string;
  /** The choice that leaves no trace in the document. */
  usual: string;
  options: readonly (readonly [string, string])[];
}

/** A choice out of a few. */
export function ChoiceField({ at, title, value, usual, options }: ChoiceProps) {
  const edit = useBench((s) => s.edit);
  return (
    <label className="flex items-center gap-2">
      <span className="w-[88px] shrink-0">{title}</span>
      <select
        className="select select-sm min-w-0 flex-1"
        value={value}
        onChange={({ target: { value: next } }) => edit([{ at, value: next === usual ? undefined : next }])}
      >
        {options.map(([id, name]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

interface CountProps {
  at: string;
  title: string;
  value: number | undefined;
  computed: number;
  least?: number;
  most: number;
}

/** A whole number that can be set. */
export function CountField({ at, title, value, computed, least = 1, most }: CountProps) {
  const edit = useBench((s) => s.edit);
  return (
    <label className="flex items-center gap-2">
      <span className="w-[88px] shrink-0">{title}</span>
      <input
        type="number"
        className={`bg-base-100 w-24 border px-1 ${value === undefined ? 'border-base-300' : 'border-primary font-semibold'}`}
        aria-label={title}
        min={least}
        max={most}
        value={value ?? ''}
        placeholder={String(computed)}
        onChange={({ target: { value: next } }) => {
          const count = Math.round(Number(next));
          if (next !== '' && !(count >= least && count <= most)) return;
          edit([{ at, value: next === '' ? undefined : count }], `count ${at}`);
        }}
      />
    </label>
  );
}

/** A tick that is off unless it was set. */
export function FlagField({ at, title, value }: { at: string; title: string; value: boolean }) {
  const edit = useBench((s) => s.edit);
  return (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={value}
        onChange={({ target: { checked } }) => edit([{ at, value: checked || undefined }])}
      />
      {title}
    </label>
  );
}

interface FoldProps {
  title: string;
  open: boolean;
  /** The layer that the fields are about. */
  layer?: DrawnLayer | undefined;
  children: ReactNode;
}

/** Fields about one layer under its picture, folded unless something in them was set. */
export function Fold({ title, open, layer, children }: FoldProps) {
  return (
    <details className="border-base-300 border-t" open={open}>
      <summary className="hover:bg-base-200 flex cursor-pointer list-none items-center gap-2 py-0.5">
        <span className="grid w-[92px] shrink-0 place-content-center">{layer?.picture}</span>
        <span className="min-w-0">
          <span className="block font-semibold">{title}</span>
          {layer && <span className="block truncate">{layer.size}</span>}
          {layer && <span className="text-secondary block text-[12px]">{layer.from}</span>}
        </span>
      </summary>
      <div className="mt-0.5 mb-2 grid gap-1.5">{children}</div>
    </details>
  );
}
