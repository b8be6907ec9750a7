import { Clipper } from 'clipper2-ts';
import { NM, toMm, toNm, type Polygon } from './polygon';

/** Polygons with fewer corners. @param within how far what is left out may lie from what is kept, mm */
export function simplified(polygons: readonly Polygon[], within: number): Polygon[] {
  return Clipper.simplifyPaths(polygons.map(toNm), within * NM).map(toMm);
}
