import { useId, useState } from 'react';
import { readMeasured } from '../../core/best/measured';
import { keptSpread, saidSpread } from '../../core/best/spreads';
import { MEASURABLE_HELP, MOST_MEASURED, type Measurable } from '../../core/process/measured';
import type { Process } from '../../core/process/process';
import { formatNumber } from '../../core/units/length';
import { Tick } from '../common/inputs';
import { MeasuredFigures } from '../prove/MeasuredFigures';

/** Changes a part of a process; what becomes undefined is said no more. */
export type Put = (part: { readonly [K in keyof Process]?: Process[K] | undefined }) => void;

interface Props {
  /** What is measured. */
  of: Measurable;
  /** What it is called. */
  title: string;
  process: Process;
  editable: boolean;
  put: Put;
}

/** Measurements that go before what is assumed of a number of the process: brought, looked at, taken back. */
export function MeasuredRow({ of, title, process, editable, put }: Props) {
  const [trouble, setTrouble] = useState<string | null>(null);
  const [areSizes, setAreSizes] = useState(true);
  const fault = useId();
  const kept = process.spreads?.[of];
  const said = kept && saidSpread(kept);
  if (!editable && !said) return null;
  const measured = said?.measured ?? null;
  const isOfLands = of === 'fabricationTolerance';
  const give = (spread: Process['spreads']) => {
    setTrouble(null);
    put({ spreads: spread });
  };
  const bring = async (file: File) => {
    const read = readMeasured(await file.text());
    if (!read.ok) return setTrouble(`${file.name}: ${read.error}`);
    const { values } = read.value;
    if (values.length > MOST_MEASURED)
      return setTrouble(
        `${file.name}: it has ${values.length} measurements, and a process keeps ${MOST_MEASURED}. Take a sample of them.`,
      );
    // a land that is 0.02 larger has each edge 0.01 farther out
    const offsets = isOfLands && areSizes ? values.map((value) => value / 2) : values;
    give({ ...process.spreads, [of]: keptSpread({ kind: 'measured', values: offsets }, file.name) });
  };
  const without = () => {
    const { [of]: _gone, ...others } = process.spreads ?? {};
    give(Object.keys(others).length > 0 ? others : undefined);
  };
  const range = of === 'finishedHole' ? null : process[of] * (of === 'drillWander' ? 2 : 1);
  return (
    <div className="mb-1 pl-3 text-[12px]" role="group" aria-label={`Measured: ${title}`}>
      {said && !measured && (
        <p>
          Spreads as {kept.is}
          {said.source === null ? '' : ` (${said.source})`}.
        </p>
      )}
      {measured && (
        <MeasuredFigures source={said?.source ?? null} measured={measured} range={range} unit="mm" />
      )}
      {editable && (
        <p className="flex flex-wrap items-center gap-x-3">
          <label className="btn btn-xs relative">
            {measured ? 'Bring others' : 'Bring measurements'}
            <input
              type="file"
              accept=".csv,.txt,text/csv,text/plain"
              className="sr-only"
              aria-label={`Measurements: ${title}`}
              aria-describedby={trouble === null ? undefined : fault}
              onChange={({ target }) => {
                const [file] = target.files ?? [];
                if (file) void bring(file);
                target.value = '';
              }}
            />
          </label>
          {isOfLands && (
            <Tick checked={areSizes} onChange={setAreSizes}>
              sizes of lands: half at each edge
            </Tick>
          )}
          {said && (
            <button type="button" className="link" onClick={without}>
              Remove
            </button>
          )}
          {measured && of !== 'finishedHole' && (
            <button
              type="button"
              className="link"
              onClick={() => {
                const sigmas = of === 'drillWander' ? 3 : 6;
                put({
                  [of]: Math.round(sigmas * measured.deviation * 1e4) / 1e4,
                  reasons: {
                    ...process.reasons,
                    [of]: `${sigmas}σ of ${measured.values.length} measured${said?.source ? ` (${said.source})` : ''}.`,
                  },
                });
              }}
            >
              Take {of === 'drillWander' ? '3σ' : '6σ'},{' '}
              {formatNumber((of === 'drillWander' ? 3 : 6) * measured.deviation, 2, 3)} mm, as the number
            </button>
          )}
          <span className="text-secondary">{MEASURABLE_HELP[of]}</span>
        </p>
      )}
      {trouble !== null && (
        <p role="alert" id={fault} className="text-error">
          {trouble}
        </p>
      )}
    </div>
  );
}
