import type { Footprint } from '../footprint/footprint';
import { overhang } from '../geometry/box';
import { bodyAt } from '../package/drawn';
import type { Drawing } from './drawing';
import { drawSolids } from './elevation';

/** The package alone, from above and from the front. */
export interface PackageViews {
  readonly plan: Drawing;
  readonly front: Drawing;
  /** Where the datasheet measures something that only shows from the side. */
  readonly side: Drawing | null;
}

/** The view that tells a package best: from below where the terminals hide under the body, else from above. */
export function tellingView(footprint: Footprint): Drawing {
  return drawSolids(footprint, hidesTerminals(footprint) ? 'underside' : 'plan');
}

/** Draws a package without its board. */
export function packageViews(footprint: Footprint): PackageViews {
  const { lines } = footprint.package;
  return {
    plan: drawSolids(footprint, 'plan'),
    front: drawSolids(footprint, 'front'),
    side: lines.some(({ view }) => view === 'side') ? drawSolids(footprint, 'side') : null,
  };
}

const FLAT_FORMS: readonly string[] = ['no-lead', 'pulled-back', 'castellated'];

/** Whether the body covers every terminal of a surface-mount part. */
function hidesTerminals({ lands, body: { extent }, groups }: Footprint): boolean {
  if (extent.mount === 'through') return false;
  const hiding = groups.some(({ kind, terminals }) =>
    kind === 'spot' ? terminals.places.length > 1 : kind === 'span' && FLAT_FORMS.includes(terminals.form),
  );
  const body = bodyAt(extent, 'nom');
  return hiding && lands.every(({ contact }) => overhang(contact.nom, body) < 1e-6);
}
