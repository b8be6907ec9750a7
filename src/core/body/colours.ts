import type { Material, Part } from '../geometry/solid';

/** A colour as `#rrggbb`. */
export type Colour = string;

/** What bodies look like unless the document says otherwise. */
export const USUAL_COLOURS: Readonly<Record<Material, Colour>> = {
  moulding: '#4a5761',
  ceramic: '#d8cdb8',
  metal: '#b9bec2',
};

/** The colour of a part: its own, or that of its material. */
export function paintOf(
  { colour, material }: Pick<Part, 'colour' | 'material'>,
  colours: Readonly<Record<Material, Colour>>,
): Colour {
  return colour?.toLowerCase() ?? colours[material];
}

/** Whether a colour is nearer to that of metal than to that of mouldings. */
export function isLight(colour: Colour): boolean {
  const [red, green, blue] = rgbOf(colour);
  // luminance of Rec. 709
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue > 0.55;
}

/** Red, green and blue from 0 to 1. */
export function rgbOf(colour: Colour): readonly [number, number, number] {
  const channel = (at: number) => parseInt(colour.slice(at, at + 2), 16) / 255;
  return [channel(1), channel(3), channel(5)];
}
