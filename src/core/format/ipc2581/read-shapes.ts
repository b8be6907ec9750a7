import type { Contour, Vertex } from '../../geometry/contour';
import { flatten, flattenOpen } from '../../geometry/contour';
import {
  circleAt,
  contourFigure,
  contourOf as contourAt,
  outlineOf,
  place,
  rectangle,
  type Corner,
  type Figure,
  type Placed,
} from '../../geometry/figure';
import { HOME, putPlaced, type Placement } from '../../geometry/placement';
import { fullTurn, type Point } from '../../geometry/point';
import { area, type Polygon, type Polyline } from '../../geometry/polygon';
import { undrilled, withOpenings } from '../../given/openings';
import { recognised, scaledPlaced } from '../../given/recognise';
import { quantise } from '../../units/length';
import { all, everywhere, one, type XmlNode } from '../xml-tree';

// Shapes of an IPC-2581 file: the standard's primitives, sets of them, contours and lines, by reference to the
// file's dictionaries or where they stand. All come out in mm about their own origin.

/** mm of the standard's units, and of words that others write in their place. */
const UNITS: Readonly<Record<string, number>> = { MILLIMETER: 1, MICRON: 0.001, INCH: 25.4 };
const OTHER_UNITS: Readonly<Record<string, number>> = {
  MM: 1,
  MILLIMETERS: 1,
  MILLIMETRE: 1,
  MICRONS: 0.001,
  MICROMETER: 0.001,
  UM: 0.001,
  NM: 1e-6,
  NANOMETER: 1e-6,
  CM: 10,
  CENTIMETER: 10,
  MIL: 0.0254,
  MILS: 0.0254,
  THOU: 0.0254,
  IN: 25.4,
  INCHES: 25.4,
};

/** What shapes are read with. */
export interface ShapeReader {
  readonly mm: (text: string | undefined) => number;
  /** The figures of what stands in a node: primitives, references and sets. */
  /** @param drilled diameter of the hole that is drilled through their middle, mm: what is open there is none of the shape */
  readonly figures: (node: XmlNode, drilled?: number) => readonly Placed[];
  /** Stroked lines of a node, with their width. */
  readonly lines: (node: XmlNode) => readonly { readonly points: Polyline; readonly width: number }[];
  /** What was not understood, and how often. */
  readonly left: ReadonlyMap<string, number>;
}

/** mm of a unit; `null` where it is none that is known. */
export function unitFactor(node: XmlNode | undefined): number | null {
  const units = node?.attributes['units']?.trim().toUpperCase();
  return units === undefined ? null : (UNITS[units] ?? OTHER_UNITS[units] ?? null);
}

/** The word of a unit that is not the standard's; `null` where it is. */
export function foreignUnit(node: XmlNode | undefined): string | null {
  const units = node?.attributes['units']?.trim();
  return units === undefined || UNITS[units.toUpperCase()] !== undefined ? null : units;
}

