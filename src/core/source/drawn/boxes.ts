import { runsOf, type Run } from './runs';
import { shapeOf, type Shape, type Stroke } from './strokes';

// Boxes that are drawn side by side by side: four strokes of one pen that meet at their ends.

/** Shortest side of a box, points; strokes that are looked at. */
const SHORTEST = 2;
const MOST = 20_000;
/** How far apart ends are that meet, points. */
const MEET = 0.35;

/** Boxes that four strokes make. */
export function boxesOf(strokes: readonly Stroke[]): Shape[] {
  const runs = runsOf(strokes.slice(0, MOST));
  const [level, upright] = [runs.level, runs.upright].map((some) =>
    some.filter(({ from, to }) => to - from >= SHORTEST),
  ) as [Run[], Run[]];
  const key = (x: number, y: number) => `${Math.round(x)} ${Math.round(y)}`;
  const starts = new Map<string, Run[]>();
  for (const side of upright) {
    const at = key(side.at, side.from);
    starts.set(at, [...(starts.get(at) ?? []), side]);
  }
  const lows = new Map<string, Run[]>();
  for (const side of level) {
    const at = key(side.from, side.at);
    lows.set(at, [...(lows.get(at) ?? []), side]);
  }
  const near = <T>(cells: ReadonlyMap<string, readonly T[]>, x: number, y: number): T[] =>
    [-1, 0, 1].flatMap((dx) => [-1, 0, 1].flatMap((dy) => cells.get(key(x + dx, y + dy)) ?? []));
  const meets = (p: number, q: number) => Math.abs(p - q) < MEET;
  return level.flatMap((top): Shape[] => {
    const from = (x: number) =>
      near(starts, x, top.at).filter(
        (side) => meets(side.at, x) && meets(side.from, top.at) && meets(side.width, top.width),
      );
    const [left, right] = [from(top.from), from(top.to)];
    if (left.length === 0 || right.length === 0 || left.length > 4 || right.length > 4) return [];
    return left.flatMap((one) =>
      right.flatMap((other): Shape[] => {
        if (!meets(one.to, other.to)) return [];
        const closes = near(lows, top.from, one.to).some(
          (low) =>
            meets(low.at, one.to) &&
            meets(low.from, top.from) &&
            meets(low.to, top.to) &&
            meets(low.width, top.width),
        );
        const corners = [
          { x: top.from, y: top.at },
          { x: top.to, y: top.at },
          { x: top.to, y: one.to },
          { x: top.from, y: one.to },
        ];
        const form = closes ? shapeOf(corners, false) : null;
        return form ? [{ ...form, fill: null, outline: top.width, isDashed: false }] : [];
      }),
    );
  });
}
