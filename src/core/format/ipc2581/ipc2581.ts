import { create } from 'xmlbuilder2';
import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import { boxRound, cornersOf, type Box } from '../../geometry/box';
import type { Point } from '../../geometry/point';
import { mirrored, outlineOf, sizeOf, type Figure } from '../../geometry/figure';
import { arcCentre, type Contour, type Vertex } from '../../geometry/contour';
import { formatNumber } from '../../units/length';
import type { Land } from '../../footprint/footprint';
import { firstLand } from '../../footprint/lands';
import { bodyAt } from '../../package/drawn';
import type { Padstack } from '../../padstack/padstack';
import type { Format, Writable } from '../format';
import { xmlText } from '../xml';

interface FileLayer {
  readonly name: string;
  readonly layerFunction: string;
  readonly side: 'TOP' | 'INTERNAL' | 'BOTTOM' | 'ALL';
}

/** Layers of the component side: name and IPC-2581 function. */
const TOP_LAYERS: readonly FileLayer[] = [
  { name: 'TOP', layerFunction: 'CONDUCTOR', side: 'TOP' },
  { name: 'TOP_MASK', layerFunction: 'SOLDERMASK', side: 'TOP' },
  { name: 'TOP_PASTE', layerFunction: 'PASTEMASK', side: 'TOP' },
  { name: 'TOP_LEGEND', layerFunction: 'LEGEND', side: 'TOP' },
  { name: 'TOP_ASSEMBLY', layerFunction: 'ASSEMBLY', side: 'TOP' },
  { name: 'TOP_COURTYARD', layerFunction: 'COURTYARD', side: 'TOP' },
];
/** Layers that holes need besides. */
const HOLE_LAYERS: readonly FileLayer[] = [
  { name: 'DRILL', layerFunction: 'DRILL', side: 'ALL' },
  { name: 'INNER', layerFunction: 'CONDUCTOR', side: 'INTERNAL' },
  { name: 'BOTTOM', layerFunction: 'CONDUCTOR', side: 'BOTTOM' },
  { name: 'BOTTOM_MASK', layerFunction: 'SOLDERMASK', side: 'BOTTOM' },
];

/** What lands on the far side need besides. */
const FAR_LAYERS: readonly FileLayer[] = [
  { name: 'BOTTOM_PASTE', layerFunction: 'PASTEMASK', side: 'BOTTOM' },
];

function layersOf({ footprint: { lands, bores } }: Writable): readonly FileLayer[] {
  const drilled = bores.length > 0 || lands.some(({ hole, vias }) => hole !== null || vias.length > 0);
  const far = lands.some((land) => land.far);
  return [...TOP_LAYERS, ...(drilled || far ? HOLE_LAYERS : []), ...(far ? FAR_LAYERS : [])];
}

/** A padstack as a side of the board has it; seen from above, that of the far side is mirrored. */
interface SidedStack {
  readonly stack: Padstack;
  readonly far: boolean;
}

/** The padstacks that lands use, on the sides that they use them on. */
function sidedStacks({ padstacks, lands }: Writable['footprint']): SidedStack[] {
  return padstacks.flatMap((stack) =>
    [false, true]
      .filter((far) => lands.some((land) => land.padstack === stack && land.far === far))
      .map((far) => ({ stack, far })),
  );
}

function stackName({ stack: { name }, far }: SidedStack): string {
  return far ? `${name}_far` : name;
}

const COURTYARD_WIDTH = 0.05;

/**
 * One package with its padstacks, land pattern, legend, assembly drawing, courtyard and pins,
 * as IPC-2581 revision C. Units are millimetres; the file is the same for the same document.
 */
export const ipc2581: Format = {
  id: 'ipc2581',
  title: 'IPC-2581',
  summary: 'Padstack definitions, package, land pattern, legend, assembly and pins (IPC-2581C, XML).',
  mediaType: 'application/xml',
  extension: '.ipc2581.xml',
  write(compiled) {
    const { footprint } = compiled;
    const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('IPC-2581', {
      revision: 'C',
      xmlns: 'http://webstds.ipc.org/2581',
    });
    const content = root.ele('Content', { roleRef: 'Owner' });
    content.ele('FunctionMode', { mode: 'USERDEF' });
    content.ele('StepRef', { name: footprint.standardName });
    const layers = layersOf(compiled);
    for (const { name } of layers) content.ele('LayerRef', { name });
    dictionary(content, compiled);
    const ecad = root.ele('Ecad', { name: footprint.standardName });
    ecad.ele('CadHeader', { units: 'MILLIMETER' });
    const data = ecad.ele('CadData');
    for (const layer of layers) data.ele('Layer', { ...layer, polarity: 'POSITIVE' });
    step(data, compiled);
    return root.end({ prettyPrint: true }) + '\n';
  },
};

