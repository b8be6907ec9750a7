import type { Box } from '../geometry/box';
import type { Box3 } from '../geometry/mesh';
import type { Polarity } from '../package/drawn';
import type { Contact } from './contacts';

/** A land or hole that one contact of a model belongs to, as the package's own body touches it. mm */
export interface Target extends Contact {
  readonly kind: 'land' | 'pin' | 'peg';
  /** Index of the land, or of the hole without copper. */
  readonly index: number;
  /** Where the outer end of its terminal points, whole quarters in degrees; `null` where it has none. */
  readonly outward: number | null;
}

/** What a model is seated on: contacts, and the package's own body to be held against. */
export interface Ground {
  readonly targets: readonly Target[];
  /** Box of the package's own body with its terminals. */
  readonly box: Box3;
  /** What the own body rests on beside its pins; `null` where it has nothing else. */
  readonly rest: number | null;
  readonly courtyard: Box;
  /** Holes of the board, with the little by which a pin may miss them. */
  readonly holes: readonly { readonly x: number; readonly y: number; readonly radius: number }[];
  /** Target of terminal 1; `null` where nothing is numbered. */
  readonly first: number | null;
  /** What terminal 1 of a part with a direction is. */
  readonly polarity: Polarity | null;
}

/** How far a contact may lie from its target: less than half the way to the next one. mm */
export function reachOf(targets: readonly Target[]): number {
  let least = Infinity;
  // in the order of x, only the next few can be nearer than what was found
  const ordered = [...targets].sort((a, b) => a.x - b.x);
  ordered.forEach((a, i) => {
    for (let j = i + 1; j < ordered.length; j += 1) {
      const b = ordered[j] as Target;
      if (b.x - a.x >= least) break;
      least = Math.min(least, Math.hypot(a.x - b.x, a.y - b.y));
    }
  });
  return Math.min(0.8, Math.max(0.1, least * 0.4));
}
