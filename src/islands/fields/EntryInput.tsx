import type { ComponentPropsWithRef, FocusEvent } from 'react';
import { hasWords } from '../../core/units/saying-unit';
import type { EntryField } from './useEntry';

interface Props extends Omit<ComponentPropsWithRef<'input'>, 'value' | 'onChange' | 'onKeyDown' | 'onFocus'> {
  field: EntryField;
  /** `set` stands out against a computed value, `fault` cannot be used as it is. */
  tone?: 'plain' | 'set' | 'fault';
  /** In which it reads plain numbers; shown at its end unless the text says one of its own. */
  unit?: string;
  onEnter?: () => void;
}

const TONES = {
  plain: 'border-base-300',
  set: 'border-primary font-semibold',
  fault: 'border-error',
} as const;

/** The one text field of the Bench that takes an entry: typing edits the document as one gesture. */
export function EntryInput({ field, tone = 'plain', unit, onEnter, className = '', ...rest }: Props) {
  const input = (
    <input
      {...rest}
      className={`bg-base-100 min-w-0 border px-1 ${TONES[tone]} ${unit ? 'w-full pr-7' : className}`}
      value={field.text}
      onChange={(event) => field.onChange(event.target.value)}
      onFocus={(event: FocusEvent<HTMLInputElement>) => {
        field.onFocus(event);
        onEnter?.();
      }}
      onKeyDown={field.onKeyDown}
      spellCheck={false}
      autoComplete="off"
    />
  );
  if (!unit) return input;
  const says = field.text.trim() || (rest.placeholder ?? '');
  return (
    <span className={`relative inline-block min-w-0 ${className}`}>
      {input}
      <span className="text-secondary pointer-events-none absolute inset-y-0 right-1 flex items-center text-[12px]">
        {!hasWords(says) && unit}
      </span>
    </span>
  );
}
