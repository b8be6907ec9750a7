import type { SheetUnit } from '../../document/document';
import type { ReadPattern } from '../pattern';
import { formatNumber, quantise } from '../../units/length';
import type { DrawnPattern, LaidThing } from './pattern';

// A drawn land pattern as the datasheet's own lands for a package: lands that face each other, by their length along
// the line between them, their width and the distance of their middles.

/** Lands that face each other along an axis. */
interface Facing {
  readonly Y: number;
  readonly X: number;
  readonly centre: number;
  /** Lands of the two rows. */
  readonly count: number;
}

const SAME = 5e-4;

/**
 * The drawn lands as they are entered for the groups of a package.
 * @returns `null` where no two rows of like lands face each other, or where the two axes differ
 */
export function recommendedOf({ things, used, unit, doubts }: DrawnPattern): ReadPattern | null {
  const lands = things.filter(({ role }) => role === 'land');
  const both = (['x', 'y'] as const).flatMap((axis) => facing(lands, axis) ?? []);
  // the ends of two rows face each other too; the rows are meant
  const most = Math.max(...both.map(({ count }) => count));
  const [first, second] = both.filter(({ count }) => count === most);
  if (!first) return null;
  // of lands in two rows only those that face each other across them are meant
  const isSame =
    !second ||
    (Math.abs(first.Y - second.Y) < SAME &&
      Math.abs(first.X - second.X) < SAME &&
      Math.abs(first.centre - second.centre) < SAME);
  if (!isSame) return null;
  const entry = (mm: number) => formatNumber(quantise(unit === 'mm' ? mm : mm / perUnit(unit)), 0, 4);
  return {
    unit,
    Y: entry(first.Y),
    X: entry(first.X),
    distance: entry(first.centre),
    given: 'centre',
    rows: used.map(({ label, what }) => ({ label: '', meant: what, printed: label.printed })),
    doubts,
  };
}

const perUnit = (unit: SheetUnit): number => ({ mm: 1, mil: 0.0254, in: 25.4 })[unit];

/** Two rows of like lands on both sides of the middle; the rest may lie between them. */
function facing(lands: readonly LaidThing[], axis: 'x' | 'y'): Facing | null {
  const places = lands.map((land) => land[axis].mm);
  const far = Math.max(...places);
  const [high, low] = [1, -1].map((side) =>
    lands.filter((land) => Math.abs(land[axis].mm - side * far) < SAME),
  );
  if (!high || !low || far < SAME || high.length !== low.length || high.length === 0) return null;
  const [one] = high;
  if (!one) return null;
  const size = (land: LaidThing) =>
    axis === 'x' ? [land.width.mm, land.height.mm] : [land.height.mm, land.width.mm];
  const [Y = 0, X = 0] = size(one);
  const isAlike = [...high, ...low].every((land) => {
    const [along = 0, across = 0] = size(land);
    return Math.abs(along - Y) < SAME && Math.abs(across - X) < SAME;
  });
  // lands of a row face the other row, and not their neighbours in it
  const other = axis === 'x' ? 'y' : 'x';
  const spread = Math.max(...lands.map((land) => Math.abs(land[other].mm)));
  const isRow = high.length > 1 || spread < SAME;
  return isAlike && isRow ? { Y, X, centre: 2 * far, count: high.length + low.length } : null;
}
