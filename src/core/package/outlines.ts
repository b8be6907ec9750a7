import type { StandardOutline } from './definitions';

/** Where a common size comes from that no standard publishes. */
const PRACTICE = 'common practice';

/**
 * Common sizes of a family as a table. Each line holds, between bars: the name; the published outline
 * and variation whose limits it has, or `-` where it is common practice; the entry texts of the symbols
 * in their order, empty where a size leaves one open; and choices of options such as `pad=none`.
 * @param symbols the dimensions of the columns, with blanks between
 * @throws where a line has not a cell for every symbol: a fault of the table
 */
export function outlines<S extends string>(
  symbols: string,
  ...lines: readonly string[]
): StandardOutline<S>[] {
  const columns = symbols.split(' ') as S[];
  return lines.map((line) => {
    const [name = '', source = '', ...cells] = line.split('|').map((cell) => cell.trim());
    const values = cells.slice(0, columns.length);
    const chosen = cells.slice(columns.length).map((cell) => cell.split('='));
    if (values.length < columns.length || chosen.some((pair) => pair.length !== 2))
      throw new Error(`“${line}” does not have the columns ${symbols}`);
    const dimensions = columns
      .map((symbol, i) => [symbol, values[i]] as const)
      .filter(([, text]) => text !== '');
    return {
      name,
      source: source === '-' ? PRACTICE : source,
      dimensions: Object.fromEntries(dimensions) as StandardOutline<S>['dimensions'],
      ...(chosen.length > 0 ? { options: Object.fromEntries(chosen) as Record<string, string> } : {}),
    };
  });
}
