import { flatten, flattenOpen, type Vertex } from '../../geometry/contour';
import { contourOf, place, rectangle, type Placed } from '../../geometry/figure';
import { HOME, putPlaced, putPoint, type Placement } from '../../geometry/placement';
import { fullTurn, type Point } from '../../geometry/point';
import { area, swept, type Polygon, type Polyline } from '../../geometry/polygon';
import { recognised, scaledPlaced } from '../../given/recognise';
import { quantise } from '../../units/length';
import { fail, ok, type Result } from '../../units/result';
import { arcOf, type ArcWay } from './film-arcs';
import { AS_DRAWN, isAsDrawn, put, putWhole, scaledObject, type FilmPlacement } from './film-placement';
import { macroShape, regular, type ApertureFigure, type Macro } from './read-macro';

// Films of the Gerber layer format, with attributes (X2) or without (X1, and older files that give unit and
// format by codes): flashes and regions as figures, strokes as lines.

/** One thing on a film; mm. */
export interface FilmObject {
  readonly kind: 'flash' | 'region' | 'line';
  /** Of a flash or a region, with what its aperture leaves free within. */
  readonly placed?: Placed;
  readonly openings?: readonly Polygon[];
  /** Of a line: where it runs, and how wide its pen is or, where that is not round, what it covers. */
  readonly points?: Polyline;
  readonly width?: number;
  readonly swept?: Polygon;
  /** Taken away from what lies under it. */
  readonly clear: boolean;
  /** What its aperture is for, as the film says it. */
  readonly use: string;
  /** Reference and number of the pin that it belongs to; empty where the film does not say. */
  readonly component: string;
  readonly number: string;
  readonly pinName: string;
}

/** A film. */
export interface Film {
  /** Attributes of the file by their names, such as `.FileFunction`. */
  readonly attributes: ReadonlyMap<string, string>;
  readonly objects: readonly FilmObject[];
  /** What was not understood, in words. */
  readonly left: readonly string[];
}

/** Largest film that is read, in characters. */
export const LARGEST_FILM = 40_000_000;
const MOST_OBJECTS = 400_000;
const MOST_CORNERS = 20_000;
/** Corners of all objects together, and figures of all macros. */
const MOST_CORNERS_IN_ALL = 2_000_000;
const MOST_FIGURES = 20_000;
/** Nothing of a board lies further out. mm */
const FURTHEST = 5000;

/** Whether a text looks like a film. */
export function isFilm(text: string): boolean {
  const head = text.slice(0, 4000);
  return /%(FS[LTD]?[AI]|MO(MM|IN)|TF\.|ADD\d)/.test(head) || /^\s*G0?4[^*]*\*\s*(%|G)/.test(head);
}

/** Reads a film. @returns what lies on it, or why it is none */
export function readFilm(text: string): Result<Film, string> {
  if (text.length > LARGEST_FILM)
    return fail(`The film has ${Math.ceil(text.length / 1e6)} million characters; at most 40 are read.`);
  const film = new FilmReader();
  let at = 0;
  let line = 1;
  while (at < text.length && film.wrong === null && !film.ended) {
    const sign = text[at] as string;
    if (sign === '\n') line += 1;
    if (/\s/.test(sign)) {
      at += 1;
      continue;
    }
    const end = text.indexOf(sign === '%' ? '%' : '*', at + 1);
    if (end < 0) return fail(`Line ${line}: a command does not end.`);
    const block = text.slice(at + (sign === '%' ? 1 : 0), end);
    if (sign === '%') film.extended(block);
    else film.word(block.replace(/\s/g, ''));
    line += block.split('\n').length - 1;
    at = end + 1;
  }
  if (film.wrong !== null) return fail(`Line ${line}: ${film.wrong}`);
  return film.result();
}

type Aperture =
  | {
      readonly kind: 'shape';
      readonly figures: readonly ApertureFigure[];
      /** Of a round one. */
      readonly across: number | null;
      readonly use: string;
    }
  | { readonly kind: 'block'; readonly objects: FilmObject[] }
  | { readonly kind: 'nothing'; readonly use: string };

