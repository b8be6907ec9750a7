// Lists in order, searched by halves.

/** Those of a sorted list whose key lies within a distance of a value. */
export const around = <T>(
  sorted: readonly T[],
  key: (one: T) => number,
  value: number,
  within: number,
): T[] => between(sorted, key, value - within, value + within);

/** Those of a sorted list whose key lies between two values. */
export function between<T>(sorted: readonly T[], key: (one: T) => number, least: number, most: number): T[] {
  let [lo, hi] = [0, sorted.length];
  while (lo < hi) {
    const mid = (lo + hi) >> 1;
    if (key(sorted[mid] as T) < least) lo = mid + 1;
    else hi = mid;
  }
  const found: T[] = [];
  for (let i = lo; i < sorted.length && key(sorted[i] as T) <= most; i += 1) found.push(sorted[i] as T);
  return found;
}
