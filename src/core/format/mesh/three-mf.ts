import { create } from 'xmlbuilder2';
import type { Format } from '../format';
import { xmlText } from '../xml';
import { welded } from '../../geometry/mesh';
import { meshedParts } from './solids';

const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';
const RELATIONSHIP = 'http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel';
const MODEL = '3D/3dmodel.model';

const xml = (build: (root: ReturnType<typeof create>) => void) => {
  const root = create({ version: '1.0', encoding: 'UTF-8' });
  build(root);
  return root.end({ prettyPrint: true });
};

/** The body as a 3MF package: parts as objects of their own, in mm, in their colours. */
export const threeMf: Format = {
  id: '3mf',
  title: 'Body for printing, 3MF',
  summary: 'Named and coloured parts in mm (3MF core specification).',
  mediaType: 'model/3mf',
  extension: '.3mf',
  async write({ footprint: { standardName, body } }) {
    const { strToU8, zipSync } = await import('fflate');
    const parts = meshedParts(body);
    const colours = [...new Set(parts.map(({ colour }) => colour))];
    const model = xml((root) => {
      const node = root.ele(CORE, 'model', { unit: 'millimeter', 'xml:lang': 'en' });
      node.ele('metadata', { name: 'Title' }).txt(xmlText(standardName));
      node.ele('metadata', { name: 'Application' }).txt('Tapis');
      const resources = node.ele('resources');
      const base = resources.ele('basematerials', { id: 1 });
      for (const colour of colours) base.ele('base', { name: colour, displaycolor: colour.toUpperCase() });
      const build = node.ele('build');
      parts.forEach(({ name, colour, mesh }, i) => {
        const id = i + 2;
        const object = resources.ele('object', {
          id,
          type: 'model',
          name: xmlText(name),
          pid: 1,
          pindex: colours.indexOf(colour),
        });
        // the format asks for solids whose triangles share their vertices
        const { positions, indices } = welded([mesh], 1e-7);
        const shape = object.ele('mesh');
        const vertices = shape.ele('vertices');
        for (let v = 0; v < positions.length; v += 3) {
          const [x, y, z] = [0, 1, 2].map((k) => Math.round((positions[v + k] as number) * 1e6) / 1e6 + 0);
          vertices.ele('vertex', { x, y, z });
        }
        const triangles = shape.ele('triangles');
        for (let t = 0; t < indices.length; t += 3)
          triangles.ele('triangle', { v1: indices[t], v2: indices[t + 1], v3: indices[t + 2] });
        build.ele('item', { objectid: id });
      });
    });
    const types = xml((root) => {
      const node = root.ele('http://schemas.openxmlformats.org/package/2006/content-types', 'Types');
      node.ele('Default', {
        Extension: 'rels',
        ContentType: 'application/vnd.openxmlformats-package.relationships+xml',
      });
      node.ele('Default', {
        Extension: 'model',
        ContentType: 'application/vnd.ms-package.3dmanufacturing-3dmodel+xml',
      });
    });
    const relationships = xml((root) => {
      const node = root.ele('http://schemas.openxmlformats.org/package/2006/relationships', 'Relationships');
      node.ele('Relationship', { Target: `/${MODEL}`, Id: 'model', Type: RELATIONSHIP });
    });
    const files = { '[Content_Types].xml': types, '_rels/.rels': relationships, [MODEL]: model };
    const entries = Object.entries(files).map(([name, text]) => [name, strToU8(text)] as const);
    // no time of writing: the same document gives the same file
    return zipSync(Object.fromEntries(entries), { mtime: '1980-01-01' });
  },
};
