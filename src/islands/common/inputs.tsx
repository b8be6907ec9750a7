import type { ReactNode } from 'react';
import type { DisplayUnit } from '../../core/units/length';

// The one tick box, the one list, the one chip and the one row of buttons of every page.

interface TickProps {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
  disabled?: boolean;
  small?: boolean;
}

/** A box to tick, with what it means behind it. */
export function Tick({ checked, onChange, children, disabled = false, small = false }: TickProps) {
  return (
    <label className={`flex items-center ${small ? 'gap-1.5 text-[12px]' : 'gap-2'}`}>
      <input
        type="checkbox"
        className={`checkbox ${small ? 'checkbox-xs' : 'checkbox-sm'}`}
        checked={checked}
        disabled={disabled}
        onChange={({ target }) => onChange(target.checked)}
      />
      {children}
    </label>
  );
}

/** What a list offers: each value with its words. */
export type Options<T> = readonly (readonly [T, string])[];

interface PickProps<T> {
  value: T;
  options: Options<T>;
  onChange: (value: T) => void;
  label?: string | undefined;
  title?: string | undefined;
  disabled?: boolean;
  className?: string;
}

/** One out of a few, as a list that opens. */
export function Pick<T extends string | number | boolean>(props: PickProps<T>) {
  const { value, options, onChange, label, title, disabled = false, className = 'min-w-0 flex-1' } = props;
  return (
    <select
      className={`select select-sm ${className}`}
      aria-label={label}
      title={title}
      disabled={disabled}
      value={String(value)}
      onChange={({ target }) => {
        const chosen = options.find(([id]) => String(id) === target.value);
        if (chosen) onChange(chosen[0]);
      }}
    >
      {options.map(([id, name]) => (
        <option key={String(id)} value={String(id)}>
          {name}
        </option>
      ))}
    </select>
  );
}

interface ChipsProps<T> {
  label: string;
  value: T;
  options: Options<T>;
  onChoose: (value: T) => void;
  className?: string;
}

/** One out of a few, all in sight. */
export function Chips<T extends string | number | boolean>(props: ChipsProps<T>) {
  const { label, value, options, onChoose, className = '' } = props;
  return (
    <div className="mt-1 flex flex-wrap gap-1.5" role="group" aria-label={label}>
      {options.map(([id, name]) => (
        <button
          key={String(id)}
          type="button"
          aria-pressed={id === value}
          className={`border-base-300 aria-pressed:bg-primary aria-pressed:text-primary-content rounded border px-2 ${className}`}
          onClick={() => onChoose(id)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}

/** A heading inside of a stage column, under a line. */
export function Heading({ children }: { children: ReactNode }) {
  return <h2 className="border-base-300 mt-4 border-t pt-2 font-semibold">{children}</h2>;
}

interface ChoiceProps<T extends string> {
  label: string;
  options: readonly (readonly [T, string])[];
  value: T;
  onChoose: (value: T) => void;
}

/** A few buttons of which one is pressed. */
export function Choice<T extends string>({ label, options, value, onChoose }: ChoiceProps<T>) {
  return (
    <div className="border-base-300 flex overflow-hidden rounded border" role="group" aria-label={label}>
      {options.map(([id, name]) => (
        <button
          key={id}
          type="button"
          aria-pressed={value === id}
          className="aria-pressed:bg-primary aria-pressed:text-primary-content h-6 px-2.5"
          onClick={() => onChoose(id)}
        >
          {name}
        </button>
      ))}
    </div>
  );
}

const UNITS: readonly (readonly [DisplayUnit, string])[] = [
  ['mm', 'mm'],
  ['mil', 'mil'],
];

/** The unit in which lengths are shown; what was entered keeps its own. */
export function UnitChoice({ unit, onChoose }: { unit: DisplayUnit; onChoose: (unit: DisplayUnit) => void }) {
  return <Choice label="Unit shown" options={UNITS} value={unit} onChoose={onChoose} />;
}
