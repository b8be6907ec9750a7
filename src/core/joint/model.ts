import type { Footprint, Land } from '../footprint/footprint';
import { narrowOf, sizeOf } from '../geometry/figure';
import { isHome, putPlaced, putPoint, undone } from '../geometry/placement';
import { diagonal } from '../land/solve-pin';
import type { PinSolution } from '../land/solution';
import type { LandSize } from '../land/solver';
import { correctedGroup, type ContactCorrection } from '../package/contact';
import type { SpanGroup, SpotGroup } from '../package/terminal';
import type { NumberKey } from '../process/fields';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import { spread, type Toleranced } from '../units/toleranced';
import { endStaysOn, sideOverhangLimit } from './acceptance';

/** Something that varies from part to part or board to board, independently of the others. mm */
export interface Variable {
  readonly name: string;
  /** Middle of its limits. */
  readonly middle: number;
  /** Largest less smallest value. */
  readonly range: number;
  /** The number of the process that it is stated by; a tolerance of the part where it is missing. */
  readonly number?: NumberKey;
}

/** A margin as a sum: `constant + Σ factors[i] · variables[i]`. mm */
export interface LinearMargin {
  readonly end: 'toe' | 'heel' | 'side' | 'edge' | 'wall' | 'ring';
  readonly constant: number;
  readonly factors: readonly number[];
  /** What the density level asks for; `null` where it asks for nothing. */
  readonly goal: number | null;
  /** What the acceptance class demands at least; `null` where it demands nothing. */
  readonly limit: number | null;
}

/** A terminal on its land as independent variables and margins that are linear in them. */
export interface JointModel {
  readonly title: string;
  readonly variables: readonly Variable[];
  readonly margins: readonly LinearMargin[];
}

/** What the diameter of a hole after plating is called. */
export const FINISHED_HOLE = 'Finished hole';

const of = (name: string, { min, max }: Toleranced): Variable => ({
  name,
  middle: (min + max) / 2,
  range: spread({ min, max } as Toleranced),
});
const NO_LENGTH: Toleranced = { min: 0, nom: 0, max: 0, given: 'exact' };
const around = (name: string, range: number): Variable => ({ name, middle: 0, range });
/** What a number of the process says, as a range about nothing. */
const by = (name: string, number: NumberKey, process: Process, times = 1): Variable => ({
  ...around(name, times * process[number]),
  number,
});

/**
 * Toe, heel and side of a terminal of a span (J-STD-001 terms). Edges of the land move by ±F/2,
 * the part by ±P/2 along each axis, as the land formulas reckon; L, T and W run over their limits.
 *
 *     toe  = (Z − L)/2 + e − d      heel = (L − G)/2 − T + d + e      side = (X − W)/2 + e − d
 *
 * Where the datasheet gives the inside distance S, the heel is (S − G)/2 + d + e.
 */
export function spanModel(
  original: SpanGroup,
  land: LandSize,
  goals: { readonly outer: number; readonly inner: number; readonly side: number },
  ends: { readonly outer: 'toe' | 'heel'; readonly inner: 'toe' | 'heel' },
  process: Process,
  correction?: ContactCorrection,
): JointModel {
  const group = correctedGroup(original, correction);
  const { acceptanceClass } = process;
  const { Z, G, X } = land;
  const variables = [
    of('Span over the terminals', group.span),
    of('Terminal length', group.length),
    of('Terminal width', group.width),
    of('Distance between the terminals', group.inside ?? NO_LENGTH),
    by('Etching of the outer edge', 'fabricationTolerance', process),
    by('Etching of the inner edge', 'fabricationTolerance', process),
    by('Etching of the side', 'fabricationTolerance', process),
    by('Placement along', 'placementTolerance', process),
    by('Placement across', 'placementTolerance', process),
    around('Place of the terminal, along', group.position?.x ?? 0),
    around('Place of the terminal, across', group.position?.y ?? 0),
  ];
  const width = (group.width.min + group.width.max) / 2;
  return {
    title: original.title,
    variables,
    margins: [
      {
        end: ends.outer,
        constant: Z / 2,
        factors: [-0.5, 0, 0, 0, 1, 0, 0, -1, 0, -1, 0],
        goal: goals.outer,
        limit: endStaysOn(group.form) ? 0 : null,
      },
      {
        end: ends.inner,
        constant: -G / 2,
        factors: group.inside ? [0, 0, 0, 0.5, 0, 1, 0, 1, 0, 1, 0] : [0.5, -1, 0, 0, 0, 1, 0, 1, 0, 1, 0],
        goal: goals.inner,
        limit: null,
      },
      {
        end: 'side',
        constant: X / 2,
        factors: [0, 0, -0.5, 0, 0, 0, 1, 0, -1, 0, -1],
        goal: goals.side,
        limit: -sideOverhangLimit(acceptanceClass, group.form) * width,
      },
    ],
  };
}

