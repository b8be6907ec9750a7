import type { SheetUnit } from '../../document/document';
import { contourFigure, place, rectangle, type Figure, type Placed } from '../../geometry/figure';
import type { Contour } from '../../geometry/contour';
import { area as areaIn } from '../../geometry/polygon';
import type { GivenLand, GivenPattern } from '../../given/pattern';
import { quantise } from '../../units/length';
import type { Area, SourcePage } from '../page';
import type { Dimension } from './dimensions';
import { plus, times } from './equations';
import { endsBy, type EndsAt } from './ends';
import { apart } from './frame';
import type { Label } from './labels';
import type { DrawnPage } from './page';
import { landViews, type LandShape, type LandView } from './lands';
import {
  isPrinted,
  solveView,
  type Axis,
  type Known,
  type Measurement,
  type Thing,
  type Used,
} from './solve';
import { diametersOf, radiiOf } from './leaders';
import { scaleOf } from './scale';
import type { Shape } from './strokes';
import type { DrawnText } from './texts';

// A recommended land pattern as it is drawn: lands, holes and body by the numbers that are printed at them.

/** A thing of the pattern where it lies about the middle of the lands, each length as the sum of what is printed. */
export interface LaidThing extends Pick<Thing, 'role' | 'name' | 'shape'> {
  /** Number of a land; of what lies in a land, that of the land. */
  readonly number: string;
  /** Its place among the lands; of what lies in a land, that of the land; `null` of what stands alone. */
  readonly land: number | null;
  readonly x: Known;
  readonly y: Known;
  readonly width: Known;
  readonly height: Known;
}

/** A land pattern that was read from a drawing. */
export interface DrawnPattern {
  /** About its own middle, seen from the component side. */
  readonly pattern: GivenPattern;
  /** The printed numbers that it rests on. */
  readonly used: readonly Used[];
  readonly things: readonly LaidThing[];
  /** What no number says: measured off the drawing. */
  readonly open: readonly Measurement[];
  /** Of plain numbers on the page. */
  readonly unit: SheetUnit;
  /** Numbers that stand at a dimension line and were not understood. */
  readonly unread: readonly Label[];
  readonly doubts: readonly string[];
  /** The view on the page, and points for a millimetre; `null` where no number says it. */
  readonly area: Area;
  readonly scale: number | null;
  /** Whether a title beside it says that it is a land pattern. */
  readonly isTitled: boolean;
}

/** What is known before a drawing is read. */
export interface DrawnAsk {
  readonly name: string;
}

/** The recommended land patterns of a page, the likeliest first. */
export function drawnPatterns(page: SourcePage, drawn: DrawnPage, asked: DrawnAsk): DrawnPattern[] {
  const ends = endsBy(drawn.ends);
  const heads = new Set(drawn.shapes.filter((shape) => isHead(shape, ends)));
  const things = drawn.shapes.filter((shape) => !heads.has(shape));
  const views = landViews(things, drawn.texts, page);
  const titled = titledAmong(views, drawn.texts);
  return views
    .flatMap((view) => patternOf(view, drawn, { shapes: things, isTitled: titled.has(view), ...asked }) ?? [])
    .sort((a, b) => patternWorth(b) - patternWorth(a));
}

/** How likely a pattern is the one that is meant: its title, its numbers, and how little is left open. */
export const patternWorth = ({ isTitled, used, open, pattern }: DrawnPattern): number =>
  (isTitled ? 6 : 0) +
  Math.min(8, used.length) +
  Math.min(3, pattern.lands.length) -
  Math.min(4, open.length);

/** Whether a shape is the head of an arrow, or the dot at the end of a line. */
function isHead({ area, kind }: Shape, ends: EndsAt): boolean {
  if (kind !== 'polygon' && kind !== 'round') return false;
  if (area.x1 - area.x0 > 17 || area.y1 - area.y0 > 17) return false;
  return ends
    .near({ x: (area.x0 + area.x1) / 2, y: (area.y0 + area.y1) / 2 }, 12)
    .some(
      ({ at, kind: end }) =>
        end !== 'slash' &&
        at.x > area.x0 - 0.2 &&
        at.x < area.x1 + 0.2 &&
        at.y > area.y0 - 0.2 &&
        at.y < area.y1 + 0.2 &&
        (end === 'dot') === (kind === 'round'),
    );
}

