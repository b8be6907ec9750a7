import { flatten } from '../../geometry/contour';
import { contourOf, place, rectangle, type Placed } from '../../geometry/figure';
import { turn, type Point } from '../../geometry/point';
import { area, subtract, unite, type Polygon } from '../../geometry/polygon';
import { recognised } from '../../given/recognise';
import { fail, ok, type Result } from '../../units/result';

// Aperture macros of films: primitives with variables and arithmetic, put together into one shape.

/** A macro as its film defines it: statements without their ends. */
export type Macro = readonly string[];

/** Chords of a macro's circles lie at most this far off. mm */
const CHORD = 0.0005;
/** Corners of an outline at most: the format's own limit. */
const MOST_CORNERS = 5000;

/**
 * The shape of a macro with its values.
 * @param unit mm of the film's unit
 * @returns the shape about its origin, or what of it is not understood
 */
export function macroShape(macro: Macro, values: readonly number[], unit: number): Result<Placed, string> {
  const variables = new Map(values.map((value, i) => [i + 1, value]));
  let shape: Polygon[] = [];
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
    shape = made.exposed ? unite([...shape, made.polygon]) : subtract(shape, [made.polygon]);
  }
  const [outer, ...others] = shape.sort((a, b) => area(b) - area(a));
  if (!outer || area(outer) <= 1e-9) return fail('a macro without a shape');
  if (others.some((other) => Math.abs(area(other)) > 1e-6))
    return fail('a macro with a hole or of several parts');
  return ok(recognised(outer));
}

interface Primitive {
  readonly polygon: Polygon;
  readonly exposed: boolean;
}

function primitive(code: number, v: readonly number[], unit: number): Primitive | null {
  const at = (i: number) => (v[i] ?? 0) * unit;
  const turned = (points: readonly Point[], rotation: number): Polygon =>
    points.map((p) => turn(p, rotation));
  const flat = (placed: Placed) => flatten(contourOf(placed), CHORD);
  switch (code) {
    case 1: {
      const middle = turn({ x: at(2), y: at(3) }, v[4] ?? 0);
      return { polygon: flat(place({ kind: 'round', diameter: at(1) }, middle)), exposed: v[0] === 1 };
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
        polygon: turned(flat(place(rectangle(long, at(1)), middle, angle)), v[6] ?? 0),
        exposed: v[0] === 1,
      };
    }
    case 21: {
      const middle = { x: at(3), y: at(4) };
      return {
        polygon: turned(flat(place(rectangle(at(1), at(2)), middle)), v[5] ?? 0),
        exposed: v[0] === 1,
      };
    }
    case 22: {
      const middle = { x: at(3) + at(1) / 2, y: at(4) + at(2) / 2 };
      return {
        polygon: turned(flat(place(rectangle(at(1), at(2)), middle)), v[5] ?? 0),
        exposed: v[0] === 1,
      };
    }
    case 4: {
      const count = v[1] ?? 0;
      if (!(count >= 2 && count <= MOST_CORNERS)) return null;
      const points = Array.from({ length: count }, (_, i) => ({ x: at(2 + 2 * i), y: at(3 + 2 * i) }));
      return { polygon: turned(points, v[4 + 2 * count] ?? 0), exposed: v[0] === 1 };
    }
    case 5: {
      const count = v[1] ?? 0;
      if (!(count >= 3 && count <= 12)) return null;
      return {
        polygon: turned(regular(count, at(4), { x: at(2), y: at(3) }), v[5] ?? 0),
        exposed: v[0] === 1,
      };
    }
    default:
      return null;
  }
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
