import { useContext, useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { BenchContext } from '../state/context';
import { COMMANDS } from './commands';

function inField(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement;
  return /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable;
}

/** Binds the Bench's keys while it is open. */
export function useShortcuts(): void {
  const store = useContext(BenchContext);
  useEffect(() => {
    if (!store) return;
    const open = (event: KeyboardEvent) => {
      event.preventDefault();
      store.getState().set({ commandsOpen: true });
    };
    const bindings = Object.fromEntries(
      COMMANDS.flatMap(({ key, inFields, run }) => {
        if (!key) return [];
        const act = (event: KeyboardEvent) => {
          if (store.getState().commandsOpen || (inField(event) && !inFields)) return;
          event.preventDefault();
          run(store.getState());
        };
        return [[key, act]];
      }),
    );
    return tinykeys(window, {
      ...bindings,
      '/': (event) => {
        if (!inField(event)) open(event);
      },
      '$mod+/': open,
    });
  }, [store]);
}
