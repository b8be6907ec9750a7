import { create } from 'xmlbuilder2';
import { pathData, type Layer } from '../../drawing/drawing';
import { INK, INK_COLOUR } from '../../drawing/palette';
import { boxRound, grow, type Box } from '../../geometry/box';
import { drawBoard, drawBoardFrom, turnedOver } from '../../trial/drawing';
import type { CompiledTrial } from '../../trial/trial';
import { formatNumber } from '../../units/length';
import { framed, lying, MARGIN, TITLE } from '../paper/frame';
import { line, LINE, rectangle, type Item, type Page } from '../paper/page';
import { pdfOf } from '../paper/pdf';
import { putViews, scaleWords } from '../paper/views';
import { brokenInto } from '../paper/type';
import { xmlText } from '../xml';
import type { BoardFormat } from './board-format';

/** The plan of a board at 1:1 with the references of its parts: one unit is a millimetre. */
export const boardSvg: BoardFormat = {
  id: 'svg',
  title: 'Plan drawing',
  summary: 'The board from above at 1:1 with lands, marks and references (SVG).',
  mediaType: 'image/svg+xml',
  extension: '.svg',
  write(trial) {
    const { strokes } = drawBoard(trial);
    const page = grow(reach(trial), 1);
    const [width, height] = [page.maxX - page.minX, page.maxY - page.minY].map((v) =>
      formatNumber(v, 0, 4),
    ) as [string, string];
    const root = create({ version: '1.0', encoding: 'UTF-8' }).ele('http://www.w3.org/2000/svg', 'svg', {
      width: `${width}mm`,
      height: `${height}mm`,
      viewBox: `${formatNumber(page.minX, 0, 4)} ${formatNumber(-page.maxY, 0, 4)} ${width} ${height}`,
      'font-family': 'Barlow Semi Condensed, sans-serif',
      'text-anchor': 'middle',
    });
    root.ele('title').txt(xmlText(trial.trial.name));
    for (const layer of Object.keys(INK) as Layer[]) {
      const drawn = strokes.filter((stroke) => stroke.layer === layer);
      if (drawn.length === 0) continue;
      const group = root.ele('g', { id: layer, ...INK[layer] });
      for (const stroke of drawn)
        group.ele('path', {
          d: pathData(stroke),
          ...(stroke.width === undefined ? {} : { 'stroke-width': String(stroke.width) }),
        });
    }
    const names = root.ele('g', { id: 'references', fill: INK_COLOUR, 'font-size': '1.2' });
    for (const { reference, footprint } of trial.parts) {
      const { box } = footprint.courtyard;
      const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
      names.ele('text', { x: formatNumber(x, 0, 4), y: formatNumber(0.4 - y, 0, 4) }).txt(xmlText(reference));
    }
    return root.end({ prettyPrint: true }) + '\n';
  },
};

/** The board and what stands out of it. */
const reach = ({ board, parts }: CompiledTrial): Box =>
  boxRound([board.box, ...parts.map(({ footprint }) => footprint.courtyard.box)]) ?? board.box;

/** Rows of the list of parts on a sheet. */
const ROWS = 46;

/** The sheets of a board: three views from above, the plan from below, and the list of its parts. */
export function boardPages(trial: CompiledTrial): Page[] {
  const size = lying();
  const over = turnedOver(trial);
  const field = {
    left: MARGIN + 2,
    top: MARGIN + 2,
    width: size.width - 2 * MARGIN - 4,
    height: size.height - 2 * MARGIN - 4,
    corner: { width: TITLE.width, height: TITLE.height },
  };
  const view = (shown: CompiledTrial, name: string): { items: Item[]; scale: number } => {
    const [plan, front, side] = [
      drawBoard(shown),
      drawBoardFrom(shown, 'front'),
      drawBoardFrom(shown, 'side'),
    ];
    const put = putViews({ plan, front, side, lines: [] }, field);
    const names = shown.parts
      .filter(({ footprint }) => !footprint.far)
      .flatMap(({ reference, footprint }) =>
        referenceItem(reference, footprint.courtyard.box, put.plan, put.scale),
      );
    return {
      items: [
        ...put.items,
        ...names,
        { kind: 'text', text: name, x: field.left + 1, y: field.top + 3.5, size: 2.6, bold: true },
      ],
      scale: put.scale,
    };
  };
  const { maxX, maxY } = trial.board.box;
  const fields = (scale: string, sheet: string): (readonly [string, string])[] => [
    ['Board', trial.trial.name],
    ['Sheet', sheet],
    [
      'Size',
      `${formatNumber(maxX, 0, 3)} × ${formatNumber(maxY, 0, 3)} × ${formatNumber(trial.board.thickness, 0, 3)} mm`,
    ],
    ['Process', trial.process.name],
    ['Scale', scale],
    ['Parts', String(trial.parts.length)],
  ];
  const lists = Math.ceil(trial.parts.length / (2 * ROWS));
  const count = 2 + lists;
  const [top, bottom] = [view(trial, 'From above'), view(over, 'From below')];
  return [
    framed(size, top.items, fields(scaleWords(top.scale), `1 of ${count}`)),
    framed(size, bottom.items, fields(scaleWords(bottom.scale), `2 of ${count}`)),
    ...Array.from({ length: lists }, (_, i) =>
      framed(size, listItems(trial, i * 2 * ROWS), fields('', `${3 + i} of ${count}`)),
    ),
  ];
}

