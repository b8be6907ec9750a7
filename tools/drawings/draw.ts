import { dimension, leader, printed, type Style } from './draught';
import { Paper } from './paper';
import type { OutlineScene } from './outlines';
import type { DrawnLand, PatternScene } from './patterns';

// A land pattern on a page, in a way of drawing.

const PAGE = { width: 595, height: 420 };

/** Draws a page; `seed` moves things a little, so that no two pages are alike. */
export async function drawPattern(
  scene: PatternScene,
  style: Style,
  seed = 0,
  title = style.form === 'comma' ? 'LP-04' : 'RECOMMENDED LAND PATTERN',
): Promise<Uint8Array> {
  const { paper, save } = await Paper.open(PAGE.width, PAGE.height, style.hand);
  if (style.framed) frame(paper, style);
  patternOn(paper, scene, style, (scene.neighbour ? 215 : 290) + 3 * (seed % 5), 205 - 2 * (seed % 3), seed);
  paper.text(title, 300, 398, 9);
  paper.text(NOTES[style.form] ?? 'All dimensions in millimetres.', 20, 22, 7, 0, '0 g', 'start');
  return save();
}

/** A land pattern with its numbers about a place of the page. */
function patternOn(
  paper: Paper,
  scene: PatternScene,
  style: Style,
  cx: number,
  cy: number,
  seed: number,
): void {
  const { lands, holes = [], body } = scene;
  const [sx, sy] = scene.stretch ?? [1, 1];
  const xs = lands.flatMap(({ x, w }) => [x - w / 2, x + w / 2]);
  const ys = lands.flatMap(({ y, h }) => [y - h / 2, y + h / 2]);
  const [w, h] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
  const k = Math.min(210 / w, 170 / h, 60) * (1 - 0.03 * (seed % 4));
  const px = (x: number) => cx + k * sx * x;
  const py = (y: number) => cy + k * sy * y;
  if (body)
    paper.shape(
      paper.rect(px(-body[0] / 2), py(-body[1] / 2), k * sx * body[0], k * sy * body[1]),
      'line',
      '0 g',
      0.3,
    );
  for (const land of lands)
    drawLand(
      paper,
      style,
      land,
      px,
      py,
      k * sx,
      k * sy,
      holes.some((hole) => hole.x === land.x && hole.y === land.y),
    );
  for (const { x, y, d } of holes) paper.shape(paper.circle(px(x), py(y), (k * d) / 2), 'both', '1 g', 0.6);
  if (style.centres) {
    const reach = 9;
    paper.line(px(Math.min(...xs)) - reach, cy, px(Math.max(...xs)) + reach, cy, 0.25, '8 2 1.5 2');
    paper.line(cx, py(Math.min(...ys)) - reach, cx, py(Math.max(...ys)) + reach, 0.25, '8 2 1.5 2');
  }
  const [x0, x1, y0, y1] = [
    px(Math.min(...xs)),
    px(Math.max(...xs)),
    py(Math.min(...ys)),
    py(Math.max(...ys)),
  ];
  for (const { axis, a, b, side, tier, says, before = '', after = '' } of scene.lengths) {
    const isX = axis === 'x';
    const off = 18 + 22 * tier + (style.form === 'inch under' ? 6 * tier : 0);
    const at = isX ? (side > 0 ? y1 + off : y0 - off) : side > 0 ? x1 + off : x0 - off;
    const mm = says ?? Math.abs(isX ? a[0] - b[0] : a[1] - b[1]);
    const lines = printed(mm, style).map((text, i) => (i === 0 ? `${before}${text}${after}` : text));
    dimension(paper, style, { axis, a: [px(a[0]), py(a[1])], b: [px(b[0]), py(b[1])], at, lines });
  }
  for (const { to, by, text } of scene.leaders ?? []) {
    const tip: [number, number] = [px(to[0]), py(to[1])];
    const said = text.replace(/\d+\.\d+/, (mm) => printed(Number(mm), style)[0] ?? mm);
    leader(paper, style, tip, [tip[0] + by[0], tip[1] + by[1]], style.form === 'comma' ? text : said);
  }
  if (scene.neighbour) sideView(paper, style);
}

/** What is said of numbers that are no millimetres. */
const NOTES: Readonly<Partial<Record<Style['form'], string>>> = {
  inch: 'All dimensions in inches.',
  mil: 'Dimensions are in mils.',
};

