import { boxRound, centreOf, overhang, type Box } from '../geometry/box';
import { boxOfRing, type Stroke } from './drawing';

/** A part of a stroke that can be left out where it is off the view. */
export interface Tile {
  readonly stroke: Stroke;
  /** Round the corners of its rings: arcs may reach beyond by a ring's own size. */
  readonly box: Box;
}

/** Rings that a tile has about at most. */
const RINGS = 120;

/**
 * Cuts a stroke of many rings into tiles of neighbouring ones. A ring that lies within the one before it
 * is a hole in it, and stays with it.
 */
export function tiled(stroke: Stroke): Tile[] {
  const { rings } = stroke;
  const boxes = rings.map((ring) => boxOfRing(ring) ?? { minX: 0, minY: 0, maxX: 0, maxY: 0 });
  const all = boxRound(boxes);
  if (!all) return [];
  if (rings.length <= RINGS) return [{ stroke, box: all }];
  const [width, height] = [all.maxX - all.minX, all.maxY - all.minY];
  const cells = Math.ceil(rings.length / RINGS);
  const columns = Math.max(1, Math.min(cells, Math.round(Math.sqrt((cells * width) / (height || 1)))));
  const rows = Math.ceil(cells / columns);
  const cellOf = (box: Box): number => {
    const { x, y } = centreOf(box);
    const at = (v: number, count: number) => Math.min(count - 1, Math.max(0, Math.floor(v * count)));
    return at((y - all.minY) / (height || 1), rows) * columns + at((x - all.minX) / (width || 1), columns);
  };
  const members = new Map<number, number[]>();
  let [outer, cell] = [-1, 0];
  boxes.forEach((box, i) => {
    const within = outer >= 0 && overhang(box, boxes[outer] as Box) <= 0;
    if (!within) [outer, cell] = [i, cellOf(box)];
    const of = members.get(cell);
    if (of) of.push(i);
    else members.set(cell, [i]);
  });
  return [...members.values()].map((own) => ({
    stroke: { ...stroke, rings: own.map((i) => rings[i] as (typeof rings)[number]) },
    box: boxRound(own.map((i) => boxes[i] as Box)) as Box,
  }));
}
