import { useState } from 'react';
import { USUAL_SPREAD, type Spread } from '../../core/joint/distribution';
import { readMeasured } from '../../core/best/measured';
import type { SaidSpread } from '../../core/best/spreads';
import type { Variable } from '../../core/joint/model';
import type { DisplayUnit } from '../../core/units/length';
import { Pick } from '../common/inputs';
import { MeasuredFigures } from './MeasuredFigures';

/** Measurements that a document keeps of one tolerance. */
const MOST = 20_000;

/** Kinds that need no measurement, by what they are called here. */
const KINDS: readonly (readonly [id: string, words: string, spread: Spread | null])[] = [
  ['usual', 'normal, limits at 3σ', null],
  ['wide', 'normal, limits at 2σ', { kind: 'normal', k: 2 }],
  ['uniform', 'uniform', { kind: 'uniform' }],
  ['trimmed', 'normal, sorted at its limits', { kind: 'trimmed', k: 3 }],
];

interface Props {
  variables: readonly Variable[];
  given: Readonly<Record<string, SaidSpread>>;
  /** What the process says of them, which holds where the document says nothing. */
  ofProcess: Readonly<Record<string, SaidSpread>>;
  unit: DisplayUnit;
  /** Says how one spreads; `null` for as usual. */
  onGive: (name: string, spread: Spread | null, source: string | null) => void;
}

/** How tolerances spread: what is assumed of each, or what was measured of it. */
export function Spreads({ variables, given, ofProcess, unit, onGive }: Props) {
  const some = variables.filter(({ range }) => range > 0);
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const variable = some.find((one) => one.name === name) ?? some[0];
  if (!variable) return null;
  const own = given[variable.name];
  const give = (spread: Spread | null, source: string | null = null) => {
    setTrouble(null);
    onGive(variable.name, spread, source);
  };
  const bring = async (file: File) => {
    const read = readMeasured(await file.text());
    if (!read.ok) return setTrouble(`${file.name}: ${read.error}`);
    if (read.value.values.length > MOST)
      return setTrouble(
        `${file.name}: it has ${read.value.values.length} measurements, and a document keeps ${MOST}. Take a sample of them.`,
      );
    give({ kind: 'measured', values: read.value.values }, file.name);
  };
  const kind = KINDS.find(([, , spread]) => JSON.stringify(spread) === JSON.stringify(own?.spread ?? null));
  const ofDocument = Object.keys(given).filter((one) => given[one]?.by === 'document');
  const said = ofDocument.length;
  const strange = ofDocument.filter((one) => !variables.some(({ name: known }) => known === one));
  return (
    <details className="mt-1 text-[12px]">
      <summary className="link">How tolerances spread{said > 0 ? `, ${said} said otherwise` : ''}</summary>
      {strange.map((one) => (
        <p key={one} className="text-warning">
          “{one}” does not vary here any more; what is said of it is not used.{' '}
          <button type="button" className="link" onClick={() => onGive(one, null, null)}>
            Remove it
          </button>
        </p>
      ))}
      <Pick
        className="mt-1 w-full"
        label="Tolerance"
        value={variable.name}
        options={some.map((one) => [one.name, one.name] as const)}
        onChange={setName}
      />
      <Pick
        className="mt-1 w-full"
        label="How it spreads"
        value={own?.by === 'process' ? 'process' : own?.measured ? 'measured' : (kind?.[0] ?? 'usual')}
        options={[
          ...(ofProcess[variable.name] ? [['process', 'as the process says'] as const] : []),
          ...KINDS.map(([id, words]) => [id, words] as const),
          ...(own?.measured && own.by === 'document' ? [['measured', 'as measured'] as const] : []),
        ]}
        onChange={(id) => {
          const spread = KINDS.find(([one]) => one === id)?.[2] ?? null;
          // what is usual has to be said where the process says otherwise
          const usual = id === 'usual' && ofProcess[variable.name] ? USUAL_SPREAD : null;
          if (id !== 'measured') give(spread ?? usual);
        }}
      />
      <label className="btn btn-xs relative mt-1">
        Bring measurements
        <input
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          className="sr-only"
          aria-label={`Measurements of ${variable.name.toLowerCase()}`}
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) void bring(file);
            target.value = '';
          }}
        />
      </label>
      <p className="text-secondary">As CSV: an offset a line, or wanted and measured.</p>
      {own?.by === 'process' && (
        <p className="text-secondary">
          So says the process; what is said here goes before it, for this part.
        </p>
      )}
      {trouble !== null && (
        <p role="alert" className="text-error mt-1">
          {trouble}
        </p>
      )}
      {own?.measured && (
        <MeasuredFigures source={own.source} measured={own.measured} range={variable.range} unit={unit} />
      )}
    </details>
  );
}
