import {
  apart,
  back,
  BrepBuilder,
  closed,
  dot,
  minus,
  normalOf,
  straight,
  type Brep,
  type Curve,
  type Step,
  type Surface,
} from './brep';
import { arcCentre, rounded, type Contour, type Vertex } from './contour';
import { facesOf } from './faces';
import type { Point, Point3 } from './point';
import type { Bored, Extrusion, Loft, Revolution, Shape, Wire } from './solid';

/** The exact boundary of a shape. A wire bent tighter than its own radius is bounded by flat facets. */
export function brepOf(shape: Shape): Brep {
  switch (shape.kind) {
    case 'extrusion':
      return extruded(shape);
    case 'loft':
      return lofted(shape);
    case 'wire':
      return tube(shape) ?? faceted(shape);
    case 'revolution':
      return turned(shape) ?? faceted(shape);
  }
}

const Y: Point3 = { x: 0, y: 1, z: 0 };
const UP: Point3 = { x: 0, y: 0, z: 1 };
const DOWN: Point3 = { x: 0, y: 0, z: -1 };
/** Arcs beyond 135° are halved: their extremes become edges, and no face closes upon itself. */
const WIDEST = Math.tan((0.75 * Math.PI) / 4) + 1e-9;

/** Halves the wide arcs of a line of vertices; the last edge goes back to the first where it is closed. */
function halved(line: readonly Vertex[], isClosed: boolean): Vertex[] {
  return line.flatMap((from, i): Vertex[] => {
    const to = line[i + 1] ?? (isClosed ? line[0] : undefined);
    if (!to || !from.bulge || Math.abs(from.bulge) <= WIDEST) return [from];
    const centre = arcCentre(from, to);
    const angle = 2 * Math.atan(from.bulge);
    const [dx, dy] = [from.x - centre.x, from.y - centre.y];
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    const bulge = Math.tan(angle / 4);
    const middle = { x: centre.x + dx * cos - dy * sin, y: centre.y + dx * sin + dy * cos, bulge };
    return [{ ...from, bulge }, middle];
  });
}

/** An arc in the XZ plane at a depth; its contour is seen along +Y. */
function arcAcross(a: Vertex, b: Point, y: number): Curve {
  if (!a.bulge) return { kind: 'line' };
  const centre = arcCentre(a, b);
  return {
    kind: 'arc',
    centre: { x: centre.x, y, z: centre.y },
    axis: { x: 0, y: a.bulge > 0 ? -1 : 1, z: 0 },
    radius: Math.hypot(a.x - centre.x, a.y - centre.y),
  };
}

function extruded({ contour, depth }: Extrusion): Brep {
  const outline = halved(contour, true);
  const builder = new BrepBuilder();
  const half = depth / 2;
  const at = (p: Point, y: number): Point3 => ({ x: p.x, y, z: p.y });
  const edges = outline.map((a, i) => [a, outline[(i + 1) % outline.length] as Vertex] as const);
  const along = (y: number) =>
    edges.map(([a, b]): Step => ({ from: at(a, y), to: at(b, y), curve: arcAcross(a, b, y) }));
  const [front, far] = [along(-half), along(half)];
  const first = outline[0] as Vertex;
  builder.face({ kind: 'plane', at: at(first, -half), axis: { x: 0, y: -1, z: 0 } }, [front]);
  builder.face({ kind: 'plane', at: at(first, half), axis: Y }, [[...far].reverse().map(back)]);
  edges.forEach(([a, b], i) => {
    const loop = [
      straight(at(a, -half), at(a, half)),
      far[i] as Step,
      straight(at(b, half), at(b, -half)),
      back(front[i] as Step),
    ];
    const { curve } = front[i] as Step;
    if (curve.kind === 'arc') {
      builder.face(
        { kind: 'cylinder', at: curve.centre, axis: Y, radius: curve.radius },
        [loop],
        (a.bulge ?? 0) < 0,
      );
      return;
    }
    const axis = normalOf(loop.map(({ from }) => from));
    if (axis) builder.face({ kind: 'plane', at: at(a, -half), axis }, [loop]);
  });
  return builder.build();
}

/**
 * A plate between two heights, with openings straight through it: arcs stay arcs.
 * @param outlines counter-clockwise; the first is the plate's, the others are its openings
 */