/** Land beyond a ball, column or exposed pad on each side. */
function spotModel(group: SpotGroup, land: Land, process: Process): JointModel {
  const { min, nom, max } = group.contact;
  const [a, b] = [sizeOf(min), sizeOf(max)];
  const size = { min: a.width, nom: sizeOf(nom).width, max: b.width } as Toleranced;
  return {
    title: group.title,
    variables: [
      of('Terminal', size),
      by('Etching of the edge', 'fabricationTolerance', process),
      by('Placement', 'placementTolerance', process),
    ],
    margins: [
      {
        end: 'edge',
        constant: sizeOf(land.copper.figure).width / 2,
        factors: [-0.5, 1, -1],
        goal: null,
        limit: null,
      },
    ],
  };
}

/** Room between lead and wall, and copper round the hole. */
function pinModel(
  { terminals: { lead, title, position }, allowances }: PinSolution,
  land: Land,
  process: Process,
): JointModel {
  const { hole: drilled } = land.padstack;
  const hole = drilled ? narrowOf(drilled.figure) : 0;
  const { plus = 0, minus = 0 } = drilled ?? {};
  // in a slot the thin side decides
  const slotted = drilled?.figure.kind === 'oblong' && lead.shape === 'rectangle';
  const across = slotted
    ? lead.thickness
    : ({ min: diagonal(lead, 'min'), nom: 0, max: diagonal(lead, 'max') } as Toleranced);
  return {
    title,
    variables: [
      of('Lead across', across),
      of(FINISHED_HOLE, { min: hole - minus, nom: hole, max: hole + plus } as Toleranced),
      by('Etching of the edge', 'fabricationTolerance', process),
      by('Drill wander', 'drillWander', process, 2),
      around('Place of the pin', Math.max(position?.x ?? 0, position?.y ?? 0)),
    ],
    margins: [
      // the lead may lie anywhere in its hole: half of what is left is its room all round
      { end: 'wall', constant: 0, factors: [-0.5, 0.5, 0, 0, -1], goal: allowances.hole.value / 2, limit: 0 },
      {
        end: 'ring',
        constant: narrowOf(land.copper.figure) / 2,
        factors: [0, -0.5, 1, -1, 0],
        goal: process.minRing,
        limit: 0,
      },
    ],
  };
}

/** The joint of a land, whatever its terminal; `null` where the land has none. */
export function jointModel({ groups, contacts }: Footprint, land: Land, process: Process): JointModel | null {
  if (!land.terminal) return null;
  const group = groups.find(({ terminals }) => terminals.id === land.group);
  switch (group?.kind) {
    case 'span': {
      const { terminals, goals, goalRow } = group;
      const correction = contacts.get(terminals.id);
      return spanModel(terminals, landOf(land, terminals), goals, goalRow.ends, process, correction);
    }
    case 'spot':
      return spotModel(group.terminals, land, process);
    case 'pin':
      return pinModel(group, land, process);
    default:
      return null;
  }
}

/** The sizes of a land of a span as it lies, seen from its group's frame: padstacks may differ from what was solved. */
export function landOf({ copper, end, at }: Land, { frame }: SpanGroup): LandSize {
  const back = isHome(frame) ? null : undone(frame);
  const { minX, maxX, minY, maxY } = back ? putPlaced(back, copper) : copper;
  const [outer, inner] = end === -1 ? [-minX, -maxX] : [maxX, minX];
  // a land that lies beside the middle of its terminal is as wide as it is on its narrower side
  const middle = (back ? putPoint(back, at) : at).y;
  const X = quantise(2 * Math.min(maxY - middle, middle - minY));
  return { Z: 2 * outer, G: 2 * inner, C: outer + inner, Y: outer - inner, X };
}

/** Closed form of a margin over its variables; mm. */
export interface MarginFigures {
  readonly mean: number;
  /** Every tolerance at its worst. */
  readonly worst: { readonly min: number; readonly max: number };
  /** Root of the sum of squared ranges, about the mean. */
  readonly rms: { readonly min: number; readonly max: number };
}

/** Mean, worst case and root-sum-square limits of a margin. */
export function marginFigures({ variables }: JointModel, { constant, factors }: LinearMargin): MarginFigures {
  let [mean, linear, squares] = [constant, 0, 0];
  variables.forEach(({ middle, range }, i) => {
    const part = (factors[i] ?? 0) * range;
    mean += (factors[i] ?? 0) * middle;
    linear += Math.abs(part) / 2;
    squares += part * part;
  });
  const half = Math.sqrt(squares) / 2;
  return {
    mean,
    worst: { min: mean - linear, max: mean + linear },
    rms: { min: mean - half, max: mean + half },
  };
}
