import { between, peakOf, type Voltage } from '../document/voltage';
import { pinLabel, pinsByLand } from '../footprint/pins';
import type { Footprint, Land } from '../footprint/footprint';
import { flatten } from '../geometry/contour';
import { contourOf, narrowOf, place, type Placed } from '../geometry/figure';
import { gapBetween, grow } from '../geometry/box';
import { wayRound, type Way } from '../geometry/creepage';
import { gapBetweenFigures } from '../geometry/gaps';
import { neighboursOf } from '../geometry/neighbours';
import type { Polygon } from '../geometry/polygon';
import { grooveFor, limitsFor, type Conductor, type SpacingLimit, type SpacingProcess } from './limits';

/** Copper, or other metal, of one potential on one side of the board. */
export interface Live extends Conductor {
  /** `null` for metal that is no land, such as a screw. */
  readonly land: Land | null;
  readonly figure: Placed;
  readonly side: 'component' | 'far';
  /** Of metal over the board: between which heights it lies over the copper. mm */
  readonly over?: { readonly low: number; readonly high: number };
  /** What it is one potential with. */
  readonly potential: string;
  /** As it is named: “land 3 (L)”. */
  readonly name: string;
  readonly voltage: Voltage | null;
  /** Connected to nothing: it asks for no distance, and shortens those of others. */
  readonly floats: boolean;
}

/** The copper of a footprint's lands by potential. @param prefix told before land numbers, such as a reference */
export function conductorsOf(footprint: Footprint, prefix = ''): Live[] {
  const byLand = pinsByLand(footprint.pins);
  return footprint.lands.flatMap((land): Live[] => {
    const pin = byLand.get(land.id);
    const label = pin ? pinLabel(pin) : '';
    const number = land.number === '' ? land.id : land.number;
    // pins of one name are one potential, across parts where both have a voltage; so are lands of one number
    const own = `${prefix}${label !== '' ? label : pin ? `pin ${pin.id}` : `land ${number}`}`;
    const potential = label !== '' && pin?.voltage ? label : own;
    const shared = {
      land,
      potential,
      name: `${prefix === '' ? 'land ' : prefix}${number}${label === '' ? '' : ` (${label})`}`,
      voltage: pin?.voltage ?? null,
      floats: pin?.direction === 'not-connected',
      layer: 'outer' as const,
    };
    const side = land.far ? 'far' : 'component';
    const sides: Live[] = [{ ...shared, figure: land.copper, side, covered: land.mask.length === 0 }];
    if (land.hole) {
      const { other, maskOther } = land.padstack;
      const figure = other ? place(other, land.at, land.rotation) : land.copper;
      sides.push({
        ...shared,
        figure,
        side: side === 'far' ? 'component' : 'far',
        covered: maskOther.length === 0,
      });
    }
    return sides;
  });
}

/** Two conductors that are nearer than their voltage allows. */
export interface TooNear {
  readonly a: Live;
  readonly b: Live;
  readonly voltage: Voltage;
  readonly limit: SpacingLimit;
  readonly way: Way;
  /** A conductor without potential that the way passes over; `null` where it passes over none. */
  readonly over: Live | null;
}

/** Holes and slots that lengthen ways along the surface: those that dirt does not bridge. */
export function cutsThatPart(footprints: readonly Footprint[], process: SpacingProcess): Polygon[] {
  const least = grooveFor(process) - 1e-9;
  return footprints.flatMap(({ bores }) =>
    bores.flatMap(({ hole }) => (narrowOf(hole.figure) >= least ? [cutOf(hole)] : [])),
  );
}

/** Chords of copper lie at most this far inside of its arcs, and those of cuts that far: no way comes out longer. mm */
const CHORD = { copper: 0.001, cut: 0.005 };

function kept(chord: number): (placed: Placed) => Polygon {
  const outlines = new WeakMap<Placed, Polygon>();
  return (placed) => {
    const known = outlines.get(placed) ?? flatten(contourOf(placed), chord);
    outlines.set(placed, known);
    return known;
  };
}

/** The outline of copper, and that of a hole or slot, as ways are measured between and round them. */
export const copperOutline = kept(CHORD.copper);
export const cutOf = kept(CHORD.cut);

/**
 * Pairs of conductors that are too near: of each two potentials on each side the one that misses its limit by
 * most, through air and along the surface.
 * @param meant which pairs are looked at, beside those of one potential
 * @param times so many times their limits
 */
