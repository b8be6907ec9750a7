import { spanRisk } from '../best/events';
import { summedShare } from '../best/matters';
import { spreadsOf } from '../best/spreads';
import type { Drawable } from '../footprint/footprint';
import { landOf } from '../joint/model';

/** The largest share of bad joints of any group of lands; `null` where no group has a span. */
export function worstShare(drawable: Drawable): number | null {
  const { footprint, process } = drawable;
  const spreads = spreadsOf(drawable);
  const shares = footprint.groups.flatMap((group) => {
    const land = footprint.lands.find((one) => one.group === group.terminals.id && one.terminal);
    return group.kind === 'span' && land
      ? [summedShare(spanRisk(group, landOf(land, group.terminals), process), spreads)]
      : [];
  });
  return shares.length > 0 ? Math.min(1, Math.max(...shares)) : null;
}
