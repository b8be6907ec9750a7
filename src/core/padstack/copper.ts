import { freeContour, rectangle, sizeOf, type Corner, type Figure } from '../geometry/figure';
import { quantise } from '../units/length';
import type { LandShape, StackChoices } from './choices';

/** Corner radius and chamfer of a land, as a share of its smaller side, where none is given. */
const CORNER_SHARE = 0.25;
/** A land points outwards along +x: its inner end is at the left. */
const INNER_CORNERS: readonly Corner[] = ['lower-left', 'upper-left'];

/** The land's figure as it was chosen: another shape, size, corners, or a contour of its own. */
export function copperFigure(base: Figure, choices: StackChoices): Figure {
  const { shape, radius, chamfer, corners, contour } = choices;
  if ((shape === 'contour' || shape === null) && contour && contour.length > 2) return freeContour(contour);
  const before = sizeOf(base);
  const kind = shape ?? shapeOf(base);
  const width = choices.width ?? before.width;
  const height = choices.height ?? before.height;
  const least = Math.min(width, height);
  switch (kind) {
    case 'contour':
      return resized(base, width, height);
    case 'rectangle':
      return rectangle(width, height);
    case 'rounded': {
      const own = base.kind === 'rectangle' ? base.radius : undefined;
      const r = radius ?? own ?? quantise(least * CORNER_SHARE);
      return { kind: 'rectangle', width, height, radius: Math.min(r, least / 2) };
    }
    case 'chamfered': {
      const own = base.kind === 'rectangle' ? base.chamfer : undefined;
      const size = Math.min(chamfer ?? own?.size ?? quantise(least * CORNER_SHARE), least);
      return {
        kind: 'rectangle',
        width,
        height,
        chamfer: { size, corners: corners ?? own?.corners ?? INNER_CORNERS },
      };
    }
    case 'round':
      return { kind: 'round', diameter: choices.width ?? choices.height ?? Math.max(width, height) };
    case 'oblong':
      // an oblong as wide as long is a circle
      return width === height ? { kind: 'round', diameter: width } : { kind, width, height };
    case 'd-shape':
      return { kind, width, height };
  }
}

/** Radius of a rounded land 1 as a share of its side. */
const FIRST_RADIUS = 0.25;

/** Land 1 of a through-hole part as large as the others, with straight sides that tell it from them. */
export function firstFigure(figure: Figure, shape: 'square' | 'rounded'): Figure {
  const { width, height } = sizeOf(figure);
  if (shape === 'square') return rectangle(width, height);
  const radius = quantise(Math.min(width, height) * FIRST_RADIUS);
  return { kind: 'rectangle', width, height, radius };
}

/** The shape that a figure has. */
export function shapeOf(figure: Figure): LandShape {
  if (figure.kind !== 'rectangle') return figure.kind;
  return figure.chamfer ? 'chamfered' : figure.radius ? 'rounded' : 'rectangle';
}

/** A figure of the same kind with other sides, mm. */
export function resized(figure: Figure, width: number, height: number): Figure {
  switch (figure.kind) {
    case 'round':
      return width === height ? { kind: 'round', diameter: width } : { kind: 'oblong', width, height };
    case 'contour': {
      // nothing has no shape that could be made larger
      if (figure.width <= 0 || figure.height <= 0) return figure;
      const [kx, ky] = [width / figure.width, height / figure.height];
      const outline = figure.outline.map((p) => ({ ...p, x: quantise(p.x * kx), y: quantise(p.y * ky) }));
      return { kind: 'contour', width, height, outline };
    }
    default:
      return { ...figure, width, height };
  }
}
