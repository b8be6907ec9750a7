import { flatten } from '../../geometry/contour';
import { contourOf, place, rectangle, type Placed } from '../../geometry/figure';
import { turn, type Point } from '../../geometry/point';
import { area, encloses, subtract, type Polygon } from '../../geometry/polygon';
import { recognised } from '../../given/recognise';
import { fail, ok, type Result } from '../../units/result';

// Aperture macros of films: primitives with variables and arithmetic, put together into one shape.

/** A macro as its film defines it: statements without their ends. */
export type Macro = readonly string[];

/** Chords of a macro's circles lie at most this far off. mm */
const CHORD = 0.0005;
/** Figures of one macro at most. */
const MOST_FIGURES = 500;
/** Corners of an outline at most: the format's own limit. */
const MOST_CORNERS = 5000;

/** One figure of an aperture, with what it leaves free within. */
export interface ApertureFigure {
  readonly placed: Placed;
  readonly openings: readonly Polygon[];
}

/** Outlines of what was united or cut as figures: each with the openings that lie in it. */
export function figuresOf(outlines: readonly Polygon[]): ApertureFigure[] {
  const outer = outlines.filter((outline) => area(outline) > LEAST_AREA);
  const free = outlines.filter((outline) => area(outline) < -LEAST_AREA);
  return outer.map((outline) => ({
    placed: recognised(outline),
    openings: outer.length === 1 ? free : free.filter((opening) => encloses(outline, opening[0] as Point)),
  }));
}

/** What is smaller is left by rounding. mm² */
const LEAST_AREA = 1e-6;

/**
 * The figures of a macro with its values.
 * @param unit mm of the film's unit
 * @returns the figures about its origin, or what of it is not understood
 */
export function macroShape(
  macro: Macro,
  values: readonly number[],
  unit: number,
): Result<readonly ApertureFigure[], string> {
  if (macro.length > MOST_FIGURES)
    return fail(`a macro of ${macro.length} figures (at most ${MOST_FIGURES})`);
  const variables = new Map(values.map((value, i) => [i + 1, value]));
  let shape: Polygon[] = [];
  // figures of one exposure are put together at once
  let waiting: Primitive | null = null;
  const lay = (next: Primitive | null) => {
    if (waiting) shape = waiting.exposed ? added(shape, waiting.polygons) : subtract(shape, waiting.polygons);
    waiting = next;
  };
  for (const statement of macro) {
    if (statement.startsWith('0')) continue;
    const assigned = /^\$(\d+)=(.+)$/.exec(statement);
    if (assigned) {
      const value = evaluate(assigned[2] as string, variables);
      if (value === null) return fail(`“${statement.slice(0, 40)}” in a macro`);
      variables.set(Number(assigned[1]), value);
      continue;
    }
    const fields = statement.split(',').map((field) => evaluate(field, variables));
    if (fields.some((field) => field === null)) return fail(`“${statement.slice(0, 40)}” in a macro`);
    const [code, ...rest] = fields as number[];
    const made = primitive(code ?? -1, rest, unit);
    if (made === null) return fail(`primitive ${code ?? ''} of a macro`);
    const before = waiting as Primitive | null;
    if (before && before.exposed === made.exposed)
      waiting = { exposed: made.exposed, polygons: [...before.polygons, ...made.polygons] };
    else lay(made);
  }
  lay(null);
  const figures = figuresOf(shape);
  return figures.length > 0 ? ok(figures) : fail('a macro without a shape');
}

/** Both together by winding: openings stay open where nothing is laid into them. */
const added = (shape: readonly Polygon[], others: readonly Polygon[]): Polygon[] =>
  subtract([...shape, ...others], []);

/** A polygon counter-clockwise. */
const solid = (polygon: Polygon): Polygon => (area(polygon) < 0 ? [...polygon].reverse() : polygon);

interface Primitive {
  readonly polygons: readonly Polygon[];
  readonly exposed: boolean;
}

function primitive(code: number, v: readonly number[], unit: number): Primitive | null {
  const at = (i: number) => (v[i] ?? 0) * unit;
  const turned = (points: readonly Point[], rotation: number): Polygon =>
    solid(points.map((p) => turn(p, rotation)));
  const flat = (placed: Placed) => flatten(contourOf(placed), CHORD);
  switch (code) {
    case 1: {
      const middle = turn({ x: at(2), y: at(3) }, v[4] ?? 0);
      return { polygons: [flat(place({ kind: 'round', diameter: at(1) }, middle))], exposed: v[0] === 1 };
    }
    case 2:
    case 20: {
      const [from, to] = [
        { x: at(2), y: at(3) },
        { x: at(4), y: at(5) },
      ];
      const long = Math.hypot(to.x - from.x, to.y - from.y);
      const angle = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
      const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
      return {
        polygons: [turned(flat(place(rectangle(long, at(1)), middle, angle)), v[6] ?? 0)],
        exposed: v[0] === 1,
      };
    }
    case 21: {
      const middle = { x: at(3), y: at(4) };
      return {
        polygons: [turned(flat(place(rectangle(at(1), at(2)), middle)), v[5] ?? 0)],
        exposed: v[0] === 1,
      };
    }
    case 22: {
      const middle = { x: at(3) + at(1) / 2, y: at(4) + at(2) / 2 };
      return {
        polygons: [turned(flat(place(rectangle(at(1), at(2)), middle)), v[5] ?? 0)],
        exposed: v[0] === 1,
      };
    }
    case 4: {
      const count = v[1] ?? 0;
      if (!(count >= 2 && count <= MOST_CORNERS)) return null;
      const points = Array.from({ length: count }, (_, i) => ({ x: at(2 + 2 * i), y: at(3 + 2 * i) }));
      return { polygons: [turned(points, v[4 + 2 * count] ?? 0)], exposed: v[0] === 1 };
    }
    case 5: {
      const count = v[1] ?? 0;
      if (!(count >= 3 && count <= 12)) return null;
      return {
        polygons: [turned(regular(count, at(4), { x: at(2), y: at(3) }), v[5] ?? 0)],
        exposed: v[0] === 1,
      };
    }
    case 6:
      return { polygons: moire(v, unit), exposed: true };
    case 7:
      return { polygons: thermal(v, unit), exposed: true };
    default:
      return null;
  }
}