/** The shapes that padstacks refer to; equal ones are listed once. */
function dictionary(content: XMLBuilder, { footprint }: Writable): void {
  const shapes = new Map<string, Figure>();
  for (const { stack, far } of sidedStacks(footprint)) {
    const { copper, inner, other, clearance, mask, maskOther, paste } = stack;
    const openings = [...mask, ...maskOther, ...paste].map(({ figure }) => figure);
    for (const figure of [copper, inner, other, clearance, ...openings]) {
      if (!figure || isEmpty(figure)) continue;
      const seen = far ? mirrored(figure) : figure;
      shapes.set(shapeId(seen), seen);
    }
  }
  for (const { opening } of footprint.bores) shapes.set(shapeId(opening.figure), opening.figure);
  const list = content.ele('DictionaryStandard', { units: 'MILLIMETER' });
  for (const [id, figure] of shapes) primitive(list.ele('EntryStandard', { id }), figure);
  for (const { relief, name } of footprint.padstacks) {
    if (!relief) continue;
    list.ele('EntryStandard', { id: `THERMAL_${name}` }).ele('Thermal', {
      shape: relief.inner.kind === 'round' ? 'ROUND' : 'SQUARE',
      innerDiameter: mm(sizeOf(relief.inner).width),
      outerDiameter: mm(sizeOf(relief.outer).width),
      spokeCount: String(relief.spokes),
      gap: mm(relief.width),
      spokeStartAngle: '45',
    });
  }
}

function step(data: XMLBuilder, compiled: Writable): void {
  const { footprint } = compiled;
  const node = data.ele('Step', { name: footprint.standardName });
  for (const sided of sidedStacks(footprint)) padstackDefinition(node, sided);
  node.ele('Datum', { x: '0', y: '0' });
  packageNode(node, compiled);
  jointOpenings(node, compiled);
  boredHoles(node, compiled);
  slots(node, compiled);
  const courtyard = node.ele('LayerFeature', { layerRef: 'TOP_COURTYARD' }).ele('Set').ele('Features');
  courtyard.ele('Location', { x: '0', y: '0' });
  const { contour: round, box } = footprint.courtyard;
  polyline(courtyard, round ?? cornersOf(box), COURTYARD_WIDTH, true);
}

const CENTRE: Point = { x: 0, y: 0 };

/** One padstack, each figure on its layer; what is near the part is at the bottom for the far side. */
function padstackDefinition(node: XMLBuilder, sided: SidedStack): void {
  const { stack, far } = sided;
  const name = stackName(sided);
  const [near, away] = far ? ['BOTTOM', 'TOP'] : ['TOP', 'BOTTOM'];
  const definition = node.ele('PadStackDef', { name });
  const put = (layer: string, figure: Figure, at: Point = CENTRE, use: PadUse = 'REGULAR') =>
    padDefinition(
      definition,
      layer,
      far ? mirrored(figure) : figure,
      far ? { x: at.x, y: 0 - at.y } : at,
      use,
    );
  put(`${near}`, stack.copper, stack.offset);
  for (const { figure, at } of stack.mask) put(`${near}_MASK`, figure, at);
  for (const { figure, at } of stack.paste) put(`${near}_PASTE`, figure, at);
  if (stack.inner) put('INNER', stack.inner);
  if (stack.clearance && stack.hole) put('INNER', stack.clearance, CENTRE, 'ANTIPAD');
  if (stack.relief) {
    const pad = definition.ele('PadstackPadDef', { layerRef: 'INNER', padUse: 'THERMAL' });
    pad.ele('Location', point(CENTRE));
    pad.ele('StandardPrimitiveRef', { id: `THERMAL_${stack.name}` });
  }
  if (stack.other) put(`${away}`, stack.other, stack.offset);
  for (const { figure, at } of stack.maskOther) put(`${away}_MASK`, figure, at);
  // a slot is milled and stands beside the padstacks
  if (stack.hole?.figure.kind === 'round')
    holeDefinition(definition, name, stack.hole, stack.hole.figure.diameter);
  for (const via of stack.vias)
    holeDefinition(definition, `${name}_via`, PLATED, via.hole, far ? { x: via.x, y: 0 - via.y } : via);
}