/** A reader of shapes over a file's dictionaries. @param factor mm of the file's unit */
export function shapeReader(root: XmlNode, factor: number): ShapeReader {
  const entries = new Map<string, { readonly node: XmlNode; readonly factor: number }>();
  const widths = new Map<string, number>();
  for (const dictionary of ['Standard', 'User', 'LineDesc'])
    for (const node of everywhere(root, `Dictionary${dictionary}`)) {
      const own = unitFactor(node) ?? factor;
      for (const entry of all(node, `Entry${dictionary}`)) {
        const { id = '' } = entry.attributes;
        if (dictionary === 'LineDesc')
          widths.set(id, Number(one(entry, 'LineDesc')?.attributes['lineWidth']) * own);
        // standard and user primitives have names of their own
        else entries.set(`${dictionary} ${id}`, { node: entry, factor: own });
      }
    }
  const left = new Map<string, number>();
  const leave = (what: string) => left.set(what, (left.get(what) ?? 0) + 1);

  let budget = MOST_FIGURES;
  const figuresOf = (node: XmlNode, unit: number, depth: number, drilled: number): Placed[] => {
    if (depth > DEEPEST || budget < 0) {
      leave(depth > DEEPEST ? 'a shape within shapes too deep' : 'a shape beyond the first 60,000');
      return [];
    }
    const within = placementOf(node, unit);
    const found = node.children.flatMap((child): Placed[] => {
      const kind = /^(Standard|User)PrimitiveRef$/.exec(child.name)?.[1];
      if (kind) {
        const entry = entries.get(`${kind} ${child.attributes['id'] ?? ''}`);
        if (entry) return figuresOf(entry.node, entry.factor, depth + 1, drilled);
        leave(`a shape “${child.attributes['id'] ?? ''}” that the file does not have`);
        return [];
      }
      if (child.name === 'UserSpecial' || child.name === 'Feature')
        return figuresOf(child, unit, depth + 1, drilled);
      const made = primitive(child, unit);
      if (made === 'unknown') leave(child.name);
      if (made === null && !BESIDE.has(child.name)) leave(`a ${child.name} without a size`);
      if (made === null || made === 'unknown') return [];
      budget -= 1;
      const open = undrilled(OPEN_WITHIN[child.name]?.(child, unit) ?? [], [circleAt(HOME.at, drilled)]);
      const cut = open.length === 0 ? made : drilled > 0 ? null : withOpenings(made, open);
      if (!cut) leave('an opening in copper, which is taken as solid');
      return [cut ?? made];
    });
    const scale = scaleOf(node);
    const sized = scale === 1 ? found : found.map((one) => scaledPlaced(one, scale, scale));
    return within ? sized.map((one) => putPlaced(within, one)) : sized;
  };

  const linesOf = (node: XmlNode, unit: number, depth: number): { points: Polyline; width: number }[] => {
    if (depth > DEEPEST || budget < 0) {
      leave(depth > DEEPEST ? 'a line within lines too deep' : 'a line beyond the first 60,000 shapes');
      return [];
    }
    budget -= 1;
    const scale = scaleOf(node);
    const made = node.children.flatMap((child) => {
      const kind = /^UserPrimitiveRef$/.test(child.name) ? 'User' : null;
      if (kind) {
        const entry = entries.get(`User ${child.attributes['id'] ?? ''}`);
        return entry ? linesOf(entry.node, entry.factor, depth + 1) : [];
      }
      if (child.name === 'UserSpecial' || child.name === 'Features' || child.name === 'Outline')
        return linesOf(child, unit, depth + 1);
      const points = lineOf(child, unit);
      if (!points) return [];
      return [{ points, width: widthOf(child, unit) ?? widthOf(node, unit) ?? 0 }];
    });
    if (scale === 1) return made;
    return made.map(({ points, width }) => ({
      points: points.map(({ x, y }) => ({ x: quantise(x * scale), y: quantise(y * scale) })),
      width: quantise(width * scale),
    }));
  };
  const widthOf = (node: XmlNode, unit: number): number | undefined => {
    const own = Number(one(node, 'LineDesc')?.attributes['lineWidth']) * unit;
    const named = widths.get(one(node, 'LineDescRef')?.attributes['id'] ?? '');
    return Number.isFinite(own) ? quantise(own) : named === undefined ? undefined : quantise(named);
  };
  return {
    mm: (text) => lengthOf(text, factor),
    figures: (node, drilled = 0) => figuresOf(node, factor, 0, drilled),
    lines: (node) => linesOf(node, factor, 0),
    left,
  };
}

/** How deep references may lead to each other, and how many figures a file may come to. */
const DEEPEST = 12;
const MOST_FIGURES = 60_000;

/** Corners of one outline. */
const MOST_CORNERS = 20_000;

