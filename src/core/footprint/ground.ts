import { sectionsAt } from '../body/contacts';
import { BELOW, lookUnder, restOf, reachOf, type Ground, type Subject, type Target } from '../body/seat';
import { boxOfPositions, meshesOf, welded, type Box3, type Mesh } from '../geometry/mesh';
import type { Footprint } from './footprint';

/** Vertices nearer than this are one, as a share of the model's size. */
const WELD = 1e-6;

/** Joins a model's meshes so that it can be seated; `null` where it has no triangles. */
export function subjectOf(meshes: readonly Mesh[]): Subject | null {
  const boxes = meshes.flatMap(({ positions }) => boxOfPositions(positions) ?? []);
  const size = Math.max(
    0,
    ...boxes.flatMap(({ min, max }) => (['x', 'y', 'z'] as const).map((axis) => max[axis] - min[axis])),
  );
  if (!(size > 0)) return null;
  const mesh = welded(meshes, size * WELD);
  const box = boxOfPositions(mesh.positions);
  return box && mesh.indices.length > 0 ? { mesh, box } : null;
}

/**
 * What an imported model is to lie on: for each land and hole the place where the package's own
 * body touches it. Where that body has nothing there, the middle of the terminal stands in.
 */
export function groundOf({ lands, bores, body }: Footprint): Ground | null {
  const own = subjectOf(meshesOf(body.assembly));
  if (!own) return null;
  const { seating } = body.heights;
  const meant: Target[] = [
    ...lands.map(({ hole, contact, at }, index): Target => {
      const { nom } = contact;
      const size = { width: nom.maxX - nom.minX, height: nom.maxY - nom.minY };
      const area = size.width * size.height;
      return hole
        ? { kind: 'pin', index, x: at.x, y: at.y, z: 0, ...size, area }
        : { kind: 'land', index, x: nom.at.x, y: nom.at.y, z: seating, ...size, area };
    }),
    ...bores.map(({ at, diameter }, index): Target => ({
      kind: 'peg',
      index,
      ...at,
      z: 0,
      width: diameter,
      height: diameter,
      area: (Math.PI / 4) * diameter ** 2,
    })),
  ];
  const reach = reachOf(meant);
  const hasPins = meant.some(({ kind }) => kind !== 'land');
  const { levels, contacts: all } = lookUnder(own, { x: 0, y: 0, z: 0 }, 1, hasPins);
  const contacts = levels.flatMap((level) => level.lands).filter(({ z }) => Math.abs(z - seating) < 0.05);
  const pins = hasPins ? sectionsAt(own.mesh, -BELOW) : [];
  const targets = meant.map((target): Target => {
    const near = (target.kind === 'land' ? contacts : pins)
      .map((contact) => ({ contact, away: Math.hypot(contact.x - target.x, contact.y - target.y) }))
      .filter(({ away }) => away < (target.kind === 'land' ? Math.max(reach, target.width / 2) : reach))
      .sort((a, b) => a.away - b.away)[0];
    return near ? { ...target, ...near.contact, z: target.z } : target;
  });
  const through = targets.filter(({ kind }) => kind !== 'land');
  const rest = restOf(all, through);
  return { targets, box: own.box as Box3, rest };
}
