// Writes the foreign models of the tests, by a kernel that Tapis does not use otherwise. The files are
// compressed: they are read back by name. Run as npm run foreign.
import { mkdirSync, writeFileSync } from 'node:fs';
import { brotliCompressSync, constants } from 'node:zlib';
import { compoundShapes, createAssembly, exportSTEP, getOC, setOC } from 'replicad';
import loadKernel from 'replicad-opencascadejs';
import { FOREIGN, type Foreign } from './foreign/models';
import type { Piece } from './foreign/solids';

const FOLDER = 'tests/data/foreign';

setOC(await loadKernel());
mkdirSync(FOLDER, { recursive: true });
const wanted = process.argv.slice(2);

/** What a file says, without the day it was written on. */
async function textOf({ pieces, unit = 'MM', as }: Foreign): Promise<Uint8Array> {
  const made = pieces();
  if (as === 'stl') {
    const blob = compoundShapes(made.map(({ shape }) => shape)).blobSTL({ binary: true, tolerance: 0.002 });
    return new Uint8Array(await blob.arrayBuffer());
  }
  const step = made.some(({ faces }) => faces)
    ? withFaceColours(made)
    : await exportSTEP([...made], { unit, modelUnit: 'MM' }).text();
  return new TextEncoder().encode(step.replace(/'\d{4}-\d\d-\d\dT[\d:]+'/, "'1970-01-01T00:00:00'"));
}

/** As the library exports, with colours of single faces. */
function withFaceColours(pieces: readonly Piece[]): string {
  const oc = getOC();
  const { wrapped: document } = createAssembly([...pieces]);
  const shapes = oc.XCAFDoc_DocumentTool.ShapeTool(document.Main());
  const colours = oc.XCAFDoc_DocumentTool.ColorTool(document.Main());
  for (const { shape, faces } of pieces) {
    if (!faces) continue;
    const label = new oc.TDF_Label();
    if (!shapes.FindShape(shape.wrapped, label, false)) throw new Error('the shape is not in its document');
    const [r, g, b] = [1, 3, 5].map((at) => parseInt(faces.color.slice(at, at + 2), 16) / 255) as [
      number,
      number,
      number,
    ];
    for (const face of shape.faces.filter(faces.are))
      colours.SetColor(
        shapes.AddSubShape(label, face.wrapped),
        new oc.Quantity_ColorRGBA(r, g, b, 1),
        oc.XCAFDoc_ColorType.XCAFDoc_ColorSurf,
      );
  }
  const writer = new oc.STEPCAFControl_Writer(new oc.XSControl_WorkSession(), false);
  writer.SetColorMode(true);
  writer.SetNameMode(true);
  if (!writer.Perform(document, 'faces.step', new oc.Message_ProgressRange()))
    throw new Error('the file could not be written');
  return new TextDecoder().decode(oc.FS.readFile('/faces.step') as Uint8Array);
}

for (const [name, foreign] of Object.entries(FOREIGN)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const bytes = await textOf(foreign);
  const packed = brotliCompressSync(bytes, {
    params: { [constants.BROTLI_PARAM_LGWIN]: 24, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length },
  });
  writeFileSync(`${FOLDER}/${name}.${foreign.as ?? 'step'}.br`, packed);
  console.log(`${name}: ${bytes.length} bytes, packed ${packed.length}`);
}