/** What is free within shapes that are open. */
const OPEN_WITHIN: Readonly<Record<string, (node: XmlNode, unit: number) => readonly Polygon[]>> = {
  Contour: (node, unit) =>
    all(node, 'Cutout').flatMap((cutout) => {
      const contour = contourOf(cutout, unit);
      return contour ? [flatten(contour)] : [];
    }),
  Donut: ({ attributes }, unit) => {
    const inner = lengthOf(attributes['innerDiameter'], unit);
    const isSquare = attributes['shape'] === 'SQUARE';
    const placed = isSquare
      ? place(rectangle(inner, inner), { x: 0, y: 0 })
      : circleAt({ x: 0, y: 0 }, inner);
    return inner > 0 ? [flatten(contourAt(placed))] : [];
  },
};

const lengthOf = (text: string | undefined, unit: number): number => {
  const value = Number(text ?? 0);
  return Number.isFinite(value) ? quantise(value * unit) : 0;
};

/** How many times larger what stands in a node is drawn. */
export function scaleOf(node: XmlNode): number {
  const scale = Number(one(node, 'Xform')?.attributes['scale'] ?? 1);
  return Number.isFinite(scale) && scale > 0 ? scale : 1;
}

/** How what stands in a node is turned, mirrored and moved; `null` where it is not. */
export function placementOf(node: XmlNode, unit: number): Placement | null {
  const [xform, location] = [one(node, 'Xform'), one(node, 'Location')];
  if (!xform && !location) return null;
  const by = (text: string | undefined) => lengthOf(text, unit);
  const { xOffset, yOffset, rotation, mirror } = xform?.attributes ?? {};
  return {
    at: {
      x: quantise(by(location?.attributes['x']) + by(xOffset)),
      y: quantise(by(location?.attributes['y']) + by(yOffset)),
    },
    angle: fullTurn(Number(rotation ?? 0) || 0),
    far: mirror === 'true' || mirror === '1',
  };
}

/** Names of a node that are no shapes. */
const BESIDE = new Set([
  'Xform',
  'Location',
  'PinRef',
  'LineDesc',
  'LineDescRef',
  'FillDesc',
  'FillDescRef',
  'NonstandardAttribute',
  'SpecRef',
  'ColorRef',
  'Color',
  'Span',
  'Polyline',
  'Line',
  'Arc',
  'Outline',
]);

