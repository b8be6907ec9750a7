import type { Contour } from './contour';
import { turn, type Point, type Point3 } from './point';

/**
 * A solid as plain data, in its own coordinates. Renderers mesh it, elevations project it,
 * exporters write it exactly.
 */
export type Shape = Extrusion | Loft | Wire | Revolution;

/** A contour in the shape's XZ plane, swept along Y from −depth/2 to +depth/2. */
export interface Extrusion {
  readonly kind: 'extrusion';
  /** Contour points are (x, z). */
  readonly contour: Contour;
  readonly depth: number;
}

/** Flat horizontal sections joined by straight walls; every section has the same number of corners. */
export interface Loft {
  readonly kind: 'loft';
  readonly sections: readonly { readonly z: number; readonly corners: readonly Point[] }[];
  /** A round hole straight through from the first to the last, inside of all of them. */
  readonly bore?: Bored;
}

/** A round hole that is upright. */
export interface Bored {
  readonly at: Point;
  readonly diameter: number;
}

/** A round wire along a bent line in the shape's XZ plane, such as the lead of a through-hole part. */
export interface Wire {
  readonly kind: 'wire';
  /** Centre line; points are (x, z), no turns of 180°. */
  readonly line: readonly Point[];
  readonly diameter: number;
  /** Radius of the centre line in its bends. */
  readonly bend: number;
}

/** A profile turned about the Z axis. */
export interface Revolution {
  readonly kind: 'revolution';
  /** Points are (radius, z) from the axis round the outside and back to it, upwards. */
  readonly profile: readonly (Point & { readonly bulge?: number })[];
}

/** What a part of the body is made of; decides its colour and whether solder wets it. */
export type Material = 'moulding' | 'ceramic' | 'metal';

/** One placed instance of a shape: turned over where it stands on the far side, turned about Z, then moved. */
export interface Part {
  readonly name: string;
  readonly shape: string;
  readonly material: Material;
  /** `#rrggbb` where it is not that of its material. */
  readonly colour?: string;
  readonly at: Point3;
  /** Degrees counter-clockwise. */
  readonly rotation: number;
  /** Turned over about Y first. */
  readonly flipped?: true;
}

/** How a part stands. */
export type Stand = Pick<Part, 'at' | 'rotation' | 'flipped'>;

/** A point of a shape where its part stands. */
export function standing({ at, rotation, flipped }: Stand, p: Point3): Point3 {
  const { x, y } = turn(flipped ? { x: 0 - p.x, y: p.y } : p, rotation);
  return { x: x + at.x, y: y + at.y, z: (flipped ? 0 - p.z : p.z) + at.z };
}

/** Tells parts of one shape apart by how they are turned. */
export function stanceKey({ shape, rotation, flipped }: Part): string {
  return `${shape} ${rotation}${flipped ? ' over' : ''}`;
}

/** Shapes by name and where they stand; equal parts share one shape. */
export interface Assembly {
  readonly shapes: Readonly<Record<string, Shape>>;
  readonly parts: readonly Part[];
}

/** A rectangular block standing on z = `from`. */
export function block(width: number, depth: number, from: number, to: number): Loft {
  const corners = rectangleCorners(width, depth);
  return {
    kind: 'loft',
    sections: [
      { z: from, corners },
      { z: to, corners },
    ],
  };
}

/** The same with a round hole through it. */
export function bored(loft: Loft, bore: Bored): Loft {
  return { ...loft, bore };
}

/** Corners of a rectangle about the origin, counter-clockwise. */
export function rectangleCorners(width: number, height: number): Point[] {
  const [x, y] = [width / 2, height / 2];
  return [
    { x: -x, y: -y },
    { x, y: -y },
    { x, y },
    { x: -x, y },
  ];
}
