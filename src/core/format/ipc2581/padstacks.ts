import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import {
  contourOf,
  mirrored,
  place,
  rectangle,
  sizeOf,
  type Figure,
  type Placed,
} from '../../geometry/figure';
import { flatten } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import { subtract, type Polygon } from '../../geometry/polygon';
import type { BoredHole, Footprint, Land } from '../../footprint/footprint';
import type { Padstack, PadVia, Relief } from '../../padstack/padstack';
import { isEmpty, located, mm, type ShapeBook } from './shapes';

/** A padstack as a side of the board has it; seen from above, that of the far side is mirrored. */
interface SidedStack {
  readonly stack: Padstack;
  readonly far: boolean;
}

/** Padstack names and ids are plain letters, digits and underscores. */
export function plain(name: string): string {
  return name.replace(/[^A-Za-z0-9]+/g, '_');
}

/** The name of the padstack of a land. */
export function stackName({ stack: { name }, far }: SidedStack): string {
  return far ? `${plain(name)}_far` : plain(name);
}

export function stackOf({ padstack, far }: Land): SidedStack {
  return { stack: padstack, far };
}

/** The padstacks that lands use, on the sides that they use them on. */
function sidedStacks({ padstacks, lands }: Footprint): SidedStack[] {
  return padstacks.flatMap((stack) =>
    [false, true]
      .filter((far) => lands.some((land) => land.padstack === stack && land.far === far))
      .map((far) => ({ stack, far })),
  );
}

/** The padstack of a via; equal vias have one. */
export function viaName({ hole, land }: PadVia): string {
  return `via_${plain(mm(land))}_${plain(mm(hole))}`;
}

/** The padstack of a hole without copper. */
export function boreName({ diameter, hole, opening }: BoredHole): string {
  const { width, height } = sizeOf(hole.figure);
  const slot =
    hole.figure.kind === 'round' ? '' : `_${hole.figure.kind}_${plain(mm(width))}_${plain(mm(height))}`;
  return `bore_${plain(mm(diameter))}${slot}_${plain(mm(sizeOf(opening.figure).width))}`;
}

/**
 * Every padstack of a footprint: those of lands, of vias in them, and of holes without copper.
 * @param own begins their names, where a file has several packages
 */
export function writePadstacks(step: XMLBuilder, footprint: Footprint, book: ShapeBook, own = ''): void {
  for (const sided of sidedStacks(footprint)) landStack(step, sided, book, own);
  const vias = new Map(footprint.lands.flatMap(({ vias: some }) => some.map((via) => [viaName(via), via])));
  for (const [plainName, { hole, land }] of vias) {
    const name = own + plainName;
    const definition = step.ele('PadStackDef', { name });
    holeDefinition(definition, name, 'VIA', hole);
    for (const layerRef of ['TOP', 'INNER', 'BOTTOM']) {
      const node = pad(definition, layerRef, 'REGULAR');
      located(node, CENTRE);
      book.standard(node, { kind: 'round', diameter: land });
    }
  }
  const bores = new Map(footprint.bores.map((bore) => [boreName(bore), bore]));
  for (const [plainName, { diameter, hole, opening }] of bores) {
    const name = own + plainName;
    const definition = step.ele('PadStackDef', { name });
    if (hole.figure.kind === 'round') holeDefinition(definition, name, 'NONPLATED', diameter);
    for (const layerRef of ['TOP_MASK', 'BOTTOM_MASK']) {
      const node = pad(definition, layerRef, 'REGULAR');
      located(node, CENTRE);
      book.standard(node, opening.figure);
    }
  }
}

const CENTRE: Point = { x: 0, y: 0 };

