import {
  contourFigure,
  grown,
  growPlaced,
  narrowOf,
  place,
  sizeOf,
  type Figure,
  type Placed,
} from '../geometry/figure';
import { over } from '../document/read-fields';
import { add, type Point } from '../geometry/point';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import type { OpeningChoice, StackChoices } from './choices';
import { copperFigure, firstFigure, resized } from './copper';
import { nameOf } from './naming';
import type { PadMargins, Padstack, Relief, StackBase, StackHole } from './padstack';
import { formed } from './paste-forms';
import { sourcesOf, sourcesWithHabit } from './sources';
import { viaGrid, type PadVia, type ViaCover, type ViaPlan } from './vias';
import { pasteWindows, windowCounts, withoutIslands, type Windows } from './windows';

/**
 * Builds the padstack of a land from what it is and what was chosen about it.
 * @param own what was chosen about it
 * @param margins mask and paste margins of the whole footprint, mm
 * @param habit what the house is used to where nobody chose otherwise
 */
export function buildPadstack(
  base: StackBase,
  own: StackChoices,
  margins: PadMargins,
  process: Process,
  habit: StackChoices | null = null,
): Padstack {
  const choices = habit ? over(own, habit) : own;
  const chosen = copperFigure(base.copper, choices);
  const solved = base.first ? firstFigure(chosen, base.first) : chosen;
  const byMask = choices.definedBy === 'mask';
  const maskMargin = byMask
    ? -Math.abs(choices.mask.margin ?? Math.abs(margins.mask))
    : (choices.mask.margin ?? margins.mask);
  // a land that its mask defines keeps its size as the opening; its copper reaches under the mask
  const copper = byMask ? grown(solved, -maskMargin) : solved;
  const hole = holeOf(base, choices);
  const cover: ViaCover = base.vias ? 'open' : (choices.vias.cover ?? 'open');
  // what is laid out about the land moves with it
  const offset: Point = { x: choices.offsetX ?? 0, y: choices.offsetY ?? 0 };
  const moved = ({ figure, at }: Placed) => place(figure, add(at, offset));
  const laidVias = viasOf(base, copper, choices, process);
  const vias = base.vias ? laidVias : laidVias.map((via) => ({ ...via, ...add(via, offset) }));
  const pasteMargin = choices.paste.margin ?? margins.paste;
  const windows =
    !choices.paste.as && wantsWindows(base, solved, choices)
      ? splitPaste(solved, choices, laidVias, process)
      : null;
  const paste = pasteOf(base, solved, pasteMargin, choices, windows, process);
  const opening = openingOf(solved, byMask ? 0 : maskMargin, choices.mask);
  const mask =
    asGiven(choices.mask) ??
    (windows && choices.windows.mask
      ? windows.windows.map((window) => moved(growPlaced(window, maskMargin)))
      : opening.map((figure) => place(figure, offset)));
  const other = hole ? otherSide(copper, choices) : null;
  const maskOther = other
    ? openingOf(other, choices.maskOther.margin ?? choices.mask.margin ?? margins.mask, choices.maskOther)
    : [];
  const stack: Omit<Padstack, 'name'> = {
    kind: base.kind,
    copper,
    offset,
    other,
    inner: hole && innerLand(copper, hole, choices),
    mask,
    islands: islandsOf(mask, vias, cover),
    maskOther: [
      ...((other && asGiven(choices.maskOther)) ?? maskOther.map((figure) => place(figure, offset))),
      ...(cover === 'open' && !hole && !choices.maskOther.none
        ? vias.map((via) => place({ kind: 'round', diameter: quantise(via.land + 2 * margins.mask) }, via))
        : []),
    ],
    paste: asGiven(choices.paste) ?? paste.map(moved),
    margins: {
      mask: maskMargin,
      paste: hole || base.kind === 'probe' || windows ? process.pasteMargin : pasteMargin,
    },
    definedBy: byMask ? 'mask' : windows && choices.windows.mask ? 'windows' : 'copper',
    hole,
    relief: reliefOf(copper, hole, choices, process),
    clearance: clearanceOf(copper, hole, choices, process),
    vias,
    viasMissing: missingVias(base, copper, choices, process, laidVias.length),
    cover,
    windows,
    sources: habit
      ? sourcesWithHabit(base, own, habit, margins, process)
      : sourcesOf(base, own, margins, process),
  };
  return { ...stack, name: nameOf(stack, process) };
}

