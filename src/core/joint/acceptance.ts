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

/** Side overhang at most, as a share of the terminal's width. */
export function sideOverhangLimit(productClass: ProductClass): number {
  return productClass === 3 ? 0.25 : 0.5;
}

/** End joint width at least, as a share of the terminal's width. */
export function endJointLimit(productClass: ProductClass): number {
  return productClass === 3 ? 0.75 : 0.5;
}
