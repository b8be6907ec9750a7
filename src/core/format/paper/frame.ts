import type { Checked } from '../../check/guarded';
import { line, LINE, PAPERS, rectangle, type Item, type Page, type Paper } from './page';
import { brokenInto } from './type';

/** What the person who hands over says, beside the document. */
export interface HandOver {
  readonly paper?: Paper;
  /** The kept revision that it is, and how that stands. */
  readonly revision?: string;
  /** The day that is printed, as `2026-05-04`; none is where nobody says one, so that files stay alike. */
  readonly date?: string;
  /** The last approved revision, compiled and checked: what changed since is told. */
  readonly previous?: Checked;
  /** What the rulers of 100 mm measured on the last print, mm. */
  readonly calibration?: { readonly across: number; readonly upright: number };
}

/** Distance of the frame from the edge of the paper, mm. */
export const MARGIN = 8;
export const TITLE = { width: 98, height: 38 } as const;

export interface Size {
  readonly width: number;
  readonly height: number;
}

/** A sheet of paper lying. */
export function lying(paper: Paper = 'a4'): Size {
  const { width, height } = PAPERS[paper];
  return { width: height, height: width };
}

/** One sheet inside of its frame, with its title block. @param fields names and values, the first two larger */
export function framed(
  { width, height }: Size,
  items: readonly Item[],
  fields: readonly (readonly [string, string])[],
): Page {
  return {
    width,
    height,
    items: [
      rectangle(MARGIN, MARGIN, width - 2 * MARGIN, height - 2 * MARGIN, { stroke: LINE.bold }),
      ...items,
      ...titleBlock(width - MARGIN - TITLE.width, height - MARGIN - TITLE.height, fields),
    ],
  };
}

function titleBlock(x: number, y: number, fields: readonly (readonly [string, string])[]): Item[] {
  const half = TITLE.width / 2;
  const rows = [9, 7, 7, 7, 8];
  const tops = rows.map((_, i) => y + rows.slice(0, i).reduce((sum, row) => sum + row, 0));
  const items: Item[] = [
    rectangle(x, y, TITLE.width, TITLE.height, { stroke: LINE.usual, fill: 1 }),
    ...tops.slice(1).map((top) => line({ x, y: top }, { x: x + TITLE.width, y: top })),
    line({ x: x + half, y }, { x: x + half, y: y + TITLE.height }),
  ];
  fields.slice(0, 10).forEach(([name, value], i) => {
    const [left, top] = [x + (i % 2) * half + 1.2, tops[Math.floor(i / 2)] ?? y];
    const isFirst = i < 2;
    const [said = ''] = brokenInto(value, isFirst ? 3 : 2.4, half - 2.4, isFirst);
    items.push(
      { kind: 'text', text: name, x: left, y: top + 2.4, size: 1.7, ink: 0.35 },
      {
        kind: 'text',
        text: said,
        x: left,
        y: top + (isFirst ? 7 : 5.8),
        size: isFirst ? 3 : 2.4,
        bold: isFirst,
      },
    );
  });
  return [...items, ...projectionSign(x + TITLE.width - 15, y + TITLE.height - 4)];
}

/** The sign of third-angle projection: the cone's end seen from the left stands at its left. */
function projectionSign(x: number, y: number): Item[] {
  const circle = (r: number): Item => {
    const k = 0.5523 * r;
    return {
      kind: 'path',
      steps: [
        ['M', x + r, y],
        ['C', x + r, y + k, x + k, y + r, x, y + r],
        ['C', x - k, y + r, x - r, y + k, x - r, y],
        ['C', x - r, y - k, x - k, y - r, x, y - r],
        ['C', x + k, y - r, x + r, y - k, x + r, y],
        ['Z'],
      ],
      stroke: LINE.thin,
    };
  };
  return [
    circle(2.2),
    circle(1.1),
    {
      kind: 'path',
      steps: [
        ['M', x + 4.5, y - 1.1],
        ['L', x + 9, y - 2.2],
        ['L', x + 9, y + 2.2],
        ['L', x + 4.5, y + 1.1],
        ['Z'],
      ],
      stroke: LINE.thin,
    },
    line({ x: x - 3, y }, { x: x + 10, y }, 0.08, { dash: [1.2, 0.4, 0.2, 0.4] }),
  ];
}
