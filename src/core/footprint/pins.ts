import type { PinDirection } from '../document/document';
import type { ChoicesRead } from '../document/intent';
import { between, type Voltage } from '../document/voltage';
import type { Land } from './footprint';

/** What one or more lands of a footprint mean. */
export interface Pin {
  /** What it is known by in the document. */
  readonly id: string;
  readonly name: string;
  /** Whether it means what it says while it is low. */
  readonly low: boolean;
  /** `null` where it was not said. */
  readonly direction: PinDirection | null;
  /** Numbers as they were entered; one may have no land. */
  readonly numbers: readonly string[];
  /** What its lands are known by. */
  readonly lands: readonly string[];
  readonly group: string;
  /** The greatest that it has against any other potential, its own or its group's; `null` where none was given. */
  readonly voltage: Voltage | null;
  readonly note: string;
}

/** The pins of a document with the lands that carry their numbers. */
export function pinsOf(read: ChoicesRead['pins'], lands: readonly Land[]): readonly Pin[] {
  if (read.length === 0) return [];
  const byNumber = new Map<string, string[]>();
  for (const { id, number } of lands) {
    const known = byNumber.get(number);
    if (known) known.push(id);
    else byNumber.set(number, [id]);
  }
  const ofGroup = new Map<string, Voltage>();
  for (const { group, voltage } of read) {
    const of = group?.trim() ?? '';
    const most = of === '' ? null : between(ofGroup.get(of) ?? null, voltage);
    if (most) ofGroup.set(of, most);
  }
  return read.map(({ id, name, low, direction, lands: numbers, group, voltage, note }) => ({
    id,
    name: name?.trim() ?? '',
    low: low ?? false,
    direction,
    numbers: numbers ?? [],
    lands: (numbers ?? []).flatMap((number) => byNumber.get(number) ?? []),
    group: group?.trim() ?? '',
    voltage: voltage ?? ofGroup.get(group?.trim() ?? '') ?? null,
    note: note ?? '',
  }));
}

/** Pins by what their lands are known by; of two for one land the first. */
export function pinsByLand(pins: readonly Pin[]): ReadonlyMap<string, Pin> {
  const found = new Map<string, Pin>();
  for (const pin of pins) for (const land of pin.lands) if (!found.has(land)) found.set(land, pin);
  return found;
}

/** A pin's name as plain text: what is active low has a bar before it. */
export function pinLabel({ name, low }: Pick<Pin, 'name' | 'low'>): string {
  return low && name !== '' ? `¬${name}` : name;
}

/** Directions as the trade says them. */
export const DIRECTION_WORDS: Readonly<Record<PinDirection, string>> = {
  input: 'input',
  output: 'output',
  both: 'input and output',
  'three-state': 'three-state',
  'open-collector': 'open collector',
  'open-emitter': 'open emitter',
  passive: 'passive',
  power: 'power',
  'power-output': 'power output',
  ground: 'ground',
  'not-connected': 'not connected',
};
