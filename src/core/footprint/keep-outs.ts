import type { KeepOutIntent } from '../document/document';
import { place, rectangle } from '../geometry/figure';
import type { EntryReader } from './entry-reader';
import type { PlacedKeepOut } from './footprint';

/** Reads the areas that the person keeps free; one without a usable place and size is reported. */
export function readKeepOuts(intents: readonly KeepOutIntent[], reader: EntryReader): PlacedKeepOut[] {
  return intents.flatMap(({ what, side = 'component', why = '', ...given }, i): PlacedKeepOut[] => {
    const size = (key: 'diameter' | 'width' | 'height') =>
      reader.length(given[key], `/keepOuts/${i}/${key}`, `Keep-out ${i + 1} ${key}`, 'stack', 0.01);
    const spot = (key: 'x' | 'y') =>
      reader.length(given[key], `/keepOuts/${i}/${key}`, `Keep-out ${i + 1} ${key}`, 'stack', -1000);
    const [x, y, diameter, width, height] = [
      spot('x'),
      spot('y'),
      size('diameter'),
      size('width'),
      size('height'),
    ];
    if (x === null || y === null) return [];
    const figure =
      diameter !== null
        ? ({ kind: 'round', diameter } as const)
        : width !== null && height !== null
          ? rectangle(width, height)
          : null;
    return figure ? [{ area: place(figure, { x, y }), why, what, side }] : [];
  });
}
