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
  [/^(terminal length|end cap|cap length|contact length)$/i, ['T', 'L', 'L1', 't', 'l', 'S', 'BW', 'a']],
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

/** How well a printed letter goes with a dimension: 3 its own, 1.5 another usual one, −1.5 another dimension's. */
export function letterScore(
  letter: string,
  dimension: { readonly symbol: string; readonly name: string },
  symbols: readonly string[],
): number {
  if (letter === '') return 0;
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
