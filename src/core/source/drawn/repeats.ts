import type { PackageKind } from '../../package/catalogue';
import type { Area } from '../page';
import type { Shape } from './strokes';

// How many terminals a drawing shows: the small shapes of one size that stand most often in one view.

/** Shapes that are alike in one view. */
export interface Repeat {
  readonly count: number;
  readonly columns: number;
  readonly rows: number;
}

/** Fewer that are alike are no terminals of a row. */
const LEAST = 3;
/** A terminal is smaller than this share of its view. */
const SMALL = 0.35;
/** Shapes of a view that are looked at. */
const MOST = 3000;
/** Places nearer than this are one column, points. */
const SAME = 0.8;

/** The terminals that a page shows, those of the fullest view; `null` where nothing repeats. */
export function repeatsOf(shapes: readonly Shape[], views: readonly Area[]): Repeat | null {
  const found = views.flatMap((view): Repeat[] => {
    const [wide, tall] = [view.x1 - view.x0, view.y1 - view.y0];
    const inside = shapes.filter(
      ({ area, fill }) =>
        fill !== 'paper' &&
        area.x0 > view.x0 - 1 &&
        area.x1 < view.x1 + 1 &&
        area.y0 > view.y0 - 1 &&
        area.y1 < view.y1 + 1 &&
        (area.x1 - area.x0 < SMALL * wide || area.y1 - area.y0 < SMALL * tall),
    );
    if (inside.length > MOST) return [];
    const groups: Shape[][] = [];
    for (const one of inside) {
      const group = groups.find(([first]) => first !== undefined && isAlike(first.area, one.area));
      if (group) group.push(one);
      else groups.push([one]);
    }
    const [most] = groups.sort((a, b) => b.length - a.length);
    if (!most || most.length < LEAST) return [];
    return [
      {
        count: most.length,
        columns: distinct(most.map(({ area }) => (area.x0 + area.x1) / 2)),
        rows: distinct(most.map(({ area }) => (area.y0 + area.y1) / 2)),
      },
    ];
  });
  return found.sort((a, b) => b.count - a.count)[0] ?? null;
}

/** Of one size, turned by a quarter or not. */
function isAlike(a: Area, b: Area): boolean {
  const [p, q] = [a, b].map(({ x0, x1, y0, y1 }) => [x1 - x0, y1 - y0].sort((s, t) => s - t));
  return [0, 1].every((i) => Math.abs((p?.[i] ?? 0) - (q?.[i] ?? 0)) < 0.5);
}

function distinct(places: readonly number[]): number {
  const sorted = [...places].sort((a, b) => a - b);
  return sorted.filter((place, i) => i === 0 || place - (sorted[i - 1] ?? 0) > SAME).length;
}

/** The counts of a family that a drawing shows, by symbol; only what the family can have. */
export function countsShown(kind: PackageKind, repeat: Repeat): Readonly<Record<string, number>> {
  return Object.fromEntries(
    kind.dimensions.flatMap(({ symbol, name, kind: is, limits: [least, most], multipleOf = 1, oneOf }) => {
      if (is !== 'count') return [];
      const count = /^columns/i.test(name)
        ? repeat.columns
        : /^rows/i.test(name)
          ? repeat.rows
          : symbol === 'n'
            ? repeat.count
            : NaN;
      const fits =
        count >= least && count <= most && count % multipleOf === 0 && (oneOf?.includes(count) ?? true);
      return fits ? [[symbol, count] as const] : [];
    }),
  );
}
