import { formatFigure } from '../units/length';
import type { ClauseField, ClauseValue } from './fields';

/** What a clause says, as it is shown: lengths in mm, shares in percent. */
export function clauseText(
  { kind, of = [], words = [] }: Pick<ClauseField, 'kind' | 'of' | 'words'>,
  value: ClauseValue,
): string {
  const meant = words[of.indexOf(value as string | number)];
  if (meant !== undefined) return meant;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (kind === 'length') return `${formatFigure(value, 2, 4)} mm`;
  if (kind === 'share') return `${formatFigure(value * 100, 0, 2)} %`;
  return formatFigure(value, 0, 4);
}
