import { artwork, stencil } from './artwork/artwork';
import { csv } from './csv/csv';
import { drawingPdf, drawingSvg } from './drawing-sheet/drawing-sheet';
import { dxf } from './dxf/dxf';
import type { Format } from './format';
import { idf } from './idf/idf';
import { ipc2581 } from './ipc2581/ipc2581';
import { json } from './json/json';
import { gltf } from './mesh/gltf';
import { stl } from './mesh/stl';
import { threeMf } from './mesh/three-mf';
import { paperCheck } from './paper-check/paper-check';
import { reportHtml, reportPdf } from './report/report';
import { pinsCsv, pinsJson } from './pins/pins';
import { placement } from './placement/placement';
import { step } from './step/format';
import { svg } from './svg/svg';

/** All formats that are written. To add one, make its folder and list it here. */
export const FORMATS: readonly Format[] = [
  json,
  drawingPdf,
  drawingSvg,
  reportPdf,
  reportHtml,
  paperCheck,
  svg,
  csv,
  pinsCsv,
  pinsJson,
  artwork,
  stencil,
  ipc2581,
  dxf,
  idf,
  step,
  gltf,
  threeMf,
  stl,
  placement,
];

/** Finds a format by id; `null` where there is none. */
export function formatById(id: string): Format | null {
  return FORMATS.find((format) => format.id === id) ?? null;
}
