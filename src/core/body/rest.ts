import type { Contact } from './contacts';

/** Sections of pins are taken this far below a level, mm. */
export const BELOW = 0.1;

/** What a through-hole part comes to rest on: the lowest flat or low point that is no pin's; `null` where all are. mm */
export function restOf(contacts: readonly Contact[], pins: readonly Contact[]): number | null {
  const rests = contacts.filter(({ x, y, width, height }) => {
    const half = Math.max(width, height) / 2;
    return !pins.some((pin) => {
      const radius = Math.hypot(pin.width, pin.height) / 2 + 0.15;
      return half < radius && Math.hypot(x - pin.x, y - pin.y) < radius;
    });
  });
  return rests.length > 0 ? rests.reduce((low, { z }) => Math.min(low, z), Infinity) : null;
}
