import type { Footprint } from '../footprint/footprint';
import type { DimensionLine } from '../package/family';
import { orientLine } from '../package/orient';
import type { ResolvedPackage } from '../package/resolve';

/** The datasheet's dimension lines as the package stands on the Sheet, heights from its seating plane. */
export function packageLines({ values, orientation }: Footprint, resolved: ResolvedPackage): DimensionLine[] {
  const { family, options } = resolved;
  return family.dimensionLines(values, options).map((line) => orientLine(line, orientation));
}
