import type { InkLine } from './ink';
import type { Area } from './page';

// Lines as far as they are seen: a box clips them.

/** What two areas share; `null` where they share nothing. */
export function overlapOf(a: Area, b: Area): Area | null {
  const both = {
    x0: Math.max(a.x0, b.x0),
    y0: Math.max(a.y0, b.y0),
    x1: Math.min(a.x1, b.x1),
    y1: Math.min(a.y1, b.y1),
  };
  return both.x1 > both.x0 && both.y1 > both.y0 ? both : null;
}

/** The parts of a line inside of a box; the line itself where all of it is. */
export function clipLine(line: InkLine, box: Area): InkLine[] {
  const { points, isClosed, isCurved } = line;
  let isInside = true;
  for (let i = 0; i < points.length && isInside; i += 2)
    isInside = holds(box, points[i] ?? 0, points[i + 1] ?? 0);
  if (isInside) return [line];
  const around = isClosed ? [...points, ...points.slice(0, 2)] : points;
  const parts: number[][] = [];
  for (let i = 0; i + 3 < around.length; i += 2) {
    const cut = clipSegment(around.slice(i, i + 4) as [number, number, number, number], box);
    if (!cut) continue;
    const [ax, ay, bx, by] = cut;
    const last = parts.at(-1);
    if (last && last.at(-2) === ax && last.at(-1) === ay) last.push(bx, by);
    else parts.push([ax, ay, bx, by]);
  }
  return parts.map((part) => ({ points: part, isClosed: false, isCurved }));
}

const holds = ({ x0, y0, x1, y1 }: Area, x: number, y: number) => x >= x0 && x <= x1 && y >= y0 && y <= y1;

/** A segment's part in a box, by the shares at which it enters and leaves each side (Liang and Barsky). */
function clipSegment(
  [ax, ay, bx, by]: readonly [number, number, number, number],
  { x0, y0, x1, y1 }: Area,
): [number, number, number, number] | null {
  const [dx, dy] = [bx - ax, by - ay];
  let [from, to] = [0, 1];
  for (const [p, q] of [
    [-dx, ax - x0],
    [dx, x1 - ax],
    [-dy, ay - y0],
    [dy, y1 - ay],
  ] as const) {
    if (p === 0) {
      if (q < 0) return null;
      continue;
    }
    const share = q / p;
    if (p < 0) from = Math.max(from, share);
    else to = Math.min(to, share);
    if (from > to) return null;
  }
  // where nothing is cut the corner stays exactly what it was, so that parts join
  return [
    from === 0 ? ax : ax + from * dx,
    from === 0 ? ay : ay + from * dy,
    to === 1 ? bx : ax + to * dx,
    to === 1 ? by : ay + to * dy,
  ];
}
