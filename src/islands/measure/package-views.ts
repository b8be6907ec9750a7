import type { Drawing } from '../../core/drawing/drawing';
import { drawSolids } from '../../core/drawing/elevation';
import { packageLines } from '../../core/drawing/package-lines';
import type { Footprint } from '../../core/footprint/footprint';
import { boxAt, overhang } from '../../core/geometry/box';
import type { Drawable } from '../bench/derive';

/** The package alone, from above and from the front. */
export interface PackageViews {
  readonly plan: Drawing;
  readonly front: Drawing;
  /** Where the datasheet measures something that only shows from the side. */
  readonly side: Drawing | null;
}

/** The view that tells a package best: from below where the terminals hide under the body, else from above. */
export function tellingView({ footprint }: Drawable): Drawing {
  return drawSolids(footprint, hidesTerminals(footprint) ? 'underside' : 'plan');
}

/** Draws a package without its board. */
export function packageViews({ footprint, resolved }: Drawable): PackageViews {
  const lines = resolved ? packageLines(footprint, resolved) : [];
  return {
    plan: drawSolids(footprint, 'plan'),
    front: drawSolids(footprint, 'front'),
    side: lines.some(({ view }) => view === 'side') ? drawSolids(footprint, 'side') : null,
  };
}

/** Whether the body covers every terminal of a surface-mount part. */
function hidesTerminals({ lands, body: { extent }, groups }: Footprint): boolean {
  if (extent.mount === 'through') return false;
  const grid = groups.some(({ kind, places }) => kind === 'spot' && places.length > 1);
  const flat = groups.some(
    (group) => group.kind === 'span' && ['no-lead', 'pulled-back', 'castellated'].includes(group.form),
  );
  const body = boxAt(extent.centre ?? { x: 0, y: 0 }, extent.x.nom, extent.y.nom);
  return (grid || flat) && lands.every(({ contact }) => overhang(contact.nom, body) < 1e-6);
}

export const widthOf = ({ extent }: Drawing) => extent.maxX - extent.minX;
export const heightOf = ({ extent }: Drawing) => extent.maxY - extent.minY;