function patternOf(
  view: LandView,
  drawn: DrawnPage,
  {
    shapes,
    isTitled,
    name,
  }: DrawnAsk & {
    readonly shapes: readonly Shape[];
    /** Whether a title says that it is a land pattern. */
    readonly isTitled: boolean;
  },
): DrawnPattern | null {
  const { lands, holes, body } = view;
  const called = ({ number }: LandShape, i: number) =>
    number === '' ? `unnumbered land ${i + 1}` : `land ${number}`;
  const things: Thing[] = [
    ...lands.map((land, i): Thing => ({ shape: land.shape, role: 'land', name: called(land, i) })),
    ...lands.flatMap((land, i): Thing[] => [
      ...(land.hole ? [{ shape: land.hole, role: 'hole' as const, name: `hole of ${called(land, i)}` }] : []),
      ...land.windows.map((shape) => ({
        shape,
        role: 'window' as const,
        name: `window of ${called(land, i)}`,
      })),
    ]),
    ...holes.map((shape): Thing => ({ shape, role: 'hole', name: 'hole' })),
    ...(body ? [{ shape: body, role: 'body' as const, name: 'body' }] : []),
  ];
  const own = new Set(things.map(({ shape }) => shape));
  const foreign = shapes.filter(
    (shape) => !own.has(shape) && !lands.some((land) => land.vias.includes(shape)),
  );
  const near = drawn.dimensions.filter((one) => isOf(one, view.area));
  const diameters = diametersOf(things, drawn);
  const scale = scaleOf(near);
  const {
    x,
    y,
    doubts: unlike,
  } = solveView({
    things,
    dimensions: near,
    strokes: drawn.strokes,
    diameters,
    scale,
    foreign,
  });
  const used = [...x.used, ...y.used];
  if (used.length === 0) return null;
  const laid = laidOf(things, x, y, view);
  const radii = radiiOf(things, drawn);
  const figures = laid.map((one, i): Placed => {
    const figure = figureOf(one, scale, radii.get(things[i] as Thing));
    return place(figure, { x: quantise(one.x.mm), y: quantise(one.y.mm) });
  });
  const within = (land: number, role: Thing['role']) =>
    figures.filter((_, i) => laid[i]?.role === role && laid[i]?.land === land);
  const given = lands.map(({ number }, i): GivenLand => {
    const [hole] = within(i, 'hole');
    const paste = within(i, 'window');
    return {
      number,
      copper: figures[i] as Placed,
      ...(hole ? { hole: { hole, plated: true } } : {}),
      ...(paste.length > 0 ? { paste } : {}),
    };
  });
  const numbered = given.filter(({ number }) => number !== '').length;
  const unread = [...new Set([...x.unbound, ...y.unbound])];
  const drawnOnly = laid.filter(
    ({ shape, role }, i) => role === 'land' && isDrawnOnly(shape, radii.has(things[i] as Thing)),
  );
  const small = lands.reduce((sum, { vias }) => sum + vias.length, 0);
  const isBodyPrinted = body !== null && !(laid.at(-1)?.width.isMeasured || laid.at(-1)?.height.isMeasured);
  const doubts = [
    ...drawn.doubts,
    ...(isTitled
      ? []
      : ['No title says that these are lands: they may be the terminals of the part, or another view.']),
    ...view.doubts,
    ...(scale && !scale.isToScale
      ? ['The view is not drawn to scale: it is read by what its lines lead to.']
      : []),
    ...used.flatMap(({ doubt }) => (doubt === null ? [] : [doubt])),
    ...unlike,
    ...unread.map(({ printed }) => `“${printed}”: what it measures was not understood.`),
    ...drawnOnly.map(
      ({ name: of, shape }) =>
        `The ${shape.kind === 'rounded' ? 'radius of the corners' : 'corners'} of ${of} are as drawn: no number says them.`,
    ),
    ...(small > 0 ? [`${small} small holes in lands are not taken.`] : []),
    ...(numbered > 0 && numbered < given.length
      ? [`${given.length - numbered} of ${given.length} lands have no number in the drawing.`]
      : []),
    ...counted(used, things),
    ...unplaced(drawn, view.area),
  ];
  return {
    pattern: {
      name,
      from: 'a drawing',
      lands: given,
      holes: figures.filter((_, i) => laid[i]?.role === 'hole' && laid[i]?.land === null),
      ...(isBodyPrinted ? { body: outlineOfBody(figures.at(-1) as Placed) } : {}),
      unsaid: ['legend'],
      left:
        body && !isBodyPrinted
          ? ['The outline round the lands has no numbers of its own and is left out.']
          : [],
    },
    things: laid,
    used,
    open: measurements(laid),
    unit: drawn.unit,
    unread,
    doubts,
    area: view.area,
    scale: scale ? scale.x : null,
    isTitled,
  };
}

