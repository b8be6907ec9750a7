import { boxAt, boxOfPoints, cornersOf, gapBetween, type Box } from '../geometry/box';
import { turn, type Point } from '../geometry/point';
import { rectangleCorners } from '../geometry/solid';
import type { Footprint } from '../footprint/footprint';
import type { Drawing, Stroke } from './drawing';

/** The footprint seen from above. */
export function drawPlan(footprint: Footprint): Drawing {
  const { lands, maskOpenings, courtyard, legend, body } = footprint;
  const { x, y } = body.extent;
  const outline = rectangleCorners(x.nom, y.nom);
  const strokes: Stroke[] = [
    { layer: 'courtyard', rings: [cornersOf(courtyard.box)], closed: true },
    ...maskOpenings.map(({ box, lands: freed }): Stroke => ({
      layer: 'mask',
      rings: [cornersOf(box), ...freed.map((i) => cornersOf(lands[i]?.copper as Box))],
      closed: true,
    })),
    ...lands.map(({ copper }, land): Stroke => ({
      layer: 'copper',
      rings: [cornersOf(copper)],
      closed: true,
      land,
    })),
    ...lands.map(({ paste }, land): Stroke => ({
      layer: 'paste',
      rings: [cornersOf(paste)],
      closed: true,
      land,
    })),
    ...lands.map(({ contact }, land): Stroke => ({
      layer: 'contact',
      rings: [cornersOf(contact.nom)],
      closed: true,
      land,
    })),
    ...lands.map(({ contact }, land): Stroke => ({
      layer: 'contact-limit',
      rings: [cornersOf(contact.min), cornersOf(contact.max)],
      closed: true,
      land,
    })),
    { layer: 'body', rings: [outline], closed: true },
    ...legend.lines.map((line): Stroke => ({
      layer: 'legend',
      rings: [line],
      closed: false,
      width: legend.width,
    })),
  ];
  if (legend.pin1) strokes.push({ layer: 'legend-fill', rings: [legend.pin1], closed: true });
  return { strokes, extent: courtyard.box };
}

/** Where a land's number stands: outside the courtyard, level with the land. */
export function numberPlaces(footprint: Footprint, clearance: number): Point[] {
  const { courtyard, legend, lands } = footprint;
  const mark = boxOfPoints(legend.pin1 ?? []);
  return lands.map(({ at, rotation }) => {
    const out = turn({ x: 1, y: 0 }, rotation);
    const beside = (box: Box): Point =>
      out.x !== 0
        ? { x: out.x > 0 ? box.maxX + clearance : box.minX - clearance, y: at.y }
        : { x: at.x, y: out.y > 0 ? box.maxY + clearance : box.minY - clearance };
    const place = beside(courtyard.box);
    // a mark that stands in the way is passed
    const blocked = mark && gapBetween(mark, boxAt(place, clearance, clearance)) < 0;
    return blocked ? beside(mark) : place;
  });
}
