import type { TapisDocument } from '../../src/core/document/document';
import { compile } from '../../src/core/footprint/compile';
import { isDrawable, type Drawable, type Land } from '../../src/core/footprint/footprint';
import { atOrigin } from '../../src/core/footprint/origin';
import type { GivenPattern } from '../../src/core/given/pattern';

/** A document as it is drawn. */
export const drawn = (document: TapisDocument): Drawable => {
  const compiled = compile(document);
  if (!isDrawable(compiled)) throw new Error(compiled.problems[0]?.message);
  return compiled;
};

/** A footprint as somebody else would hand it over: lands with their openings, holes, legend and courtyard. */
export function given(of: Drawable): GivenPattern {
  const { lands, bores, courtyard, legend } = atOrigin(of.footprint);
  return {
    name: 'theirs',
    from: 'a file',
    lands: lands.map(({ number, copper, mask, paste, hole, plated }: Land) => ({
      number,
      copper,
      mask,
      paste,
      ...(hole ? { hole: { hole, plated } } : {}),
    })),
    holes: bores.map(({ hole }) => hole),
    courtyard: courtyard.contour ?? [
      { x: courtyard.box.minX, y: courtyard.box.minY },
      { x: courtyard.box.maxX, y: courtyard.box.minY },
      { x: courtyard.box.maxX, y: courtyard.box.maxY },
      { x: courtyard.box.minX, y: courtyard.box.maxY },
    ],
    legend: { lines: legend.lines, width: legend.width, ...(legend.pin1 ? { pin1: legend.pin1 } : {}) },
    left: [],
  };
}