class FilmReader {
  wrong: string | null = null;
  ended = false;
  private readonly attributes = new Map<string, string>();
  private readonly macros = new Map<string, Macro>();
  private readonly apertures = new Map<string, Aperture>();
  private objects: FilmObject[] = [];
  private readonly left = new Map<string, number>();
  private unit: number | null = null;
  private format: {
    readonly digits: number;
    readonly decimals: number;
    readonly trailing: boolean;
    readonly incremental: boolean;
  } | null = null;
  private at = { x: 0, y: 0 };
  private current: string | null = null;
  private way: 'G01' | 'G02' | 'G03' = 'G01';
  private arcs: ArcWay = null;
  private operation = 'D02';
  private region: { x: number; y: number; bulge?: number }[] | null = null;
  private clear = false;
  private mirror = '';
  /** How the whole film is put, by commands of older files. */
  private whole: FilmPlacement = AS_DRAWN;
  private angle = 0;
  private scale = 1;
  private corners = 0;
  private figures = 0;
  /** Whether the next stroke goes on from the last one. */
  private goesOn = false;
  /** The line that strokes go on. */
  private run: { readonly points: Point[]; readonly width: number; readonly object: FilmObject } | null =
    null;
  private use = '';
  private pin: { component: string; number: string; pinName: string } = NO_PIN;
  /** Of a step and repeat that is open: where its objects start. */
  private repeat: {
    readonly from: number;
    readonly x: number;
    readonly y: number;
    readonly dx: number;
    readonly dy: number;
  } | null = null;
  private readonly blocks: { readonly code: string; readonly outer: FilmObject[] }[] = [];

  result(): Result<Film, string> {
    if (this.unit === null)
      return fail('It does not say its unit (MO): inches and millimetres cannot be told apart.');
    this.endRepeat();
    if (!this.ended) this.leave('an end (M02)');
    if (this.blocks.length > 0) this.leave('the end of a block of objects (AB)');
    for (const open of this.blocks.splice(0).reverse()) this.objects = open.outer;
    const words = [...this.left].map(([what, count]) => (count > 1 ? `${count} × ${what}` : what));
    const isPut = this.whole !== AS_DRAWN && !isAsDrawn(this.whole);
    return ok({
      attributes: this.attributes,
      objects: isPut ? this.objects.map((object) => putWhole(this.whole, object)) : this.objects,
      left: [
        ...(words.length > 0 ? [`Not understood or missing: ${words.join(', ')}.`] : []),
        ...(isPut
          ? [
              'The whole film is moved, turned, mirrored or scaled by its own commands (OF, SF, MI, AS, IR), which is done here: hold its places against the other films.',
            ]
          : []),
      ],
    });
  }

  private leave(what: string): void {
    this.left.set(what, (this.left.get(what) ?? 0) + 1);
  }

  /** What stands between percent signs: one command, or for a macro its statements. */
  extended(block: string): void {
    const parts = block
      .split('*')
      .map((part) => part.trim())
      .filter((part) => part !== '');
    const [first = ''] = parts;
    if (first.startsWith('AM')) {
      this.macros.set(
        first.slice(2).trim(),
        parts.slice(1).map((part) => part.replace(/\s/g, '')),
      );
      return;
    }
    for (const part of parts) this.command(part);
  }

  private command(text: string): void {
    const code = text.slice(0, 2);
    const rest = text.slice(2);
    switch (code) {
      case 'FS':
        return this.setFormat(rest);
      case 'MO':
        this.unit = rest.startsWith('IN') ? 25.4 : rest.startsWith('MM') ? 1 : null;
        return;
      case 'AD':
        return this.define(rest);
      case 'LP':
        this.clear = rest.startsWith('C');
        return;
      case 'LM':
        if (!/^(N|X|Y|XY)$/.test(rest)) this.leave(`the mirroring LM${rest.slice(0, 10)}`);
        this.mirror = rest === 'N' ? '' : rest;
        return;
      case 'LR':
        if (!Number.isFinite(Number(rest))) this.leave(`the turn LR${rest.slice(0, 10)}`);
        this.angle = Number(rest) || 0;
        return;
      case 'LS':
        if (!(Number(rest) > 0)) this.leave(`the scale LS${rest.slice(0, 10)}`);
        this.scale = Number(rest) > 0 ? Number(rest) : 1;
        return;
      case 'SR':
        return this.stepAndRepeat(rest);
      case 'AB':
        return this.block(rest);
      case 'TF':
      case 'TA':
      case 'TO':
      case 'TD':
        return this.attribute(code, rest);
      case 'IN':
      case 'LN':
        return;
      case 'IP':
        if (rest !== 'POS') this.wrong = 'The whole film is negative (IPNEG), which is not read.';
        return;
      default:
        return this.older(code, rest);
    }
  }

