import { PDFDocument, StandardFonts, type PDFFont } from '@cantoo/pdf-lib';

// Paper to draw on: what is drawn becomes operators of a PDF page. x right, y up, in points. Nothing here knows
// how a drawing is read.

/** How lines, letters and areas are put on the page. */
export interface Hand {
  readonly font: 'Helvetica' | 'Courier' | 'TimesRoman';
  /** Each letter is placed by itself. */
  readonly byLetter?: boolean;
  /** Lines are thin filled rectangles. */
  readonly asAreas?: boolean;
  /** All of it lies in a form that is drawn at this scale. */
  readonly inForm?: number;
  /** The page is turned by its own entry. */
  readonly turned?: 0 | 90;
}

export class Paper {
  private readonly out: string[] = [];
  private patterns = false;

  constructor(
    readonly width: number,
    readonly height: number,
    readonly hand: Hand,
    private readonly font: PDFFont,
  ) {}

  static async open(
    width: number,
    height: number,
    hand: Hand,
  ): Promise<{ paper: Paper; save: () => Promise<Uint8Array> }> {
    const pdf = await PDFDocument.create();
    const font = await pdf.embedFont(StandardFonts[hand.font]);
    const isTurned = hand.turned === 90;
    const page = pdf.addPage(isTurned ? [height, width] : [width, height]);
    if (isTurned) page.setRotation({ type: 'degrees', angle: 90 } as never);
    const paper = new Paper(width, height, hand, font);
    const save = async () => {
      const { context } = pdf;
      const fontKey = page.node.newFontDictionary('F', font.ref).toString().slice(1);
      // a page that is turned by 90 degrees shows its left edge at the top
      const turn = isTurned ? `0 1 -1 0 ${height} 0 cm\n` : '';
      const body = paper.out.join('\n').replaceAll('/FONT', `/${fontKey}`);
      if (paper.patterns) {
        const hatch = context.stream('0.4 w 0 0 m 4 4 l S', {
          Type: 'Pattern',
          PatternType: 1,
          PaintType: 1,
          TilingType: 1,
          BBox: [0, 0, 4, 4],
          XStep: 4,
          YStep: 4,
          Resources: {},
        });
        const ref = context.register(hatch);
        page.node.Resources()?.set(context.obj('Pattern') && nameOf('Pattern'), context.obj({ Hatch: ref }));
      }
      const scale = hand.inForm;
      if (scale === undefined) {
        const stream = context.register(context.flateStream(`q\n${turn}${body}\nQ`));
        page.node.set(nameOf('Contents'), stream);
      } else {
        const form = context.flateStream(body, {
          Type: 'XObject',
          Subtype: 'Form',
          BBox: [0, 0, width * scale, height * scale],
          Matrix: [1 / scale, 0, 0, 1 / scale, 0, 0],
          Resources: page.node.Resources() as never,
        });
        const key = page.node.newXObject('Fm', context.register(form)).toString();
        page.node.set(
          nameOf('Contents'),
          context.register(context.flateStream(`q\n${turn}q 1 0 0 1 0 0 cm ${key} Do Q\nQ`)),
        );
      }
      return pdf.save();
    };
    return { paper, save };
  }

  private k(v: number): string {
    const scale = this.hand.inForm ?? 1;
    return (Math.round(v * scale * 1000) / 1000).toString();
  }

  line(ax: number, ay: number, bx: number, by: number, width = 0.4, dash = ''): void {
    if (this.hand.asAreas && dash === '') {
      const l = Math.hypot(bx - ax, by - ay) || 1;
      const [nx, ny] = [(-(by - ay) / l) * (width / 2), ((bx - ax) / l) * (width / 2)];
      this.area(
        [
          [ax + nx, ay + ny],
          [bx + nx, by + ny],
          [bx - nx, by - ny],
          [ax - nx, ay - ny],
        ],
        '0 g',
      );
      return;
    }
    this.out.push(
      `q ${this.k(width)} w [${dash}] 0 d 0 G ${this.k(ax)} ${this.k(ay)} m ${this.k(bx)} ${this.k(by)} l S Q`,
    );
  }

  /** A filled area; `paint` sets its colour. */
  area(points: readonly (readonly [number, number])[], paint: string): void {
    const [first, ...rest] = points as [readonly [number, number], ...(readonly [number, number])[]];
    this.out.push(
      `q ${paint} ${this.k(first[0])} ${this.k(first[1])} m ${rest.map(([x, y]) => `${this.k(x)} ${this.k(y)} l`).join(' ')} h f Q`,
    );
  }

