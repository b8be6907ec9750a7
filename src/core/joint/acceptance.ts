import type { TerminalForm } from '../package/terminal';
import type { Process } from '../process/process';

/** Product class of J-STD-001 and IPC-A-610. */
export type ProductClass = Process['acceptanceClass'];

/** Forms whose ends may not hang over their land at all (IPC-A-610, 8.3.1 to 8.3.4 and 8.3.13). */
const NO_END_OVERHANG: readonly TerminalForm[] = [
  'rectangular-end',
  'cylindrical-end',
  'castellated',
  'chip-array',
  'no-lead',
  'pulled-back',
];

/** Whether the outer end of a terminal has to stay on its land. */
export function endStaysOn(form: TerminalForm): boolean {
  return NO_END_OVERHANG.includes(form);
}

/** Side overhang at most, as a share of the terminal's width; a quarter for cylindrical ends in every class. */
export function sideOverhangLimit(productClass: ProductClass, form: TerminalForm): number {
  return productClass === 3 || form === 'cylindrical-end' ? 0.25 : 0.5;
}

/**
 * Length of the joint along a terminal at least (IPC-A-610, 8.3.5 for gull wings and 8.3.3 for
 * cylindrical ends); `null` where the form has no such demand.
 * @param width of the terminal, mm
 * @param length of its foot or end cap, mm
 */
export function sideJointLimit(
  form: TerminalForm,
  productClass: ProductClass,
  width: number,
  length: number,
): number | null {
  if (form === 'gull-wing') {
    if (productClass === 1) return Math.min(width, 0.5, length);
    return length >= 3 * width ? Math.max(3 * width, 0.75 * length) : length;
  }
  if (form === 'cylindrical-end' && productClass > 1) return (productClass === 3 ? 0.75 : 0.5) * length;
  return null;
}

/** End joint width at least, as a share of the terminal's width. */
export function endJointLimit(productClass: ProductClass): number {
  return productClass === 3 ? 0.75 : 0.5;
}
