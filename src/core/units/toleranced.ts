import { formatNumber, fromMm, MM_PER, quantise, type DisplayUnit, type LengthUnit } from './length';

/** How a toleranced value was given by the datasheet or the person. */
export type Given =
  | 'range' // 5.8..6.2, with or without a nominal between
  | 'plus-minus' // 6.0±0.2
  | 'asymmetric' // 6.0+0.2-0.1
  | 'max' // an upper limit only
  | 'min' // a lower limit only
  | 'typical' // a typical value only
  | 'reference' // a reference value only
  | 'exact' // a basic dimension, without tolerance by intent
  | 'bare' // a number alone: exactness is an assumption
  | 'computed'; // from other dimensions

/**
 * A value with its limits: mm for lengths, a plain number for counts.
 * Always `min ≤ nom ≤ max`. Where only one value was given all three are equal
 * and `given` says what is missing.
 */
export interface Toleranced {
  readonly min: number;
  readonly nom: number;
  readonly max: number;
  readonly given: Given;
}

/** What a reader has to be told about a value that was not fully toleranced. */
export const ASSUMPTION: Readonly<Partial<Record<Given, string>>> = {
  bare: 'no tolerance given, taken as exact',
  typical: 'typical value only, taken as exact',
  reference: 'reference value only, taken as exact',
  max: 'only a maximum is given, taken as the size',
  min: 'only a minimum is given, taken as the size',
};

/** An exact value, for constants and derived sizes. */
export function exactly(value: number): Toleranced {
  return { min: value, nom: value, max: value, given: 'exact' };
}

/** Whole tolerance range, max − min. */
export function spread(value: Toleranced): number {
  return value.max - value.min;
}

const PREFIX: Readonly<Partial<Record<Given, string>>> = {
  max: 'max ',
  min: 'min ',
  typical: 'typ ',
  reference: 'ref ',
  exact: 'exact ',
};

/**
 * Writes a toleranced value as an entry that parses back to the same value.
 * Computed values are written as a range, since their formula is not known here.
 * @param value limits in mm (or counts, with `unit` null)
 * @param unit unit to write in; `null` writes a plain number
 */
export function printEntry(value: Toleranced, unit: LengthUnit | null): string {
  const number = (v: number) => formatNumber(unit ? fromMm(v, unit) : v, 0, 9);
  const suffix = unit && unit !== 'mm' ? unit : '';
  const prefix = PREFIX[value.given];
  if (prefix) return `${prefix}${number(value.nom)}${suffix}`;
  switch (value.given) {
    case 'plus-minus':
      return `${number(value.nom)}±${number(value.max - value.nom)}${suffix}`;
    case 'asymmetric':
      return `${number(value.nom)}+${number(value.max - value.nom)}-${number(value.nom - value.min)}${suffix}`;
    case 'bare':
      return `${number(value.nom)}${suffix}`;
    default: {
      const middle = quantise((value.min + value.max) / 2);
      const nominal = Math.abs(middle - value.nom) < 1e-9 ? '' : `${number(value.nom)}..`;
      return `${number(value.min)}..${nominal}${number(value.max)}${suffix}`;
    }
  }
}

/**
 * Writes the limits for reading: `6.20–6.60`, `≤ 1.20`, `0.65`.
 * @param value limits in mm
 * @param brief drops the third decimal of ranges, for a second look in the other unit
 */
export function describeLimits(value: Toleranced, unit: DisplayUnit | 'in', brief = false): string {
  const single = value.min === value.max;
  const number = (v: number) => {
    // as inch columns are printed: to a tenth of a mil
    if (unit === 'in') return formatNumber(v / MM_PER.in, 3, 4);
    const shown = fromMm(v, unit);
    if (unit === 'mm') return formatNumber(shown, 2, brief && !single ? 2 : 3);
    // a tenth of a mil is 2.5 µm: only thin things need it
    return formatNumber(shown, 0, Math.abs(shown) < 20 ? 1 : 0);
  };
  if (value.given === 'max') return `≤ ${number(value.max)}`;
  if (value.given === 'min') return `≥ ${number(value.min)}`;
  return single ? number(value.nom) : `${number(value.min)}–${number(value.max)}`;
}
