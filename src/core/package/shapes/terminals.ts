import { strip } from '../../geometry/contour';
import type { Point } from '../../geometry/point';
import type { Extrusion, Loft, Part } from '../../geometry/solid';
import { putPoint } from '../../geometry/placement';
import { outwardOf, type SpanGroup } from '../terminal';
import { leadParts, ROOT, type CurledLeadSizes } from './leads';

/** A J lead at +x: out of the body, down its side, and curled inwards under it, as high as the body leaves room. */
export function jLead({ tip, foot, width, thickness, exit, body, bottom }: CurledLeadSizes): Extrusion {
  const [low, outside] = [thickness / 2, tip - thickness / 2];
  const high = Math.max(exit, low + 0.2);
  const inner = Math.min(outside - 0.05, tip - foot);
  // a bend takes its radius and half of the thickness from either side
  const start = Math.min(body - ROOT, outside - thickness / 2 - 0.03);
  const half = thickness / 2;
  const most = [
    (outside - inner) * 0.45 - half,
    outside - start - half - 0.02,
    (high - low) / 2 - half - 0.01,
  ];
  const radius = Math.max(0.005, Math.min(...most, (high - low) * 0.3));
  // the curl ends clear of the underside
  const end = Math.min(low + foot * 0.8, (low + high) / 2, bottom - 0.02);
  const line = [
    { x: start, y: high },
    { x: outside, y: high },
    { x: outside, y: low },
    { x: inner, y: low },
    ...(end - low > radius + half + 0.02 ? [{ x: inner, y: end }] : []),
  ];
  return { kind: 'extrusion', contour: strip(line, thickness, radius), depth: width };
}

/** A straight lead at +x, flat on the board from inside the body to its tip. */
export function flatLead(from: number, to: number, width: number, thickness: number): Loft {
  const [a, b, y] = [Math.min(from, to - 0.02), to, width / 2];
  const corners = [
    { x: a, y: -y },
    { x: b, y: -y },
    { x: b, y },
    { x: a, y },
  ];
  return { kind: 'loft', sections: [0, thickness].map((z) => ({ z, corners })) };
}

/**
 * Parts at the outer ends of a span: a shape about its own middle, put under every terminal.
 * @param outer distance of the terminal's middle from the package's, mm
 */
export function padParts(
  group: SpanGroup,
  shape: string,
  outer: number,
  material: Part['material'] = 'metal',
): Part[] {
  return leadParts(group, shape, outer).map((part) => ({
    ...part,
    name: part.name.replace('lead', 'terminal'),
    material,
  }));
}

/** A prism standing on z = `from` with any outline. */
export function prism(corners: readonly Point[], from: number, to: number): Loft {
  return { kind: 'loft', sections: [from, to].map((z) => ({ z, corners })) };
}

/** One half-round notch in a side of a rectangle, by its place along the walk round the outline. */
interface Notch {
  readonly side: 'bottom' | 'right' | 'top' | 'left';
  readonly along: number;
  readonly radius: number;
}

/** Points on a half circle, for notches and castellations. */
const STEPS = 6;

/** A rectangle about the origin whose sides have half-round notches, counter-clockwise. */
export function notched(width: number, height: number, notches: readonly Notch[]): Point[] {
  const [x, y] = [width / 2, height / 2];
  const walk = {
    bottom: (along: number, depth: number): Point => ({ x: along, y: -y + depth }),
    right: (along: number, depth: number): Point => ({ x: x - depth, y: along }),
    top: (along: number, depth: number): Point => ({ x: -along, y: y - depth }),
    left: (along: number, depth: number): Point => ({ x: -x + depth, y: -along }),
  };
  const corner = {
    bottom: { x: -x, y: -y },
    right: { x, y: -y },
    top: { x, y },
    left: { x: -x, y },
  };
  return (['bottom', 'right', 'top', 'left'] as const).flatMap((side) => {
    const forward = side === 'bottom' || side === 'right';
    const own = notches
      .filter((notch) => notch.side === side)
      .map((notch) => ({ ...notch, along: forward ? notch.along : -notch.along }))
      .sort((a, b) => a.along - b.along);
    const points = own.flatMap(({ along, radius }) =>
      Array.from({ length: STEPS + 1 }, (_, i) => {
        const angle = (Math.PI * i) / STEPS;
        return walk[side](along - radius * Math.cos(angle), radius * Math.sin(angle));
      }),
    );
    return [corner[side], ...points];
  });
}

/** Notches of a group's terminals in the body they lie at. */
export function notchesOf(group: SpanGroup, radius: number): Notch[] {
  return group.places.map((place): Notch => {
    const { x, y } = putPoint(group.frame, { x: 0, y: place.along });
    const side = (['right', 'top', 'left', 'bottom'] as const)[outwardOf(group, place) / 90] ?? 'right';
    return { side, along: side === 'right' || side === 'left' ? y : x, radius };
  });
}
