import type { Numbering } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import { turn, type Point } from '../geometry/point';
import type { DrawnPackage, Polarity } from '../package/drawn';
import { gridLetters } from '../package/grid';
import { landIdOf, terminalAt } from '../package/terminal';
import type { Orientation } from './footprint';

/** A way to number terminals; titles are shown to the person. */
export interface NumberingScheme {
  readonly id: string;
  readonly title: string;
  /** Returns the terminals in the order of their numbers. */
  readonly order: (terminals: readonly Numbered[], corner: Corner) => readonly Numbered[];
  /** The numbers in that order; 1, 2, 3 … where it is missing. */
  readonly numbers?: (ordered: readonly Numbered[], corner: Corner) => readonly string[];
}

/** What a scheme sees of a terminal. Coordinates in orientation A, mm. */
export interface Numbered {
  /** What its land is known by. */
  readonly id: string;
  /** Where the package counts it. */
  readonly order: number;
  readonly at: Point;
}

/** A land's number, and what the scheme gives it whatever was typed. */
export interface Numbers {
  readonly number: string;
  readonly schemeNumber: string;
}

type Corner = NonNullable<Numbering['corner']>;

/** Letters in place of numbers for parts with a direction: terminal 1 first. */
export const POLARITY_LETTERS = { cathode: ['K', 'A'], plus: ['+', '−'] } as const;
/** Id of the scheme that numbers by polarity. */
export const BY_POLARITY = 'polarity';

/** Coordinates no further apart than this belong to one row, mm. */
const SAME_ROW = 0.01;

/** Distances right and down from the corner that numbering starts at. */
function fromCorner({ at }: Numbered, corner: Corner): { right: number; down: number } {
  return {
    right: corner.endsWith('left') ? at.x : -at.x,
    down: corner.startsWith('upper') ? -at.y : at.y,
  };
}

/** Rows (equal distance down) or columns (equal distance right), each from the corner on. */
function lines(terminals: readonly Numbered[], corner: Corner, by: 'right' | 'down'): Numbered[][] {
  const other = by === 'down' ? 'right' : 'down';
  const sorted = terminals
    .map((terminal) => ({ terminal, ...fromCorner(terminal, corner) }))
    .sort((a, b) => a[by] - b[by] || a[other] - b[other]);
  const result: (typeof sorted)[] = [];
  for (const item of sorted) {
    const line = result.at(-1);
    if (line?.[0] && item[by] - line[0][by] < SAME_ROW) line.push(item);
    else result.push([item]);
  }
  return result.map((line) => line.sort((a, b) => a[other] - b[other]).map(({ terminal }) => terminal));
}

/** The given order, started from the terminal nearest to a corner. */
function startedAt(ordered: readonly Numbered[], corner: Corner): Numbered[] {
  // the upper-left corner is where every package starts by itself
  if (corner === 'upper-left') return [...ordered];
  const away = (terminal: Numbered) => {
    const { right, down } = fromCorner(terminal, corner);
    return right + down;
  };
  let start = 0;
  ordered.forEach((terminal, i) => {
    if (away(terminal) < away(ordered[start] as Numbered) - 1e-9) start = i;
  });
  return [...ordered.slice(start), ...ordered.slice(0, start)];
}

