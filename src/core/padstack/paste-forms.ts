import { areaOf, contourFigure, perimeterOf, sizeOf, type Figure, type Rectangle } from '../geometry/figure';
import { quantise } from '../units/length';

/** Shapes of a paste aperture inside its land (IPC-7525B, clause 3.2.2). */
export type PasteForm = 'as-land' | 'rounded' | 'oblong' | 'home-plate' | 'inverted-home-plate';

export const PASTE_FORMS: readonly { readonly id: PasteForm; readonly title: string }[] = [
  { id: 'as-land', title: 'as the land' },
  { id: 'rounded', title: 'rounded corners' },
  { id: 'oblong', title: 'oblong' },
  { id: 'home-plate', title: 'home plate, point inwards' },
  { id: 'inverted-home-plate', title: 'inverted home plate, notch inwards' },
];

/** Depth of a home plate's point or notch, as a share of the aperture's length. */
const PLATE_DEPTH = 1 / 3;

/**
 * An aperture of a form in the place of a plain one. The inner end of a land is at its left:
 * there a home plate keeps paste from being squeezed under the body.
 * @param radius of rounded corners, mm
 */
export function formed(aperture: Figure, form: PasteForm, radius: number): Figure {
  const { width, height } = sizeOf(aperture);
  if (form === 'as-land' || width <= 0 || height <= 0) return aperture;
  const [x, y] = [width / 2, height / 2];
  const depth = width * PLATE_DEPTH;
  switch (form) {
    case 'rounded': {
      const rounded: Rectangle = {
        kind: 'rectangle',
        width,
        height,
        radius: quantise(Math.min(radius, x, y)),
      };
      return rounded;
    }
    case 'oblong':
      return { kind: 'oblong', width, height };
    case 'home-plate':
      return contourFigure([
        { x: -x + depth, y: -y },
        { x, y: -y },
        { x, y },
        { x: -x + depth, y },
        { x: -x, y: 0 },
      ]).figure;
    case 'inverted-home-plate':
      return contourFigure([
        { x: -x, y: -y },
        { x, y: -y },
        { x, y },
        { x: -x, y },
        { x: -x + depth, y: 0 },
      ]).figure;
  }
}

/** IPC-7525B, clause 3.2.1.1: aperture area over wall area. */
export const LEAST_AREA_RATIO = 0.66;
/** The same: aperture width over stencil thickness. */
export const LEAST_ASPECT_RATIO = 1.5;

/** What an aperture leaves on its land. */
export interface PasteFigures {
  /** Aperture area over the area of its walls (IPC-7525B: at least 0.66); 0 where it is closed. */
  readonly areaRatio: number;
  /** Aperture width over foil thickness (IPC-7525B: at least 1.5). */
  readonly aspectRatio: number;
  /** Wet paste, mm³. */
  readonly volume: number;
}

/**
 * Area ratio, aspect ratio and volume of one aperture.
 * @param foil stencil thickness, mm
 * @param transfer share of the aperture's volume that ends up on the land
 */
export function pasteFigures(aperture: Figure, foil: number, transfer: number): PasteFigures {
  const area = areaOf(aperture);
  const { width, height } = sizeOf(aperture);
  if (area <= 0 || foil <= 0) return { areaRatio: 0, aspectRatio: 0, volume: 0 };
  return {
    areaRatio: area / (perimeterOf(aperture) * foil),
    aspectRatio: Math.min(width, height) / foil,
    volume: area * foil * transfer,
  };
}
