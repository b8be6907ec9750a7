import { create } from 'xmlbuilder2';
import { verticesOf, type Layer, type Stroke } from '../../drawing/drawing';
import { INK, INK_COLOUR } from '../../drawing/palette';
import { drawPlan, numberPlaces, textStrokes } from '../../drawing/plan';
import { boxAt, boxOfPoints, boxRound, grow, type Box } from '../../geometry/box';
import type { Vertex } from '../../geometry/contour';
import { neighboursOf } from '../../geometry/neighbours';
import type { Format } from '../format';
import { xmlText } from '../xml';

/** The plan at 1:1: one unit is a millimetre, the page as large as the drawing. */
export const svg: Format = {
  id: 'svg',
  title: 'Plan drawing',
  summary: 'The plan at 1:1 with lands, openings, marks and courtyard (SVG).',
  mediaType: 'image/svg+xml',
  extension: '.svg',
  write({ document, footprint }) {
    const { strokes, extent } = drawPlan(footprint);
    const labels = numberPlaces(footprint, 0.3);
    const size = labelSize(labels);
    const mark = boxOfPoints(footprint.legend.pin1 ?? []);
    const page = grow(
      boxRound([
        extent,
        ...(mark ? [mark] : []),
        ...footprint.texts.map(({ box }) => box),
        ...labels.map(({ x, y, text }) => boxAt({ x, y }, text.length * WIDTH * size, size)),
      ]) as Box,
      0.5,
    );
    const [width, height] = [page.maxX - page.minX, page.maxY - page.minY].map((v) => round(v)) as [
      number,
      number,
    ];
    const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('http://www.w3.org/2000/svg', 'svg', {
      width: `${width}mm`,
      height: `${height}mm`,
      viewBox: `${round(page.minX)} ${round(-page.maxY)} ${width} ${height}`,
      'font-family': 'Barlow Semi Condensed, sans-serif',
      'text-anchor': 'middle',
    });
    root.ele('title').txt(xmlText(`${document.name}, ${footprint.standardName}`));
    for (const layer of Object.keys(INK) as Layer[]) {
      const drawn = strokes.filter((stroke) => stroke.layer === layer);
      if (drawn.length === 0) continue;
      const group = root.ele('g', { id: layer, ...INK[layer] });
      for (const stroke of drawn) group.ele('path', pathAttributes(stroke));
    }
    const numbers = root.ele('g', { id: 'numbers', fill: INK_COLOUR, 'font-size': String(size) });
    for (const { x, y, text } of labels)
      numbers.ele('text', { x: round(x), y: round(0.35 * size - y) }).txt(xmlText(text));
    const texts = root.ele('g', { id: 'texts', ...INK.legend });
    for (const stroke of textStrokes(footprint)) texts.ele('path', pathAttributes(stroke));
    return root.end({ prettyPrint: true }) + '\n';
  },
};

/** Width of a figure over the height of its type. */
const WIDTH = 0.5;
/** Height of the numbers where they have room, mm. */
const USUAL_SIZE = 0.4;

/** The largest type, up to the usual one, in which no two numbers run together. */
function labelSize(
  labels: readonly { readonly x: number; readonly y: number; readonly text: string }[],
): number {
  const reach = labels.map(({ x, y, text }) => boxAt({ x, y }, text.length * WIDTH * USUAL_SIZE, USUAL_SIZE));
  let size = USUAL_SIZE;
  for (const [i, j] of neighboursOf(reach).pairs(0.05)) {
    const [a, b] = [labels[i], labels[j]];
    if (!a || !b) continue;
    const wide = ((a.text.length + b.text.length) / 2 + 0.3) * WIDTH;
    size = Math.min(size, Math.max(Math.abs(a.x - b.x) / wide, Math.abs(a.y - b.y) / 0.8));
  }
  return Math.max(0.05, Math.floor(size * 100) / 100);
}

function pathAttributes(stroke: Stroke): Record<string, string> {
  const d = stroke.rings.map((ring) => pathOf(verticesOf(ring), stroke.closed)).join('');
  return stroke.width === undefined ? { d } : { d, 'stroke-width': String(stroke.width) };
}

/** A length as a file has it, to a nanometre. */
const exact = (value: number): string => String(Math.round(value * 1e6) / 1e6 + 0);
/** A radius is written finer than that: where half a circle lies rests on the last digit of it. */
const fine = (value: number): string => String(Math.round(value * 1e9) / 1e9);

/** A ring of lines and arcs as path data, places written out: other programs read them best so. */
function pathOf(ring: readonly Vertex[], closed: boolean): string {
  const [first] = ring;
  if (!first) return '';
  const ends = closed ? [...ring.slice(1), first] : ring.slice(1);
  const steps = ends.map((to, i) => {
    const from = ring[i] as Vertex;
    // the line back to the start is what Z draws
    if (closed && i === ends.length - 1 && !from.bulge) return '';
    return halves(from, to).map(edge).join('');
  });
  return `M${exact(first.x)} ${exact(-first.y)}${steps.join('')}${closed ? 'Z' : ''}`;
}

/** Arcs beyond this angle are written in two: the nearer to half a circle, the less their radius says. */
const WIDE = 2;

/** An edge, or its two halves where it is a wide arc. */
function halves(from: Vertex, to: Vertex): (readonly [Vertex, Vertex])[] {
  const { bulge = 0 } = from;
  if (4 * Math.atan(Math.abs(bulge)) <= WIDE) return [[from, to]];
  const half = Math.tan(Math.atan(bulge) / 2);
  // the arc runs to the right of the chord where its bulge is positive, by that share of half of it
  const middle: Vertex = {
    x: (from.x + to.x) / 2 + (bulge * (to.y - from.y)) / 2,
    y: (from.y + to.y) / 2 - (bulge * (to.x - from.x)) / 2,
    bulge: half,
  };
  return [...halves({ ...from, bulge: half }, middle), ...halves(middle, to)];
}

function edge([from, to]: readonly [Vertex, Vertex]): string {
  const end = `${exact(to.x)} ${exact(-to.y)}`;
  if (!from.bulge) return `L${end}`;
  const radius = fine(
    Math.hypot(to.x - from.x, to.y - from.y) / (2 * Math.sin(2 * Math.atan(Math.abs(from.bulge)))),
  );
  // y runs downwards in SVG: a counter-clockwise arc there has the sweep flag 0
  return `A${radius} ${radius} 0 0 ${from.bulge > 0 ? 0 : 1} ${end}`;
}

function round(value: number): number {
  return Math.round(value * 1e4) / 1e4 + 0;
}
