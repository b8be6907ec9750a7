import { formatNumber } from '../../units/length';
import type { Dimension } from './dimensions';
import { LEVEL, UPRIGHT, type Frame } from './frame';

// The scale of a view, from its dimensions against each other.

/** How long a dimension is drawn, points. */
export const drawnOf = ({ feet: [a, b] }: Pick<Dimension, 'feet'>) => Math.abs(b.u - a.u);

/** Whether a drawn length is not what it should be, points. */
export const isAmiss = (drawn: number, wanted: number) =>
  Math.abs(drawn - wanted) > Math.max(1, 0.03 * drawn);

/** A length that is not drawn as long as its number says, in words. mm */
export const offWords = (drawn: number, says: number): string =>
  `Drawn ${formatNumber(drawn, 0, 2)} mm, says ${formatNumber(says, 0, 4)} mm.`;

/** Points for a millimetre along each axis. */
export interface Scale {
  readonly x: number;
  readonly y: number;
  /** Whether what is drawn says how long it is. */
  readonly isToScale: boolean;
}

/** The scale of a view, from its dimensions against each other; `null` where there are none. */
export function scaleOf(dimensions: readonly Dimension[]): Scale | null {
  const ratios = (some: readonly Dimension[]) =>
    some
      .flatMap((one) =>
        one.label.value && one.label.value.nom > 0 ? [drawnOf(one) / one.label.value.nom] : [],
      )
      .sort((p, q) => p - q);
  const all = ratios(dimensions);
  if (all.length === 0) return null;
  // what most agree on, within the width of a line
  const agree = (scale: number, some: readonly Dimension[]) =>
    some.filter((one) => one.label.value !== null && !isAmiss(drawnOf(one), scale * one.label.value.nom))
      .length;
  const best = (some: readonly Dimension[], from: readonly number[]) =>
    from.reduce((a, b) => (agree(b, some) > agree(a, some) ? b : a), from[from.length >> 1] ?? 1);
  const both = best(dimensions, all);
  if (3 * agree(both, dimensions) >= 2 * all.length) return { x: both, y: both, isToScale: true };
  const along = (frame: Frame) => dimensions.filter((one) => one.frame.angle === frame.angle);
  const [level, upright] = [along(LEVEL), along(UPRIGHT)];
  return {
    x: best(level, ratios(level)) || both,
    y: best(upright, ratios(upright)) || both,
    isToScale: false,
  };
}
