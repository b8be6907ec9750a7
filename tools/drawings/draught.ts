import type { Hand, Paper } from './paper';

// How a draughtsman draws dimensions, in the ways that are usual.

/** One way of drawing. */
export interface Style {
  readonly name: string;
  readonly ends: 'filled' | 'open' | 'slash' | 'dot' | 'none';
  /** Where the number stands: over its line, in a gap of it, or over it with paper behind. */
  readonly place: 'over' | 'gap' | 'paper';
  /** Numbers of upright dimensions lie as the others. */
  readonly level?: boolean;
  readonly lands: 'solid' | 'tint' | 'hatch' | 'pattern' | 'outline' | 'both' | 'lines';
  /** Numbers of lands: in them, beside them, none. */
  readonly numbers: 'in' | 'beside' | 'none';
  readonly form: 'plain' | 'inch beside' | 'inch under' | 'comma' | 'unit' | 'short' | 'inch' | 'mil';
  readonly size: number;
  readonly extension: number;
  readonly hand: Hand;
  /** Frame with zones, title block and notes round it. */
  readonly framed?: boolean;
  /** Centre lines are drawn. */
  readonly centres?: boolean;
  /** How small a dimension has its arrows outside, points. */
  readonly outside: number;
}

/** A length as a style prints it. mm */
export function printed(mm: number, { form }: Style, decimals = 2): string[] {
  const plain = mm.toFixed(decimals);
  const inch = (mm / 25.4).toFixed(3).replace(/^0/, '');
  switch (form) {
    case 'inch beside':
      return [`${plain} [${inch}]`];
    case 'inch under':
      return [plain, `[${inch}]`];
    case 'comma':
      return [plain.replace('.', ',')];
    case 'inch':
      return [(mm / 25.4).toFixed(4).replace(/^0/, '')];
    case 'mil':
      return [(mm / 0.0254).toFixed(1)];
    case 'unit':
      return [`${plain} mm`];
    case 'short':
      return [String(Number(mm.toFixed(decimals)))];
    case 'plain':
      return [plain];
  }
}

/** What a dimension measures: two points of the drawing, and where its line stands. */
export interface Measured {
  readonly a: readonly [number, number];
  readonly b: readonly [number, number];
  readonly axis: 'x' | 'y';
  /** y of a level line, x of an upright one. */
  readonly at: number;
  readonly lines: readonly string[];
}

/** Draws a dimension with its extension lines, line, ends and number. */
export function dimension(paper: Paper, style: Style, { a, b, axis, at, lines }: Measured): void {
  const isX = axis === 'x';
  const put = (u: number, v: number): [number, number] => (isX ? [u, v] : [v, u]);
  const [[ua, va], [ub, vb]] = isX ? [a, b] : [[a[1], a[0]] as const, [b[1], b[0]] as const];
  const [lo, hi] =
    ua < ub
      ? [
          { u: ua, v: va },
          { u: ub, v: vb },
        ]
      : [
          { u: ub, v: vb },
          { u: ua, v: va },
        ];
  const line = (u0: number, v0: number, u1: number, v1: number, w = 0.35) =>
    paper.line(...put(u0, v0), ...put(u1, v1), w);
  for (const { u, v } of [lo, hi]) {
    const side = Math.sign(at - v) || 1;
    line(u, v + side * style.extension, u, at + side * 2.5, 0.3);
  }
  const span = hi.u - lo.u;
  const { size } = style;
  const wide = Math.max(...lines.map((text) => paper.widthOf(text, size)));
  const isTextLevel = isX || style.level === true;
  const along = isTextLevel === isX ? wide : size * lines.length;
  const isOutside = span < style.outside;
  const fits = span > along + (isOutside ? 4 : 18);
  const end = 10;
  // the line, with the number in it, over it or beyond its end
  let textU = (lo.u + hi.u) / 2;
  let textV = at;
  if (!fits) textU = hi.u + end + 4 + along / 2;
  const over = isX
    ? size * (0.25 + 0.6 * lines.length)
    : isTextLevel
      ? 3 + wide / 2
      : size * (0.25 + 0.6 * lines.length);
  const isGap = style.place === 'gap' && fits;
  if (style.place === 'over' || (style.place !== 'paper' && !fits)) textV = at + (isX ? over : -over);
  if (!fits && style.place !== 'over') textV = at;
  const [from, to] = isOutside ? [lo.u - end, hi.u + end] : [lo.u, hi.u];
  if (isGap) {
    line(from, at, textU - along / 2 - 1.5, at);
    line(textU + along / 2 + 1.5, at, to, at);
  } else line(from, at, !fits && textV !== at ? textU + along / 2 : to, at);
  const tip = (u: number, out: number) => ends(paper, style, put, u, at, out);
  tip(lo.u, isOutside ? 1 : -1);
  tip(hi.u, isOutside ? -1 : 1);
  const angle = isTextLevel ? 0 : 90;
  const [x, y] = put(textU, textV);
  if (style.place === 'paper' && fits) {
    const [w, h] = isTextLevel ? [wide + 2, size * lines.length + 1] : [size * lines.length + 1, wide + 2];
    paper.area(
      [
        [x - w / 2, y - h / 2],
        [x + w / 2, y - h / 2],
        [x + w / 2, y + h / 2],
        [x - w / 2, y + h / 2],
      ],
      '1 g',
    );
  }
  lines.forEach((text, i) => {
    const down = (i - (lines.length - 1) / 2) * size * 1.15;
    paper.text(text, isTextLevel ? x : x + down, isTextLevel ? y - down : y, size, angle);
  });
}

/** One end of a dimension line; `out` says which way its arrow points. */
function ends(
  paper: Paper,
  style: Style,
  put: (u: number, v: number) => [number, number],
  u: number,
  v: number,
  out: number,
): void {
  const [l, h] = [6, 1.2];
  switch (style.ends) {
    case 'filled':
      paper.area([put(u, v), put(u - out * l, v + h), put(u - out * l, v - h)], '0 g');
      break;
    case 'open':
      paper.line(...put(u, v), ...put(u - out * l, v + 1.8), 0.35);
      paper.line(...put(u, v), ...put(u - out * l, v - 1.8), 0.35);
      break;
    case 'slash':
      paper.line(...put(u - 2.5, v - 2.5), ...put(u + 2.5, v + 2.5), 0.6);
      break;
    case 'dot':
      paper.shape(paper.circle(...put(u, v), 1.3), 'fill', '0 g');
      break;
    case 'none':
      break;
  }
}

/** A leader with a text at its end. */
export function leader(
  paper: Paper,
  style: Style,
  to: readonly [number, number],
  from: readonly [number, number],
  text: string,
): void {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const l = Math.hypot(dx, dy) || 1;
  paper.line(...(from as [number, number]), ...(to as [number, number]), 0.35);
  const side = Math.sign(-dx) || 1;
  paper.line(from[0], from[1], from[0] + side * 8, from[1], 0.35);
  const [ux, uy] = [dx / l, dy / l];
  paper.area(
    [
      [to[0], to[1]],
      [to[0] - ux * 5 - uy * 1.1, to[1] - uy * 5 + ux * 1.1],
      [to[0] - ux * 5 + uy * 1.1, to[1] - uy * 5 - ux * 1.1],
    ],
    '0 g',
  );
  const wide = paper.widthOf(text, style.size);
  paper.text(text, from[0] + side * (10 + wide / 2), from[1], style.size);
}
