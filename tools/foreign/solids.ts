// Pieces that foreign models are put together from, by a kernel that Tapis does not use otherwise.
import {
  cast,
  compoundShapes,
  draw,
  getOC,
  makeBox,
  makeCylinder,
  makeSphere,
  type AnyShape,
  type Face,
  type Shape3D,
} from 'replicad';

/** A piece of a model as its file is to hold it. */
export interface Piece {
  readonly shape: AnyShape;
  /** Faces with a colour of their own. */
  readonly faces?: { readonly color: string; readonly are: (face: Face) => boolean };
  readonly name?: string;
  readonly color?: string;
}

/** A box round a middle, from one height to another. mm */
export const slab = (width: number, length: number, bottom: number, top: number, x = 0, y = 0): Shape3D =>
  makeBox([x - width / 2, y - length / 2, bottom], [x + width / 2, y + length / 2, top]);

/** A polygon of the X-Z plane, as thick as given about a Y. Corners may be followed by the bulge to the next one. */
export function plate(
  profile: readonly (readonly [number, number, number?])[],
  thick: number,
  y = 0,
): Shape3D {
  const [[x0, z0]] = profile as [readonly [number, number, number?]];
  const pen = draw([x0, z0]);
  profile.forEach(([, , bulge], i) => {
    const [x, z] = profile[(i + 1) % profile.length] as readonly [number, number, number?];
    if (bulge) pen.sagittaArcTo([x, z], -bulge);
    else if (i + 1 < profile.length) pen.lineTo([x, z]);
  });
  const solid = pen.close().sketchOnPlane('XZ').extrude(thick) as Shape3D;
  return solid.translate(0, y + thick / 2, 0);
}

/** What a gull-wing lead to the right is made of. mm, degrees */
export interface GullLead {
  /** Tip, foot length, width, thickness. */
  readonly tip: number;
  readonly foot: number;
  readonly b: number;
  readonly c: number;
  /** Middle height of where it leaves the body, and how far inside of it it begins. */
  readonly shoulder: number;
  readonly inside: number;
  /** How the foot rises towards the toe. */
  readonly slope?: number;
  /** How far its underside bulges down between heel and toe. */
  readonly bulge?: number;
}

/** A gull-wing lead to the right, with its lowest point at 0. */
export function gullLead(
  { tip, foot, b, c, shoulder, inside, slope = 0, bulge = 0 }: GullLead,
  y = 0,
): Shape3D {
  const rise = foot * Math.tan((slope * Math.PI) / 180);
  const low = Math.max(0, bulge) + Math.max(0, -rise);
  const [heel, toe] = [low, low + rise];
  const knee = tip - foot;
  return plate(
    [
      [knee, heel, bulge],
      [tip, toe],
      [tip, toe + c],
      [knee + c, heel + c],
      [knee + c * 0.6, shoulder + c / 2],
      [inside, shoulder + c / 2],
      [inside, shoulder - c / 2],
      [knee - c * 0.4, shoulder - c / 2],
    ],
    b,
    y,
  );
}

/** The same on the other side: turned by half about Z. */
export const opposite = (shape: Shape3D): Shape3D => shape.rotate(180, [0, 0, 0], [0, 0, 1]);

/** Turned about Z, counter-clockwise. */
export const turned = (shape: Shape3D, degrees: number): Shape3D =>
  shape.rotate(degrees, [0, 0, 0], [0, 0, 1]);

/** A straight wire between points, with balls at its bends. */
export function wire(points: readonly (readonly [number, number, number])[], radius: number): Shape3D {
  const pieces = points.slice(1).map((to, i): Shape3D => {
    const from = points[i] as readonly [number, number, number];
    const way = to.map((v, k) => v - (from[k] as number)) as [number, number, number];
    const run = makeCylinder(radius, Math.hypot(...way), [...from], way) as Shape3D;
    return i === 0 ? run : run.fuse(makeSphere(radius).translate(...from) as Shape3D);
  });
  return united(pieces);
}

/** One solid of several. */
export function united(shapes: readonly Shape3D[]): Shape3D {
  const [first, ...rest] = shapes as [Shape3D, ...Shape3D[]];
  return rest.reduce((whole, shape) => whole.fuse(shape), first);
}

/** One solid whose faces stay apart where the pieces met. */
export function grown(shapes: readonly Shape3D[]): Shape3D {
  const oc = getOC();
  return shapes.reduce((whole, shape) => {
    const fuse = new oc.BRepAlgoAPI_Fuse(whole.wrapped, shape.wrapped);
    fuse.Build();
    return cast(fuse.Shape()) as Shape3D;
  });
}

/** Several in one product, not united. */
export const together = (shapes: readonly AnyShape[]): AnyShape => compoundShapes([...shapes]);

/** An upright cylinder. */
export const post = (diameter: number, bottom: number, top: number, x = 0, y = 0): Shape3D =>
  makeCylinder(diameter / 2, top - bottom, [x, y, bottom], [0, 0, 1]);

/** Places of a row about its middle. */
export const row = (count: number, step: number): number[] =>
  Array.from({ length: count }, (_, i) => (i - (count - 1) / 2) * step);
