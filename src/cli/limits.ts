import { statSync } from 'node:fs';

/** What a command may take: seconds by the clock and MB of memory; `null` where nothing is set. */
export interface Limits {
  readonly seconds: number | null;
  readonly mb: number | null;
}

/** Commands that read what somebody else made: one file that takes longer is no file to wait for. */
const FOREIGN: Limits = { seconds: 30, mb: 600 };

const LIMITS: Readonly<Record<string, Limits>> = { take: FOREIGN, import: FOREIGN, opinion: FOREIGN };

const NONE: Limits = { seconds: null, mb: null };

/** The limits of a command line; where a folder is named, it is many files and has none. */
export function limitsOf([command = '', ...rest]: readonly string[]): Limits {
  if (!Object.hasOwn(LIMITS, command)) return NONE;
  const isFolder = (path: string) => statSync(path, { throwIfNoEntry: false })?.isDirectory() ?? false;
  // --out names a folder too, which is written and not read
  const read = rest.filter((_, i) => rest[i - 1] !== '--out');
  return read.some(isFolder) ? NONE : (LIMITS[command] as Limits);
}
