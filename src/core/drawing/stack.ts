import type { Box } from '../geometry/box';
import { flatten } from '../geometry/contour';
import { circleAt, contourOf, place, rectangle, sizeOf, type Figure, type Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Polygon } from '../geometry/polygon';
import type { Padstack, StackPart } from '../padstack/padstack';
import type { Process } from '../process/process';
import { extentOf, type Drawing, type Layer, type Stroke } from './drawing';

/** One layer of a padstack seen from obliquely above, about the stack's middle; mm, second axis up. */
export interface StackLayer {
  readonly part: StackPart;
  readonly strokes: readonly Stroke[];
}

/** A padstack's layers, to be drawn over one another at one scale. */
export interface ExplodedStack {
  readonly layers: readonly StackLayer[];
  /** What every layer fits into. */
  readonly extent: Box;
}

/** Oblique projection: depth runs up and to the right. */
const DEPTH = { x: 0.35, y: 0.45 };
/** How far a plane is drawn beyond its gap, as a share of the gap's outline. */
const PLANE = 0.18;

const CENTRE = { x: 0, y: 0 };

interface Sheet {
  readonly part: StackPart;
  readonly layer: Layer;
  readonly rings: readonly Polygon[];
  /** Drawn over the rings in the same material. */
  readonly over?: readonly Polygon[];
}

function sheetsOf(stack: Padstack): Sheet[] {
  const at = (figure: Figure | null, spot = CENTRE) => (figure ? [outline(place(figure, spot))] : []);
  const all = (figures: readonly Placed[]) => figures.map(outline);
  const vias = all(stack.vias.map((via) => circleAt(via, via.hole)));
  const hole = at(stack.hole?.figure ?? null);
  const sheets: Sheet[] = [
    { part: 'paste', layer: 'paste', rings: all(stack.paste) },
    { part: 'mask', layer: 'mask', rings: all([...stack.mask, ...stack.islands]) },
    { part: 'copper', layer: 'copper', rings: [...at(stack.copper, stack.offset), ...hole, ...vias] },
    { part: 'inner', layer: 'copper', rings: stack.inner ? [...at(stack.inner), ...hole] : [] },
    reliefSheet(stack),
    { part: 'clearance', layer: 'copper', rings: stack.clearance ? plane(stack.clearance) : [] },
    { part: 'other', layer: 'copper', rings: stack.other ? [...at(stack.other, stack.offset), ...hole] : [] },
    { part: 'maskOther', layer: 'mask', rings: all(stack.maskOther) },
    { part: 'hole', layer: stack.hole?.plated === false ? 'hole' : 'plated-hole', rings: hole },
    { part: 'vias', layer: 'plated-hole', rings: vias },
  ];
  return sheets.filter(({ rings }) => rings.length > 0);
}

/** A plane with a gap in it. */
function plane(gap: Figure): Polygon[] {
  const { width, height } = sizeOf(gap);
  const by = Math.max(width, height) * PLANE;
  return [outline(place(rectangle(width + 2 * by, height + 2 * by), CENTRE)), outline(place(gap, CENTRE))];
}

/** A plane, the gap round the land, the land, and the spokes between them. */
function reliefSheet({ relief, hole }: Padstack): Sheet {
  if (!relief) return { part: 'relief', layer: 'copper', rings: [] };
  const { inner, outer, spokes, width } = relief;
  const [near, far] = [sizeOf(inner), sizeOf(outer)];
  const over = Array.from({ length: spokes }, (_, i): Polygon => {
    const angle = (i / spokes) * 2 * Math.PI;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const reach = (size: { readonly width: number; readonly height: number }) =>
      Math.abs(c) * (size.width / 2) + Math.abs(s) * (size.height / 2);
    const spot = (along: number, across: number) => ({
      x: along * c - across * s,
      y: along * s + across * c,
    });
    const [from, to] = [reach(near) * 0.98, reach(far) * 1.02];
    return [spot(from, -width / 2), spot(to, -width / 2), spot(to, width / 2), spot(from, width / 2)];
  });
  const bore = hole ? [outline(place(hole.figure, CENTRE))] : [];
  return {
    part: 'relief',
    layer: 'copper',
    rings: [...plane(outer), outline(place(inner, CENTRE)), ...bore],
    over,
  };
}

/** Draws each layer's figures on a plane of its own. */
export function explodeStack(stack: Padstack): ExplodedStack {
  const oblique = ({ x, y }: Point): Point => ({ x: x + y * DEPTH.x, y: y * DEPTH.y });
  const layers = sheetsOf(stack).map(({ part, layer, rings, over = [] }): StackLayer => ({
    part,
    strokes: [
      { layer, closed: true, rings: rings.map((ring) => ring.map(oblique)) },
      ...(over.length > 0
        ? [{ layer, closed: true, rings: over.map((ring) => ring.map(oblique)), width: 0 }]
        : []),
    ],
  }));
  const extent = extentOf(layers.flatMap(({ strokes }) => strokes));
  return { layers, extent: extent ?? { minX: -1, minY: -1, maxX: 1, maxY: 1 } };
}