  /** Commands of older files: those that move, turn, mirror or scale the whole film, and those that do nothing. */
  private older(code: string, rest: string): void {
    const number = (axis: 'A' | 'B', otherwise: number) =>
      Number(new RegExp(`${axis}([-+]?[\\d.]+)`).exec(rest)?.[1] ?? otherwise);
    const [a, b] = [number('A', code === 'SF' ? 1 : 0), number('B', code === 'SF' ? 1 : 0)];
    const own: Partial<FilmPlacement> | null =
      code === 'OF'
        ? { x: a * (this.unit ?? 1), y: b * (this.unit ?? 1) }
        : code === 'SF'
          ? { scaleX: a, scaleY: b }
          : code === 'MI'
            ? { mirrorX: a === 1, mirrorY: b === 1 }
            : code === 'AS'
              ? { swaps: rest === 'AYBX' }
              : code === 'IR'
                ? { angle: Number(rest) || 0 }
                : null;
    if (own) {
      this.whole = { ...this.whole, ...own };
      const { scaleX, scaleY, angle } = this.whole;
      if (!(scaleX > 0 && scaleY > 0) || angle % 90 !== 0)
        this.wrong = `“${code}${rest.slice(0, 20)}” is no way that a film can be scaled or turned.`;
    } else if (!(['IJ', 'IO'].includes(code) && a === 0 && b === 0)) this.leave(`the command ${code}`);
  }

  private setFormat(rest: string): void {
    const read = /^([LTD]?)([AI])(?:N\d)?(?:G\d)?X(\d)(\d)Y(\d)(\d)/.exec(rest);
    if (!read) {
      this.wrong = `“FS${rest.slice(0, 20)}” is no format of coordinates.`;
      return;
    }
    const [, omitted, mode, whole, decimals] = read;
    this.format = {
      digits: Number(whole) + Number(decimals),
      decimals: Number(decimals),
      trailing: omitted === 'T',
      incremental: mode === 'I',
    };
  }

  private define(rest: string): void {
    const [, code, name = '', list] = /^D(\d+)([A-Za-z_.$][^,]*)(?:,(.*))?$/.exec(rest) ?? [];
    if (code === undefined) {
      this.leave(`the aperture “${rest.slice(0, 20)}”`);
      return;
    }
    const unit = this.unit ?? 1;
    if (this.unit === null) this.wrong = 'An aperture stands before the unit (MO).';
    const values = (list ?? '')
      .split('X')
      .filter((word) => word !== '')
      .map(Number);
    if (!values.every(Number.isFinite)) {
      this.leave(`the aperture “${rest.slice(0, 20)}”`);
      return;
    }
    const [a = 0, b = 0, c = 0] = values;
    const shape = (placed: Placed, across: number | null = null, free?: Placed): Aperture => ({
      kind: 'shape',
      figures: [{ placed, openings: free ? [flatten(contourOf(free))] : [] }],
      across: free ? null : across,
      use: this.use,
    });
    /** The hole of an aperture: a diameter, or in older files two sides. */
    const hole = ([x, y]: readonly number[]): Placed | undefined =>
      x === undefined || !(x > 0)
        ? undefined
        : y === undefined
          ? place({ kind: 'round', diameter: mm(x) }, ORIGIN)
          : place(rectangle(mm(x), mm(y)), ORIGIN);
    const mm = (value: number) => quantise(value * unit);
    const standard = (): Aperture | null => {
      switch (name) {
        case 'C':
          return a > 0
            ? shape(place({ kind: 'round', diameter: mm(a) }, ORIGIN), mm(a), hole(values.slice(1)))
            : { kind: 'nothing', use: this.use };
        case 'R':
        case 'O':
          if (!(a > 0 && b > 0)) return null;
          return shape(
            place(
              name === 'R'
                ? rectangle(mm(a), mm(b))
                : a === b
                  ? { kind: 'round', diameter: mm(a) }
                  : { kind: 'oblong', width: mm(a), height: mm(b) },
              ORIGIN,
            ),
            null,
            hole(values.slice(2)),
          );
        case 'P': {
          if (!(a > 0 && b >= 3 && b <= 12)) return null;
          const turned = { ...HOME, angle: c };
          const outline = regular(b, a * unit, ORIGIN).map((p) => putPoint(turned, p));
          return shape(recognised(outline), null, hole(values.slice(3)));
        }
        default: {
          const macro = this.macros.get(name);
          this.figures += macro?.length ?? 0;
          if (this.figures > MOST_FIGURES) {
            this.wrong = `Its macros have more than ${MOST_FIGURES} figures.`;
            return null;
          }
          const made = macro ? macroShape(macro, values, unit) : fail(`an aperture of the macro “${name}”`);
          if (!made.ok) this.leave(made.error);
          return made.ok
            ? { kind: 'shape', figures: made.value, across: null, use: this.use }
            : { kind: 'nothing', use: this.use };
        }
      }
    };
    const made = standard();
    if (made) this.apertures.set(code, made);
    else this.leave(`the aperture “${rest.slice(0, 20)}”`);
  }

