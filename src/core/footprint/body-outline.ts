import type { Contour } from '../geometry/contour';
import { outlineOf, rectangle } from '../geometry/figure';
import type { BodyExtent } from '../package/family';

/** The body seen from above at nominal size, where it stands. mm */
export function bodyOutline({ x, y, centre = { x: 0, y: 0 }, outline }: BodyExtent): Contour {
  return (outline ?? outlineOf(rectangle(x.nom, y.nom))).map((corner) => ({
    ...corner,
    x: corner.x + centre.x,
    y: corner.y + centre.y,
  }));
}
