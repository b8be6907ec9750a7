import { binned, capabilityOf, type Measured } from '../../core/best/measured';
import { formatLength, formatNumber, type DisplayUnit } from '../../core/units/length';
import { later } from '../common/later';

const Distribution = later(
  'The chart',
  async () => (await import('./Distribution')).Distribution,
  <div className="h-[92px]" />,
);

interface Props {
  /** Where they come from. */
  source: string | null;
  measured: Measured;
  /** From limit to limit; `null` where no number states one. */
  range: number | null;
  unit: DisplayUnit;
}

/** Measurements as a histogram between the limits that are stated, with bias, spread and capability. */
export function MeasuredFigures({ source, measured, range, unit }: Props) {
  const capability = range === null ? null : capabilityOf(measured, range);
  const show = (mm: number) => formatLength(mm, unit);
  const two = (value: number) => formatNumber(value, 2, 2);
  return (
    <div className="mt-1">
      <Distribution
        margin={{ histogram: binned(measured), goal: null, limit: null }}
        limits={range === null ? [] : [-range / 2, range / 2]}
        show={show}
      />
      <p>
        {measured.values.length} from {source ?? 'somewhere that is not said'}: bias {show(measured.bias)}{' '}
        {unit}, σ {formatLength(measured.deviation, unit)} {unit}.
      </p>
      {capability && range !== null && (
        <p className="text-secondary">
          Cp {two(capability.cp)} (at least {two(capability.cpLow)}), Cpk {two(capability.cpk)} (
          {two(capability.cpkLow)} to {two(capability.cpkHigh)}), against ±{show(range / 2)} {unit}; 95 %
          confidence.
        </p>
      )}
      <p className="text-secondary">The bias moves things, it is no part of the spread.</p>
    </div>
  );
}
