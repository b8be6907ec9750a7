import { useContext, useEffect, useMemo, useState } from 'react';
import { BenchContext, useBench } from '../state/context';
import { CommandDialog, holds } from './CommandDialog';
import { COMMANDS, saveCommands, type Command } from './commands';
import { commandUses, countUse } from './uses';

/** The searchable list of everything that can be done on the Bench, with its keys. */
export function CommandList() {
  const store = useContext(BenchContext);
  const set = useBench((s) => s.set);
  const close = () => set({ commandsOpen: false });
  const run = (command: Command) => {
    close();
    countUse(command.name);
    if (store) command.run(store.getState());
  };
  return <CommandDialog find={useCommands()} onRun={run} onClose={close} />;
}

/** All commands, with those for files once the formats are loaded. */
let known: readonly Command[] = COMMANDS;

/** Finds commands whose names hold every word of a search, those that are used most first. */
function useCommands(): (query: string) => readonly Command[] {
  const [all, setAll] = useState(known);
  // the formats are loaded with the first look at the list
  useEffect(() => {
    if (known !== COMMANDS) return;
    import('../../core/format').then(
      ({ FORMATS }) => setAll((known = [...COMMANDS, ...saveCommands(FORMATS)])),
      () => {},
    );
  }, []);
  return useMemo(() => {
    const uses = commandUses();
    const ranked = [...all].sort((a, b) => (uses[b.name] ?? 0) - (uses[a.name] ?? 0));
    return (query) => ranked.filter(({ name }) => holds(name, query));
  }, [all]);
}
