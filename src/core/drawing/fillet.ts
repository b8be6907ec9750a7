import type { Footprint, Land } from '../footprint/footprint';
import type { Box } from '../geometry/box';
import type { Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Process } from '../process/process';
import { crosses, type CuttingPlane, type ElevationView } from './section';
import type { Stroke } from './drawing';

/** How high solder climbs at a fillet, as a share of what it has to climb on. */
const CLIMB = 0.6;

/**
 * Solder fillets at the toe and heel of every land that the plane cuts, from the terminal to
 * the ends of the land: filled at nominal material, outlined at least and most.
 */
export function filletsOf(
  footprint: Footprint,
  process: Process,
  view: ElevationView,
  plane: CuttingPlane,
): Stroke[] {
  const { landTop, seating } = footprint.body.heights;
  const met = footprint.lands.filter(({ copper }) => crosses(copper, plane));
  return met.flatMap((land): Stroke[] => {
    if (land.hole)
      return land.plated && land.terminal ? barrelSolder(land, land.hole, process, view, plane) : [];
    // terminals under the package have no visible fillet
    if (land.end === null) return [];
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

/** Solder between lead and wall, and its fillets on both lands: as high as the land is wide beside it. */
function barrelSolder(
  { at, copper, contact }: Land,
  hole: Placed,
  { boardThickness, copperThickness }: Process,
  view: ElevationView,
  plane: CuttingPlane,
): Stroke[] {
  if (Math.abs(at[plane.axis] - plane.value) > 1e-6) return [];
  const [top, bottom] = [copperThickness, -boardThickness - copperThickness];
  const axis = view === 'front' ? 'x' : 'y';
  const middle = at[axis];
  const reach = (box: Box) => (axis === 'x' ? box.maxX - box.minX : box.maxY - box.minY) / 2;
  const [pin, land, wall] = [reach(contact.nom), reach(copper), reach(hole)];
  const rise = Math.max(0, Math.min(land - pin, 1) * 0.8);
  const rings = [-1, 1].flatMap((sign): Point[][] => {
    const x = (r: number) => middle + sign * r;
    const fillet = (from: number, away: -1 | 1): Point[] => [
      { x: x(pin), y: from },
      ...[0, 0.2, 0.4, 0.6, 0.8, 1].map((t) => ({
        x: x(pin + (land - pin) * t),
        y: from + away * rise * (1 - t) ** 2,
      })),
    ];
    const fill = [
      { x: x(pin), y: bottom },
      { x: x(wall), y: bottom },
      { x: x(wall), y: top },
      { x: x(pin), y: top },
    ];
    // the component side wets less
    const upper = fillet(top, 1).map(({ x: px, y }) => ({ x: px, y: top + (y - top) * 0.4 }));
    return [fill, fillet(bottom, -1), upper];
  });
  return rings.map((ring) => ({ layer: 'fillet', rings: [ring], closed: true }));
}

/** Height of the fillet on the terminal: a lead's thickness or a share of an end cap. */
function climb({ package: { leadThickness }, body }: Footprint, land: Land): number {
  if (leadThickness !== null) return leadThickness;
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