/** All numbering schemes. To add one, list it here. */
export const SCHEMES: readonly NumberingScheme[] = [
  {
    id: 'around',
    title: 'Round the part, counter-clockwise',
    order: (terminals, corner) => startedAt(terminals, corner),
  },
  {
    id: 'around-reversed',
    title: 'Round the part, clockwise',
    order: ([first, ...rest], corner) => startedAt(first ? [first, ...rest.reverse()] : [], corner),
  },
  {
    id: 'rows',
    title: 'Row after row, from side to side',
    order: (terminals, corner) => lines(terminals, corner, 'down').flat(),
  },
  {
    id: 'columns',
    title: 'Column after column: odd and even rows',
    order: (terminals, corner) => lines(terminals, corner, 'right').flat(),
  },
  {
    id: 'zigzag',
    title: 'Zigzag, every other row backwards',
    order: (terminals, corner) =>
      lines(terminals, corner, 'down').flatMap((row, i) => (i % 2 === 0 ? row : [...row].reverse())),
  },
  {
    id: 'grid',
    title: 'Grid: letters down, digits across',
    order: (terminals, corner) => lines(terminals, corner, 'down').flat(),
    numbers: (ordered, corner) => {
      const rows = lines(ordered, corner, 'down');
      const columns = lines(ordered, corner, 'right');
      const indexIn = (all: Numbered[][]) =>
        new Map(all.flatMap((line, i) => line.map(({ id }) => [id, i] as const)));
      const [row, column] = [indexIn(rows), indexIn(columns)];
      return ordered.map(({ id }) => `${gridLetters(row.get(id) ?? 0)}${(column.get(id) ?? 0) + 1}`);
    },
  },
];

/**
 * Numbers by scheme.
 * @param own the numbers that the package gives by itself, by the land's id
 * @param polarity which end terminal 1 is, where the part has a direction
 * @returns a number for every terminal
 */
export function numberTerminals(
  terminals: readonly Numbered[],
  own: ReadonlyMap<string, string>,
  { scheme: id, corner }: { readonly scheme?: string | null; readonly corner?: Corner | null },
  polarity: Polarity | null,
): Map<string, string> {
  const scheme = SCHEMES.find((s) => s.id === id);
  const letters = id === BY_POLARITY && polarity ? POLARITY_LETTERS[polarity] : undefined;
  const start = corner ?? 'upper-left';
  if (!scheme && !letters && start === 'upper-left') return new Map(own);
  const used = scheme ?? (SCHEMES[0] as NumberingScheme);
  const ordered = used.order(
    [...terminals].sort((a, b) => a.order - b.order),
    start,
  );
  const numbers = letters ?? used.numbers?.(ordered, start) ?? ordered.map((_, i) => String(i + 1));
  return new Map(ordered.map((terminal, i) => [terminal.id, numbers[i] as string]));
}

/** Numbers of all lands: by the scheme, in orientation A, and as they were typed. */
export function numbersOf(
  { groups, polarity }: Pick<DrawnPackage, 'groups' | 'polarity'>,
  orientation: Orientation,
  numbering: ChoicesRead['numbering'],
  typed: ReadonlyMap<string, string | null>,
): Map<string, Numbers> {
  const back = orientation === 'A' ? 0 : 270;
  const own = new Map<string, string>();
  const terminals: Numbered[] = [];
  const asCounted = numbering.scheme === null && (numbering.corner ?? 'upper-left') === 'upper-left';
  // pads and corner lands keep their own numbers after those of the rows, whatever their scheme
  const hasRows = groups.some(({ kind }) => kind === 'span');
  const counted = new Map<number, string>();
  const joined = new Map<string, number>();
  for (const group of groups) {
    group.places.forEach((terminal, index) => {
      const id = landIdOf(group, terminal, index);
      own.set(id, terminal.number ?? String(terminal.order));
      if (terminal.joins !== undefined) joined.set(id, terminal.joins);
      else counted.set(terminal.order, id);
      if (terminal.joins !== undefined || asCounted || (hasRows && group.kind !== 'span')) return;
      terminals.push({ id, order: terminal.order, at: turn(terminalAt(group, terminal), back) });
    });
  }
  const scheme = asCounted ? own : new Map([...own, ...numberTerminals(terminals, own, numbering, polarity)]);
  for (const [id, order] of joined) scheme.set(id, scheme.get(counted.get(order) ?? id) ?? String(order));
  const numbers = new Map<string, Numbers>();
  for (const [id, schemeNumber] of scheme)
    numbers.set(id, { number: typed.get(id) ?? schemeNumber, schemeNumber });
  return numbers;
}