/** Whether a dimension may be one of a view: its feet are abreast of it. */
function isOf({ feet, frame, label }: Dimension, { x0, y0, x1, y1 }: Area): boolean {
  if (label.value === null) return false;
  const [lo, hi] = frame.angle === 0 ? [x0, x1] : [-y1, -y0];
  const [low, high] = frame.angle === 0 ? [y0, y1] : [x0, x1];
  return feet.every(({ u, v1 }) => apart(u, u, lo, hi) < 60 && apart(v1, v1, low, high) < 60);
}

/** Things about the middle of the lands; what lies in a land knows its land. */
function laidOf(things: readonly Thing[], x: Axis, y: Axis, { lands }: LandView): LaidThing[] {
  const origin = { x: middleForm(lands, things, x), y: middleForm(lands, things, y) };
  return things.map((thing): LaidThing => {
    const land = lands.findIndex(
      ({ shape, hole, windows }) =>
        shape === thing.shape || hole === thing.shape || windows.includes(thing.shape),
    );
    const width = x.size(thing);
    const height = y.size(thing);
    // what is round is as high as it is wide, whichever is printed
    const across = thing.shape.kind === 'round' && width.isMeasured ? height : width;
    return {
      role: thing.role,
      name: thing.name,
      shape: thing.shape,
      number: lands[land]?.number ?? '',
      land: land < 0 ? null : land,
      x: less(x.place(thing), origin.x),
      y: less(y.place(thing), origin.y),
      width: across,
      height: thing.shape.kind === 'round' ? across : height,
    };
  });
}

/** The middle between the outermost edges of lands, as a sum of what is printed. */
function middleForm(lands: readonly LandShape[], things: readonly Thing[], axis: Axis): Known {
  const edges = lands.flatMap((_, i) => {
    const thing = things[i] as Thing;
    const [place, size] = [axis.place(thing), axis.size(thing)];
    return [summed(place, size, -0.5), summed(place, size, 0.5)];
  });
  const low = edges.reduce((a, b) => (b.mm < a.mm ? b : a));
  const high = edges.reduce((a, b) => (b.mm > a.mm ? b : a));
  return summed(halved(low), high, 0.5);
}

/** A length with so much of another one. */
export function summed(a: Known, b: Known, share: number): Known {
  return {
    mm: a.mm + share * b.mm,
    isMeasured: a.isMeasured || b.isMeasured,
    form: plus(a.form, b.form, share),
  };
}

/** Half of a length. */
export const halved = (a: Known): Known => ({ ...a, mm: a.mm / 2, form: times(a.form, 0.5) });

const less = (a: Known, b: Known): Known => {
  const { mm, form } = summed(a, b, -1);
  return { mm, form, isMeasured: [...form.keys()].some((said) => !isPrinted(said)) || Number.isNaN(mm) };
};

/** What was measured of lands and holes, each once. */
function measurements(laid: readonly LaidThing[]): Measurement[] {
  const all = laid
    .filter(({ role }) => role !== 'body')
    .flatMap(({ x, y, width, height }) => [width, height, x, y])
    .flatMap(({ form }) => [...form.keys()]);
  return [...new Set(all)].filter((said): said is Measurement => !isPrinted(said));
}

