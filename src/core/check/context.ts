import type { Compiled, Footprint, Land } from '../footprint/footprint';
import { isOnOwnSide } from '../footprint/sides';
import { boxRound, type Box } from '../geometry/box';
import type { Placed } from '../geometry/figure';
import { neighboursOf, type Neighbours } from '../geometry/neighbours';
import { marginsOf, type Margin } from '../joint/margins';
import { landOf } from '../joint/model';
import type { SolvedGroup, SpanSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import { keptMeasurements, type KeptMeasurement } from '../ruler/kept';
import type { Process } from '../process/process';

/** Lands of a span that are alike as their group sees them, and the margins of their joints. */
export interface Joint {
  /** In their order; at least one. */
  readonly lands: readonly [Land, ...Land[]];
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
  /** The joints of a span, each distinct one once: hundreds of lands of a row are alike. */
  readonly jointsOf: (group: SpanSolution) => readonly Joint[];
  /** Measurements that are kept with the footprint, as they stand. */
  readonly measurements: () => readonly KeptMeasurement[];
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
    closeLands: once(() => lands.pairs(Math.max(process.minGap, process.minMaskWeb, process.windowGap))),
    groupOf: ({ group }) => groups.get(group) as SolvedGroup,
    jointsOf: jointsIn(footprint, process),
    measurements: once(() => keptMeasurements(compiled.measurements, footprint, process)),
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

function jointsIn({ lands, contacts }: Footprint, process: Process): CheckContext['jointsOf'] {
  const known = new Map<SpanSolution, readonly Joint[]>();
  const find = (group: SpanSolution): readonly Joint[] => {
    const { terminals } = group;
    const alike: { readonly size: LandSize; readonly lands: [Land, ...Land[]] }[] = [];
    for (const land of lands) {
      if (land.group !== terminals.id) continue;
      const size = landOf(land, terminals);
      const others = alike.find(({ size: { Z, G, X } }) => Z === size.Z && G === size.G && X === size.X);
      if (others) others.lands.push(land);
      else alike.push({ size, lands: [land] });
    }
    return alike.map(({ size, lands: own }) => ({
      lands: own,
      size,
      margins: marginsOf(group, size, contacts, process) as [Margin, Margin, Margin],
    }));
  };
  return (group) => {
    const joints = known.get(group) ?? find(group);
    known.set(group, joints);
    return joints;
  };
}

function obstaclesOf(footprint: Footprint, index: Neighbours): CheckContext['obstaclesNear'] {
  const { lands, maskOpenings, bores, far } = footprint;
  // an opening round several lands, or a window of its own, reaches beyond the lands
  const apart = once(() => {
    const others: Obstacle[] = [
      ...maskOpenings
        .filter((opening) => opening.lands.length !== 1 && opening.far === far)
        .map(({ opening, lands: [first = -1] }) => ({ area: opening, land: lands[first] ?? null })),
      ...bores.map(({ opening }) => ({ area: opening, land: null })),
    ];
    return { others, near: neighboursOf(others.map(({ area }) => area)).near };
  });
  return (box) => [
    ...index.near(box).flatMap((i): Obstacle[] => {
      const land = lands[i] as Land;
      // what lies on the other side is in nobody's way
      if (!isOnOwnSide(footprint, land)) return [];
      return [...land.mask, land.copper].map((area) => ({ area, land }));
    }),
    ...apart()
      .near(box)
      .map((i) => apart().others[i] as Obstacle),
  ];
}
