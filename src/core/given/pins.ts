import type { PinIntent } from '../document/document';

/** Names of lands by their numbers as pins: what is called alike is one pin that comes out at several lands. */
export function pinsNamed(named: readonly { readonly number: string; readonly name: string }[]): PinIntent[] {
  const lands = new Map<string, string[]>();
  for (const { number, name } of named) {
    if (number === '' || name === '' || name === number) continue;
    const own = lands.get(name) ?? [];
    if (!own.includes(number)) own.push(number);
    lands.set(name, own);
  }
  return [...lands].map(([name, numbers], i) => ({
    id: `pin-${i + 1}`,
    lands: numbers.join(' '),
    name: name.slice(0, 80),
  }));
}
