import { create } from 'xmlbuilder2';
import type { XMLBuilder } from 'xmlbuilder2/lib/interfaces';
import { cornersOf } from '../../geometry/box';
import type { Format, Writable } from '../format';
import { drawn, featuresOf, jointOpenings, keepOuts, slots } from './features';
import { layersOf, writeLayers, writeStackup, type FileLayer } from './layers';
import { writeComponent, writePackage } from './package';
import { writePadstacks } from './padstacks';
import { polygonSteps, shapeBook, type ShapeBook } from './shapes';

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
    return ipc2581File(footprint.standardName, layers, (data, book) => step(data, compiled, book));
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

function step(data: XMLBuilder, compiled: Writable, book: ShapeBook): void {
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
  const on = featuresOf(node);
  jointOpenings(on, footprint);
  slots(on, footprint);
  drawn(on('TOP_COURTYARD').ele('Set'), [...edge, ...edge.slice(0, 1)], width);
  keepOuts(on, footprint);
}
