import { place, rectangle, type Figure, type Placed } from '../../geometry/figure';
import { fullTurn } from '../../geometry/point';
import type { GivenLand, GivenVia } from '../../given/pattern';
import { MM_PER, quantise, type LengthUnit } from '../../units/length';
import { agreed } from '../../words/agreed';
import type { PadColumn } from './pad-columns';
import { shapeCalled } from './pad-words';
import { numberOf, unitIn } from './rows';

// Rows of a pad table as lands, holes, vias and windows, once it is known what its columns hold.

/** Sides of the board as tables say them; a hole's land is on both. */
const FAR =
  /^(far|bottom|bot|b|back|solder|unten|unterseite|rück(seite)?|lötseite|dessous|arrière|inferior|abajo|inferiore|sotto|baixo|низ|нижн\S*)( ?(side|layer|copper|cu))?$/i;
const NEAR =
  /^(near|top|t|front|component|both|all|through|oben|oberseite|vorder(seite)?|bestückungsseite|dessus|superior|arriba|superiore|sopra|cima|верх|верхн\S*)( ?(side|layer|copper|cu))?$/i;

/** Takes a table's rows one by one. */
export class RowReader {
  private readonly lands: (GivenLand & { vias: GivenVia[]; windows: Placed[] })[] = [];
  private readonly holes: Placed[] = [];
  private readonly pins: { readonly number: string; readonly name: string }[] = [];
  private readonly shapes = new Map<string, number>();
  /** Rows by the number and place of their land. */
  private readonly places = new Map<string, number>();

  constructor(
    private readonly heads: readonly string[],
    private readonly columns: readonly PadColumn[],
    private readonly unit: LengthUnit,
    private readonly left: string[],
  ) {}

  result() {
    for (const [shape, count] of this.shapes)
      this.left.push(
        `The shape “${shape}” of ${agreed(count, '# [land is not known here; it is taken as a rectangle|lands is not known here; they are taken as rectangles].')}`,
      );
    // lands that are all of the far side are a pattern like any other
    const bothSides = this.lands.some(({ far }) => !far);
    const lands = this.lands.map(({ vias, windows, far, ...land }): GivenLand => ({
      ...land,
      ...(far && bothSides ? { far } : {}),
      ...(vias.length > 0 ? { vias } : {}),
      ...(windows.length > 0 ? { paste: windows } : {}),
    }));
    return { lands, holes: this.holes, pins: this.pins };
  }

  /** The unit of a column: its own where its head says one. */
  private unitOf(column: PadColumn): LengthUnit {
    return unitIn(this.heads[this.columns.indexOf(column)] ?? '') ?? this.unit;
  }