export function plateBrep(outlines: readonly Contour[], low: number, high: number): Brep {
  const builder = new BrepBuilder();
  const rings = outlines.map((outline) => halved(outline, true));
  const at = ({ x, y }: Point, z: number): Point3 => ({ x, y, z });
  const along = (ring: readonly Vertex[], z: number): Step[] =>
    ring.map((a, i) => {
      const b = ring[(i + 1) % ring.length] as Vertex;
      if (!a.bulge) return straight(at(a, z), at(b, z));
      const centre = arcCentre(a, b);
      const radius = Math.hypot(a.x - centre.x, a.y - centre.y);
      const axis = a.bulge > 0 ? UP : DOWN;
      return { from: at(a, z), to: at(b, z), curve: { kind: 'arc', centre: at(centre, z), axis, radius } };
    });
  const turnedBack = (loop: readonly Step[]) => [...loop].reverse().map(back);
  const [tops, bottoms] = [high, low].map((z) => rings.map((ring) => along(ring, z))) as [Step[][], Step[][]];
  const start = (z: number): Point3 => at((rings[0] as Vertex[])[0] as Vertex, z);
  const outer = (loop: Step[], i: number) => (i === 0 ? loop : turnedBack(loop));
  builder.face({ kind: 'plane', at: start(high), axis: UP }, tops.map(outer));
  builder.face(
    { kind: 'plane', at: start(low), axis: DOWN },
    bottoms.map((loop, i) => (i === 0 ? turnedBack(loop) : loop)),
  );
  rings.forEach((ring, k) =>
    ring.forEach((a, i) => {
      const b = ring[(i + 1) % ring.length] as Vertex;
      const [top, bottom] = [tops[k]?.[i] as Step, bottoms[k]?.[i] as Step];
      const round = [bottom, straight(at(b, low), at(b, high)), back(top), straight(at(a, high), at(a, low))];
      const loop = k === 0 ? round : turnedBack(round);
      const { curve } = bottom;
      if (curve.kind === 'arc') {
        // an opening is seen from its inside
        const inwards = (a.bulge ?? 0) < 0 !== k > 0;
        builder.face({ kind: 'cylinder', at: curve.centre, axis: UP, radius: curve.radius }, [loop], inwards);
        return;
      }
      const axis = normalOf(loop.map(({ from }) => from));
      if (axis) builder.face({ kind: 'plane', at: at(a, low), axis }, [loop]);
    }),
  );
  return builder.build();
}

/** Corners further off their plane than this make two triangles of a wall, mm. */
const FLAT = 1e-7;

function lofted({ sections, bore }: Loft): Brep {
  const builder = new BrepBuilder();
  const lifted = sections.map(({ z, corners }) => corners.map(({ x, y }): Point3 => ({ x, y, z })));
  const [bottom, top] = [lifted[0] as Point3[], lifted.at(-1) as Point3[]];
  if (bore) boredEnds(builder, bottom, top, bore);
  else {
    builder.polygon([...bottom].reverse());
    builder.polygon(top);
  }
  for (let k = 1; k < lifted.length; k += 1) {
    const [low, high] = [lifted[k - 1] as Point3[], lifted[k] as Point3[]];
    low.forEach((a, i) => {
      const j = (i + 1) % low.length;
      wall(builder, [a, low[j] as Point3, high[j] as Point3, high[i] as Point3]);
    });
  }
  return builder.build();
}

/** The two ends of a loft that a round hole goes through, and the hole's wall in two halves. */
function boredEnds(
  builder: BrepBuilder,
  bottom: readonly Point3[],
  top: readonly Point3[],
  { at, diameter }: Bored,
): void {
  const radius = diameter / 2;
  const [low, high] = [bottom, top].map((end) => (end[0] as Point3).z) as [number, number];
  const side = (half: 0 | 1, z: number): Point3 => ({
    x: at.x + (half === 0 ? radius : -radius),
    y: at.y,
    z,
  });
  const halfTurnAt = (half: 0 | 1, z: number): Step => ({
    from: side(half, z),
    to: side(half === 0 ? 1 : 0, z),
    curve: { kind: 'arc', centre: { ...at, z }, axis: UP, radius },
  });
  const whole = (z: number) => [halfTurnAt(0, z), halfTurnAt(1, z)];
  const backwards = (loop: readonly Step[]) => [...loop].reverse().map(back);
  builder.face({ kind: 'plane', at: top[0] as Point3, axis: UP }, [closed(top), backwards(whole(high))]);
  builder.face({ kind: 'plane', at: bottom[0] as Point3, axis: DOWN }, [
    backwards(closed(bottom)),
    whole(low),
  ]);
  for (const half of [0, 1] as const) {
    const other = half === 0 ? 1 : 0;
    const loop = [
      straight(side(half, low), side(half, high)),
      halfTurnAt(half, high),
      straight(side(other, high), side(other, low)),
      back(halfTurnAt(half, low)),
    ];
    builder.face({ kind: 'cylinder', at: { ...at, z: low }, axis: UP, radius }, [loop], true);
  }
}

