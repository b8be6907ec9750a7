import type { PinDirection } from './document';

// What datasheets write with pins: directions in a letter or a word, and names with their marks.

const WORDS: Readonly<Record<PinDirection, string>> = {
  input: 'i in input di ai d/i a/i digital-input analog-input analogue-input eingang',
  output: 'o out output do ao d/o a/o digital-output analog-output analogue-output ausgang',
  both: 'i/o io b bidir bidirectional bi-directional inout in/out input/output dio aio d/i/o a/i/o ein-/ausgang',
  'three-state': 'ot tri tri-state three-state tristate 3-state o/z oz',
  'open-collector': 'oc od open-collector open-drain opencollector opendrain i/od i/oc od/i',
  'open-emitter': 'oe open-emitter open-source',
  passive: 'pas passive passiv',
  power: 'p pwr power supply s ps versorgung power-supply supply-voltage power-input pi',
  'power-output': 'po power-output supply-output pwro',
  ground: 'g gnd ground masse vss gnd/p p/gnd',
  'not-connected':
    'nc n/c n.c. dnc dnu do-not-connect not-connected no-connect no-connection unused nicht-belegt',
};

const BY_WORD: ReadonlyMap<string, PinDirection> = new Map(
  (Object.entries(WORDS) as [PinDirection, string][]).flatMap(([direction, words]) =>
    words.split(' ').map((word) => [word, direction] as const),
  ),
);

/** The direction that a cell of a table says; `null` where it says none that is known. */
export function directionOf(cell: string): PinDirection | null {
  const word = cell
    .trim()
    .toLowerCase()
    .replace(/\s*\/\s*/g, '/')
    .replace(/\s+/g, '-');
  return BY_WORD.get(word) ?? null;
}

/** A name with what its marks say. */
export interface ReadName {
  readonly name: string;
  /** Drawn with a bar over it, or with a sign that means as much. */
  readonly low: boolean;
  /** Whether it says that nothing is connected. */
  readonly isUnconnected: boolean;
  readonly doubts: readonly string[];
}

/** Lines over letters: combining overline and macron. */
const OVER = /[\u0304\u0305\u033F]/g;

/**
 * Reads a pin's name as it is printed. A line over it, or `/`, `!` or `¬` before it, or `#` after it, means
 * active low; marks that are part of a name (nRST, RST_N) stay in it.
 */
export function nameOf(printed: string): ReadName {
  const doubts: string[] = [];
  const apart = printed.normalize('NFD');
  const bare = apart.replace(OVER, '');
  let name = bare.normalize('NFC').trim();
  let low = bare !== apart;
  const sign = /^[/!¬\\]\s*(?=[A-Za-z])/.exec(name);
  if (sign) [name, low] = [name.slice(sign[0].length), true];
  if (/[A-Za-z0-9]#$/.test(name)) [name, low] = [name.slice(0, -1), true];
  const footnote = /\s*(\(\d{1,2}\)|[¹²³⁴⁵⁶⁷⁸⁹]+|†|‡)$/.exec(name);
  if (footnote && footnote.index > 0) {
    name = name.slice(0, footnote.index);
    doubts.push(`“${footnote[0].trim()}” is taken for a footnote.`);
  }
  if (/\*$/.test(name)) doubts.push('Is the “*” a footnote, or does it mean active low?');
  return { name, low, isUnconnected: directionOf(name) === 'not-connected', doubts };
}
