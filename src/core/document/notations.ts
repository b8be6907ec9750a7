import { boxOfPoints } from '../geometry/box';
import type { Contour } from '../geometry/contour';
import { segmentsCross } from '../geometry/distance';
import { area } from '../geometry/polygon';
import { fail, ok } from '../units/result';
import type { NotationField } from './fields';

/** Places of a via grid by row and column from upper left, such as `1.2 2.1`. */
export const viaPlaces: NotationField<ReadonlySet<string>>['read'] = (text) => {
  const names = text.split(/[\s,;]+/).filter((name) => name !== '');
  const found = names.find((name) => !/^\d{1,2}\.\d{1,2}$/.test(name));
  if (found === undefined) return ok(new Set(names));
  return fail({ found, reason: 'Name places by row and column from upper left, such as 1.2.' });
};

/** Furthest corner of a free contour from its terminal, mm. */
const FURTHEST = 200;
const MOST_CORNERS = 400;

/** Corners as `x,y` in mm, between blanks. */
export const contourCorners: NotationField<Contour>['read'] = (text) => {
  const wrong = (found: string, reason: string) => fail({ found, reason });
  const pairs = text.trim().split(/[\s;]+/);
  if (pairs.length > MOST_CORNERS)
    return wrong(`${pairs.length} corners`, `A contour has at most ${MOST_CORNERS} corners.`);
  const corners: { x: number; y: number }[] = [];
  for (const pair of pairs) {
    const [x = NaN, y = NaN, ...rest] = pair.split(',').map(Number);
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
};

/** Places of a piece by their number, or by row and column, such as `3 5` or `2.3`. */
export const rowPlaces: NotationField<ReadonlySet<string>>['read'] = (text) => {
  const names = text.split(/[\s,;]+/).filter((name) => name !== '');
  const found = names.find((name) => !/^\d{1,4}(\.\d{1,4})?$/.test(name));
  if (found === undefined) return ok(new Set(names));
  return fail({
    found,
    reason: 'Name places by their number, such as 3, or by row and column, such as 2.3.',
  });
};

/** A corner or a place: x, y and a third number where one is written. */
export interface Triple {
  readonly x: number;
  readonly y: number;
  readonly third: number | null;
}

/** Corners or places as `x,y` or `x,y,third`, in mm and degrees, between blanks. */
export const triples: NotationField<readonly Triple[]>['read'] = (text) => {
  const found: Triple[] = [];
  for (const item of text.trim().split(/[\s;]+/)) {
    const [x = NaN, y = NaN, third = null, ...rest] = item.split(',').map(Number);
    if (![x, y, third ?? 0].every(Number.isFinite) || rest.length > 0)
      return fail({ found: item, reason: 'Write x,y with decimal points, such as -0.5,0.25.' });
    if (Math.max(Math.abs(x), Math.abs(y)) > 1000)
      return fail({ found: item, reason: 'It lies at most 1000 mm away: is it meant in mil?' });
    found.push({ x, y, third });
  }
  return ok(found);
};
