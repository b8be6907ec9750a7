import { COMMANDS } from '../commands/commands';
import { KEYS } from '../trials/keys';
import { ON_THE_SHEET, type HelpPlace, type Told } from './pages';

const HELP_KEYS: Told = ['? or F1', 'this help'];

/** The keys of a place; those of the Bench as its commands have them. */
export function keysOf(place: HelpPlace): Told[] {
  switch (place) {
    case 'shelf':
    case 'trials':
    case 'processes':
    case 'standards':
    case 'sides':
    case 'opinion':
      return [HELP_KEYS];
    case 'trial':
      return [...KEYS.map(({ shown, words }): Told => [shown, words]), HELP_KEYS];
    default:
      return [['K or /', 'everything that can be done, by its name'], ...commandKeys()];
  }
}

/** The keys of all commands of the Bench; like ones share a line. */
function commandKeys(): Told[] {
  const lines = new Map<string, string>();
  for (const { name, shown, inHelp = name } of COMMANDS) {
    if (shown) lines.set(inHelp, [lines.get(inHelp), shown].filter(Boolean).join(' '));
  }
  return [...lines].map(([words, signs]) => [signs, words]);
}

/** What the pointer does in a place. */
export function gesturesOf(place: HelpPlace): readonly Told[] {
  const isOnBench = !['shelf', 'trial', 'trials', 'processes', 'standards', 'sides', 'opinion'].includes(
    place,
  );
  return isOnBench ? ON_THE_SHEET : [];
}