/** How a thing looks in millimetres. */
function figureOf(
  { shape, width: across, height: up }: LaidThing,
  scale: { readonly x: number } | null,
  radius?: number,
): Figure {
  const [width, height] = [quantise(across.mm), quantise(up.mm)];
  switch (shape.kind) {
    case 'round':
      return { kind: 'round', diameter: width };
    case 'oblong':
      return { kind: 'oblong', width, height };
    case 'rounded':
      return {
        ...rectangle(width, height),
        radius: radius ?? quantise(Math.round((100 * shape.radius) / (scale?.x ?? 1)) / 100),
      };
    case 'polygon': {
      // its corners share out its printed size as they are drawn
      const { x0, y0, x1, y1 } = shape.area;
      const outline = shape.corners.map((p) => ({
        x: quantise(((p.x - (x0 + x1) / 2) / (x1 - x0)) * width),
        y: quantise((((y0 + y1) / 2 - p.y) / (y1 - y0)) * height),
      }));
      return contourFigure(areaIn(outline) < 0 ? outline.reverse() : outline).figure;
    }
    case 'box':
      return rectangle(width, height);
  }
}

function outlineOfBody({ minX, minY, maxX, maxY }: Placed): Contour {
  return [
    { x: minX, y: minY },
    { x: maxX, y: minY },
    { x: maxX, y: maxY },
    { x: minX, y: maxY },
  ];
}

/** Numbers beside the view that no dimension line was found for. */
function unplaced({ loose }: DrawnPage, { x0, x1, y0, y1 }: Area): string[] {
  return loose
    .filter(
      ({ kind, printed, area }) =>
        kind === 'length' &&
        /\d[.,]\d/.test(printed) &&
        apart(area.x0, area.x1, x0, x1) < 60 &&
        apart(area.y0, area.y1, y0, y1) < 60,
    )
    .map(({ printed }) => `“${printed}” stands at no dimension line that was found.`);
}

/** Counts that are printed with a length and that are not those of what is drawn alike. */
function counted(used: readonly Used[], things: readonly Thing[]): string[] {
  return used.flatMap(({ label: { count, printed }, what }) => {
    if (count === null || count < 2 || /[=]/.test(printed)) return [];
    const [, name = ''] = /(?:width|height) of ((?:unnumbered )?land [^ ]+)/.exec(what) ?? [];
    const meant = things.find((one) => one.name === name);
    if (!meant) return [];
    const same = things.filter(
      (one) =>
        one.role === meant.role &&
        Math.abs(one.shape.area.x1 - one.shape.area.x0 - (meant.shape.area.x1 - meant.shape.area.x0)) < 0.5,
    ).length;
    return same === count || same % count === 0 || count % Math.max(1, same) === 0
      ? []
      : [`${printed} says ${count}, and ${same} are drawn.`];
  });
}

/** Words of a title of a land pattern. */
const TITLE =
  /land\s*pattern|foot\s*print|solder(?:ing)?\s*(?:pad|land|pattern)|pad\s*(?:layout|pattern)|pcb\s*(?:layout|pattern)|recommended\s*(?:pcb|pad|land|solder|mount)|lötfläch|leiterplatten|empreinte|pastilles|焊盘|推荐|ランド|パターン/i;

/** The views that titles belong to: each title to the nearest. */
function titledAmong(views: readonly LandView[], texts: readonly DrawnText[]): ReadonlySet<LandView> {
  const away = ({ area }: DrawnText, { area: view }: LandView) =>
    apart(area.x0, area.x1, view.x0, view.x1) + apart(area.y0, area.y1, view.y0, view.y1);
  return new Set(
    texts
      .filter(({ text }) => TITLE.test(text))
      .flatMap((text) => {
        const [nearest] = [...views].sort((a, b) => away(text, a) - away(text, b));
        return nearest && away(text, nearest) < FARTHEST_TITLE ? [nearest] : [];
      }),
  );
}

/** How far from its view a title stands at most, points. */
const FARTHEST_TITLE = 260;

/** Whether the form of a land is only drawn: corners that no number says. */
const isDrawnOnly = ({ kind }: Shape, hasRadius: boolean): boolean =>
  kind === 'polygon' || (kind === 'rounded' && !hasRadius);
