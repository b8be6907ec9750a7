import { formatNumber } from '../../units/length';
import {
  bind,
  extentOf,
  kindOf,
  lengthWords,
  mirror,
  rowsOf,
  SAME,
  sameKind,
  type Bound,
  type Extent,
  type Mirror,
} from './binding';
import type { Dimension } from './dimensions';
import { Equations, plus, times, type Clash, type Form, type Sum } from './equations';
import { LEVEL, UPRIGHT, type Frame } from './frame';
import type { Label } from './labels';
import { alike } from './lands';
import { drawnOf, isAmiss, offWords, type Scale } from './scale';
import type { Shape, Stroke } from './strokes';

// The lengths of a view, one axis at a time. Each thing has two unknowns: where its middle is and how far it
// reaches. What is drawn at one place, of one size or in equal steps shares its unknowns; printed numbers are the
// equations, and the drawing's own proportions say nothing but which of them are meant.

/** A thing of a view that is measured. */
export interface Thing {
  readonly shape: Shape;
  readonly role: 'land' | 'hole' | 'body' | 'window';
  /** How it is called where it is told. */
  readonly name: string;
}

/** A printed number as it was used. */
export interface Used {
  readonly label: Label;
  /** What it measures, in words. */
  readonly what: string;
  /** What kind of length it is, and along which axis. */
  readonly kind: 'size' | 'pitch' | 'centre' | 'gap' | 'outer' | 'diameter' | 'other';
  readonly axis: 'x' | 'y';
  /** As it is drawn, by the scale of its view, mm. */
  readonly drawn: number;
  readonly doubt: string | null;
}

/** One axis of a view, solved. */
export interface Axis {
  readonly used: readonly Used[];
  /** Where a thing's middle lies and how far it reaches, mm; how it is known. */
  place(thing: Thing): Known;
  size(thing: Thing): Known;
  /** Points for a millimetre; `null` where no number says it. */
  readonly scale: number | null;
  /** Labels of dimensions that measure something that was not understood. */
  readonly unbound: readonly Label[];
}

/** A length that follows from printed numbers, or that was measured off the drawing. */
export interface Known {
  readonly mm: number;
  readonly isMeasured: boolean;
  /** Of which numbers it is the sum, printed ones and those that were measured. */
  readonly form: Form<Said>;
}

/** What a length of the drawing rests on: a printed number, or what was measured where none is printed. */
export type Said = Label | Measurement;

/** A length that no number says, as it is drawn. */
export interface Measurement {
  readonly what: string;
  readonly measured: number;
}

export const isPrinted = (said: Said): said is Label => 'printed' in said;

/** What is known of a view before it is solved. */
export interface ViewAsk {
  readonly things: readonly Thing[];
  readonly dimensions: readonly Dimension[];
  readonly strokes: readonly Stroke[];
  /** Diameters that leaders lead to. */
  readonly diameters: ReadonlyMap<Thing, Label>;
  readonly scale: Scale | null;
  /** Shapes of the page that are none of the view: what stands on them measures something else. */
  readonly foreign: readonly Shape[];
}

/** Solves both axes of a view together: a terminal that is turned by a quarter is as long as the others are. */
export function solveView(ask: ViewAsk): {
  readonly x: Axis;
  readonly y: Axis;
  /** What is drawn alike and printed otherwise. */
  readonly doubts: readonly string[];
} {
  const system = new Equations<Said>();
  const numbers = new Unknowns();
  const [x, y] = (['x', 'y'] as const).map((axis) => new AxisSolver(axis, ask, system, numbers));
  if (!x || !y) throw new RangeError('a view has two axes');
  const axes = [x, y];
  // all that is printed goes before what is drawn alike, and that before what is measured
  for (const axis of axes) axis.print();
  for (const axis of axes) axis.steps();
  const doubts = [...axes.flatMap((axis) => axis.doubts), ...turned(ask.things, x, y, system)];
  return { x: x.measure(), y: y.measure(), doubts: [...new Set(doubts)] };
}

/** Numbers of unknowns. */
class Unknowns {
  private next = 0;
  take(): number {
    this.next += 1;
    return this.next;
  }
}

