import type { Footprint } from '../footprint/footprint';
import { pinLabel, type Pin } from '../footprint/pins';

// Whether two footprints go with one symbol: the same numbers under the same names. Directions and notes
// do not move a wire; they are told beside it.

/** What keeps a footprint from going with the pins of another; empty where it fits. */
export function symbolMisfits(pins: readonly Pin[], footprint: Footprint): string[] {
  const numbers = new Set(footprint.lands.flatMap(({ number }) => (number === '' ? [] : [number])));
  const wanted = new Map(
    pins.flatMap((pin) => pin.numbers.map((number) => [number, pinLabel(pin)] as const)),
  );
  const own = new Map(
    footprint.pins.flatMap((pin) => pin.numbers.map((number) => [number, pinLabel(pin)] as const)),
  );
  const missing = [...wanted].filter(([number]) => !numbers.has(number));
  const extra = [...numbers].filter((number) => !wanted.has(number));
  const named = [...own].filter(([number, name]) => wanted.has(number) && wanted.get(number) !== name);
  return [
    ...missing.map(([number, name]) => `there is no land ${number} for ${name}`),
    ...extra.map((number) => `the symbol has no pin for land ${number}`),
    ...named.map(([number, name]) => `land ${number} is ${name} here and ${wanted.get(number)} there`),
  ];
}

/** Whether two footprints fit one symbol, in a sentence; `null` where neither has pins. */
export function symbolVerdict(
  a: Footprint,
  b: Footprint,
): { readonly fits: boolean; readonly words: string } | null {
  const [from, to] = a.pins.length > 0 ? [a, b] : [b, a];
  if (from.pins.length === 0) return null;
  const misfits = symbolMisfits(from.pins, to);
  if (misfits.length === 0) return { fits: true, words: 'Both fit the same symbol.' };
  const [first = ''] = misfits;
  const more = misfits.length > 1 ? `, and ${misfits.length - 1} more` : '';
  return { fits: false, words: `They do not fit the same symbol: ${first}${more}.` };
}
