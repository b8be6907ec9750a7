import { solderFromPaste } from '../body/heights';
import type { BodyOptions } from '../document/document';
import { areaOf } from '../geometry/figure';
import type { Process } from '../process/process';
import type { EntryReader } from './entry-reader';
import type { HeightLimits, Land } from './footprint';

/** Solder under the terminals as the printed paste makes it, over all lands that paste is printed on. mm */
export function printedSolder(lands: readonly Land[], { stencilThickness }: Process): number {
  let [paste, copper] = [0, 0];
  for (const land of lands) {
    if (land.hole || land.paste.length === 0) continue;
    paste += land.paste.reduce((sum, { figure }) => sum + areaOf(figure), 0);
    copper += areaOf(land.copper.figure);
  }
  return solderFromPaste(paste, copper, stencilThickness);
}

/** The document's limits of heights; the process's where it has none. mm */
export function heightLimits(
  { boardThickness, maxHeight, minClearance, minProtrusion, maxProtrusion }: BodyOptions,
  process: Process,
  { length }: EntryReader,
): HeightLimits {
  // read for its report only: it took effect before anything was compiled
  length(boardThickness, '/body/boardThickness', 'Board thickness', 'rise', 0.05);
  return {
    maxHeight: length(maxHeight, '/body/maxHeight', 'Tallest part', 'rise', 0),
    minClearance:
      length(minClearance, '/body/minClearance', 'Least clearance', 'rise', 0) ?? process.minClearance,
    minProtrusion:
      length(minProtrusion, '/body/minProtrusion', 'Least protrusion', 'rise', 0) ?? process.minProtrusion,
    maxProtrusion:
      length(maxProtrusion, '/body/maxProtrusion', 'Most protrusion', 'rise', 0) ?? process.maxProtrusion,
  };
}
