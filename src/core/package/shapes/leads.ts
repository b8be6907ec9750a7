import { strip } from '../../geometry/contour';
import type { Extrusion, Part, Shape } from '../../geometry/solid';
import { putPoint } from '../../geometry/placement';
import { outwardOf, type SpanGroup, type TerminalGroup } from '../terminal';

/** What a formed lead is bent from; mm. */
export interface LeadSizes {
  /** Body side and lead tip, from the body's middle. */
  readonly body: number;
  readonly tip: number;
  /** Length of the flat that lies on the land. */
  readonly foot: number;
  readonly width: number;
  readonly thickness: number;
  /** Height at which it leaves the body. */
  readonly exit: number;
}

/** How deep a lead is drawn rooted in its moulding, so that no light shows between the two. mm */
export const ROOT = 0.1;

/** A lead that is curled under a body also ends below it. */
export interface CurledLeadSizes extends LeadSizes {
  /** Underside of the body. */
  readonly bottom: number;
}

/** A gull-wing lead that points along +x: out of the body, down, and flat for the foot length. */
export function gullWingLead({ body, tip, foot, width, thickness, exit }: LeadSizes): Extrusion {
  const low = thickness / 2;
  const high = Math.max(exit, low + 0.02);
  const heel = Math.max(tip - foot, Math.min(body, tip) + 0.02);
  const room = Math.max(heel - body, 0.02);
  const knee = heel - room * 0.35;
  const radius = Math.max(0.005, Math.min(thickness, room * 0.3, (high - low) * 0.3));
  const line = [
    { x: Math.min(body, knee) - ROOT, y: high },
    { x: knee, y: high },
    { x: heel, y: low },
    { x: Math.max(tip, heel + 0.02), y: low },
  ];
  return { kind: 'extrusion', contour: strip(line, thickness, radius), depth: width };
}

/** A ribbon that leaves the body at +x, runs down its end and is formed inward under it. */
export function inwardLead({ tip, foot, width, thickness, exit }: Omit<LeadSizes, 'body'>): Extrusion {
  const [low, outside] = [thickness / 2, tip - thickness / 2];
  const high = Math.max(exit, low + 0.1);
  const radius = Math.max(0.005, Math.min(thickness, (high - low) * 0.3, foot * 0.3));
  const line = [
    // the bend needs its room inside the moulding
    { x: outside - Math.max(0.15, 2 * radius + thickness), y: high },
    { x: outside, y: high },
    { x: outside, y: low },
    { x: Math.min(tip - foot, outside - 0.02), y: low },
  ];
  return { kind: 'extrusion', contour: strip(line, thickness, radius), depth: width };
}

/**
 * One part for every terminal of a group, its shape turned outwards.
 * @param shape name of the lead's shape, which points along +x
 * @param out distance of the shape's origin from the middle of the span, mm
 */
export function leadParts(group: SpanGroup, shape: string, out = 0): Part[] {
  return group.places.map((place) => {
    const { x, y } = putPoint(group.frame, { x: place.end * out, y: place.along });
    return {
      name: `lead ${place.order}`,
      shape,
      material: 'metal',
      at: { x, y, z: 0 },
      rotation: outwardOf(group, place),
    };
  });
}

/** A body alone in the middle of its package. */
export function bodyPart(material: Part['material']): Part {
  return { name: 'body', shape: 'body', material, at: { x: 0, y: 0, z: 0 }, rotation: 0 };
}

/** Shapes and parts of a package whose leads are all alike. */
export function withLeads(body: Shape, lead: Shape, groups: readonly TerminalGroup[]) {
  return {
    shapes: { body, lead },
    parts: [
      ...groups.flatMap((group) => (group.kind === 'span' ? leadParts(group, 'lead') : [])),
      bodyPart('moulding'),
    ],
  };
}