/** Openings as their corners were given about the terminal; `null` where they were not, or are closed. */
function asGiven({ as, none }: OpeningChoice): Placed[] | null {
  if (!as || none) return null;
  return as.map((corners) => {
    const { figure, at } = contourFigure(corners);
    return place(figure, at);
  });
}

function openingOf(copper: Figure, margin: number, { width, height, none }: OpeningChoice): Figure[] {
  if (none) return [];
  const opening = grown(copper, margin);
  if (width === null && height === null) return [opening];
  const size = sizeOf(opening);
  return [
    resized(
      opening,
      width ?? (opening.kind === 'round' ? (height ?? size.width) : size.width),
      height ?? (opening.kind === 'round' ? (width ?? size.height) : size.height),
    ),
  ];
}

function holeOf({ hole, slot: given }: StackBase, { hole: chosen }: StackChoices): StackHole | null {
  if (hole === null) return null;
  const diameter = chosen.diameter ?? hole;
  const slot = chosen.slot ?? given ?? 0;
  const figure: Figure =
    slot > diameter ? { kind: 'oblong', width: slot, height: diameter } : { kind: 'round', diameter };
  return { figure, plated: chosen.plated ?? true, plus: chosen.plus ?? 0, minus: chosen.minus ?? 0 };
}

function otherSide(copper: Figure, { other: { width, height } }: StackChoices): Figure {
  if (width === null && height === null) return copper;
  const size = sizeOf(copper);
  if (copper.kind === 'round') {
    const [w, h] = [width ?? height ?? size.width, height ?? width ?? size.height];
    return resized(copper, w, h);
  }
  return resized(copper, width ?? size.width, height ?? size.height);
}

/** Inner lands follow the hole, round or slotted: planes see the barrel, not the joint. */
function innerLand(copper: Figure, { figure: hole }: StackHole, { inner }: StackChoices): Figure {
  const across = inner ?? narrowOf(copper);
  return hole.kind === 'round'
    ? { kind: 'round', diameter: across }
    : grown(hole, (across - narrowOf(hole)) / 2);
}

function reliefOf(
  copper: Figure,
  hole: StackHole | null,
  { relief }: StackChoices,
  process: Process,
): Relief | null {
  const on = relief.on ?? hole?.plated ?? false;
  const spokes = relief.spokes ?? process.reliefSpokes;
  if (!on || spokes <= 0) return null;
  const gap = relief.gap ?? process.reliefGap;
  return { inner: copper, outer: grown(copper, gap), spokes, width: relief.width ?? process.reliefWidth };
}

/** The larger of land and hole with their clearances. */
function clearanceOf(
  copper: Figure,
  hole: StackHole | null,
  { clearance }: StackChoices,
  process: Process,
): Figure | null {
  if (!hole) return clearance === null ? null : grown(copper, clearance);
  if (clearance !== null) return grown(copper, clearance);
  const [land, wall] = [grown(copper, process.planeClearance), grown(hole.figure, process.holeClearance)];
  return narrowOf(wall) > narrowOf(land) ? wall : land;
}

