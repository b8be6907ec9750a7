import { groupAt } from '../../core/footprint/footprint';
import type { SolvedGroup } from '../../core/land/solution';
import { useBench } from './context';

/**
 * The group of lands whose sizes the Bench shows: that of the selected land, else the first.
 * A package whose lands are all alike has one group.
 */
export function useGroup(): SolvedGroup | undefined {
  return useBench(({ derived, selectedLand }) =>
    derived.shown ? groupAt(derived.shown.drawable.footprint, selectedLand) : undefined,
  );
}