type PadUse = 'REGULAR' | 'ANTIPAD';

function isEmpty(figure: Figure): boolean {
  const { width, height } = sizeOf(figure);
  return width <= 0 || height <= 0;
}

/** A figure as one of the standard's primitives; a D-shape as a contour. */
function primitive(node: XMLBuilder, figure: Figure): void {
  const { width, height } = sizeOf(figure);
  const size = { width: mm(width), height: mm(height) };
  if (figure.kind === 'round') node.ele('Circle', { diameter: size.width });
  else if (figure.kind === 'oblong') node.ele('Oval', size);
  else if (figure.kind === 'd-shape' || figure.kind === 'contour')
    contour(node.ele('Contour'), outlineOf(figure));
  else if (figure.chamfer) {
    const { size: chamfer, corners } = figure.chamfer;
    const cut = (corner: (typeof corners)[number]) => String(corners.includes(corner));
    node.ele('RectCham', {
      ...size,
      chamfer: mm(chamfer),
      upperRight: cut('upper-right'),
      upperLeft: cut('upper-left'),
      lowerRight: cut('lower-right'),
      lowerLeft: cut('lower-left'),
    });
  } else if (figure.radius) {
    const all = { upperRight: 'true', upperLeft: 'true', lowerRight: 'true', lowerLeft: 'true' };
    node.ele('RectRound', { ...size, radius: mm(figure.radius), ...all });
  } else node.ele('RectCenter', size);
}

const PLATED = { plated: true, plus: 0, minus: 0 };

function holeDefinition(
  node: XMLBuilder,
  name: string,
  { plated, plus, minus }: typeof PLATED,
  diameter: number,
  { x, y }: Point = CENTRE,
): void {
  node.ele('PadstackHoleDef', {
    name,
    diameter: mm(diameter),
    platingStatus: plated ? 'PLATED' : 'NONPLATED',
    plusTol: mm(plus),
    minusTol: mm(minus),
    x: mm(x),
    y: mm(y),
  });
}

/** Slots of lands, as the figures that are milled. */
function slots(node: XMLBuilder, { footprint: { lands } }: Writable): void {
  const slotted = lands.filter(({ hole }) => hole?.figure.kind === 'oblong');
  if (slotted.length === 0) return;
  const set = node.ele('LayerFeature', { layerRef: 'DRILL' }).ele('Set');
  for (const { number, hole, plated, padstack } of slotted) {
    if (!hole) continue;
    const slot = set.ele('SlotCavity', {
      name: `slot_${xmlText(number)}`,
      platingStatus: plated ? 'PLATED' : 'NONPLATED',
      plusTol: mm(padstack.hole?.plus ?? 0),
      minusTol: mm(padstack.hole?.minus ?? 0),
    });
    if (hole.rotation !== 0) slot.ele('Xform', { rotation: String(hole.rotation) });
    slot.ele('Location', point(hole.at));
    primitive(slot, hole.figure);
  }
}

/** Holes without copper, and the openings that keep mask out of them. */
function boredHoles(node: XMLBuilder, { footprint: { bores } }: Writable): void {
  if (bores.length === 0) return;
  const drill = node.ele('LayerFeature', { layerRef: 'DRILL' }).ele('Set');
  bores.forEach(({ at, diameter }, i) => {
    drill.ele('Hole', {
      name: `bore_${i + 1}`,
      diameter: mm(diameter),
      platingStatus: 'NONPLATED',
      plusTol: '0',
      minusTol: '0',
      ...point(at),
    });
  });
  for (const layerRef of ['TOP_MASK', 'BOTTOM_MASK']) {
    const set = node.ele('LayerFeature', { layerRef }).ele('Set');
    for (const { at, opening } of bores) {
      const features = set.ele('Features');
      features.ele('Location', point(at));
      primitive(features, opening.figure);
    }
  }
}

