import type { ComponentPropsWithRef } from 'react';

interface Props extends Omit<
  ComponentPropsWithRef<'input'>,
  'value' | 'defaultValue' | 'onBlur' | 'onKeyDown'
> {
  /** The name as it stands; empty where there is none yet. */
  name: string;
  onName: (name: string) => void;
}

/** The one way in which things are named: Enter, Tab and leaving keep what was typed, Escape drops it. */
export function NameInput({ name, onName, ...rest }: Props) {
  return (
    <input
      // what was named elsewhere stands here too
      key={name}
      autoComplete="off"
      {...rest}
      defaultValue={name}
      onBlur={({ target, relatedTarget }) => {
        const wanted = target.value.trim();
        // a name that is offered beside it is meant instead
        if (relatedTarget instanceof Element && relatedTarget.closest('[data-offers-names]')) return;
        if (wanted === '') target.value = name;
        else if (wanted !== name) onName(wanted);
      }}
      onKeyDown={({ key, currentTarget }) => {
        if (key === 'Escape') currentTarget.value = name;
        if (key === 'Escape' || key === 'Enter') currentTarget.blur();
      }}
    />
  );
}
