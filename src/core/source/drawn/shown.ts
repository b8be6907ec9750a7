import { newDocument } from '../../document/document';
import type { PackageKind } from '../../package/catalogue';
import { drawPackage } from '../../package/draw';
import { ALL_MAKERS } from '../../package/makers';
import type { BodyExtent } from '../../package/drawn';
import type { DimensionLine } from '../../package/lines';
import { padOption, usualSizes } from '../kinds';
import type { DrawnPlace } from './views';

// What a dimension of a drawing measures, by where it lies in its view: a family says between which points each of
// its dimensions is measured. Only shares are compared, so that any size of the family can be held against any scale.

type ModelAxis = 'x' | 'y' | 'z';

/** Where a dimension of a family lies along an axis, as shares of the whole. */
interface Lying {
  readonly from: number;
  readonly to: number;
  /** How much it shows that a dimension lies there, to 1. */
  readonly weight: number;
}

/** Of one usual size: by axis and symbol. */
type Model = Readonly<Record<ModelAxis, ReadonlyMap<string, Lying>>>;

const models = new Map<string, readonly Model[]>();

/** A family as its usual sizes are drawn. */
function modelsOf(kind: PackageKind): readonly Model[] {
  const known = models.get(kind.id);
  if (known) return known;
  const made = usualSizes(kind).flatMap((sizes) => {
    const dimensions = Object.fromEntries(
      kind.dimensions.flatMap(({ symbol, derived }) => {
        const size = sizes[symbol];
        if (size !== undefined) return [[symbol, String(size)] as const];
        const example = kind.example[symbol];
        return derived === undefined && example !== undefined ? [[symbol, example] as const] : [];
      }),
    );
    const base = newDocument('', kind.id, dimensions);
    const options = padOption(kind, sizes);
    const { drawn } = drawPackage(
      options ? { ...base, package: { ...base.package, options } } : base,
      ALL_MAKERS,
    );
    return drawn
      ? [
          ...modelOf(
            drawn.lines,
            drawn.extent,
            kind.dimensions.some(({ symbol }) => symbol === 'A1'),
          ),
        ]
      : [];
  });
  models.set(kind.id, made);
  return made;
}

const AXES = {
  plan: { level: 'x', upright: 'y' },
  front: { level: 'x', upright: 'z' },
  side: { level: 'y', upright: 'z' },
} as const;

/** How much less it shows where a dimension lies along the other side of the package than a family draws it. */
const OTHER_SIDE = 0.45;
/** How much it shows where only the body is in the view. */
const BODY_ONLY = 0.8;

function modelOf(
  lines: readonly DimensionLine[],
  extent: BodyExtent,
  hasStandoff: boolean,
): readonly Model[] {
  const ends: Record<ModelAxis, { symbol: string; from: number; to: number }[]> = { x: [], y: [], z: [] };
  for (const { symbol, view, side, from, to } of lines) {
    const isLevel = side === 'top' || side === 'bottom';
    const axis = AXES[view][isLevel ? 'level' : 'upright'];
    const [a, b] = isLevel ? [from.x, to.x] : [from.y, to.y];
    ends[axis].push({ symbol, from: Math.min(a, b), to: Math.max(a, b) });
  }
  // a standoff that a family does not draw is under its body all the same
  if (hasStandoff && lines.every(({ symbol }) => symbol !== 'A1'))
    ends.z.push({ symbol: 'A1', from: 0, to: Math.max(extent.standoff.nom, 0.03 * extent.height.nom) });
  const { x: cx, y: cy } = extent.centre ?? { x: 0, y: 0 };
  const body: Record<ModelAxis, readonly [number, number]> = {
    x: [cx - extent.x.nom / 2, cx + extent.x.nom / 2],
    y: [cy - extent.y.nom / 2, cy + extent.y.nom / 2],
    z: [0, 0],
  };
  /** With all that sticks out, or as far as the body reaches: a view of one side may show no more. */
  const along = (axis: ModelAxis, isBody: boolean, other?: ModelAxis): ReadonlyMap<string, Lying> => {
    const [low, high] = body[axis];
    const lo = isBody ? low : Math.min(low, ...ends[axis].map(({ from }) => from));
    const hi = isBody ? high : Math.max(high, ...ends[axis].map(({ to }) => to));
    const whole = hi - lo || 1;
    const lying = (some: typeof ends.x, weight: number) =>
      some.flatMap((one) =>
        one.from < lo - 1e-6 || one.to > hi + 1e-6
          ? []
          : [[one.symbol, { from: (one.from - lo) / whole, to: (one.to - lo) / whole, weight }] as const],
      );
    // terminals on all sides, square bodies: what is drawn on one side may be drawn on the other
    return new Map([
      ...(other && !isBody ? lying(ends[other], OTHER_SIDE) : []),
      ...lying(ends[axis], isBody ? BODY_ONLY : 1),
    ]);
  };
  const whole: Model = { x: along('x', false, 'y'), y: along('y', false, 'x'), z: along('z', false) };
  return [whole, { x: along('x', true), y: along('y', true), z: whole.z }];
}

/** How well the drawing shows that a place is a dimension: from −1 to 1. */
export type Shown = Scores;

/** The ways in which a view may show a package: which of its axes lie across the page and up it. */
const WAYS: readonly (readonly [ModelAxis, ModelAxis])[] = [
  ['x', 'y'],
  ['y', 'x'],
  ['x', 'z'],
  ['y', 'z'],
  ['z', 'x'],
  ['z', 'y'],
];

