import { formatFigure } from '../units/length';
import type { ClauseField, ClauseValue } from './fields';

/** What a clause says, as it is shown: lengths in mm, shares in percent. */
export function clauseText({ kind }: Pick<ClauseField, 'kind'>, value: ClauseValue): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (kind === 'length') return `${formatFigure(value, 2, 4)} mm`;
  if (kind === 'share') return `${formatFigure(value * 100, 0, 2)} %`;
  return formatFigure(value, 0, 4);
}
