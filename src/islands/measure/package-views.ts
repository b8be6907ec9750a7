import type { Drawing } from '../../core/drawing/drawing';
import { drawSolids } from '../../core/drawing/elevation';
import type { Drawable } from '../bench/derive';

/** The package alone, from above and from the front. */
export interface PackageViews {
  readonly plan: Drawing;
  readonly front: Drawing;
}

/** Draws a package without its board. */
export function packageViews({ footprint }: Drawable): PackageViews {
  return { plan: drawSolids(footprint, 'plan'), front: drawSolids(footprint, 'front') };
}

export const widthOf = ({ extent }: Drawing) => extent.maxX - extent.minX;
export const heightOf = ({ extent }: Drawing) => extent.maxY - extent.minY;