/** What is drawn at one step in one size, along one axis. */
interface Step {
  readonly drawn: number;
  readonly unknown: number;
  readonly shape: Shape;
}

/** Things that are each other turned by a quarter have each other's sizes, and their rows the same steps. */
function turned(things: readonly Thing[], x: AxisSolver, y: AxisSolver, system: Equations<Said>): string[] {
  const doubts: string[] = [];
  const sides = (i: number) => [x.long(i), y.long(i)] as const;
  const near = (a: number, b: number) => Math.abs(a - b) < Math.max(SAME, 0.012 * a);
  const same = (a: Sum, b: Sum, what: string) => {
    const doubt = drawnAlike(system, plus(a, b, -1), what);
    if (doubt !== null) doubts.push(doubt);
  };
  things.forEach((one, i) => {
    const j = things.findIndex((other, k) => {
      const [[w, h], [wide, tall]] = [sides(i), sides(k)];
      return sameKind(one, other) && near(w, tall) && near(h, wide);
    });
    if (j < 0) return;
    const what = `${one.name} is drawn as long as ${things[j]?.name ?? ''}, turned by a quarter`;
    same(x.size(i), y.size(j), what);
    same(y.size(i), x.size(j), what);
  });
  for (const step of x.found)
    for (const other of y.found) {
      const [a, b] = [step.shape.area, other.shape.area];
      const isTurned = near(a.x1 - a.x0, b.y1 - b.y0) && near(a.y1 - a.y0, b.x1 - b.x0);
      if (isTurned && Math.abs(step.drawn - other.drawn) < SAME)
        same(
          new Map([[step.unknown, 1]]),
          new Map([[other.unknown, 1]]),
          'rows across and upright are drawn in one step',
        );
    }
  return doubts;
}

/**
 * Takes a sum for nothing, as the drawing shows it.
 * @returns in words where the printed numbers say otherwise, beyond what their last digits leave open; else `null`
 */
function drawnAlike(system: Equations<Said>, sum: Sum, what: string): string | null {
  const clash = system.add(sum, 0, null, 0);
  if (!clash || Math.abs(clash.by) <= looseness(clash.from)) return null;
  const others = printedIn(clash.from);
  return `${what.charAt(0).toUpperCase()}${what.slice(1)}; by ${others} they differ by ${formatNumber(Math.abs(clash.by), 0, 3)} mm.`;
}

/** How far a sum of printed numbers may be off by their last digits, mm. */
const looseness = (form: Form<Said>): number =>
  [...form].reduce(
    (sum, [said, share]) => sum + (isPrinted(said) ? 0.5 * Math.abs(share) * said.step : 0),
    1e-6,
  );

const printedIn = (form: Form<Said>): string =>
  [...form.keys()]
    .filter(isPrinted)
    .map(({ printed }) => printed)
    .join(', ');

/** One axis of a view. */
class AxisSolver {
  readonly found: Step[] = [];
  /** What is drawn alike and printed otherwise. */
  readonly doubts: string[] = [];
  private readonly frame: Frame;
  private readonly spans: readonly Extent[];
  private readonly middles: readonly number[];
  private readonly sizes: readonly number[];
  private readonly centre: Mirror | null;
  private readonly middle: number;
  private readonly scale: number | null;
  private readonly isToScale: boolean;
  private readonly used: Used[] = [];
  private readonly unbound: Label[] = [];

  constructor(
    private readonly axis: 'x' | 'y',
    private readonly ask: ViewAsk,
    private readonly system: Equations<Said>,
    private readonly numbers: Unknowns,
  ) {
    const { things, scale } = ask;
    this.frame = axis === 'x' ? LEVEL : UPRIGHT;
    this.spans = things.map(({ shape }) => extentOf(shape, axis));
    this.middles = this.classes((i, j) => Math.abs(this.mid(i) - this.mid(j)) < SAME);
    this.sizes = this.classes(
      (i, j) =>
        sameKind(things[i], things[j]) && alike((things[i] as Thing).shape, (things[j] as Thing).shape),
    );
    this.centre = mirror(things, this.spans);
    this.middle = numbers.take();
    this.scale = scale?.[axis] ?? null;
    this.isToScale = scale?.isToScale ?? false;
  }

