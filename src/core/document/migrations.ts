/** Newest version of the document format that this code reads and the only one it writes. */
export const NEWEST_VERSION = 1;

type Migration = (raw: Record<string, unknown>) => Record<string, unknown>;

/**
 * Steps from each older version to the next, keyed by the version they start from.
 * A step is never edited after it was released.
 */
const STEPS: Readonly<Record<number, Migration>> = {};

/**
 * Brings a parsed document of any known version to the newest one.
 * @param steps the migration table; only tests pass another one
 * @returns the same object where nothing had to change
 */
export function migrate(
  raw: Record<string, unknown>,
  steps: Readonly<Record<number, Migration>> = STEPS,
): Record<string, unknown> {
  let current = raw;
  for (;;) {
    const version = current['tapis'];
    const step = typeof version === 'number' && Object.hasOwn(steps, version) && steps[version];
    if (!step) return current;
    current = step(current);
  }
}
