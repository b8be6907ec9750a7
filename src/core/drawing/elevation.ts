import type { Footprint, Land } from '../footprint/footprint';
import { isOnOwnSide } from '../footprint/sides';
import { overhang, type Box } from '../geometry/box';
import { facesOf, placeFace } from '../geometry/faces';
import { circleAt, type Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import { area } from '../geometry/polygon';
import { stanceKey, type Assembly, type Part, type Shape } from '../geometry/solid';
import type { Process } from '../process/process';
import { extentOf, type Drawing, type Layer, type Ring, type Stroke } from './drawing';
import { edgeStrokes, laminate } from './board';
import { filletsOf } from './fillet';
import { modelBeyond, modelSection, modelStrokes } from './model';
import { crosses, sectionOf, type CuttingPlane, type ElevationView } from './section';
import { NOTHING, without, type Hideable } from './showing';
import { onView, silhouetteOf, type Silhouette, type SolidView } from './silhouette';

export interface ElevationOptions {
  /** Height down to which the laminate is drawn, mm; above the board's underside its edge is broken. */
  readonly low: number;
  /** Index of the land that the view is cut through; `null` shows the outside. */
  readonly cut: number | null;
  /** What is left out; nothing where it is missing. */
  readonly hidden?: ReadonlySet<Hideable>;
}

/** Slivers smaller than this are none, mm². */
const HAIR = 1e-6;

const LAYER_OF: Readonly<Record<Part['material'], Layer>> = {
  moulding: 'body',
  ceramic: 'ceramic',
  metal: 'metal',
};

/**
 * The footprint seen from one side, to scale: laminate, copper, solder and body.
 * Uncut, solids are painted back to front, each as its silhouette with its visible sharp edges.
 * Cut, what the plane through the land's centre goes through is drawn, with solder fillets.
 */
export function drawElevation(
  whole: Footprint,
  process: Process,
  view: ElevationView,
  { low, cut, hidden = NOTHING }: ElevationOptions,
): Drawing {
  const land = cut === null ? undefined : whole.lands[cut];
  const footprint = without(whole, hidden);
  const { imported } = footprint.body;
  const plane: CuttingPlane | null = land
    ? view === 'front'
      ? { axis: 'y', value: land.at.y }
      : { axis: 'x', value: land.at.x }
    : null;
  const bottom = -process.boardThickness;
  const strokes: Stroke[] = [
    // the board hides what leads do inside it
    ...(plane ? beyondStrokes(footprint, view, plane) : outsideStrokes(footprint.body.assembly, view)),
    ...(imported ? (plane ? modelBeyond(imported, view, plane) : modelStrokes(imported, view)) : []),
    ...(hidden.has('board') ? [] : [laminate(footprint, view, Math.max(low, bottom), low > bottom + 1e-9)]),
    ...(plane ? holeStrokes(footprint, process, view, plane) : []),
    ...landStrokes(footprint, process, view, plane, !hidden.has('paste')),
    ...(plane && !hidden.has('paste') ? filletsOf(footprint, process, view, plane) : []),
    ...(plane ? cutStrokes(footprint, plane) : []),
    ...(plane && imported ? modelSection(imported, plane) : []),
    ...edgeStrokes(footprint, view, bottom),
  ];
  return { strokes, extent: extentOf(strokes) as Box };
}

/** Extent of a box along the view's horizontal axis. */
function across(box: Box, view: ElevationView): readonly [number, number] {
  return view === 'front' ? [box.minX, box.maxX] : [box.minY, box.maxY];
}

/** Copper, solder and mask of the lands that are seen or cut; lands that hide one another are drawn once. */
function landStrokes(
  footprint: Footprint,
  process: Process,
  view: ElevationView,
  plane: CuttingPlane | null,
  solder: boolean,
): Stroke[] {
  const { lands, maskOpenings, bores, body, courtyard, far } = footprint;
  const { landTop, seating } = body.heights;
  const met = lands.filter(({ copper }) => !plane || crosses(copper, plane));
  const bars = (layer: Layer, boxes: readonly (readonly [number, number])[], from: number, to: number) => {
    const seen = new Map<number, Map<number, Point[]>>();
    for (const [a, b] of boxes) {
      const starting = entryOf(seen, a);
      if (!starting.has(b)) starting.set(b, bar(a, from, b, to));
    }
    return [...seen.values()].flatMap((starting) =>
      Array.from(starting.values(), (ring): Stroke => ({ layer, rings: [ring], closed: true })),
    );
  };
  const openings = [...maskOpenings.filter((one) => one.far === far), ...bores].map(({ opening }) => opening);
  const mask = plane
    ? webs(
        openings.filter((opening) => crosses(opening, plane)).map((opening) => across(opening, view)),
        across(courtyard.box, view),
      )
    : [];
  // copper stops at the walls of holes that are cut
  const copper = (land: Land) => (plane ? besideHoles(land, view, plane) : [across(land.copper, view)]);
  const near = met.filter((land) => isOnOwnSide(footprint, land));
  const below = met.filter(({ hole, far: isFar }) => hole !== null || isFar !== far);
  const bottom = -process.boardThickness;
  return [
    ...bars('mask-cut', mask, 0, process.maskThickness),
    ...bars('copper', near.flatMap(copper), 0, process.copperThickness),
    ...bars('copper', below.flatMap(copper), bottom - process.copperThickness, bottom),
    ...bars(
      'solder',
      met
        .filter(({ hole, terminal }) => hole === null && terminal && solder)
        .map(({ contact }) => across(contact.nom, view)),
      landTop,
      Math.max(landTop, seating),
    ),
  ];
}

/** The copper on both sides of a hole that the plane goes through; all of it where there is none. */
function besideHoles(
  { copper, hole }: Land,
  view: ElevationView,
  plane: CuttingPlane,
): (readonly [number, number])[] {
  const [from, to] = across(copper, view);
  const chord = hole && chordOf(hole, view, plane);
  return chord
    ? [
        [from, chord[0]],
        [chord[1], to],
      ]
    : [[from, to]];
}

/** Where a plane cuts a round hole or a slot, along the view's horizontal axis. */
function chordOf(
  hole: Placed,
  view: ElevationView,
  { axis, value }: CuttingPlane,
): readonly [number, number] | null {
  const off = Math.abs(hole.at[axis] - value);
  const [from, to] = across(hole, view);
  const depth = axis === 'y' ? hole.maxY - hole.minY : hole.maxX - hole.minX;
  const radius = Math.min(to - from, depth) / 2;
  // beyond the straight part of a slot its round end is cut
  const beyond = Math.max(0, off - (depth / 2 - radius));
  if (beyond >= radius) return null;
  const less = radius - Math.sqrt(radius ** 2 - beyond ** 2);
  return [from + less, to - less];
}

/** Holes that the plane goes through: plated walls are copper. */
function holeStrokes(
  { lands, bores }: Footprint,
  { boardThickness, copperThickness }: Process,
  view: ElevationView,
  plane: CuttingPlane,
): Stroke[] {
  const low = -boardThickness;
  const strokes: Stroke[] = [];
  const plated = lands.flatMap(({ hole, plated: isPlated, vias }) => [
    ...(hole && isPlated ? [hole] : []),
    ...vias.map((via) => circleAt(via, via.hole)),
  ]);
  const bare = [
    ...lands.flatMap(({ hole, plated: isPlated }) => (hole && !isPlated ? [hole] : [])),
    ...bores.map(({ hole }) => hole),
  ];
  const open = (chord: readonly [number, number], wall: number) => {
    const [a, b] = chord;
    if (wall > 0) {
      const rings = [bar(a - wall, low - wall, a, wall), bar(b, low - wall, b + wall, wall)];
      strokes.push({ layer: 'copper', rings, closed: true });
    }
    strokes.push({ layer: 'hole-cut', rings: [bar(a, low - wall, b, wall)], closed: true });
  };
  for (const hole of plated) {
    const chord = chordOf(hole, view, plane);
    if (chord) open(chord, copperThickness);
  }
  for (const hole of bare) {
    const chord = chordOf(hole, view, plane);
    if (chord) open(chord, 0);
  }
  return strokes;
}

/** What is left of a line between openings. */
function webs(
  openings: readonly (readonly [number, number])[],
  [from, to]: readonly [number, number],
): [number, number][] {
  const left: [number, number][] = [];
  let start = from;
  for (const [a, b] of [...openings].sort((p, q) => p[0] - q[0])) {
    if (a > start) left.push([start, a]);
    start = Math.max(start, b);
  }
  if (to > start) left.push([start, to]);
  return left;
}

function bar(x0: number, y0: number, x1: number, y1: number): Point[] {
  return [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
}

/** Lowest and highest coordinate of a turned shape along an axis, before it is moved. */
type Reach = (part: Part, axis: 'x' | 'y') => readonly [number, number];

/** Reaches of the assembly's parts; equal shapes are measured once. */
function reachOf(shapes: Assembly['shapes']): Reach {
  const known = new Map<string, readonly [number, number]>();
  return (part, axis) => {
    const { shape, at } = part;
    const key = `${stanceKey(part)} ${axis}`;
    let reach = known.get(key);
    if (!reach) {
      const faces = facesOf(shapes[shape] as Shape).map((face) => placeFace(face, { ...part, at: HERE }));
      const values = faces.flatMap(({ corners }) => corners.map((p) => p[axis]));
      reach = [Math.min(...values), Math.max(...values)];
      known.set(key, reach);
    }
    return [reach[0] + at[axis], reach[1] + at[axis]];
  };
}

const HERE = { x: 0, y: 0, z: 0 };

/** Sections of the solids that the plane meets. */
function cutStrokes({ body }: Footprint, plane: CuttingPlane): Stroke[] {
  const { shapes, parts } = body.assembly;
  const reach = reachOf(shapes);
  return parts.flatMap((part): Stroke[] => {
    const [low, high] = reach(part, plane.axis);
    if (plane.value < low || plane.value > high) return [];
    const faces = facesOf(shapes[part.shape] as Shape).map((face) => placeFace(face, part));
    const rings = sectionOf(faces, plane);
    return rings.length > 0 ? [{ layer: LAYER_OF[part.material], rings, closed: true }] : [];
  });
}

/** What stands behind the plane, faintly: the outlines of parts that the plane leaves whole. */
function beyondStrokes({ body }: Footprint, view: ElevationView, { axis, value }: CuttingPlane): Stroke[] {
  const { shapes, parts } = body.assembly;
  const reach = reachOf(shapes);
  // the front looks along +Y, the side along −X
  const behind = parts.filter((part) => {
    const [low, high] = reach(part, axis);
    return view === 'front' ? low > value : high < value;
  });
  return outsideStrokes({ shapes, parts: behind }, view)
    .filter(({ closed }) => closed)
    .map((stroke) => ({ ...stroke, layer: 'beyond' }));
}

/**
 * The package's solids seen from above or from a side, without board and lands.
 * `plan` shows (x, y) from above, `underside` (−x, y) from below.
 */
export function drawSolids({ body }: Footprint, view: SolidView): Drawing {
  const strokes = outsideStrokes(body.assembly, view);
  return { strokes, extent: extentOf(strokes) as Box };
}

/** A part as it is seen: its silhouette, where it stands on the drawing and how far away. */
interface Projected {
  readonly part: Part;
  readonly silhouette: Silhouette;
  readonly right: number;
  readonly up: number;
  readonly depth: number;
}

/** The map that a map of maps holds for a key; an empty one is put there. */
function entryOf<K, L, V>(maps: Map<K, Map<L, V>>, key: K): Map<L, V> {
  const known = maps.get(key);
  if (known) return known;
  const made = new Map<L, V>();
  maps.set(key, made);
  return made;
}

/** Solids from outside, back to front. */
export function outsideStrokes({ shapes, parts }: Assembly, view: SolidView): Stroke[] {
  // of equal parts exactly behind one another only the nearest can be seen
  const nearest = new Map<Silhouette, Map<number, Map<number, Projected>>>();
  for (const part of parts) {
    const silhouette = silhouetteOf(shapes[part.shape] as Shape, part, view);
    const { right, up, depth } = onView(part.at, view);
    const column = entryOf(entryOf(nearest, silhouette), Math.round(right * NM));
    const level = Math.round(up * NM);
    const other = column.get(level);
    if (other && other.depth <= depth + silhouette.near) continue;
    column.set(level, { part, silhouette, right, up, depth: depth + silhouette.near });
  }
  const all = [...nearest.values()].flatMap((places) => [...places.values()]);
  // back to front
  const seen = all.flatMap((column) => [...column.values()]).sort((a, b) => b.depth - a.depth);
  return uncovered(seen).flatMap(strokesOf);
}

/** Parts that fewer than this many lie behind are not worth a cover's test. */
const MANY = 50;

/** Leaves out what lies wholly behind a rectangular part, as the balls under a body do from above. */
function uncovered(seen: readonly Projected[]): readonly Projected[] {
  if (seen.length < MANY) return seen;
  const covers = seen.flatMap(({ silhouette, right, up, depth }) => {
    const { bounds, outline } = silhouette;
    const whole = (bounds.maxX - bounds.minX) * (bounds.maxY - bounds.minY);
    const covered = outline.reduce((sum, ring) => sum + Math.abs(area(ring)), 0);
    return covered > whole - HAIR ? [{ box: movedBox(bounds, right, up), depth }] : [];
  });
  const [cover] = covers.sort((a, b) => sizeOfBox(b.box) - sizeOfBox(a.box));
  if (!cover) return seen;
  return seen.filter(
    ({ silhouette, right, up, depth }) =>
      depth <= cover.depth || overhang(movedBox(silhouette.bounds, right, up), cover.box) > HAIR,
  );
}

function movedBox({ minX, minY, maxX, maxY }: Box, right: number, up: number): Box {
  return { minX: minX + right, minY: minY + up, maxX: maxX + right, maxY: maxY + up };
}

function sizeOfBox({ minX, minY, maxX, maxY }: Box): number {
  return (maxX - minX) * (maxY - minY);
}

/** Nanometres in a millimetre: places that differ by less are one. */
const NM = 1e6;

function strokesOf({ part, silhouette, right, up }: Projected): Stroke[] {
  const at = { x: right, y: up };
  const shift = (of: readonly Point[]): Ring => ({ of, at });
  const layer = LAYER_OF[part.material];
  const outline: Stroke = { layer, rings: silhouette.outline.map(shift), closed: true };
  if (silhouette.edges.length === 0) return [outline];
  return [outline, { layer, rings: silhouette.edges.map(shift), closed: false }];
}