  private attribute(code: 'TF' | 'TA' | 'TO' | 'TD', text: string): void {
    const [name = '', ...fields] = text.split(',').map(unescaped);
    if (code === 'TF') this.attributes.set(name, fields.join(','));
    else if (code === 'TA') {
      if (name === '.AperFunction') this.use = fields.join(',');
    } else if (code === 'TO') {
      const [component = '', number = '', pinName = ''] = fields;
      if (name === '.P') this.pin = { component, number, pinName };
      else if (name === '.C' && this.pin.number === '') this.pin = { ...NO_PIN, component };
    } else {
      if (name === '' || name === '.AperFunction') this.use = '';
      if (name === '' || name === '.P' || name === '.C') this.pin = NO_PIN;
    }
  }

  /** One word: codes with coordinates. */
  word(text: string): void {
    if (/^G0?4/.test(text)) {
      // attributes may stand in comments, for readers that know none
      const said = /^G0?4#@!(T[FAOD])(.*)$/.exec(text);
      if (said) this.attribute(said[1] as 'TF', said[2] ?? '');
      return;
    }
    if (/^M0?[0-2]$/.test(text)) {
      this.ended = true;
      return;
    }
    let rest = text;
    for (let code = /^G(\d{1,2})/.exec(rest); code; code = /^G(\d{1,2})/.exec(rest)) {
      this.general(Number(code[1]));
      rest = rest.slice(code[0].length);
    }
    if (rest === '') return;
    const chosen = /^D(\d+)$/.exec(rest);
    if (chosen && Number(chosen[1]) >= 10) {
      this.current = chosen[1] as string;
      this.goesOn = false;
      if (!this.apertures.has(this.current))
        this.leave(`the aperture D${this.current}, which is not defined`);
      return;
    }
    const read = /^(?:X([-+]?\d+))?(?:Y([-+]?\d+))?(?:I([-+]?\d+))?(?:J([-+]?\d+))?(?:D0?([123]))?$/.exec(
      rest,
    );
    if (!read) {
      this.leave(`“${rest.slice(0, 20)}”`);
      return;
    }
    if (this.format === null || this.unit === null) {
      this.wrong =
        this.unit === null
          ? 'Coordinates stand before the unit (MO).'
          : 'Coordinates stand before their format (FS).';
      return;
    }
    const [, x, y, i, j, operation] = read;
    if (operation) this.operation = `D0${operation}`;
    const { incremental } = this.format;
    const to = {
      x: x === undefined ? this.at.x : this.length(x) + (incremental ? this.at.x : 0),
      y: y === undefined ? this.at.y : this.length(y) + (incremental ? this.at.y : 0),
    };
    const offset = { x: i === undefined ? 0 : this.length(i), y: j === undefined ? 0 : this.length(j) };
    if ([to.x, to.y, offset.x, offset.y].some((value) => Math.abs(value) > FURTHEST)) {
      this.wrong = `“${text.slice(0, 40)}” lies more than ${FURTHEST / 1000} m out: its format of coordinates (FS) or its unit may be wrong.`;
      return;
    }
    this.operate(to, offset);
    this.at = to;
  }

  private general(code: number): void {
    switch (code) {
      case 1:
      case 2:
      case 3:
        this.way = `G0${code}` as 'G01';
        return;
      case 36:
        this.region = [];
        return;
      case 37:
        this.endContour();
        this.region = null;
        return;
      case 70:
        this.unit ??= 25.4;
        return;
      case 71:
        this.unit ??= 1;
        return;
      case 74:
        this.arcs = 'quarter';
        return;
      case 75:
        this.arcs = 'any';
        return;
      case 91:
        this.wrong = 'Its coordinates are incremental (G91), which is not read.';
        return;
      case 54:
      case 55:
      case 90:
        return;
      default:
        this.leave(`the code G${code}`);
    }
  }

