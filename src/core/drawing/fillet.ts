import type { Footprint, Land } from '../footprint/footprint';
import type { Point } from '../geometry/point';
import { crosses, type CuttingPlane, type ElevationView } from './section';
import type { Stroke } from './drawing';

/** How high solder climbs at a fillet, as a share of what it has to climb on. */
const CLIMB = 0.6;

/**
 * Solder fillets at the toe and heel of every land that the plane cuts, from the terminal to
 * the ends of the land: filled at nominal material, outlined at least and most.
 */
export function filletsOf(footprint: Footprint, view: ElevationView, plane: CuttingPlane): Stroke[] {
  const { landTop, seating } = footprint.body.heights;
  const met = footprint.lands.filter(({ copper }) => crosses(copper, plane));
  return met.flatMap((land): Stroke[] => {
    // a fillet is seen where the view runs along the terminal
    const alongX = land.rotation % 180 === 0;
    if (alongX !== (view === 'front')) return [];
    const rise = climb(footprint, land) + (seating - landTop);
    const at = (limit: 'min' | 'nom' | 'max') => fillets(land, limit, view, landTop, rise);
    return [
      { layer: 'fillet', rings: at('nom'), closed: true },
      { layer: 'fillet-limit', rings: [...at('min'), ...at('max')], closed: true },
    ];
  });
}

/** Height of the fillet on the terminal: a lead's thickness or a share of an end cap. */
function climb({ values, body }: Footprint, land: Land): number {
  const lead = Object.hasOwn(values, 'c') ? values['c'] : undefined;
  if (lead) return lead.nom;
  const width = land.contact.nom.maxY - land.contact.nom.minY;
  return Math.min(body.extent.height.nom * CLIMB, width);
}

/** Triangles, hollowed like real solder, from terminal end to land end on both sides. */
function fillets(
  { copper, contact }: Land,
  limit: 'min' | 'nom' | 'max',
  view: ElevationView,
  base: number,
  rise: number,
): Point[][] {
  const [landFrom, landTo] = view === 'front' ? [copper.minX, copper.maxX] : [copper.minY, copper.maxY];
  const box = contact[limit];
  const [from, to] = view === 'front' ? [box.minX, box.maxX] : [box.minY, box.maxY];
  return [
    [from, landFrom],
    [to, landTo],
  ].flatMap(([root, end]) => fillet(root as number, end as number, base, rise, root === from));
}

function fillet(root: number, end: number, base: number, rise: number, low: boolean): Point[][] {
  // the terminal hangs over the end of the land: nothing to wet beyond it
  if (low ? end >= root : end <= root) return [];
  const hollow = (t: number): Point => ({ x: root + (end - root) * t, y: base + rise * (1 - t) ** 2 });
  return [[{ x: root, y: base }, hollow(0), hollow(0.2), hollow(0.4), hollow(0.6), hollow(0.8), hollow(1)]];
}
