import type { Layer } from './drawing';

/** Text and legend on paper. */
export const INK_COLOUR = '#22303a';

/** How a layer is drawn on white paper; line widths in mm. */
export const INK: Readonly<Partial<Record<Layer, Readonly<Record<string, string>>>>> = {
  courtyard: {
    fill: 'none',
    stroke: '#8c7a1f',
    'stroke-width': '0.05',
    'stroke-dasharray': '0.4 0.15 0.1 0.15',
  },
  mask: { fill: '#4d7f5b', 'fill-opacity': '0.35', 'fill-rule': 'evenodd' },
  board: { fill: 'none', stroke: INK_COLOUR, 'stroke-width': '0.15' },
  copper: { fill: '#b9733f' },
  'keep-out': { fill: 'none', stroke: '#8a3b3b', 'stroke-width': '0.05', 'stroke-dasharray': '0.3 0.2' },
  'board-edge': { fill: 'none', stroke: INK_COLOUR, 'stroke-width': '0.08', 'stroke-dasharray': '0.8 0.3' },
  cover: { fill: 'none', stroke: '#39464f', 'stroke-width': '0.1', 'stroke-dasharray': '2 0.6 0.4 0.6' },
  'other-side': { fill: 'none', stroke: '#39464f', 'stroke-width': '0.03', 'stroke-dasharray': '0.4 0.3' },
  paste: { fill: 'none', stroke: '#6d7780', 'stroke-width': '0.02' },
  'mask-edge': { fill: 'none', stroke: '#4d7f5b', 'stroke-width': '0.03' },
  'plated-hole': { fill: '#ffffff', stroke: '#b9733f', 'stroke-width': '0.05' },
  contact: { fill: '#3f6bb0', 'fill-opacity': '0.35', stroke: '#3f6bb0', 'stroke-width': '0.02' },
  hole: { fill: '#ffffff', stroke: '#22303a', 'stroke-width': '0.05' },
  body: { fill: 'none', stroke: '#39464f', 'stroke-width': '0.03' },
  legend: { fill: 'none', stroke: INK_COLOUR, 'stroke-linecap': 'round' },
  'legend-fill': { fill: INK_COLOUR },
};