  private length(digits: string): number {
    const { digits: count, decimals, trailing } = this.format as NonNullable<FilmReader['format']>;
    const [, sign = '', number = ''] = /^([-+]?)(\d+)$/.exec(digits) ?? [];
    // where trailing zeros are left out, what is there starts with the first digit
    const whole = trailing ? number.padEnd(count, '0') : number;
    return quantise((sign === '-' ? -1 : 1) * (Number(whole) / 10 ** decimals) * (this.unit as number));
  }

  private operate(to: Point, offset: Point): void {
    if (this.region) {
      if (this.operation === 'D02') this.endContour();
      const { region } = this;
      if (this.operation === 'D02' || region.length === 0)
        region.push(this.operation === 'D02' ? { ...to } : { ...this.at });
      if (this.operation === 'D01') {
        this.bend(region, to, offset);
        region.push({ ...to });
      }
      if (region.length > MOST_CORNERS) this.wrong = `A region has more than ${MOST_CORNERS} corners.`;
      return;
    }
    const goesOn = this.goesOn;
    this.goesOn = this.operation === 'D01';
    if (this.operation === 'D02') return;
    const aperture = this.current === null ? undefined : this.apertures.get(this.current);
    if (!aperture) {
      this.leave(
        this.current === null
          ? 'something drawn before an aperture is chosen'
          : `something drawn with D${this.current}`,
      );
      return;
    }
    if (this.operation === 'D03') return this.flash(aperture, to);
    const line: { x: number; y: number; bulge?: number }[] = [{ ...this.at }];
    this.bend(line, to, offset);
    line.push({ ...to });
    if (aperture.kind !== 'shape') {
      if (aperture.kind !== 'nothing') this.leave('a stroke with a block of objects');
      return;
    }
    const isDot = line.length === 2 && to.x === this.at.x && to.y === this.at.y;
    if (isDot) return this.flash(aperture, to);
    const points = flattenOpen(line, 0.002);
    this.corners += points.length;
    if (this.corners > MOST_CORNERS_IN_ALL) {
      this.wrong = `Its lines have more than ${MOST_CORNERS_IN_ALL / 1e6} million corners.`;
      return;
    }
    if (aperture.across === null) return this.sweep(aperture, points);
    const width = quantise(aperture.across * this.scale);
    const run = this.run;
    if (goesOn && run && run.width === width && this.objects.at(-1) === run.object) {
      // corners are added where they are kept: a line of thousands is not copied with each
      run.points.push(...points.slice(1));
      return;
    }
    const kept = [...points];
    this.add({ kind: 'line', points: kept, width, use: aperture.use });
    this.run = { points: kept, width, object: this.objects.at(-1) as FilmObject };
  }

  /** A straight stroke with an aperture that is not round covers what lies round it at both ends. */
  private sweep(aperture: Extract<Aperture, { kind: 'shape' }>, points: Polyline): void {
    const [figure] = aperture.figures;
    if (!figure || aperture.figures.length > 1 || figure.openings.length > 0) {
      this.leave('a stroke with an aperture of several parts');
      return;
    }
    const outline = flatten(contourOf(this.atPlace(ORIGIN, figure).placed));
    for (const [i, to] of points.slice(1).entries()) {
      const from = points[i] as Point;
      const [covered] = swept(outline, from, to);
      if (covered) this.add({ kind: 'line', points: [from, to], swept: covered, use: aperture.use });
    }
  }

  /** Bends the last corner's edge towards a point where arcs are drawn; whole turns in two halves. */
  private bend(line: { x: number; y: number; bulge?: number }[], to: Point, offset: Point): void {
    if (this.way === 'G01') return;
    const from = line.at(-1) as { x: number; y: number; bulge?: number };
    const arc = arcOf(from, to, offset, { isLeft: this.way === 'G03', way: this.arcs });
    if (!arc) return this.leave('an arc without a middle');
    if (arc.doubt !== null) this.leave(arc.doubt);
    from.bulge = arc.bulge;
    if (arc.halfway) line.push(arc.halfway);
  }

