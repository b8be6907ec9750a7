import { groupAt, type Drawable } from '../../core/footprint/footprint';
import { substituted, type Step } from '../../core/land/derivation';
import { derivationOf, sizesOf } from '../../core/land/solution';
import { inFormula, letterOf } from '../../core/package/letters';
import { inUnit } from '../../core/units/in-words';
import { formatLength } from '../../core/units/length';
import { Formula } from './Formula';
import type { LedgerView } from './view';

interface Props extends Pick<LedgerView, 'selectedLand' | 'unit' | 'letters'> {
  drawable: Drawable;
  /** The size that is asked for; else the land's length. */
  symbol?: string | null;
  /** Points at a dimension that a value comes from, so that its place in the datasheet is shown. */
  onPoint: (symbol: string) => void;
}

/** Where a land dimension comes from, step by step with its values. */
export function WhyCard({ drawable, selectedLand, unit, letters, symbol: wanted, onPoint }: Props) {
  const { footprint, resolved } = drawable;
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
            = <Formula text={inFormula(step.formula, letters)} />
            <span className="block pl-3">
              = {substituted(step, unit)} = <b className="font-semibold">{formatLength(step.result, unit)}</b>
              <Printed symbols={printedOf(step, resolved)} letters={letters} onPoint={onPoint} />
              {step.note && <span className="text-secondary block">{inUnit(step.note, unit)}</span>}
            </span>
          </li>
        ))}
      </ol>
      <a className="link text-[12px]" href="/docs/lands" target="_blank" rel="noreferrer">
        How a land comes about
      </a>
    </section>
  );
}

/** Limits of the package's own dimensions, as derivations name them. */
const LIMIT = /(min|max|nom)'?$/;

/** Dimensions that were read from a datasheet and that the values of a step are the limits of. */
function printedOf({ values }: Step, resolved: Drawable['resolved']): string[] {
  const limits = Object.entries(values).flatMap(([name, value]) => (LIMIT.test(name) ? [value] : []));
  return (resolved?.dimensions ?? []).flatMap(({ definition, from, value }) => {
    if (!from || !value || definition.kind !== 'length') return [];
    const has = limits.some((limit) =>
      [value.min, value.nom, value.max].some((one) => Math.abs(one - limit) < 1e-9),
    );
    return has ? [definition.symbol] : [];
  });
}

/** The dimensions of a step; pointing at one shows where it is printed. */
interface PrintedProps extends Pick<Props, 'letters' | 'onPoint'> {
  symbols: readonly string[];
}

function Printed({ symbols, letters, onPoint }: PrintedProps) {
  if (symbols.length === 0) return null;
  return (
    <span className="text-secondary block">
      printed:{' '}
      {symbols.map((symbol) => (
        <button
          key={symbol}
          type="button"
          className="text-primary mr-1.5 cursor-pointer hover:underline"
          aria-label={`Where ${letterOf(symbol, letters)} is printed`}
          onPointerEnter={() => onPoint(symbol)}
          onFocus={() => onPoint(symbol)}
          onClick={() => onPoint(symbol)}
        >
          {letterOf(symbol, letters)}
        </button>
      ))}
    </span>
  );
}
