import type { TrimId } from '../document/document';
import type { TerminalGroup } from '../package/terminal';
import type { Process } from '../process/process';
import type { Step } from './derivation';
import { landFrom, roundDown } from './rounding';
import type { LandSize } from './solver';

/** What a trim is told about the land's surroundings. */
export interface TrimContext {
  readonly group: TerminalGroup;
  readonly process: Process;
  /** Rounding step, mm. */
  readonly rounding: number;
}

/** Fits a rounded land to its surroundings. */
export interface Trim {
  readonly id: TrimId;
  readonly title: string;
  /** Returns the trimmed land and its derivation, or `null` where nothing is in the way. */
  readonly apply: (land: LandSize, context: TrimContext) => { land: LandSize; steps: Step[] } | null;
}

/** A land does not run under a body that sits lower than the process's minimum standoff. */
const bodyHeel: Trim = {
  id: 'body-heel',
  title: 'Heel out from under a low body',
  apply({ Z, G, X, Y }, { group: { body }, process, rounding }) {
    if (!body || body.standoff.min >= process.minStandoff - 1e-9) return null;
    const edge = body.size.max;
    // a body as wide as the lands leaves nothing to trim to; the rules report it
    const length = roundDown((Z - edge) / 2, rounding);
    if (G >= edge - 1e-9 || length <= 0 || length >= Y) return null;
    const land = landFrom(length, X, Z - length);
    const note = `standoff ${body.standoff.min} mm is below ${process.minStandoff} mm: the land ends at the body`;
    return {
      land,
      steps: [
        { symbol: 'G', formula: 'Z − 2·Y', values: { Z, Y: length }, result: land.G, note },
        { symbol: 'Y', formula: '(Z − E1max)/2', values: { Z, E1max: edge }, result: length, note },
        { symbol: 'C', formula: 'Z − Y', values: { Z, Y: length }, result: land.C, note },
      ],
    };
  },
};

/** Lands of one row keep the process's minimum gap. */
const rowGap: Trim = {
  id: 'row-gap',
  title: 'Width for the gap in the row',
  apply({ X, Y, C }, { group: { pitch }, process, rounding }) {
    if (pitch === null) return null;
    const room = pitch - process.minGap;
    if (X <= room + 1e-9 || room <= 0) return null;
    // rounding must not take the whole land where the step is coarse
    const width = roundDown(room, rounding) || room;
    const note = `the row keeps a gap of ${process.minGap} mm`;
    return {
      land: landFrom(Y, width, C),
      steps: [
        { symbol: 'X', formula: 'e − gap', values: { e: pitch, gap: process.minGap }, result: width, note },
      ],
    };
  },
};

/** All trims, in the order in which they are applied. To add one, list it here. */
export const TRIMS: readonly Trim[] = [bodyHeel, rowGap];