/** Type that is smaller is not read on paper, mm. */
const SMALLEST = 1.1;

function referenceItem(
  text: string,
  { minX, minY, maxX, maxY }: Box,
  put: (p: { x: number; y: number }) => { x: number; y: number },
  scale: number,
): Item[] {
  const [w, h] = [(maxX - minX) * scale, (maxY - minY) * scale];
  const size = Math.min(2.2, (Math.max(w, h) / text.length) * 1.6, Math.min(w, h) * 0.8);
  if (size < SMALLEST) return [];
  const { x, y } = put({ x: (minX + maxX) / 2, y: (minY + maxY) / 2 });
  const upright = h > w && w < text.length * size * 0.55;
  return [
    upright
      ? { kind: 'text', text, x: x + size * 0.35, y, size, anchor: 'middle', bold: true, upright: true }
      : { kind: 'text', text, x, y: y + size * 0.35, size, anchor: 'middle', bold: true },
  ];
}

/** Columns of the list: their titles and widths, mm. */
const COLUMNS: readonly (readonly [string, number])[] = [
  ['Reference', 16],
  ['Footprint', 52],
  ['x', 15],
  ['y', 15],
  ['°', 11],
  ['Side', 13],
  ['Top', 13],
];
const ROW = 3.6;

function listItems({ parts }: CompiledTrial, from: number): Item[] {
  const width = COLUMNS.reduce((sum, [, w]) => sum + w, 0);
  return [0, 1].flatMap((column) => {
    const some = parts.slice(from + column * ROWS, from + (column + 1) * ROWS);
    if (some.length === 0) return [];
    const [left, top] = [MARGIN + 3 + column * (width + 4), MARGIN + 4];
    const rows = [
      COLUMNS.map(([title]) => title),
      ...some.map(({ reference, compiled, placement, footprint }) => [
        reference,
        compiled.document.name,
        formatNumber(placement.at.x, 2, 3),
        formatNumber(placement.at.y, 2, 3),
        formatNumber(placement.angle, 0, 2),
        placement.far ? 'bottom' : 'top',
        formatNumber(footprint.body.heights.top.max, 2, 2),
      ]),
    ];
    return [
      rectangle(left, top, width, ROW * rows.length, { stroke: LINE.usual }),
      ...rows.flatMap((row, i): Item[] => {
        const y = top + i * ROW;
        let x = left;
        return [
          ...(i === 0 ? [] : [line({ x: left, y }, { x: left + width, y })]),
          ...row.map((text, k): Item => {
            const [, own] = COLUMNS[k] as (typeof COLUMNS)[number];
            const [said = ''] = brokenInto(text, 2, own - 1.6, i === 0);
            const item: Item = { kind: 'text', text: said, x: x + 0.8, y: y + 2.6, size: 2, bold: i === 0 };
            x += own;
            return item;
          }),
        ];
      }),
    ];
  });
}

export const boardPdf: BoardFormat = {
  id: 'drawing',
  title: 'Drawing',
  summary:
    'Plan and elevations from above and from below, and the list of parts, at a scale of the trade (PDF).',
  mediaType: 'application/pdf',
  extension: '.drawing.pdf',
  write: (trial) => pdfOf(boardPages(trial), { title: trial.trial.name, subject: 'Board drawing' }),
};
