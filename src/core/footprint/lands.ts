import { boxAt, boxRound, type Box } from '../geometry/box';
import { turn, type Point, type Quarter } from '../geometry/point';
import type { LandSolution } from '../land/solve-group';
import type { TerminalGroup, TerminalPlace } from '../package/terminal';
import { surfacePadstack, type PadMargins, type Padstack } from '../padstack/padstack';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { Land, MaskOpening } from './footprint';

/** Lands of all groups with their padstacks; equal padstacks are one. */
export interface LandsAndStacks {
  readonly lands: readonly Land[];
  readonly padstacks: readonly Padstack[];
}

/**
 * Puts a land under every terminal.
 * @param numbers land numbers by position, where they differ from it
 */
export function placeLands(
  groups: readonly TerminalGroup[],
  solutions: readonly LandSolution[],
  margins: PadMargins,
  process: Process,
  numbers: Readonly<Record<string, string>>,
): LandsAndStacks {
  const padstacks = new Map<string, Padstack>();
  const lands = groups.flatMap((group, i) => {
    const { land } = solutions[i] as LandSolution;
    const stack = surfacePadstack({ kind: 'rectangle', width: land.Y, height: land.X }, margins, process);
    padstacks.set(stack.name, stack);
    return group.places.map((place) => placeLand(group, place, land.C, stack, numbers));
  });
  return {
    lands: lands.sort((a, b) => a.position - b.position),
    padstacks: [...padstacks.values()],
  };
}

function placeLand(
  group: TerminalGroup,
  place: TerminalPlace,
  C: number,
  stack: Padstack,
  numbers: Readonly<Record<string, string>>,
): Land {
  const rotation = outward(group.axis, place.side);
  const at = onAxis(group.axis, (place.side * C) / 2, place.along);
  const { copper, paste } = stack;
  const key = String(place.position);
  return {
    number: Object.hasOwn(numbers, key) ? (numbers[key] as string) : key,
    position: place.position,
    group: group.id,
    side: place.side,
    at,
    rotation,
    padstack: stack.name,
    copper: boxAt(at, copper.width, copper.height, rotation),
    paste: boxAt(at, paste.width, paste.height, rotation),
    contact: {
      min: contact(group, place, 'min'),
      nom: contact(group, place, 'nom'),
      max: contact(group, place, 'max'),
    },
  };
}

/** The quarter turn that points a padstack's x axis from the body outwards. */
function outward(axis: 'x' | 'y', side: -1 | 1): Quarter {
  if (axis === 'x') return side === 1 ? 0 : 180;
  return side === 1 ? 90 : 270;
}

function onAxis(axis: 'x' | 'y', out: number, along: number): Point {
  const { x, y } = axis === 'x' ? { x: out, y: along } : turn({ x: out, y: -along }, 90);
  return { x: quantise(x), y: quantise(y) };
}

function contact(group: TerminalGroup, place: TerminalPlace, limit: 'min' | 'nom' | 'max'): Box {
  const length = group.length[limit];
  const centre = (group.span[limit] - length) / 2;
  const at = onAxis(group.axis, place.side * centre, place.along);
  return boxAt(at, length, group.width[limit], outward(group.axis, place.side));
}

/**
 * Mask openings: one round each land, or one round each row of a group.
 * @param margin growth of the opening over the copper, mm
 */
export function openMask(lands: readonly Land[], margin: number, joint: boolean): MaskOpening[] {
  const single = lands.map(({ copper }, i): MaskOpening => ({ box: growBox(copper, margin), lands: [i] }));
  if (!joint) return single;
  const rows = new Map<string, number[]>();
  lands.forEach(({ group, side }, i) => {
    const key = `${group} ${side}`;
    rows.set(key, [...(rows.get(key) ?? []), i]);
  });
  return [...rows.values()].map((row) => ({
    box: boxRound(row.map((i) => (single[i] as MaskOpening).box)) as Box,
    lands: row,
  }));
}

function growBox({ minX, minY, maxX, maxY }: Box, by: number): Box {
  return {
    minX: quantise(minX - by),
    minY: quantise(minY - by),
    maxX: quantise(maxX + by),
    maxY: quantise(maxY + by),
  };
}
