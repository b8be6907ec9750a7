import { boxOfPoints } from '../geometry/box';
import { backwards, flatten, type Contour, type Vertex } from '../geometry/contour';
import { segmentsCross } from '../geometry/distance';
import type { Point } from '../geometry/point';
import { area, type Polyline } from '../geometry/polygon';
import { MM_PER, quantise, type LengthUnit } from '../units/length';
import { listed } from '../units/listed';
import { fail, ok } from '../units/result';
import type { NotationField } from './fields';

/** Places of a via grid by row and column from upper left, such as `1.2 2.1`. */
export const viaPlaces: NotationField<ReadonlySet<string>>['read'] = (text) => {
  const names = listed(text, 'a place');
  if (!names.ok) return fail({ found: text, reason: names.error });
  const found = names.value.find((name) => !/^\d{1,2}\.\d{1,2}$/.test(name));
  if (found === undefined) return ok(new Set(names.value));
  return fail({ found, reason: 'Name places by row and column from upper left, such as 1.2.' });
};

/** Furthest corner of a free contour from its terminal, mm. */
const FURTHEST = 200;
const MOST_CORNERS = 400;

/** Corners as `x,y` in mm, between blanks. */
export const contourCorners: NotationField<Contour>['read'] = (text) => cornersOf(text, 1);

/** The same in the unit of the datasheet, or in the one that stands behind them all. */
export const drawnCorners: NotationField<Contour>['read'] = (text, unit) => {
  const { numbers, factor } = measured(text, unit);
  return cornersOf(numbers, factor);
};

/** Numbers, and the factor that makes mm of them: a unit behind them all goes before that of the datasheet. */
function measured(text: string, unit: LengthUnit): { readonly numbers: string; readonly factor: number } {
  const [, numbers = '', own] = /^(.*?)\s*(mm|mil|in)?\s*$/is.exec(text) ?? [];
  return { numbers, factor: MM_PER[(own?.toLowerCase() as LengthUnit | undefined) ?? unit] };
}

/** Corners of a board as `x,y` or `x,y,bulge`, between blanks; counter-clockwise as they come out. */
export const boardCorners: NotationField<Contour>['read'] = (text, unit) => {
  const read = triplesOf(text, unit, false);
  if (!read.ok) return read;
  const corners = read.value.map(({ x, y, third }): Vertex => ({ x, y, ...(third ? { bulge: third } : {}) }));
  const wrong = (reason: string) => fail({ found: text.slice(0, 60), reason });
  if (corners.length > MOST_CORNERS) return wrong(`An outline has at most ${MOST_CORNERS} corners.`);
  if (corners.some(({ bulge = 0 }) => Math.abs(bulge) > 1))
    return wrong('A bulge is between -1 and 1: an arc of at most half a circle.');
  if (corners.length < 2 || (corners.length < 3 && corners.every(({ bulge }) => !bulge)))
    return wrong('An outline has three corners or more, or arcs.');
  const polygon = flatten(corners, 0.01);
  const crossed = crossingOf(polygon);
  if (crossed) return wrong(`The outline crosses itself near ${crossed.x}, ${crossed.y}.`);
  const size = area(polygon);
  if (Math.abs(size) < 1) return wrong('The outline has no area.');
  return ok(size > 0 ? corners : backwards(corners));
};

/** Where edges of a polygon cross that are not neighbours; `null` where none do. */
function crossingOf(corners: readonly Point[]): Point | null {
  const edge = (i: number) => [corners[i]!, corners[(i + 1) % corners.length]!] as const;
  for (let i = 0; i < corners.length; i += 1)
    for (let j = i + 1; j < corners.length; j += 1)
      if (segmentsCross(...edge(i), ...edge(j))) return edge(j)[0];
  return null;
}

/** Closed outlines of corners as `x,y` in mm about a terminal, parted by bars. */
export const contourAreas: NotationField<readonly Contour[]>['read'] = (text) => {
  const areas: Contour[] = [];
  for (const part of text.split('|')) {
    const area = cornersOf(part, 1);
    if (!area.ok) return area;
    areas.push(area.value);
  }
  return ok(areas);
};

/** Open lines of corners as `x,y`, parted by bars. */
export const drawnLines: NotationField<readonly Polyline[]>['read'] = (text, unit) => {
  const { numbers, factor } = measured(text, unit);
  const lines: Polyline[] = [];
  for (const part of numbers.split('|')) {
    const line: Point[] = [];
    for (const pair of part.trim().split(/[\s;]+/)) {
      const [x = NaN, y = NaN, ...rest] = pair.split(',').map((word) => quantise(Number(word) * factor));
      if (!Number.isFinite(x) || !Number.isFinite(y) || rest.length > 0)
        return fail({
          found: pair,
          reason: 'A corner is written x,y with decimal points, such as -0.5,0.25.',
        });
      if (Math.max(Math.abs(x), Math.abs(y)) > 1000)
        return fail({ found: pair, reason: 'It lies at most 1000 mm away: is it meant in mil?' });
      line.push({ x, y });
    }
    lines.push(line);
  }
  return ok(lines);
};

