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

/** Words of a matrix beside its columns and rows: “12 × 12 array”. */
const MATRIX = /\b(\d{1,2})\s*[x×*]\s*(\d{1,2})\b(?!\s*(?:[x×*]|[.,]\d|mm\b|mils?\b|inch|in\b|["″]))/gi;

/** Columns and rows of a matrix. */
interface Matrix {
  readonly columns: number;
  readonly rows: number;
  /** Where that is said. */
  readonly words: string;
}

/**
 * The matrix that a title names: “12 × 12”, or “144 balls”, which are as many in each row where none is left out.
 * @param count of all terminals
 */
export function matrixIn(context: string, count: number | null): Matrix | null {
  const said = [...context.matchAll(MATRIX)].map(([words, columns, rows]): Matrix => ({
    columns: Number(columns),
    rows: Number(rows),
    words,
  }));
  const [only, ...others] = said.filter(
    ({ columns, rows }) => Math.min(columns, rows) > 1 && (count === null || columns * rows >= count),
  );
  if (only && others.every(({ columns, rows }) => columns === only.columns && rows === only.rows))
    return only;
  const side = Math.sqrt(count ?? NaN);
  return Number.isInteger(side) && side > 1 ? { columns: side, rows: side, words: `${count}` } : null;
}

/** Columns and rows of a matrix that a title names, as they are read; they are to be looked at. */
export function matrixRead(kind: PackageKind, matrix: Matrix): readonly ReadDimension[] {
  const counts = countsShown(kind, { ...matrix, count: NaN });
  return Object.entries(counts).map(([symbol, count]) => ({
    ...countShown(kind, symbol, count),
    printed: `${matrix.words} in the title`,
    reasons: [`the title says “${matrix.words}”`],
    doubts: [
      matrix.words.includes(String(count)) && /\D/.test(matrix.words)
        ? 'Counted from the title, which does not say which are columns, nor whether some are left out.'
        : `${matrix.words} are ${matrix.columns} by ${matrix.rows} where none is left out.`,
    ],
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