/** One of the standard's primitives; `null` for what is none, or has no size. */
function primitive({ name, attributes, children }: XmlNode, unit: number): Placed | 'unknown' | null {
  if (BESIDE.has(name)) return null;
  const size = (key: string) => lengthOf(attributes[key], unit);
  const [width, height] = [size('width'), size('height')];
  const centred = (figure: Figure, isThere = width > 0 && height > 0) =>
    isThere ? place(figure, CENTRE) : null;
  switch (name) {
    case 'Circle': {
      const diameter = size('diameter');
      return centred({ kind: 'round', diameter }, diameter > 0);
    }
    case 'Oval':
      return centred(
        width === height ? { kind: 'round', diameter: width } : { kind: 'oblong', width, height },
      );
    case 'RectCenter':
      return centred(rectangle(width, height));
    case 'RectCorner': {
      const [left, low, right, high] = ['lowerLeftX', 'lowerLeftY', 'upperRightX', 'upperRightY'].map(
        size,
      ) as [number, number, number, number];
      if (right <= left || high <= low) return null;
      const at = { x: quantise((left + right) / 2), y: quantise((low + high) / 2) };
      return place(rectangle(quantise(right - left), quantise(high - low)), at);
    }
    case 'RectRound':
      return centred(cut(width, height, 'radius', size('radius'), attributes));
    case 'RectCham':
      return centred(cut(width, height, 'chamfer', size('chamfer'), attributes));
    case 'Diamond': {
      const [x, y] = [width / 2, height / 2];
      return width > 0 && height > 0
        ? recognised([
            { x: -x, y: 0 },
            { x: 0, y: -y },
            { x, y: 0 },
            { x: 0, y },
          ])
        : null;
    }
    case 'Contour': {
      if (children.some((child) => child.children.length > MOST_CORNERS)) return 'unknown';
      const polygon = contourOf(
        children.find((child) => child.name === 'Polygon'),
        unit,
      );
      return polygon && recognised(polygon);
    }
    case 'Ellipse':
      return width > 0 && height > 0
        ? recognised(
            corners(ELLIPSE_CORNERS, (angle) => [
              (width / 2) * Math.cos(angle),
              (height / 2) * Math.sin(angle),
            ]),
          )
        : null;
    case 'Hexagon':
    case 'Octagon': {
      const across = size('length') / 2;
      const count = name === 'Hexagon' ? 6 : 8;
      return across > 0
        ? recognised(corners(count, (angle) => [across * Math.cos(angle), across * Math.sin(angle)]))
        : null;
    }
    case 'Triangle': {
      const [base, tall] = [size('base'), size('height')];
      return base > 0 && tall > 0
        ? recognised([
            { x: -base / 2, y: -tall / 2 },
            { x: base / 2, y: -tall / 2 },
            { x: 0, y: tall / 2 },
          ])
        : null;
    }
    case 'Donut': {
      const across = size('outerDiameter');
      const shape = attributes['shape'] ?? 'ROUND';
      if (!(across > 0) || !/^(ROUND|SQUARE)$/i.test(shape)) return across > 0 ? 'unknown' : null;
      return centred(
        /^ROUND$/i.test(shape) ? { kind: 'round', diameter: across } : rectangle(across, across),
        true,
      );
    }
    case 'Polygon': {
      if (children.length > MOST_CORNERS) return 'unknown';
      const polygon = contourOf({ name, attributes, children }, unit);
      return polygon && recognised(polygon);
    }
    default:
      return 'unknown';
  }
}

/** Corners that an ellipse is taken with. */
const ELLIPSE_CORNERS = 96;
const corners = (count: number, at: (angle: number) => readonly [number, number]): Point[] =>
  Array.from({ length: count }, (_, i) => {
    const [x, y] = at((2 * Math.PI * i) / count);
    return { x, y };
  });

const CENTRE: Point = { x: 0, y: 0 };
const CORNERS: readonly (readonly [Corner, string])[] = [
  ['lower-left', 'lowerLeft'],
  ['lower-right', 'lowerRight'],
  ['upper-right', 'upperRight'],
  ['upper-left', 'upperLeft'],
];

/** A rectangle whose corners are rounded or cut, those that say so; all where none says anything. */
function cut(
  width: number,
  height: number,
  by: 'radius' | 'chamfer',
  size: number,
  attributes: XmlNode['attributes'],
): Figure {
  const said = CORNERS.some(([, name]) => attributes[name] !== undefined);
  const corners = CORNERS.filter(([, name]) => !said || /^(true|1)$/i.test(attributes[name] ?? '')).map(
    ([corner]) => corner,
  );
  if (size <= 0 || corners.length === 0) return rectangle(width, height);
  if (by === 'chamfer') return { kind: 'rectangle', width, height, chamfer: { size, corners } };
  if (corners.length === 4)
    return { kind: 'rectangle', width, height, radius: Math.min(size, width / 2, height / 2) };
  // some corners round: the outline of a chamfer, its cuts bent to quarter circles
  const chamfered = outlineOf({ kind: 'rectangle', width, height, chamfer: { size, corners } });
  const bent = chamfered.map((from, i): Vertex => {
    const to = chamfered[(i + 1) % chamfered.length] as Vertex;
    const slants = Math.abs(to.x - from.x) > 1e-9 && Math.abs(to.y - from.y) > 1e-9;
    return slants ? { x: from.x, y: from.y, bulge: Math.tan(Math.PI / 8) } : { x: from.x, y: from.y };
  });
  return contourFigure(bent).figure;
}

