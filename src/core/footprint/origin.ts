import type { OriginIntent } from '../document/document';
import type { Box } from '../geometry/box';
import type { Contour } from '../geometry/contour';
import { place, type Placed } from '../geometry/figure';
import type { Point } from '../geometry/point';
import type { Polyline } from '../geometry/polygon';
import { quantise } from '../units/length';
import type { EntryReader } from './entry-reader';
import type { BoardEdge, Footprint, Land } from './footprint';

/** The choices of an origin. */
export const ORIGINS: readonly { readonly id: OriginIntent['at']; readonly title: string }[] = [
  { id: 'body', title: 'middle of the terminals' },
  { id: 'lands', title: 'centroid of the lands' },
  { id: 'pin-1', title: 'land 1' },
  { id: 'point', title: 'a given point' },
];

/** Where coordinates are measured from, in the footprint's own axes; mm. */
export function originOf(
  intent: OriginIntent | undefined,
  lands: readonly Land[],
  first: Land | undefined,
  reader: EntryReader,
): Point {
  switch (intent?.at) {
    case 'lands':
      return centroid(lands);
    case 'pin-1':
      return first?.at ?? { x: 0, y: 0 };
    case 'point':
      return {
        x: reader.length(intent.x, '/origin/x', 'Origin x', 'mark', -1000) ?? 0,
        y: reader.length(intent.y, '/origin/y', 'Origin y', 'mark', -1000) ?? 0,
      };
    default:
      return { x: 0, y: 0 };
  }
}

/** Mean of the land centres, mm. */
export function centroid(lands: readonly Land[]): Point {
  const count = Math.max(1, lands.length);
  return {
    x: quantise(lands.reduce((sum, { at }) => sum + at.x, 0) / count),
    y: quantise(lands.reduce((sum, { at }) => sum + at.y, 0) / count),
  };
}

/** The origin along the axis that an edge's coordinate is on. */
function edgeShift(side: BoardEdge['side'], { x, y }: Point): number {
  return side === 'left' || side === 'right' ? x : y;
}

/** The footprint with its origin at zero, as it is handed over. */
export function atOrigin(footprint: Footprint): Footprint {
  const { x, y } = footprint.origin;
  if (x === 0 && y === 0) return footprint;
  const point = <P extends Point>(p: P): P => ({ ...p, x: quantise(p.x - x), y: quantise(p.y - y) });
  const placed = (item: Placed): Placed => place(item.figure, point(item.at), item.rotation);
  const box = ({ minX, minY, maxX, maxY }: Box): Box => ({
    minX: quantise(minX - x),
    minY: quantise(minY - y),
    maxX: quantise(maxX - x),
    maxY: quantise(maxY - y),
  });
  const line = (points: Polyline): Polyline => points.map(point);
  const contour = (vertices: Contour): Contour => vertices.map(point);
  const { lands, maskOpenings, bores, keepOuts, courtyard, legend, assembly, texts, body } = footprint;
  return {
    ...footprint,
    origin: { x: 0, y: 0 },
    lands: lands.map((land) => ({
      ...land,
      at: point(land.at),
      copper: placed(land.copper),
      mask: land.mask.map(placed),
      islands: land.islands.map(placed),
      paste: land.paste.map(placed),
      hole: land.hole && placed(land.hole),
      vias: land.vias.map(point),
      contact: {
        min: placed(land.contact.min),
        nom: placed(land.contact.nom),
        max: placed(land.contact.max),
      },
    })),
    maskOpenings: maskOpenings.map(({ opening, islands, lands: freed }) => ({
      opening: placed(opening),
      islands: islands.map(placed),
      lands: freed,
    })),
    bores: bores.map((bore) => ({ ...bore, at: point(bore.at), opening: placed(bore.opening) })),
    keepOuts: keepOuts.map((keepOut) => ({ ...keepOut, area: placed(keepOut.area) })),
    courtyard: {
      ...courtyard,
      box: box(courtyard.box),
      contour: courtyard.contour && line(courtyard.contour),
    },
    legend: { ...legend, lines: legend.lines.map(line), pin1: legend.pin1 && line(legend.pin1) },
    assembly: {
      ...assembly,
      outline: line(assembly.outline),
      terminals: assembly.terminals.map(contour),
      text: { ...assembly.text, at: point(assembly.text.at) },
    },
    texts: texts.map((text) => ({
      ...text,
      at: point(text.at),
      lines: text.lines.map(line),
      box: box(text.box),
    })),
    edge: footprint.edge && {
      ...footprint.edge,
      at: quantise(footprint.edge.at - edgeShift(footprint.edge.side, { x, y })),
    },
    body: {
      ...body,
      imported: body.imported && {
        ...body.imported,
        pose: { ...body.imported.pose, at: { ...point(body.imported.pose.at), z: body.imported.pose.at.z } },
      },
      extent: { ...body.extent, centre: point(body.extent.centre ?? { x: 0, y: 0 }) },
      assembly: {
        ...body.assembly,
        parts: body.assembly.parts.map((part) => ({ ...part, at: { ...point(part.at), z: part.at.z } })),
      },
    },
  };
}
