import { useContext, useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { inText, walks } from '../common/typing';
import { BenchContext } from '../state/context';
import { COMMANDS } from './commands';

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
      '$mod+k': open,
    });
  }, [store]);
}
