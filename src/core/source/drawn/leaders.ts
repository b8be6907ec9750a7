import type { Point } from '../../geometry/point';
import type { Label } from './labels';
import type { DrawnPage } from './page';
import type { Thing } from './solve';
import type { Shape, Stroke } from './strokes';

// Leaders: lines with an arrow that lead from a text to the round thing or the corner that it is of.

/** Diameters that a leader leads to, by the round things that they are of. */
export function diametersOf(things: readonly Thing[], drawn: DrawnPage): Map<Thing, Label> {
  const found = new Map<Thing, Label>();
  const round = things.filter(({ shape }) => shape.kind === 'round');
  for (const label of drawn.loose) {
    if (label.kind !== 'diameter') continue;
    const tip = tipOf(label, drawn);
    if (!tip) continue;
    const [meant] = round
      .map((thing) => ({ thing, off: offRim(thing.shape, tip) }))
      .sort((a, b) => a.off - b.off);
    if (!meant || meant.off > 2.5) continue;
    // “2X” and “TYP” are of all that are drawn alike
    for (const thing of round)
      if (
        thing.role === meant.thing.role &&
        Math.abs(radiusOf(thing.shape) - radiusOf(meant.thing.shape)) < 0.4
      )
        found.set(thing, label);
  }
  return found;
}

const radiusOf = ({ area }: Shape) => (area.x1 - area.x0) / 2;

function offRim({ area }: Shape, { x, y }: Point): number {
  const [cx, cy] = [(area.x0 + area.x1) / 2, (area.y0 + area.y1) / 2];
  return Math.abs(Math.hypot(x - cx, y - cy) - (area.x1 - area.x0) / 2);
}

/** Radii of rounded corners that a leader leads to. */
export function radiiOf(things: readonly Thing[], drawn: DrawnPage): Map<Thing, number> {
  const found = new Map<Thing, number>();
  for (const label of drawn.loose) {
    if (label.kind !== 'radius' || !label.value) continue;
    const tip = tipOf(label, drawn);
    const meant =
      tip &&
      things.find(
        ({ shape: { kind, area } }) =>
          kind === 'rounded' &&
          tip.x > area.x0 - 2 &&
          tip.x < area.x1 + 2 &&
          tip.y > area.y0 - 2 &&
          tip.y < area.y1 + 2,
      );
    if (!meant) continue;
    for (const thing of things)
      if (thing.shape.kind === 'rounded' && Math.abs(thing.shape.radius - meant.shape.radius) < 0.6)
        found.set(thing, label.value.nom);
  }
  return found;
}

/** Where the leader of a label points: the arrow whose line comes from the label. */
function tipOf(label: Label, { strokes, ends }: DrawnPage): Point | null {
  const { x0, y0, x1, y1 } = label.area;
  const touches = ({ x, y }: Point, slack: number) =>
    x > x0 - slack && x < x1 + slack && y > y0 - slack && y < y1 + slack;
  // along the leader's lines from the text, at most a few
  let here: Point[] = strokes.flatMap(({ a, b }) =>
    touches(a, 5) !== touches(b, 5) ? [touches(a, 5) ? b : a] : [],
  );
  const seen = new Set<Stroke>();
  for (let step = 0; step < 3 && here.length > 0; step += 1) {
    for (const p of here) {
      const end = ends.find(
        ({ at, points, size }) => points && Math.hypot(at.x - p.x, at.y - p.y) < size + 0.8,
      );
      if (end) return end.at;
    }
    here = strokes.flatMap((one) => {
      if (seen.has(one)) return [];
      const [from, to] = [one.a, one.b].map((q) => here.some((p) => Math.hypot(p.x - q.x, p.y - q.y) < 0.6));
      if (from === to) return [];
      seen.add(one);
      return [from ? one.b : one.a];
    });
  }
  return null;
}
