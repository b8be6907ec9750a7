import type { PackageKind } from '../package/catalogue';
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
