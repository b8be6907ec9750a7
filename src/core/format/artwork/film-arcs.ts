import type { Vertex } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import { quantise } from '../../units/length';

/** How a film says the middles of its arcs: within a quarter and without signs (G74), anywhere (G75), or not at all. */
export type ArcWay = 'quarter' | 'any' | null;

/** An arc from a corner: how the corner's edge bends, and the corner halfway of more than a half turn. */
export interface FilmArc {
  readonly bulge: number;
  readonly halfway: Vertex | null;
  /** What is not plain about it, in words. */
  readonly doubt: string | null;
}

/** So far the ends of an arc may lie from one circle, as a share of its radius, within these bounds; mm. */
const OFF = { share: 0.1, least: 0.003, most: 0.05 } as const;

/**
 * An arc of a film (Gerber X2, 4.7.2).
 * @param offset from its start to its middle
 * @returns `null` where it has no middle
 */
export function arcOf(
  from: Point,
  to: Point,
  offset: Point,
  { isLeft, way }: { readonly isLeft: boolean; readonly way: ArcWay },
): FilmArc | null {
  const sweepAbout = (centre: Point): number => {
    const angleOf = (p: Point) => Math.atan2(p.y - centre.y, p.x - centre.x);
    const by = angleOf(to) - angleOf(from);
    if (isLeft) return by <= 1e-9 ? by + 2 * Math.PI : by;
    return by >= -1e-9 ? by - 2 * Math.PI : by;
  };
  const off = (centre: Point) =>
    Math.abs(Math.hypot(from.x - centre.x, from.y - centre.y) - Math.hypot(to.x - centre.x, to.y - centre.y));
  const radius = Math.hypot(offset.x, offset.y);
  const isOff = (centre: Point) => off(centre) > Math.min(OFF.most, Math.max(OFF.least, radius * OFF.share));
  const [x, y] = [Math.abs(offset.x), Math.abs(offset.y)];
  const [inQuarter] = [1, -1]
    .flatMap((sx) => [1, -1].map((sy) => ({ x: from.x + sx * x, y: from.y + sy * y })))
    .filter((one) => Math.abs(sweepAbout(one)) <= Math.PI / 2 + 1e-6)
    .sort((a, b) => off(a) - off(b));
  const anywhere = { x: from.x + offset.x, y: from.y + offset.y };
  // old films leave out which of the two ways they have
  const isTold = way === null && isOff(anywhere) && inQuarter !== undefined && !isOff(inQuarter);
  const centre = way === 'quarter' || isTold ? inQuarter : anywhere;
  if (!centre || radius < 1e-9) return null;
  const doubt = isTold
    ? 'how the middles of its arcs are meant (G74 or G75), which was taken from their ends'
    : isOff(centre)
      ? 'an arc whose ends lie at different distances from its middle'
      : null;
  const sweep = sweepAbout(centre);
  if (Math.abs(sweep) <= Math.PI * 1.2) return { bulge: Math.tan(sweep / 4), halfway: null, doubt };
  const half = Math.atan2(from.y - centre.y, from.x - centre.x) + sweep / 2;
  const bulge = Math.tan(sweep / 8);
  const halfway = {
    x: quantise(centre.x + radius * Math.cos(half)),
    y: quantise(centre.y + radius * Math.sin(half)),
    bulge,
  };
  return { bulge, halfway, doubt };
}
