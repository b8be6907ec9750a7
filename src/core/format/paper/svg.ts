import { create } from 'xmlbuilder2';
import { xmlText } from '../xml';
import type { Item, Page } from './page';
import { written } from './type';

const number = (value: number): string => String(Math.round(value * 1e4) / 1e4 + 0);
/** How light ink is, as a colour. */
const grey = (light: number): string => {
  const part = Math.round(Math.min(1, Math.max(0, light)) * 255)
    .toString(16)
    .padStart(2, '0');
  return `#${part}${part}${part}`;
};

/** A page as an SVG at its true size. */
export function svgOf({ width, height, items }: Page, title: string): string {
  const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('http://www.w3.org/2000/svg', 'svg', {
    width: `${number(width)}mm`,
    height: `${number(height)}mm`,
    viewBox: `0 0 ${number(width)} ${number(height)}`,
    'font-family': 'Barlow Semi Condensed, sans-serif',
  });
  root.ele('title').txt(xmlText(title));
  for (const item of items) {
    const node = root.ele(item.kind === 'text' ? 'text' : 'path', attributesOf(item));
    if (item.kind === 'text') node.txt(xmlText(written(item.text)));
  }
  return `${root.end({ prettyPrint: true })}\n`;
}

/** What an item is drawn with. */
export function attributesOf(item: Item): Record<string, string> {
  if (item.kind === 'text') {
    const { x, y, size, bold = false, anchor = 'start', upright = false, ink = 0 } = item;
    return {
      x: number(x),
      y: number(y),
      'font-size': number(size),
      fill: grey(ink),
      ...(bold ? { 'font-weight': '600' } : {}),
      ...(anchor === 'start' ? {} : { 'text-anchor': anchor }),
      ...(upright ? { transform: `rotate(-90 ${number(x)} ${number(y)})` } : {}),
    };
  }
  const { steps, stroke, dash, ink = 0, fill } = item;
  return {
    d: steps.map(([kind, ...values]) => `${kind}${values.map(number).join(' ')}`).join(''),
    fill: fill === undefined ? 'none' : grey(fill),
    ...(fill === undefined ? {} : { 'fill-rule': 'evenodd' }),
    ...(stroke === undefined
      ? {}
      : {
          stroke: grey(ink),
          'stroke-width': number(stroke),
          'stroke-linecap': 'round',
          'stroke-linejoin': 'round',
        }),
    ...(dash ? { 'stroke-dasharray': dash.map(number).join(' ') } : {}),
  };
}
