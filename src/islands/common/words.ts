/** A count with its noun: 1 footprint, 2 footprints. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** A moment as a person reads it: 3 Nov 2026, 14:02. @param moment ms since 1970, or ISO 8601 */
export function whenMade(moment: number | string): string {
  const date = new Date(moment);
  if (Number.isNaN(date.getTime())) return 'an unknown day';
  return date.toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
}