/** A way of seeing a view that shows less by no more than this may be meant as well. */
const RIVAL = 0.25;

/** What a place shows, by the symbols of dimensions. */
type Scores = ReadonlyMap<number, ReadonlyMap<string, number>>;

/** What the places of a drawing show of a family's dimensions. */
export function shownFor(kind: PackageKind, places: readonly DrawnPlace[]): Shown {
  const all = modelsOf(kind);
  if (all.length === 0) return new Map();
  const views = [...new Set(places.map(({ view }) => view))].map((view) => {
    const own = places.filter((place) => place.view === view);
    const level = own.filter(({ axis }) => axis === 'x');
    const upright = own.filter(({ axis }) => axis === 'y');
    const ways = WAYS.map(
      ([across, up]) =>
        new Map([...scored(level, across, all, across === 'z'), ...scored(upright, up, all, false)]),
    );
    // what by itself shows far less is not looked at together with the others
    const totals = ways.map((way) => worth([way]));
    const most = Math.max(...totals);
    return ways.filter((_, w) => (totals[w] ?? 0) > most - FAR).slice(0, MOST_WAYS);
  });
  const seen = combinations(views).map((ways) => ({ ways, total: worth(ways) }));
  const most = Math.max(...seen.map(({ total }) => total));
  const shown = new Map<number, Map<string, number>>();
  for (const { ways, total } of seen) {
    if (total < most - RIVAL) continue;
    for (const [id, symbols] of ways.flatMap((way) => [...way])) {
      const before = shown.get(id) ?? new Map<string, number>();
      for (const [symbol, score] of symbols) before.set(symbol, Math.max(before.get(symbol) ?? -1, score));
      shown.set(id, before);
    }
  }
  return shown;
}

/** How much less a way of seeing one view may show by itself. */
const FAR = 1.6;
const MOST_WAYS = 4;
/** Views that are seen together in every way; more of them each by itself. */
const MOST_TOGETHER = 4;

/** Every way of seeing all views; of many views only the first of each. */
function combinations(views: readonly (readonly Scores[])[]): Scores[][] {
  return views.reduce<Scores[][]>(
    (all, ways, v) =>
      all.flatMap((before) => (v < MOST_TOGETHER ? ways : ways.slice(0, 1)).map((way) => [...before, way])),
    [[]],
  );
}

/** What a dimension that is drawn a second time still shows, and one that is none of the family's. */
const AGAIN = 0.2;
const NONE = -0.5;

/** What ways of seeing show together: each dimension once, the best first. */
function worth(views: readonly Scores[]): number {
  const pairs = views
    .flatMap((scores) =>
      [...scores].flatMap(([id, symbols]) => [...symbols].map(([symbol, score]) => ({ id, symbol, score }))),
    )
    .sort((a, b) => b.score - a.score);
  const places = new Set<number>();
  const symbols = new Set<string>();
  let total = 0;
  for (const { id, symbol, score } of pairs) {
    if (places.has(id) || symbols.has(symbol)) continue;
    places.add(id);
    symbols.add(symbol);
    total += score;
  }
  for (const { id, score } of pairs) {
    if (places.has(id)) continue;
    places.add(id);
    total += score > 0.8 ? AGAIN : NONE;
  }
  return total;
}

/** The places of one axis of a view against one axis of the package; either end may be the first, but of heights. */
function scored(
  places: readonly DrawnPlace[],
  axis: ModelAxis,
  all: readonly Model[],
  isHeight: boolean,
): Scores {
  return new Map(
    places.map((place) => {
      const symbols = new Map<string, number>();
      for (const model of all)
        for (const [symbol, lying] of model[axis]) {
          const like = Math.max(
            likeness(place, lying, false),
            axis === 'z' && !isHeight ? -1 : likeness(place, lying, true),
          );
          const score = like > 0 ? lying.weight * like : like;
          symbols.set(symbol, Math.max(symbols.get(symbol) ?? -1, score));
        }
      return [place.id, symbols] as const;
    }),
  );
}

/** How far from an end of the whole something still is at it, as a share. */
const AT_END = 0.025;
const CENTRED = 0.05;

/** How alike a drawn dimension and a family's are: whether they are in the middle, reach the ends, and are as long. */
function likeness({ from, to, whole }: DrawnPlace, lying: Lying, isTurned: boolean): number {
  const [a, b] = isTurned ? [1 - lying.to, 1 - lying.from] : [lying.from, lying.to];
  const slack = Math.max(AT_END, 1.3 / whole);
  const reaches = (start: number, end: number) => [start < slack, end > 1 - slack] as const;
  const [drawnLow, drawnHigh] = reaches(from, to);
  const [low, high] = reaches(a, b);
  const isMiddle = (start: number, end: number) => Math.abs(start + end - 1) < CENTRED;
  const ends = Number(drawnLow !== low) + Number(drawnHigh !== high);
  const ratio = Math.abs(Math.log(Math.max(1e-3, to - from) / Math.max(1e-3, b - a)));
  return (
    (isMiddle(from, to) === isMiddle(a, b) ? 0.25 : -0.25) +
    [0.35, -0.2, -0.5][ends]! +
    0.4 * (1 - Math.min(2, ratio / 0.5))
  );
}
