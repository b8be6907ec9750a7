import { formatNumber, quantise } from '../units/length';
import type { Process } from '../process/process';

/** A rectangle about the padstack's origin, mm; x along the terminal, y across it. */
export interface PadShape {
  readonly kind: 'rectangle';
  readonly width: number;
  readonly height: number;
}

/** Openings of a land as margins, mm. */
export interface PadMargins {
  /** Growth of the mask opening over the copper; negative defines the land by mask. */
  readonly mask: number;
  /** Shrinkage of the paste opening inside the copper. */
  readonly paste: number;
}

/** Copper and openings of one kind of land, on the component side. */
export interface Padstack {
  readonly name: string;
  readonly copper: PadShape;
  readonly mask: PadShape;
  readonly paste: PadShape;
  readonly margins: PadMargins;
}

/** A rectangle grown on every side; never smaller than nothing. */
export function grown({ width, height }: PadShape, by: number): PadShape {
  const side = (length: number) => Math.max(0, quantise(length + 2 * by));
  return { kind: 'rectangle', width: side(width), height: side(height) };
}

/**
 * A padstack of a rectangular surface-mount land.
 * @param defaults margins of the process; they stay out of the name
 */
export function surfacePadstack(
  copper: PadShape,
  margins: PadMargins,
  defaults: Pick<Process, 'maskMargin' | 'pasteMargin'>,
): Padstack {
  return {
    name: padstackName(copper, margins, defaults),
    copper,
    mask: grown(copper, margins.mask),
    paste: grown(copper, -margins.paste),
    margins,
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
 * The computed name: `r` width `_` height, then mask (`m`) and paste (`p`) margins where they
 * differ from the process's.
 * @example r155_40, r155_40m2q5
 */
export function padstackName(
  copper: PadShape,
  margins: PadMargins,
  defaults: Pick<Process, 'maskMargin' | 'pasteMargin'>,
): string {
  const mask = margins.mask === defaults.maskMargin ? '' : `m${sizeDigits(margins.mask)}`;
  const paste = margins.paste === defaults.pasteMargin ? '' : `p${sizeDigits(margins.paste)}`;
  return `r${sizeDigits(copper.width)}_${sizeDigits(copper.height)}${mask}${paste}`;
}