/** Rings round a middle with a cross over them. */
function moire(v: readonly number[], unit: number): Polygon[] {
  const [x = 0, y = 0, outer = 0, ring = 0, gap = 0, most = 0, bar = 0, long = 0] = v
    .slice(0, 8)
    .map((value, i) => (i === 5 ? value : value * unit));
  const disc = (diameter: number) => flatten(contourOf(place({ kind: 'round', diameter }, { x, y })), CHORD);
  let shape: Polygon[] = [];
  for (let i = 0, size = outer; i < Math.min(most, 50) && size > 0; i += 1, size -= 2 * (ring + gap)) {
    const inner = size - 2 * ring;
    shape = added(shape, inner > 0 ? subtract([disc(size)], [disc(inner)]) : [disc(size)]);
  }
  const bars = [rectangle(long, bar), rectangle(bar, long)].map((figure) =>
    flatten(contourOf(place(figure, { x, y })), CHORD),
  );
  return subtract([...shape, ...(bar > 0 && long > 0 ? bars : [])], []).map((polygon) =>
    polygon.map((p) => turn(p, v[8] ?? 0)),
  );
}

/** A ring with four gaps. */
function thermal(v: readonly number[], unit: number): Polygon[] {
  const [x = 0, y = 0, outer = 0, inner = 0, gap = 0] = v.slice(0, 5).map((value) => value * unit);
  const at = { x, y };
  const disc = (diameter: number) => flatten(contourOf(place({ kind: 'round', diameter }, at)), CHORD);
  const bars = [rectangle(2 * outer, gap), rectangle(gap, 2 * outer)].map((figure) =>
    flatten(contourOf(place(figure, at)), CHORD),
  );
  return subtract([disc(outer)], [...(inner > 0 ? [disc(inner)] : []), ...(gap > 0 ? bars : [])]).map(
    (polygon) => polygon.map((p) => turn(p, v[5] ?? 0)),
  );
}

/** A regular polygon by the circle round it, its first corner to the right. */
export function regular(count: number, diameter: number, middle: Point): Polygon {
  return Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count;
    return {
      x: middle.x + (diameter / 2) * Math.cos(angle),
      y: middle.y + (diameter / 2) * Math.sin(angle),
    };
  });
}

/** Arithmetic of macros: numbers, variables, `+ - x /` and brackets; `null` where it is none. */
export function evaluate(text: string, variables: ReadonlyMap<number, number>): number | null {
  const tokens = text.replace(/\s/g, '').match(/\d*\.?\d+|\$\d+|[-+xX/()]|./g) ?? [];
  if (tokens.length > 200) return null;
  let i = 0;
  const factor = (): number | null => {
    const token = tokens[i];
    i += 1;
    if (token === undefined) return null;
    if (token === '-' || token === '+') {
      const value = factor();
      return value === null ? null : token === '-' ? -value : value;
    }
    if (token === '(') {
      const value = sum();
      if (tokens[i] !== ')') return null;
      i += 1;
      return value;
    }
    if (token.startsWith('$')) return variables.get(Number(token.slice(1))) ?? 0;
    const value = Number(token);
    return Number.isFinite(value) ? value : null;
  };
  const product = (): number | null => {
    let value = factor();
    while (value !== null && (tokens[i] === 'x' || tokens[i] === 'X' || tokens[i] === '/')) {
      const sign = tokens[i];
      i += 1;
      const next = factor();
      value =
        next === null || (sign === '/' && next === 0) ? null : sign === '/' ? value / next : value * next;
    }
    return value;
  };
  const sum = (): number | null => {
    let value = product();
    while (value !== null && (tokens[i] === '+' || tokens[i] === '-')) {
      const sign = tokens[i];
      i += 1;
      const next = product();
      value = next === null ? null : sign === '+' ? value + next : value - next;
    }
    return value;
  };
  const value = sum();
  return i === tokens.length && value !== null && Number.isFinite(value) ? value : null;
}
