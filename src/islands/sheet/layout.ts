import type { Rise } from '../../core/drawing/dimension-lines';
import type { Box } from '../../core/geometry/box';
import type { Point } from '../../core/geometry/point';
import type { DimensionLine, View } from '../../core/package/lines';

/** The four quadrants of the Sheet; any can take it whole. */
export type Quadrant = 'plan' | 'front' | 'side' | 'turn';

/** A rectangle of the Sheet in pixels, y downwards. */
export interface Area {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where the quadrants lie; a quadrant that is not shown is `null`. */
export type Areas = Readonly<Record<Quadrant, Area | null>>;

/** Scale in pixels per mm and the point of the plan at the middle of its quadrant. */
export interface Camera {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** Shares of the Sheet that the plan takes. */
export interface Split {
  readonly width: number;
  readonly height: number;
}

/** The usual split, taken where no part asks for another. */
const USUAL: Split = { width: 0.69, height: 0.61 };
/** The plan gets no less. */
const LEAST: Split = { width: 0.46, height: 0.42 };
/** What the title block needs beside and below it, px. */
const TITLE = { width: 200, height: 282 };

/** Room round the plan for dimension lines and numbers, px. */
const ROOM = { x: 84, y: 72 };
/** Room round the elevations along their height, px: dimensions stand below the front view only. */
const ROOM_RISE = { front: 58, side: 30 };

/** Divides the Sheet, or gives it to one quadrant. */
export function divide(width: number, height: number, whole: Quadrant | null, split: Split = USUAL): Areas {
  const none: Areas = { plan: null, front: null, side: null, turn: null };
  if (whole) return { ...none, [whole]: { x: 0, y: 0, width, height } };
  const [w, h] = [Math.round(width * split.width), Math.round(height * split.height)];
  return {
    plan: { x: 0, y: 0, width: w, height: h },
    side: { x: w, y: 0, width: width - w, height: h },
    front: { x: 0, y: h, width: w, height: height - h },
    turn: { x: w, y: h, width: width - w, height: height - h },
  };
}

/** Distance of neighbouring dimension lines, px. */
export const TIER = 22;

/** Room on each side of the plan for the dimension lines that there are, px. */
function roomFor(lines: readonly DimensionLine[]): Record<DimensionLine['side'], number> {
  const tiers = (side: DimensionLine['side']) =>
    Math.max(
      0,
      ...lines.flatMap((line) => (line.view === 'plan' && line.side === side ? [line.tier + 1] : [])),
    );
  // beside the plan values stand level where they are too long for their line
  const beside = (side: 'left' | 'right') => Math.max(ROOM.x, TIER * (tiers(side) + 3));
  const over = (side: 'top' | 'bottom') => Math.max(ROOM.y, TIER * (tiers(side) + 1.5));
  return { left: beside('left'), right: beside('right'), top: over('top'), bottom: over('bottom') };
}

/**
 * The split with which plan and elevations fill their quadrants: long parts get a longer plan, high ones
 * more room for their elevations. As near to the usual one as the largest common scale allows.
 */
export function splitFor(
  { width, height }: { readonly width: number; readonly height: number },
  extent: Box,
  rise: Rise,
  lines: readonly DimensionLine[] = [],
): Split {
  // a Sheet that is folded away has no size
  if (width <= 0 || height <= 0) return USUAL;
  const { left, right, top, bottom } = roomFor(lines);
  const depth = rise.high - rise.low;
  const across: Axis = {
    length: width,
    plan: [extent.maxX - extent.minX, left + right],
    beside: [depth, 2 * ROOM_RISE.side],
    bounds: [LEAST.width, Math.max(USUAL.width, 1 - TITLE.width / width)],
  };
  const down: Axis = {
    length: height,
    plan: [extent.maxY - extent.minY, top + bottom],
    beside: [depth, 2 * ROOM_RISE.front],
    bounds: [LEAST.height, Math.max(0.5, 1 - TITLE.height / height)],
  };
  const scale = Math.min(largest(across), largest(down));
  return { width: share(across, scale, USUAL.width), height: share(down, scale, USUAL.height) };
}

/** One way of the Sheet: its length, what the plan and the elevation beside it need (mm, and px of room), and the plan's share. */
interface Axis {
  readonly length: number;
  readonly plan: readonly [mm: number, px: number];
  readonly beside: readonly [mm: number, px: number];
  readonly bounds: readonly [least: number, most: number];
}

const within = (v: number, [least, most]: Axis['bounds']) => Math.min(most, Math.max(least, v));

/** The largest scale at which both fit along an axis, px per mm. */
function largest({ length, plan, beside, bounds }: Axis): number {
  const even = (plan[0] * (length - beside[1]) + beside[0] * plan[1]) / (length * (plan[0] + beside[0]));
  const split = within(even, bounds);
  return Math.min((split * length - plan[1]) / plan[0], ((1 - split) * length - beside[1]) / beside[0]);
}

/** The plan's share that is nearest to the usual one with both at a scale, in steps that do not tremble with every digit. */
function share({ length, plan, beside, bounds }: Axis, scale: number, usual: number): number {
  const least = (plan[0] * scale + plan[1]) / length;
  const most = 1 - (beside[0] * scale + beside[1]) / length;
  const nearest = within(Math.min(most, Math.max(least, usual)), bounds);
  return nearest === usual ? usual : Math.round(nearest * 50) / 50;
}

/**
 * The camera that shows the whole footprint in every shown quadrant at one scale.
 * @param lines dimension lines that need more room than usual
 */
export function fit(extent: Box, rise: Rise, areas: Areas, lines: readonly DimensionLine[] = []): Camera {
  const { left, right, top, bottom } = roomFor(lines);
  const [width, height, depth] = [extent.maxX - extent.minX, extent.maxY - extent.minY, rise.high - rise.low];
  const scales: number[] = [];
  if (areas.plan) {
    scales.push((areas.plan.width - left - right) / width, (areas.plan.height - top - bottom) / height);
  }
  if (areas.front) {
    scales.push(
      (areas.front.width - left - right) / width,
      (areas.front.height - 2 * ROOM_RISE.front) / depth,
    );
  }
  if (areas.side) {
    scales.push((areas.side.width - 2 * ROOM_RISE.side) / depth, (areas.side.height - top - bottom) / height);
  }
  const scale = Math.max(1, Math.min(...scales.filter((s) => s > 0), 400));
  return {
    scale,
    x: (extent.minX + extent.maxX - (left - right) / scale) / 2,
    y: (extent.minY + extent.maxY + (top - bottom) / scale) / 2,
  };
}

/**
 * Places a view's coordinates on the Sheet. Plan and front share x, plan and side share y.
 * In third-angle projection the side elevation, seen from the right, turns its top towards
 * the plan: height runs to the left.
 */
export function placer(view: View, area: Area, camera: Camera, rise: Rise): (p: Point) => Point {
  const { scale } = camera;
  const [cx, cy] = [area.x + area.width / 2, area.y + area.height / 2];
  const middle = (rise.low + rise.high) / 2;
  switch (view) {
    case 'plan':
      return ({ x, y }) => ({ x: cx + (x - camera.x) * scale, y: cy - (y - camera.y) * scale });
    case 'front':
      return ({ x, y }) => ({ x: cx + (x - camera.x) * scale, y: cy - (y - middle) * scale });
    case 'side':
      return ({ x, y }) => ({ x: cx - (y - middle) * scale, y: cy - (x - camera.y) * scale });
  }
}

/** The SVG transform of {@link placer} for path data whose y is turned downwards already. */
export function transformOf(view: View, area: Area, camera: Camera, rise: Rise): string {
  const origin = placer(view, area, camera, rise)({ x: 0, y: 0 });
  const turn = view === 'side' ? ' rotate(-90)' : '';
  return `translate(${origin.x} ${origin.y})${turn} scale(${camera.scale})`;
}

/**
 * The CSS transform that puts shapes drawn for one camera where another has them.
 * @param beyond what is drawn beyond the view on every side, px
 */
export function movedTo(
  view: View,
  area: Area,
  rise: Rise,
  { drawn, camera, beyond }: { readonly drawn: Camera; readonly camera: Camera; readonly beyond: number },
): string | undefined {
  if (drawn === camera) return undefined;
  const by = camera.scale / drawn.scale;
  const [from, to] = [drawn, camera].map((each) => placer(view, area, each, rise)({ x: 0, y: 0 }));
  if (!from || !to) return undefined;
  const [left, top] = [area.x - beyond, area.y - beyond];
  return `translate(${to.x - left - by * (from.x - left)}px, ${to.y - top - by * (from.y - top)}px) scale(${by})`;
}

/** The point of the plan's or an elevation's coordinates under a pixel. */
export function pointUnder(view: View, area: Area, camera: Camera, rise: Rise, pixel: Point): Point {
  const { scale } = camera;
  const [dx, dy] = [pixel.x - (area.x + area.width / 2), pixel.y - (area.y + area.height / 2)];
  const middle = (rise.low + rise.high) / 2;
  switch (view) {
    case 'plan':
      return { x: camera.x + dx / scale, y: camera.y - dy / scale };
    case 'front':
      return { x: camera.x + dx / scale, y: middle - dy / scale };
    case 'side':
      return { x: camera.y - dy / scale, y: middle - dx / scale };
  }
}

/** Pixels for a millimetre at least and at most. */
const scaleBy = ({ scale }: Camera, factor: number): number => Math.min(4000, Math.max(2, scale * factor));

/** Zooms about the middle of the views. */
export const zoomBy = (camera: Camera, factor: number): Camera => ({
  ...camera,
  scale: scaleBy(camera, factor),
});

/** Zooms about a pixel: what lies under it stays there. */
export function zoomAbout(camera: Camera, view: View, area: Area, pixel: Point, factor: number): Camera {
  const scale = scaleBy(camera, factor);
  const [dx, dy] = [pixel.x - (area.x + area.width / 2), pixel.y - (area.y + area.height / 2)];
  const keep = (offset: number) => offset / camera.scale - offset / scale;
  return {
    scale,
    x: view === 'side' ? camera.x : camera.x + keep(dx),
    y: view === 'front' ? camera.y : camera.y - keep(dy),
  };
}
