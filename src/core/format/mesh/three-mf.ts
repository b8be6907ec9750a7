import { create } from 'xmlbuilder2';
import type { Format } from '../format';
import { xmlText } from '../xml';
import { welded } from '../../geometry/mesh';
import type { Point3 } from '../../geometry/point';
import { standing, type Part } from '../../geometry/solid';
import { meshedShapes } from './solids';

const CORE = 'http://schemas.microsoft.com/3dmanufacturing/core/2015/02';
const RELATIONSHIP = 'http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel';
const MODEL = '3D/3dmodel.model';

const xml = (build: (root: ReturnType<typeof create>) => void) => {
  const root = create({ version: '1.0', encoding: 'UTF-8' });
  build(root);
  return root.end({ prettyPrint: true });
};

/** The body as a 3MF package: one item of its parts in mm and in their colours; equal parts share a mesh. */
export const threeMf: Format = {
  id: '3mf',
  title: 'Body for printing, 3MF',
  summary: 'Named and coloured parts in mm (3MF core specification).',
  mediaType: 'model/3mf',
  extension: '.3mf',
  async write({ footprint: { standardName, body } }) {
    const { strToU8, zipSync } = await import('fflate');
    const shapes = meshedShapes(body);
    const colours = [...new Set(shapes.map(({ colour }) => colour))];
    const model = xml((root) => {
      const node = root.ele(CORE, 'model', { unit: 'millimeter', 'xml:lang': 'en' });
      node.ele('metadata', { name: 'Title' }).txt(xmlText(standardName));
      node.ele('metadata', { name: 'Application' }).txt('Tapis');
      const resources = node.ele('resources');
      const base = resources.ele('basematerials', { id: 1 });
      for (const colour of colours) base.ele('base', { name: colour, displaycolor: colour.toUpperCase() });
      const idOf = new Map<Part, number>();
      shapes.forEach(({ name, colour, mesh, parts }, i) => {
        const id = i + 2;
        for (const part of parts) idOf.set(part, id);
        const object = resources.ele('object', {
          id,
          type: 'model',
          name: xmlText(name),
          pid: 1,
          pindex: colours.indexOf(colour),
        });
        // the format asks for solids whose triangles share their vertices
        const { positions, indices } = welded([mesh], 1e-7).mesh;
        const shape = object.ele('mesh');
        const vertices = shape.ele('vertices');
        for (let v = 0; v < positions.length; v += 3) {
          const [x, y, z] = [0, 1, 2].map((k) => tidy(positions[v + k] as number));
          vertices.ele('vertex', { x, y, z });
        }
        const triangles = shape.ele('triangles');
        for (let t = 0; t < indices.length; t += 3)
          triangles.ele('triangle', { v1: indices[t], v2: indices[t + 1], v3: indices[t + 2] });
      });
      // the part as a whole is one item; equal terminals share their mesh
      const whole = shapes.length + 2;
      const object = resources.ele('object', { id: whole, type: 'model', name: xmlText(standardName) });
      const components = object.ele('components');
      for (const part of body.assembly.parts)
        components.ele('component', { objectid: idOf.get(part), transform: transformOf(part) });
      node.ele('build').ele('item', { objectid: whole });
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

function tidy(value: number): number {
  return Math.round(value * 1e6) / 1e6 + 0;
}

/** Where a part stands, as the format's matrix: the images of the axes, row by row, and the shift. */
function transformOf(part: Part): string {
  const origin = part.at;
  const axis = (p: Point3) => {
    const { x, y, z } = standing(part, p);
    return [x - origin.x, y - origin.y, z - origin.z];
  };
  const rows = [axis({ x: 1, y: 0, z: 0 }), axis({ x: 0, y: 1, z: 0 }), axis({ x: 0, y: 0, z: 1 })];
  return [...rows.flat(), origin.x, origin.y, origin.z].map(tidy).join(' ');
}