/** The corners of a polygon with its arcs; `null` where they enclose nothing. */
export function contourOf(node: XmlNode | undefined, unit: number): Contour | null {
  if (!node) return null;
  if (node.children.length > MOST_CORNERS) return null;
  const corners = stepsOf(node, unit);
  const [first, last] = [corners[0], corners.at(-1)];
  if (!first || !last) return null;
  const closes = corners.length > 1 && Math.hypot(first.x - last.x, first.y - last.y) < 1e-5;
  const contour = closes ? corners.slice(0, -1) : corners;
  return contour.length > 1 && Math.abs(area(flatten(contour))) > 1e-6 ? contour : null;
}

function stepsOf(node: XmlNode, unit: number): Vertex[] {
  const corners: { x: number; y: number; bulge?: number }[] = [];
  for (const { name, attributes } of node.children) {
    const to = { x: lengthOf(attributes['x'], unit), y: lengthOf(attributes['y'], unit) };
    const from = corners.at(-1);
    if (name === 'PolyStepCurve' && from) {
      const centre = { x: lengthOf(attributes['centerX'], unit), y: lengthOf(attributes['centerY'], unit) };
      bend(corners, from, to, centre, attributes['clockwise'] === 'true');
    } else if (name === 'PolyBegin' || name === 'PolyStepSegment') corners.push(to);
  }
  return corners;
}

/** Adds an arc from the last corner to a point; a whole turn in two halves. */
function bend(
  corners: { x: number; y: number; bulge?: number }[],
  from: { x: number; y: number; bulge?: number },
  to: Point,
  centre: Point,
  clockwise: boolean,
): void {
  const angleOf = (p: Point) => Math.atan2(p.y - centre.y, p.x - centre.x);
  let sweep = angleOf(to) - angleOf(from);
  if (clockwise && sweep >= -1e-9) sweep -= 2 * Math.PI;
  if (!clockwise && sweep <= 1e-9) sweep += 2 * Math.PI;
  if (Math.abs(sweep) > Math.PI * 1.5) {
    const radius = Math.hypot(from.x - centre.x, from.y - centre.y);
    const half = angleOf(from) + sweep / 2;
    const middle = {
      x: quantise(centre.x + radius * Math.cos(half)),
      y: quantise(centre.y + radius * Math.sin(half)),
      bulge: Math.tan(sweep / 8),
    };
    from.bulge = Math.tan(sweep / 8);
    corners.push(middle, { ...to });
    return;
  }
  from.bulge = Math.tan(sweep / 4);
  corners.push({ ...to });
}

/** A line of a node: a polyline, a straight line or an arc; `null` where it is none. */
function lineOf(node: XmlNode, unit: number): Polyline | null {
  const { name, attributes } = node;
  const at = (x: string, y: string) => ({
    x: lengthOf(attributes[x], unit),
    y: lengthOf(attributes[y], unit),
  });
  switch (name) {
    case 'Polyline': {
      const steps = stepsOf(node, unit);
      return steps.length > 1 ? openPoints(steps) : null;
    }
    case 'Polygon': {
      const contour = contourOf(node, unit);
      return (
        contour && openPoints([...contour, { x: (contour[0] as Vertex).x, y: (contour[0] as Vertex).y }])
      );
    }
    case 'Line':
      return [at('startX', 'startY'), at('endX', 'endY')];
    case 'Arc': {
      const corners: { x: number; y: number; bulge?: number }[] = [at('startX', 'startY')];
      const [start] = corners as [Vertex];
      bend(corners, start, at('endX', 'endY'), at('centerX', 'centerY'), attributes['clockwise'] === 'true');
      return openPoints(corners);
    }
    default:
      return null;
  }
}

const openPoints = (line: readonly Vertex[]): Polyline => flattenOpen(line, 0.005);
