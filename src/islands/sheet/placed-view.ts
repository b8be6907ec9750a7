import { linesFor, type Rise } from '../../core/drawing/dimension-lines';
import type { Finding } from '../../core/document/finding';
import { MISSING } from '../../core/document/finding';
import type { Footprint } from '../../core/footprint/footprint';
import type { Point } from '../../core/geometry/point';
import type { View } from '../../core/package/lines';
import type { Drawable } from '../../core/footprint/footprint';
import { textPlace, type DimensionGlyph } from './Dimension';
import type { Area } from './layout';

/** A view in its quadrant, with the dimension lines that it shows. */
export interface PlacedView {
  readonly view: View;
  readonly area: Area;
  readonly place: (p: Point) => Point;
  readonly glyphs: readonly DimensionGlyph[];
}

/** What a view has drawn, in pixels: dimension lines stand off from it. */
export function drawnArea(
  view: View,
  { courtyard, texts }: Footprint,
  rise: Rise,
  place: (p: Point) => Point,
  withTexts: boolean,
): Area {
  const room = withTexts ? 1.6 * (texts[0]?.height ?? 0) : 0;
  const { minX, minY, maxX, maxY } = courtyard.box;
  const [a, b] = {
    plan: [place({ x: minX, y: maxY + room }), place({ x: maxX, y: minY - room })],
    front: [place({ x: minX, y: rise.high }), place({ x: maxX, y: rise.low })],
    side: [place({ x: maxY, y: rise.high }), place({ x: minY, y: rise.low })],
  }[view] as [Point, Point];
  return {
    x: Math.min(a.x, b.x),
    y: Math.min(a.y, b.y),
    width: Math.abs(b.x - a.x),
    height: Math.abs(b.y - a.y),
  };
}

/** A finding points at its place on the plan, else at the dimension that it speaks of. */
export function targetOf(
  { rule, place: { at, dimensions } }: Finding,
  views: readonly PlacedView[],
  drawable: Drawable,
): Point | null {
  // what was not entered yet has no place on the drawing
  if (rule === MISSING) return null;
  const plan = views.find(({ view }) => view === 'plan');
  if (at) return plan ? plan.place(at) : null;
  const symbol = dimensions?.[0];
  const glyph = views.flatMap(({ glyphs }) => glyphs).find((g) => g.symbol === symbol);
  if (glyph) {
    const { x, y, width, upright } = textPlace(glyph);
    if (upright) return { x: x + 8, y };
    // the leader ends at the text's nearer edge
    const area = plan?.area;
    const right = area ? x >= area.x + area.width / 2 && x <= area.x + area.width : true;
    return { x: right ? x + width / 2 : x - width / 2, y };
  }
  const line = linesFor('measure', drawable, 'mm').find((l) => l.line.symbol === symbol)?.line;
  const view = views.find((v) => v.view === line?.view);
  if (!line || !view) return null;
  return view.place({ x: (line.from.x + line.to.x) / 2, y: (line.from.y + line.to.y) / 2 });
}
