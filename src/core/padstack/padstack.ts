import { grown, place, sizeOf, type Figure, type Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Process } from '../process/process';
import { pasteWindows } from './paste-windows';
import { formatNumber } from '../units/length';

/** Openings of a land as margins, mm. */
export interface PadMargins {
  /** Growth of the mask opening over the copper; negative defines the land by mask. */
  readonly mask: number;
  /** Shrinkage of the paste opening inside the copper. */
  readonly paste: number;
}

/** A small plated hole in a land, about the land's centre; mm. */
export interface PadVia extends Point {
  readonly hole: number;
  readonly land: number;
}

/** Copper, openings and hole of one kind of land; a land with a hole has copper on both sides. */
export interface Padstack {
  readonly name: string;
  readonly copper: Figure;
  readonly mask: Figure;
  /** Paste openings about the land's centre; none where paste would run through a hole. */
  readonly paste: readonly Placed[];
  readonly margins: PadMargins;
  /** Finished plated hole, mm; `null` for a surface land. */
  readonly hole: number | null;
  readonly vias: readonly PadVia[];
}

const CENTRE: Point = { x: 0, y: 0 };

type Defaults = Pick<Process, 'maskMargin' | 'pasteMargin'>;

/** A padstack of a surface land. */
export function surfacePadstack(copper: Figure, margins: PadMargins, defaults: Defaults): Padstack {
  return {
    name: padstackName(copper, null, margins, defaults),
    copper,
    mask: grown(copper, margins.mask),
    paste: [place(grown(copper, -margins.paste), CENTRE)],
    margins,
    hole: null,
    vias: [],
  };
}

/** A padstack of an exposed pad: its paste is split into windows that cover a share of it. */
export function thermalPadstack(
  copper: Figure,
  margins: PadMargins,
  defaults: Defaults,
  coverage: number,
): Padstack {
  const paste = pasteWindows(copper, coverage);
  const own = { mask: margins.mask, paste: defaults.pasteMargin };
  const share = Math.round(coverage * 100);
  return {
    name: `${padstackName(copper, null, own, defaults)}p${paste.length}w${share}`,
    copper,
    mask: grown(copper, margins.mask),
    paste,
    margins: own,
    hole: null,
    vias: [],
  };
}

/** A padstack that is touched by probes and not soldered: no paste. */
export function probePadstack(copper: Figure, margins: PadMargins, defaults: Defaults): Padstack {
  return { ...surfacePadstack(copper, { ...margins, paste: defaults.pasteMargin }, defaults), paste: [] };
}

/** A padstack of a land round a plated hole. */
export function holePadstack(
  copper: Figure,
  hole: number,
  margins: PadMargins,
  defaults: Defaults,
  vias: readonly PadVia[] = [],
): Padstack {
  const paste = 0;
  const own = { mask: margins.mask, paste };
  const name = padstackName(copper, hole, own, { ...defaults, pasteMargin: paste });
  const [via] = vias;
  return {
    name: via ? `${name}v${vias.length}h${sizeDigits(via.hole)}` : name,
    copper,
    mask: grown(copper, margins.mask),
    paste: [],
    margins: own,
    hole,
    vias,
  };
}

/**
 * Hundredths of a millimetre without decimal point; finer sizes follow after `q`
 * (`42q5` is 0.425 mm), so that two different sizes never share a name.
 */
export function sizeDigits(mm: number): string {
  return formatNumber(mm * 100, 0, 4)
    .replace('-', 'neg')
    .replace('.', 'q');
}

/**
 * The computed name: shape letter and size, `h` and the hole, corner radius (`r`) or chamfer (`f`),
 * then mask (`m`) and paste (`p`) margins where they differ from the process's.
 * @example r155_40, r155_40m2q5, c150h90, b120_180h90
 */
export function padstackName(
  copper: Figure,
  hole: number | null,
  margins: PadMargins,
  defaults: Defaults,
): string {
  const drill = hole === null ? '' : `h${sizeDigits(hole)}`;
  const mask = margins.mask === defaults.maskMargin ? '' : `m${sizeDigits(margins.mask)}`;
  const paste = margins.paste === defaults.pasteMargin ? '' : `p${sizeDigits(margins.paste)}`;
  return `${shapeName(copper)}${drill}${cornerName(copper)}${mask}${paste}`;
}

function shapeName(figure: Figure): string {
  const { width, height } = sizeOf(figure);
  const pair = `${sizeDigits(width)}_${sizeDigits(height)}`;
  switch (figure.kind) {
    case 'round':
      return `c${sizeDigits(width)}`;
    case 'oblong':
      return `b${pair}`;
    case 'd-shape':
      return `d${pair}`;
    case 'rectangle':
      return width === height ? `s${sizeDigits(width)}` : `r${pair}`;
  }
}

const CORNER_INITIALS = { 'lower-left': 'll', 'lower-right': 'lr', 'upper-right': 'ur', 'upper-left': 'ul' };

function cornerName(figure: Figure): string {
  if (figure.kind !== 'rectangle') return '';
  const { radius, chamfer } = figure;
  if (chamfer) {
    const corners = chamfer.corners.map((corner) => CORNER_INITIALS[corner]).join('');
    return `f${sizeDigits(chamfer.size)}${corners}`;
  }
  return radius ? `r${sizeDigits(radius)}` : '';
}