function drawLand(
  paper: Paper,
  style: Style,
  land: DrawnLand,
  px: (x: number) => number,
  py: (y: number) => number,
  kx: number,
  ky: number,
  isBored: boolean,
): void {
  const [x, y, w, h] = [px(land.x - land.w / 2), py(land.y - land.h / 2), kx * land.w, ky * land.h];
  const outline = land.corners
    ? paper.polygon(land.corners.map(([a, b]) => [px(land.x + a), py(land.y + b)]))
    : paper.rect(
        x,
        y,
        w,
        h,
        land.shape === 'round' || land.shape === 'oblong' ? Math.min(w, h) / 2 : (land.r ?? 0) * kx,
      );
  switch (style.lands) {
    case 'solid':
      paper.shape(outline, 'fill', '0.05 g');
      break;
    case 'tint':
      paper.shape(outline, 'fill', '0.85 0.62 0.35 rg');
      break;
    case 'both':
      paper.shape(outline, 'both', '0.75 g');
      break;
    case 'outline':
      paper.shape(outline, 'line', '0 g');
      break;
    case 'lines':
      // four strokes that meet, as many programs draw them; other outlines in one
      if (land.corners || land.shape || land.r) paper.shape(outline, 'line', '0 g', 0.7);
      else {
        paper.line(x, y, x + w, y, 0.7);
        paper.line(x + w, y, x + w, y + h, 0.7);
        paper.line(x + w, y + h, x, y + h, 0.7);
        paper.line(x, y, x, y + h, 0.7);
      }
      break;
    case 'hatch':
      paper.hatch(outline, x, y, w, h);
      paper.shape(outline, 'line', '0 g', 0.5);
      break;
    case 'pattern':
      paper.shape(outline, 'both', paper.patterned());
      break;
  }
  if (style.numbers === 'none' || land.n === '') return;
  const size = Math.min(7, 0.6 * Math.min(w, h) + 1);
  if (style.numbers === 'in' && !isBored)
    paper.text(land.n, x + w / 2, y + h / 2, size, 0, style.lands === 'solid' ? '1 g' : '0 g');
  // inwards of its row, where no dimension goes
  else if (w > 6) {
    const isSide = w > h && Math.abs(land.x) > Math.abs(land.y);
    const [tx, ty] = isSide
      ? [land.x < 0 ? x + w + 5 : x - 5, y + h / 2]
      : [x + w / 2, land.y <= 0 ? y + h + 5 : y - 5];
    paper.text(land.n, tx, ty, Math.min(size, 6));
  }
}

function frame(paper: Paper, style: Style): void {
  const { width, height } = PAGE;
  paper.shape(paper.rect(8, 8, width - 16, height - 16), 'line', '0 g', 1);
  paper.shape(paper.rect(16, 16, width - 32, height - 32), 'line', '0 g', 0.5);
  for (let i = 0; i < 4; i += 1) {
    paper.text(String(i + 1), 16 + (i + 0.5) * ((width - 32) / 4), 12, 5);
    paper.text('ABCD'[i] as string, 12, 16 + (i + 0.5) * ((height - 32) / 4), 5);
  }
  const [x, y] = [width - 176, 16];
  paper.shape(paper.rect(x, y, 160, 44), 'line', '0 g', 0.5);
  paper.line(x, y + 22, x + 160, y + 22, 0.3);
  paper.line(x + 80, y, x + 80, y + 44, 0.3);
  paper.text('SCALE 20:1', x + 40, y + 33, style.size - 1);
  paper.text('SHEET 2 / 3', x + 120, y + 33, style.size - 1);
  paper.text('HSI-2207', x + 40, y + 11, style.size - 1);
  paper.text('2026-03-14', x + 120, y + 11, style.size - 1);
}

/** A body from the side, with its own lengths. */
function sideView(paper: Paper, style: Style): void {
  const [x, y, w, h] = [430, 180, 90, 28];
  paper.shape(paper.rect(x, y, w, h), 'line', '0 g', 0.7);
  dimension(paper, style, {
    axis: 'x',
    a: [x, y + h],
    b: [x + w, y + h],
    at: y + h + 20,
    lines: printed(3.0, style),
  });
  dimension(paper, style, {
    axis: 'y',
    a: [x + w, y],
    b: [x + w, y + h],
    at: x + w + 18,
    lines: printed(0.95, style),
  });
}