/** A wall by its corners, in triangles where they do not lie in one plane. */
function wall(builder: BrepBuilder, corners: readonly Point3[]): void {
  const distinct = corners.filter((p, i) => apart(p, corners.at(i - 1) as Point3) > FLAT);
  const normal = normalOf(distinct);
  if (!normal) return;
  const flat = distinct.every((p) => Math.abs(dot(minus(p, distinct[0] as Point3), normal)) < FLAT);
  if (flat || distinct.length < 4) builder.polygon(distinct);
  else
    for (let i = 2; i < distinct.length; i += 1)
      builder.polygon([distinct[0], distinct[i - 1], distinct[i]] as Point3[]);
}

/** Flat facets, as the renderers draw them. */
function faceted(shape: Shape): Brep {
  const builder = new BrepBuilder();
  for (const { corners } of facesOf(shape)) wall(builder, corners);
  return builder.build();
}

/** One cross-section of a wire: a circle in two halves, from `outer` over +Y to `inner` and over −Y back. */
interface Ring {
  readonly centre: Point;
  readonly outer: Point3;
  readonly inner: Point3;
  readonly halves: readonly [Step, Step];
}

function ringAt(centre: Point, along: Point, radius: number): Ring {
  const at = (side: number): Point3 => ({
    x: centre.x + along.y * side,
    y: 0,
    z: centre.y - along.x * side,
  });
  const [outer, inner] = [at(radius), at(-radius)];
  const curve: Curve = {
    kind: 'arc',
    centre: at(0),
    axis: { x: along.x, y: 0, z: along.y },
    radius,
  };
  return {
    centre,
    outer,
    inner,
    halves: [
      { from: outer, to: inner, curve },
      { from: inner, to: outer, curve },
    ],
  };
}