  /** Takes the printed numbers: those that fit the drawing first, of these those with more digits. */
  print(): void {
    const { things, dimensions, strokes, foreign } = this.ask;
    const extents = foreign.map((shape) => extentOf(shape, this.axis));
    const bound: { readonly dimension: Dimension; readonly a: Bound; readonly b: Bound }[] = [];
    for (const dimension of dimensions) {
      if (dimension.frame.angle !== this.frame.angle || dimension.label.value === null) continue;
      const { spans, centre, frame } = this;
      const [a, b] = dimension.feet.map((foot) =>
        bind(foot, { things, spans, foreign: extents, centre, strokes, frame }),
      );
      if (a === 'foreign' || b === 'foreign') continue;
      if (a && b) bound.push({ dimension, a, b });
      else this.unbound.push(dimension.label);
    }
    const inOrder = bound.sort(
      (p, q) =>
        Number(this.isOff(p.dimension)) - Number(this.isOff(q.dimension)) ||
        p.dimension.label.step - q.dimension.label.step,
    );
    for (const { dimension, a, b } of inOrder) {
      const { label } = dimension;
      const value = label.value?.nom ?? 0;
      const sum = plus(this.boundSum(b), this.boundSum(a), -1);
      const clash = this.system.add(sum, value, label, 1.5 * label.step + 1e-6);
      const drawn = this.scale === null ? value : drawnOf(dimension) / this.scale;
      this.used.push({
        label,
        what: lengthWords(a, b, things, this.axis),
        kind: kindOf(a, b, things),
        axis: this.axis,
        drawn,
        doubt: clash
          ? clashWords(label, value, clash)
          : this.isOff(dimension)
            ? offWords(drawn, value)
            : ownDoubt(label),
      });
    }
    this.printDiameters();
  }

  private printDiameters(): void {
    for (const [thing, label] of this.ask.diameters) {
      const i = this.ask.things.indexOf(thing);
      if (i < 0 || !label.value) continue;
      const { nom } = label.value;
      const drawn = this.scale === null ? nom : this.long(i) / this.scale;
      const isFar =
        this.scale !== null &&
        this.isToScale &&
        Math.abs(drawn - nom) > Math.max(1 / this.scale, 0.05 * drawn);
      this.system.add(this.size(i), nom, label, 1.5 * label.step);
      if (this.axis === 'y' || this.used.some((one) => one.label === label)) continue;
      this.used.push({
        label,
        what: `diameter of ${thing.name}`,
        kind: 'diameter',
        axis: this.axis,
        drawn,
        doubt: isFar ? offWords(drawn, nom) : null,
      });
    }
  }

  /** Takes what the drawing shows to be equal: steps of rows, and the two sides of its middle. */
  steps(): void {
    const { things } = this.ask;
    for (const row of rowsOf(things, this.spans)) {
      row.slice(1).forEach((to, k) => {
        const from = row[k] as number;
        const drawn = this.mid(to) - this.mid(from);
        const { shape } = things[to] as Thing;
        let step = this.found.find((one) => Math.abs(one.drawn - drawn) < SAME && alike(one.shape, shape));
        if (!step) {
          step = { drawn, unknown: this.numbers.take(), shape };
          this.found.push(step);
        }
        const apart = plus(this.place(to), this.place(from), -1);
        this.alike(
          plus(apart, new Map([[step.unknown, 1]]), -1),
          `the steps of the row of ${(things[row[0] as number] as Thing).name} are drawn equal`,
        );
      });
    }
    for (const [i, j] of this.centre?.pairs ?? []) {
      const both = plus(this.place(i), this.place(j), 1);
      const [p, q] = [things[i]?.name ?? '', things[j]?.name ?? ''];
      this.alike(
        plus(both, new Map([[this.middle, 1]]), -2),
        `${p} and ${q} are drawn alike on both sides of the middle`,
      );
    }
  }

