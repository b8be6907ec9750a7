import type { Contour } from '../geometry/contour';
import {
  freeContour,
  grown,
  place,
  rectangle,
  sizeOf,
  type Corner,
  type Figure,
  type Placed,
} from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Process } from '../process/process';
import { quantise } from '../units/length';
import { nameOf } from './naming';
import { formed, type PasteForm } from './paste-forms';
import { viaGrid, type PadVia, type ViaCover, type ViaPlan } from './vias';
import { pasteWindows, windowCounts, type Windows } from './windows';

export type { PadVia };

/** Openings of a land as margins, mm. */
export interface PadMargins {
  /** Growth of the mask opening over the copper; negative defines the land by mask. */
  readonly mask: number;
  /** Shrinkage of the paste opening inside the copper. */
  readonly paste: number;
}

/** Where a size of a padstack comes from. */
export type Source = 'land formulas' | 'package' | 'process' | 'by rule' | 'set by hand';

/** The parts of a padstack that have a size of their own. */
export type StackPart =
  'copper' | 'other' | 'inner' | 'mask' | 'maskOther' | 'paste' | 'hole' | 'relief' | 'clearance' | 'vias';

/** A hole through the board; slots are oblong. */
export interface StackHole {
  readonly figure: Figure;
  readonly plated: boolean;
  /** Tolerance of the finished size, mm. */
  readonly plus: number;
  readonly minus: number;
}

/** Bridges between a land and the plane that it belongs to. mm */
export interface Relief {
  readonly inner: Figure;
  readonly outer: Figure;
  readonly spokes: number;
  readonly width: number;
}

/** Copper, openings and hole of one kind of land; figures lie about the terminal's or hole's centre. */
export interface Padstack {
  readonly name: string;
  readonly kind: StackKind;
  /** Land on the component side, moved by `offset`. */
  readonly copper: Figure;
  readonly offset: Point;
  /** Land on the far side and on inner layers; `null` without a hole. */
  readonly other: Figure | null;
  readonly inner: Figure | null;
  /** Mask openings of the component side, and spots of mask left inside them. */
  readonly mask: readonly Placed[];
  readonly islands: readonly Placed[];
  readonly maskOther: readonly Placed[];
  readonly paste: readonly Placed[];
  readonly margins: PadMargins;
  readonly hole: StackHole | null;
  readonly relief: Relief | null;
  /** Clearance of planes of other nets; `null` where planes may run under the land. */
  readonly clearance: Figure | null;
  readonly vias: readonly PadVia[];
  readonly cover: ViaCover;
  /** How the paste was split; `null` where it was not. */
  readonly windows: Omit<Windows, 'windows'> | null;
  readonly sources: Readonly<Partial<Record<StackPart, Source>>>;
}

export type StackKind = 'surface' | 'thermal' | 'probe' | 'pin';

/** What a land is by its package and the land formulas, before anything is chosen about its padstack. */
export interface StackBase {
  readonly kind: StackKind;
  readonly copper: Figure;
  readonly copperSource: Source;
  /** Finished hole, mm; `null` for a surface land. */
  readonly hole: number | null;
  /** Vias that the part's drawing states. */
  readonly vias?: readonly PadVia[];
}

/** An opening as it was chosen: a margin, or a size, or closed. mm; `null` where nothing was chosen. */
export interface OpeningChoice {
  readonly margin: number | null;
  readonly width: number | null;
  readonly height: number | null;
  readonly none: boolean;
}

export type LandShape = 'rectangle' | 'rounded' | 'chamfered' | 'oblong' | 'round' | 'd-shape' | 'contour';

