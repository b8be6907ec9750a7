import type { PackageKind } from '../package/catalogue';
import { countsShown } from './drawn/repeats';
import type { ReadDimension } from './reading';
import { countSaid } from './words';

// How many leads there are, where no row of a table says it: the size that is asked for, a title, or the drawing.

/** The number of leads that a person names as the size. */
export function countNamed(size: string | undefined): number | null {
  if (size === undefined) return null;
  return /^\d{1,4}$/.test(size.trim()) ? Number(size) : countSaid(size);
}

/** The one number of leads that a title names. */
export function countIn(context: string): number | null {
  const said = [...context.matchAll(/\b(\d{1,4})\s*-?\s*(?:leads?|pins?|terminals?|balls?|polig|pol)\b/gi)];
  const counts = new Set(said.map(([, number]) => Number(number)));
  const [only] = counts;
  return counts.size === 1 && only !== undefined ? only : null;
}

/** “12 × 12”, and no size of a body. */
const MATRIX = /\b(\d{1,2})\s*[x×]\s*(\d{1,2})\b(?!\s*(?:[x×]|[.,]\d|mm\b|mils?\b|inch|in\b|["″]))/gi;

/** A square matrix that a title names. */
interface Matrix {
  readonly side: number;
  /** As it is said. */
  readonly words: string;
}

/**
 * The square matrix that a title names: “12 × 12”, or “144 balls”, which are as many in each row where none is left
 * out. Of one that is not square no title says which are its columns.
 * @param count of all terminals
 */
export function matrixIn(context: string, count: number | null): Matrix | null {
  const said = [...context.matchAll(MATRIX)].map(([words, columns, rows]) => ({
    side: columns === rows ? Number(columns) : NaN,
    words,
  }));
  const [only, ...others] = said.filter(({ side }) => !(side < 2) && !(side * side < (count ?? 0)));
  if (only && others.every(({ side }) => side === only.side)) return Number.isNaN(only.side) ? null : only;
  const side = Math.sqrt(count ?? NaN);
  return Number.isInteger(side) && side > 1 ? { side, words: String(count) } : null;
}

/** Columns and rows of a matrix that a title names, as they are read; they are to be looked at. */
export function matrixRead(kind: PackageKind, { side, words }: Matrix): readonly ReadDimension[] {
  const counts = countsShown(kind, { columns: side, rows: side, count: NaN });
  return Object.entries(counts).map(([symbol, count]) => ({
    ...countShown(kind, symbol, count),
    printed: `${words} in the title`,
    reasons: [`the title says “${words}”`],
    doubts: [`${words} is taken for ${side} columns and ${side} rows, none left out.`],
  }));
}

/** The number of leads, where a title or the name of the size says it and no row does. */
export function counted(
  kind: PackageKind,
  dimensions: readonly ReadDimension[],
  count: number | null,
  size: string,
): readonly ReadDimension[] {
  const definition = kind.dimensions.find(({ symbol, kind: is }) => symbol === 'n' && is === 'count');
  if (!definition || count === null || dimensions.some(({ symbol }) => symbol === 'n')) return dimensions;
  const [least, most] = definition.limits;
  if (count < least || count > most || count % (definition.multipleOf ?? 1) !== 0) return dimensions;
  const fromSize = countNamed(size) !== null;
  return [
    {
      symbol: 'n',
      name: definition.name,
      text: String(count),
      unit: null,
      label: '',
      called: '',
      printed: fromSize ? size : `${count} in the title`,
      area: null,
      standing: 'likely',
      reasons: [fromSize ? `the size is “${size}”` : 'the title says so'],
      doubts: [],
      alternatives: [],
      isBroken: false,
    },
    ...dimensions,
  ];
}

/** A count that the drawing shows. */
export function countShown(kind: PackageKind, symbol: string, count: number): ReadDimension {
  return {
    symbol,
    name: kind.dimensions.find((one) => one.symbol === symbol)?.name ?? symbol,
    text: String(count),
    unit: null,
    label: '',
    called: '',
    printed: `${count} in the drawing`,
    area: null,
    standing: 'doubtful',
    reasons: ['so many are drawn'],
    doubts: ['Counted in the drawing.'],
    alternatives: [],
    isBroken: false,
  };
}
