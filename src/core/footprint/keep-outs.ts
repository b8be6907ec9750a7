import type { ChoicesRead } from '../document/intent';
import { place, rectangle } from '../geometry/figure';
import type { KeepOut } from '../package/terminal';
import type { PlacedKeepOut } from './footprint';

/** Areas that the package keeps free for itself, then those of the document that have a place and a size. */
export function placeKeepOuts(
  ofPackage: readonly KeepOut[],
  chosen: ChoicesRead['keepOuts'],
): PlacedKeepOut[] {
  return [
    ...ofPackage.map(({ figure, at, rotation, why, what, side }): PlacedKeepOut => ({
      area: place(figure, at, rotation),
      why,
      what: what ?? 'components',
      side: side ?? 'component',
      id: null,
    })),
    ...chosen.flatMap(({ id, x, y, diameter, width, height, what, side, why }): PlacedKeepOut[] => {
      if (x === null || y === null || what === null) return [];
      const figure =
        diameter !== null
          ? ({ kind: 'round', diameter } as const)
          : width !== null && height !== null
            ? rectangle(width, height)
            : null;
      if (!figure) return [];
      return [{ area: place(figure, { x, y }), why: why ?? '', what, side: side ?? 'component', id }];
    }),
  ];
}
