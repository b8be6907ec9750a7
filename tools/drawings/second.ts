import type { OutlineScene } from './outlines';
import type { DrawnLand, DrawnLength, PatternScene } from './patterns';

// A second draughtsman: land patterns as SVG, which a browser prints to PDF. Nothing of how lines, arrows and numbers
// are set is shared with the first, nor with the reader.

/** How the second draughtsman draws. */
export interface SecondStyle {
  readonly name: string;
  readonly isApart: boolean;
  readonly arrow: 'marker' | 'barbed' | 'open' | 'tick' | 'circle';
  /** Where numbers stand: over the line, in it on paper, or on a shelf that a jog leads to. */
  readonly place: 'over' | 'in' | 'shelf';
  readonly number: (mm: number) => readonly string[];
  /** How the numbers of packages are printed, where it is not as they stand in the scene. */
  readonly says?: (text: string) => string;
  readonly lands: 'fill' | 'pattern' | 'outline' | 'double';
  readonly called: 'in' | 'circled' | 'none';
  readonly face: string;
  readonly size: number;
  readonly ink: string;
  /** Upright numbers turned to be read from the right, or lying. */
  readonly turned: boolean;
  readonly title: string;
  readonly note: string;
  /** The whole page turned by quarters. */
  readonly quarter?: boolean;
  /** The drawing a little askew, degrees. */
  readonly askew?: number;
  /** Mask openings round the lands, dashed. */
  readonly masks?: boolean;
  readonly centres?: boolean;
}

const two = (mm: number) => mm.toFixed(2);
const inches = (mm: number) => (mm / 25.4).toFixed(4).replace(/^0/, '');

export const SECOND: readonly SecondStyle[] = [
  {
    name: 'markers',
    isApart: false,
    arrow: 'marker',
    place: 'over',
    number: (mm) => [two(mm)],
    lands: 'fill',
    called: 'in',
    face: 'DejaVu Sans',
    size: 8,
    ink: '#000',
    turned: true,
    title: 'Recommended PCB layout',
    note: 'Unit: mm',
  },
  {
    name: 'German pattern fill',
    isApart: false,
    arrow: 'open',
    place: 'over',
    number: (mm) => [two(mm).replace('.', ',')],
    lands: 'pattern',
    called: 'none',
    face: 'DejaVu Serif',
    size: 8,
    ink: '#000',
    turned: true,
    title: 'Empfohlenes Lötflächenlayout',
    note: 'Maße in mm',
    centres: true,
  },
  {
    name: 'barbed, in the line',
    isApart: false,
    arrow: 'barbed',
    place: 'in',
    number: (mm) => [`${two(mm)} ±0.05`],
    lands: 'outline',
    called: 'circled',
    face: 'DejaVu Sans',
    size: 7,
    ink: '#103a80',
    turned: true,
    title: 'LAND PATTERN (REFERENCE)',
    note: 'Dimensions in mm.',
  },
  {
    name: 'inches below in brackets',
    isApart: false,
    arrow: 'marker',
    place: 'in',
    number: (mm) => [two(mm), `(.${String(Math.round((mm / 25.4) * 1000)).padStart(3, '0')})`],
    lands: 'fill',
    called: 'none',
    face: 'DejaVu Sans',
    size: 7,
    ink: '#000',
    turned: false,
    title: 'SUGGESTED PAD LAYOUT',
    note: 'MM (INCH)',
  },
  {
    name: 'ticks and short numbers',
    isApart: false,
    arrow: 'tick',
    place: 'over',
    number: (mm) => [String(Number(two(mm)))],
    lands: 'fill',
    called: 'in',
    face: 'DejaVu Sans Mono',
    size: 7,
    ink: '#333',
    turned: true,
    title: 'Footprint, top view',
    note: 'all values in millimeters',
  },
  // kept apart
  {
    name: 'shelves',
    isApart: true,
    arrow: 'marker',
    place: 'shelf',
    number: (mm) => [two(mm)],
    lands: 'fill',
    called: 'none',
    face: 'DejaVu Sans',
    size: 7,
    ink: '#000',
    turned: false,
    title: 'Recommended footprint',
    note: 'Unit: mm',
  },
  {
    name: 'turned page',
    isApart: true,
    arrow: 'barbed',
    place: 'over',
    number: (mm) => [two(mm)],
    lands: 'outline',
    called: 'none',
    face: 'DejaVu Sans',
    size: 8,
    ink: '#000',
    turned: true,
    title: 'Recommended land pattern',
    note: 'Unit: mm',
    quarter: true,
  },
  {
    name: 'askew',
    isApart: true,
    arrow: 'marker',
    place: 'over',
    number: (mm) => [two(mm)],
    lands: 'fill',
    called: 'none',
    face: 'DejaVu Sans',
    size: 8,
    ink: '#000',
    turned: true,
    title: 'Recommended land pattern',
    note: 'Unit: mm',
    askew: 1.2,
  },
  {
    name: 'masks dashed',
    isApart: true,
    arrow: 'marker',
    place: 'over',
    number: (mm) => [two(mm)],
    lands: 'double',
    called: 'none',
    face: 'DejaVu Sans',
    size: 7,
    ink: '#000',
    turned: true,
    title: 'Land pattern, solder mask dashed',
    note: 'Unit: mm',
    masks: true,
  },
  {
    name: 'dots, blue, Chinese title',
    isApart: true,
    arrow: 'circle',
    place: 'over',
    number: (mm) => [two(mm)],
    lands: 'pattern',
    called: 'in',
    face: 'DejaVu Sans',
    size: 7,
    ink: '#0000c0',
    turned: false,
    title: '推荐焊盘布局 (Recommended)',
    note: '单位: mm',
  },
  {
    name: 'references in round brackets',
    isApart: true,
    arrow: 'open',
    place: 'in',
    number: (mm) => [`(${two(mm)})`],
    lands: 'fill',
    called: 'none',
    face: 'DejaVu Serif',
    size: 7,
    ink: '#000',
    turned: true,
    title: 'PCB LAND PATTERN',
    note: 'Dimensions are in millimeters',
  },
  {
    name: 'inches first',
    isApart: true,
    arrow: 'marker',
    place: 'in',
    number: (mm) => [inches(mm), `(${two(mm)})`],
    says: (text) => text.replace(/\d+\.\d+/g, (mm) => inches(Number(mm))),
    lands: 'fill',
    called: 'none',
    face: 'DejaVu Sans',
    size: 7,
    ink: '#000',
    turned: true,
    title: 'Land pattern',
    note: 'Dimensions: INCH (MM)',
  },
];

