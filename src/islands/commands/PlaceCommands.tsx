import { useMemo } from 'react';
import { navigate } from 'wouter/use-browser-location';
import { askHelp } from '../common/help';
import { CommandDialog, holds, type Listed } from './CommandDialog';

// What can be done in a place that has no table of commands: everything that can be pressed there by its name,
// but for what stands in rows, and the ways to the other places.

interface PlaceCommand extends Listed {
  readonly run: () => void;
}

const PLACES: readonly (readonly [name: string, path: string])[] = [
  ['Go to the Shelf', '/'],
  ['Go to the folder', '/folder'],
  ['Go to the trials', '/trials'],
  ['Go to the processes', '/processes'],
  ['Go to the standards', '/standards'],
];

/** The other places, by their own names where no link says them. */
const ways = (): readonly PlaceCommand[] => [
  ...PLACES.filter(([, path]) => path !== location.pathname).map(([name, path]) => ({
    name,
    run: () => navigate(path),
  })),
  { name: 'Help', shown: '?', run: () => askHelp(true) },
];

const PRESSED = 'button, input[type=search], summary, main a[href]';
/** What is there once for each of many. */
const ROWS = 'li, tr, article, dialog, [role=row], [role=option], [role=listitem]';

/** The name of what can be pressed, as assistive technology says it; empty where it has none to list. */
function nameOf(element: HTMLElement): string {
  const name = element.getAttribute('aria-label') ?? element.textContent ?? '';
  const plain = name.replace(/\s+/g, ' ').trim();
  return plain.length > 1 && plain.length <= 60 ? plain : '';
}

function commandsHere(): readonly PlaceCommand[] {
  const made = new Map<string, PlaceCommand>();
  for (const element of document.querySelectorAll<HTMLElement>(PRESSED)) {
    const isThere = element.checkVisibility() && !element.matches(':disabled') && !element.closest(ROWS);
    const name = isThere ? nameOf(element) : '';
    if (name === '' || made.has(name)) continue;
    const act = element instanceof HTMLInputElement ? () => element.focus() : () => element.click();
    const shown = element.getAttribute('aria-keyshortcuts') ?? undefined;
    made.set(name, { name, shown, run: act });
  }
  return [...made.values(), ...ways().filter(({ name }) => !made.has(name))];
}

/** The searchable list of what can be done in the place that is shown. */
export function PlaceCommands({ onClose }: { onClose: () => void }) {
  const find = useMemo(() => {
    const all = commandsHere();
    return (query: string) => all.filter(({ name }) => holds(name, query));
  }, []);
  return (
    <CommandDialog
      find={find}
      onClose={onClose}
      onRun={({ run }) => {
        onClose();
        // what is pressed may open a dialog of its own, once this one has gone
        setTimeout(run);
      }}
    />
  );
}
