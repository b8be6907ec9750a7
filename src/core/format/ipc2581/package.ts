import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import { boxRound, cornersOf, type Box } from '../../geometry/box';
import type { Land } from '../../footprint/footprint';
import { firstLand } from '../../footprint/lands';
import { bodyAt } from '../../package/drawn';
import { HOME, type Placement } from '../../geometry/placement';
import { pinLabel, pinsByLand } from '../../footprint/pins';
import type { Writable } from '../format';
import { xmlText } from '../xml';
import { boreName, stackName, stackOf, viaName } from './padstacks';
import { located, mm, outline, point, polygonSteps, polyline, primitive, type ShapeBook } from './shapes';

/** What a file of several packages calls one of them, and what its padstacks begin with. */
export interface PackageNames {
  readonly name: string;
  readonly own: string;
}

/** The package with outline, land pattern, legend, assembly drawing and pins. */
export function writePackage(
  step: XMLBuilder,
  { document, footprint }: Pick<Writable, 'document' | 'footprint'>,
  book: ShapeBook,
  { name, own }: PackageNames = { name: footprint.standardName, own: '' },
): void {
  const { extent } = footprint.body;
  const first = firstLand(footprint.lands);
  const item = step.ele('Package', {
    name,
    type: footprint.package.type,
    // a part without pins has no first one
    ...(first && first.number !== ''
      ? { pinOne: xmlText(first.number), pinOneOrientation: pinOneOrientation(footprint) }
      : { pinOneOrientation: 'OTHER' }),
    height: mm(extent.height.max),
    comment: xmlText(document.name),
  });
  outline(item, cornersOf(bodyAndLands(footprint.lands, bodyAt(extent, 'max'))), 0.1);
  // a placement machine picks the part in the middle of its body, wherever the origin is
  item.ele('PickupPoint', point(bodyAt(extent, 'nom').at));
  landPattern(item, footprint, book, own);
  silkScreen(item, footprint);
  outline(item.ele('AssemblyDrawing'), footprint.assembly.outline, footprint.assembly.width);
  pins(item, footprint);
}

/** A part, standing where its origin is: what its pins belong to. */
export function writeComponent(
  step: XMLBuilder,
  { document, footprint }: Pick<Writable, 'document' | 'footprint'>,
  {
    reference = document.marks?.reference ?? 'REF',
    packageName = footprint.standardName,
    placement = HOME,
  }: { readonly reference?: string; readonly packageName?: string; readonly placement?: Placement } = {},
): void {
  const { value } = document.marks ?? {};
  const { at, angle, far } = placement;
  const component = step.ele('Component', {
    refDes: xmlText(reference),
    packageRef: packageName,
    part: xmlText(value ?? footprint.standardName),
    layerRef: far ? 'BOTTOM' : 'TOP',
    mountType: footprint.lands.some(({ hole }) => hole !== null) ? 'THMT' : 'SMT',
  });
  if (angle !== 0 || far)
    component.ele('Xform', {
      ...(angle === 0 ? {} : { rotation: mm(angle) }),
      ...(far ? { mirror: 'true' } : {}),
    });
  component.ele('Location', point(at));
}

/** Lands with their vias, and the holes that have no land. */
function landPattern(
  item: XMLBuilder,
  { lands, bores }: Writable['footprint'],
  book: ShapeBook,
  own: string,
): void {
  const pattern = item.ele('LandPattern');
  for (const land of lands) {
    const pad = pattern.ele('Pad', { padstackDefRef: own + stackName(stackOf(land)) });
    located(pad, land.at, land.rotation);
    book.standard(pad, land.copper.figure);
    pad.ele('PinRef', { pin: xmlText(land.number) });
    for (const via of land.vias) {
      const node = pattern.ele('Pad', { padstackDefRef: own + viaName(via) });
      located(node, via);
      book.standard(node, { kind: 'round', diameter: via.land });
      node.ele('PinRef', { pin: xmlText(land.number) });
    }
  }
  for (const bore of bores) {
    const node = pattern.ele('Pad', { padstackDefRef: own + boreName(bore) });
    located(node, bore.at, bore.hole.rotation);
    book.standard(node, bore.hole.figure);
  }
}

/** One pin a number: what carries another's number is one terminal with it; what has none is a pin for itself. */
function pins(item: XMLBuilder, { lands, pins: meanings }: Writable['footprint']): void {
  const seen = new Set<string>();
  const byLand = pinsByLand(meanings);
  for (const land of lands) {
    if (land.number !== '' && seen.has(land.number)) continue;
    seen.add(land.number);
    const meant = byLand.get(land.id);
    const pin = item.ele('Pin', {
      number: xmlText(land.number),
      ...(meant && meant.name !== '' ? { name: xmlText(pinLabel(meant)) } : {}),
      type: land.hole === null ? 'SURFACE' : 'THRU',
      // the standard's words tell what is wired from what only holds; directions it has none for
      electricalType: meant && meant.direction !== 'not-connected' ? 'ELECTRICAL' : 'UNDEFINED',
    });
    const { figure, rotation, at } = land.contact.nom;
    located(pin, at, rotation);
    primitive(pin, figure);
  }
}

/** Legend and texts as strokes: what is printed does not hang on a reader's font. */
function silkScreen(item: XMLBuilder, { legend, texts }: Writable['footprint']): void {
  const screen = item.ele('SilkScreen');
  const marking = (markingUsage: string) => {
    const node = screen.ele('Marking', { markingUsage });
    node.ele('Location', { x: '0', y: '0' });
    return node;
  };
  for (const line of legend.lines) polyline(marking('NONE'), line, legend.width);
  if (legend.pin1) polygonSteps(marking('PIN_ONE').ele('Contour').ele('Polygon'), legend.pin1);
  for (const { role, lines, stroke } of texts) {
    if (lines.length === 0) continue;
    const strokes = marking(role === 'reference' ? 'REFDES' : 'PARTNAME').ele('UserSpecial');
    for (const line of lines) polyline(strokes, line, stroke);
  }
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
