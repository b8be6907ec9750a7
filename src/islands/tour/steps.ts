import type { Stage } from '../../core/document/finding';

/** What the tour can see of what somebody did. */
export interface Seen {
  readonly place: 'shelf' | 'bench' | 'other';
  /** What stands on the Shelf, by name. */
  readonly shelf: readonly string[];
  /** What of the Bench can be seen; `null` elsewhere. */
  readonly bench: {
    readonly name: string;
    readonly stage: Stage;
    readonly level: string;
    /** Rules that found something. */
    readonly rules: readonly string[];
    readonly hasLand: boolean;
    readonly hasFinding: boolean;
    readonly is3D: boolean;
  } | null;
}

/** A step of the tour: it waits until what it tells was done. */
export interface Step {
  readonly title: string;
  readonly words: string;
  /** Where it is done. */
  readonly at: 'shelf' | 'bench';
  /** What is pressed or typed into, to be marked on the page. */
  readonly marks: string;
  readonly isDone: (seen: Seen) => boolean;
}

/** The part of the demo that the tour goes through: one of its numbers was read off the wrong row. */
export const TOUR_PART = 'U7 buoy transceiver';

const onBench =
  (holds: (bench: NonNullable<Seen['bench']>) => boolean) =>
  ({ bench }: Seen): boolean =>
    bench !== null && holds(bench);

/** The tour, in about five minutes. */
export const STEPS: readonly Step[] = [
  {
    title: 'Open a footprint',
    words: `These are the parts of a made-up tide-gauge logger. Open “${TOUR_PART}”: one of its numbers was read off the wrong row of the datasheet.`,
    at: 'shelf',
    marks: `[title="Open ${TOUR_PART}"]`,
    isDone: onBench(({ name }) => name === TOUR_PART),
  },
  {
    title: 'Look at what is found',
    words:
      'The left column is the datasheet, the middle the drawing that follows from it. At the right stands what is found; each finding has a balloon on the drawing. Open the first one by pressing it, or with X.',
    at: 'bench',
    marks: '[aria-label="Ledger"] article',
    isDone: onBench(({ hasFinding }) => hasFinding),
  },
  {
    title: 'Mend the number',
    words:
      'The foot is longer than the lead sticks out of the body, so L1 is the whole lead. The datasheet’s row L says 0.50..0.75: type that over it and press Enter. The lands follow, and Ctrl Z takes everything back.',
    at: 'bench',
    marks: '#entry-L',
    isDone: onBench(({ rules }) => !rules.includes('foot-overhang')),
  },
  {
    title: 'Choose a land',
    words:
      'Press a land on the drawing, or N. The elevations are cut through it: laminate, copper, solder and lead to scale, with its toe, heel and side beside the findings.',
    at: 'bench',
    marks: '[aria-label="Sheet"]',
    isDone: onBench(({ hasLand }) => hasLand),
  },
  {
    title: 'Go to Land',
    words:
      'The seven stages at the left edge are places to stand, not steps to pass. Go to Land (2): each number there says why it is what it is, with the formula and the values in it.',
    at: 'bench',
    marks: '[aria-label="Stages"] > :nth-child(2)',
    isDone: onBench(({ stage }) => stage === 'land'),
  },
  {
    title: 'Take another density level',
    words:
      'B is the usual one. Press A for the most solder, as one wants it for soldering by hand, or C for the least.',
    at: 'bench',
    marks: '[aria-label="Density level"]',
    isDone: onBench(({ level }) => level !== 'B'),
  },
  {
    title: 'See the padstacks',
    words:
      'Stack (3) has copper, mask and paste of each kind of land, cut through. Mark (4), beside it, has legend, numbers and texts.',
    at: 'bench',
    marks: '[aria-label="Stages"] > :nth-child(3)',
    isDone: onBench(({ stage }) => stage === 'stack'),
  },
  {
    title: 'Turn the body',
    words:
      'Press T: the fourth view shows the part in 3D. At Rise (5) a maker’s STEP file is seated on the lands by itself, and says what is left over at each pin.',
    at: 'bench',
    marks: '[aria-label="Sheet"]',
    isDone: onBench(({ is3D }) => is3D),
  },
  {
    title: 'Prove it',
    words:
      'Prove (6) lists everything that was checked, with the measured value, the limit and its source, and how many joints in a million will be bad.',
    at: 'bench',
    marks: '[aria-label="Stages"] > :nth-child(6)',
    isDone: onBench(({ stage }) => stage === 'prove'),
  },
  {
    title: 'Hand it over',
    words:
      'Release (7) has the computed name, the files for the shop, the stencil and the mechanics, and the revisions that were kept on purpose.',
    at: 'bench',
    marks: '[aria-label="Stages"] > :nth-child(7)',
    isDone: onBench(({ stage }) => stage === 'release'),
  },
  {
    title: 'Back to the Shelf',
    words: 'Everything was saved while you typed. Press S: your change stands on the Shelf.',
    at: 'bench',
    marks: 'header a[href="/"]',
    isDone: ({ place }) => place === 'shelf',
  },
];

/** The step that one is at, seen from one: those that are done are passed over, one at a time. */
export function stepAfter(step: number, seen: Seen): number {
  const here = STEPS[step];
  return here?.isDone(seen) ? step + 1 : step;
}

/** What helps where a step cannot be done because one is elsewhere; `null` where it can. */
export function wayBack(step: Step, { place, shelf, bench }: Seen): string | null {
  if (step.at === 'shelf' && place !== 'shelf') return 'This step is on the Shelf.';
  if (step.at === 'bench' && bench?.name !== TOUR_PART && step !== STEPS.at(-1))
    return `This step is on the Bench: open “${TOUR_PART}” on the Shelf.`;
  if (step.at === 'shelf' && !shelf.includes(TOUR_PART)) return `“${TOUR_PART}” is not on the Shelf.`;
  return null;
}
