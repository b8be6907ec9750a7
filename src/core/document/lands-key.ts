/** Most lands that the key of a waiver names; more say no more. */
const NAMED = 12;

const BY_NAME = new Intl.Collator('en', { numeric: true });

/**
 * The part of a waiver's key that names its lands: in one order, whichever of them is the worst.
 * @param count how many there are, where not all are given
 */
export function landsKey(ids: readonly string[], count = 0): string {
  const sorted = [...ids].sort(BY_NAME.compare);
  const all = Math.max(count, sorted.length);
  return `${sorted.slice(0, NAMED).join(' ')}${all > NAMED ? ` of ${all}` : ''}`;
}
