import type { Node } from '@gltf-transform/core';
import { rgbOf } from '../../body/colours';
import type { Part } from '../../geometry/solid';
import type { Format } from '../format';
import { meshedShapes } from './solids';

/** glTF is in metres with Y up; Tapis in millimetres with Z up: a turn of −90° about X and a thousandth. */
const STAND = {
  rotation: [-Math.SQRT1_2, 0, 0, Math.SQRT1_2] as [number, number, number, number],
  scale: 0.001,
};

/** The body as a binary glTF scene: one node for each part, equal parts with one mesh. */
export const gltf: Format = {
  id: 'gltf',
  title: 'Body for viewers, glTF',
  summary: 'Named and coloured parts in metres with Y up, as the standard asks (glTF 2.0, binary).',
  mediaType: 'model/gltf-binary',
  extension: '.glb',
  async write({ footprint: { standardName, body } }) {
    const { Document, WebIO } = await import('@gltf-transform/core');
    const document = new Document();
    document.getRoot().getAsset().generator = 'Tapis';
    const buffer = document.createBuffer();
    const root = document
      .createNode(standardName)
      .setRotation(STAND.rotation)
      .setScale([STAND.scale, STAND.scale, STAND.scale]);
    const scene = document.createScene(standardName).addChild(root);
    document.getRoot().setDefaultScene(scene);
    const shapes = meshedShapes(body);
    const materials = new Map(
      [...new Set(shapes.map(({ colour }) => colour))].map((colour) => {
        const [r, g, b] = rgbOf(colour).map(linear) as [number, number, number];
        return [
          colour,
          document.createMaterial(colour).setBaseColorFactor([r, g, b, 1]).setMetallicFactor(0),
        ];
      }),
    );
    const nodes = new Map<Part, Node>();
    for (const { name, colour, mesh, parts } of shapes) {
      const position = document
        .createAccessor()
        .setType('VEC3')
        .setArray(Float32Array.from(mesh.positions))
        .setBuffer(buffer);
      const indices = document
        .createAccessor()
        .setType('SCALAR')
        .setArray(mesh.indices.slice())
        .setBuffer(buffer);
      const primitive = document.createPrimitive().setAttribute('POSITION', position).setIndices(indices);
      primitive.setMaterial(materials.get(colour) ?? null);
      const shared = document.createMesh(name).addPrimitive(primitive);
      for (const part of parts) {
        const { x, y, z } = part.at;
        const node = document.createNode(part.name).setMesh(shared).setTranslation([x, y, z]);
        nodes.set(part, node.setRotation(turnOf(part)));
      }
    }
    // in the order of the parts, whatever their shape
    for (const part of body.assembly.parts) root.addChild(nodes.get(part) as Node);
    return new WebIO().writeBinary(document);
  },
};

/** How a part is turned, as a quaternion: over about Y first where it is, then about Z. */
function turnOf({ rotation, flipped }: Part): [number, number, number, number] {
  const half = (rotation * Math.PI) / 360;
  const [s, c] = [Math.sin(half), Math.cos(half)];
  return flipped ? [-s, c, 0, 0] : [0, 0, s, c];
}

/** A channel of a screen's colour as light. */
function linear(value: number): number {
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
}
