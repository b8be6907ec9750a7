import type { Labelled } from '../../drawing/dimension-lines';
import { verticesOf, type Drawing, type Layer, type Stroke } from '../../drawing/drawing';
import { boxRound, type Box } from '../../geometry/box';
import type { Point } from '../../geometry/point';
import type { View } from '../../package/lines';
import { dimensionItems, TIER, type Room } from './dimension';
import { LINE, stepsOf, type Item, type PathItem } from './page';

// Plan and elevations on paper: third angle, one scale, black lines on white.

type Ink = Pick<PathItem, 'stroke' | 'dash' | 'ink' | 'fill'>;

const DASH_DOT = [2.4, 0.8, 0.3, 0.8];
/** How things are drawn where no colour tells them; what is not named is a thin line. */
const PLAN: Readonly<Partial<Record<Layer, Ink>>> = {
  board: { stroke: LINE.bold },
  'other-side': { stroke: 0.09, dash: [1, 0.6], ink: 0.3 },
  cover: { stroke: LINE.thin, dash: DASH_DOT },
  courtyard: { stroke: LINE.thin, dash: DASH_DOT },
  'keep-out': { stroke: LINE.thin, dash: [1.6, 0.6], ink: 0.3 },
  mask: { stroke: 0.09, dash: [0.7, 0.4], ink: 0.3 },
  'mask-edge': { stroke: LINE.thin },
  copper: { stroke: LINE.usual, fill: 0.86 },
  paste: { stroke: 0.09, dash: [0.25, 0.45], ink: 0.25 },
  contact: { stroke: 0.09, ink: 0.1 },
  'plated-hole': { stroke: LINE.usual, fill: 1 },
  hole: { stroke: LINE.usual, fill: 1 },
  body: { stroke: LINE.thin, dash: [1.4, 0.6] },
  legend: { ink: 0.45 },
  'legend-fill': { fill: 0.45 },
  'board-edge': { stroke: LINE.usual, dash: DASH_DOT },
};
/** What is not on paper: limits that would only blur the lines. */
const LEFT_OUT: ReadonlySet<Layer> = new Set(['contact-limit', 'model-contact', 'model-miss']);

const SOLID: Readonly<Partial<Record<Layer, Ink>>> = {
  ...PLAN,
  contact: { stroke: LINE.thin, dash: [1.2, 0.6] },
  body: { stroke: LINE.usual, fill: 0.95 },
  ceramic: { stroke: LINE.usual, fill: 0.92 },
  metal: { stroke: LINE.thin, fill: 0.8 },
  laminate: { stroke: LINE.thin, fill: 0.97 },
  copper: { stroke: 0.09, fill: 0.6 },
  'hole-cut': { stroke: 0.09, fill: 1 },
  'mask-cut': { stroke: 0.09, fill: 0.75 },
  'paste-cut': { stroke: 0.09, fill: 0.88 },
  solder: { stroke: 0.09, fill: 0.88 },
  fillet: { stroke: 0.09, fill: 0.88 },
  'fillet-limit': { stroke: 0.09, dash: [0.5, 0.3] },
  beyond: { stroke: 0.09, ink: 0.5, fill: 0.98 },
  'model-beyond': { stroke: 0.09, ink: 0.5 },
  'model-cut': { stroke: LINE.thin, fill: 0.85 },
  'model-hollow': { stroke: 0.09, fill: 1 },
};

/** A view's strokes on the page. @param scale page over part */
export function strokeItems(
  strokes: readonly Stroke[],
  put: (p: Point) => Point,
  scale: number,
  isPlan: boolean,
): Item[] {
  const inks = isPlan ? PLAN : SOLID;
  return strokes.flatMap(({ layer, rings, closed, width }): Item[] => {
    if (LEFT_OUT.has(layer)) return [];
    const { stroke = LINE.thin, ...ink } = inks[layer] ?? {};
    const isArea = layer === 'legend-fill';
    const steps = rings.flatMap((ring) => stepsOf(verticesOf(ring), closed, put));
    if (steps.length === 0) return [];
    // what is printed is as wide as it is
    const own = width === undefined ? stroke : width * scale;
    return [
      {
        kind: 'path',
        steps,
        ...ink,
        ...(isArea ? {} : { stroke: own }),
        ...(closed ? {} : { fill: undefined }),
      } as PathItem,
    ];
  });
}

/** A drawing in three views with its dimension lines. */
export interface ThreeViews {
  readonly plan: Drawing;
  readonly front: Drawing;
  readonly side: Drawing;
  readonly lines: readonly Labelled[];
  /** Whether the plan shows solids, and not a board. */
  readonly solid?: true;
}

/** Scales that drawings are made to, the largest first. */
const SCALES = [100, 50, 20, 10, 5, 2, 1, 0.5, 0.2, 0.1] as const;

/** A scale as it is said. */
export const scaleWords = (scale: number): string => (scale >= 1 ? `${scale} : 1` : `1 : ${1 / scale}`);

