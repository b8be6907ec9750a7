import { create } from 'xmlbuilder2';
import { pathData, type Layer, type Stroke } from '../../drawing/drawing';
import { INK, INK_COLOUR } from '../../drawing/palette';
import { drawPlan, numberPlaces, textStrokes } from '../../drawing/plan';
import { boxRound, grow, type Box } from '../../geometry/box';
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
    const page = grow(boxRound([extent, ...footprint.texts.map(({ box }) => box)]) as Box, 0.5);
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
    const numbers = root.ele('g', { id: 'numbers', fill: INK_COLOUR, 'font-size': '0.4' });
    numberPlaces(footprint, 0.3).forEach(({ x, y }, i) => {
      numbers.ele('text', { x: round(x), y: round(0.14 - y) }).txt(xmlText(footprint.lands[i]?.number ?? ''));
    });
    const texts = root.ele('g', { id: 'texts', ...INK.legend });
    for (const stroke of textStrokes(footprint)) texts.ele('path', pathAttributes(stroke));
    return root.end({ prettyPrint: true }) + '\n';
  },
};

function pathAttributes(stroke: Stroke): Record<string, string> {
  return stroke.width === undefined
    ? { d: pathData(stroke) }
    : { d: pathData(stroke), 'stroke-width': String(stroke.width) };
}

function round(value: number): number {
  return Math.round(value * 1e4) / 1e4 + 0;
}
