import type { Drawable } from '../footprint/footprint';
import { FINISHED_HOLE, jointModel, type Variable } from '../joint/model';
import type { KeptSpread, Measurable } from '../process/measured';
import type { Spread } from '../joint/distribution';
import { measuredOf, type Measured } from './measured';
import type { Spreads } from './share';

// How tolerances spread as a document keeps it, so that browser, terminal and report reckon with the same.

/** Reads a kind in words, such as `normal 2`; `null` where it is none. */
export function spreadFrom(words: string): Spread | null {
  const [, kind = '', number = ''] = /^\s*([a-z]+)\s*([\d.]*)\s*$/.exec(words.toLowerCase()) ?? [];
  const value = number === '' ? null : Number(number);
  switch (kind) {
    case 'uniform':
      return { kind };
    case 'normal':
    case 'trimmed':
      return value === null || (value >= 0.5 && value <= 10) ? { kind, k: value ?? 3 } : null;
    case 'skewed':
      return value !== null && value >= 0 && value <= 1 ? { kind, peak: value } : null;
    default:
      return null;
  }
}

/** A spread as a document keeps it. @param source what it was measured from */
export function keptSpread(spread: Spread, source: string | null): KeptSpread {
  const from = source === null ? {} : { source: source.slice(0, 200) };
  switch (spread.kind) {
    case 'measured':
      return {
        offsets: spread.values.map((value) => String(Math.round(value * 1e4) / 10)).join(' '),
        ...from,
      };
    case 'uniform':
      return { is: 'uniform', ...from };
    case 'skewed':
      return { is: `skewed ${spread.peak}`, ...from };
    default:
      return { is: `${spread.kind} ${spread.k}`, ...from };
  }
}

/** One spread that a document says. */
export interface SaidSpread {
  readonly spread: Spread;
  readonly measured: Measured | null;
  readonly source: string | null;
  /** Who says it: the document of the part, or the process for all its parts. */
  readonly by: 'document' | 'process';
}

/** Reads one spread that a document keeps; `null` where it says none. */
export function saidSpread({
  is,
  offsets,
  source = null,
}: Readonly<Partial<Record<keyof KeptSpread, string | null>>>): Omit<SaidSpread, 'by'> | null {
  if (offsets) {
    const values = offsets.split(' ').map((one) => Number(one) / 1000);
    return { spread: { kind: 'measured', values }, measured: measuredOf(values), source };
  }
  const spread = is ? spreadFrom(is) : null;
  return spread && { spread, measured: null, source };
}

/** Everything that varies in a footprint's joints, by name. */
export function variablesOf({ footprint, process }: Pick<Drawable, 'footprint' | 'process'>): Variable[] {
  const found = new Map<string, Variable>();
  for (const group of footprint.groups) {
    const land = footprint.lands.find((one) => one.group === group.terminals.id && one.terminal);
    const model = land && jointModel(footprint, land, process);
    for (const variable of model?.variables ?? [])
      if (!found.has(variable.name)) found.set(variable.name, variable);
  }
  return [...found.values()];
}

/** Which measurements of a process a variable goes by. */
const measurableOf = ({ name, number }: Variable): string | undefined =>
  name === FINISHED_HOLE ? ('finishedHole' satisfies Measurable) : number;

/** Every spread that is said, by its tolerance: by the process, and before that by the document of the part. */
export function saidSpreads(
  drawable: Pick<Drawable, 'spreads' | 'footprint' | 'process'>,
): Readonly<Record<string, SaidSpread>> {
  const found: Record<string, SaidSpread> = {};
  const ofProcess: Readonly<Partial<Record<string, KeptSpread>>> = drawable.process.spreads ?? {};
  if (Object.keys(ofProcess).length > 0)
    for (const variable of variablesOf(drawable)) {
      const kept = ofProcess[measurableOf(variable) ?? ''];
      const said = kept && saidSpread(kept);
      if (said) found[variable.name] = { ...said, by: 'process' };
    }
  for (const [name, kept] of drawable.spreads) {
    const said = saidSpread(kept);
    if (said) found[name] = { ...said, by: 'document' };
  }
  return found;
}

/** How tolerances spread: as process and document say, and as is asked in its place. */
export function spreadsOf(
  drawable: Pick<Drawable, 'spreads' | 'footprint' | 'process'>,
  asked: Spreads = {},
): Spreads {
  const own = Object.entries(saidSpreads(drawable)).map(([name, { spread }]) => [name, spread] as const);
  return own.length === 0 ? asked : { ...Object.fromEntries(own), ...asked };
}
