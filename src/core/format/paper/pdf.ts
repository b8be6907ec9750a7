import type * as PdfLib from '@cantoo/pdf-lib';
import type { PDFFont, PDFOperator, PDFPage } from '@cantoo/pdf-lib';
import { unpackedFace } from './face';
import { bold, regular } from './generated/fonts.js';
import type { Item, Page, PathItem, TextItem } from './page';
import { runsOf, widthOf, written } from './type';

/** Points of a PDF in a millimetre. */
const POINTS = 72 / 25.4;

export interface Made {
  readonly title: string;
  readonly subject: string;
  /** When it was made, as whoever asks for it says; a fixed day where nobody says, so that files stay alike. */
  readonly date?: Date;
}

/** Writes pages as a PDF: lines stay lines, texts can be searched, the type is in the file. */
export async function pdfOf(
  pages: readonly Page[],
  { title, subject, date = new Date(0) }: Made,
): Promise<Uint8Array> {
  const [lib, fontkit] = await Promise.all([import('@cantoo/pdf-lib'), import('fontkit')]);
  const document = await lib.PDFDocument.create();
  document.registerFontkit(fontkit as unknown as Parameters<typeof document.registerFontkit>[0]);
  const embed = (face: string) =>
    document.embedFont(unpackedOnce(face, lib.decodeFromBase64), { subset: true });
  const others = new Map<string, PDFFont>();
  const scripts = scriptsIn(pages);
  if (scripts.size > 0) {
    const { faces } = await import('./generated/other-faces.js');
    for (const script of scripts) others.set(script, await embed(faces[script] ?? ''));
  }
  const fonts = {
    regular: await embed(regular.base64),
    bold: await embed(bold.base64),
    others,
  };
  document.setTitle(title, { showInWindowTitleBar: true });
  document.setSubject(subject);
  document.setProducer('Tapis');
  document.setCreator('Tapis');
  document.setCreationDate(date);
  document.setModificationDate(date);
  for (const { width, height, items } of pages) {
    const page = document.addPage([width * POINTS, height * POINTS]);
    for (const item of items) draw(lib, page, item, height, fonts);
  }
  return document.save({ useObjectStreams: false });
}

const unpacked = new Map<string, Uint8Array>();

/** Faces are unpacked for the first file that has them. */
function unpackedOnce(face: string, decode: (base64: string) => Uint8Array): Uint8Array {
  const known = unpacked.get(face) ?? unpackedFace(decode(face));
  unpacked.set(face, known);
  return known;
}

type Lib = typeof PdfLib;
interface Fonts {
  readonly regular: PDFFont;
  readonly bold: PDFFont;
  /** By the script that they bring. */
  readonly others: ReadonlyMap<string, PDFFont>;
}

/** Scripts of the letters on pages that the type has not. */
function scriptsIn(pages: readonly Page[]): Set<string> {
  const scripts = new Set<string>();
  for (const { items } of pages)
    for (const item of items)
      if (item.kind === 'text')
        for (const { script } of runsOf(written(item.text))) if (script !== '') scripts.add(script);
  return scripts;
}

function draw(lib: Lib, page: PDFPage, item: Item, height: number, fonts: Fonts): void {
  if (item.kind === 'text') return text(lib, page, item, height, fonts);
  const operators = pathOperators(lib, item, height);
  // a path of thousands is more than one call may be handed
  for (let i = 0; i < operators.length; i += AT_ONCE) page.pushOperators(...operators.slice(i, i + AT_ONCE));
}

const AT_ONCE = 5000;

function text(lib: Lib, page: PDFPage, item: TextItem, height: number, fonts: Fonts): void {
  const { x, y, size, anchor = 'start', upright = false, ink = 0 } = item;
  const said = written(item.text);
  if (said.trim() === '') return;
  const width = widthOf(said, size, item.bold);
  const back = anchor === 'start' ? 0 : anchor === 'middle' ? width / 2 : width;
  let along = -back;
  for (const run of runsOf(said)) {
    page.drawText(run.text, {
      x: (upright ? x : x + along) * POINTS,
      y: (height - (upright ? y - along : y)) * POINTS,
      size: size * POINTS,
      font: fonts.others.get(run.script) ?? (item.bold ? fonts.bold : fonts.regular),
      color: lib.grayscale(ink),
      ...(upright ? { rotate: lib.degrees(90) } : {}),
    });
    along += widthOf(run.text, size, item.bold);
  }
}

function pathOperators(
  lib: Lib,
  { steps, stroke, dash = [], ink = 0, fill }: PathItem,
  height: number,
): PDFOperator[] {
  const x = (value: number) => value * POINTS;
  const y = (value: number) => (height - value) * POINTS;
  const path = steps.map((step) => {
    switch (step[0]) {
      case 'M':
        return lib.moveTo(x(step[1]), y(step[2]));
      case 'L':
        return lib.lineTo(x(step[1]), y(step[2]));
      case 'C':
        return lib.appendBezierCurve(x(step[1]), y(step[2]), x(step[3]), y(step[4]), x(step[5]), y(step[6]));
      case 'Z':
        return lib.closePath();
    }
  });
  const paint =
    fill === undefined
      ? lib.stroke()
      : lib.PDFOperator.of(
          (stroke === undefined ? 'f*' : 'B*') as unknown as Parameters<typeof lib.PDFOperator.of>[0],
        );
  return [
    lib.pushGraphicsState(),
    ...(stroke === undefined
      ? []
      : [
          lib.setLineWidth(stroke * POINTS),
          lib.setLineCap(lib.LineCapStyle.Round),
          lib.setLineJoin(lib.LineJoinStyle.Round),
          lib.setStrokingGrayscaleColor(ink),
          lib.setDashPattern(
            dash.map((length) => length * POINTS),
            0,
          ),
        ]),
    ...(fill === undefined ? [] : [lib.setFillingGrayscaleColor(fill)]),
    ...path,
    paint,
    lib.popGraphicsState(),
  ];
}
