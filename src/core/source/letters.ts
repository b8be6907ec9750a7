// What makers' letters mean beside the standard's own, by the plain name of the dimension.

const ALIASES: readonly (readonly [of: RegExp, letters: readonly string[]])[] = [
  [/^(lead span|span across|overall span)$/i, ['E', 'HE', 'H', 'He']],
  [/^span upright$/i, ['D', 'HD', 'Hd']],
  [/^(body width|body across)$/i, ['E1', 'E', 'B', 'W']],
  [/^(body length|body upright)$/i, ['D', 'D1']],
  [/^row distance$/i, ['E', 'e1', 'eA', 'E0']],
  [/^(height|head height)$/i, ['A', 'H', 'h', 'T', 't', 'C']],
  [/^standoff$/i, ['A1', 'a1', 'K']],
  [/^(pitch|lead spacing)$/i, ['e', 'P', 'p', 'F']],
  [/^(lead width|terminal width|pin side)$/i, ['b', 'bp', 'B', 'W', 'w', 'b1', 'bP']],
  [/^(lead diameter|pin diameter|ball diameter|ball|column diameter)$/i, ['b', 'd', 'db', 'φd']],
  [/^(lead thickness|ribbon thickness)$/i, ['c', 'C', 't', 'c1']],
  [/^foot length$/i, ['L', 'Lp', 'LP', 'l']],
  [
    /^(terminal length|end cap|cap length|contact length)$/i,
    ['T', 'L', 'L1', 't', 'l', 'S', 'BW', 'a', 'e', 'b', 'B', 'd', 'E'],
  ],
  [/^lead length$/i, ['L1', 'LE', 'T', 'L']],
  [/^pad across$/i, ['E2', 'Eh', 'E3', 'P2', 'X']],
  [/^pad upright$/i, ['D2', 'Dh', 'D3', 'P1', 'Y']],
  [/^(leads|terminals|pins|poles)$/i, ['n', 'N']],
  [/^upright (leads|terminals)$/i, ['nE', 'NE', 'nD', 'ND']],
  [/^columns$/i, ['nE', 'ME', 'NE']],
  [/^rows$/i, ['nD', 'MD', 'ND']],
  [/^(diameter|body diameter|can diameter)$/i, ['D', 'd', 'φD']],
  [/^length$/i, ['L', 'l']],
  [/^width$/i, ['W', 'w', 'B']],
  [/^tail$/i, ['L', 'L1', 'F']],
  [/^base$/i, ['B', 'W', 'A']],
];

const TERMINAL = /^(terminal length|end cap|cap length|contact length)$/i;
const HEIGHT = /^(height|head height)$/i;
/** Letters that a height has where T is something else. */
const HEIGHTS: ReadonlySet<string> = new Set(['H', 'h', 'A', 't', 'C']);
/** Letters that the ends of a part have where T is its thickness. */
const ENDS: ReadonlySet<string> = new Set(['a', 'e', 'b', 'l', 'd', 'c', 'B', 'BW', 'L1', 'L2', 'S', 'E']);

/**
 * T is the terminal of the standard and the thickness of many makers of chips: the letters beside it say which.
 * @returns `null` where the letter is another one, or the dimension neither
 */
function scoreOfT(letter: string, name: string, beside: ReadonlySet<string>): number | null {
  if (letter !== 'T' || !(TERMINAL.test(name) || HEIGHT.test(name))) return null;
  if ([...HEIGHTS].some((one) => beside.has(one))) return null;
  const isThickness = [...ENDS].some((one) => beside.has(one));
  // alone it may be either, which is for their sizes to tell, and said
  if (!isThickness) return 1;
  return HEIGHT.test(name) ? 3 : -1.5;
}

/** D × L: round parts on wires and cans have their height under L, where no other letter is it. */
const isRoundHeight = (
  letter: string,
  name: string,
  symbols: readonly string[],
  beside: ReadonlySet<string>,
) =>
  letter === 'L' &&
  HEIGHT.test(name) &&
  symbols.includes('D') &&
  !symbols.includes('E') &&
  !symbols.includes('W') &&
  beside.has('D') &&
  !['H', 'h', 'T'].some((one) => beside.has(one));

/** Whether a letter may be either of two dimensions, and no letter beside it says which. */
export const isEither = (letter: string, name: string, beside: ReadonlySet<string>): boolean =>
  scoreOfT(letter, name, beside) === 1;

/**
 * How well a printed letter goes with a dimension: 3 its own, 1.5 another usual one, −1.5 another dimension's.
 * @param beside all letters of the table
 */
export function letterScore(
  letter: string,
  dimension: { readonly symbol: string; readonly name: string },
  symbols: readonly string[],
  beside: ReadonlySet<string> = new Set(),
): number {
  if (letter === '') return 0;
  // only packages that have both can have one for the other
  const ofT =
    symbols.includes('T') && symbols.includes('A') ? scoreOfT(letter, dimension.name, beside) : null;
  if (ofT !== null) return ofT;
  if (isRoundHeight(letter, dimension.name, symbols, beside)) return 2;
  if (letter === dimension.symbol) return 3;
  const isOthers = symbols.includes(letter);
  const alias = ALIASES.some(([of, letters]) => of.test(dimension.name) && letters.includes(letter));
  if (alias) return isOthers ? 0.3 : 1.5;
  if (!isOthers && letter.toLowerCase() === dimension.symbol.toLowerCase()) return 1;
  return isOthers ? -1.5 : -0.3;
}

/** Letters of drawings' lines that no land rests on: angles, radii, tolerance frames, gauge planes. */
export function isAuxiliary(letter: string): boolean {
  return /^([\u0370-\u03ff]\d?|([a-z])\2\2|A2|A3|A4|b1|c1|R\d?|L2|ZD|ZE|Z|y|v|w|x|θ\d?)$/.test(letter);
}