  private endContour(): void {
    const { region } = this;
    if (!region || region.length < 2) {
      if (region) this.region = [];
      return;
    }
    const [first, last] = [region[0] as Vertex, region.at(-1) as Vertex];
    const contour = Math.hypot(first.x - last.x, first.y - last.y) < 1e-6 ? region.slice(0, -1) : region;
    if (contour.length > 1 && Math.abs(area(flatten(contour))) > 1e-9)
      this.add({ kind: 'region', placed: recognised(contour), use: this.use });
    this.region = [];
  }

  private flash(aperture: Aperture, at: Point): void {
    if (aperture.kind === 'nothing') return;
    if (aperture.kind === 'shape') {
      for (const figure of aperture.figures)
        this.add({ kind: 'flash', use: aperture.use, ...this.atPlace(at, figure) });
      return;
    }
    const over = this.placementAt(at);
    for (const object of aperture.objects)
      this.addWhole(put(over, this.scale === 1 ? object : scaledObject(object, this.scale, this.scale)));
  }

  /** Mirrored first, then turned (LM, LR). */
  private placementAt(at: Point): Placement {
    return {
      at,
      angle: fullTurn(this.angle + (this.mirror === 'Y' || this.mirror === 'XY' ? 180 : 0)),
      far: this.mirror === 'X' || this.mirror === 'Y',
    };
  }

  private atPlace(
    at: Point,
    { placed, openings }: ApertureFigure,
  ): { readonly placed: Placed; readonly openings?: readonly Polygon[] } {
    const over = this.placementAt(at);
    const own = this.scale === 1 ? placed : scaledPlaced(placed, this.scale, this.scale);
    const put = putPlaced(over, own);
    if (openings.length === 0) return { placed: put };
    const moved = openings.map((opening) =>
      opening.map(({ x, y }) => putPoint(over, { x: x * this.scale, y: y * this.scale })),
    );
    return { placed: put, openings: moved };
  }

  private add(object: Omit<FilmObject, 'clear' | 'component' | 'number' | 'pinName'>): void {
    const { component, number, pinName } = this.pin;
    const { kind, use, placed, openings } = object;
    const { clear } = this;
    // hundreds of thousands are made: one shape of value, and no copies of copies
    if (kind === 'flash' && placed && !openings)
      this.addWhole({ kind, placed, clear, use, component, number, pinName });
    else this.addWhole({ ...object, clear, component, number, pinName });
  }

  private addWhole(object: FilmObject): void {
    this.objects.push(object);
    if (this.objects.length > MOST_OBJECTS) this.wrong = `It has more than ${MOST_OBJECTS} objects.`;
  }

  /** Opens a block of objects that is flashed later, or closes it. */
  private block(rest: string): void {
    const code = /^D(\d+)$/.exec(rest)?.[1];
    if (code !== undefined) {
      if (this.blocks.length > 8) this.wrong = 'Its blocks lie too deep in each other.';
      this.blocks.push({ code, outer: this.objects });
      this.objects = [];
      return;
    }
    const open = this.blocks.pop();
    if (!open) return;
    this.apertures.set(open.code, { kind: 'block', objects: this.objects });
    this.objects = open.outer;
  }

  private stepAndRepeat(rest: string): void {
    this.endRepeat();
    const [, x, y, dx, dy] = /^X(\d+)Y(\d+)I([-\d.]+)J([-\d.]+)$/.exec(rest) ?? [];
    if (x === undefined) return;
    const unit = this.unit ?? 1;
    this.repeat = {
      from: this.objects.length,
      x: Number(x),
      y: Number(y),
      dx: Number(dx) * unit,
      dy: Number(dy) * unit,
    };
  }

  private endRepeat(): void {
    const { repeat } = this;
    this.repeat = null;
    if (!repeat) return;
    const own = this.objects.slice(repeat.from);
    if (own.length === 0) return;
    if (own.length * repeat.x * repeat.y > MOST_OBJECTS) {
      this.wrong = `It repeats into more than ${MOST_OBJECTS} objects.`;
      return;
    }
    for (let i = 0; i < repeat.x; i += 1)
      for (let j = 0; j < repeat.y; j += 1)
        if (i + j > 0)
          for (const object of own)
            this.addWhole(put({ ...HOME, at: { x: i * repeat.dx, y: j * repeat.dy } }, object));
  }
}

const ORIGIN: Point = { x: 0, y: 0 };
const NO_PIN = { component: '', number: '', pinName: '' };

/** A field of an attribute with its codes as signs. */
const unescaped = (field: string): string =>
  field.replace(/\\u([0-9a-fA-F]{4})/g, (_, code: string) => String.fromCharCode(parseInt(code, 16)));