/** One padstack, its hole first, then each figure on its layer; what is near the part is at the bottom for the far side. */
function landStack(step: XMLBuilder, sided: SidedStack, book: ShapeBook, own: string): void {
  const { stack, far } = sided;
  const name = own + stackName(sided);
  const [near, away] = far ? ['BOTTOM', 'TOP'] : ['TOP', 'BOTTOM'];
  const definition = step.ele('PadStackDef', { name });
  // a slot is milled and stands beside the padstacks
  if (stack.hole?.figure.kind === 'round')
    holeDefinition(
      definition,
      name,
      stack.hole.plated ? 'PLATED' : 'NONPLATED',
      stack.hole.figure.diameter,
      stack.hole,
    );
  const seen = ({ figure, at, rotation }: Placed): Placed =>
    far
      ? place(mirrored(figure), { x: at.x, y: 0 - at.y }, (360 - rotation) % 360)
      : place(figure, at, rotation);
  const put = (layer: string, figure: Figure | null, at: Point = CENTRE, use: PadUse = 'REGULAR') => {
    if (!figure || isEmpty(figure)) return;
    const turnedOver = seen(place(figure, at));
    const node = pad(definition, layer, use);
    located(node, turnedOver.at);
    book.standard(node, turnedOver.figure);
  };
  const openings = (layer: string, figures: readonly Placed[], islands: readonly Placed[] = []) => {
    const own = figures.filter(({ figure }) => !isEmpty(figure));
    const [only] = own;
    if (!only) return;
    if (own.length === 1 && islands.length === 0 && only.rotation === 0)
      return put(layer, only.figure, only.at);
    // several windows of one land are one set of contours
    const node = pad(definition, layer, 'REGULAR');
    located(node, CENTRE);
    book.contours(node, own.map(seen), islands.map(seen));
  };
  put(`${near}`, stack.copper, stack.offset);
  openings(`${near}_MASK`, stack.mask, stack.islands);
  openings(`${near}_PASTE`, stack.paste);
  put('INNER', stack.inner);
  if (stack.hole) put('INNER', stack.clearance, CENTRE, 'ANTIPAD');
  if (stack.relief && stack.hole) {
    const node = pad(definition, 'INNER', 'THERMAL');
    located(node, CENTRE);
    book.polygons(node, reliefGaps(stack.relief));
  }
  put(`${away}`, stack.other, stack.offset);
  openings(`${away}_MASK`, stack.maskOther);
}

type PadUse = 'REGULAR' | 'ANTIPAD' | 'THERMAL';

function pad(definition: XMLBuilder, layerRef: string, padUse: PadUse): XMLBuilder {
  return definition.ele('PadstackPadDef', { layerRef, padUse });
}

const NO_TOLERANCE = { plus: 0, minus: 0 };

function holeDefinition(
  node: XMLBuilder,
  name: string,
  platingStatus: 'PLATED' | 'NONPLATED' | 'VIA',
  diameter: number,
  { plus, minus } = NO_TOLERANCE,
): void {
  node.ele('PadstackHoleDef', {
    name: `${name}_hole`,
    diameter: mm(diameter),
    platingStatus,
    plusTol: mm(plus),
    minusTol: mm(minus),
    x: '0',
    y: '0',
  });
}

/** What is free of copper round a land in the plane of its net: the gap without its spokes, whatever the land's shape. */
function reliefGaps({ inner, outer, spokes, width }: Relief): Polygon[] {
  const flat = (figure: Figure) => flatten(contourOf(place(figure, CENTRE)), 0.002);
  const { width: long, height } = sizeOf(outer);
  const reach = Math.hypot(long, height);
  // spokes stand between the axes, where oblong lands have no neighbour
  const bridges = Array.from({ length: spokes }, (_, i) => {
    const angle = ((i + 0.5) * 360) / spokes;
    const radians = (angle * Math.PI) / 180;
    const middle = { x: (reach / 2) * Math.cos(radians), y: (reach / 2) * Math.sin(radians) };
    return flatten(contourOf(place(rectangle(reach, width), middle, angle)), 0.002);
  });
  return subtract([flat(outer)], [flat(inner), ...bridges]);
}