const PAGE = { w: 720, h: 520 };
const f = (value: number) => value.toFixed(3);
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;');

/** The page of a scene, in the style; y down, in CSS pixels. */
export function secondPage(scene: PatternScene, style: SecondStyle): string {
  const { lands, holes = [], body } = scene;
  const [sx, sy] = scene.stretch ?? [1, 1];
  const xs = lands.flatMap(({ x, w }) => [x - w / 2, x + w / 2]);
  const ys = lands.flatMap(({ y, h }) => [y - h / 2, y + h / 2]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const k = Math.min(300 / (x1 - x0), 220 / (y1 - y0), 80);
  const X = (x: number) => 350 + k * sx * (x - (x0 + x1) / 2);
  const Y = (y: number) => 270 - k * sy * (y - (y0 + y1) / 2);
  const parts: string[] = [];
  const line = (ax: number, ay: number, bx: number, by: number, width = 0.6, more = '') =>
    parts.push(
      `<line x1="${f(ax)}" y1="${f(ay)}" x2="${f(bx)}" y2="${f(by)}" stroke="${style.ink}" stroke-width="${width}" ${more}/>`,
    );
  const put = (x: number, y: number, text: string, turn = 0, size = style.size) =>
    parts.push(
      `<text transform="translate(${f(x)} ${f(y)}) rotate(${turn})" text-anchor="middle" dominant-baseline="central" font-size="${size}" fill="${style.ink}">${escaped(text)}</text>`,
    );
  if (body)
    parts.push(
      `<rect x="${f(X(-body[0] / 2))}" y="${f(Y(body[1] / 2))}" width="${f(k * sx * body[0])}" height="${f(k * sy * body[1])}" fill="none" stroke="#555" stroke-width="0.5"/>`,
    );
  for (const land of lands) parts.push(landOf(land, style, X, Y, k * sx, k * sy));
  for (const { x, y, d } of holes)
    parts.push(
      `<circle cx="${f(X(x))}" cy="${f(Y(y))}" r="${f((k * d) / 2)}" fill="#fff" stroke="#000" stroke-width="0.8"/>`,
    );
  if (style.centres) {
    const dash = 'stroke-dasharray="10 3 2 3"';
    line(X(x0) - 12, 270, X(x1) + 12, 270, 0.4, dash);
    line(350, Y(y0) + 12, 350, Y(y1) - 12, 0.4, dash);
  }
  for (const land of lands) {
    if (style.called === 'none' || land.n === '') continue;
    const [x, y] = [X(land.x), Y(land.y)];
    const room = Math.min(k * sx * land.w, k * sy * land.h);
    if (style.called === 'circled') {
      const out = Math.sign(land.y || -1) * ((k * sy * land.h) / 2 + 9);
      if (holes.length > 0 || lands.length > 12) continue;
      parts.push(
        `<circle cx="${f(x)}" cy="${f(y + out)}" r="5" fill="none" stroke="${style.ink}" stroke-width="0.4"/>`,
      );
      put(x, y + out, land.n, 0, 5.5);
    } else if (!holes.some((hole) => hole.x === land.x && hole.y === land.y))
      parts.push(
        `<text x="${f(x)}" y="${f(y)}" text-anchor="middle" dominant-baseline="central" font-size="${f(Math.min(8, 0.6 * room))}" fill="${style.lands === 'fill' ? '#fff' : '#000'}">${escaped(land.n)}</text>`,
      );
  }
  for (const length of scene.lengths)
    parts.push(lengthOf(length, style, { X, Y, x0: X(x0), x1: X(x1), y0: Y(y0), y1: Y(y1) }));
  for (const { to, by, text } of scene.leaders ?? []) {
    const [tx, ty] = [X(to[0]), Y(to[1])];
    const [ex, ey] = [tx + 1.3 * by[0], ty - 1.3 * by[1]];
    const said = text.replace(/\d+\.\d+/, (mm) => style.number(Number(mm))[0] ?? mm);
    const to_ = Math.sign(by[0]) || 1;
    parts.push(
      `<polyline points="${f(ex + to_ * 8)},${f(ey)} ${f(ex)},${f(ey)} ${f(tx)},${f(ty)}" fill="none" stroke="${style.ink}" stroke-width="0.6" marker-end="url(#tip)"/>`,
    );
    parts.push(
      `<text x="${f(ex + to_ * 11)}" y="${f(ey)}" text-anchor="${to_ > 0 ? 'start' : 'end'}" dominant-baseline="central" font-size="${style.size}" fill="${style.ink}">${escaped(said)}</text>`,
    );
  }
  return shell(parts, style, style.title);
}

/** A package in its views, with its numbers at the lines. */
export function secondOutline(scene: OutlineScene, style: SecondStyle): string {
  const parts: string[] = [];
  const boxes = scene.views.map(({ outlines, circles = [] }) => {
    const xs = [...outlines.flat().map(([x]) => x), ...circles.flatMap(([x, , r]) => [x - r, x + r])];
    const ys = [...outlines.flat().map(([, y]) => y), ...circles.flatMap(([, y, r]) => [y - r, y + r])];
    return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) };
  });
  const k = Math.min(
    150 / Math.max(...boxes.map(({ x0, x1 }) => x1 - x0)),
    100 / Math.max(...boxes.map(({ y0, y1 }) => y1 - y0)),
  );
  scene.views.forEach(({ column, row, outlines, circles = [], lengths }, i) => {
    const { x0, x1, y0, y1 } = boxes[i] as (typeof boxes)[number];
    const [cx, cy] = [190 + 330 * column, 160 + 230 * row];
    const X = (x: number) => cx + k * (x - (x0 + x1) / 2);
    const Y = (y: number) => cy - k * (y - (y0 + y1) / 2);
    for (const one of outlines)
      parts.push(
        `<path d="M${one.map(([x, y]) => `${f(X(x))} ${f(Y(y))}`).join('L')}Z" fill="none" stroke="#000" stroke-width="0.9"/>`,
      );
    for (const [x, y, r] of circles)
      parts.push(
        `<circle cx="${f(X(x))}" cy="${f(Y(y))}" r="${f(k * r)}" fill="none" stroke="#000" stroke-width="0.7"/>`,
      );
    for (const length of lengths)
      parts.push(
        lengthOf(length, style, { X, Y, x0: X(x0), x1: X(x1), y0: Y(y0), y1: Y(y1) }, [
          (style.says ?? String)(scene.says[length.of] ?? length.of),
        ]),
      );
  });
  return shell(parts, style, 'Package outline');
}

