import { create } from 'xmlbuilder2';
import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import type { Footprint } from '../../footprint/footprint';
import { cornersOf } from '../../geometry/box';
import type { Format, Writable } from '../format';
import { xmlText } from '../xml';
import { layersOf, writeLayers, writeStackup, type FileLayer } from './layers';
import { writeComponent, writePackage } from './package';
import { writePadstacks } from './padstacks';
import { located, mm, polygonSteps, polyline, primitive, shapeBook, type ShapeBook } from './shapes';

/** Files of one document are alike whenever they are written: the standard's date is a fixed one. */
const DATE = '1970-01-01T00:00:00Z';

/**
 * One package with its padstacks, land pattern, legend, assembly drawing, courtyard, keep-outs and pins
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
    const layers = layersOf(compiled);
    return ipc2581File(footprint.standardName, layers, (data, book) => step(data, compiled, layers, book));
  },
};

/** A file with one step. @param write puts the step into the data; what it refers to is listed before it */
export function ipc2581File(
  name: string,
  layers: readonly FileLayer[],
  write: (data: XMLBuilder, book: ShapeBook) => void,
): string {
  const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('IPC-2581', {
    revision: 'C',
    xmlns: 'http://webstds.ipc.org/2581',
  });
  const book = shapeBook();
  const content = root.ele('Content', { roleRef: 'Owner' });
  content.ele('FunctionMode', { mode: 'USERDEF' });
  content.ele('StepRef', { name });
  for (const layer of layers) content.ele('LayerRef', { name: layer.name });
  header(root);
  const ecad = root.ele('Ecad', { name });
  ecad.ele('CadHeader', { units: 'MILLIMETER' });
  const data = ecad.ele('CadData');
  writeLayers(data, layers);
  writeStackup(data, layers);
  write(data, book);
  // the dictionaries hold what the step refers to
  book.write(content);
  return root.end({ prettyPrint: true }) + '\n';
}

/** Who wrote the file: the standard wants a role, an enterprise and a person. */
function header(root: XMLBuilder): void {
  const logistic = root.ele('LogisticHeader');
  logistic.ele('Role', { id: 'Owner', roleFunction: 'OWNER' });
  logistic.ele('Enterprise', { id: 'Unknown', code: 'NONE', name: 'not stated' });
  logistic.ele('Person', { name: 'not stated', enterpriseRef: 'Unknown', roleRef: 'Owner' });
  const history = root.ele('HistoryRecord', {
    number: '1',
    origination: DATE,
    software: 'Tapis',
    lastChange: DATE,
  });
  const revision = history.ele('FileRevision', { fileRevisionId: '1', comment: '' });
  const software = revision.ele('SoftwarePackage', { name: 'Tapis', revision: '1', vendor: 'Tapis' });
  software.ele('Certification', { certificationStatus: 'SELFTEST' });
}

function step(data: XMLBuilder, compiled: Writable, layers: readonly FileLayer[], book: ShapeBook): void {
  const { footprint } = compiled;
  const node = data.ele('Step', { name: footprint.standardName, type: 'BOARD' });
  writePadstacks(node, footprint, book);
  node.ele('Datum', { x: '0', y: '0' });
  const { contour: round, box, width } = footprint.courtyard;
  const edge = round ?? cornersOf(box);
  // the footprint alone is as large as its courtyard
  polygonSteps(node.ele('Profile').ele('Polygon'), edge);
  writePackage(node, compiled, book);
  writeComponent(node, compiled);
  jointOpenings(node, footprint);
  if (layers.some(({ name }) => name === 'DRILL')) slots(node, footprint);
  const courtyard = node.ele('LayerFeature', { layerRef: 'TOP_COURTYARD' }).ele('Set').ele('Features');
  courtyard.ele('Location', { x: '0', y: '0' });
  polyline(courtyard, [...edge, ...edge.slice(0, 1)], width);
  keepOuts(node, footprint);
}

/** Slots of lands, and slots and cut-outs without copper, as the figures that are milled. */
export function slots(node: XMLBuilder, { lands, bores }: Pick<Footprint, 'lands' | 'bores'>): void {
  const slotted = [
    ...lands.flatMap(({ number, hole, plated, padstack }) => {
      const { plus = 0, minus = 0 } = padstack.hole ?? {};
      return hole ? [{ name: number, hole, plated, plus, minus }] : [];
    }),
    ...bores.map(({ hole }, i) => ({ name: `bore_${i + 1}`, hole, plated: false, plus: 0, minus: 0 })),
  ].filter(({ hole }) => hole.figure.kind !== 'round');
  if (slotted.length === 0) return;
  const set = node.ele('LayerFeature', { layerRef: 'DRILL' }).ele('Set');
  for (const { name, hole, plated, plus, minus } of slotted) {
    const slot = set.ele('SlotCavity', {
      name: `slot_${xmlText(name)}`,
      platingStatus: plated ? 'PLATED' : 'NONPLATED',
      plusTol: mm(plus),
      minusTol: mm(minus),
    });
    located(slot, hole.at, hole.rotation);
    primitive(slot, hole.figure);
  }
}

/** Mask openings that free more than one land, or none, stand beside the padstacks. */
export function jointOpenings(node: XMLBuilder, { maskOpenings }: Pick<Footprint, 'maskOpenings'>): void {
  const joint = maskOpenings.filter(({ lands }) => lands.length !== 1);
  for (const far of [false, true]) {
    const own = joint.filter((mask) => mask.far === far);
    if (own.length === 0) continue;
    const set = node.ele('LayerFeature', { layerRef: far ? 'BOTTOM_MASK' : 'TOP_MASK' }).ele('Set');
    for (const { opening } of own) {
      const features = set.ele('Features');
      located(features, opening.at, opening.rotation);
      primitive(features, opening.figure);
    }
  }
}

/** Areas that something stays out of, each with what it is free of and on which side. */
export function keepOuts(node: XMLBuilder, { keepOuts: areas }: Pick<Footprint, 'keepOuts'>): void {
  if (areas.length === 0) return;
  const layer = node.ele('LayerFeature', { layerRef: 'KEEP_OUT' });
  for (const { area, what, side, why } of areas) {
    const set = layer.ele('Set');
    const say = (name: string, value: string) =>
      set.ele('NonstandardAttribute', { name, value: xmlText(value), type: 'STRING' });
    say('keepOut', what);
    say('side', side);
    if (why) say('why', why);
    const features = set.ele('Features');
    located(features, area.at, area.rotation);
    primitive(features, area.figure);
  }
}