  row(cells: readonly string[], number: number): void {
    const text = (column: PadColumn) => cells[this.columns.indexOf(column)] ?? '';
    let wrong: string | null = null;
    const length = (column: PadColumn): number | null => {
      const cell = this.columns.includes(column) ? text(column) : '';
      if (cell === '' || cell === '-') return null;
      const value = numberOf(cell);
      if (Number.isNaN(value)) {
        wrong ??= `${this.heads[this.columns.indexOf(column)] ?? column} is “${cell.slice(0, 40)}”, and a length is expected`;
        return null;
      }
      return quantise(value * MM_PER[unitIn(cell) ?? this.unitOf(column)]);
    };
    const rotation = numberOf(text('rotation') || '0');
    const [x1, y1, x2, y2] = [length('x1'), length('y1'), length('x2'), length('y2')];
    const radius = length('radius');
    const across = length('diameter') ?? (radius === null ? null : quantise(2 * radius));
    const stated = [length('length'), length('width'), across] as const;
    // two corners say the size as well, a corner and the size the middle
    const between = (a: number | null, b: number | null) =>
      a === null || b === null ? null : quantise(Math.abs(b - a));
    const sides = [stated[0] ?? between(x1, x2), stated[1] ?? between(y1, y2), stated[2]];
    const middle = (own: number | null, from: number | null, to: number | null, side?: number | null) =>
      own ??
      (from === null
        ? null
        : to !== null
          ? quantise((from + to) / 2)
          : side
            ? quantise(from + side / 2)
            : null);
    const x = middle(length('x'), x1, x2, sides[0] ?? sides[2]);
    const y = middle(length('y'), y1, y2, sides[1] ?? sides[2] ?? sides[0]);
    // a hole of nothing is none: lands without one stand among others that have
    const drilled = (column: PadColumn) => {
      const value = length(column);
      if (value !== null && value < 0) wrong ??= `its ${column.replace(/-.*/, '')} is ${value} mm wide`;
      return value === 0 ? null : value;
    };
    const [hole, slot] = [drilled('hole'), drilled('slot')];
    const [holeX, holeY] = [drilled('hole-x'), drilled('hole-y')];
    const mask = [length('mask-length'), length('mask-width')];
    const paste = [length('paste-length'), length('paste-width')];
    const refuse = (why: string) => this.left.push(`Row ${number}: ${why}; the row is left out.`);
    if (wrong !== null) return void refuse(wrong);
    if (x === null || y === null) return void refuse('it has no place');
    if (
      between(x1, x2) !== null &&
      stated[0] !== null &&
      Math.abs((between(x1, x2) ?? 0) - stated[0]) > 0.002
    )
      this.left.push(
        `Row ${number}: its corners are ${between(x1, x2) ?? 0} mm apart along x and its length is ${stated[0]} mm; the length was taken.`,
      );
    if (Number.isNaN(rotation)) return void refuse(`the angle is “${text('rotation').slice(0, 40)}”`);
    const at = { x, y };
    const angle = fullTurn(rotation);
    const what = text('what').toLowerCase();
    const last = this.lands.at(-1);
    if (what === 'via' && last && hole !== null) {
      last.vias.push({ ...at, hole, land: sides[0] ?? hole + 0.3 });
      return;
    }
    if (what === 'paste window' && last && paste[0] !== null && paste[0] !== undefined) {
      last.windows.push(place(rectangle(paste[0], paste[1] ?? paste[0]), at, angle));
      return;
    }
    const bore =
      holeX !== null || holeY !== null
        ? place(roundEnded(holeX ?? holeY ?? 0, holeY ?? holeX ?? 0), at, angle)
        : hole === null
          ? null
          : place(roundEnded(Math.max(slot ?? 0, hole), hole), at, angle);
    const copper = this.figure(sides, text('shape'));
    if (bore && (what === 'hole' || !copper)) {
      this.holes.push(bore);
      return;
    }
    if (!copper) return void refuse('it has no size');
    // a side that is missing beside one that is there is no square
    const isHalf = this.columns.includes('width') && this.columns.includes('length') && sides[2] === null;
    if (isHalf && copper.kind !== 'round' && (sides[0] === null) !== (sides[1] === null))
      return void refuse(`it has a ${sides[0] === null ? 'width and no length' : 'length and no width'}`);
    const opening = ([long, wide]: (number | null)[]): readonly Placed[] | null =>
      long === null || long === undefined ? null : [place(resized(copper, long, wide ?? long), at, angle)];
    const written = text('number');
    // a dash says that there is none
    const name = /^[-–—]$/.test(written) ? '' : written;
    const [openMask, openPaste] = [opening(mask), opening(paste)];
    const twin = name === '' ? undefined : this.places.get(`${name} ${at.x} ${at.y}`);
    if (twin !== undefined) {
      this.left.push(
        `Row ${number} gives land ${name} at ${at.x}, ${at.y} once more, as row ${twin} does; the first is kept.`,
      );
      return;
    }
    this.places.set(`${name} ${at.x} ${at.y}`, number);
    const side = text('side').trim();
    const far = bore === null && FAR.test(side);
    if (side !== '' && !far && !NEAR.test(side))
      this.left.push(
        `Row ${number}: the side “${side.slice(0, 40)}” is not known; the land is taken on the component side.`,
      );
    this.lands.push({
      ...(far ? { far: true as const } : {}),
      number: name.replace(/^'(?=[=+\-@])/, '').slice(0, 12),
      copper: place(copper, at, angle),
      ...(openMask ? { mask: openMask } : this.columns.includes('mask-length') ? { mask: [] } : {}),
      ...(openPaste ? { paste: openPaste } : this.columns.includes('paste-length') ? { paste: [] } : {}),
      ...(bore ? { hole: { hole: bore, plated: !/^(non|no|false|0|npth)/i.test(text('plating')) } } : {}),
      vias: [],
      windows: [],
    });
    const called = text('pin');
    if (called !== '' && called !== name && name !== '') this.pins.push({ number: name, name: called });
  }

  private figure(
    [length, width, diameter]: readonly (number | null | undefined)[],
    shape: string,
  ): Figure | null {
    const long = length ?? diameter ?? width ?? null;
    const wide = width ?? diameter ?? length ?? null;
    if (long === null || wide === null || long <= 0 || wide <= 0) return null;
    const said = shapeCalled(shape);
    const isDisc = shape === '' && (length ?? null) === null && (diameter ?? null) !== null;
    if (isDisc || said === 'round' || said === 'oblong') return roundEnded(long, wide);
    if (said === 'd-shape') return { kind: 'd-shape', width: long, height: wide };
    if (said === null) this.shapes.set(shape, (this.shapes.get(shape) ?? 0) + 1);
    return rectangle(long, wide);
  }
}

/** A circle where both sides are equal. */
const roundEnded = (width: number, height: number): Figure =>
  width === height ? { kind: 'round', diameter: width } : { kind: 'oblong', width, height };

/** A figure of the same kind with other sides. */
function resized(figure: Figure, width: number, height: number): Figure {
  if (figure.kind === 'round') return roundEnded(width, height);
  return figure.kind === 'contour' ? rectangle(width, height) : { ...figure, width, height };
}
