import type { Footprint, Land } from '../footprint/footprint';
import { pinsByLand } from '../footprint/pins';
import { turn, type Point } from '../geometry/point';

/** Where the names of pins stand: not at all, on their lands, or beside the part. */
export type PinNames = 'off' | 'on' | 'beside';

/** A pin's name at its land. Lengths in mm. */
export interface NamePlace extends Point {
  /** Of the land. */
  readonly id: string;
  readonly text: string;
  readonly low: boolean;
  /** Upright along the land, read from the right. */
  readonly upright: boolean;
  /** Whether it stands on its land. */
  readonly inside: boolean;
  readonly anchor: 'start' | 'middle' | 'end';
  /** Height of its letters. */
  readonly size: number;
}

/** Width of a letter to its height, in the family of type that the drawing is set in. */
const LETTER = 0.5;
/** Share of a land's narrow side that letters take. */
const FILL = 0.72;

/**
 * Places for the names of pins.
 * @param usual height of letters beside the part, and the most on a land, mm
 * @param least letters on a land that would be smaller are left out, mm
 * @param clear distance from the courtyard, where the numbers stand, mm
 */
export function pinNamePlaces(
  footprint: Footprint,
  where: PinNames,
  { usual, least, clear }: { readonly usual: number; readonly least: number; readonly clear: number },
): NamePlace[] {
  if (where === 'off') return [];
  const byLand = pinsByLand(footprint.pins);
  const named = footprint.lands.flatMap((land) => {
    const pin = byLand.get(land.id);
    return pin && pin.name !== '' ? [{ land, about: { id: land.id, text: pin.name, low: pin.low } }] : [];
  });
  const on = named.flatMap(({ land, about }) => onLand(land, about, usual, least));
  // where letters would be too small on lands, names stand beside them until somebody zooms in
  if (where === 'on' && on.length >= MOST * named.length) return on;
  return named.flatMap(({ land, about }): NamePlace[] =>
    // what lies under the part has no side to stand beside
    land.end === null
      ? onLand(land, about, usual, least)
      : [{ ...about, ...besidePart(footprint, land, clear), inside: false, size: usual }],
  );
}

/** Share of the names that have to fit on their lands for names to stand there. */
const MOST = 0.9;

function onLand(
  { copper: { minX, minY, maxX, maxY } }: Land,
  about: Pick<NamePlace, 'id' | 'text' | 'low'>,
  usual: number,
  least: number,
): NamePlace[] {
  const [width, height] = [maxX - minX, maxY - minY];
  const upright = height > width * 1.2;
  const [long, narrow] = upright ? [height, width] : [width, height];
  const size = Math.min(usual, narrow * FILL, (long * 0.94) / (LETTER * about.text.length));
  if (size < least) return [];
  const [x, y] = [(minX + maxX) / 2, (minY + maxY) / 2];
  return [{ ...about, x, y, upright, inside: true, anchor: 'middle', size }];
}

function besidePart(
  { courtyard: { box } }: Footprint,
  { at, rotation }: Land,
  clear: number,
): Pick<NamePlace, 'x' | 'y' | 'upright' | 'anchor'> {
  const out = turn({ x: 1, y: 0 }, rotation);
  if (Math.abs(out.x) >= Math.abs(out.y))
    return out.x > 0
      ? { x: box.maxX + clear, y: at.y, upright: false, anchor: 'start' }
      : { x: box.minX - clear, y: at.y, upright: false, anchor: 'end' };
  return out.y > 0
    ? { x: at.x, y: box.maxY + clear, upright: true, anchor: 'start' }
    : { x: at.x, y: box.minY - clear, upright: true, anchor: 'end' };
}
