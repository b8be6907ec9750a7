import type { Change } from '../../core/compare/compare';
import { formatMm } from '../../core/units/length';

/** A change of a footprint in a few words, in mm. */
export function changeWords({ title, from, to, kind }: Change): string {
  const said = (value: Change['from']) =>
    value === null ? 'none' : kind === 'length' ? formatMm(Number(value)) : String(value);
  return `${title.charAt(0).toLowerCase()}${title.slice(1)} ${said(from)} → ${said(to)}${kind === 'length' ? ' mm' : ''}`;
}
