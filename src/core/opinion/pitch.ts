import type { Footprint, Land } from '../footprint/footprint';
import { centreOf } from '../geometry/box';
import { putPoint, undone } from '../geometry/placement';
import { formatMm, formatNumber } from '../units/length';

// Pitch of a pattern's rows against that of the package: a step that was rounded, or taken from the other unit,
// moves every further land a little more.

/** A row whose step is another. */
export interface PitchDrift {
  readonly group: string;
  /** As the package has it, and as the pattern does, mm. */
  readonly own: number;
  readonly given: number;
  /** How far the lands at its ends lie off, mm. */
  readonly off: number;
  readonly lands: readonly string[];
  /** What was done to it, where that is known. */
  readonly cause: string | null;
}

/** A land of the package with that of the pattern that lies on it, both where the package is drawn. */
export interface Laid {
  readonly own: Land;
  readonly given: Land;
}

/** Steps that differ by less are one, mm. */
const LEAST_STEP = 0.0015;
/** Lands that lie off by less are where they belong, mm. */
const LEAST_OFF = 0.008;

/** Rows of the package whose lands drift away in the pattern. */
export function drifts(laid: readonly Laid[], { groups }: Footprint): PitchDrift[] {
  return groups.flatMap(({ terminals }): PitchDrift[] => {
    const own = laid.filter((pair) => pair.own.group === terminals.id);
    const back = undone(terminals.frame);
    const seen = own.map((pair) => ({
      id: pair.own.id,
      own: putPoint(back, centreOf(pair.own.copper)),
      given: putPoint(back, centreOf(pair.given.copper)),
    }));
    return (['x', 'y'] as const).flatMap((axis): PitchDrift[] => {
      const steps = [...new Set(seen.map(({ own: at }) => Math.round(at[axis] * 1e4) / 1e4))].sort(
        (a, b) => a - b,
      );
      const gaps = steps.slice(1).map((at, i) => at - (steps[i] as number));
      const pitch = Math.min(...gaps);
      // two places have a distance; three or more have a pitch
      if (steps.length < 3 || gaps.some((gap) => Math.abs(gap / pitch - Math.round(gap / pitch)) > 0.02))
        return [];
      const ratio = slope(seen.map(({ own: a, given: b }) => [a[axis], b[axis]]));
      if (ratio === null) return [];
      const given = pitch * ratio.slope;
      const reach = ((steps.at(-1) as number) - (steps[0] as number)) / 2;
      const off = Math.abs(given - pitch) * (reach / pitch);
      if (Math.abs(given - pitch) < LEAST_STEP || off < LEAST_OFF || ratio.left > off / 2 + 0.01) return [];
      return [
        {
          group: terminals.id,
          own: pitch,
          given: Math.round(given * 1e5) / 1e5,
          off,
          lands: seen.map(({ id }) => id),
          cause: causeOf(pitch, given),
        },
      ];
    });
  });
}

/** The straight line through points, and how far they lie off it at most; `null` where there is none. */
function slope(points: readonly (readonly [number, number])[]): { slope: number; left: number } | null {
  const n = points.length;
  const mean = (i: 0 | 1) => points.reduce((sum, p) => sum + p[i], 0) / n;
  const [mx, my] = [mean(0), mean(1)];
  let [xy, xx] = [0, 0];
  for (const [x, y] of points) {
    xy += (x - mx) * (y - my);
    xx += (x - mx) ** 2;
  }
  if (xx < 1e-9) return null;
  const k = xy / xx;
  return { slope: k, left: Math.max(...points.map(([x, y]) => Math.abs(y - my - k * (x - mx)))) };
}

/** What makes one step of another: rounding to a step of mm or of mil, or the nearest common step. */
export function causeOf(own: number, given: number): string | null {
  const near = (a: number, b: number) => Math.abs(a - b) < 6e-4;
  const mil = own / 0.0254;
  const isInch = Math.abs(mil - Math.round(mil / 5) * 5) < 1e-3;
  const said = isInch ? `${formatNumber(mil, 0, 1)} mil` : `${formatMm(own)} mm`;
  for (const step of [0.1, 0.05, 0.01])
    if (
      near(Math.round(own / step + 1e-9) * step, given) ||
      near(Math.floor(own / step + 1e-9) * step, given)
    )
      // said in whole words, as it is the unit that was mistaken: it stays one in mil too
      return `${said} rounded to ${formatNumber(given, 2, 3)} millimetres`;
  const theirs = given / 0.0254;
  if (near(given, Math.round(theirs) * 0.0254) && Math.abs(mil - Math.round(theirs)) <= 1)
    return `${formatMm(own)} mm as a whole number of mil, ${formatNumber(Math.round(theirs), 0, 0)}`;
  return null;
}
