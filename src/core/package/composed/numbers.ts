import type { PieceRead } from '../../document/pieces';
import { gridLetters } from '../grid';
import type { Item, PlacedPiece } from './place';

/** The number of one terminal, and whether others have it too. */
export interface Numbered {
  readonly number: string;
  readonly shared: boolean;
}

/** What has a number: copper that a net may come to. */
export function isNumbered({
  what,
  plated,
}: {
  readonly what: Item['element']['what'];
  readonly plated?: boolean | null;
}): boolean {
  return what === 'terminal' || what === 'pin' || what === 'land' || (what === 'hole' && plated === true);
}

/** Numbers of all elements with copper, piece after piece as each says; empty where there are none. */
export function numbersOf(pieces: readonly PlacedPiece[]): Map<Item, Numbered> {
  const numbers = new Map<Item, Numbered>();
  let last = 0;
  for (const { piece, items } of pieces) {
    const own = items.filter(({ element }) => isNumbered(element));
    const given = numbered(piece.numbers, own, last + 1);
    own.forEach((item, i) => {
      const number = given[i] ?? '';
      numbers.set(item, { number, shared: piece.numbers.shared !== null && piece.numbers.shared !== '' });
      if (/^\d+$/.test(number)) last = Math.max(last, Number(number));
    });
  }
  return numbers;
}

function numbered(
  { from, by, list, shared, none, grid, backwards, gaps }: PieceRead['numbers'],
  items: readonly Item[],
  next: number,
): string[] {
  if (none) return items.map(() => '');
  if (shared) return items.map(() => shared);
  const names = list?.split(/[\s,;]+/).filter((name) => name !== '') ?? [];
  // a list has an entry for every place, those left out too
  if (names.length > 0) return items.map(({ slot }) => (names[slot.index] ?? '-').replace(/^[-–—]$/, ''));
  if (grid) return items.map(({ slot }) => gridNumber(slot.name));
  const [, prefix = '', digits = ''] = /^(.*?)(\d*)$/.exec(from ?? String(next)) ?? [];
  const step = by ?? 1;
  const last = Math.max(0, ...items.map(({ slot }) => slot.index));
  return items.map(({ slot }, i) => {
    // places left out take no number unless theirs stays free
    const [at, end] = gaps ? [slot.index, last] : [i, items.length - 1];
    const steps = (backwards ? end - at : at) * step;
    return digits === '' ? lettersFrom(prefix, steps) : `${prefix}${Number(digits) + steps}`;
  });
}

/** A letter for the row, a digit for the column. */
function gridNumber(name: string): string {
  const [row = '1', column] = name.split('.');
  return column === undefined ? `A${row}` : `${gridLetters(Number(row) - 1)}${column}`;
}

/** Letters that follow a letter: C after A by two. */
function lettersFrom(first: string, steps: number): string {
  const letters = first.slice(-1);
  const code = letters.charCodeAt(0) + steps;
  return first === '' || code > 'Z'.charCodeAt(0) || code < 'A'.charCodeAt(0)
    ? `${first}${steps + 1}`
    : `${first.slice(0, -1)}${String.fromCharCode(code)}`;
}