/** A page round what is drawn. */
function shell(parts: readonly string[], style: SecondStyle, title: string): string {
  const turn = style.askew ? ` transform="rotate(${style.askew} 350 270)"` : '';
  const size = style.quarter ? { w: PAGE.h, h: PAGE.w } : PAGE;
  const content = `<g${turn}>${parts.join('\n')}</g>
<text x="350" y="30" text-anchor="middle" font-size="12" fill="#000">${escaped(title)}</text>
<text x="40" y="500" font-size="8" fill="#000">${escaped(style.note)}</text>`;
  return `<!doctype html><style>@page{size:${size.w}px ${size.h}px;margin:0}body{margin:0}svg{display:block}</style>
<svg xmlns="http://www.w3.org/2000/svg" width="${size.w}" height="${size.h}" font-family="${style.face}">
<defs>
<marker id="tip" viewBox="0 0 10 4" refX="10" refY="2" markerWidth="10" markerHeight="4" orient="auto-start-reverse" markerUnits="userSpaceOnUse"><path d="M10 2L0 0.4V3.6Z" fill="${style.ink}"/></marker>
<pattern id="shade" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="4" stroke="#666" stroke-width="1"/></pattern>
</defs>
${style.quarter ? `<g transform="translate(0 ${size.h}) rotate(-90)">${content}</g>` : content}
</svg>`;
}

