/** What a command may take: seconds by the clock and MB of memory; `null` where nothing is set. */
export interface Limits {
  readonly seconds: number | null;
  readonly mb: number | null;
}

/** Commands that read what somebody else made: one file that takes longer is no file to wait for. */
const FOREIGN: Limits = { seconds: 30, mb: 600 };

const LIMITS: Readonly<Record<string, Limits>> = { take: FOREIGN, import: FOREIGN, opinion: FOREIGN };

/** The limits of a command by its name. */
export const limitsOf = (command: string): Limits =>
  Object.hasOwn(LIMITS, command) ? (LIMITS[command] as Limits) : { seconds: null, mb: null };
