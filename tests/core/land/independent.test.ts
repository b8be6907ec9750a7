import { describe, expect, it } from 'vitest';
import { compile } from '../../../src/core/footprint/compile';
import type { PublishedLevel } from '../../../src/core/standard/levels';
import type { PinGroup, SpanGroup, SpotGroup } from '../../../src/core/package/terminal';
import type { Toleranced } from '../../../src/core/units/toleranced';
import { VARIANTS } from '../../data/families';

// The land formulas once more, straight from the standard's clause 3.1 and tables, without a line of the
// solver's: what this file and the product agree on was written twice.

const LEVELS = ['A', 'B', 'C'] as const;
type Triple = readonly [A: number, B: number, C: number];
interface Row {
  outer: Triple;
  inner: Triple;
  side: Triple;
}
const row = (outer: Triple, inner: Triple, side: Triple): Row => ({ outer, inner, side });

const GULL = row([0.55, 0.35, 0.15], [0.45, 0.35, 0.25], [0.05, 0.03, 0.01]);
const FINE = row([0.55, 0.35, 0.15], [0.45, 0.35, 0.25], [0.01, -0.02, -0.04]);
const SMALL = row([0.3, 0.2, 0.1], [0, 0, 0], [0.05, 0, -0.05]);
const CAN = row([0.7, 0.5, 0.3], [0, -0.05, -0.1], [0.5, 0.4, 0.3]);
const TALL = row([1.0, 0.7, 0.4], [0, -0.05, -0.1], [0.6, 0.5, 0.4]);

function goalsOf(group: SpanGroup): Row {
  switch (group.form) {
    case 'gull-wing': {
      const goals = group.pitch !== null && group.pitch <= 0.625 ? FINE : GULL;
      const reaches = group.body && group.span.min - 2 * group.length.max <= group.body.size.max + 1e-9;
      return reaches ? { ...goals, inner: [0.25, 0.15, 0.05] } : goals;
    }
    case 'j-lead':
      return row([0.55, 0.35, 0.15], [0.1, 0, -0.1], [0.05, 0.03, 0.01]);
    case 'rectangular-end':
      return group.span.nom < 1.6 - 1e-9 ? SMALL : row([0.55, 0.35, 0.15], [0, 0, 0], [0.05, 0, -0.05]);
    case 'cylindrical-end':
      return row([0.6, 0.4, 0.2], [0.2, 0.1, 0.02], [0.1, 0.05, 0.01]);
    case 'castellated':
      return row([0.65, 0.55, 0.45], [0.25, 0.15, 0.05], [0.05, -0.05, -0.15]);
    case 'chip-array':
      return row([0.55, 0.45, 0.35], [-0.05, -0.07, -0.1], [-0.05, -0.07, -0.1]);
    case 'inward-formed':
      return row([0.8, 0.5, 0.2], [0.25, 0.15, 0.07], [0.01, -0.05, -0.1]);
    case 'flat-lug':
      return GULL;
    case 'flat-lead':
      return SMALL;
    case 'no-lead':
      return row([0.4, 0.3, 0.2], [0, 0, 0], [-0.04, -0.04, -0.04]);
    case 'pulled-back':
      return row([0, 0, 0], [0, 0, 0], [0, 0, 0]);
    case 'under-can':
      return (group.height ?? 0) >= 10 - 1e-9 ? TALL : CAN;
  }
}

const F = 0.1;
const P = 0.05;
const range = ({ min, max }: Toleranced) => max - min;
const root = (...terms: number[]) => Math.sqrt(terms.reduce((sum, t) => sum + t ** 2, 0));

function landsOf(group: SpanGroup, level: PublishedLevel) {
  const at = LEVELS.indexOf(level);
  const { outer, inner, side } = goalsOf(group);
  const { span: L, length: T, width: W, inside } = group;
  const [CL, CT, CW] = [range(L), range(T), range(W)];
  const CS = inside ? range(inside) : root(CL, CT, CT);
  const Smin = L.min - 2 * T.max;
  const Smax = L.max - 2 * T.min;
  const most = inside ? inside.max : Smax - (Smax - Smin - CS) / 2;
  const Z = L.min + 2 * (outer[at] ?? NaN) + root(CL, F, P);
  const G = most - 2 * (inner[at] ?? NaN) - root(CS, F, P);
  const X = W.min + 2 * (side[at] ?? NaN) + root(CW, F, P);
  const small = group.form === 'flat-lead' || (group.form === 'rectangular-end' && L.nom < 1.6 - 1e-9);
  return { Z, G, X, step: small ? 0.02 : 0.05 };
}

