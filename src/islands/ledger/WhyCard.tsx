import { groupAt, type Drawable } from '../../core/footprint/footprint';
import { substituted } from '../../core/land/derivation';
import { derivationOf, sizesOf } from '../../core/land/solution';
import { inUnit } from '../../core/units/in-words';
import { formatLength } from '../../core/units/length';
import { Formula } from './Formula';
import type { LedgerView } from './view';

interface Props extends Pick<LedgerView, 'selectedLand' | 'unit'> {
  drawable: Drawable;
  /** The size that is asked for; else the land's length. */
  symbol?: string | null;
}

/** Where a land dimension comes from, step by step with its values. */
export function WhyCard({ drawable: { footprint }, selectedLand, unit, symbol: wanted }: Props) {
  const solution = groupAt(footprint, selectedLand);
  if (!solution) return null;
  const sizes = sizesOf(solution);
  const size =
    sizes.find(({ symbol }) => symbol === wanted) ?? sizes.find(({ symbol }) => symbol === 'Y') ?? sizes[0];
  if (!size) return null;
  const { symbol, value } = size;
  return (
    <section className="mt-4" aria-label={`Derivation of ${symbol}`}>
      <h2 className="text-[15px] font-semibold">
        Why is {symbol} {formatLength(value, unit)} {unit}?
      </h2>
      <p className="text-secondary text-[12px]">
        {inUnit(solution.title, unit)}, level {solution.level}
      </p>
      <ol className="mt-1 space-y-1">
        {derivationOf(solution, symbol).map((step, i) => (
          <li key={i} className="text-[12.5px] leading-snug">
            <span className="font-semibold">
              <Formula text={step.symbol} />
            </span>{' '}
            = <Formula text={step.formula} />
            <span className="block pl-3">
              = {substituted(step, unit)} = <b className="font-semibold">{formatLength(step.result, unit)}</b>
              {step.note && <span className="text-secondary block">{inUnit(step.note, unit)}</span>}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