/** Arcs become chords: circles are ellipses from obliquely above. */
function outline(figure: Placed): Polygon {
  return flatten(contourOf(figure), Math.max(0.002, sizeOf(figure.figure).width / 400));
}

/**
 * The padstack cut along the terminal through its middle, or through the row of paste windows next to it: copper, mask, paste and hole over the
 * thickness of the board; thin layers are drawn thicker than they are, all by the same factor.
 */
export function sectionStack(
  stack: Padstack,
  process: Process,
): Drawing & { readonly exaggeration: number; readonly depth: number } {
  const { boardThickness, copperThickness, maskThickness, stencilThickness } = process;
  const width = Math.max(
    sizeOf(stack.copper).width,
    ...[stack.other, stack.clearance].map((figure) => (figure ? sizeOf(figure).width : 0)),
  );
  const reach = width * 0.72 + 0.3;
  const wide = 2 * reach;
  // a copper layer is at least a fiftieth of the drawing high
  const exaggeration = Math.max(1, Math.ceil(wide / 50 / copperThickness));
  const [copper, mask, foil] = [copperThickness, maskThickness, stencilThickness].map(
    (t) => t * exaggeration,
  ) as [number, number, number];
  const depth = Math.min(boardThickness, wide * 0.28);
  const strokes: Stroke[] = [];
  const bars = (layer: Layer, spans: readonly Span[], low: number, high: number) => {
    for (const [from, to] of spans) {
      if (to - from > 1e-9) strokes.push({ layer, closed: true, rings: [bar(from, low, to, high)] });
    }
  };
  // the row of windows nearest to the middle is what there is to see
  const rows = stack.paste.map(({ at }) => at.y).sort((a, b) => Math.abs(a) - Math.abs(b));
  const line = stack.paste.length > 1 ? (rows[0] ?? 0) : 0;
  const cut = (figures: readonly Placed[]): Span[] =>
    figures.flatMap(({ minX, maxX, minY, maxY }): Span[] =>
      minY <= line + 1e-9 && maxY >= line - 1e-9 ? [[minX, maxX]] : [],
    );
  const vias = cut(stack.vias.map((via) => circleAt(via, via.hole)));
  const hole = stack.hole ? cut([place(stack.hole.figure, CENTRE)]) : [];
  const bores = [...hole, ...vias];
  const board: Span = [-reach, reach];
  bars('laminate', without([board], bores), -depth, 0);
  const land = cut([place(stack.copper, stack.offset)]);
  const other = stack.other ? cut([place(stack.other, stack.offset)]) : [];
  bars(
    'mask-cut',
    without(without([board], cut(stack.mask)), bores),
    0,
    mask + (land.length > 0 ? copper / 2 : 0),
  );
  bars('copper', without(land, bores), 0, copper);
  if (stack.mask.length > 0)
    bars('mask-cut', without(without(land, cut(stack.mask)), bores), copper, copper + mask);
  bars('mask-cut', cut(stack.islands), copper, copper + mask);
  if (other.length > 0 || stack.vias.length > 0) {
    bars(
      'mask-cut',
      without(without([board], cut(stack.maskOther)), bores),
      -depth - mask - copper / 2,
      -depth,
    );
    bars('copper', without(other, bores), -depth - copper, -depth);
  }
  const plated = stack.hole?.plated === false ? vias : bores;
  const wall = Math.min(copper, wide / 80);
  bars(
    'copper',
    plated.flatMap(([a, b]): Span[] => [
      [a, a + wall],
      [b - wall, b],
    ]),
    -depth - copper,
    copper,
  );
  if (stack.cover === 'filled')
    bars(
      'solder',
      vias.map(([a, b]): Span => [a + wall, b - wall]),
      -depth,
      copper,
    );
  if (stack.cover === 'plugged')
    bars(
      'mask-cut',
      vias.map(([a, b]): Span => [a + wall, b - wall]),
      -depth,
      -depth * 0.4,
    );
  bars('paste-cut', cut(stack.paste), copper, copper + foil);
  return {
    strokes,
    extent: { minX: -reach, maxX: reach, minY: -depth - copper - mask, maxY: copper + foil },
    exaggeration,
    depth,
  };
}

type Span = readonly [number, number];

function without(spans: readonly Span[], others: readonly Span[]): Span[] {
  return others.reduce<Span[]>(
    (left, [a, b]) =>
      left.flatMap(([from, to]): Span[] => {
        if (b <= from || a >= to) return [[from, to]];
        const pieces: Span[] = [
          [from, a],
          [b, to],
        ];
        return pieces.filter(([p, q]) => q - p > 1e-9);
      }),
    [...spans],
  );
}

function bar(x1: number, y1: number, x2: number, y2: number) {
  return [
    { x: x1, y: y1 },
    { x: x2, y: y1 },
    { x: x2, y: y2 },
    { x: x1, y: y2 },
  ];
}