/** What was chosen about a padstack. Lengths in mm; `null` leaves the computed value. */
export interface StackChoices {
  readonly shape: LandShape | null;
  readonly width: number | null;
  readonly height: number | null;
  readonly radius: number | null;
  readonly chamfer: number | null;
  readonly corners: readonly Corner[] | null;
  readonly contour: Contour | null;
  readonly offset: Point;
  readonly definedBy: 'copper' | 'mask';
  readonly mask: OpeningChoice;
  readonly maskOther: OpeningChoice;
  readonly paste: OpeningChoice;
  readonly pasteForm: PasteForm;
  readonly hole: {
    readonly diameter: number | null;
    readonly slot: number | null;
    readonly plus: number | null;
    readonly minus: number | null;
    readonly plated: boolean;
  };
  readonly other: { readonly width: number | null; readonly height: number | null };
  readonly inner: number | null;
  readonly relief: {
    readonly on: boolean | null;
    readonly spokes: number | null;
    readonly width: number | null;
    readonly gap: number | null;
  };
  readonly clearance: number | null;
  readonly windows: {
    readonly columns: number | null;
    readonly rows: number | null;
    readonly coverage: number | null;
    readonly gap: number | null;
    readonly radius: number | null;
    readonly mask: boolean;
  };
  readonly vias: {
    readonly on: boolean;
    readonly pitch: number | null;
    readonly pitchY: number | null;
    readonly hole: number | null;
    readonly ring: number | null;
    readonly columns: number | null;
    readonly rows: number | null;
    readonly omit: ReadonlySet<string>;
    readonly cover: ViaCover;
  };
}

const NO_OPENING: OpeningChoice = { margin: null, width: null, height: null, none: false };

/** Nothing chosen: everything as computed. */
export const NO_STACK_CHOICES: StackChoices = {
  shape: null,
  width: null,
  height: null,
  radius: null,
  chamfer: null,
  corners: null,
  contour: null,
  offset: { x: 0, y: 0 },
  definedBy: 'copper',
  mask: NO_OPENING,
  maskOther: NO_OPENING,
  paste: NO_OPENING,
  pasteForm: 'as-land',
  hole: { diameter: null, slot: null, plus: null, minus: null, plated: true },
  other: { width: null, height: null },
  inner: null,
  relief: { on: null, spokes: null, width: null, gap: null },
  clearance: null,
  windows: { columns: null, rows: null, coverage: null, gap: null, radius: null, mask: false },
  vias: {
    on: false,
    pitch: null,
    pitchY: null,
    hole: null,
    ring: null,
    columns: null,
    rows: null,
    omit: new Set(),
    cover: 'open',
  },
};

/** Corner radius and chamfer of a land, as a share of its smaller side, where none is given. */
const CORNER_SHARE = 0.25;
/** A land points outwards along +x: its inner end is at the left. */
const INNER_CORNERS: readonly Corner[] = ['lower-left', 'upper-left'];

/**
 * Builds the padstack of a land from what it is and what was chosen about it.
 * @param margins mask and paste margins of the whole footprint, mm
 */
export function buildPadstack(
  base: StackBase,
  choices: StackChoices,
  margins: PadMargins,
  process: Process,
): Padstack {
  const solved = copperFigure(base.copper, choices);
  const byMask = choices.definedBy === 'mask';
  const maskMargin = byMask
    ? -Math.abs(choices.mask.margin ?? Math.abs(margins.mask))
    : (choices.mask.margin ?? margins.mask);
  // a land that its mask defines keeps its size as the opening; its copper reaches under the mask
  const copper = byMask ? grown(solved, -maskMargin) : solved;
  const hole = holeOf(base, choices);
  const vias = viasOf(base, copper, choices, process);
  const cover = base.vias ? 'open' : choices.vias.cover;
  const { offset } = choices;
  const pasteMargin = choices.paste.margin ?? margins.paste;
  const windows = base.kind === 'thermal' ? splitPaste(solved, choices, vias, process) : null;
  const paste = pasteOf(base, solved, pasteMargin, choices, windows, process);
  const opening = openingOf(solved, byMask ? 0 : maskMargin, choices.mask);
  const mask =
    windows && choices.windows.mask
      ? windows.windows.map(({ figure, at }) => place(grown(figure, maskMargin), at))
      : opening.map((figure) => place(figure, offset));
  const other = hole ? otherSide(copper, choices) : null;
  const maskOther = other
    ? openingOf(
        other,
        margins.mask,
        choices.maskOther.margin === null
          ? { ...choices.maskOther, margin: choices.mask.margin }
          : choices.maskOther,
      )
    : [];
  const stack = {
    kind: base.kind,
    copper,
    offset,
    other,
    inner: hole ? innerLand(copper, choices) : null,
    mask,
    islands: islandsOf(mask, vias, cover),
    maskOther: [
      ...maskOther.map((figure) => place(figure, offset)),
      ...(cover === 'open' && !hole
        ? vias.map((via) => place({ kind: 'round', diameter: quantise(via.land + 2 * margins.mask) }, via))
        : []),
    ],
    paste: windows ? paste : paste.map((placed) => place(placed.figure, offset)),
    margins: {
      mask: maskMargin,
      paste: hole || base.kind === 'probe' || windows ? process.pasteMargin : pasteMargin,
    },
    hole,
    relief: reliefOf(copper, hole, choices, process),
    clearance: clearanceOf(copper, hole, choices, process),
    vias,
    cover,
    windows,
    sources: sourcesOf(base, choices, margins, process),
  };
  return { ...stack, name: nameOf(stack, process) };
}

