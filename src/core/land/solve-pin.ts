import type { Level, TrimId } from '../document/document';
import { sizeOf, type Figure } from '../geometry/figure';
import type { PinGroup, PinSection } from '../package/terminal';
import { drillFor, type Process } from '../process/process';
import { quantise } from '../units/length';
import type { Step } from './derivation';
import { roundDown, roundTo, roundUp } from './rounding';
import type { LandChoices, PinSolution } from './solution';
import { setByHand } from './solve-spot';
import { clearGap } from './trims';
import {
  HOLE_ALLOWANCE,
  HOLE_LAND_STEP,
  HOLE_MOST,
  HOLE_SOURCE,
  LAND_ALLOWANCE,
  PIN_COURTYARD,
} from '../standard/published';
import { wanted, wantedAt, type Standard, type Wanted } from '../standard/standard';
import { houseStep, sourceOver } from './goals';

/** The largest distance across a lead's section: what its hole has to clear. mm */
export function diagonal({ shape, width, thickness }: PinSection, limit: 'min' | 'nom' | 'max'): number {
  return shape === 'round' ? width[limit] : quantise(Math.hypot(width[limit], thickness[limit]));
}

/**
 * How far the finished hole can close before a lead no longer goes in, mm; less than nothing where it
 * does not. A rectangular lead in a slot is stopped by the thin side, or by its corners in the slot's
 * round ends.
 * @param hole round, or a slot along the lead's width
 */
export function playIn(hole: Figure, lead: PinSection, limit: 'min' | 'nom' | 'max'): number {
  const { width: length, height: across } = sizeOf(hole);
  if (hole.kind !== 'oblong' || lead.shape === 'round')
    return Math.min(length, across) - diagonal(lead, limit);
  const [w, t] = [lead.width[limit], lead.thickness[limit]];
  const thin = across - t;
  if (thin <= 0) return thin;
  return Math.min(thin, length - w - roundEnds(across, t));
}

/** What the round ends of a slot take from its length for a lead of a thickness. mm */
function roundEnds(across: number, thickness: number): number {
  return across - Math.sqrt(Math.max(0, across * across - thickness * thickness));
}

/** A lead thinner than half its width is flat: a slot fits it better than a round hole. */
export function isFlat({ shape, width, thickness }: PinSection): boolean {
  return shape === 'rectangle' && thickness.nom < width.nom / 2 - 1e-9;
}

/**
 * The slot for a flat lead: across, its thickness and the allowance; along, its width, the allowance
 * and what the round ends take. Both up to the next drill step.
 */
export function slotFor(
  { width, thickness }: PinSection,
  { hole: { value: allowance }, step }: HoleAllowances,
  process: Process,
): { readonly across: number; readonly length: number } {
  const across = drillFor(thickness.max + allowance, process);
  const length = roundUp(width.max + allowance + roundEnds(across, thickness.max), step.value);
  return { across, length };
}

/** Copper beyond the wall of a slot or hole, for the land's size: twice the ring and the allowance. mm */
export function landOver({ land }: HoleAllowances, { minRing }: Process): number {
  return 2 * minRing + land.value;
}

/** What holes and their lands are larger by, at one level; mm. */
export interface HoleAllowances {
  /** Finished hole over the largest lead. */
  readonly hole: Wanted<number>;
  /** Largest hole over the smallest lead. */
  readonly most: Wanted<number>;
  /** Land over hole and rings. */
  readonly land: Wanted<number>;
  readonly courtyard: Wanted<number>;
  /** Step of lands. */
  readonly step: Wanted<number>;
}

function allowancesAt(level: Level, standard: Standard): HoleAllowances {
  return {
    hole: wantedAt(standard, 'holes/allowance', level, HOLE_ALLOWANCE),
    most: wantedAt(standard, 'holes/most', level, HOLE_MOST),
    land: wantedAt(standard, 'holes/land', level, LAND_ALLOWANCE),
    courtyard: wantedAt(standard, 'holes/courtyard', level, PIN_COURTYARD),
    step: wanted(standard, 'rounding/hole-lands', HOLE_LAND_STEP),
  };
}

/** Where hole and land come from: the clauses of a house, then what is published. */
export function holeSource({ hole, most, land, step }: HoleAllowances): string {
  return sourceOver(
    [hole, most, land, step].map(({ stated }) => stated),
    HOLE_SOURCE,
  );
}

/**
 * Hole and land of leads that go through the board (IPC-2222A, IPC-7251):
 *
 *     H = diagonal max + allowance, up to the next drill
 *     D = H + 2·ring + over, to the nearest 0.05
 *
 * Lands that would break the gap in their row become oblong across it.
 */
