import { boxOfPoints } from '../geometry/box';
import { flatten, type Contour, type Vertex } from '../geometry/contour';
import { pointToSegment } from '../geometry/distance';
import {
  areaOf,
  contourFigure,
  contourOf,
  outlineOf,
  place,
  rectangle,
  type Figure,
  type Placed,
} from '../geometry/figure';
import { turn, type Point } from '../geometry/point';
import { area } from '../geometry/polygon';
import { quantise } from '../units/length';

// Outlines as the figures that they are: what a film draws corner by corner is a rectangle, a circle or an
// oblong all the same, and is told, numbered and changed as one.

/** How far corners may lie off a figure that they are taken for, mm: chords of arcs and rounded numbers. */
const OFF = 0.004;

/**
 * An outline as the simplest figure that it is, where it lies; a free contour where it is none.
 * @param outline simple, of either direction, with an area
 */
export function recognised(outline: Contour): Placed {
  const contour = solid(outline);
  const points = flatten(contour);
  for (const candidate of candidates(contour, points)) if (fits(candidate, points, contour)) return candidate;
  const { figure, at } = contourFigure(contour);
  return place(figure, at);
}

/** The same outline counter-clockwise. */
function solid(outline: Contour): Contour {
  if (area(flatten(outline)) >= 0) return outline;
  const n = outline.length;
  return outline.map((_, i): Vertex => {
    const { x, y } = outline[n - 1 - i] as Vertex;
    const { bulge } = outline[(2 * n - 2 - i) % n] as Vertex;
    return bulge ? { x, y, bulge: -bulge } : { x, y };
  });
}

/** Figures that an outline may be: a circle, then boxes along each of its longer edges. */
function* candidates(contour: Contour, points: readonly Point[]): Generator<Placed> {
  const size = area(points);
  const box = boxOfPoints(points);
  if (!box) return;
  const middle = { x: quantise((box.minX + box.maxX) / 2), y: quantise((box.minY + box.maxY) / 2) };
  if (points.length >= 8) {
    const across = (box.maxX - box.minX + box.maxY - box.minY) / 2;
    yield place({ kind: 'round', diameter: fine(across) }, middle);
  }
  for (const angle of directions(contour)) {
    const turned = boxOfPoints(points.map((p) => turn(p, -angle)));
    if (!turned) continue;
    const [w, h] = [fine(turned.maxX - turned.minX), fine(turned.maxY - turned.minY)];
    const at = turn({ x: (turned.minX + turned.maxX) / 2, y: (turned.minY + turned.maxY) / 2 }, angle);
    const put = (figure: Figure) => place(figure, { x: quantise(at.x), y: quantise(at.y) }, angle);
    yield put(rectangle(w, h));
    const missing = w * h - size;
    if (missing <= 0) continue;
    // what is cut off at four corners of this radius
    const radius = Math.sqrt(missing / (4 - Math.PI));
    const least = Math.min(w, h);
    if (radius > least / 2 - 0.003 && w !== h) yield put({ kind: 'oblong', width: w, height: h });
    if (radius < least / 2) yield put({ kind: 'rectangle', width: w, height: h, radius: fine(radius) });
  }
}

/** To a tenth of a micrometre: what a reckoned size is known to. */
const fine = (length: number): number => quantise(Math.round(length * 1e4) / 1e4);

/** Directions of the longest straight edges, within an eighth of a turn of the axes; the axes where there is none. */
function directions(contour: Contour): number[] {
  const edges = contour
    .map((from, i) => {
      const to = contour[(i + 1) % contour.length] as Vertex;
      return { x: to.x - from.x, y: to.y - from.y, straight: !from.bulge };
    })
    .filter(({ straight }) => straight)
    .map(({ x, y }) => ({ length: Math.hypot(x, y), angle: (Math.atan2(y, x) * 180) / Math.PI }))
    .sort((a, b) => b.length - a.length);
  const found: number[] = [];
  for (const { angle } of edges.slice(0, 4)) {
    const along = Math.round((((((angle + 45) % 90) + 90) % 90) - 45) * 1e6) / 1e6 + 0;
    // edges of whole drawings lie along the axes but for rounding
    const plain = Math.abs(along) < 0.01 ? 0 : along;
    if (!found.some((other) => Math.abs(other - plain) < 0.01)) found.push(plain);
  }
  if (!found.includes(0)) found.push(0);
  return found;
}

/** Corners held against edges at most: what has more is as large as a room, and stays the outline that it is. */
const MOST_HELD = 2_000_000;

/** Whether an outline is a figure: every corner lies on its edge, and both have one area. */
function fits(candidate: Placed, points: readonly Point[], contour: Contour): boolean {
  const edge = flatten(outlineOf(candidate.figure), 0.0005).map((p) => {
    const { x, y } = turn(p, candidate.rotation);
    return { x: x + candidate.at.x, y: y + candidate.at.y };
  });
  const size = areaOf(candidate.figure);
  const share = candidate.figure.kind === 'rectangle' && !candidate.figure.radius ? 1e-4 : 0.02;
  if (Math.abs(size - area(points)) > Math.max(share * size, 1e-9)) return false;
  const corners = [...contour, ...points];
  if (corners.length * edge.length > MOST_HELD) return false;
  return corners.every((p) =>
    edge.some((a, i) => pointToSegment(p, a, edge[(i + 1) % edge.length] as Point) < OFF),
  );
}

/** A figure larger or smaller along each axis, about the origin. */
export function scaledPlaced(placed: Placed, byX: number, byY: number): Placed {
  const outline = byX === byY ? contourOf(placed) : flatten(contourOf(placed), 0.0005);
  return recognised(outline.map((corner) => ({ ...corner, x: corner.x * byX, y: corner.y * byY })));
}
