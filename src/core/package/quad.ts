import { line } from './lines';
import type { DimensionLine } from './lines';
import type { Dimensions } from './definitions';

type QuadValues = Dimensions<'n' | 'nE' | 'e' | 'b' | 'E' | 'D' | 'E1' | 'D1'>;

/** Terminals on each of the bottom and top sides; the upright sides may not take all of them. */
export function levelCount(d: Dimensions<'n' | 'nE'>): number {
  return Math.max(0, d.n.nom / 2 - d.nE.nom);
}

/** Terminals on each of the left and right sides. */
export function uprightCount(d: Dimensions<'n' | 'nE'>): number {
  return Math.min(d.nE.nom, d.n.nom / 2);
}

/** Dimension lines of a leaded package with four rows, from above. */
export function quadLines(d: QuadValues): DimensionLine[] {
  const [tip, body, upright, end] = [d.E.nom / 2, d.E1.nom / 2, d.D.nom / 2, d.D1.nom / 2];
  return [
    line('E1', 'plan', 'top', [-body, end], [body, end]),
    line('E', 'plan', 'top', [-tip, firstOf(d)], [tip, firstOf(d)], 1),
    line('D1', 'plan', 'right', [body, -end], [body, end]),
    line('D', 'plan', 'right', [0, -upright], [0, upright], 1),
    ...pitchLines(d, tip),
  ];
}

/** Pitch and terminal width at the left side, whose terminals end at a distance from the middle. */
export function pitchLines(d: Dimensions<'nE' | 'e' | 'b'>, edge: number): DimensionLine[] {
  const [first, half] = [firstOf(d), d.b.nom / 2];
  return [
    line('e', 'plan', 'left', [-edge, first - d.e.nom], [-edge, first]),
    line('b', 'plan', 'left', [-edge, -first - half], [-edge, -first + half]),
  ];
}

/** Middle of the uppermost terminal of the left side. */
function firstOf(d: Dimensions<'nE' | 'e'>): number {
  return ((d.nE.nom - 1) / 2) * d.e.nom;
}
