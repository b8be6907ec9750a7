import { ringsOf, sizeOf, type Figure } from '../geometry/figure';
import type { Point } from '../geometry/point';
import { covers, inflate } from '../geometry/polygon';
import { quantise } from '../units/length';

/** A small plated hole in a land, about the land's centre; mm. */
export interface PadVia extends Point {
  readonly hole: number;
  readonly land: number;
}

/** How vias in a land are closed, after IPC-4761: I tented, III plugged, VII filled and capped. */
export type ViaCover = 'open' | 'tented' | 'plugged' | 'filled';

/** A grid of vias about the land's middle; lengths in mm. */
export interface ViaPlan {
  readonly pitchX: number;
  readonly pitchY: number;
  readonly hole: number;
  readonly ring: number;
  /** How many along and across; as many as fit where `null`. */
  readonly columns: number | null;
  readonly rows: number | null;
  /** Places left out, by row and column from upper left, such as `1.2`. */
  readonly omit: ReadonlySet<string>;
}

/** A place of the grid: taken by a via, or left out. */
export interface ViaPlace extends Point {
  readonly name: string;
  readonly omitted: boolean;
}

/** Most vias along one side: more than any pad has room for. */
const MOST = 40;

/**
 * The places of a via grid whose rings lie wholly on the land.
 * @param land figure about the grid's middle
 */
export function viaPlaces(land: Figure, plan: ViaPlan): ViaPlace[] {
  const { width, height } = sizeOf(land);
  const size = plan.hole + 2 * plan.ring;
  const fit = (side: number, pitch: number, asked: number | null) => {
    const room = side < size - 1e-9 ? 0 : Math.floor((side - size) / pitch + 1e-9) + 1;
    return Math.max(0, Math.min(asked ?? room, MOST));
  };
  if (plan.pitchX <= 0 || plan.pitchY <= 0) return [];
  const columns = fit(width, plan.pitchX, plan.columns);
  const rows = fit(height, plan.pitchY, plan.rows);
  const room = inflate(ringsOf(land, 0.001), -size / 2 + 1e-6);
  const places: ViaPlace[] = [];
  for (let row = 0; row < rows; row += 1) {
    for (let column = 0; column < columns; column += 1) {
      const at = {
        x: quantise((column - (columns - 1) / 2) * plan.pitchX),
        y: quantise(((rows - 1) / 2 - row) * plan.pitchY),
      };
      if (!covers(room, at)) continue;
      const name = `${row + 1}.${column + 1}`;
      places.push({ ...at, name, omitted: plan.omit.has(name) });
    }
  }
  return places;
}

/** The vias of a grid. */
export function viaGrid(land: Figure, plan: ViaPlan): PadVia[] {
  const size = quantise(plan.hole + 2 * plan.ring);
  return viaPlaces(land, plan)
    .filter(({ omitted }) => !omitted)
    .map(({ x, y }) => ({ x, y, hole: plan.hole, land: size }));
}
