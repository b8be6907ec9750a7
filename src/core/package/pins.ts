import { block, type Part, type Shape, type Wire } from '../geometry/solid';
import type { Point } from '../geometry/point';
import type { Toleranced } from '../units/toleranced';
import { formatMm as mm } from '../units/length';
import type { Dimensions } from './definitions';
import type { PlausibilityRule } from './family';
import { fitsInside } from './plausibility/counts';
import { HOME, type PinGroup, type PinSection, type Spot } from './terminal';

/** A round lead. */
export function roundPin(diameter: Toleranced): PinSection {
  return { shape: 'round', width: diameter, thickness: diameter };
}

/** A lead of rectangular section, `width` along x and `thickness` along y. */
export function flatPin(width: Toleranced, thickness: Toleranced): PinSection {
  return { shape: 'rectangle', width, thickness };
}

/** Pins at points, numbered in the order given. */
export function pinsAt(
  points: readonly Point[],
  lead: PinSection,
  rest: Partial<Pick<PinGroup, 'id' | 'title' | 'pitch' | 'stated' | 'vias'>> = {},
  firstOrder = 1,
): PinGroup {
  return {
    kind: 'pin',
    id: 'pins',
    title: 'Pins',
    frame: HOME,
    lead,
    pitch: { x: null, y: null },
    ...rest,
    places: points.map((at, i): Spot => ({ order: firstOrder + i, at, rotation: 0 })),
  };
}

/** Points of a matrix row by row from upper left, its middle at the origin. mm */
export function matrix(columns: number, rows: number, pitchX: number, pitchY: number): Point[] {
  return Array.from({ length: columns * rows }, (_, i) => ({
    x: ((i % columns) - (columns - 1) / 2) * pitchX + 0,
    y: ((rows - 1) / 2 - Math.floor(i / columns)) * pitchY + 0,
  }));
}

/** A straight pin from below the board to a height above the seating plane, with its true section. */
export function pinShape({ shape, width, thickness }: PinSection, below: number, above: number): Shape {
  return shape === 'round'
    ? wire(
        [
          [0, -below],
          [0, above],
        ],
        width.nom,
      )
    : block(width.nom, thickness.nom, -below, above);
}

/** A round wire along a bent line of (x, z) points. */
export function wire(line: readonly (readonly [number, number])[], diameter: number, bend = diameter): Wire {
  return { kind: 'wire', line: line.map(([x, y]) => ({ x, y })), diameter, bend };
}

/** One part for each pin of a group. */
export function pinParts({ places }: PinGroup, shape: string): Part[] {
  return places.map(({ order, at, rotation }) => ({
    name: `pin ${order}`,
    shape,
    material: 'metal',
    at: { ...at, z: 0 },
    rotation,
  }));
}

/** A part about the origin. */
export function centred(
  name: string,
  material: Part['material'],
  at: Partial<Point & { z: number }> = {},
): Part {
  return { name, shape: name, material, at: { x: 0, y: 0, z: 0, ...at }, rotation: 0 };
}

/** Leads of a usual part fit standard drills; a lead thicker than its pitch allows cannot be drilled. */
export function leadAgainstPitch<S extends string>(
  pitch: S,
  diagonalOf: (d: Dimensions<S>) => number,
  symbols: readonly S[],
): PlausibilityRule<S> {
  return {
    id: `lead-pitch-${pitch}`,
    title: `Lead diagonal against ${pitch}`,
    fault: `Lead is too thick for pitch ${pitch}`,
    source: 'Geometry: hole, ring and gap have to fit in one pitch',
    check({ d }) {
      // 0.20 hole allowance, 0.05 rings and 0.15 gap: what a level-B land needs beside the lead
      const needed = diagonalOf(d) + 0.2 + 0.1 + 0.15;
      if (needed <= d[pitch].nom + 1e-9) return [];
      return [
        {
          severity: 'stop',
          message: `A lead of ${mm(diagonalOf(d))} mm across needs ${mm(needed)} mm with its hole, rings and gap; the pitch ${pitch} is ${mm(d[pitch].nom)} mm. Lead and pitch may be swapped, or the lead is given in another unit.`,
          place: { dimensions: [...symbols, pitch] },
          measured: { value: needed, limit: d[pitch].nom, unit: 'mm' },
          remedies: [],
        },
      ];
    },
  };
}

/** What holds for a row of flat leads out of one body: it fits the body, and its leads can be drilled for. */
export const LEAD_ROW_RULES: readonly PlausibilityRule<'n' | 'e' | 'b' | 'c' | 'D'>[] = [
  fitsInside<'n' | 'e' | 'b' | 'c' | 'D'>(
    'row-body',
    { words: 'The row of leads', symbols: ['n', 'e'], of: (d) => (d.n.nom - 1) * d.e.nom },
    { words: 'the body width', symbol: 'D' },
  ),
  leadAgainstPitch<'n' | 'e' | 'b' | 'c' | 'D'>('e', (d) => Math.hypot(d.b.max, d.c.max), ['b', 'c']),
];
