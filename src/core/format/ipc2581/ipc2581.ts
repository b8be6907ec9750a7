import { create } from 'xmlbuilder2';
import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import { boxRound, centreOf, cornersOf, type Box } from '../../geometry/box';
import type { Point } from '../../geometry/point';
import type { PadShape } from '../../padstack/padstack';
import { formatNumber } from '../../units/length';
import type { Land } from '../../footprint/footprint';
import type { Format, Writable } from '../format';
import { xmlText } from '../xml';

/** Layers of the component side that a surface-mount footprint uses: name and IPC-2581 function. */
const LAYERS = [
  { name: 'TOP', layerFunction: 'CONDUCTOR' },
  { name: 'TOP_MASK', layerFunction: 'SOLDERMASK' },
  { name: 'TOP_PASTE', layerFunction: 'PASTEMASK' },
  { name: 'TOP_LEGEND', layerFunction: 'LEGEND' },
  { name: 'TOP_ASSEMBLY', layerFunction: 'ASSEMBLY' },
  { name: 'TOP_COURTYARD', layerFunction: 'COURTYARD' },
] as const;

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
    for (const { name } of LAYERS) content.ele('LayerRef', { name });
    dictionary(content, compiled);
    const ecad = root.ele('Ecad', { name: footprint.standardName });
    ecad.ele('CadHeader', { units: 'MILLIMETER' });
    const data = ecad.ele('CadData');
    for (const { name, layerFunction } of LAYERS) {
      data.ele('Layer', { name, layerFunction, side: 'TOP', polarity: 'POSITIVE' });
    }
    step(data, compiled);
    return root.end({ prettyPrint: true }) + '\n';
  },
};

/** The shapes that padstacks refer to; equal ones are listed once. */
function dictionary(content: XMLBuilder, { footprint }: Writable): void {
  const shapes = new Map<string, PadShape>();
  for (const { copper, mask, paste } of footprint.padstacks) {
    for (const shape of [copper, mask, paste]) shapes.set(shapeId(shape), shape);
  }
  const list = content.ele('DictionaryStandard', { units: 'MILLIMETER' });
  for (const [id, { width, height }] of shapes) {
    list.ele('EntryStandard', { id }).ele('RectCenter', { width: mm(width), height: mm(height) });
  }
}

function step(data: XMLBuilder, compiled: Writable): void {
  const { footprint } = compiled;
  const node = data.ele('Step', { name: footprint.standardName });
  for (const stack of footprint.padstacks) {
    const definition = node.ele('PadStackDef', { name: stack.name });
    padDefinition(definition, 'TOP', stack.copper);
    padDefinition(definition, 'TOP_MASK', stack.mask);
    padDefinition(definition, 'TOP_PASTE', stack.paste);
  }
  node.ele('Datum', { x: '0', y: '0' });
  packageNode(node, compiled);
  jointOpenings(node, compiled);
  const courtyard = node.ele('LayerFeature', { layerRef: 'TOP_COURTYARD' }).ele('Set').ele('Features');
  courtyard.ele('Location', { x: '0', y: '0' });
  polyline(courtyard, [...cornersOf(footprint.courtyard.box)], COURTYARD_WIDTH, true);
}

function padDefinition(node: XMLBuilder, layerRef: string, shape: PadShape): void {
  if (shape.width <= 0 || shape.height <= 0) return;
  const pad = node.ele('PadstackPadDef', { layerRef, padUse: 'REGULAR' });
  pad.ele('Location', { x: '0', y: '0' });
  pad.ele('StandardPrimitiveRef', { id: shapeId(shape) });
}

/** Mask openings that free more than one land stand beside the padstacks. */
function jointOpenings(node: XMLBuilder, { footprint }: Writable): void {
  const joint = footprint.maskOpenings.filter(({ lands }) => lands.length > 1);
  if (joint.length === 0) return;
  const set = node.ele('LayerFeature', { layerRef: 'TOP_MASK' }).ele('Set');
  for (const { box } of joint) {
    const features = set.ele('Features');
    const centre = centreOf(box);
    features.ele('Location', point(centre));
    features.ele('RectCenter', { width: mm(box.maxX - box.minX), height: mm(box.maxY - box.minY) });
  }
}

function packageNode(node: XMLBuilder, { document, footprint, resolved }: Writable): void {
  const { extent } = footprint.body;
  const [first] = footprint.lands;
  const item = node.ele('Package', {
    name: footprint.standardName,
    type: resolved?.family.id === 'rectangular-chip' ? 'CHIP' : 'OTHER',
    pinOne: xmlText(first?.number ?? '1'),
    pinOneOrientation: footprint.lands.length === 2 ? 'LEFT' : 'UPPER_LEFT',
    height: mm(extent.height.max),
    comment: xmlText(document.name),
  });
  outline(item, cornersOf(bodyAndLands(footprint.lands, extent.x.max, extent.y.max)), 0.1);
  item.ele('PickupPoint', { x: '0', y: '0' });
  const pattern = item.ele('LandPattern');
  for (const land of footprint.lands) {
    const pad = pattern.ele('Pad', { padstackDefRef: land.padstack });
    placed(pad, land);
    const stack = footprint.padstacks.find(({ name }) => name === land.padstack);
    if (stack) pad.ele('StandardPrimitiveRef', { id: shapeId(stack.copper) });
    pad.ele('PinRef', { pin: xmlText(land.number) });
  }
  silkScreen(item, footprint);
  const assembly = item.ele('AssemblyDrawing');
  outline(assembly, footprint.assembly.outline, footprint.assembly.width);
  for (const land of footprint.lands) {
    const pin = item.ele('Pin', {
      number: xmlText(land.number),
      type: 'SURFACE',
      electricalType: 'UNDEFINED',
    });
    const { minX, minY, maxX, maxY } = land.contact.nom;
    pin.ele('Location', point(centreOf(land.contact.nom)));
    pin.ele('RectCenter', { width: mm(maxX - minX), height: mm(maxY - minY) });
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
  for (const { role, text, at, height } of texts) {
    const marking = screen.ele('Marking', { markingUsage: role === 'reference' ? 'REFDES' : 'PARTNAME' });
    marking.ele('Location', point(at));
    const half = (text.length * height * 0.6) / 2;
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

function polyline(node: XMLBuilder, line: readonly Point[], width: number, closed: boolean): void {
  const item = node.ele('Polyline');
  steps(item, closed ? [...line, line[0] as Point] : line);
  item.ele('LineDesc', { lineEnd: 'ROUND', lineWidth: mm(width) });
}

function steps(node: XMLBuilder, [first, ...rest]: readonly Point[]): void {
  node.ele('PolyBegin', point(first as Point));
  for (const next of rest) node.ele('PolyStepSegment', point(next));
}

function bodyAndLands(lands: readonly Land[], x: number, y: number): Box {
  const body = { minX: -x / 2, minY: -y / 2, maxX: x / 2, maxY: y / 2 };
  return boxRound([body, ...lands.map(({ contact }) => contact.max)]) as Box;
}

function shapeId({ width, height }: PadShape): string {
  return `RECT_${mm(width)}_${mm(height)}`;
}

function point({ x, y }: Point): { x: string; y: string } {
  return { x: mm(x), y: mm(y) };
}

function mm(value: number): string {
  return formatNumber(value, 0, 6);
}