function landOf(
  land: DrawnLand,
  { lands, masks }: SecondStyle,
  X: (x: number) => number,
  Y: (y: number) => number,
  kx: number,
  ky: number,
): string {
  const look =
    lands === 'fill'
      ? 'fill="#b07040" stroke="none"'
      : lands === 'pattern'
        ? 'fill="url(#shade)" stroke="#000" stroke-width="0.6"'
        : 'fill="none" stroke="#000" stroke-width="0.9"';
  const rect = (grow: number, how: string) => {
    const [w, h] = [kx * land.w + 2 * grow, ky * land.h + 2 * grow];
    const r =
      land.shape === 'round' || land.shape === 'oblong'
        ? Math.min(w, h) / 2
        : (land.r ?? 0) * kx + (land.r ? grow : 0);
    return `<rect x="${f(X(land.x) - w / 2)}" y="${f(Y(land.y) - h / 2)}" width="${f(w)}" height="${f(h)}" rx="${f(r)}" ${how}/>`;
  };
  const shape = land.corners
    ? `<polygon points="${land.corners.map(([x, y]) => `${f(X(land.x + x))},${f(Y(land.y + y))}`).join(' ')}" ${look}/>`
    : land.shape === 'round'
      ? `<circle cx="${f(X(land.x))}" cy="${f(Y(land.y))}" r="${f((kx * land.w) / 2)}" ${look}/>`
      : rect(0, look);
  return masks
    ? `${shape}${rect(3, 'fill="none" stroke="#080" stroke-width="0.5" stroke-dasharray="3 2"')}`
    : shape;
}

interface Frame {
  readonly X: (x: number) => number;
  readonly Y: (y: number) => number;
  readonly x0: number;
  readonly x1: number;
  /** Lower and upper edge as they lie on the page. */
  readonly y0: number;
  readonly y1: number;
}

