import type { LegendStyle } from '../document/document';
import type { Finding } from '../document/finding';
import { flatten, type Contour } from '../geometry/contour';
import {
  contourOf,
  freeContour,
  mirrored,
  outlineOf,
  place,
  rectangle,
  type Placed,
} from '../geometry/figure';
import { isHome, putAngle, putPart, putPoint, within, type Placement } from '../geometry/placement';
import { isQuarter, type Point } from '../geometry/point';
import { inflate, type Polygon } from '../geometry/polygon';
import type { Assembly } from '../geometry/solid';
import type { Toleranced } from '../units/toleranced';
import { turnLine, turnSide, type DimensionLine } from './lines';
import type { NameTemplate } from './naming';
import type { Bore, DrawnEdge, KeepOut, MaskWindow, TerminalGroup } from './terminal';

/** Size of the body without its terminals, mm. */
export interface BodyExtent {
  readonly x: Toleranced;
  readonly y: Toleranced;
  /** Underside above the terminals' seating plane (A1). */
  readonly standoff: Toleranced;
  /** Top above the terminals' seating plane (A). */
  readonly height: Toleranced;
  /** Middle of the body where it is not the origin, mm. */
  readonly centre?: Point;
  /** How it is turned, degrees counter-clockwise; x and y are its own axes. */
  readonly rotation?: number;
  /** Nominal outline from above about its middle, where the body is not a rectangle. */
  readonly outline?: Contour;
  /** Nominal diameter of balls that melt and settle, mm; the body comes down with them. */
  readonly collapsing?: number;
  /** What a through-hole part seats on the laminate with; surface-mount parts stand on their lands. */
  readonly mount?: 'through';
}

/** What terminal 1 of a part with a direction is. */
export type Polarity = 'cathode' | 'plus';

/**
 * A package as its datasheet draws it, whoever made it: a family, a composition, or a file that was
 * taken in. Whatever stands above this room knows packages by this value alone. Lengths in mm,
 * z = 0 at the terminals' seating plane.
 */
export interface DrawnPackage {
  /** What kind of package it is, in words. */
  readonly title: string;
  /** The word that IPC-2581 has for it. */
  readonly type: string;
  readonly groups: readonly TerminalGroup[];
  /** Holes for screws and pegs. */
  readonly bores: readonly Bore[];
  readonly keepOuts: readonly KeepOut[];
  /** Openings in the mask beside those of lands. */
  readonly windows?: readonly MaskWindow[];
  readonly edge?: DrawnEdge;
  readonly extent: BodyExtent;
  readonly solids: Assembly;
  readonly lines: readonly DimensionLine[];
  readonly name: NameTemplate;
  /** Whether terminal 1 must be told from the others after assembly. */
  readonly polarised: boolean;
  /** Which end terminal 1 is, for parts with two terminals and a direction. */
  readonly polarity: Polarity | null;
  /** How the legend draws it unless the person chose otherwise. */
  readonly legend: LegendStyle;
  /** Thickness of the leads, which solder climbs; `null` where the package has none. */
  readonly leadThickness: number | null;
  /** What the datasheet's numbers say against each other, and the checks that held. */
  readonly plausibility: Plausibility;
}

/** What checks of the datasheet's numbers found, and those that held. */
export interface Plausibility {
  readonly findings: readonly Finding[];
  readonly held: readonly { readonly id: string; readonly title: string; readonly source: string }[];
}

/** A package placed at an angle of whole quarter turns, as its dimension lines need; heights stay. */
export function placedPackage(drawn: DrawnPackage, placement: Placement): DrawnPackage {
  if (isHome(placement)) return drawn;
  if (!isQuarter(placement.angle) || placement.far)
    throw new RangeError(
      `a package is drawn at quarter turns on the component side, not ${placement.angle}°`,
    );
  const put = <P extends { readonly at: Point; readonly rotation: number }>(item: P): P => ({
    ...item,
    at: putPoint(placement, item.at),
    rotation: putAngle(placement, item.rotation),
  });
  return {
    ...drawn,
    groups: drawn.groups.map((group) => ({ ...group, frame: within(placement, group.frame) })),
    bores: drawn.bores.map((bore) => ({
      ...bore,
      at: putPoint(placement, bore.at),
      ...(bore.shape ? { shape: { ...bore.shape, rotation: putAngle(placement, bore.shape.rotation) } } : {}),
    })),
    keepOuts: drawn.keepOuts.map(put),
    ...(drawn.windows ? { windows: drawn.windows.map(put) } : {}),
    ...(drawn.edge
      ? {
          edge: {
            at: putPoint(placement, drawn.edge.at),
            side: turnSide(drawn.edge.side, placement.angle / 90),
          },
        }
      : {}),
    extent: placedExtent(drawn.extent, placement),
    solids: {
      shapes: drawn.solids.shapes,
      parts: drawn.solids.parts.map((part) => putPart(placement, part, 0)),
    },
    lines: drawn.lines.map((drawnLine) => turnLine(drawnLine, placement.angle / 90)),
  };
}

/** The size of a body where it is placed. */
export function placedExtent(extent: BodyExtent, placement: Placement): BodyExtent {
  const { centre = { x: 0, y: 0 }, rotation = 0, outline } = extent;
  return {
    ...extent,
    centre: putPoint(placement, centre),
    rotation: putAngle(placement, rotation),
    ...(outline && placement.far ? { outline: outlineOf(mirrored(freeContour(outline))) } : {}),
  };
}

/** The body's rectangle seen from above where it stands, at one of its limits. mm */
export function bodyAt(extent: BodyExtent, limit: 'min' | 'nom' | 'max'): Placed {
  const { x, y, centre = { x: 0, y: 0 }, rotation = 0 } = extent;
  return place(rectangle(x[limit], y[limit]), centre, rotation);
}

/**
 * The body's outline seen from above at one of its limits, where it stands: that of a body which is
 * no rectangle grows and shrinks all round. mm
 */
export function bodyShape(extent: BodyExtent, limit: 'min' | 'nom' | 'max'): Polygon {
  const { x, y, outline } = extent;
  if (!outline) return flatten(contourOf(bodyAt(extent, limit)), CHORD);
  const by = Math.max(x[limit] - x.nom, y[limit] - y.nom) / 2;
  const nominal = flatten(bodyOutline(extent), CHORD);
  if (Math.abs(by) < 1e-9) return nominal;
  const [grown] = inflate([nominal], by, 'round');
  return grown ?? nominal;
}

/** Tolerance of chords round round bodies, mm. */
const CHORD = 0.001;

/** The body's outline seen from above at nominal size, where it stands. mm */
export function bodyOutline(extent: BodyExtent): Contour {
  const { x, y, centre = { x: 0, y: 0 }, rotation = 0, outline } = extent;
  const figure = outline ? freeContour(outline) : rectangle(x.nom, y.nom);
  return contourOf(place(figure, centre, rotation));
}