/** To the nearest step, ties up; sums such as 0.1 + 0.2 are settled first. */
const near = (value: number, step: number) => Math.floor(Math.round((value / step) * 1e6) / 1e6 + 0.5) * step;

const BALLS: readonly (readonly [ball: number, ...lands: Triple])[] = [
  [0.75, 0.6, 0.55, 0.5],
  [0.65, 0.55, 0.5, 0.45],
  [0.6, 0.5, 0.45, 0.4],
  [0.55, 0.45, 0.4, 0.35],
  [0.5, 0.45, 0.4, 0.35],
  [0.45, 0.4, 0.35, 0.3],
  [0.4, 0.35, 0.3, 0.25],
  [0.35, 0.35, 0.3, 0.25],
  [0.3, 0.25, 0.25, 0.2],
  [0.25, 0.25, 0.2, 0.17],
];

function ballLand(b: number, at: number): number {
  const above = BALLS.filter(([ball]) => ball >= b - 1e-9).at(-1) ?? BALLS[0];
  const below = BALLS.find(([ball]) => ball <= b + 1e-9) ?? above;
  const [b2, ...l2] = above ?? [NaN];
  const [b1, ...l1] = below ?? [NaN];
  const [low, high] = [l1[at] ?? NaN, l2[at] ?? NaN];
  return b2 === b1 ? low : Math.round((low + ((high - low) * (b - b1)) / (b2 - b1)) * 100 + 1e-6) / 100;
}

const across = ({ lead }: PinGroup) =>
  lead.shape === 'round' ? lead.width.max : root(lead.width.max, lead.thickness.max);

describe('every family by a calculation of its own', () => {
  it.each(VARIANTS.map((variant) => [variant.name, variant.document] as const))('%s', (_, document) => {
    const { levels } = compile(document);
    if (!levels) throw new Error('no lands');
    LEVELS.forEach((level, at) => {
      for (const solved of levels[level]) {
        if (solved.kind === 'span') {
          const { Z, G, X, step } = landsOf(solved.terminals, level);
          const { computed, proposed, trims } = solved;
          for (const [key, value] of Object.entries({ Z, G, X }))
            expect(computed[key as 'Z' | 'G' | 'X'], `${level} ${key}`).toBeCloseTo(value, 6);
          if (trims.some((trim) => trim !== 'quad-corner')) continue;
          expect(proposed.X, `${level} X`).toBeCloseTo(Math.max(step, near(X, step)), 6);
          expect(proposed.Y, `${level} Y`).toBeCloseTo(near((Z - G) / 2, step), 6);
          expect(proposed.C / 2, `${level} C/2`).toBeCloseTo(near((Z + G) / 4, step), 6);
        } else if (solved.kind === 'pin' && !solved.terminals.stated) {
          const hole =
            Math.ceil(Math.round(((across(solved.terminals) + [0.25, 0.2, 0.15][at]!) / 0.05) * 1e6) / 1e6) *
            0.05;
          expect(solved.computed.hole, `${level} hole`).toBeCloseTo(hole, 6);
          if (solved.trims.includes('oblong') || solved.figure.kind !== 'round') continue;
          // 0.05 of ring on each side and 0.60, 0.50 or 0.40 beside it
          expect(solved.figure.diameter, `${level} land`).toBeCloseTo(
            near(hole + 0.1 + [0.6, 0.5, 0.4][at]!, 0.05),
            6,
          );
        } else if (solved.kind === 'spot') spotAgrees(solved.terminals, solved.computed, at);
      }
    });
  });
});

function spotAgrees({ form, contact }: SpotGroup, computed: object, at: number): void {
  if (contact.nom.kind !== 'round') return expect(computed).toEqual(contact.nom);
  const b = contact.nom.diameter;
  const land = {
    'collapsing-ball': ballLand(b, at),
    'non-collapsing-ball': b * [1.15, 1.1, 1.05][at]!,
    column: b * [1.15, 1.1, 1.05][at]!,
    'land-grid': b,
    thermal: b,
    probe: b,
    given: b,
  }[form];
  expect(computed).toEqual({ kind: 'round', diameter: expect.closeTo(land, 6) });
}