  private alike(sum: Sum, what: string): void {
    const doubt = drawnAlike(this.system, sum, what);
    if (doubt !== null) this.doubts.push(doubt);
  }

  /** What is known in the end; what no number says is measured, so that the rest agrees with it. */
  measure(): Axis {
    const { things } = this.ask;
    // places are told from the middle of what is alike on both sides, or else from the first thing
    const zero: Sum = this.centre === null ? this.place(0) : new Map([[this.middle, 1]]);
    const zeroDrawn = this.centre === null ? this.mid(0) : this.centre.at;
    const [size, way] = this.axis === 'x' ? ['width', 'across'] : ['height', 'up and down'];
    const all = things.map(({ name, shape }, i) => ({
      size: this.known(
        this.size(i),
        this.long(i),
        shape.kind === 'round' ? `diameter of ${name}` : `${size} of ${name}`,
      ),
      place: this.known(plus(this.place(i), zero, -1), this.mid(i) - zeroDrawn, `place of ${name} ${way}`),
    }));
    return {
      used: this.used,
      scale: this.scale,
      unbound: this.unbound,
      place: (thing) => all[things.indexOf(thing)]?.place ?? NOWHERE,
      size: (thing) => all[things.indexOf(thing)]?.size ?? NOWHERE,
    };
  }

  private known(sum: Sum, points: number, what: string): Known {
    const follows = this.system.valueOf(sum);
    if (follows) {
      const isMeasured = [...follows.form.keys()].some((said) => !isPrinted(said));
      return { mm: follows.value, isMeasured, form: follows.form };
    }
    if (this.scale === null) return NOWHERE;
    const mm = Math.round((100 * points) / this.scale) / 100;
    // a length is measured, and its direction is that of the sum
    const way = mm < 0 ? -1 : 1;
    const measurement: Measurement = { what, measured: Math.abs(mm) };
    this.system.add(times(sum, way), measurement.measured, measurement, Infinity);
    return { mm, isMeasured: true, form: new Map([[measurement, way]]) };
  }

  private mid(i: number): number {
    return ((this.spans[i]?.lo ?? 0) + (this.spans[i]?.hi ?? 0)) / 2;
  }

  /** How long a thing is drawn, points. */
  long(i: number): number {
    return (this.spans[i]?.hi ?? 0) - (this.spans[i]?.lo ?? 0);
  }

  private place(i: number): Sum {
    return new Map([[this.middles[i] as number, 1]]);
  }

  size(i: number): Sum {
    return new Map([[this.sizes[i] as number, 1]]);
  }

  private boundSum(one: Bound): Sum {
    if (one === 'centre') return new Map([[this.middle, 1]]);
    return one.edge === 0
      ? this.place(one.thing)
      : plus(this.place(one.thing), this.size(one.thing), one.edge / 2);
  }

  private isOff(dimension: Dimension): boolean {
    const { scale, isToScale } = this;
    return (
      isToScale && scale !== null && isAmiss(drawnOf(dimension), scale * (dimension.label.value?.nom ?? 0))
    );
  }

  /** One unknown for all that are the same. */
  private classes(isSame: (i: number, j: number) => boolean): number[] {
    const heads: { readonly i: number; readonly unknown: number }[] = [];
    return this.ask.things.map((_, i) => {
      const head = heads.find((one) => isSame(one.i, i));
      if (head) return head.unknown;
      const unknown = this.numbers.take();
      heads.push({ i, unknown });
      return unknown;
    });
  }
}

const NOWHERE: Known = { mm: NaN, isMeasured: true, form: new Map() };

/** What the text of a number itself leaves to be looked at. */
const ownDoubt = ({ doubts }: Label): string | null =>
  doubts.find(({ severity }) => severity === 'caution')?.message ?? null;

function clashWords({ printed }: Label, value: number, { by, from }: Clash<Said>): string {
  return `${printed} does not go with ${printedIn(from)}: by them it is ${formatNumber(Math.abs(by), 0, 3)} mm, and ${formatNumber(value, 0, 4)} mm is printed.`;
}