function cornersOf(text: string, factor: number): ReturnType<NotationField<Contour>['read']> {
  const wrong = (found: string, reason: string) => fail({ found, reason });
  const pairs = text.trim().split(/[\s;]+/);
  if (pairs.length > MOST_CORNERS)
    return wrong(`${pairs.length} corners`, `A contour has at most ${MOST_CORNERS} corners.`);
  const corners: { x: number; y: number }[] = [];
  for (const pair of pairs) {
    const [x = NaN, y = NaN, ...rest] = pair.split(',').map((word) => quantise(Number(word) * factor));
    if (!Number.isFinite(x) || !Number.isFinite(y) || rest.length > 0)
      return wrong(pair, 'A corner is written x,y with decimal points, such as -0.5,0.25.');
    if (Math.max(Math.abs(x), Math.abs(y)) > FURTHEST)
      return wrong(pair, `A corner lies at most ${FURTHEST} mm from its terminal: is it meant in mil?`);
    corners.push({ x, y });
  }
  if (corners.length < 3) return wrong(text, 'A contour has three corners or more.');
  const edge = (i: number) => [corners[i]!, corners[(i + 1) % corners.length]!] as const;
  for (let i = 0; i < corners.length; i += 1) {
    for (let j = i + 1; j < corners.length; j += 1) {
      if (segmentsCross(...edge(i), ...edge(j)))
        return wrong(text, `Edges ${i + 1} and ${j + 1} cross each other.`);
    }
  }
  const size = area(corners);
  if (!boxOfPoints(corners) || Math.abs(size) < 1e-4) return wrong(text, 'The contour has no area.');
  return ok(size > 0 ? corners : corners.reverse());
}

/** Places of a piece by their number, or by row and column, such as `3 5` or `2.3`. */
export const rowPlaces: NotationField<ReadonlySet<string>>['read'] = (text) => {
  const names = listed(text, 'a place');
  if (!names.ok) return fail({ found: text, reason: names.error });
  const found = names.value.find((name) => !/^\d{1,4}(\.\d{1,4})?$/.test(name));
  if (found === undefined) return ok(new Set(names.value));
  return fail({
    found,
    reason: 'Name places by their number, such as 3, or by row and column, such as 2.3.',
  });
};

/** A corner or a place: x, y and further numbers where they are written. */
export interface Triple {
  readonly x: number;
  readonly y: number;
  readonly third: number | null;
  readonly fourth?: number;
}

/** Places as `x,y` or `x,y,angle` in degrees, between blanks; a profile's corners with their bulges. */
export const drawnPlaces: NotationField<readonly Triple[]>['read'] = (text, unit) =>
  triplesOf(text, unit, false);

/** Vias as `x,y`, `x,y,hole` or `x,y,hole,land`, between blanks. */
export const drawnVias: NotationField<readonly Triple[]>['read'] = (text, unit) =>
  triplesOf(text, unit, true);

/** @param isLength whether the third number is a length too */
function triplesOf(
  text: string,
  unit: LengthUnit,
  isLength: boolean,
): ReturnType<NotationField<readonly Triple[]>['read']> {
  const { numbers, factor } = measured(text, unit);
  const found: Triple[] = [];
  for (const item of numbers.trim().split(/[\s;]+/)) {
    const [a = NaN, b = NaN, last = null, land, ...rest] = item.split(',').map(Number);
    const [x, y] = [quantise(a * factor), quantise(b * factor)];
    const third = last !== null && isLength ? quantise(last * factor) : last;
    const fourth = land === undefined ? undefined : quantise(land * factor);
    const isWhole = rest.length === 0 && (isLength || fourth === undefined);
    if (![x, y, third ?? 0, fourth ?? 0].every(Number.isFinite) || !isWhole)
      return fail({ found: item, reason: 'Write x,y with decimal points, such as -0.5,0.25.' });
    if (Math.max(Math.abs(x), Math.abs(y)) > 1000)
      return fail({ found: item, reason: 'It lies at most 1000 mm away: is it meant in mil?' });
    found.push({ x, y, third, ...(fourth === undefined ? {} : { fourth }) });
  }
  return ok(found);
}