/** A bent wire of cylinders and tori; `null` where it has a corner or a bend that is too tight. */
function tube({ line, diameter, bend }: Wire): Brep | null {
  const centre = halved(rounded(line, bend), false);
  const r = diameter / 2;
  const starts: Point[] = [];
  const ends: Point[] = [];
  for (let i = 1; i < centre.length; i += 1) {
    const [a, b] = [centre[i - 1] as Vertex, centre[i] as Vertex];
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const chord = { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
    const half = 2 * Math.atan(a.bulge ?? 0);
    starts.push(turnedBy(chord, -half));
    ends.push(turnedBy(chord, half));
    if (a.bulge && length / 2 / Math.sin(Math.abs(half)) < r * 1.001) return null;
  }
  const corner = starts.some(
    (s, i) => i > 0 && Math.hypot(s.x - ends[i - 1]!.x, s.y - ends[i - 1]!.y) > 1e-6,
  );
  if (corner) return null;
  const rings = centre.map((at, i) => ringAt(at, (starts[i] ?? ends[i - 1]) as Point, r));
  const builder = new BrepBuilder();
  const [first, last] = [rings[0] as Ring, rings.at(-1) as Ring];
  const start = starts[0] as Point;
  const end = ends.at(-1) as Point;
  builder.face({ kind: 'plane', at: first.outer, axis: { x: -start.x, y: 0, z: -start.y } }, [
    [back(first.halves[1]), back(first.halves[0])],
  ]);
  builder.face({ kind: 'plane', at: last.outer, axis: { x: end.x, y: 0, z: end.y } }, [last.halves]);
  for (let i = 1; i < rings.length; i += 1) {
    const [low, high] = [rings[i - 1] as Ring, rings[i] as Ring];
    const a = centre[i - 1] as Vertex;
    const surface = tubeSurface(a, centre[i] as Vertex, starts[i - 1] as Point, r);
    const lengthwise = (from: Point3, to: Point3): Step => {
      if (surface.kind !== 'torus') return straight(from, to);
      const radius = apart(from, surface.at);
      const axis = { x: 0, y: (a.bulge ?? 0) > 0 ? -1 : 1, z: 0 };
      return { from, to, curve: { kind: 'arc', centre: surface.at, axis, radius } };
    };
    const sides = [lengthwise(low.inner, high.inner), lengthwise(low.outer, high.outer)] as const;
    builder.face(surface, [[low.halves[0], sides[0], back(high.halves[0]), back(sides[1])]]);
    builder.face(surface, [[low.halves[1], sides[1], back(high.halves[1]), back(sides[0])]]);
  }
  return builder.build();
}

function tubeSurface(a: Vertex, b: Point, along: Point, minor: number): Surface {
  if (!a.bulge)
    return {
      kind: 'cylinder',
      at: { x: a.x, y: 0, z: a.y },
      axis: { x: along.x, y: 0, z: along.y },
      radius: minor,
    };
  const centre = arcCentre(a, b);
  const major = Math.hypot(a.x - centre.x, a.y - centre.y);
  return { kind: 'torus', at: { x: centre.x, y: 0, z: centre.y }, axis: Y, major, minor };
}

function turnedBy({ x, y }: Point, angle: number): Point {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { x: x * cos - y * sin, y: x * sin + y * cos };
}

/** A profile turned about Z, in two halves; `null` where an arc's torus would run through itself. */
function turned({ profile }: Revolution): Brep | null {
  const line = halved(profile, false);
  const builder = new BrepBuilder();
  for (let i = 1; i < line.length; i += 1) {
    const [p, q] = [line[i - 1] as Vertex, line[i] as Vertex];
    if (p.x < 1e-9 && q.x < 1e-9) continue;
    const surface = turnedSurface(p, q);
    if (!surface) return null;
    if (surface.kind === 'plane') {
      const [outer, inner] = p.x > q.x ? [p, q] : [q, p];
      const ring = ({ x, y }: Point) => (x < 1e-9 ? [] : [halfTurn(x, y, 0), halfTurn(x, y, 1)]);
      const loops = [ring(outer), ring(inner).reverse().map(back)];
      builder.face(surface, p.x > q.x ? loops : loops.map((loop) => [...loop].reverse().map(back)));
      continue;
    }
    for (const half of [0, 1] as const) {
      const from = half * Math.PI;
      const loop = [
        ...(p.x < 1e-9 ? [] : [halfTurn(p.x, p.y, half)]),
        meridian(p, q, from + Math.PI),
        ...(q.x < 1e-9 ? [] : [back(halfTurn(q.x, q.y, half))]),
        back(meridian(p, q, from)),
      ];
      builder.face(surface, [loop], p.bulge ? p.bulge < 0 : q.y < p.y);
    }
  }
  return builder.build();
}

/** Half a circle about Z, counter-clockwise, from angle 0 or from 180°. */
function halfTurn(radius: number, z: number, half: 0 | 1): Step {
  const side = half === 0 ? radius : -radius;
  const curve: Curve = { kind: 'arc', centre: { x: 0, y: 0, z }, axis: UP, radius };
  return { from: { x: side, y: 0, z }, to: { x: -side, y: 0, z }, curve };
}

/** An edge of the profile in the half plane at an angle of 0 or 180°. */
function meridian(p: Vertex, q: Point, angle: number): Step {
  const side = Math.cos(angle) > 0 ? 1 : -1;
  const at = ({ x, y }: Point): Point3 => ({ x: x * side + 0, y: 0, z: y });
  if (!p.bulge) return straight(at(p), at(q));
  const centre = arcCentre(p, q);
  const axis = { x: 0, y: -side * Math.sign(p.bulge), z: 0 };
  const radius = Math.hypot(p.x - centre.x, p.y - centre.y);
  return { from: at(p), to: at(q), curve: { kind: 'arc', centre: at(centre), axis, radius } };
}

function turnedSurface(p: Vertex, q: Point): Surface | null {
  const on = (z: number): Point3 => ({ x: 0, y: 0, z });
  if (p.bulge) {
    const centre = arcCentre(p, q);
    const radius = Math.hypot(p.x - centre.x, p.y - centre.y);
    if (Math.abs(centre.x) < 1e-7) return { kind: 'sphere', at: on(centre.y), axis: UP, radius };
    if (centre.x < radius * 1.001) return null;
    return { kind: 'torus', at: on(centre.y), axis: UP, major: centre.x, minor: radius };
  }
  const [dr, dz] = [q.x - p.x, q.y - p.y];
  if (Math.abs(dz) < 1e-9) return { kind: 'plane', at: on(p.y), axis: dr < 0 ? UP : DOWN };
  if (Math.abs(dr) < 1e-9) return { kind: 'cylinder', at: on(p.y), axis: UP, radius: p.x };
  // a cone opens along its axis; which wall is outside follows from the profile running upwards or down
  const low = dr > 0 === dz > 0 ? UP : DOWN;
  return { kind: 'cone', at: on(p.y), axis: low, radius: p.x, angle: Math.atan(Math.abs(dr / dz)) };
}
