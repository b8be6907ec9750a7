import type { Drawable } from '../footprint/footprint';
import type { NumberKey } from '../process/fields';
import { formatFigure } from '../units/length';
import { risksOf } from './answer';
import { sparedBy } from './matters';
import { spreadsOf } from './spreads';

/** What a number of the process costs over many footprints. */
export interface ProcessCost {
  readonly number: NumberKey;
  /** By how much it was narrowed, mm; the least of all where one is less than that. */
  readonly less: number;
  /** Bad joints that would no longer be, in a million parts of each footprint together. */
  readonly spared: number;
  /** Footprints in which it matters, the most first, each with its part of that. */
  readonly footprints: readonly { readonly name: string; readonly spared: number }[];
}

/** Numbers of a process that spread joints. */
const NUMBERS = ['fabricationTolerance', 'placementTolerance', 'drillWander'] as const satisfies NumberKey[];
/** A footprint in which fewer are spared, in a million parts, is not told of. */
const LEAST = 1e-3;

/**
 * Which number of the process costs most joints over many footprints: what 0.05 mm less of each would spare, over
 * all lands. The most first.
 */
export function costsOf(all: readonly Drawable[]): ProcessCost[] {
  const risks = all.map((drawable) => ({ drawable, own: risksOf(drawable) }));
  return NUMBERS.map((number): ProcessCost => {
    let least = Infinity;
    const footprints = risks
      .map(({ drawable, own }) => {
        const { document, footprint } = drawable;
        let joints = 0;
        for (const { group, risk } of own) {
          const { less, spared } = sparedBy(risk, number, spreadsOf(drawable));
          if (less > 0) least = Math.min(least, less);
          joints += spared * footprint.lands.filter((land) => land.group === group && land.terminal).length;
        }
        return { name: document.name, spared: joints * 1e6 };
      })
      .filter(({ spared }) => spared >= LEAST)
      .sort((a, b) => b.spared - a.spared || (a.name < b.name ? -1 : 1));
    return {
      number,
      less: Number.isFinite(least) ? least : 0,
      spared: footprints.reduce((sum, { spared }) => sum + spared, 0),
      footprints,
    };
  })
    .filter(({ spared }) => spared > 0)
    .sort((a, b) => b.spared - a.spared);
}

/** Spared joints in words, of a million parts. */
export function sparedWords(spared: number): string {
  return spared < 0.01 ? 'under 0.01' : formatFigure(spared, 0, spared < 10 ? 2 : 0);
}

/** Costs over several parts of a library as one; the most first. */
export function joinedCosts(parts: readonly (readonly ProcessCost[])[]): ProcessCost[] {
  return NUMBERS.flatMap((number): ProcessCost[] => {
    const own = parts.flatMap((part) => part.filter((one) => one.number === number));
    if (own.length === 0) return [];
    return [
      {
        number,
        less: Math.min(...own.map(({ less }) => less)),
        spared: own.reduce((sum, { spared }) => sum + spared, 0),
        footprints: own
          .flatMap(({ footprints }) => footprints)
          .sort((a, b) => b.spared - a.spared || (a.name < b.name ? -1 : 1)),
      },
    ];
  }).sort((a, b) => b.spared - a.spared);
}