function copperFigure(base: Figure, choices: StackChoices): Figure {
  const { shape, radius, chamfer, corners, contour } = choices;
  if ((shape === 'contour' || shape === null) && contour && contour.length > 2) return freeContour(contour);
  const before = sizeOf(base);
  const width = choices.width ?? before.width;
  const height = choices.height ?? (base.kind === 'round' && choices.width ? choices.width : before.height);
  const least = Math.min(width, height);
  const kind = shape ?? shapeOf(base);
  switch (kind) {
    case 'contour':
      return resized(base, width, height);
    case 'rectangle':
      return rectangle(width, height);
    case 'rounded': {
      const own = base.kind === 'rectangle' ? base.radius : undefined;
      const r = radius ?? own ?? quantise(least * CORNER_SHARE);
      return { kind: 'rectangle', width, height, radius: Math.min(r, least / 2) };
    }
    case 'chamfered': {
      const own = base.kind === 'rectangle' ? base.chamfer : undefined;
      const size = Math.min(chamfer ?? own?.size ?? quantise(least * CORNER_SHARE), least);
      return {
        kind: 'rectangle',
        width,
        height,
        chamfer: { size, corners: corners ?? own?.corners ?? INNER_CORNERS },
      };
    }
    case 'round':
      return { kind: 'round', diameter: choices.width ?? choices.height ?? Math.max(width, height) };
    case 'oblong':
    case 'd-shape':
      return { kind, width, height };
  }
}

/** The shape that a figure has. */
export function shapeOf(figure: Figure): LandShape {
  if (figure.kind !== 'rectangle') return figure.kind;
  return figure.chamfer ? 'chamfered' : figure.radius ? 'rounded' : 'rectangle';
}

