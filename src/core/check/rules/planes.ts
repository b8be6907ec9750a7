/**
 * Requires a connection to the plane of its own net that carries, and room to the planes of others.
 */
import { pointerKey } from '../../document/edit';
import type { Remedy } from '../../document/finding';
import type { Land } from '../../footprint/footprint';
import { place, type Figure } from '../../geometry/figure';
import { roomWithin } from '../../geometry/gaps';
import { worstOf, type Miss, type Rule } from '../rule';

/** Fewest spokes: one alone is a fuse, and pulls the land over as it cools. */
const FEWEST_SPOKES = 2;

function takeBack(label: string, misses: readonly Miss[], part: 'relief' | 'clearance'): Remedy[] {
  const groups = new Set(misses.flatMap(({ lands }) => lands.map(({ group }) => group)));
  const ids = new Set(misses.flatMap(({ lands }) => lands.map(({ id }) => id)));
  return [
    {
      label,
      edits: [
        ...[...groups].map((group) => ({
          at: `/stacks/groups/${pointerKey(group)}/${part}`,
          value: undefined,
        })),
        ...[...ids].map((id) => ({ at: `/stacks/lands/${pointerKey(id)}/${part}`, value: undefined })),
      ],
    },
  ];
}

export const reliefSpokes: Rule = {
  id: 'relief-spokes',
  title: 'Spokes of a thermal relief',
  fault: 'Spokes of a thermal relief do not fit',
  source: 'IPC-2221B, clause 9.1.3; process: narrowest copper',
  severity: 'caution',
  stage: 'stack',
  looksAt: ['reliefs and clearances'],
  check({ footprint, process }) {
    const withRelief = footprint.lands.filter(({ padstack }) => padstack.relief !== null);
    const miss = (value: (land: Land) => number, limit: number): Miss[] =>
      withRelief.flatMap((land) =>
        value(land) < limit - 1e-9 ? [{ value: value(land), at: land.at, lands: [land] }] : [],
      );
    const few = miss(({ padstack }) => padstack.relief?.spokes ?? 0, FEWEST_SPOKES);
    const thin = miss(({ padstack }) => padstack.relief?.width ?? 0, process.minWidth);
    const remedies = { remedies: takeBack('Relief of the process', [...few, ...thin], 'relief') };
    return [
      ...worstOf(
        few,
        FEWEST_SPOKES,
        'count',
        'The relief of land {land} hangs on {spokes}, needs 2 or more; {count} such in all.',
        'smaller',
        { spokes: few[0]?.value === 1 ? 'one spoke' : 'no spoke' },
      ),
      ...worstOf(
        thin,
        process.minWidth,
        'mm',
        'The spokes of land {land} are {value} mm wide, {limit} mm is the narrowest copper; {count} such in all.',
      ),
    ].map((finding) => ({ ...finding, ...remedies }));
  },
};

export const planeClearance: Rule = {
  id: 'plane-clearance',
  title: 'Clearance of planes',
  fault: 'Plane too near a hole',
  source: 'Process: smallest gap, hole to other land',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['reliefs and clearances'],
  check({ footprint, process }) {
    const room = (of: (land: Land) => Figure | null, limit: number): Miss[] =>
      footprint.lands.flatMap((land) => {
        const { clearance } = land.padstack;
        const inside = of(land);
        if (!clearance || !inside) return [];
        const value = roomWithin(place(clearance, CENTRE), place(inside, CENTRE));
        return value < limit - 1e-6 ? [{ value, at: land.at, lands: [land] }] : [];
      });
    const land = room(({ padstack }) => padstack.copper, process.minGap);
    const hole = room(({ padstack }) => padstack.hole?.figure ?? null, process.minHoleToLand);
    const remedies = { remedies: takeBack('Clearance of the process', [...land, ...hole], 'clearance') };
    return [
      ...worstOf(
        land,
        process.minGap,
        'mm',
        'Planes of other nets come within {value} mm of land {land}, need {limit} mm; {count} such in all.',
      ),
      ...worstOf(
        hole,
        process.minHoleToLand,
        'mm',
        'Planes of other nets come within {value} mm of the hole of land {land}, need {limit} mm; {count} such in all.',
      ),
    ].map((finding) => ({ ...finding, ...remedies }));
  },
};

const CENTRE = { x: 0, y: 0 };
