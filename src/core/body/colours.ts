import type { Material } from '../geometry/solid';

/** A colour as `#rrggbb`. */
export type Colour = string;

/** What bodies look like unless the document says otherwise. */
export const USUAL_COLOURS: Readonly<Record<Material, Colour>> = {
  moulding: '#4a5761',
  ceramic: '#d8cdb8',
  metal: '#b9bec2',
};

/** Red, green and blue from 0 to 1. */
export function rgbOf(colour: Colour): readonly [number, number, number] {
  const channel = (at: number) => parseInt(colour.slice(at, at + 2), 16) / 255;
  return [channel(1), channel(3), channel(5)];
}
