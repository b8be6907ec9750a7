import type { Change } from '../../core/compare/compare';
import { formatMm } from '../../core/units/length';

/** A change of a footprint in a few words, in mm. */
export function changeWords({ title, from, to, kind }: Change): string {
  const said = (value: Change['from']) =>
    value === null ? 'none' : kind === 'length' ? formatMm(Number(value)) : String(value);
  return `${title.charAt(0).toLowerCase()}${title.slice(1)} ${said(from)} → ${said(to)}${kind === 'length' ? ' mm' : ''}`;
}

/** Changes that a line of a table tells. */
const TOLD = 4;

/** Some changes in a line. */
export function saidChanges(changes: readonly Change[]): string {
  if (changes.length === 0) return 'nothing in the footprint';
  const more = changes.length > TOLD ? `; and ${changes.length - TOLD} more` : '';
  return changes.slice(0, TOLD).map(changeWords).join('; ') + more;
}
