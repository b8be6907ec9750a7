import type { Process } from '../process/process';
import { formatNumber, quantise } from '../units/length';
import {
  ALTITUDE,
  CLEARANCE,
  CONDUCTOR_WORDS,
  CREEPAGE,
  GROOVE,
  IMPULSE,
  IMPULSE_STEPS,
  IPC_2221,
  IPC_2221_PER_VOLT,
  type ConductorType,
} from './tables';
import { peakOf, type Voltage } from '../document/voltage';

/** What of a process spacing rests on. */
export type SpacingProcess = Pick<
  Process,
  | 'spacingBy'
  | 'assemblyCoating'
  | 'insulation'
  | 'pollutionDegree'
  | 'materialGroup'
  | 'overvoltageCategory'
  | 'altitude'
>;

/** A distance that has to be kept, and where it comes from. */
export interface SpacingLimit {
  /** Straight through air, or along the board's surface. */
  readonly along: 'air' | 'surface';
  /** mm */
  readonly least: number;
  readonly source: string;
}

/** Where copper lies and whether mask covers it. */
export interface Conductor {
  readonly layer: 'outer' | 'inner';
  readonly covered: boolean;
}

/** Above this the table's rows for bare conductors at sea level do not hold, m. */
const HIGH = 3050;

/** The conductor type of IPC-2221B that holds between two conductors: the one that asks for more. */
export function conductorType(
  a: Conductor,
  b: Conductor,
  { assemblyCoating, altitude }: Pick<SpacingProcess, 'assemblyCoating' | 'altitude'>,
): ConductorType {
  if (a.layer === 'inner' && b.layer === 'inner') return 'B1';
  if (a.covered && b.covered) return 'B4';
  if (assemblyCoating === 1) return 'A7';
  return altitude > HIGH ? 'B3' : 'A6';
}

/** Least spacing by IPC-2221B table 6-1. @param peak V @returns mm */
export function ipcSpacing(peak: number, type: ConductorType): number {
  const row = IPC_2221.find(({ upTo }) => peak <= upTo + 1e-9);
  if (row) return row[type];
  const last = IPC_2221.at(-1);
  return quantise((last?.[type] ?? 0) + (peak - (last?.upTo ?? 0)) * IPC_2221_PER_VOLT[type]);
}

/** Creepage by IEC 60664-1, between rows in proportion. @param volts r.m.s. or d.c. @returns mm */
export function creepageFor(
  volts: number,
  { pollutionDegree, materialGroup, insulation }: SpacingProcess,
): number {
  const of = (row: (typeof CREEPAGE)[number]) =>
    pollutionDegree === 1
      ? row.clean
      : ((pollutionDegree === 2 ? row.degree2 : row.degree3)[materialGroup - 1] ?? 0);
  const basic = inProportion(
    CREEPAGE.map((row) => [row.volts, of(row)]),
    volts,
  );
  return quantise(basic * (insulation === 2 ? 2 : 1));
}

/** Clearance by IEC 60664-1 for the working voltage and the impulses of its category. @param peak V @returns mm */
export function clearanceFor(
  working: Voltage,
  { pollutionDegree, overvoltageCategory, insulation, altitude }: SpacingProcess,
): number {
  const rows = CLEARANCE.map(({ volts, least }): Row => [volts, least[pollutionDegree - 1] ?? 0]);
  const impulse = impulseFor(working, overvoltageCategory, insulation === 2);
  // steady peaks are held against the same rows; reinforced insulation against 1.6 of them
  const steady = peakOf(working) * (insulation === 2 ? 1.6 : 1);
  const up = ALTITUDE.find(({ upTo }) => altitude <= upTo) ?? ALTITUDE.at(-1);
  return quantise(inProportion(rows, Math.max(impulse, steady)) * (up?.times ?? 1));
}

/** The impulse voltage that insulation has to withstand, V; 0 where there are none. */
function impulseFor({ volts, kind }: Voltage, category: number, isReinforced: boolean): number {
  if (category === 0) return 0;
  const toEarth = kind === 'peak' ? volts / Math.SQRT2 : volts;
  const row = IMPULSE.find((one) => toEarth <= one.volts + 1e-9) ?? IMPULSE.at(-1);
  const basic = row?.by[category - 1] ?? 0;
  if (!isReinforced) return basic;
  return IMPULSE_STEPS[IMPULSE_STEPS.indexOf(basic as (typeof IMPULSE_STEPS)[number]) + 1] ?? basic * 1.6;
}

type Row = readonly [at: number, value: number];

/** The value of a table between its rows, in proportion; below the first its own, above the last as steep as there. */
function inProportion(rows: readonly Row[], at: number): number {
  const next = rows.findIndex(([x]) => at <= x + 1e-9);
  if (next === 0) return rows[0]?.[1] ?? 0;
  const [upper, lower] = next < 0 ? [rows.at(-1), rows.at(-2)] : [rows[next], rows[next - 1]];
  if (!upper || !lower) return 0;
  return lower[1] + ((upper[1] - lower[1]) * (at - lower[0])) / (upper[0] - lower[0]);
}

/** The least width of a slot that dirt does not bridge, mm. */
export const grooveFor = ({ pollutionDegree }: Pick<SpacingProcess, 'pollutionDegree'>): number =>
  GROOVE[pollutionDegree - 1] ?? GROOVE[2];

/** What has to be kept between two conductors, by all that the process holds them against. */
export function limitsFor(
  working: Voltage,
  [a, b]: readonly [Conductor, Conductor],
  process: SpacingProcess,
): SpacingLimit[] {
  const found: SpacingLimit[] = [];
  if (process.spacingBy !== 2) {
    const type = conductorType(a, b, process);
    found.push({
      along: 'air',
      least: ipcSpacing(peakOf(working), type),
      source: `IPC-2221B table 6-1, ${type} (${CONDUCTOR_WORDS[type]}), ${volts(peakOf(working))} peak`,
    });
  }
  if (process.spacingBy !== 1) {
    const kind = process.insulation === 2 ? 'reinforced' : 'basic';
    const degree = `pollution degree ${process.pollutionDegree}`;
    const category = ['no overvoltages', 'category I', 'category II', 'category III', 'category IV'];
    found.push(
      {
        along: 'air',
        least: clearanceFor(working, process),
        source: `IEC 60664-1 clearance, ${kind}, ${volts(working.volts)}, overvoltage ${category[process.overvoltageCategory] ?? ''}, ${degree}`,
      },
      {
        along: 'surface',
        least: creepageFor(working.volts, process),
        source: `IEC 60664-1 creepage, ${kind}, ${volts(working.volts)}, ${degree}, material group ${'I'.repeat(process.materialGroup)}`,
      },
    );
  }
  return found;
}

const volts = (value: number) => `${formatNumber(value, 0, 0)} V`;