  /** A closed outline that may be filled too: straight, or with round corners. */
  shape(outline: string, how: 'fill' | 'line' | 'both', paint: string, width = 0.7): void {
    const op = { fill: 'f', line: 'S', both: 'B' }[how];
    this.out.push(`q ${paint} ${this.k(width)} w 0 G ${outline} ${op} Q`);
  }

  rect(x: number, y: number, w: number, h: number, radius = 0): string {
    if (radius <= 0) return `${this.k(x)} ${this.k(y)} ${this.k(w)} ${this.k(h)} re`;
    const c = radius * 0.5523;
    const p = (a: number, b: number) => `${this.k(a)} ${this.k(b)}`;
    const [r, t] = [x + w, y + h];
    return [
      `${p(x + radius, y)} m ${p(r - radius, y)} l ${p(r - radius + c, y)} ${p(r, y + radius - c)} ${p(r, y + radius)} c`,
      `${p(r, t - radius)} l ${p(r, t - radius + c)} ${p(r - radius + c, t)} ${p(r - radius, t)} c`,
      `${p(x + radius, t)} l ${p(x + radius - c, t)} ${p(x, t - radius + c)} ${p(x, t - radius)} c`,
      `${p(x, y + radius)} l ${p(x, y + radius - c)} ${p(x + radius - c, y)} ${p(x + radius, y)} c h`,
    ].join(' ');
  }

  circle(x: number, y: number, r: number): string {
    return this.rect(x - r, y - r, 2 * r, 2 * r, r);
  }

  polygon(points: readonly (readonly [number, number])[]): string {
    return `${points.map(([x, y], i) => `${this.k(x)} ${this.k(y)} ${i === 0 ? 'm' : 'l'}`).join(' ')} h`;
  }

  /** Lines at 45 degrees over an outline, clipped to it. */
  hatch(outline: string, x: number, y: number, w: number, h: number, step = 3): void {
    const lines: string[] = [];
    for (let at = -h; at < w; at += step)
      lines.push(`${this.k(x + at)} ${this.k(y)} m ${this.k(x + at + h)} ${this.k(y + h)} l`);
    this.out.push(`q ${outline} W n 0.3 w 0 G ${lines.join(' ')} S Q`);
  }

  /** The colour of a pattern of hatching. */
  patterned(): string {
    this.patterns = true;
    return '/Pattern cs /Hatch scn';
  }

  widthOf(text: string, size: number): number {
    return this.font.widthOfTextAtSize(text, size);
  }

  /** A text about a point, turned. */
  text(
    text: string,
    x: number,
    y: number,
    size: number,
    angle = 0,
    colour = '0 g',
    anchor: 'middle' | 'start' = 'middle',
  ): void {
    const a = (angle * Math.PI) / 180;
    const [c, s] = [Math.cos(a), Math.sin(a)];
    const half = anchor === 'middle' ? this.widthOf(text, size) / 2 : 0;
    // letters stand on their line, a third of their size under the middle
    const [x0, y0] = [x - half * c + 0.35 * size * s, y - half * s - 0.35 * size * c];
    const put = (part: string, along: number) => {
      const hex = Array.from(part, (sign) => code(sign).toString(16).padStart(2, '0')).join('');
      const n = (v: number) => (Math.round(v * 1e4) / 1e4).toString();
      this.out.push(
        `BT ${colour} /FONT ${this.k(size)} Tf ${n(c)} ${n(s)} ${n(-s)} ${n(c)} ${this.k(x0 + along * c)} ${this.k(y0 + along * s)} Tm <${hex}> Tj ET`,
      );
    };
    if (!this.hand.byLetter) return put(text, 0);
    Array.from(text).forEach((sign, i) => put(sign, this.widthOf(text.slice(0, i), size)));
  }
}

/** Codes of the standard fonts beyond ASCII. */
const CODES: Readonly<Record<string, number>> = { '±': 0xb1, '×': 0xd7, '°': 0xb0, Ø: 0xd8, ø: 0xf8 };
const code = (sign: string): number => CODES[sign] ?? sign.charCodeAt(0);

import { PDFName } from '@cantoo/pdf-lib';
const nameOf = (name: string) => PDFName.of(name);
