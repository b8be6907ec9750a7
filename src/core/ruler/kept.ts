import type { ChoicesRead } from '../document/intent';
import type { Footprint } from '../footprint/footprint';
import type { Process } from '../process/process';
import type { Toleranced } from '../units/toleranced';
import { measure, type Distance, type MeasuredDistance } from './measure';
import { thingsOf, type Thing } from './things';

/** A measurement that is kept with the footprint, as it stands now. */
export interface KeptMeasurement {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly what: Distance;
  readonly wished: Toleranced | null;
  readonly why: string;
  /** What it is between; `null` where one of them is not there any more. */
  readonly between: readonly [Thing, Thing] | null;
  /** `null` where nothing can be measured. */
  readonly now: MeasuredDistance | null;
}

/** The kept measurements of a footprint, in their order. */
export function keptMeasurements(
  read: ChoicesRead['measurements'],
  footprint: Footprint,
  process: Process,
): KeptMeasurement[] {
  if (read.length === 0) return [];
  const things = new Map(thingsOf(footprint, process).map((thing) => [thing.id, thing]));
  return read.map(({ id, from, to, what, wished, why }): KeptMeasurement => {
    const [a, b] = [things.get(from ?? ''), things.get(to ?? '')];
    const all = a && b ? measure(a, b) : [];
    const asked = what ?? 'straight';
    return {
      id,
      from: from ?? '',
      to: to ?? '',
      what: asked,
      wished,
      why: why ?? '',
      between: a && b ? [a, b] : null,
      now: all.find((one) => one.what === asked) ?? null,
    };
  });
}
