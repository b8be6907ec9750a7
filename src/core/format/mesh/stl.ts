import type { Format } from '../format';
import { meshedParts } from './solids';

/** The body as one binary STL. STL has no units and no colours. */
export const stl: Format = {
  id: 'stl',
  title: 'Body as triangles, STL',
  summary: 'The same without names and colours; the file does not say that it is in mm (STL, binary).',
  mediaType: 'model/stl',
  extension: '.stl',
  async write({ footprint: { body } }) {
    const [{ STLExporter }, { BufferAttribute, BufferGeometry, Group, Mesh }] = await Promise.all([
      import('three/examples/jsm/exporters/STLExporter.js'),
      import('three'),
    ]);
    const group = new Group();
    for (const { mesh } of meshedParts(body)) {
      const geometry = new BufferGeometry();
      geometry.setAttribute('position', new BufferAttribute(Float32Array.from(mesh.positions), 3));
      geometry.setIndex(new BufferAttribute(mesh.indices, 1));
      geometry.computeVertexNormals();
      group.add(new Mesh(geometry));
    }
    const view = new STLExporter().parse(group, { binary: true });
    return new Uint8Array(view.buffer, view.byteOffset, view.byteLength);
  },
};
