import { turn, type Quarter } from '../geometry/point';
import type { Assembly } from '../geometry/solid';
import type { BodyExtent, DimensionLine } from './family';
import type { Bore, KeepOut, TerminalGroup } from './terminal';

/** Where pin 1 stands at zero rotation: upper left (A), or a quarter turn further, lower left (B). */
export type Orientation = 'A' | 'B';

/** A package's terminals, body and openings at nominal place, as its family draws them. */
export interface PackageGeometry {
  readonly groups: readonly TerminalGroup[];
  readonly bores: readonly Bore[];
  readonly keepOuts: readonly KeepOut[];
  readonly extent: BodyExtent;
  readonly solids: Assembly;
}

/** Families draw their packages in orientation A; B is that turned by a quarter counter-clockwise. */
export function oriented(geometry: PackageGeometry, orientation: Orientation): PackageGeometry {
  if (orientation === 'A') return geometry;
  const { groups, bores, keepOuts, extent, solids } = geometry;
  return {
    groups: groups.map(turnGroup),
    bores: bores.map((bore) => ({ ...bore, at: turn(bore.at, 90) })),
    keepOuts: keepOuts.map(turnPlaced),
    extent: {
      ...extent,
      x: extent.y,
      y: extent.x,
      ...(extent.centre ? { centre: turn(extent.centre, 90) } : {}),
      ...(extent.outline ? { outline: extent.outline.map((p) => ({ ...p, ...turn(p, 90) })) } : {}),
    },
    solids: {
      shapes: solids.shapes,
      parts: solids.parts.map((part) => ({
        ...part,
        at: { ...turn(part.at, 90), z: part.at.z },
        rotation: further(part.rotation),
      })),
    },
  };
}

function turnGroup(group: TerminalGroup): TerminalGroup {
  switch (group.kind) {
    case 'span':
      // (x, y) goes to (−y, x): what ran along x runs along y, and rows run the other way
      return group.axis === 'x'
        ? { ...group, axis: 'y', places: group.places.map((p) => ({ ...p, along: 0 - p.along })) }
        : { ...group, axis: 'x', places: group.places.map((p) => ({ ...p, side: p.side === 1 ? -1 : 1 })) };
    case 'spot':
    case 'pin':
      // sections, pitches and vias lie in the place's own axes
      return { ...group, places: group.places.map(turnPlaced) } as TerminalGroup;
  }
}

function turnPlaced<P extends { at: { x: number; y: number }; rotation: Quarter }>(placed: P): P {
  return { ...placed, at: turn(placed.at, 90), rotation: further(placed.rotation) };
}

function further(rotation: Quarter): Quarter {
  return ((rotation + 90) % 360) as Quarter;
}

const SIDE_TURNED = { top: 'left', left: 'bottom', bottom: 'right', right: 'top' } as const;
const MIRRORED = { top: 'top', bottom: 'bottom', left: 'right', right: 'left' } as const;

/** A dimension line as it lies when the package is turned to an orientation. */
export function orientLine(line: DimensionLine, orientation: Orientation): DimensionLine {
  if (orientation === 'A') return line;
  switch (line.view) {
    case 'plan':
      return { ...line, from: turn(line.from, 90), to: turn(line.to, 90), side: SIDE_TURNED[line.side] };
    case 'front':
      // what was seen along y is now seen along x
      return { ...line, view: 'side' };
    case 'side': {
      const mirror = ({ x, y }: { x: number; y: number }) => ({ x: 0 - x, y });
      return {
        ...line,
        view: 'front',
        from: mirror(line.from),
        to: mirror(line.to),
        side: MIRRORED[line.side],
      };
    }
  }
}