export function solvePin(group: PinGroup, level: Level, process: Process, choices: LandChoices): PinSolution {
  const steps: Step[] = [];
  const trims: TrimId[] = [];
  const { sizes } = choices.of(group.id);
  const allowances = allowancesAt(level, choices.house.standard);
  const proposedHole = holeFor(group, allowances, process, steps);
  const hole = sizes.H ?? proposedHole;
  if (sizes.H !== undefined)
    steps.push({ symbol: 'H', formula: 'H', values: { H: proposedHole }, result: hole, note: 'set by hand' });
  const round = landFor(group, hole, allowances, process, steps);
  const slot = group.stated?.slot ?? 0;
  let figure: Figure =
    slot > hole
      ? { kind: 'oblong', width: quantise(round + slot - hole), height: round }
      : { kind: 'round', diameter: round };
  if (figure.kind === 'round' && !choices.untrimmed.has('oblong')) {
    const oblong = oblongFor(group, round, hole, allowances.step.value, process, steps);
    if (oblong) {
      figure = oblong;
      trims.push('oblong');
    }
  }
  return {
    kind: 'pin',
    terminals: group,
    level,
    title: group.stated ? 'Hole and land as drawn' : 'Lead through a plated hole',
    source: group.stated ? HOLE_SOURCE : holeSource(allowances),
    courtyard: allowances.courtyard.value,
    rounding: allowances.step.value,
    allowances,
    trims,
    computed: { hole: proposedHole, figure },
    hole,
    figure: setByHand(figure, choices.of(group.id), steps),
    derivation: steps,
  };
}

function holeFor(
  { lead, stated, position }: PinGroup,
  { hole: wantedOver }: HoleAllowances,
  process: Process,
  steps: Step[],
): number {
  if (stated) {
    const note = 'as the part states it';
    steps.push({ symbol: 'H', formula: 'd', values: { d: stated.hole }, result: stated.hole, note });
    return stated.hole;
  }
  const most = diagonal(lead, 'max');
  if (lead.shape === 'rectangle') {
    const values = { bmax: lead.width.max, cmax: lead.thickness.max };
    steps.push({ symbol: 'dmax', formula: '√(bmax² + cmax²)', values, result: most });
  }
  const usual = wantedOver.value;
  if (wantedOver.stated)
    steps.push(houseStep('allowance', usual, wantedOver.published, wantedOver.stated, 'hole over the lead'));
  // a pin whose place may lie farther off than the allowance covers needs as much room
  const off = Math.max(position?.x ?? 0, position?.y ?? 0);
  const allowance = Math.max(usual, off);
  if (off > usual)
    steps.push({
      symbol: 'allowance',
      formula: 'Q',
      values: { Q: off, usual },
      result: off,
      note: 'over this range the place of the pin may lie, more than the usual allowance covers',
    });
  const hole = drillFor(most + allowance, process);
  const values = { dmax: most, allowance };
  const note =
    process.drills.length > 0
      ? 'up to the next drill of the table'
      : `up to the next drill, step ${process.drillStep} mm`;
  steps.push({ symbol: 'H', formula: 'dmax + allowance', values, result: hole, note });
  return hole;
}

function landFor(
  { stated }: PinGroup,
  H: number,
  { land, step }: HoleAllowances,
  process: Process,
  steps: Step[],
): number {
  if (stated) {
    const note = 'as the part states it';
    steps.push({ symbol: 'D', formula: 'D', values: { D: stated.land }, result: stated.land, note });
    return stated.land;
  }
  const [ring, over] = [process.minRing, land.value];
  if (land.stated)
    steps.push(houseStep('over', over, land.published, land.stated, 'land over hole and rings'));
  const result = roundTo(H + 2 * ring + over, step.value);
  const note = step.value > 0 ? `to the nearest ${step.value} mm` : 'not rounded';
  steps.push({
    symbol: 'D',
    formula: 'H + 2·ring + over',
    values: { H, ring, over },
    result,
    note,
  });
  return result;
}

/** Narrow in the tight direction, longer by as much in the other; never less than hole and rings. */
function oblongFor(
  { pitch }: PinGroup,
  D: number,
  H: number,
  step: number,
  process: Process,
  steps: Step[],
): Figure | null {
  const gap = clearGap(process);
  const room = (p: number | null) => (p === null ? Infinity : p - gap);
  const [x, y] = [room(pitch.x), room(pitch.y)];
  if (D <= Math.min(x, y) + 1e-9) return null;
  const least = H + 2 * process.minRing;
  const narrow = Math.max(roundDown(Math.min(x, y), step), roundUp(least, step));
  if (narrow >= D) return null;
  const long = Math.min(2 * D - narrow, Math.max(narrow, roundDown(Math.max(x, y), step)));
  const [width, height] = x <= y ? [narrow, long] : [long, narrow];
  const note = `the row keeps a gap of ${gap} mm: narrow one way, longer the other`;
  const e = Math.min(pitch.x ?? Infinity, pitch.y ?? Infinity);
  steps.push(
    { symbol: x <= y ? 'Y' : 'X', formula: 'e − gap', values: { e, gap }, result: narrow, note },
    { symbol: x <= y ? 'X' : 'Y', formula: '2·D − e + gap', values: { D, e, gap }, result: long, note },
  );
  return { kind: 'oblong', width: quantise(width), height: quantise(height) };
}
