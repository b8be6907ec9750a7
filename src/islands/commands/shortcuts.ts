import { useContext, useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { BenchContext } from '../state/context';
import { COMMANDS } from './commands';

/** Inputs that take no text: letters pressed in them are nobody's text. */
const NO_TEXT = ['checkbox', 'radio', 'range', 'button', 'file'];

/** Whether a key goes into a text. A list or a tick box that was used last keeps no key to itself. */
function inText(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  if (target instanceof HTMLInputElement) return !NO_TEXT.includes(target.type);
  return target instanceof HTMLTextAreaElement || target.isContentEditable;
}

/** Whether a key walks through what has the focus: a list, a slider. */
function walks({ key, target }: KeyboardEvent): boolean {
  return key.startsWith('Arrow') && (target as HTMLElement).closest('select, input, [role=listbox]') !== null;
}

/** Binds the Bench's keys while it is open. */
export function useShortcuts(): void {
  const store = useContext(BenchContext);
  useEffect(() => {
    if (!store) return;
    const open = (event: KeyboardEvent) => {
      event.preventDefault();
      if (!document.querySelector('dialog[open]')) store.getState().set({ commandsOpen: true });
    };
    const outside = (act: (event: KeyboardEvent) => void) => (event: KeyboardEvent) => {
      if (!inText(event) && !walks(event) && !event.defaultPrevented) act(event);
    };
    const bindings = Object.fromEntries(
      COMMANDS.flatMap(({ keys = [], inFields, when, run }) => {
        const act = (event: KeyboardEvent) => {
          if (store.getState().commandsOpen || document.querySelector('dialog[open]')) return;
          if (when && !when(store.getState())) return;
          event.preventDefault();
          run(store.getState());
        };
        return keys.map((key) => [key, inFields ? act : outside(act)]);
      }),
    );
    return tinykeys(window, {
      ...bindings,
      k: outside(open),
      '/': outside(open),
      'Shift+?': outside(open),
      F1: open,
      '$mod+k': open,
    });
  }, [store]);
}