function resized(figure: Figure, width: number, height: number): Figure {
  switch (figure.kind) {
    case 'round':
      return width === height ? { kind: 'round', diameter: width } : { kind: 'oblong', width, height };
    case 'contour': {
      const [kx, ky] = [width / figure.width, height / figure.height];
      const outline = figure.outline.map((p) => ({ ...p, x: quantise(p.x * kx), y: quantise(p.y * ky) }));
      return { kind: 'contour', width, height, outline };
    }
    default:
      return { ...figure, width, height };
  }
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

function holeOf({ hole }: StackBase, { hole: chosen }: StackChoices): StackHole | null {
  if (hole === null) return null;
  const diameter = chosen.diameter ?? hole;
  const figure: Figure =
    chosen.slot !== null && chosen.slot > diameter
      ? { kind: 'oblong', width: chosen.slot, height: diameter }
      : { kind: 'round', diameter };
  return { figure, plated: chosen.plated, plus: chosen.plus ?? 0, minus: chosen.minus ?? 0 };
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

/** Inner lands are round where the outer ones are not slots: planes see the barrel, not the joint. */
function innerLand(copper: Figure, { inner }: StackChoices): Figure {
  const { width, height } = sizeOf(copper);
  return { kind: 'round', diameter: inner ?? Math.min(width, height) };
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
  const least = (figure: Figure) => Math.min(sizeOf(figure).width, sizeOf(figure).height);
  return least(wall) > least(land) ? wall : land;
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
    pitchX: vias.pitch ?? quantise(width / across),
    pitchY: vias.pitchY ?? vias.pitch ?? quantise(height / upright),
    hole: vias.hole ?? process.viaHole,
    ring: vias.ring ?? process.viaRing,
    columns: vias.columns ?? crossings(across),
    rows: vias.rows ?? crossings(upright),
    omit: vias.omit,
  };
}

function viasOf(base: StackBase, copper: Figure, choices: StackChoices, process: Process): readonly PadVia[] {
  if (base.vias) return base.vias;
  return choices.vias.on && base.hole === null ? viaGrid(copper, viaPlan(copper, choices, process)) : [];
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

function pasteOf(
  { kind, hole }: StackBase,
  copper: Figure,
  margin: number,
  { paste, pasteForm }: StackChoices,
  windows: Windows | null,
  { windowRadius }: Process,
): readonly Placed[] {
  if (paste.none) return [];
  const sized = paste.width !== null || paste.height !== null;
  if (windows && !sized) return windows.windows;
  // probes are not soldered, and paste runs through holes unless it is asked for
  if ((kind === 'probe' || hole !== null) && !sized && paste.margin === null) return [];
  return openingOf(copper, -margin, paste).map((figure) =>
    place(formed(figure, pasteForm, windowRadius), CENTRE),
  );
}

/** Mask over tented vias: a spot as large as the via's copper. */
function islandsOf(mask: readonly Placed[], vias: readonly PadVia[], cover: ViaCover): Placed[] {
  if (cover !== 'tented' || mask.length === 0) return [];
  return vias.map((via) => place({ kind: 'round', diameter: via.land }, via));
}

const CENTRE: Point = { x: 0, y: 0 };

function sourcesOf(
  base: StackBase,
  choices: StackChoices,
  margins: PadMargins,
  process: Process,
): Padstack['sources'] {
  const hand: Source = 'set by hand';
  const chosen = (...values: unknown[]) => values.some((value) => value !== null && value !== false);
  const opening = ({ margin, width, height, none }: OpeningChoice, whole: boolean): Source =>
    chosen(margin, width, height, none) || whole ? hand : 'process';
  const { hole, other, relief, windows, vias } = choices;
  const copper = chosen(
    choices.shape,
    choices.width,
    choices.height,
    choices.radius,
    choices.chamfer,
    choices.contour,
  )
    ? hand
    : base.copperSource;
  const mask =
    choices.definedBy === 'mask' ? hand : opening(choices.mask, margins.mask !== process.maskMargin);
  const split = chosen(windows.columns, windows.rows, windows.coverage, windows.gap, windows.radius);
  return {
    copper,
    mask,
    paste:
      base.kind === 'thermal'
        ? split || choices.paste.none
          ? hand
          : 'process'
        : choices.pasteForm === 'as-land'
          ? opening(choices.paste, margins.paste !== process.pasteMargin)
          : hand,
    ...(base.hole === null
      ? {}
      : {
          hole:
            chosen(hole.diameter, hole.slot, hole.plus, hole.minus) || !hole.plated
              ? hand
              : base.copperSource,
          other: chosen(other.width, other.height) ? hand : copper,
          inner: choices.inner === null ? 'by rule' : hand,
          maskOther: opening(choices.maskOther, mask === hand),
        }),
    relief: chosen(relief.on, relief.spokes, relief.width, relief.gap) ? hand : 'process',
    clearance: choices.clearance === null ? 'process' : hand,
    vias: base.vias
      ? 'package'
      : chosen(vias.pitch, vias.hole, vias.ring, vias.columns, vias.rows)
        ? hand
        : 'process',
  };
}
