import type { Labelled } from '../../drawing/dimension-lines';
import type { Point } from '../../geometry/point';
import type { DimensionLine, View } from '../../package/lines';
import { line, LINE, type Item } from './page';
import { widthOf } from './type';

/** Room of what is drawn, on the page, mm. */
export interface Room {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Distance of the first dimension line from what is drawn, of the next ones from each other; type; arrows. mm */
const FIRST = { plan: 10, elevation: 6.5 } as const;
export const TIER = 6;
const SIZE = 2.5;
const ARROW = { length: 2.2, width: 0.7 } as const;

type Side = DimensionLine['side'];
/** The side elevation lies turned a quarter to the left on the page. */
const TURNED: Readonly<Record<Side, Side>> = { right: 'top', top: 'left', left: 'bottom', bottom: 'right' };

/** Dimension lines of a view as a draughtsman draws them. @param put takes a point of the view onto the page */
export function dimensionItems(
  labelled: readonly Labelled[],
  view: View,
  put: (p: Point) => Point,
  room: Room,
): Item[] {
  return labelled
    .filter(({ line: drawn }) => drawn.view === view)
    .flatMap(({ line: drawn, text }) => {
      const side = view === 'side' ? TURNED[drawn.side] : drawn.side;
      const away = FIRST[view === 'plan' ? 'plan' : 'elevation'] + drawn.tier * TIER;
      const at = {
        top: room.top - away,
        bottom: room.bottom + away,
        left: room.left - away,
        right: room.right + away,
      }[side];
      const [from, to] = [put(drawn.from), put(drawn.to)];
      return side === 'top' || side === 'bottom'
        ? level(from, to, at, text)
        : standing(from, to, at, text, view === 'front' && Math.max(drawn.from.y, drawn.to.y) <= 0);
    });
}

/** Rounds a text's place: it stands on its line, which is interrupted for it. */
function level(from: Point, to: Point, y: number, text: string): Item[] {
  const [a, b] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
  const width = widthOf(text, SIZE) + 1.6;
  const inside = b - a >= width + 2 * ARROW.length + 1;
  const tight = b - a < 2 * ARROW.length + 1;
  const middle = inside ? (a + b) / 2 : b + (tight ? ARROW.length + 2 : 1.5) + width / 2;
  const runs: readonly (readonly [number, number])[] = inside
    ? [
        [a, middle - width / 2],
        [middle + width / 2, b],
      ]
    : tight
      ? [
          [a - ARROW.length - 2, a],
          [a, b],
          [b, b + ARROW.length + 2],
        ]
      : [
          [a, b],
          [b, b + 1.5],
        ];
  return [
    ...extension(from, { x: from.x, y }),
    ...extension(to, { x: to.x, y }),
    ...runs.map(([p, q]) => line({ x: p, y }, { x: q, y })),
    arrow({ x: a, y }, tight ? 0 : 180),
    arrow({ x: b, y }, tight ? 180 : 0),
    { kind: 'text', text, x: middle, y: y + SIZE * 0.34, size: SIZE, anchor: 'middle' },
  ];
}

/** @param down a text that does not fit goes below its line: over it stands another one's */
function standing(from: Point, to: Point, x: number, text: string, down: boolean): Item[] {
  const [a, b] = [Math.min(from.y, to.y), Math.max(from.y, to.y)];
  const width = widthOf(text, SIZE) + 1.6;
  const inside = b - a >= width + 2 * ARROW.length + 1;
  const tight = b - a < 2 * ARROW.length + 1;
  const beyond = (tight ? ARROW.length + 2 : 1.5) + width / 2;
  const middle = inside ? (a + b) / 2 : down ? b + beyond : a - beyond;
  const runs: readonly (readonly [number, number])[] = inside
    ? [
        [a, middle - width / 2],
        [middle + width / 2, b],
      ]
    : tight
      ? [
          [b + ARROW.length + 2, b],
          [a, b],
          [a, a - ARROW.length - 2],
        ]
      : [[a, b], down ? [b, b + 1.5] : [a, a - 1.5]];
  return [
    ...extension(from, { x, y: from.y }),
    ...extension(to, { x, y: to.y }),
    ...runs.map(([p, q]) => line({ x, y: p }, { x, y: q })),
    arrow({ x, y: a }, tight ? 270 : 90),
    arrow({ x, y: b }, tight ? 90 : 270),
    { kind: 'text', text, x: x + SIZE * 0.34, y: middle, size: SIZE, anchor: 'middle', upright: true },
  ];
}

/** From what is measured to a little beyond the dimension line, with a gap before it. */
function extension(from: Point, to: Point): Item[] {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 1) return [];
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  return [
    line(
      { x: from.x + ux * 0.7, y: from.y + uy * 0.7 },
      { x: to.x + ux * 1.2, y: to.y + uy * 1.2 },
      LINE.thin,
      { ink: 0.35 },
    ),
  ];
}

/** An arrow whose point is at a place, pointing to an angle: 0 right, 90 up. */
function arrow({ x, y }: Point, angle: number): Item {
  const [c, s] = [Math.cos((angle * Math.PI) / 180), -Math.sin((angle * Math.PI) / 180)];
  const at = (along: number, across: number): readonly [number, number] => [
    x - along * c - across * s,
    y - along * s + across * c,
  ];
  const [p, q] = [at(ARROW.length, ARROW.width / 2), at(ARROW.length, -ARROW.width / 2)];
  return { kind: 'path', steps: [['M', x, y], ['L', ...p], ['L', ...q], ['Z']], fill: 0 };
}