function lengthOf(
  length: Pick<DrawnLength, 'axis' | 'a' | 'b' | 'side' | 'tier' | 'says' | 'before' | 'after'>,
  style: SecondStyle,
  { X, Y, x0, x1, y0, y1 }: Frame,
  printed?: readonly string[],
): string {
  const { axis, side, tier, before = '', after = '' } = length;
  const [a, b] = [
    [X(length.a[0]), Y(length.a[1])],
    [X(length.b[0]), Y(length.b[1])],
  ] as const;
  const isX = axis === 'x';
  const lines =
    printed ??
    style.number(length.says ?? Math.abs(isX ? length.a[0] - length.b[0] : length.a[1] - length.b[1]));
  const said = lines.map((text, i) => (i === 0 ? `${before}${text}${after}` : text));
  const off = 24 + 30 * tier;
  const at = isX ? (side > 0 ? y1 - off : y0 + off) : side > 0 ? x1 + off : x0 - off;
  const out: string[] = [];
  const line = (ax: number, ay: number, bx: number, by: number, width = 0.5, more = '') =>
    out.push(
      `<line x1="${f(ax)}" y1="${f(ay)}" x2="${f(bx)}" y2="${f(by)}" stroke="${style.ink}" stroke-width="${width}" ${more}/>`,
    );
  const put = (u: number, v: number): readonly [number, number] => (isX ? [u, v] : [v, u]);
  const ends = (isX ? [a, b] : [[a[1], a[0]] as const, [b[1], b[0]] as const])
    .map(([u, v]) => ({ u, v }))
    .sort((p, q) => p.u - q.u);
  const [lo, hi] = ends as [{ u: number; v: number }, { u: number; v: number }];
  for (const { u, v } of ends) {
    const way = Math.sign(at - v) || 1;
    line(...put(u, v + 2 * way), ...put(u, at + 3.5 * way), 0.4);
  }
  const width = Math.max(...said.map((text) => text.length)) * style.size * 0.62;
  const height = said.length * style.size * 1.2;
  const isLevel = isX || !style.turned;
  const need = isLevel === isX ? width : height;
  const isInside = hi.u - lo.u > 26 && (style.place !== 'in' || hi.u - lo.u > need + 26);
  const reach = isInside ? 0 : 14;
  const marker = style.arrow === 'marker';
  if (isInside)
    line(
      ...put(lo.u, at),
      ...put(hi.u, at),
      0.5,
      marker ? 'marker-start="url(#tip)" marker-end="url(#tip)"' : '',
    );
  else {
    line(...put(lo.u - reach, at), ...put(lo.u, at), 0.5, marker ? 'marker-end="url(#tip)"' : '');
    line(...put(hi.u + reach, at), ...put(hi.u, at), 0.5, marker ? 'marker-end="url(#tip)"' : '');
    if (style.arrow !== 'marker') line(...put(lo.u, at), ...put(hi.u, at), 0.5);
  }
  for (const [u, way] of [
    [lo.u, isInside ? 1 : -1],
    [hi.u, isInside ? -1 : 1],
  ] as const) {
    const p = (du: number, dv: number) =>
      put(u + way * du, at + dv)
        .map(f)
        .join(',');
    if (style.arrow === 'barbed')
      out.push(`<path d="M${p(0, 0)}L${p(8, 2)}L${p(6, 0)}L${p(8, -2)}Z" fill="${style.ink}"/>`);
    if (style.arrow === 'open')
      out.push(
        `<polyline points="${p(7, 2.4)} ${p(0, 0)} ${p(7, -2.4)}" fill="none" stroke="${style.ink}" stroke-width="0.5"/>`,
      );
    if (style.arrow === 'tick')
      out.push(`<path d="M${p(-3, -3)}L${p(3, 3)}" stroke="${style.ink}" stroke-width="0.9"/>`);
    if (style.arrow === 'circle')
      out.push(
        `<circle cx="${p(0, 0).split(',')[0]}" cy="${p(0, 0).split(',')[1]}" r="1.6" fill="${style.ink}"/>`,
      );
  }
  const middle = (lo.u + hi.u) / 2;
  let [u, v] = [middle, at];
  const isFree = isInside && hi.u - lo.u > need + 4;
  if (style.place === 'shelf' || !isFree) {
    // beyond the upper end, on the line drawn on
    const from = hi.u + reach;
    if (style.place === 'shelf') {
      // a jog from the middle of the line outwards, with a shelf for the number
      const way = side * (isX ? -1 : 1);
      const [kneeU, kneeV] = [middle + 12, at + 12 * way];
      line(...put(middle, at), ...put(kneeU, kneeV), 0.4);
      const [tx, ty] = put(kneeU, kneeV);
      out.push(
        `<line x1="${f(tx)}" y1="${f(ty)}" x2="${f(tx + width + 4)}" y2="${f(ty)}" stroke="${style.ink}" stroke-width="0.4"/>`,
      );
      said.forEach((text, i) =>
        out.push(
          `<text x="${f(tx + 2)}" y="${f(ty - 2 - (said.length - 1 - i) * style.size)}" font-size="${style.size}" fill="${style.ink}">${escaped(text)}</text>`,
        ),
      );
      return out.join('\n');
    }
    line(...put(from, at), ...put(from + need + 4, at), 0.5);
    u = from + 2 + need / 2;
  }
  const isOver = style.place === 'over' || !isFree;
  if (isOver) v = isX || !isLevel ? at - (height / 2 + 1.5) : at;
  if (isOver && !isX && isLevel) v = at + width / 2 + 3;
  const [tx, ty] = put(u, v);
  if (style.place === 'in' && isFree) {
    const [w, h] = isLevel ? [width + 3, height] : [height, width + 3];
    out.push(
      `<rect x="${f(tx - w / 2)}" y="${f(ty - h / 2)}" width="${f(w)}" height="${f(h)}" fill="#fff"/>`,
    );
  }
  said.forEach((text, i) => {
    const down = (i - (said.length - 1) / 2) * style.size * 1.2;
    const [x, y] = isLevel ? [tx, ty + down] : [tx + down, ty];
    out.push(
      `<text transform="translate(${f(x)} ${f(y)}) rotate(${isLevel ? 0 : -90})" text-anchor="middle" dominant-baseline="central" font-size="${style.size}" fill="${style.ink}">${escaped(text)}</text>`,
    );
  });
  return out.join('\n');
}