/** The via grid as chosen; where no pitch is given, vias stand on the crossings of the windows' bars. */
export function viaPlan(pad: Figure, { vias, windows }: StackChoices, process: Process): ViaPlan {
  const { width, height } = sizeOf(pad);
  const [across, upright] = windowCounts(pad, {
    columns: windows.columns,
    rows: windows.rows,
    coverage: windows.coverage ?? process.thermalCoverage,
    gap: windows.gap ?? process.windowGap,
  });
  const crossings = (count: number) => (vias.pitch === null ? Math.max(1, count - 1) : null);
  return {
    // a count that is asked for spreads over the pad
    pitchX: vias.pitch ?? quantise(width / (vias.columns ?? across)),
    pitchY: vias.pitchY ?? vias.pitch ?? quantise(height / (vias.rows ?? upright)),
    hole: vias.hole ?? process.viaHole,
    ring: vias.ring ?? process.viaRing,
    columns: vias.columns ?? crossings(across),
    rows: vias.rows ?? crossings(upright),
    omit: vias.omit ?? NONE,
  };
}

function viasOf(base: StackBase, copper: Figure, choices: StackChoices, process: Process): readonly PadVia[] {
  if (base.vias) return base.vias;
  return choices.vias.on && base.hole === null ? viaGrid(copper, viaPlan(copper, choices, process)) : [];
}

/** How many of the vias that are asked for have no room on the land. */
function missingVias(
  base: StackBase,
  copper: Figure,
  choices: StackChoices,
  process: Process,
  laid: number,
): number {
  const { on, columns, rows } = choices.vias;
  if (base.vias || !on || base.hole !== null || (columns ?? rows ?? null) === null) return 0;
  const plan = viaPlan(copper, choices, process);
  if (plan.columns === null || plan.rows === null) return 0;
  return Math.max(0, plan.columns * plan.rows - plan.omit.size - laid);
}

/** The paste of an exposed pad, kept out of vias that are not filled. */
function splitPaste(
  pad: Figure,
  { windows, vias: { cover } }: StackChoices,
  vias: readonly PadVia[],
  process: Process,
): Windows {
  const keepOut =
    cover === 'filled'
      ? []
      : vias.map((via) => place({ kind: 'round', diameter: via.land + 2 * process.viaMargin }, via));
  return pasteWindows(pad, {
    coverage: windows.coverage ?? process.thermalCoverage,
    gap: windows.gap ?? process.windowGap,
    radius: windows.radius ?? process.windowRadius,
    columns: windows.columns,
    rows: windows.rows,
    keepOut,
  });
}

/** Longest side of an aperture in one piece: the squeegee scoops paste out of larger ones (IPC-7525B, 3.2.2). mm */
export const LONGEST_APERTURE = 4;

/** Whether the paste of a land is split: that of every exposed pad, and of surface lands too large for one opening. */
function wantsWindows({ kind, hole }: StackBase, land: Figure, { paste }: StackChoices): boolean {
  if (kind === 'thermal') return true;
  if ((kind !== 'surface' && kind !== 'given') || hole !== null || paste.form !== null) return false;
  const { width, height } = sizeOf(land);
  return Math.max(width, height) > LONGEST_APERTURE + 1e-9;
}

function pasteOf(
  { kind, hole }: StackBase,
  copper: Figure,
  margin: number,
  { paste }: StackChoices,
  windows: Windows | null,
  { windowRadius, windowGap }: Process,
): readonly Placed[] {
  if (paste.none) return [];
  const sized = paste.width !== null || paste.height !== null;
  if (windows && !sized) return windows.windows;
  // probes are not soldered, and paste runs through holes unless it is asked for
  if ((kind === 'probe' || hole !== null) && !sized && paste.margin === null) return [];
  return openingOf(copper, -margin, paste).flatMap((figure) =>
    withoutIslands(formed(figure, paste.form ?? 'as-land', windowRadius), windowGap),
  );
}

/** Mask over tented vias: a spot as large as the via's copper. */
function islandsOf(mask: readonly Placed[], vias: readonly PadVia[], cover: ViaCover): Placed[] {
  if (cover !== 'tented' || mask.length === 0) return [];
  return vias.map((via) => place({ kind: 'round', diameter: via.land }, via));
}

const NONE: ReadonlySet<string> = new Set();