/** Room about the views on the page. */
export interface Field {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** What is taken in the lower right corner. */
  readonly corner: { readonly width: number; readonly height: number };
}

export interface PutViews {
  readonly items: readonly Item[];
  readonly scale: number;
  /** Takes points of the plan onto the page. */
  readonly plan: (p: Point) => Point;
  /** Where the plan and the elevations lie. */
  readonly rooms: Readonly<Record<View, Room>>;
}

/** Clear distance between views that have no dimensions between them, and round numbers and texts. mm */
const GAP = 14;

/** Puts three views onto a page at the largest scale of the trade that fits. */
export function putViews({ plan, front, side, lines, solid }: ThreeViews, field: Field): PutViews {
  const box = boxRound([plan.extent, across(front.extent), upright(side.extent)]) ?? plan.extent;
  const depth =
    boxRound([front.extent, side.extent].map(({ minY, maxY }) => ({ minX: 0, maxX: 1, minY, maxY }))) ??
    front.extent;
  const tiers = (view: View, on: (typeof lines)[number]['line']['side']) =>
    Math.max(
      0,
      ...lines.flatMap(({ line }) => (line.view === view && line.side === on ? [line.tier + 1] : [])),
    );
  const about = (count: number) => (count === 0 ? GAP / 2 : 10 + TIER * count);
  // names of sides are those of the views; the side elevation lies on its side
  const edge = {
    left: Math.max(about(tiers('plan', 'left')), about(tiers('front', 'left'))) + 4,
    right: Math.max(about(tiers('plan', 'right')), about(tiers('front', 'right'))) + 8,
    top: Math.max(about(tiers('plan', 'top')), about(tiers('side', 'right'))) + 4,
    bottom: Math.max(about(tiers('plan', 'bottom')), about(tiers('side', 'left'))) + 4,
  };
  const beyond = {
    right: about(Math.max(tiers('side', 'top'), tiers('side', 'bottom'))),
    bottom: about(Math.max(tiers('front', 'bottom'), tiers('front', 'top'))),
  };
  const [w, h, d] = [box.maxX - box.minX, box.maxY - box.minY, depth.maxY - depth.minY];
  const fits = (scale: number) => {
    const width = edge.left + w * scale + edge.right + d * scale + beyond.right;
    const height = edge.top + h * scale + edge.bottom + d * scale + beyond.bottom;
    const clear =
      edge.left + w * scale + edge.right <= field.width - field.corner.width ||
      height + field.corner.height <= field.height;
    return width <= field.width && height <= field.height && clear;
  };
  const scale = SCALES.find(fits) ?? 0.1;
  // what is left of the width stands at both sides, as far as the corner stays clear
  const spare = Math.min(
    field.width - (edge.left + w * scale + edge.right + d * scale + beyond.right),
    field.width - field.corner.width - (edge.left + w * scale + edge.right),
  );
  const left = field.left + edge.left + Math.max(0, spare) / 2;
  const top = field.top + edge.top;
  const putPlan = (p: Point): Point => ({
    x: left + (p.x - box.minX) * scale,
    y: top + (box.maxY - p.y) * scale,
  });
  const frontTop = top + h * scale + edge.bottom;
  const putFront = (p: Point): Point => ({
    x: left + (p.x - box.minX) * scale,
    y: frontTop + (depth.maxY - p.y) * scale,
  });
  // seen from the right, the top is turned to the plan: heights run to the left
  const sideLeft = left + w * scale + edge.right;
  const putSide = (p: Point): Point => ({
    x: sideLeft + (depth.maxY - p.y) * scale,
    y: top + (box.maxY - p.x) * scale,
  });
  const put = { plan: putPlan, front: putFront, side: putSide };
  const rooms = {
    plan: roomOf(plan.extent, putPlan),
    front: roomOf(front.extent, putFront),
    side: roomOf(side.extent, putSide),
  };
  const drawings = { plan, front, side };
  const items = (['plan', 'front', 'side'] as const).flatMap((view) => [
    ...strokeItems(drawings[view].strokes, put[view], scale, view === 'plan' && !solid),
    ...dimensionItems(lines, view, put[view], rooms[view]),
  ]);
  return { items, scale, plan: putPlan, rooms };
}

/** The extent of a front view along the plan's x, and of a side view along its y. */
const across = ({ minX, maxX }: Box): Box => ({ minX, maxX, minY: 0, maxY: 0 });
const upright = ({ minX, maxX }: Box): Box => ({ minX: 0, maxX: 0, minY: minX, maxY: maxX });

function roomOf({ minX, minY, maxX, maxY }: Box, put: (p: Point) => Point): Room {
  const [a, b] = [put({ x: minX, y: minY }), put({ x: maxX, y: maxY })];
  return {
    left: Math.min(a.x, b.x),
    right: Math.max(a.x, b.x),
    top: Math.min(a.y, b.y),
    bottom: Math.max(a.y, b.y),
  };
}
