/**
 * Requires the process's smallest ring of copper round every plated hole on every layer, and enough of
 * it that the ring is still there where the drill has wandered.
 */
import type { TapisDocument } from '../../document/document';
import { pointerKey } from '../../document/edit';
import type { Remedy } from '../../document/finding';
import type { Land } from '../../footprint/footprint';
import { place, type Figure } from '../../geometry/figure';
import { roomWithin } from '../../geometry/gaps';
import type { Point } from '../../geometry/point';
import type { Process } from '../../process/process';
import { byProcess } from '../probes';
import { fill, idsOf, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  thin: 'The ring round the hole of land {land} is {ring} mm on {layer}, needs {limit} mm; {count} such in all.',
  wander:
    'The ring round the hole of land {land} is {ring} mm on {layer}; {left} mm are left where the drill wanders by {wander} mm, needs {limit} mm; {count} such in all.',
};

export const annularRing: Rule = {
  id: 'annular-ring',
  title: 'Ring round a hole',
  fault: 'Too little copper round a hole',
  source: 'Process: smallest ring and drill wander; IPC-2221B, clause 9.1.2',
  severity: 'stop',
  stage: 'stack',
  looksAt: ['plated holes'],
  // the drill may wander, and leaves as much less
  probes: [{ ...byProcess('minRing'), limit: (_, { process }) => process.minRing + process.drillWander }],
  check({ footprint, process, compiled: { document } }) {
    const { minRing: limit, drillWander: wander } = process;
    const rings = footprint.lands.flatMap((land) => (land.hole && land.plated ? [thinnest(land)] : []));
    const thin = rings.filter(({ ring }) => ring - wander < limit - 1e-9).sort((a, b) => a.ring - b.ring);
    const [worst] = thin;
    if (!worst) return [];
    const tooThin = worst.ring < limit - 1e-9;
    const values = {
      land: worst.land.number,
      layer: worst.layer,
      ring: mm(worst.ring),
      left: mm(worst.ring - wander),
      limit: mm(limit),
      wander,
      count: thin.length,
    };
    const finding: RuleFinding = {
      ...(tooThin ? {} : { severity: 'caution' as const }),
      message: fill(tooThin ? messages.thin : messages.wander, values),
      measured: { value: tooThin ? worst.ring : worst.ring - wander, limit, unit: 'mm' },
      place: { at: worst.land.at, lands: idsOf(thin.map(({ land }) => land)) },
      remedies: remediesFor(
        thin.map(({ land }) => land),
        document,
        process,
      ),
    };
    return [finding];
  },
};

/** What was chosen about the copper is taken back; where nothing was, the least level takes smaller holes. */
function remediesFor(
  lands: readonly Land[],
  { stacks, level }: TapisDocument,
  { levels }: Process,
): Remedy[] {
  const chosen = lands.flatMap(({ id, group }) => [
    ...(stacks?.groups?.[group] ? [`/stacks/groups/${pointerKey(group)}`] : []),
    ...(stacks?.lands?.[id] ? [`/stacks/lands/${pointerKey(id)}`] : []),
  ]);
  const parts = ['other', 'inner', 'width', 'height', 'offsetX', 'offsetY', 'hole'];
  if (chosen.length > 0) {
    const edits = [...new Set(chosen)].flatMap((at) =>
      parts.map((part) => ({ at: `${at}/${part}`, value: undefined })),
    );
    return [{ label: 'Take the computed land and hole', edits }];
  }
  return level !== 'C' && levels.includes('C')
    ? [{ label: 'Level C: smaller holes', edits: [{ at: '/level', value: 'C' }] }]
    : [];
}

const CENTRE: Point = { x: 0, y: 0 };

/** The layer on which the hole's wall comes closest to the copper's edge, and by how much. mm */
function thinnest(land: Land): { readonly land: Land; readonly ring: number; readonly layer: string } {
  const { copper, other, inner, offset, hole } = land.padstack;
  const wall = place(hole?.figure as Figure, CENTRE);
  const layers: readonly (readonly [string, Figure | null, Point])[] = [
    ['the component side', copper, offset],
    ['the far side', other, offset],
    ['inner layers', inner, CENTRE],
  ];
  return layers
    .flatMap(([layer, figure, at]) =>
      figure ? [{ land, layer, ring: roomWithin(place(figure, at), wall) }] : [],
    )
    .reduce((least, next) => (next.ring < least.ring - 1e-9 ? next : least));
}
