import type { PositionTolerance } from '../package/terminal';
import { spread, type Toleranced } from '../units/toleranced';
import type { Step } from './derivation';
import type { Goals } from '../standard/published';

/** Terminals as the land formulas see them; lengths in mm. */
export interface TerminalSizes {
  /** L: outer to outer. */
  readonly span: Toleranced;
  /** T: terminal length along the span. */
  readonly length: Toleranced;
  /** W: terminal width. */
  readonly width: Toleranced;
  /** S: inside distance, where the datasheet gives it in place of T. */
  readonly inside?: Toleranced;
  /** Over which range the terminals' places may lie, along the span and across. */
  readonly position?: PositionTolerance;
}

/** The tolerances of board and placement, mm. */
export interface LineTolerances {
  readonly fabricationTolerance: number;
  readonly placementTolerance: number;
}

/** Land dimensions of one group, mm: Z outer, G inner, X width, Y length, C centre distance. */
export interface LandSize {
  readonly Z: number;
  readonly G: number;
  readonly X: number;
  readonly Y: number;
  readonly C: number;
}

/** The inside distance with its tolerance reduced to root-sum-square, mm. */
export interface InsideDistance {
  readonly min: number;
  readonly max: number;
  readonly tolerance: number;
}

/**
 * Root of the sum of squares, for tolerances that add up independently.
 * @param terms mm
 */
export function rss(...terms: number[]): number {
  return Math.sqrt(terms.reduce((sum, t) => sum + t * t, 0));
}

/**
 * S from L and T (IPC-7351B, clause 3.1): the worst-case range, narrowed to the
 * root-sum-square of its three contributors, half from each end.
 * @param steps receives the derivation
 */
export function insideDistance({ span, length, inside }: TerminalSizes, steps: Step[]): InsideDistance {
  if (inside) {
    const tolerance = spread(inside);
    steps.push({
      symbol: 'C_S',
      formula: 'Smax − Smin',
      values: { Smax: inside.max, Smin: inside.min },
      result: tolerance,
      note: 'S is given by the datasheet',
    });
    return { min: inside.min, max: inside.max, tolerance };
  }
  const least = span.min - 2 * length.max;
  const most = span.max - 2 * length.min;
  const tolerance = rss(spread(span), spread(length), spread(length));
  const trim = (most - least - tolerance) / 2;
  steps.push(
    {
      symbol: 'Smin',
      formula: 'Lmin − 2·Tmax',
      values: { Lmin: span.min, Tmax: length.max },
      result: least,
    },
    {
      symbol: 'Smax',
      formula: 'Lmax − 2·Tmin',
      values: { Lmax: span.max, Tmin: length.min },
      result: most,
    },
    {
      symbol: 'C_S',
      formula: '√(C_L² + 2·C_T²)',
      values: { C_L: spread(span), C_T: spread(length) },
      result: tolerance,
    },
    {
      symbol: "Smax'",
      formula: 'Smax − (Smax − Smin − C_S)/2',
      values: { Smax: most, Smin: least, C_S: tolerance },
      result: most - trim,
    },
  );
  return { min: least + trim, max: most - trim, tolerance };
}

/**
 * Land dimensions of a pair of opposite terminals before rounding (IPC-7351B, clause 3.1):
 *
 *     Z = Lmin  + 2·J_outer + √(C_L² + F² + P²)
 *     G = Smax' − 2·J_inner − √(C_S² + F² + P²)
 *     X = Wmin  + 2·J_side  + √(C_W² + F² + P²)
 *
 * @param steps receives the derivation
 * @returns mm; G, and with it Y and C, may be implausible for implausible terminals
 */
export function solveLand(
  terminals: TerminalSizes,
  goals: Goals,
  { fabricationTolerance: F, placementTolerance: P }: LineTolerances,
  steps: Step[],
): LandSize {
  const { span, width, position } = terminals;
  // a place that may lie off adds its range to those of board and placement
  const [Q, Q_X] = [position?.x ?? 0, position?.y ?? 0];
  const [more, moreX] = [Q > 0 ? ' + Q²' : '', Q_X > 0 ? ' + Q²' : ''];
  const [C_L, C_W] = [spread(span), spread(width)];
  steps.push(
    { symbol: 'C_L', formula: 'Lmax − Lmin', values: { Lmax: span.max, Lmin: span.min }, result: C_L },
    { symbol: 'C_W', formula: 'Wmax − Wmin', values: { Wmax: width.max, Wmin: width.min }, result: C_W },
  );
  const inside = insideDistance(terminals, steps);
  const Z = span.min + 2 * goals.outer + rss(C_L, F, P, Q);
  const G = inside.max - 2 * goals.inner - rss(inside.tolerance, F, P, Q);
  const X = width.min + 2 * goals.side + rss(C_W, F, P, Q_X);
  steps.push(
    {
      symbol: 'Z',
      formula: `Lmin + 2·J_outer + √(C_L² + F² + P²${more})`,
      values: { Lmin: span.min, J_outer: goals.outer, C_L, F, P, ...(Q > 0 ? { Q } : {}) },
      result: Z,
    },
    {
      symbol: 'G',
      formula: `Smax' − 2·J_inner − √(C_S² + F² + P²${more})`,
      values: {
        "Smax'": inside.max,
        J_inner: goals.inner,
        C_S: inside.tolerance,
        F,
        P,
        ...(Q > 0 ? { Q } : {}),
      },
      result: G,
    },
    {
      symbol: 'X',
      formula: `Wmin + 2·J_side + √(C_W² + F² + P²${moreX})`,
      values: { Wmin: width.min, J_side: goals.side, C_W, F, P, ...(Q_X > 0 ? { Q: Q_X } : {}) },
      result: X,
    },
    { symbol: 'Y', formula: '(Z − G)/2', values: { Z, G }, result: (Z - G) / 2 },
    { symbol: 'C', formula: '(Z + G)/2', values: { Z, G }, result: (Z + G) / 2 },
  );
  return { Z, G, X, Y: (Z - G) / 2, C: (Z + G) / 2 };
}