export function tooNear(
  all: readonly Live[],
  cuts: readonly Polygon[],
  process: SpacingProcess,
  {
    meant = () => true,
    times = 1,
  }: { readonly meant?: (a: Live, b: Live) => boolean; readonly times?: number } = {},
): TooNear[] {
  const limits = (...of: Parameters<typeof limitsFor>) =>
    limitsFor(...of).map((limit) => ({ ...limit, least: limit.least * times }));
  const worst = new Map<string, TooNear>();
  const most = all.reduce<Voltage | null>((so, { voltage }) => between(so, voltage), null);
  if (!most) return [];
  const reach = Math.max(...limits(most, [BARE, BARE], process).map(({ least }) => least));
  const live = all.flatMap(({ voltage, floats }, i) =>
    voltage && peakOf(voltage) > 0 && !floats ? [i] : [],
  );
  const floating = all.filter(({ floats }) => floats);
  const index = neighboursOf(all.map(({ figure }) => figure));
  const seen = new Set<string>();
  for (const i of live) {
    const a = all[i] as Live;
    // what floats within reach brings what is within its own
    const across = floating.filter(
      ({ side, figure }) => side === a.side && gapBetween(a.figure, figure) < reach,
    );
    const near = new Set([a, ...across].flatMap(({ figure }) => index.near(grow(figure, reach))));
    for (const j of near) {
      const b = all[j] as Live;
      const key = i < j ? `${i} ${j}` : `${j} ${i}`;
      if (seen.has(key) || b.floats || a.side !== b.side || a.potential === b.potential || !meant(a, b))
        continue;
      seen.add(key);
      const voltage = between(a.voltage, b.voltage);
      if (!voltage) continue;
      for (const limit of limits(voltage, [a, b], process)) {
        // what stands over the board has no way along it
        if (limit.along === 'surface' && (a.over || b.over)) continue;
        const pair = [a.potential, b.potential].sort().join('\u0000');
        const known = worst.get(`${pair} ${limit.along}`);
        const least = known
          ? Math.min(limit.least, known.way.length + limit.least - known.limit.least)
          : limit.least;
        const found = wayBetween(a, b, { floating, cuts, along: limit.along, least });
        if (found && found.way.length < least - 1e-9)
          worst.set(`${pair} ${limit.along}`, { a, b, voltage, limit, ...found });
      }
    }
  }
  return [...worst.values()].sort((p, q) => p.way.length - p.limit.least - (q.way.length - q.limit.least));
}

const BARE: Conductor = { layer: 'outer', covered: false };

/** How far two are apart upright; nothing where one stands beside the other. mm */
function heightBetween(a: Live, b: Live): number {
  const { low: p = 0, high: q = 0 } = a.over ?? {};
  const { low: r = 0, high: s = 0 } = b.over ?? {};
  return Math.max(0, r - q, p - s);
}

/** The way between two conductors, straight or along the surface, over floating copper where that is shorter. */
function wayBetween(
  a: Live,
  b: Live,
  ask: {
    readonly floating: readonly Live[];
    readonly cuts: readonly Polygon[];
    readonly along: SpacingLimit['along'];
    readonly least: number;
  },
): Pick<TooNear, 'way' | 'over'> | null {
  const { floating, cuts, along, least } = ask;
  const round = along === 'surface' ? cuts : [];
  const apart = (p: Live, q: Live): Way | null => {
    const way = wayRound(copperOutline(p.figure), copperOutline(q.figure), round);
    const up = heightBetween(p, q);
    return way && up > 0 ? { ...way, length: Math.hypot(way.length, up) } : way;
  };
  const direct = gapBetweenFigures(a.figure, b.figure) < least ? apart(a, b) : null;
  let best: Pick<TooNear, 'way' | 'over'> | null = direct ? { way: direct, over: null } : null;
  for (const f of floating) {
    if (f.over && along === 'surface') continue;
    if (f.side !== a.side || gapBetween(a.figure, f.figure) + gapBetween(f.figure, b.figure) >= least)
      continue;
    const [to, from] = [apart(a, f), apart(f, b)];
    if (!to || !from) continue;
    const length = to.length + from.length;
    if (length < Math.min(least, best?.way.length ?? Infinity))
      best = { way: { length, points: [...to.points, ...from.points] }, over: f };
  }
  return best;
}
