/**
 * Requires the process's distances between copper, holes, openings of the mask and paste of different parts.
 */
import { between, fill, mm, type RuleFinding } from '../../check/rule';
import type { Process } from '../../process/process';
import {
  closest,
  moveApart,
  placeOf,
  round,
  besides,
  twoWith,
  type Close,
  type Neighbour,
  type TrialRule,
} from '../rule';
import type { CompiledTrial } from '../trial';
import type { Copper, Hole, OnSide } from '../features';
import type { Land } from '../../footprint/footprint';

const messages = {
  copper: 'Copper of {a} and {b} is {gap} mm apart, needs {limit} mm.',
  short: 'Copper of {a} and {b} meets.',
  hole: 'The hole of {a} is {gap} mm from copper of {b}, needs {limit} mm.',
  web: 'Between the holes of {a} and {b} {gap} mm of laminate are left, needs {limit} mm.',
  mask: 'Between the openings of {a} and {b} {gap} mm of mask are left, needs {limit} mm.',
  paste: 'The stencil keeps a bar of {gap} mm between the paste of {a} and {b}, needs {limit} mm.',
};

/** A land as it is named on a board. */
const named = ({ part: { reference } }: Neighbour, land: Land | null | undefined): string =>
  land && land.number !== '' ? `${reference}.${land.number}` : reference;

/** The finding about the closest two things of two parts. */
function told<A extends { figure: Copper['figure'] }, B extends { figure: Copper['figure'] }>(
  trial: CompiledTrial,
  [a, b]: readonly [Neighbour, Neighbour],
  close: Close<A, B> | null,
  [message, limit]: readonly [string, number],
  [allA, allB]: readonly [readonly A[], readonly B[]],
  [nameA, nameB]: readonly [string, string] = [a.part.reference, b.part.reference],
): RuleFinding[] {
  if (!close) return [];
  const gap = Math.max(0, close.gap);
  return [
    {
      message: fill(message, { a: nameA, b: nameB, gap: mm(gap), limit: mm(limit) }),
      measured: { value: gap, limit, unit: 'mm' },
      place: placeOf(between(close.a.figure, close.b.figure), a.part, b.part),
      remedies: moveApart(trial, [a, b], [round(allA), round(allB)], limit),
    },
  ];
}

const reaches = (a: Neighbour, b: Neighbour) => [a.has.reach, b.has.reach] as const;
const sameSide = (a: OnSide, b: OnSide): boolean => a.far === b.far;

export const copperBetween: TrialRule = {
  id: 'trial-copper',
  title: 'Copper between parts',
  fault: 'Copper of two parts too near each other',
  source: 'Process: smallest gap',
  looksAt: twoWith('with copper', ({ has }) => has.copper.length > 0),
  severity: 'stop',
  after: ['trial-leads'],
  pair(a, b, trial) {
    const limit = trial.process.minGap;
    const close = closest<Copper, Copper>(
      [a.has.copper, b.has.copper],
      reaches(a, b),
      limit,
      (p, q) => (p.top && q.top) || (p.bottom && q.bottom),
    );
    const names = [named(a, close?.a.land), named(b, close?.b.land)] as const;
    const message = close && close.gap <= 1e-9 ? messages.short : messages.copper;
    return told(trial, [a, b], close, [message, limit], [a.has.copper, b.has.copper], names);
  },
};

export const holeToCopper: TrialRule = {
  id: 'trial-hole-copper',
  title: 'Holes to copper of other parts',
  fault: 'Hole too near copper of another part',
  source: 'Process: hole to other land',
  looksAt: besides('with holes', ({ has }) => has.holes.length > 0),
  severity: 'stop',
  after: ['trial-copper', 'trial-leads'],
  pair(a, b, trial) {
    const limit = trial.process.minHoleToLand;
    return (
      [
        [a, b],
        [b, a],
      ] as const
    ).flatMap(([one, other]) => {
      const close = closest<Hole, Copper>(
        [one.has.holes, other.has.copper],
        reaches(one, other),
        limit,
        () => true,
      );
      const names = [named(one, close?.a.land), named(other, close?.b.land)] as const;
      return told(
        trial,
        [one, other],
        close,
        [messages.hole, limit],
        [one.has.holes, other.has.copper],
        names,
      );
    });
  },
};

export const holeToHole: TrialRule = {
  id: 'trial-hole-web',
  title: 'Holes of different parts',
  fault: 'Holes of two parts too near each other',
  source: 'Process: web between holes',
  looksAt: twoWith('with holes', ({ has }) => has.holes.length > 0),
  severity: 'stop',
  pair(a, b, trial) {
    const limit = trial.process.minHoleWeb;
    const close = closest<Hole, Hole>([a.has.holes, b.has.holes], reaches(a, b), limit, () => true);
    const names = [named(a, close?.a.land), named(b, close?.b.land)] as const;
    return told(trial, [a, b], close, [messages.web, limit], [a.has.holes, b.has.holes], names);
  },
};

const openingsBetween = (
  [id, title, fault, source]: readonly [string, string, string, string],
  what: 'openings' | 'paste',
  message: string,
  limitOf: (process: Process) => number,
): TrialRule => ({
  id,
  title,
  fault,
  source,
  looksAt: twoWith(`with ${what}`, ({ has }) => has[what].length > 0),
  severity: 'caution',
  after: ['trial-copper', 'trial-courtyards', 'trial-leads'],
  pair(a, b, trial) {
    const limit = limitOf(trial.process);
    const close = closest<OnSide, OnSide>([a.has[what], b.has[what]], reaches(a, b), limit, sameSide);
    return told(trial, [a, b], close, [message, limit], [a.has[what], b.has[what]]);
  },
});

export const maskBetween = openingsBetween(
  [
    'trial-mask-web',
    'Mask between parts',
    'Web of mask between parts too narrow',
    'Process: web between openings',
  ],
  'openings',
  messages.mask,
  ({ minMaskWeb }) => minMaskWeb,
);

export const pasteBetween = openingsBetween(
  [
    'trial-paste',
    'Paste between parts',
    'Paste of two parts too near each other',
    'Process: bar between windows; IPC-7525B, clause 3.2.2',
  ],
  'paste',
  messages.paste,
  // lands of fine pitch are as close as their copper may be
  ({ windowGap, minGap }) => Math.min(windowGap, minGap),
);
