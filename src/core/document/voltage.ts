import type { NotationField } from './fields';
import { formatNumber } from '../units/length';
import { fail, ok } from '../units/result';

/** What a voltage is: steady, the effective value of an alternating one, or its peak. */
export type VoltageKind = 'dc' | 'rms' | 'peak';

/** The greatest voltage that a pin has against any other potential, V. */
export interface Voltage {
  readonly volts: number;
  readonly kind: VoltageKind;
}

/** Greatest voltage that the tables can be asked for, V. */
export const MOST_VOLTS = 20_000;

const KINDS: readonly (readonly [VoltageKind, RegExp])[] = [
  ['rms', /^(~|ac|a\.c\.|vac|v~|v ?ac|rms|eff|veff|v ?eff|vrms|v ?rms)$/],
  ['peak', /^(pk|peak|vp|vpk|v ?pk|v ?peak|\^|vs|v ?pp?k)$/],
  ['dc', /^(|v|dc|d\.c\.|vdc|v ?dc|=|v=|⎓|v⎓)$/],
];

/**
 * Reads a working voltage: `12`, `230 V~`, `230 Vrms`, `325 V pk`, `1.5 kV dc`. Without a word it is steady.
 * Signs of polarity are left: what counts is the greatest difference to any other potential.
 */
export const voltage: NotationField<Voltage>['read'] = (text) => {
  const [, number = '', kilo = '', rest = ''] =
    /^\s*[±+-]?\s*(\d+(?:[.,]\d+)?)\s*(k(?=\s*v))?\s*(.*?)\s*$/i.exec(text) ?? [];
  const kind = KINDS.find(([, form]) => form.test(rest.toLowerCase()))?.[0];
  const volts = Number(number.replace(',', '.')) * (kilo === '' ? 1 : 1000);
  if (number === '' || !kind)
    return fail({ found: text, reason: 'a voltage is a number with dc, ac (or ~) or pk, such as 230 ac' });
  if (volts > MOST_VOLTS)
    return fail({
      found: text,
      reason: `it is more than ${formatNumber(MOST_VOLTS)} V, where the tables end`,
    });
  return ok({ volts, kind });
};

/** A voltage in words. */
export function voltageWords({ volts, kind }: Voltage): string {
  const word = kind === 'dc' ? 'd.c.' : kind === 'rms' ? 'a.c. r.m.s.' : 'peak';
  return `${formatNumber(volts, 0, 1)} V ${word}`;
}

/** What an alternating voltage reaches, V; a steady one is its own peak. */
export const peakOf = ({ volts, kind }: Voltage): number => (kind === 'rms' ? volts * Math.SQRT2 : volts);

/** The voltage between two potentials: the greater of those that they have against any other. */
export function between(a: Voltage | null, b: Voltage | null): Voltage | null {
  if (!a || !b) return a ?? b;
  return peakOf(a) >= peakOf(b) ? a : b;
}
