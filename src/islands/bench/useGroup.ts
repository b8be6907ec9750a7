import { useBench } from './context';

/**
 * Index of the group of terminals that the land sizes are shown for: that of the selected land,
 * else the first. A package whose lands are all alike has one group.
 */
export function useGroup(): number {
  return useBench(({ derived, selectedLand }) => {
    const footprint = derived.shown?.drawable.footprint;
    const land = selectedLand === null ? undefined : footprint?.lands[selectedLand];
    const index = footprint?.groups.findIndex(({ id }) => id === land?.group) ?? -1;
    return Math.max(0, index);
  });
}
