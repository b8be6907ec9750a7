import type { Compiled, Footprint, Land } from '../footprint/footprint';
import { boxRound, type Box } from '../geometry/box';
import type { Placed } from '../geometry/figure';
import { neighboursOf, type Neighbours } from '../geometry/neighbours';
import { marginsOf, type Margin } from '../joint/margins';
import { landOf } from '../joint/model';
import type { SolvedGroup, SpanSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import type { Process } from '../process/process';

/** A land of a span as its group sees it, and the margins of its joint. */
export interface Joint {
  readonly size: LandSize;
  /** Outer end, inner end, side. */
  readonly margins: readonly [Margin, Margin, Margin];
}

/** Something that ink has to keep clear of, and the land it belongs to; `null` where it belongs to none. */
export interface Obstacle {
  readonly area: Placed;
  readonly land: Land | null;
}

/**
 * What a rule looks at. What several rules ask for is made once, when the first of them asks.
 * The index answers for the lands, in their order, each with its openings.
 */
export interface CheckContext {
  readonly compiled: Compiled;
  readonly footprint: Footprint;
  readonly process: Process;
  readonly lands: Neighbours;
  /** Pairs of lands (indices, in order) that come so close, openings included, that a process could mind. */
  readonly closeLands: () => readonly (readonly [number, number])[];
  /** The group of terminals that a land belongs to. */
  readonly groupOf: (land: Land) => SolvedGroup;
  /** The joint of a land of a span. */
  readonly jointOf: (land: Land, group: SpanSolution) => Joint;
  /** Copper and openings that lie in a box or touch it. */
  readonly obstaclesNear: (box: Box) => Obstacle[];
}

/** Makes what rules look at of a compiled footprint. */
export function contextOf(compiled: Compiled, footprint: Footprint): CheckContext {
  const { process } = compiled;
  const lands = neighboursOf(footprint.lands.map(reachOf));
  const groups = new Map(footprint.groups.map((group) => [group.terminals.id, group]));
  return {
    compiled,
    footprint,
    process,
    lands,
    closeLands: once(() => [...lands.pairs(Math.max(process.minGap, process.minMaskWeb, process.windowGap))]),
    groupOf: ({ group }) => groups.get(group) as SolvedGroup,
    jointOf: jointsOf(footprint, process),
    obstaclesNear: obstaclesOf(footprint, lands),
  };
}

function once<T>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}

/** The box round a land's copper and openings. */
function reachOf({ copper, mask, paste }: Land): Box {
  return boxRound([copper, ...mask, ...paste]) as Box;
}

/** Joints, each distinct one once: hundreds of lands of a row are alike. */
function jointsOf({ contacts }: Footprint, process: Process): CheckContext['jointOf'] {
  const known = new Map<Land, Joint>();
  const distinct = new Map<SpanSolution, Joint[]>();
  const find = (land: Land, group: SpanSolution): Joint => {
    const size = landOf(land, group.terminals);
    const ofGroup = distinct.get(group) ?? [];
    distinct.set(group, ofGroup);
    const alike = ofGroup.find(({ size: { Z, G, X } }) => Z === size.Z && G === size.G && X === size.X);
    if (alike) return alike;
    const joint = { size, margins: marginsOf(group, size, contacts, process) as [Margin, Margin, Margin] };
    ofGroup.push(joint);
    return joint;
  };
  return (land, group) => {
    const joint = known.get(land) ?? find(land, group);
    known.set(land, joint);
    return joint;
  };
}

function obstaclesOf(
  { lands, maskOpenings, bores }: Footprint,
  index: Neighbours,
): CheckContext['obstaclesNear'] {
  // an opening round several lands, or a window of its own, reaches beyond the lands
  const apart = once(() => {
    const others: Obstacle[] = [
      ...maskOpenings
        .filter((opening) => opening.lands.length !== 1)
        .map(({ opening, lands: [first = -1] }) => ({ area: opening, land: lands[first] ?? null })),
      ...bores.map(({ opening }) => ({ area: opening, land: null })),
    ];
    return { others, near: neighboursOf(others.map(({ area }) => area)).near };
  });
  return (box) => [
    ...index.near(box).flatMap((i): Obstacle[] => {
      const land = lands[i] as Land;
      return [...land.mask, land.copper].map((area) => ({ area, land }));
    }),
    ...apart()
      .near(box)
      .map((i) => apart().others[i] as Obstacle),
  ];
}