function padDefinition(node: XMLBuilder, layerRef: string, shape: Figure, at: Point, padUse: PadUse): void {
  if (isEmpty(shape)) return;
  const pad = node.ele('PadstackPadDef', { layerRef, padUse });
  pad.ele('Location', point(at));
  pad.ele('StandardPrimitiveRef', { id: shapeId(shape) });
}

/** Mask openings that free more than one land stand beside the padstacks. */
function jointOpenings(node: XMLBuilder, { footprint }: Writable): void {
  const joint = footprint.maskOpenings.filter(({ lands }) => lands.length > 1);
  if (joint.length === 0) return;
  for (const far of [false, true]) {
    const own = joint.filter((mask) => mask.far === far);
    if (own.length === 0) continue;
    const set = node.ele('LayerFeature', { layerRef: far ? 'BOTTOM_MASK' : 'TOP_MASK' }).ele('Set');
    for (const { opening } of own) {
      const features = set.ele('Features');
      if (opening.rotation !== 0) features.ele('Xform', { rotation: String(opening.rotation) });
      features.ele('Location', point(opening.at));
      primitive(features, opening.figure);
    }
  }
}

function packageNode(node: XMLBuilder, { document, footprint }: Writable): void {
  const { extent } = footprint.body;
  const first = firstLand(footprint.lands);
  const item = node.ele('Package', {
    name: footprint.standardName,
    type: footprint.package.type,
    pinOne: xmlText(first?.number ?? '1'),
    pinOneOrientation: pinOneOrientation(footprint),
    height: mm(extent.height.max),
    comment: xmlText(document.name),
  });
  outline(item, cornersOf(bodyAndLands(footprint.lands, bodyAt(extent, 'max'))), 0.1);
  // a placement machine picks the part in the middle of its body, wherever the origin is
  item.ele('PickupPoint', point(bodyAt(extent, 'nom').at));
  const pattern = item.ele('LandPattern');
  for (const land of footprint.lands) {
    const pad = pattern.ele('Pad', { padstackDefRef: stackName({ stack: land.padstack, far: land.far }) });
    placed(pad, land);
    pad.ele('StandardPrimitiveRef', { id: shapeId(land.copper.figure) });
    pad.ele('PinRef', { pin: xmlText(land.number) });
  }
  silkScreen(item, footprint);
  const assembly = item.ele('AssemblyDrawing');
  outline(assembly, footprint.assembly.outline, footprint.assembly.width);
  for (const land of footprint.lands) {
    const pin = item.ele('Pin', {
      number: xmlText(land.number),
      type: land.hole === null ? 'SURFACE' : 'THRU',
      electricalType: 'UNDEFINED',
    });
    const { figure, rotation, at } = land.contact.nom;
    if (rotation !== 0) pin.ele('Xform', { rotation: String(rotation) });
    pin.ele('Location', point(at));
    primitive(pin, figure);
  }
}

function silkScreen(item: XMLBuilder, { legend, texts }: Writable['footprint']): void {
  const screen = item.ele('SilkScreen');
  for (const line of legend.lines) {
    const marking = screen.ele('Marking', { markingUsage: 'NONE' });
    marking.ele('Location', { x: '0', y: '0' });
    polyline(marking, line, legend.width, false);
  }
  if (legend.pin1) {
    const marking = screen.ele('Marking', { markingUsage: 'PIN_ONE' });
    marking.ele('Location', { x: '0', y: '0' });
    const contour = marking.ele('Contour');
    polygon(contour, legend.pin1);
  }
  for (const { role, text, at, height, rotation, box } of texts) {
    const marking = screen.ele('Marking', { markingUsage: role === 'reference' ? 'REFDES' : 'PARTNAME' });
    if (rotation !== 0) marking.ele('Xform', { rotation: String(rotation) });
    marking.ele('Location', point(at));
    const half = Math.max(box.maxX - box.minX, box.maxY - box.minY) / 2;
    const node = marking.ele('Text', {
      textString: xmlText(text),
      fontSize: String(Math.round((height / 25.4) * 72)),
    });
    node.ele('BoundingBox', {
      lowerLeftX: mm(-half),
      lowerLeftY: mm(-height / 2),
      upperRightX: mm(half),
      upperRightY: mm(height / 2),
    });
  }
}