/** What stands at the lines of an outline drawing: its numbers, or letters whose numbers are in a table beside it. */
export type Lettered = Readonly<Record<string, string>> | null;

const SHEET = { width: 842, height: 595 };

/** Draws the views of a package. @param letters by dimension; numbers stand at the lines where it is `null` */
export async function drawOutline(
  scene: OutlineScene,
  style: Style,
  letters: Lettered,
  seed = 0,
  beside: PatternScene | null = null,
): Promise<Uint8Array> {
  const { paper, save } = await Paper.open(SHEET.width, SHEET.height, style.hand);
  const extents = scene.views.map((view) => {
    const xs = [
      ...view.outlines.flatMap((one) => one.map(([x]) => x)),
      ...(view.circles ?? []).flatMap(([x, , r]) => [x - r, x + r]),
    ];
    const ys = [
      ...view.outlines.flatMap((one) => one.map(([, y]) => y)),
      ...(view.circles ?? []).flatMap(([, y, r]) => [y - r, y + r]),
    ];
    return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) };
  });
  const widest = Math.max(...extents.map(({ x0, x1 }) => x1 - x0));
  const tallest = Math.max(...extents.map(({ y0, y1 }) => y1 - y0));
  const k = Math.min(160 / widest, 120 / tallest) * (1 - 0.02 * (seed % 4));
  const isWide = letters !== null;
  scene.views.forEach((view, i) => {
    const { x0, x1, y0, y1 } = extents[i] as (typeof extents)[number];
    const [cx, cy] = [(isWide ? 150 : 220) + view.column * (isWide ? 260 : 360), 430 - view.row * 265];
    const px = (x: number) => cx + k * (x - (x0 + x1) / 2);
    const py = (y: number) => cy + k * (y - (y0 + y1) / 2);
    for (const one of view.outlines)
      paper.shape(paper.polygon(one.map(([x, y]) => [px(x), py(y)])), 'line', '0 g', 0.7);
    for (const [x, y, r] of view.circles ?? [])
      paper.shape(paper.circle(px(x), py(y), k * r), 'line', '0 g', 0.6);
    if (view.name !== '') paper.text(view.name, cx, py(y0) - 72, style.size);
    for (const { of, axis, a, b, side, tier } of view.lengths) {
      const isX = axis === 'x';
      const off = 18 + 22 * tier;
      const at = isX ? (side > 0 ? py(y1) + off : py(y0) - off) : side > 0 ? px(x1) + off : px(x0) - off;
      const text = letters ? (letters[of] ?? of) : (scene.says[of] ?? of);
      dimension(paper, style, {
        axis,
        a: [px(a[0]), py(a[1])],
        b: [px(b[0]), py(b[1])],
        at,
        lines: [style.form === 'comma' ? text.replaceAll(/(\d)\.(\d)/g, '$1,$2') : text],
      });
    }
  });
  if (letters) table(paper, style, scene, letters);
  if (beside) {
    // the recommended lands on the same page, under their title
    paper.text('Recommended land pattern', 640, 320, 9);
    patternOn(paper, beside, style, 640, 170, seed);
  }
  paper.text('All dimensions in millimetres.', 20, 22, 7, 0, '0 g', 'start');
  return save();
}

/** The table beside a drawing with letters. */
function table(
  paper: Paper,
  style: Style,
  scene: OutlineScene,
  letters: Readonly<Record<string, string>>,
): void {
  const [x, top, line] = [650, 520, 15];
  ['SYMBOL', 'DIMENSION'].forEach((head, i) => paper.text(head, x + i * 55, top, 7, 0, '0 g', 'start'));
  Object.entries(scene.says)
    .map(([of, text]) => [letters[of] ?? of, text] as const)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .forEach(([letter, text], i) => {
      const y = top - (i + 1) * line;
      paper.text(letter, x, y, 7, 0, '0 g', 'start');
      paper.text(
        style.form === 'comma' ? text.replaceAll(/(\d)\.(\d)/g, '$1,$2') : text,
        x + 55,
        y,
        7,
        0,
        '0 g',
        'start',
      );
    });
}
