import type { Point } from '../geometry/point';

/** How many places are said before the rest is counted. */
const SAID = 4;

/** Places in words, the first few of many; mm, in the file's own coordinates. */
export function placesIn(places: readonly Point[]): string {
  const said = places.slice(0, SAID).map(({ x, y }) => `${plain(x)}, ${plain(y)}`);
  const more = places.length - said.length;
  return `at ${said.join('; ')}${more > 0 ? ` and ${more} more` : ''} mm`;
}

const plain = (value: number): string => String(Math.round(value * 1000) / 1000 + 0);