function placed(node: XMLBuilder, { at, rotation }: Land): void {
  if (rotation !== 0) node.ele('Xform', { rotation: String(rotation) });
  node.ele('Location', point(at));
}

function outline(node: XMLBuilder, corners: readonly Point[], width: number): void {
  const item = node.ele('Outline');
  polygon(item, corners);
  item.ele('LineDesc', { lineEnd: 'ROUND', lineWidth: mm(width) });
}

function polygon(node: XMLBuilder, corners: readonly Point[]): void {
  steps(node.ele('Polygon'), [...corners, corners[0] as Point]);
}

/** A closed outline of straight and circular edges. */
function contour(node: XMLBuilder, outline: Contour): void {
  const item = node.ele('Polygon');
  const [first] = outline as readonly [Vertex];
  item.ele('PolyBegin', point(first));
  outline.forEach((from, i) => {
    const to = outline[(i + 1) % outline.length] as Vertex;
    if (!from.bulge) item.ele('PolyStepSegment', point(to));
    else {
      const { x, y } = arcCentre(from, to);
      const clockwise = String(from.bulge < 0);
      item.ele('PolyStepCurve', { ...point(to), centerX: mm(x), centerY: mm(y), clockwise });
    }
  });
}

function polyline(node: XMLBuilder, line: readonly Point[], width: number, closed: boolean): void {
  const item = node.ele('Polyline');
  steps(item, closed ? [...line, line[0] as Point] : line);
  item.ele('LineDesc', { lineEnd: 'ROUND', lineWidth: mm(width) });
}

function steps(node: XMLBuilder, [first, ...rest]: readonly Point[]): void {
  node.ele('PolyBegin', point(first as Point));
  for (const next of rest) node.ele('PolyStepSegment', point(next));
}

/** Where land 1 lies about the middle of the body, in the standard's words. */
function pinOneOrientation({ lands, body }: Writable['footprint']): string {
  const first = firstLand(lands);
  if (!first) return 'OTHER';
  const { at } = bodyAt(body.extent, 'nom');
  const [x, y] = [first.at.x - at.x, first.at.y - at.y];
  const away = Math.max(Math.abs(x), Math.abs(y)) / 20;
  const across = Math.abs(x) <= away ? 'CENTER' : x < 0 ? 'LEFT' : 'RIGHT';
  if (Math.abs(y) <= away) return across;
  return `${y > 0 ? 'UPPER' : 'LOWER'}_${across}`;
}

function bodyAndLands(lands: readonly Land[], body: Box): Box {
  return boxRound([body, ...lands.map(({ contact }) => contact.max)]) as Box;
}

function shapeId(figure: Figure): string {
  const { width, height } = sizeOf(figure);
  const pair = `${mm(width)}_${mm(height)}`;
  switch (figure.kind) {
    case 'round':
      return `CIRCLE_${mm(width)}`;
    case 'oblong':
      return `OVAL_${pair}`;
    case 'd-shape':
      return `DSHAPE_${pair}`;
    case 'contour':
      return `CONTOUR_${pair}_${fingerprint(figure.outline)}`;
    case 'rectangle': {
      const { chamfer, radius } = figure;
      if (chamfer) return `CHAMFER_${pair}_${mm(chamfer.size)}_${chamfer.corners.join('_')}`;
      return radius ? `ROUNDED_${pair}_${mm(radius)}` : `RECT_${pair}`;
    }
  }
}

/** Tells outlines of one size apart (FNV-1a over their coordinates). */
function fingerprint(outline: Contour): string {
  let hash = 0x811c9dc5;
  for (const { x, y, bulge = 0 } of outline) {
    for (const letter of `${mm(x)} ${mm(y)} ${mm(bulge)};`) {
      hash = Math.imul(hash ^ letter.charCodeAt(0), 0x01000193) >>> 0;
    }
  }
  return hash.toString(16).padStart(8, '0');
}

function point({ x, y }: Point): { x: string; y: string } {
  return { x: mm(x), y: mm(y) };
}

function mm(value: number): string {
  return formatNumber(value, 0, 6);
}
